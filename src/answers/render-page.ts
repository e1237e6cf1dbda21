import path from "node:path";
import type { CheckText } from "../core/checks/check.ts";
import type { CheckResult } from "../core/checks/run.ts";
import type { Device } from "../core/css/device.ts";
import type { ElementNode, Node } from "../core/document/node.ts";
import { attributeText, attributeToken, writtenText } from "../core/document/written.ts";
import {
  notRendered,
  type Problem,
  renderCutShort,
  scriptFailed,
  scriptMissing,
} from "../core/findings/problems.ts";
import type { Scene } from "../core/scene/scene.ts";
import type { WalkStep } from "../core/walk-script/parse.ts";
import type { Host } from "../host/host.ts";
import { decodeText } from "../readers/html/decode.ts";
import type {
  RenderedElement,
  RenderRequest,
  RenderResult,
  ScriptLine,
  StatePlan,
} from "../render/protocol.ts";
import type { PageCheckSettings } from "./check-plan.ts";
import type { SourceTexts } from "./element-answer.ts";
import type { FindingAnswer, FindingAnswers } from "./finding-answer.ts";
import type { LoadedPage } from "./load-page.ts";
import {
  FOR_KEYS,
  MOST_MEMORY,
  type OpeningAnswer,
  openingAnswer,
  pressedResults,
  renderedElement,
  renderedFindings,
  type StepAnswer,
  stepAnswer,
} from "./rendered.ts";
import type { PageFile } from "./targets.ts";

/** What came of a page whose scripts were run and whose keys were pressed. */
export interface RenderedAnswer {
  /** What came of the lines of a walk script; null where none was given. */
  readonly script: readonly ScriptLine[] | null;
  /** Null where nothing was run. */
  readonly steps: readonly StepAnswer[] | null;
  readonly openings: readonly OpeningAnswer[];
  readonly findings: readonly FindingAnswer[];
  /** How each check went that was tried, on this page. */
  readonly results: readonly CheckResult[];
  readonly problems: readonly Problem[];
  /** Whether not all was tried. */
  readonly incomplete: boolean;
}

/** The device that a page is shown on, and how long it may take, in seconds. */
export interface RenderLimits {
  readonly device: Device;
  readonly timeLimit: number;
  /** The lines to walk by; every key is tried where there are none. */
  readonly script?: readonly WalkStep[] | null;
  /** What the checks of source are to make of the states that keys lead to; null for nothing. */
  readonly plan?: StatePlan | null;
  /** Whether what is pressed in what keys open is told. */
  readonly log?: boolean;
}

/** How long a module may take to be joined with what it imports, in milliseconds. */
const MODULE_TIME = 30_000;

const nothing: RenderedAnswer = {
  script: null,
  steps: null,
  openings: [],
  findings: [],
  results: [],
  problems: [],
  incomplete: false,
};

/** What a page runs: scripts in files beside it, and whether anything at all. */
interface PageScripts {
  readonly files: ReadonlyMap<string, string>;
  /** Addresses of scripts that are not here, or that import others. */
  readonly missing: readonly string[];
  readonly hasAny: boolean;
}

