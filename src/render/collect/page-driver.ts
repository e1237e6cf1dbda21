import {
  notRendered,
  type Problem,
  renderCutShort,
  scriptFailed,
  scriptMissing,
} from "../../core/findings/problems.ts";
import { sceneFromSource } from "../../core/scene/scene.ts";
import type { Explored } from "../../engine/explored.ts";
import type { PageFile } from "../../engine/targets.ts";
import type { ExploreRequest, UnitDocuments, UnitDriver, UnitExplored } from "../../engine/unit.ts";
import type { ApartAnswer, Host } from "../../host/host.ts";
import type { LoadedPage } from "../../read/load-page.ts";
import { pageUnit } from "../../read/page-unit.ts";
import { sceneOptions } from "../../read/scene-options.ts";
import type { ReadingPlan } from "../../settings/plan.ts";
import type { OpenedPage, RenderRequest, ShownResult, ShowRequest } from "../protocol.ts";
import { FOR_KEYS, MOST_MEMORY } from "./limits.ts";
import { type PageScripts, pageScripts } from "./page-scripts.ts";

/** Runs the scripts of a page in a simulated window, and presses the keys where that is asked for. */
export const pageDriver = (
  page: PageFile,
  loaded: LoadedPage,
  plan: ReadingPlan,
  host: Host,
): UnitDriver => ({
  off: [],
  shown: () => showPage(page, loaded, plan, host),
  explore: (request) => explorePage(page, loaded, plan, host, request),
});

/** The page as it is given to a window. */
const openedPage = (
  { document, texts, sheets, stylesKnown }: LoadedPage,
  { device }: ReadingPlan,
  scripts: PageScripts,
): OpenedPage => ({
  file: document.file,
  text: texts.get(document.file) ?? "",
  page: document.kind === "fragment" ? "fragment" : "document",
  quirks: document.quirks,
  // Style elements are read anew from the window: scripts may change them.
  sheets: sheets
    .filter(({ sheet }) => sheet.file !== document.file)
    .map(({ sheet, media }) => ({ sheet, media })),
  stylesKnown,
  device,
  scripts: scripts.files,
});

const runOpened = (
  request: RenderRequest | ShowRequest,
  { timeLimit }: ReadingPlan,
  host: Host,
): Promise<ApartAnswer> =>
  host.runApart({
    program: "window-process",
    data: request,
    reads: [],
    milliseconds: timeLimit * 1000,
    megabytes: MOST_MEMORY,
  });

async function showPage(
  page: PageFile,
  loaded: LoadedPage,
  plan: ReadingPlan,
  host: Host,
): Promise<UnitDocuments> {
  const { name } = page;
  const scripts = await pageScripts(loaded, page, host);
  if (!scripts.hasAny) return pageUnit(page, loaded, plan).documents();
  const missing = scripts.missing.map((src) => scriptMissing(name, src));
  const ran = await runOpened({ kind: "show", ...openedPage(loaded, plan, scripts) }, plan, host);
  if (!ran.ok)
    return { documents: [], texts: new Map(), problems: [notRendered(name, ran.reason)], isComplete: false };
  const { page: shows, problems } = ran.value as ShownResult;
  const scene = sceneFromSource(shows.document, shows.sheets, {
    ...sceneOptions(plan),
    stylesKnown: shows.stylesKnown,
  });
  return {
    documents: [{ scene, sheets: shows.sheets, frame: null }],
    texts: new Map(),
    problems: [...missing, ...problems.map((message) => scriptFailed(name, message))],
    isComplete: missing.length === 0,
  };
}

const outcome = (
  explored: Explored | null,
  problems: readonly Problem[],
  isComplete: boolean,
): UnitExplored => ({ explored, walked: [], texts: new Map(), problems, isComplete });

async function explorePage(
  page: PageFile,
  loaded: LoadedPage,
  readingPlan: ReadingPlan,
  host: Host,
  { script, plan, log }: ExploreRequest,
): Promise<UnitExplored> {
  const { name } = page;
  const scripts = await pageScripts(loaded, page, host);
  if (!scripts.hasAny && script === null) return outcome(null, [], true);
  // What a missing script would do nobody knows: its keys may be answered there.
  if (scripts.missing.length > 0)
    return outcome(
      null,
      scripts.missing.map((src) => scriptMissing(name, src)),
      false,
    );
  const request: RenderRequest = {
    kind: "page",
    ...openedPage(loaded, readingPlan, scripts),
    script,
    patience: readingPlan.timeLimit * 1000 * FOR_KEYS,
    plan,
    log,
  };
  const ran = await runOpened(request, readingPlan, host);
  if (!ran.ok) return outcome(null, [notRendered(name, ran.reason)], false);
  const explored = ran.value as Explored;
  return outcome(
    explored,
    [
      ...explored.problems.map((message) => scriptFailed(name, message)),
      ...(explored.isCutShort ? [renderCutShort(name)] : []),
    ],
    !explored.isCutShort,
  );
}
