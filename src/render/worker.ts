import { parentPort } from "node:worker_threads";
import type { WorkerRequest } from "./protocol.ts";
import { refuseBeyond } from "./refusals.ts";

// Before anything is loaded that could keep a way out.
refuseBeyond();

// The window takes as long to load as most programs to be bundled: both go on at once.
const attempts = import("./attempts.ts");

async function answered(request: WorkerRequest): Promise<unknown> {
  // Loading is no fault of what is asked for: its time counts from here.
  if (request.kind === "page" || request.kind === "list" || request.kind === "specimen") await attempts;
  parentPort?.postMessage("begins");
  if (request.kind === "bundle") return (await import("./mount/bundle.ts")).bundleSpecimens(request);
  if (request.kind === "module") return (await import("./mount/bundle-module.ts")).bundleModule(request);
  return (await attempts).attempted(request);
}

// What a page rejects and nobody catches is its own affair.
process.on("unhandledRejection", () => {});

parentPort?.on("message", async (request: WorkerRequest) => {
  parentPort?.postMessage(await answered(request));
});
