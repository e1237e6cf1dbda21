import { explore } from "./explore.ts";
import { htmlPage } from "./html-page.ts";
import type { LivePage, PageSource } from "./live-page.ts";
import { MountedSpecimens } from "./mount/mounted-specimens.ts";
import { nothingTried } from "./nothing-tried.ts";
import type { BundleRequest, ModuleRequest, RenderRequest, RenderResult, WorkerRequest } from "./protocol.ts";
import { runScript } from "./run-script.ts";

/** How a page is tried. */
type Attempt = Pick<RenderRequest, "script" | "patience" | "plan" | "log">;

/** Walks a page by a script, or tries every key where there is none. */
async function tried(
  page: PageSource,
  { script, patience, plan, log }: Attempt,
  opened: LivePage | null = null,
): Promise<RenderResult> {
  if (script === null) return explore(page, patience, plan, { opened, log });
  opened?.close();
  const { lines, steps, problems } = await runScript(page, script);
  return { ...nothingTried, steps, script: lines, problems };
}

const specimens = new MountedSpecimens();

/** Opens what is asked for in a window, and answers in plain data. */
export async function attempted(
  request: Exclude<WorkerRequest, BundleRequest | ModuleRequest>,
): Promise<unknown> {
  switch (request.kind) {
    case "ready":
      return true;
    case "page":
      return tried(htmlPage(request), request);
    case "list":
      return specimens.list(request);
    case "specimen":
      return specimens.mount(request, (page, opened) => tried(page, request, opened));
  }
}
