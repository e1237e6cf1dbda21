import type { CheckText } from "../core/checks/check.ts";
import { focusMarkOf, markedStops } from "../core/checks/keys/focus-mark-of.ts";
import { fragmentTarget, skipLinks } from "../core/checks/keys/skip-link.ts";
import { runChecks } from "../core/checks/run.ts";
import { NO } from "../core/css/certainty.ts";
import type { Device } from "../core/css/device.ts";
import type { ElementNode } from "../core/document/node.ts";
import { shortened } from "../core/document/shortened.ts";
import { textContent } from "../core/document/text-content.ts";
import type { Problem } from "../core/findings/problems.ts";
import type { Finding } from "../core/findings/verdict.ts";
import { type Direction, type FocusDocument, type Stop, tabSequence } from "../core/focus/tab-sequence.ts";
import { type Unreached, unreachedIn } from "../core/focus/unreached.ts";
import { type Jump, jumpsIn, pressesTo } from "../core/focus/walk-notes.ts";
import { type KeyAt, keysAt } from "../core/keyboard/keys-at.ts";
import { type Scene, sceneFromSource } from "../core/scene/scene.ts";
import { heardLineOf } from "../core/semantics/heard-line.ts";
import type { WalkStep } from "../core/walk-script/parse.ts";
import type { Host } from "../host/host.ts";
import type { RenderedElement, ScriptLine } from "../render/protocol.ts";
import { type CheckPlan, checksFor } from "./check-plan.ts";
import { type ElementAnswer, elementAnswer, type SourceAnswer, SourceTexts } from "./element-answer.ts";
import { ExceptionBook } from "./exception-book.ts";
import { type FindingAnswer, FindingAnswers, inReportOrder, placeOf } from "./finding-answer.ts";
import type { LoadedPage } from "./load-page.ts";
import { type PageOfSpecimen, pagesOfSpecimens, withMounted } from "./mounted-pages.ts";
import { type ReadOutcome, type ReadRequest, readPages } from "./read-pages.ts";
import { renderedPage } from "./render-page.ts";
import {
  mergedWithRendered,
  type OpeningAnswer,
  openingAnswer,
  renderedElement,
  renderedFindings,
  type StepAnswer,
  stepAnswer,
} from "./rendered.ts";
import { selectElements } from "./select.ts";
import { isMadeOf } from "./specimens.ts";
import type { Engine, PageFile } from "./targets.ts";

/** A walk; the checks of its plan are those whose findings stand beside it. */
export interface WalkRequest extends ReadRequest, CheckPlan {
  readonly device: Device;
  readonly direction: Direction;
  /** How the page is looked at: from its source, or with its scripts run and its keys pressed. */
  readonly engine: Engine;
  /** The lines of a walk script; null for none. */
  readonly script: readonly WalkStep[] | null;
  /** How long the scripts and keys of one page may take, in seconds. */
  readonly timeLimit: number;
  /** Checks that only pressing keys decides. */
  readonly pressedChecks: readonly CheckText[];
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
  readonly at: ElementNode;
}

export interface PageWalk {
  readonly target: string;
  readonly direction: Direction;
  readonly scene: Scene;
  readonly stops: readonly StopAnswer[];
  readonly unreached: readonly UnreachedAnswer[];
  readonly findings: readonly FindingAnswer[];
  readonly texts: SourceTexts;
  /** What was pressed, with its scripts run; null where nothing was executed. */
  readonly steps: readonly StepAnswer[] | null;
  /** What was pressed in what keys open. */
  readonly openings: readonly OpeningAnswer[];
  /** What came of the lines of a walk script; null where none was given. */
  readonly script: readonly ScriptLine[] | null;
}

export type WalkAnswer =
  | ({ readonly ok: true; readonly walks: readonly PageWalk[] } & ReadOutcome)
  /** A selector that cannot be read, or picks nothing. */
  | { readonly ok: false; readonly message: string };