/** Reads the scripts that a page names, where they stand below its folder or the working directory. */
async function scriptsOf({ document }: LoadedPage, page: PageFile, host: Host): Promise<PageScripts> {
  const files = new Map<string, string>();
  const missing: string[] = [];
  let hasAny = false;
  const folder = page.path === null ? host.workingDirectory : path.dirname(page.path);
  for (const element of elementsIn(document.children)) {
    hasAny ||= [...element.attributes.keys()].some((name) => /^on|^popovertarget$|^commandfor$/.test(name));
    if (element.tag !== "script" || !isRun(attributeToken(element, "type") ?? "")) continue;
    hasAny = true;
    const src = attributeText(element, "src");
    const isModule = attributeToken(element, "type") === "module";
    const written = src === null ? textOf(element) : await scriptText(src, folder, page, host);
    const joins = isModule && written !== null && /^\s*(?:import|export)\b|\bimport\s*\(/m.test(written);
    const from = src === null ? folder : path.dirname(path.resolve(folder, src));
    const text = joins ? await joined(written, from, host) : written;
    if (text === null) missing.push(src ?? "a module");
    else if (src !== null || joins) files.set(src ?? written ?? "", text);
  }
  return { files, missing, hasAny };
}

/** A module with all that it imports, as one script; null where something of it is not here. */
async function joined(text: string, folder: string, host: Host): Promise<string | null> {
  const answer = await host.runApart(
    "render-worker",
    { kind: "module", text, folder },
    { milliseconds: MODULE_TIME, megabytes: MOST_MEMORY },
  );
  return answer.ok ? (answer.value as string | null) : null;
}

const isRun = (type: string): boolean => /^(?:|module|(?:text|application)\/(?:java|ecma)script)$/.test(type);

const textOf = ({ children }: ElementNode): string =>
  children.map((child) => (child.kind === "text" ? writtenText(child.value) : "")).join("");

async function scriptText(src: string, folder: string, page: PageFile, host: Host): Promise<string | null> {
  if (/^(?:[a-z][a-z0-9+.-]*:)?\/\//i.test(src)) return null;
  const address = src.replace(/[?#].*$/, "");
  const file = address.startsWith("/") ? path.join(page.tree, address) : path.resolve(folder, address);
  const real = await host.files.realPath(file);
  const isNear = [page.tree, host.workingDirectory].some(
    (root) => real !== null && !path.relative(root, real).startsWith(".."),
  );
  if (real === null || !isNear) return null;
  const read = await host.files.read(real);
  const decoded = read.ok ? decodeText(read.bytes, src, "css") : null;
  return decoded?.ok === true ? decoded.value.text : null;
}

function* elementsIn(nodes: readonly Node[]): Iterable<ElementNode> {
  for (const node of nodes)
    if (node.kind === "element") {
      yield node;
      yield* elementsIn(node.children);
    }
}

/** Runs the scripts of a page in a simulated window and presses the keys. */
export async function renderedPage(
  page: PageFile,
  loaded: LoadedPage,
  { device, timeLimit, script = null, plan = null, log = false }: RenderLimits,
  checks: readonly CheckText[],
  settings: (check: CheckText) => PageCheckSettings,
  {
    scene,
    texts,
    answers,
  }: { readonly scene: Scene; readonly texts: SourceTexts; readonly answers: FindingAnswers },
  host: Host,
): Promise<RenderedAnswer> {
  const { document, sheets } = loaded;
  const { name } = page;
  const scripts = await scriptsOf(loaded, page, host);
  if (!scripts.hasAny && script === null) return nothing;
  // What a missing script would do nobody knows: its keys may be answered there.
  if (scripts.missing.length > 0)
    return { ...nothing, problems: scripts.missing.map((src) => scriptMissing(name, src)), incomplete: true };
  const request: RenderRequest = {
    file: document.file,
    text: loaded.texts.get(document.file) ?? "",
    kind: "page",
    page: document.kind === "fragment" ? "fragment" : "document",
    quirks: document.quirks,
    // Style elements are read anew from the window: scripts may change them.
    sheets: sheets
      .filter(({ sheet }) => sheet.file !== document.file)
      .map(({ sheet, media }) => ({ sheet, media })),
    stylesKnown: loaded.stylesKnown,
    device,
    scripts: scripts.files,
    script,
    patience: timeLimit * 1000 * FOR_KEYS,
    plan,
    log,
  };
  const ran = await host.runApart("render-worker", request, {
    milliseconds: timeLimit * 1000,
    megabytes: MOST_MEMORY,
  });
  if (!ran.ok) return { ...nothing, problems: [notRendered(name, ran.reason)], incomplete: true };
  const result = ran.value as RenderResult;
  const told = (element: RenderedElement) => renderedElement(element, texts, scene);
  return {
    script: result.script,
    steps: result.steps.map((step) => stepAnswer(step, told, texts)),
    openings: result.openings.map((opening) => openingAnswer(opening, told, texts)),
    findings: renderedFindings(result, checks, settings, told, answers),
    results: pressedResults(result, checks, settings),
    problems: [
      ...result.problems.map((message) => scriptFailed(name, message)),
      ...(result.isCutShort ? [renderCutShort(name)] : []),
    ],
    incomplete: result.isCutShort,
  };
}
