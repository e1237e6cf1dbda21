import { explore } from "../explore/explore.ts";
import { htmlPage } from "./html-page.ts";
import { LiveDriver, liveSource } from "./live-driver.ts";
import { LivePage } from "./live-page.ts";
import { MountedSpecimens } from "./mount/mounted-specimens.ts";
import type { BundleRequest, ModuleRequest, ShownResult, ShowRequest, WorkerRequest } from "./protocol.ts";

const specimens = new MountedSpecimens();

/** Opens what is asked for in a window, and answers in plain data. */
export async function attempted(
  request: Exclude<WorkerRequest, BundleRequest | ModuleRequest>,
): Promise<unknown> {
  switch (request.kind) {
    case "ready":
      return true;
    case "page":
      return explore(liveSource(htmlPage(request, request.plan)), request);
    case "show":
      return shown(request);
    case "list":
      return specimens.list(request);
    case "specimen":
      return specimens.mount(request, (page, exploration, opened) =>
        explore(liveSource(page), exploration, new LiveDriver(opened)),
      );
  }
}

/** What a page shows once its scripts have run and nothing has been pressed. */
async function shown(request: ShowRequest): Promise<ShownResult> {
  const page = await LivePage.open(htmlPage(request, null));
  const { scene, sheets } = page.moment();
  const shows = { document: scene.document, sheets, stylesKnown: request.stylesKnown };
  page.close();
  return { page: shows, problems: [...page.problems] };
}
