import { explore } from "../explore/explore.ts";
import { htmlPage } from "./html-page.ts";
import { LiveDriver, liveSource } from "./live-driver.ts";
import { MountedSpecimens } from "./mount/mounted-specimens.ts";
import type { BundleRequest, ModuleRequest, WorkerRequest } from "./protocol.ts";

const specimens = new MountedSpecimens();

/** Opens what is asked for in a window, and answers in plain data. */
export async function attempted(
  request: Exclude<WorkerRequest, BundleRequest | ModuleRequest>,
): Promise<unknown> {
  switch (request.kind) {
    case "ready":
      return true;
    case "page":
      return explore(liveSource(htmlPage(request)), request);
    case "list":
      return specimens.list(request);
    case "specimen":
      return specimens.mount(request, (page, exploration, opened) =>
        explore(liveSource(page), exploration, new LiveDriver(opened)),
      );
  }
}