/** Where the keyboard goes on every page the targets name, read from their source. */
export async function walk(request: WalkRequest, host: Host): Promise<WalkAnswer> {
  const walks: PageWalk[] = [];
  const refused: string[] = [];
  const waiting: { readonly walked: Walked; readonly loaded: LoadedPage; readonly page: PageFile }[] = [];
  const outcome = await readPages({ ...request, withFrames: true, componentsAsPages: true }, host, {
    visit: ({ page, loaded }) => {
      const walked = walkPage(page.name, loaded, request, host);
      if (typeof walked === "string") refused.push(walked);
      else if (request.engine !== "render" || loaded.document.kind === "component") walks.push(walked.walk);
      else waiting.push({ walked, loaded, page });
    },
  });
  const [message] = refused;
  if (message !== undefined) return { ok: false, message };
  const problems: Problem[] = [];
  let isCutShort = false;
  for (const { walked, loaded, page } of waiting) {
    const { walk: own, answers } = walked;
    const rendered = await renderedPage(
      page,
      loaded,
      { ...request, log: true },
      [...request.checks, ...request.pressedChecks],
      request.settingsFor(own.target),
      { scene: own.scene, texts: own.texts, answers },
      host,
    );
    problems.push(...rendered.problems);
    isCutShort ||= rendered.incomplete;
    walks.push({
      ...own,
      steps: rendered.steps,
      openings: rendered.openings,
      script: rendered.script,
      findings: [...mergedWithRendered(own.findings, rendered.findings)].sort(inReportOrder),
    });
  }
  const mounted = await pagesOfSpecimens(outcome.specimens, { ...request, presses: true }, host);
  for (const one of mounted.pages) {
    const walked = walkPage(one.page.name, one.loaded, request, host);
    if (typeof walked === "string") return { ok: false, message: walked };
    walks.push(withKeys(walked, one, request));
  }
  const all = withMounted(outcome, mounted);
  return {
    ok: true,
    walks,
    ...all,
    problems: [...all.problems, ...problems],
    incomplete: all.incomplete || isCutShort,
  };
}

/** The walk of a specimen with what its keys came to. */
function withKeys(
  { walk: own, answers }: Walked,
  { page, mounted }: PageOfSpecimen,
  request: WalkRequest,
): PageWalk {
  const { result } = mounted;
  const { texts, scene } = own;
  const told = (element: RenderedElement) => renderedElement(element, texts, scene);
  const checks = [...request.checks, ...request.pressedChecks].filter(isMadeOf(mounted));
  const found = renderedFindings(result, checks, request.settingsFor(page.name), told, answers);
  return {
    ...own,
    steps: result.steps.map((step) => stepAnswer(step, told, texts)),
    openings: result.openings.map((opening) => openingAnswer(opening, told, texts)),
    script: result.script,
    findings: [...mergedWithRendered(own.findings, found)].sort(inReportOrder),
  };
}

/** A walk with what tells its findings. */
interface Walked {
  readonly walk: PageWalk;
  readonly answers: FindingAnswers;
}

function walkPage(name: string, loaded: LoadedPage, request: WalkRequest, host: Host): Walked | string {
  const texts = new SourceTexts();
  const frames = new FrameScenes(request.device, texts);
  const scene = frames.sceneOf(loaded);
  const forwards = tabSequence(scene);
  const way = request.direction === "forwards" ? forwards : tabSequence(scene, "backwards");
  // Jumps are those of the whole way forwards, wherever the walk starts and whichever way it goes.
  const jumps = new Map(jumpsIn(forwards).map((jump, at) => [forwards[at]?.element, jump] as const));
  let stops = way;
  if (request.from !== null) {
    const start = startOf(scene, name, request.from);
    if (typeof start === "string") return start;
    stops = turned(way, scene, start, request.direction);
  }
  const unmarked = unmarkedIn(scene);
  const settings = request.settingsFor(name);
  const exceptions = new ExceptionBook(request.known.map((check) => check.id));
  const run = runChecks(
    scene,
    checksFor(request.checks, request.conformance).filter((check) => !settings(check).off),
    ["failed", "cantTell"],
    settings,
    exceptions.ofPage(loaded.document, loaded.sheets).allows,
  );
  const crowded = new Map(
    run.findings.flatMap(({ check, element, facts }) =>
      check === "keys.one-stop-per-widget"
        ? [[element, `one of ${facts.stops} stops in one ${facts.role}`] as const]
        : [],
    ),
  );
  const answers = new FindingAnswers(name, texts, host, request.conformance);
  const reached = new Set(forwards.map(({ element }) => element));
  const walk: PageWalk = {
    target: name,
    direction: request.direction,
    steps: null,
    openings: [],
    script: null,
    scene,
    stops: stops.map((stop, at) => {
      const odd = oddities(stop, frames.of(stop.document), jumps.get(stop.element), unmarked, crowded);
      return stopAnswer(stop, at, frames, odd);
    }),
    unreached: [...unreachedIn(scene, reached), ...byPointerAlone(run.findings)].map(({ element, why }) => ({
      element: elementAnswer(scene.page.index, scene, element, texts),
      source: texts.place(element.source),
      heard: heardOrText(scene, element),
      why,
      at: element,
    })),
    findings: run.findings
      .map((finding) =>
        answers.answer(finding, placeOf(scene, finding.element, texts), finding.element.components),
      )
      .sort(inReportOrder),
    texts,
  };
  return { walk, answers };
}

