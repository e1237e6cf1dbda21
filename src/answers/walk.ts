import { checkWith, everyCheck } from "../core/checks/catalogue.ts";
import { type Check, isOfKind } from "../core/checks/check.ts";
import { focusMarkOf, markedStops } from "../core/checks/keys/focus-mark-of.ts";
import { fragmentTarget, skipLinks } from "../core/checks/keys/skip-link.ts";
import { runChecks } from "../core/checks/run.ts";
import { NO } from "../core/css/certainty.ts";
import type { ElementNode } from "../core/document/node.ts";
import { shortened } from "../core/document/shortened.ts";
import { textContent } from "../core/document/text-content.ts";
import type { Finding } from "../core/findings/verdict.ts";
import { type Direction, type FocusDocument, type Stop, tabSequence } from "../core/focus/tab-sequence.ts";
import { type Unreached, unreachedIn } from "../core/focus/unreached.ts";
import { type Jump, jumpsIn, pressesTo } from "../core/focus/walk-notes.ts";
import { type KeyAt, keysAt } from "../core/keyboard/keys-at.ts";
import type { PagePicture } from "../core/scene/page-picture.ts";
import type { Scene } from "../core/scene/scene.ts";
import { heardLineOf } from "../core/semantics/heard-line.ts";
import type { WalkStep } from "../core/walk-script/parse.ts";
import type { ScriptLine } from "../engine/explored.ts";
import type { Unit, UnitDocument, UnitExplored } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import { checksFor } from "../settings/check-plan.ts";
import type { AuditPlan } from "../settings/plan.ts";
import { type Asking, type CollectOutcome, collect, gather, type Outcome } from "./collect.ts";
import { elementIn, placeIn } from "./document-elements.ts";
import { type ElementAnswer, type SourceAnswer, SourceTexts } from "./element-answer.ts";
import { ExceptionBook } from "./exception-book.ts";
import { type FindingAnswer, FindingAnswers, inReportOrder, placeOf } from "./finding-answer.ts";
import { mergedWithSeen, type OpeningAnswer, SeenAnswers, type StepAnswer } from "./seen-answer.ts";
import { selectElements } from "./select.ts";

/** A walk; the checks of its plan are those whose findings stand beside it. */
export interface WalkPlan extends AuditPlan {
  readonly direction: Direction;
  /** The lines of a walk script; null for none. */
  readonly script: readonly WalkStep[] | null;
  /** Where the walk starts: after the first element that a selector picks; null for the top. */
  readonly from: string | null;
}

export interface StopAnswer {
  readonly index: number;
  readonly element: ElementAnswer;
  readonly source: SourceAnswer | null;
  /** The heard line. */
  readonly announced: string;
  readonly because: string;
  /** What is odd about it; empty where nothing is. */
  readonly odd: readonly string[];
  /** What keys do there, of themselves or by the pattern of its role. */
  readonly keys: readonly KeyAt[];
  /** Whether it is a stop for sure. */
  readonly certain: boolean;
  readonly stop: Stop;
}

export interface UnreachedAnswer {
  readonly element: ElementAnswer;
  readonly source: SourceAnswer | null;
  readonly heard: string;
  readonly why: string;
  readonly node: ElementNode;
}

export interface PageWalk {
  readonly target: string;
  readonly direction: Direction;
  readonly scene: Scene;
  readonly stops: readonly StopAnswer[];
  readonly unreached: readonly UnreachedAnswer[];
  readonly findings: readonly FindingAnswer[];
  readonly texts: SourceTexts;
  /** What the page looks like; null where nobody has painted it. */
  readonly picture: PagePicture | null;
  /** What was pressed, with its scripts run; null where nothing was executed. */
  readonly steps: readonly StepAnswer[] | null;
  /** What was pressed in what keys open. */
  readonly openings: readonly OpeningAnswer[];
  /** What came of the lines of a walk script; null where none was given. */
  readonly script: readonly ScriptLine[] | null;
}

