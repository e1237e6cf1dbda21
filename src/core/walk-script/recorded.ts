import { writtenText } from "./written-line.ts";

/** What a person did in a window, as far as a walk script can say it. */
export type RecordedAct =
  | {
      readonly kind: "key";
      /** As walk scripts write it. */
      readonly key: string;
      /** Whether it went into a field of text. */
      readonly isText: boolean;
      readonly isSecret: boolean;
    }
  | { readonly kind: "click" /** As walk scripts write it. */; readonly what: string };

/** The lines of a script that do the same once more, and the secrets that were typed, by the variables that stand for them. */
export interface Recorded {
  readonly lines: readonly string[];
  readonly secrets: ReadonlyMap<string, string>;
}

/** Keys in a row become one line: letters in a field what is typed there, a key that leads on a number of times. */
export function recordedLines(acts: readonly RecordedAct[]): Recorded {
  const lines: string[] = [];
  const secrets = new Map<string, string>();
  for (let at = 0; at < acts.length; ) {
    const act = acts[at] as RecordedAct;
    if (act.kind === "click") {
      lines.push(`click ${act.what}`);
      at++;
      continue;
    }
    const typed = run(acts, at, (one) => letterOf(one) !== null && sameSecrecy(one, act));
    if (typed.length > 0) {
      const text = typed.map(letterOf).join("");
      if (act.isSecret) {
        const name = `PASSWORD${secrets.size === 0 ? "" : `_${secrets.size + 1}`}`;
        secrets.set(name, text);
        lines.push(`type $${name}`);
      } else lines.push(`type ${writtenText(text)}`);
      at += typed.length;
      continue;
    }
    const isWay = /(?:^|\+)(?:Tab|Arrow\w+|Backspace|Delete|PageUp|PageDown)$/.test(act.key);
    const same = run(acts, at, (one) => one === act || (isWay && one.kind === "key" && one.key === act.key));
    lines.push(`press ${act.key}${same.length > 1 ? ` ${same.length} times` : ""}`);
    at += same.length;
  }
  return { lines, secrets };
}

const run = (
  acts: readonly RecordedAct[],
  from: number,
  holds: (act: RecordedAct) => boolean,
): readonly RecordedAct[] => {
  let end = from;
  while (end < acts.length && holds(acts[end] as RecordedAct)) end++;
  return acts.slice(from, end);
};

const sameSecrecy = (one: RecordedAct, other: RecordedAct): boolean =>
  one.kind === "key" && other.kind === "key" && one.isSecret === other.isSecret;

/** The letter that a key puts into a field; null for a key that does something else. */
function letterOf(act: RecordedAct): string | null {
  if (act.kind !== "key" || !act.isText) return null;
  if (act.key === "Space") return " ";
  return [...act.key].length === 1 ? act.key : null;
}

/** What came of a line: each as walk scripts write it. */
export interface CameOfLine {
  /** What has focus; null for nothing that can be said. */
  readonly focus: string | null;
  readonly hasFocus: boolean;
  readonly dialogs: readonly string[];
  /** What live regions said. */
  readonly said: readonly string[];
}

/** The lines that hold what came of another, as against what was before. */
export function linesOfWhatCame(
  before: CameOfLine | null,
  { focus, hasFocus, dialogs, said }: CameOfLine,
): readonly string[] {
  // What was there before the first line nobody has told.
  const opened = before === null ? [] : dialogs.filter((one) => !before.dialogs.includes(one));
  const closed = (before?.dialogs ?? []).filter((one) => !dialogs.includes(one));
  const hasMoved = focus !== before?.focus || hasFocus !== before?.hasFocus;
  return [
    ...opened.map((one) => `see ${one}`),
    ...closed.map((one) => `see no ${one}`),
    ...(hasMoved && focus !== null ? [`focus on ${focus}`] : []),
    ...(hasMoved && !hasFocus && before?.hasFocus === true ? ["focus on nothing"] : []),
    ...said
      .filter((text) => text.trim() !== "" && !/[\r\n]/.test(text))
      .map((text) => `hear ${writtenText(text)}`),
  ];
}