/** What checks of the keyboard find out of reach: what only the pointer shows, and areas that scroll. */
const byPointerAlone = (findings: readonly Finding[]): readonly Unreached[] =>
  findings.flatMap(({ check, element }) =>
    check === "keys.hover-has-equal"
      ? [{ element, why: "shown only under the pointer" }]
      : check === "keys.scrolls"
        ? [{ element, why: "scrolls, and nothing in it takes focus" }]
        : [],
  );

/** The scenes of a page and of the pages in its frames, each with the frame it is shown in. */
class FrameScenes {
  readonly #device: Device;
  readonly #texts: SourceTexts;
  readonly #scenes = new Map<
    FocusDocument,
    { readonly scene: Scene; outer: { scene: Scene; frame: ElementNode } | null }
  >();

  constructor(device: Device, texts: SourceTexts) {
    this.#device = device;
    this.#texts = texts;
  }

  sceneOf(loaded: LoadedPage): Scene {
    this.#texts.add(loaded.texts);
    const frames = new Map([...loaded.frames].map(([frame, inner]) => [frame, this.sceneOf(inner)] as const));
    const scene = sceneFromSource(loaded.document, loaded.sheets, {
      device: this.#device,
      stylesKnown: loaded.stylesKnown,
      frames,
    });
    this.#scenes.set(scene, { scene, outer: null });
    for (const [frame, inner] of frames) {
      const known = this.#scenes.get(inner);
      if (known !== undefined) known.outer = { scene, frame };
    }
    return scene;
  }

  of(document: FocusDocument): Scene {
    const known = this.#scenes.get(document);
    if (known === undefined) throw new Error("a document that was not read");
    return known.scene;
  }

  /** The element as it is told of from the page: through the frames it is shown in. */
  answer(scene: Scene, element: ElementNode): { element: ElementAnswer; source: SourceAnswer | null } {
    const own = elementAnswer(scene.page.index, scene, element, this.#texts);
    const outer = this.#scenes.get(scene)?.outer ?? null;
    if (outer === null) return { element: own, source: this.#texts.place(element.source) };
    const around = this.answer(outer.scene, outer.frame);
    return {
      element: { ...own, path: `${around.element.path} >>> ${own.path}` },
      // What stands in an attribute has its place there.
      source: outer.frame.attributes.has("srcdoc") ? around.source : this.#texts.place(element.source),
    };
  }
}

function stopAnswer(stop: Stop, at: number, frames: FrameScenes, odd: readonly string[]): StopAnswer {
  const scene = frames.of(stop.document);
  return {
    index: at + 1,
    ...frames.answer(scene, stop.element),
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
  crowded: ReadonlyMap<ElementNode, string>,
): readonly string[] {
  const odd: string[] = [];
  for (
    let up: ElementNode | null = crowded.size === 0 ? null : element;
    up !== null;
    up = scene.page.index.flatParent(up)
  ) {
    const widget = crowded.get(up);
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
  const own = stops.findIndex(({ element }) => element === from);
  const { order } = index.record(from);
  const isBeyond = ({ element, document, tabindex }: Stop) =>
    document === scene &&
    (tabindex ?? 0) <= 0 &&
    (direction === "forwards" ? index.record(element).order > order : index.record(element).order < order);
  const at = own >= 0 ? own + 1 : stops.findIndex(isBeyond);
  return at <= 0 ? stops : [...stops.slice(at), ...stops.slice(0, at)];
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