export type WalkAnswer =
  | ({ readonly ok: true; readonly walks: readonly PageWalk[] } & CollectOutcome)
  /** A selector that cannot be read, or picks nothing. */
  | { readonly ok: false; readonly message: string };

/** Where the keyboard goes on every page the targets name. */
export async function walk(plan: WalkPlan, host: Host, asking: Asking = {}): Promise<WalkAnswer> {
  const collection = await collect(plan, host, asking);
  const { gathered, ...outcome } = await gather<PageWalk | string>(collection, async (collected, own) => {
    const units = collected.kind === "unit" ? [collected.unit] : await collected.targets.units();
    const walks = await Promise.all(units.map((unit) => walkUnit(unit, plan, host, own)));
    return walks.flatMap((one) => one ?? []);
  });
  const refused = gathered.find((one) => typeof one === "string");
  if (refused !== undefined) return { ok: false, message: refused };
  return { ok: true, walks: gathered.filter((one) => typeof one !== "string"), ...outcome };
}

/** The walk of one unit with what its keys came to; a message where it cannot start, null where there is nothing to walk. */
async function walkUnit(
  unit: Unit,
  plan: WalkPlan,
  host: Host,
  outcome: Outcome,
): Promise<PageWalk | string | null> {
  const { documents, texts: more, problems, isComplete } = await unit.documents();
  outcome.note(problems, isComplete);
  const [document] = documents;
  if (document === undefined) return null;
  const texts = SourceTexts.of(unit.texts, more);
  const answers = new FindingAnswers(unit.subject.id, texts, host, plan.conformance);
  const read = walkRead(unit, documents, document, texts, answers, plan);
  if (typeof read === "string" || unit.driver === null) return read;
  const explored = await unit.driver.explore({ script: plan.script, plan: null, log: true });
  texts.add(explored.texts);
  outcome.note(explored.problems, explored.isComplete);
  return withKeys(read, unit, explored, document.scene, answers, plan);
}

/** A walk with what was pressed in the windows of its unit. */
function withKeys(
  read: PageWalk,
  { driver, page }: Unit,
  { explored }: UnitExplored,
  scene: Scene,
  answers: FindingAnswers,
  plan: WalkPlan,
): PageWalk {
  if (explored === null) return read;
  const seen = new SeenAnswers(read.texts, scene);
  const checks = checksFor<Check>(plan.checks, plan.conformance).filter(
    ({ id }) => driver?.off.includes(id) !== true,
  );
  const found = seen.findings(explored, checks, plan.settingsFor(page.name), answers);
  return {
    ...read,
    steps: explored.steps.map((step) => seen.step(step)),
    openings: explored.openings.map((opening) => seen.opening(opening)),
    script: explored.script,
    findings: [...mergedWithSeen(read.findings, found, explored.answered)].sort(inReportOrder),
  };
}

