import { answerTasks } from "./answer-tasks.ts";
import type { BundleRequest, ModuleRequest } from "./protocol.ts";
import { refuseNetwork, refusePrograms } from "./refusals.ts";

refuseNetwork();
refusePrograms();

answerTasks<BundleRequest | ModuleRequest, never>(
  async () => {},
  async (request) =>
    request.kind === "bundle"
      ? (await import("./mount/bundle.ts")).bundleSpecimens(request)
      : (await import("./mount/bundle-module.ts")).bundleModule(request),
);
