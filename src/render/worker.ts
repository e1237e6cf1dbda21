import { parentPort } from "node:worker_threads";
import type { WalkStep } from "../core/walk-script/parse.ts";
import { explore } from "./explore.ts";
import { htmlPage } from "./html-page.ts";
import type { PageSource } from "./live-page.ts";
import type { RenderRequest, RenderResult } from "./protocol.ts";
import { runScript } from "./run-script.ts";

async function walked(page: PageSource, script: readonly WalkStep[]): Promise<RenderResult> {
  const { lines, steps, problems } = await runScript(page, script);
  return { steps, script: lines, findings: [], tried: new Map(), problems, isCutShort: false };
}

// What a page rejects and nobody catches is its own affair.
process.on("unhandledRejection", () => {});

parentPort?.on("message", async (request: RenderRequest) => {
  const page = htmlPage(request);
  parentPort?.postMessage(
    request.script === null ? await explore(page, request.patience) : await walked(page, request.script),
  );
});
