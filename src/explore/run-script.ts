import { visibleText } from "../core/checks/visible-text.ts";
import { NO } from "../core/css/certainty.ts";
import type { ElementNode } from "../core/document/node.ts";
import { type HeardParts, heardLine, heardPartsOf } from "../core/semantics/heard-line.ts";
import { foldSpaces } from "../core/semantics/text-collector.ts";
import { isHeardAs } from "../core/walk-script/match.ts";
import { nearestFirst } from "../core/walk-script/nearest.ts";
import type { HeardPattern, WalkStep } from "../core/walk-script/parse.ts";
import type { CameOfLine } from "../core/walk-script/recorded.ts";
import { withoutSecrets } from "../core/walk-script/secrets.ts";
import { writtenHeard } from "../core/walk-script/written-line.ts";
import type { Driver, DriverSource } from "../engine/driver.ts";
import type { ScriptLine, SeenStep } from "../engine/explored.ts";
import { announced, liveRegions } from "./announcements.ts";
import { isInside } from "./around.ts";
import { pressed } from "./key-log.ts";

/** How often a key is pressed for `until`. */
const MOST_PRESSES = 200;

/** The lines that do something. */
const acts: ReadonlySet<WalkStep["kind"]> = new Set(["press", "type", "click", "hover", "go to"]);

/** What a script came to: each of its lines, and every key that was pressed. */
export interface ScriptRun {
  readonly lines: readonly ScriptLine[];
  readonly steps: readonly SeenStep[];
  readonly problems: readonly string[];
}

/** Walks a page as a script says, line by line, up to the first that does not hold. */
export async function runScript(source: DriverSource, steps: readonly WalkStep[]): Promise<ScriptRun> {
  const page = await source.open();
  try {
    const walk = new ScriptedWalk(page);
    const lines: ScriptLine[] = [];
    let isBroken = false;
    for (const step of steps) {
      const failure: Failure | null = isBroken ? null : await walk.hold(step);
      lines.push({
        line: step.line,
        written: step.written,
        outcome: isBroken ? "not reached" : failure === null ? "held" : "failed",
        message: failure?.message ?? null,
        instead: failure?.instead ?? [],
        came: isBroken || failure !== null || !acts.has(step.kind) ? null : await walk.came(),
      });
      isBroken ||= failure !== null;
    }
    const { problems } = await page.happenings();
    return withoutSecrets({ lines, steps: walk.steps, problems }, steps);
  } finally {
    await page.close();
  }
}

/** Why a line does not hold, and what was there instead, for the reader to find the nearest. */
interface Failure {
  readonly message: string;
  readonly instead: readonly string[];
}

class ScriptedWalk {
  readonly steps: SeenStep[] = [];
  readonly #page: Driver;
  /** What the last line saw: `it`. Its key. */
  #seen: string | null = null;
  /** What live regions said by the last keys. */
  #said: readonly string[] = [];

  constructor(page: Driver) {
    this.#page = page;
  }

  /** Why a step does not hold; null where it does. What goes wrong in the page is the fault of the line it comes with. */
  async hold(step: WalkStep): Promise<Failure | null> {
    const before = (await this.#page.happenings()).problems.length;
    const failure = await this.#run(step);
    const problem = (await this.#page.happenings()).problems[before];
    return (
      failure ?? (problem === undefined ? null : { message: `An error in the page: ${problem}`, instead: [] })
    );
  }

  /** What came of the last line that did something. */
  async came(): Promise<CameOfLine> {
    const { scene } = await this.#page.moment();
    const focused = await this.#heardAtFocus();
    const dialogs = scene.page.index.elements.filter(
      (node) =>
        /^(?:alert)?dialog$/.test(scene.role(node).role ?? "") && scene.presence.of(node).exposed !== NO,
    );
    return {
      focus: focused === null ? null : writtenHeard(focused),
      hasFocus: focused !== null,
      dialogs: dialogs.flatMap((node) => writtenHeard(heardPartsOf(scene, node)) ?? []),
      said: this.#said,
    };
  }

  async #run(step: WalkStep): Promise<Failure | null> {
    switch (step.kind) {
      case "press":
        return this.#press(step.key, step.times, step.until);
      case "type":
        return this.#type(step.text, step.into, step.secret !== null);
      case "focus on":
        return this.#focusIsOn(step.what);
      case "focus inside":
        return this.#focusIsInside(step.what);
      case "see":
        return this.#see(step.what, step.isAbsent);
      case "see text":
        return this.#seeText(step.text, step.isAbsent);
      case "click":
      case "hover":
      case "scroll to":
        return this.#point(step.kind, step.what);
      case "go to":
        return this.#goTo(step.address);
      case "wait for":
        return this.#waitFor(step.what, step.seconds);
      case "window":
        return this.#resize(step.width, step.height);
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
      const focused = await this.#heardAtFocus();
      if (focused !== null && isHeardAs(focused, until)) return null;
      const line = focused === null ? null : heardLine(focused);
      if (line !== null && line === reached[0] && n > 0) break;
      if (line !== null) reached.push(line);
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

  async #type(text: string, into: HeardPattern | null, isSecret: boolean): Promise<Failure | null> {
    if (into !== null) {
      const found = await this.#find(into);
      if ("message" in found) return found;
      await this.#page.focus(found.key);
    }
    for (const letter of text) {
      const key = letter === " " ? "Space" : letter;
      if (isSecret) await this.#page.press(key);
      else await this.#key(key);
    }
    return null;
  }

  async #goTo(address: string): Promise<Failure | null> {
    if (this.#page.goTo === undefined)
      return { message: "Only a browser goes to another page: add --engine browser.", instead: [] };
    const problem = await this.#page.goTo(address);
    return problem === null ? null : { message: `It could not be opened: ${problem}.`, instead: [] };
  }

  async #waitFor(what: HeardPattern, seconds: number): Promise<Failure | null> {
    let found = await this.#find(what);
    for (let waited = 0; waited < seconds && "message" in found; waited++) {
      await this.#page.wait();
      found = await this.#find(what);
    }
    if ("message" in found)
      return { ...found, message: `${what.written} does not come within ${seconds} seconds.` };
    this.#seen = found.key;
    return null;
  }

  async #resize(width: number, height: number): Promise<Failure | null> {
    if (this.#page.resize === undefined)
      return { message: "Only a browser has a window of another size: add --engine browser.", instead: [] };
    await this.#page.resize(width, height);
    return null;
  }

  async #focusIsOn(what: HeardPattern | null): Promise<Failure | null> {
    const focused = await this.#heardAtFocus();
    if (what === null)
      return focused === null ? null : { message: "Something has focus.", instead: [heardLine(focused)] };
    if (focused !== null && isHeardAs(focused, what)) return null;
    return { message: `Focus is not on ${what.written}.`, instead: [lineOf(focused)] };
  }

