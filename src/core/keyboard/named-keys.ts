/** Which way a key goes that moves: to the next or the one before, or to an end. */
export type Way = 1 | -1 | "first" | "last";

interface NamedKey {
  /** The legacy number that old handlers look at. UI Events, "fixed virtual key codes". */
  readonly code: number;
  readonly way?: Way;
  /** Whether it goes by a page instead of a line. */
  readonly isPage?: true;
  /** Whether it goes up or down. */
  readonly isVertical?: true;
}

/** The keys that have names, as people write them. UI Events KeyboardEvent key Values. */
export const namedKeys = {
  Tab: { code: 9 },
  Enter: { code: 13 },
  Space: { code: 32 },
  Escape: { code: 27 },
  ArrowUp: { code: 38, way: -1, isVertical: true },
  ArrowDown: { code: 40, way: 1, isVertical: true },
  ArrowLeft: { code: 37, way: -1 },
  ArrowRight: { code: 39, way: 1 },
  Home: { code: 36, way: "first" },
  End: { code: 35, way: "last" },
  PageUp: { code: 33, way: -1, isPage: true },
  PageDown: { code: 34, way: 1, isPage: true },
  Backspace: { code: 8 },
  Delete: { code: 46 },
} as const satisfies Readonly<Record<string, NamedKey>>;

export type KeyName = keyof typeof namedKeys;

export const namedKey = (name: string): NamedKey | undefined =>
  Object.hasOwn(namedKeys, name) ? namedKeys[name as KeyName] : undefined;

/** A key as it is pressed: `key` as in UI Events KeyboardEvent key Values. */
export interface KeyPress {
  readonly key: string;
  readonly shift?: boolean;
  readonly alt?: boolean;
  readonly ctrl?: boolean;
  readonly meta?: boolean;
}

/** A key as people write it: `Shift+Tab`, `Alt+ArrowDown`, `Space`, `a`. */
export function keyPressOf(written: string): Required<KeyPress> {
  const parts = written === "+" ? ["+"] : written.split("+");
  const name = parts.at(-1) ?? written;
  return {
    key: name === "Space" ? " " : name,
    shift: parts.includes("Shift"),
    alt: parts.includes("Alt"),
    ctrl: parts.includes("Ctrl"),
    meta: parts.includes("Meta"),
  };
}

/** The key as people write it, without what is held with it. */
export const keyName = (key: string): string => (key === " " ? "Space" : key);

/** Whether a key writes a character. */
export const isPrintable = (key: string): boolean => [...key].length === 1;
