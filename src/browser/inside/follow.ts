/// <reference lib="dom" />
// What runs in the page, in a world of its own: its text is sent there, so each function stands alone and imports nothing.

/** One thing that a person did, or that came of it; `element` is the number of where, null for nowhere in particular. */
export interface FollowedAct {
  readonly kind: "key" | "click" | "focus" | "pointer" | "change";
  /** As walk scripts write it; empty for what is no key. */
  readonly key: string;
  readonly element: number | null;
  /** Whether it went into a field of text, where letters are what they say. */
  readonly isText: boolean;
  /** Whether what is typed there is a secret. */
  readonly isSecret: boolean;
}

/** What was done since it was asked last. */
export interface Followed {
  readonly acts: readonly FollowedAct[];
  /** How often the document changed so far. */
  readonly changes: number;
}

/** Notes what a person does in a window from now on. */
export function followPeople(): string {
  const world = globalThis as unknown as {
    keelFollowed?: { acts: unknown[]; changes: number };
    keelSerialOf?: (element: Element) => number;
  };
  if (world.keelFollowed !== undefined) return "true";
  const followed = { acts: [] as unknown[], changes: 0 };
  world.keelFollowed = followed;
  const numberOf = (event: Event): number | null => {
    const [target] = event.composedPath();
    return target instanceof Element ? (world.keelSerialOf?.(target) ?? null) : null;
  };
  const fieldOf = (event: Event): { isText: boolean; isSecret: boolean } => {
    const [target] = event.composedPath();
    if (!(target instanceof HTMLElement)) return { isText: false, isSecret: false };
    const type = target instanceof HTMLInputElement ? target.type : "";
    const isInput =
      type !== "" && !/^(?:button|checkbox|color|file|image|radio|range|reset|submit)$/.test(type);
    return {
      isText: isInput || target.localName === "textarea" || target.isContentEditable,
      isSecret: type === "password",
    };
  };
  const note = (kind: string, event: Event, key = "") => {
    if (!event.isTrusted) return;
    followed.acts.push({ kind, key, element: numberOf(event), ...fieldOf(event) });
  };
  const named: Record<string, string> = { " ": "Space", Esc: "Escape" };
  addEventListener(
    "keydown",
    (event) => {
      if (/^(?:Shift|Control|Alt|AltGraph|Meta|CapsLock|Dead|Process|Unidentified)$/.test(event.key)) return;
      const isLetter = event.key.length === 1;
      const held = [
        ...(event.ctrlKey ? ["Ctrl"] : []),
        ...(event.altKey ? ["Alt"] : []),
        ...(event.metaKey ? ["Meta"] : []),
        // A capital letter is what it is; with other keys Shift is told.
        ...(event.shiftKey && (!isLetter || event.key === " ") ? ["Shift"] : []),
      ];
      note("key", event, [...held, named[event.key] ?? event.key].join("+"));
    },
    { capture: true },
  );
  addEventListener("pointerdown", (event) => note("click", event), { capture: true });
  addEventListener("pointerover", (event) => note("pointer", event), { capture: true });
  addEventListener("focusin", (event) => note("focus", event), { capture: true });
  addEventListener("input", (event) => note("change", event), { capture: true });
  new MutationObserver((records) => {
    followed.changes += records.length;
  }).observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
  return "true";
}

/** What a person did since this was asked last; null where nobody is followed, as on a page that has just come. */
export function takeFollowed(): string {
  const { keelFollowed } = globalThis as unknown as {
    keelFollowed?: { acts: unknown[]; changes: number };
  };
  if (keelFollowed === undefined || document.readyState !== "complete") return "null";
  return JSON.stringify({ acts: keelFollowed.acts.splice(0), changes: keelFollowed.changes });
}