  async #focusIsInside(what: HeardPattern | null): Promise<Failure | null> {
    let around = this.#seen;
    if (what !== null) {
      const found = await this.#find(what);
      if ("message" in found) return found;
      around = found.key;
    }
    if (around === null) return { message: "Nothing was seen before that it could be.", instead: [] };
    const focused = await this.#page.focused();
    const moment = await this.#page.moment();
    const [container, element] = [around, focused].map((key) => (key === null ? null : moment.element(key)));
    if (container != null && element != null && isInside(moment, element, container)) return null;
    return { message: "Focus is not inside.", instead: [lineOf(await this.#heardAtFocus())] };
  }

  async #see(what: HeardPattern, isAbsent: boolean): Promise<Failure | null> {
    const found = await this.#find(what);
    if ("message" in found) return isAbsent ? null : found;
    this.#seen = found.key;
    return isAbsent ? { message: `${what.written} is there.`, instead: [heardLine(found.heard)] } : null;
  }

  async #seeText(text: string, isAbsent: boolean): Promise<Failure | null> {
    const { scene } = await this.#page.moment();
    const [body] = scene.page.index.byTag("body");
    const isThere = body !== undefined && (visibleText(scene, body) ?? "").includes(foldSpaces(text));
    if (isThere !== isAbsent) return null;
    return { message: `The text "${text}" is ${isThere ? "" : "not "}there.`, instead: [] };
  }

  async #point(act: "click" | "hover" | "scroll to", what: HeardPattern): Promise<Failure | null> {
    const found = await this.#find(what);
    if ("message" in found) return found;
    const regions = liveRegions(await this.#page.moment());
    if (act === "click") await this.#page.point(found.key);
    else if (act === "hover") await this.#page.hover(found.key);
    else await this.#page.scrollTo(found.key);
    this.#said = announced(regions, liveRegions(await this.#page.moment()));
    return null;
  }

  /** The first element that is heard as a pattern has it. */
  async #find(what: HeardPattern): Promise<{ readonly key: string; readonly heard: HeardParts } | Failure> {
    const moment = await this.#page.moment();
    const { scene } = moment;
    const lines: string[] = [];
    for (const node of scene.page.index.elements) {
      if (scene.presence.of(node).exposed === NO) continue;
      const heard = heardPartsOf(scene, node);
      if (isHeardAs(heard, what)) return { key: moment.keyOf(node), heard };
      if (heard.name !== "" || folded(heard.role) === folded(what.role)) lines.push(heardLine(heard));
    }
    return {
      message: `${what.written} is not there.`,
      instead: nearestFirst(what.written, [...new Set(lines)]),
    };
  }

  async #heardAtFocus(): Promise<HeardParts | null> {
    const focused = await this.#page.focused();
    const { element, scene } = await this.#page.moment();
    const node: ElementNode | null = focused === null ? null : element(focused);
    return node === null ? null : heardPartsOf(scene, node);
  }
}

const lineOf = (heard: HeardParts | null): string => (heard === null ? "nothing" : heardLine(heard));

const folded = (text: string): string => text.toLowerCase().replace(/\s+/g, "");
