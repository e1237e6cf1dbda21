import { explore } from "../explore/explore.ts";
import { htmlPage } from "./html-page.ts";
import { LiveDriver, liveSource } from "./live-driver.ts";
import { LivePage } from "./live-page.ts";
import { MountedSpecimens } from "./mount/mounted-specimens.ts";
import type { Bundle, ShownResult, ShowRequest, WindowRequest } from "./protocol.ts";

const specimens = new MountedSpecimens();

/**
 * Opens what is asked for in a window, and answers in plain data.
 * @param bundle what specimens are asked of
 */
export async function attempted(request: WindowRequest, bundle: Bundle | null): Promise<unknown> {
  if ((request.kind === "list" || request.kind === "specimen") && bundle === null)
    throw new Error("specimens were asked for before their program was given");
  switch (request.kind) {
    case "ready":
      return true;
    case "page":
      return explore(liveSource(htmlPage(request, request.plan)), request);
    case "show":
      return shown(request);
    case "list":
      return specimens.list(request, bundle as Bundle);
    case "specimen":
      return specimens.mount(request, bundle as Bundle, (page, exploration, opened) =>
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
