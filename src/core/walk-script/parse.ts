import { namedKey, namedKeys } from "../keyboard/named-keys.ts";

/** What is heard at an element, as far as a script says it: `"Book slip 4" button, expanded` or `"Boat" text box, "Petrel"`. */
export interface HeardPattern {
  /** Null where any name will do. */
  readonly name: string | null;
  /** Words of the role, as they are spoken or as WAI-ARIA has them; empty where any role will do. */
  readonly role: string;
  /** States that must be heard too. */
  readonly states: readonly string[];
  /** What must stand in it, or be chosen; null where any value will do. */
  readonly value: string | null;
  /** As the script has it. */
  readonly written: string;
}

export type WalkStep = { readonly line: number; readonly written: string } & (
  | {
      readonly kind: "press";
      readonly key: string;
      readonly times: number;
      /** Pressed again until focus is there. */
      readonly until: HeardPattern | null;
    }
  | {
      readonly kind: "type";
      /** Empty for a secret until the environment has given it. */
      readonly text: string;
      /** The variable of the environment that gives the text; null where the script does. */
      readonly secret: string | null;
      readonly into: HeardPattern | null;
    }
  /** Null for nothing. */
  | { readonly kind: "focus on"; readonly what: HeardPattern | null }
  /** Null for `it`: what was seen last. */
  | { readonly kind: "focus inside"; readonly what: HeardPattern | null }
  | { readonly kind: "see"; readonly what: HeardPattern; readonly isAbsent: boolean }
  | { readonly kind: "see text"; readonly text: string; readonly isAbsent: boolean }
  | { readonly kind: "click" | "hover" | "scroll to"; readonly what: HeardPattern }
  | { readonly kind: "hear"; readonly text: string }
  /** An address, or the path of one beside that of the page. */
  | { readonly kind: "go to"; readonly address: string }
  | { readonly kind: "wait for"; readonly what: HeardPattern; readonly seconds: number }
  /** In CSS pixels. */
  | { readonly kind: "window"; readonly width: number; readonly height: number }
);

/** A walk script as read: its steps, and the specimen that it begins with, by name; null where it names none. */
export interface WalkScript {
  readonly opens: string | null;
  readonly steps: readonly WalkStep[];
}

export type ParsedWalkScript =
  | ({ readonly ok: true } & WalkScript)
  | { readonly ok: false; readonly line: number; readonly column: number; readonly message: string };

const withKey = /^(?:(?:Shift|Alt|Ctrl|Meta)\+)*(.+)$/;

interface Token {
  readonly kind: "word" | "text" | "comma";
  readonly value: string;
  /** Where it begins, counted from 1, and where what follows it does. */
  readonly column: number;
  readonly end: number;
}

/** A line that cannot be read: where, and what was expected there. */
class Unreadable extends Error {
  readonly column: number;
  constructor(column: number, message: string) {
    super(message);
    this.column = column;
  }
}

/**
 * Reads a walk script: one step a line, `#` begins a comment. The first may say which specimen it begins with.
 *
 *     open "slot card, free"
 *     press Tab until "Book slip 4" button
 *     press Enter
 *     see "Book slip 4" dialog
 *     focus inside it
 *     type "Marlow" into "Your name" text box
 *     type $YARD_PASSWORD into "Password" text box
 *     press Escape
 *     focus on "Book slip 4" button
 *     hear "Booking cancelled"
 *     see no dialog
 */
export function parseWalkScript(text: string): ParsedWalkScript {
  const steps: WalkStep[] = [];
  let opens: string | null = null;
  for (const [index, written] of text.split(/\r?\n/).entries()) {
    try {
      const tokens = tokensIn(written);
      if (tokens.length === 0) continue;
      const line = new Line(tokens, written);
      if (steps.length === 0 && opens === null && line.take("open") !== null) {
        opens = line.text("the name of a specimen");
        line.end();
      } else steps.push({ line: index + 1, written: written.trim(), ...stepIn(line) });
    } catch (error) {
      if (error instanceof Unreadable)
        return { ok: false, line: index + 1, column: error.column, message: error.message };
      throw error;
    }
  }
  return { ok: true, opens, steps };
}