/** Where the keyboard goes as far as source tells; a message where the walk cannot start. */
function walkRead(
  unit: Unit,
  documents: readonly UnitDocument[],
  document: UnitDocument,
  texts: SourceTexts,
  answers: FindingAnswers,
  plan: WalkPlan,
): PageWalk | string {
  const { scene, sheets } = document;
  const { id } = unit.subject;
  const forwards = tabSequence(scene);
  const way = plan.direction === "forwards" ? forwards : tabSequence(scene, "backwards");
  // Jumps are those of the whole way forwards, wherever the walk starts and whichever way it goes.
  const jumps = new Map(jumpsIn(forwards).map((jump, place) => [forwards[place]?.element, jump] as const));
  let stops = way;
  if (plan.from !== null) {
    const start = startOf(scene, id, plan.from);
    if (typeof start === "string") return start;
    stops = turned(way, scene, start, plan.direction);
  }
  const settings = plan.settingsFor(unit.page.name);
  const exceptions = new ExceptionBook(everyCheck.map((check) => check.id));
  const run = runChecks(
    scene,
    checksFor<Check>(plan.checks, plan.conformance)
      .filter(isOfKind("page"))
      .filter((check) => !settings(check).off),
    ["failed", "cantTell"],
    settings,
    exceptions.ofPage(scene.document, sheets).allows,
  );
  const unmarked = unmarkedIn(scene);
  const oddAround = oddAtStops(run.findings);
  const reached = new Set(forwards.map(({ element }) => element));
  const of = (inner: FocusDocument): UnitDocument => {
    const found = documents.find((one) => one.scene === inner);
    if (found === undefined) throw new Error("a document that was not read");
    return found;
  };
  return {
    target: id,
    direction: plan.direction,
    picture: unit.picture ?? null,
    steps: null,
    openings: [],
    script: null,
    scene,
    stops: stops.map((stop, place) => {
      const page = of(stop.document);
      const odd = oddities(stop, page.scene, jumps.get(stop.element), unmarked, oddAround);
      return stopAnswer(stop, place, page, odd, texts);
    }),
    unreached: [...unreachedIn(scene, reached), ...outOfReach(run.findings)].map(({ element, why }) => ({
      element: elementIn(document, element, texts),
      source: texts.place(element.source),
      heard: heardOrText(scene, element),
      why,
      node: element,
    })),
    findings: run.findings
      .map((finding) =>
        answers.answer(finding, placeOf(scene, finding.element, texts), finding.element.components),
      )
      .sort(inReportOrder),
    texts,
  };
}

/** What checks say at the stops in the elements that fail them. */
const oddAtStops = (findings: readonly Finding[]): ReadonlyMap<ElementNode, string> =>
  new Map(
    findings.flatMap(({ check, element, facts }) => {
      const known = checkWith(check);
      return known?.kind === "page" && known.oddAtStops !== undefined
        ? [[element, known.oddAtStops(facts)] as const]
        : [];
    }),
  );

/** What checks find out of reach of the keyboard. */
const outOfReach = (findings: readonly Finding[]): readonly Unreached[] =>
  findings.flatMap(({ check, element }) => {
    const known = checkWith(check);
    return known?.kind === "page" && known.outOfReach !== undefined
      ? [{ element, why: known.outOfReach }]
      : [];
  });

function stopAnswer(
  stop: Stop,
  place: number,
  document: UnitDocument,
  odd: readonly string[],
  texts: SourceTexts,
): StopAnswer {
  const { scene } = document;
  return {
    index: place + 1,
    element: elementIn(document, stop.element, texts),
    source: texts.place(placeIn(document, stop.element.source)),
    announced: heardLineOf(scene, stop.element),
    because: becauseOf(stop),
    odd,
    keys: keysAt(stop.document, stop.element, scene.role(stop.element).role),
    certain: stop.certain,
    stop,
  };
}

/** How much of the text of something without a name is told. */
const LONGEST_TEXT = 60;

/** The heard line; of what is not heard as anything, the text in it. */
function heardOrText(scene: Scene, element: ElementNode): string {
  const text = textContent(element);
  if (scene.name(element).text !== "" || text === "") return heardLineOf(scene, element);
  return `<${element.tag}> "${shortened(text, LONGEST_TEXT)}"`;
}

const becauseOf = ({ cause, tabindex }: Stop): string =>
  cause === "tabindex"
    ? `tabindex ${tabindex}`
    : tabindex === null
      ? cause
      : `${cause}, tabindex ${tabindex}`;

/** Stops that are seen and on which nothing shows focus. */
const unmarkedIn = (scene: Scene): ReadonlySet<ElementNode> =>
  new Set(
    scene.stylesKnown
      ? markedStops(scene).filter((element) => focusMarkOf(scene, element).kind === "none")
      : [],
  );

