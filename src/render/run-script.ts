import { NO } from "../core/css/certainty.ts";
import type { ElementNode } from "../core/document/node.ts";
import { heardLineOf } from "../core/semantics/heard-line.ts";
import { type Heard, isHeardAs } from "../core/walk-script/match.ts";
import { nearestFirst } from "../core/walk-script/nearest.ts";
import type { HeardPattern, WalkStep } from "../core/walk-script/parse.ts";
import { pressed } from "./key-log.ts";
import { LivePage, type PageSource } from "./live-page.ts";
import type { RenderedStep, ScriptLine } from "./protocol.ts";
import type { LiveElement } from "./snapshot.ts";

/** How often a key is pressed for `until`. */
const MOST_PRESSES = 200;

/** What a script came to: each of its lines, and every key that was pressed. */
export interface ScriptRun {
  readonly lines: readonly ScriptLine[];
  readonly steps: readonly RenderedStep[];
  readonly problems: readonly string[];
}

/** Walks a page as a script says, line by line, up to the first that does not hold. */
export async function runScript(source: PageSource, steps: readonly WalkStep[]): Promise<ScriptRun> {
  const page = await LivePage.open(source);
  const walk = new ScriptedWalk(page);
  const lines: ScriptLine[] = [];
  for (const step of steps) {
    const failure = lines.some(({ outcome }) => outcome === "failed") ? "skip" : await walk.run(step);
    lines.push({
      line: step.line,
      written: step.written,
      outcome: failure === null ? "held" : failure === "skip" ? "not reached" : "failed",
      message: failure === null || failure === "skip" ? null : failure.message,
      instead: failure === null || failure === "skip" ? [] : failure.instead,
    });
  }
  const run = { lines, steps: walk.steps, problems: page.problems };
  page.close();
  return run;
}

/** Why a line does not hold, and what was there instead, for the reader to find the nearest. */
interface Failure {
  readonly message: string;
  readonly instead: readonly string[];
}

class ScriptedWalk {
  readonly steps: RenderedStep[] = [];
  readonly #page: LivePage;
  /** What the last line saw: `it`. */
  #seen: LiveElement | null = null;
  /** What live regions said by the last keys. */
  #said: readonly string[] = [];

  constructor(page: LivePage) {
    this.#page = page;
  }

  async run(step: WalkStep): Promise<Failure | null> {
    switch (step.kind) {
      case "press":
        return this.#press(step.key, step.times, step.until);
      case "type":
        return this.#type(step.text, step.into);
      case "focus on":
        return this.#focusIsOn(step.what);
      case "focus inside":
        return this.#focusIsInside(step.what);
      case "see":
        return this.#see(step.what, step.isAbsent);
      case "hear":
        return this.#said.some((said) => said.includes(step.text))
          ? null
          : { message: `"${step.text}" was not heard.`, instead: this.#said.map((said) => `"${said}"`) };
    }
  }

  async #press(key: string, times: number, until: HeardPattern | null): Promise<Failure | null> {
    const reached: string[] = [];
    const most = until === null ? times : MOST_PRESSES;
    for (let n = 0; n < most; n++) {
      await this.#key(key);
      if (until === null) continue;
      const at = this.#heardAt(this.#page.focused());
      if (at !== null && isHeardAs(at, until)) return null;
      if (at !== null && reached.includes(at.line) && at.line === reached[0] && n > 0) break;
      if (at !== null) reached.push(at.line);
      else if (n > 0 && reached.length > 0) break;
    }
    return until === null
      ? null
      : {
          message: `${key} never comes to ${until.written}.`,
          instead: nearestFirst(until.written, [...new Set(reached)]),
        };
  }

  async #key(key: string): Promise<void> {
    const step = await pressed(this.#page, key);
    this.#said = step.said;
    this.steps.push(step);
  }

  async #type(text: string, into: HeardPattern | null): Promise<Failure | null> {
    if (into !== null) {
      const failure = this.#find(into);
      if ("message" in failure) return failure;
      failure.element.focus();
      await this.#page.settle();
    }
    for (const letter of text) await this.#key(letter === " " ? "Space" : letter);
    return null;
  }

  #focusIsOn(what: HeardPattern | null): Failure | null {
    const at = this.#heardAt(this.#page.focused());
    if (what === null) return at === null ? null : { message: "Something has focus.", instead: [at.line] };
    if (at !== null && isHeardAs(at, what)) return null;
    return { message: `Focus is not on ${what.written}.`, instead: [at?.line ?? "nothing"] };
  }

  #focusIsInside(what: HeardPattern | null): Failure | null {
    let around = this.#seen;
    if (what !== null) {
      const found = this.#find(what);
      if ("message" in found) return found;
      around = found.element;
    }
    if (around === null) return { message: "Nothing was seen before that it could be.", instead: [] };
    const focused = this.#page.focused();
    if (focused !== null && around.contains(focused)) return null;
    return { message: "Focus is not inside.", instead: [this.#heardAt(focused)?.line ?? "nothing"] };
  }

  #see(what: HeardPattern, isAbsent: boolean): Failure | null {
    const found = this.#find(what);
    if ("message" in found) return isAbsent ? null : found;
    this.#seen = found.element;
    return isAbsent
      ? { message: `${what.written} is there.`, instead: [this.#heardAt(found.element)?.line ?? ""] }
      : null;
  }

  /** The first element that is heard as a pattern has it. */
  #find(what: HeardPattern): { readonly element: LiveElement } | Failure {
    const { scene } = this.#page;
    const lines: string[] = [];
    for (const node of scene.page.index.elements) {
      if (scene.presence.of(node).exposed === NO) continue;
      const heard = this.#heardOf(node);
      if (isHeardAs(heard, what)) return { element: this.#page.elementOf(node) };
      if (heard.name !== "" || folded(heard.role) === folded(what.role)) lines.push(heard.line);
    }
    return {
      message: `${what.written} is not there.`,
      instead: nearestFirst(what.written, [...new Set(lines)]),
    };
  }

  #heardAt(element: LiveElement | null): Heard | null {
    const node = element === null ? null : this.#page.nodeOf(element);
    return node === null ? null : this.#heardOf(node);
  }

  #heardOf(node: ElementNode): Heard {
    const { scene } = this.#page;
    return {
      name: scene.name(node).text,
      role: scene.role(node).role ?? "generic",
      line: heardLineOf(scene, node),
    };
  }
}

const folded = (text: string): string => text.toLowerCase().replace(/\s+/g, "");