/** Reads what is heard at an element, as walk scripts write it; in words what was expected where that cannot be read. */
export function parseHeard(text: string): HeardPattern | string {
  try {
    const line = new Line(tokensIn(text), text);
    const heard = line.heard();
    line.end();
    return heard;
  } catch (error) {
    if (error instanceof Unreadable) return error.message;
    throw error;
  }
}

function tokensIn(line: string): readonly Token[] {
  const tokens: Token[] = [];
  let offset = 0;
  while (offset < line.length) {
    const rest = line.slice(offset);
    const space = /^\s+/.exec(rest)?.[0].length ?? 0;
    if (space > 0) {
      offset += space;
      continue;
    }
    if (rest.startsWith("#")) break;
    const column = offset + 1;
    const quoted = /^"((?:[^"\\]|\\.)*)"/.exec(rest);
    if (quoted === null && rest.startsWith('"'))
      throw new Unreadable(column, 'this quotation mark is never closed: write it as "…"');
    const written = quoted?.[0] ?? (rest.startsWith(",") ? "," : (/^[^\s",]+/.exec(rest)?.[0] ?? rest));
    tokens.push({
      kind: quoted !== null ? "text" : written === "," ? "comma" : "word",
      value: quoted === null ? written : (quoted[1] ?? "").replace(/\\(.)/g, "$1"),
      column,
      end: column + written.length,
    });
    offset += written.length;
  }
  return tokens;
}

/** The tokens of one line, read from left to right. */
class Line {
  readonly #tokens: readonly Token[];
  readonly #text: string;
  #at = 0;

  constructor(tokens: readonly Token[], text: string) {
    this.#tokens = tokens;
    this.#text = text;
  }

  get column(): number {
    return this.#tokens[this.#at]?.column ?? this.#end;
  }

  /** Where the last token that was read ends. */
  get #end(): number {
    return this.#tokens[this.#at - 1]?.end ?? 1;
  }

  get isOver(): boolean {
    return this.#at >= this.#tokens.length;
  }

  /** The next word where it is one of some; null otherwise. */
  take(...words: readonly string[]): string | null {
    const token = this.#tokens[this.#at];
    if (token?.kind !== "word" || !words.includes(token.value)) return null;
    this.#at++;
    return token.value;
  }

  word(expected: string): string {
    const token = this.#tokens[this.#at];
    if (token?.kind !== "word") throw new Unreadable(this.column, `expected ${expected}`);
    this.#at++;
    return token.value;
  }

  text(expected: string): string {
    const token = this.#tokens[this.#at];
    if (token?.kind !== "text") throw new Unreadable(this.column, `expected ${expected}, in quotation marks`);
    this.#at++;
    return token.value;
  }

  /** The name of a variable, where one stands there: `$YARD_PASSWORD`. */
  takeSecret(): string | null {
    const token = this.#tokens[this.#at];
    const name = token?.kind === "word" ? /^\$([A-Za-z_][A-Za-z0-9_]*)$/.exec(token.value)?.[1] : undefined;
    if (name === undefined) return null;
    this.#at++;
    return name;
  }

  /** Gives the last token back. */
  back(): void {
    this.#at--;
  }

  /** The next text where one stands there; null otherwise. */
  takeText(): string | null {
    return this.#tokens[this.#at]?.kind === "text" ? this.text("") : null;
  }

  /** `"Name" role words, "value", state, state` */
  heard(): HeardPattern {
    const from = this.column;
    const first = this.#tokens[this.#at];
    if (first === undefined || first.kind === "comma")
      throw new Unreadable(this.column, 'expected what is heard there, as in "Book slip 4" button');
    const name = first.kind === "text" ? this.text("a name") : null;
    const parts: string[][] = [[]];
    let value: string | null = null;
    for (let token = this.#tokens[this.#at]; token !== undefined; token = this.#tokens[++this.#at])
      if (token.kind === "comma") parts.push([]);
      else if (token.kind === "word") parts.at(-1)?.push(token.value);
      else if (value === null && parts.length > 1 && parts.at(-1)?.length === 0) value = token.value;
      else break;
    const [role = [], ...states] = parts;
    return {
      name,
      role: role.join(" "),
      states: states.flatMap((words) => (words.length === 0 ? [] : [words.join(" ")])),
      value,
      written: this.#text.slice(from - 1, this.#end - 1),
    };
  }

  end(): void {
    if (!this.isOver) throw new Unreadable(this.column, "nothing more was expected on this line");
  }
}

type StepBody = WalkStep extends infer Step
  ? Step extends WalkStep
    ? Omit<Step, "line" | "written">
    : never
  : never;

const VERBS = "press, type, click, hover, scroll, focus, see, hear, go to, wait for or window";

/** How long is waited where a script does not say, in seconds. */
const WAITS = 10;

function stepIn(line: Line): StepBody {
  const { column } = line;
  const verb = line.word(VERBS);
  const step = bodyOf(verb, line, column);
  line.end();
  return step;
}

function bodyOf(verb: string, line: Line, column: number): StepBody {
  switch (verb) {
    case "press": {
      const offset = line.column;
      const key = line.word("a key");
      const name = withKey.exec(key)?.[1] ?? key;
      if (name.length > 1 && namedKey(name) === undefined)
        throw new Unreadable(
          offset,
          `there is no key "${name}"; keys are ${Object.keys(namedKeys).join(", ")}, or one letter`,
        );
      const count = line.take(...Array.from({ length: 99 }, (_, n) => String(n + 1)));
      if (count !== null && line.take("times", "time") === null)
        throw new Unreadable(line.column, "expected times");
      const until = line.take("until") === null ? null : line.heard();
      return { kind: "press", key, times: Number(count ?? 1), until };
    }
    case "type": {
      const secret = line.takeSecret();
      const text = secret === null ? line.text("what is typed") : "";
      return { kind: "type", text, secret, into: line.take("into") === null ? null : line.heard() };
    }
    case "focus": {
      if (line.take("inside") !== null)
        return { kind: "focus inside", what: line.take("it") === null ? line.heard() : null };
      if (line.take("on") === null) throw new Unreadable(line.column, "expected on or inside");
      return { kind: "focus on", what: line.take("nothing") === null ? line.heard() : null };
    }
    case "see": {
      const isAbsent = line.take("no") !== null;
      if (line.take("text") === null) return { kind: "see", what: line.heard(), isAbsent };
      const text = line.takeText();
      // Without words of its own it is the role of an element, as in `see no text box`.
      if (text !== null) return { kind: "see text", text, isAbsent };
      line.back();
      return { kind: "see", what: line.heard(), isAbsent };
    }
    case "click":
    case "hover":
      return { kind: verb, what: line.heard() };
    case "scroll":
      if (line.take("to") === null) throw new Unreadable(line.column, "expected to");
      return { kind: "scroll to", what: line.heard() };
    case "hear":
      return { kind: "hear", text: line.text("what is heard") };
    case "go":
      if (line.take("to") === null) throw new Unreadable(line.column, "expected to");
      return { kind: "go to", address: line.takeText() ?? line.word("an address, or a path") };
    case "wait": {
      const count = line.take(...Array.from({ length: 300 }, (_, n) => String(n + 1)));
      if (count !== null && line.take("seconds", "second") === null)
        throw new Unreadable(line.column, "expected seconds");
      if (line.take("for") === null) throw new Unreadable(line.column, "expected for");
      return { kind: "wait for", what: line.heard(), seconds: Number(count ?? WAITS) };
    }
    case "window": {
      const offset = line.column;
      const size = /^(\d{2,5})x(\d{2,5})$/.exec(line.word("a size, as in 320x640"));
      if (size === null) throw new Unreadable(offset, "expected a size, as in 320x640");
      return { kind: "window", width: Number(size[1]), height: Number(size[2]) };
    }
    case "open":
      throw new Unreadable(column, "open stands once, in the first line");
    default:
      throw new Unreadable(column, `"${verb}" is no step: a line begins with ${VERBS}`);
  }
}
