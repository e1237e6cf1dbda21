import { parentPort } from "node:worker_threads";
import { explore } from "./explore.ts";
import { htmlPage } from "./html-page.ts";
import type { LivePage, PageSource } from "./live-page.ts";
import { MountedSpecimens } from "./mount/mounted-specimens.ts";
import type { RenderRequest, RenderResult, WorkerRequest } from "./protocol.ts";
import { runScript } from "./run-script.ts";

/** How a page is tried. */
type Attempt = Pick<RenderRequest, "script" | "patience" | "plan">;

/** Walks a page by a script, or tries every key where there is none. */
async function tried(
  page: PageSource,
  { script, patience, plan }: Attempt,
  opened: LivePage | null = null,
): Promise<RenderResult> {
  if (script === null) return explore(page, patience, plan, opened);
  opened?.close();
  const { lines, steps, problems } = await runScript(page, script);
  return { steps, script: lines, findings: [], states: null, tried: new Map(), problems, isCutShort: false };
}

const specimens = new MountedSpecimens();

async function answered(request: WorkerRequest): Promise<unknown> {
  switch (request.kind) {
    case "page":
      return tried(htmlPage(request), request);
    case "bundle":
      return (await import("./mount/bundle.ts")).bundleSpecimens(request);
    case "list":
      return specimens.list(request);
    case "specimen":
      return specimens.mount(request, (page, opened) => tried(page, request, opened));
  }
}

// What a page rejects and nobody catches is its own affair.
process.on("unhandledRejection", () => {});

parentPort?.on("message", async (request: WorkerRequest) => {
  parentPort?.postMessage(await answered(request));
});