function oddities(
  { element, tabindex }: Stop,
  scene: Scene,
  jump: Jump | undefined,
  unmarked: ReadonlySet<ElementNode>,
  oddAround: ReadonlyMap<ElementNode, string>,
): readonly string[] {
  const odd: string[] = [];
  for (
    let up: ElementNode | null = oddAround.size === 0 ? null : element;
    up !== null;
    up = scene.page.index.flatParent(up)
  ) {
    const widget = oddAround.get(up);
    if (widget !== undefined) odd.push(widget);
  }
  if (tabindex !== null && tabindex > 0) odd.push(`positive tabindex ${tabindex}`);
  if (jump !== undefined && jump.ahead > 0)
    odd.push(
      `comes before ${jump.ahead} ${jump.ahead === 1 ? "stop that stands" : "stops that stand"} earlier`,
    );
  else if (jump?.back === true) odd.push("jumps back");
  const { exposed, reason } = scene.presence.of(element);
  if (exposed === NO && reason === "aria-hidden") odd.push("nothing is said: it is hidden with aria-hidden");
  else if (
    scene.name(element).text === "" &&
    scene.name(element).certain &&
    element.tag !== "body" &&
    element.tag !== "html"
  )
    odd.push("has no name");
  if (unmarked.has(element)) odd.push("nothing shows that it has focus");
  return odd;
}

/** The element a walk starts from, or in one line why there is none. */
function startOf(scene: Scene, name: string, selector: string): ElementNode | string {
  const selection = selectElements(scene, selector);
  if (!selection.ok) return selection.message;
  return selection.elements[0] ?? `${name}: nothing matches "${selector}"; keel walk ${name} shows the stops`;
}

/** The stops in the order they come after an element, once around. */
function turned(
  stops: readonly Stop[],
  scene: Scene,
  from: ElementNode,
  direction: Direction,
): readonly Stop[] {
  const { index } = scene.page;
  const found = stops.findIndex(({ element }) => element === from);
  const { order } = index.record(from);
  const isBeyond = ({ element, document, tabindex }: Stop) =>
    document === scene &&
    (tabindex ?? 0) <= 0 &&
    (direction === "forwards" ? index.record(element).order > order : index.record(element).order < order);
  const position = found >= 0 ? found + 1 : stops.findIndex(isBeyond);
  return position <= 0 ? stops : [...stops.slice(position), ...stops.slice(0, position)];
}

/** How many keys lead to an element. */
export interface KeyCount {
  readonly forwards: number;
  readonly backwards: number;
  /** With each skip link that arrives: its words, and how many keys it takes with it. */
  readonly skips: readonly { readonly name: string; readonly keys: number }[];
  readonly announced: string;
}

/** The keys it takes to reach the first stop at or in the element that a selector picks; a message where there is none. */
export function countKeys({ scene, target }: PageWalk, selector: string): KeyCount | string {
  const start = startOf(scene, target, selector);
  if (typeof start === "string") return start;
  const stops = tabSequence(scene);
  const { index } = scene.page;
  const isIn = (element: ElementNode) => {
    for (let up: ElementNode | null = element; up !== null; up = index.flatParent(up))
      if (up === start) return true;
    return false;
  };
  const goal = stops.find(({ element, document }) => document === scene && isIn(element));
  if (goal === undefined)
    return `${target}: Tab reaches nothing at "${selector}"; keel walk ${target} says why`;
  const forwards = pressesTo(stops, goal, null) ?? 0;
  const skips = skipLinks(scene).flatMap((link) => {
    const to = fragmentTarget(scene, link);
    const stop = stops.find(({ element }) => element === link);
    if (to === null || to === "top" || stop === undefined) return [];
    const after = pressesTo(stops, goal, to);
    const toLink = pressesTo(stops, stop, null) ?? 0;
    // One key more to follow the link.
    return after === null ? [] : [{ name: scene.name(link).text, keys: toLink + 1 + after }];
  });
  return {
    forwards,
    backwards: stops.length - forwards + 1,
    skips: skips.filter(({ keys }) => keys < forwards),
    announced: heardLineOf(scene, goal.element),
  };
}
