import {
  notRendered,
  type Problem,
  renderCutShort,
  scriptFailed,
  scriptMissing,
} from "../../core/findings/problems.ts";
import type { Explored } from "../../engine/explored.ts";
import type { PageFile } from "../../engine/targets.ts";
import type { ExploreRequest, UnitDriver, UnitExplored } from "../../engine/unit.ts";
import type { Host } from "../../host/host.ts";
import type { LoadedPage } from "../../read/load-page.ts";
import type { ReadingPlan } from "../../settings/plan.ts";
import type { RenderRequest } from "../protocol.ts";
import { FOR_KEYS, MOST_MEMORY } from "./limits.ts";
import { pageScripts } from "./page-scripts.ts";

/** Runs the scripts of a page in a simulated window and presses the keys. */
export const pageDriver = (
  page: PageFile,
  loaded: LoadedPage,
  plan: ReadingPlan,
  host: Host,
): UnitDriver => ({
  off: [],
  explore: (request) => explorePage(page, loaded, plan, host, request),
});

const outcome = (
  explored: Explored | null,
  problems: readonly Problem[],
  isComplete: boolean,
): UnitExplored => ({ explored, walked: [], texts: new Map(), problems, isComplete });

async function explorePage(
  page: PageFile,
  loaded: LoadedPage,
  { device, timeLimit }: ReadingPlan,
  host: Host,
  { script, plan, log }: ExploreRequest,
): Promise<UnitExplored> {
  const { document, sheets } = loaded;
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
