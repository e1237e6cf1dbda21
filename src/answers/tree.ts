import type { Device } from "../core/css/device.ts";
import { type Scene, sceneFromSource } from "../core/scene/scene.ts";
import { accessibilityTree, type ElementTreeNode } from "../core/semantics/tree.ts";
import type { Host } from "../host/host.ts";
import { SourceTexts } from "./element-answer.ts";
import { pagesOfSpecimens, withMounted } from "./mounted-pages.ts";
import { type ReadOutcome, type ReadPage, type ReadRequest, readPages } from "./read-pages.ts";

export interface TreeRequest extends ReadRequest {
  readonly device: Device;
}

/** How long one specimen may take to be mounted, in seconds. */
const MOUNT_TIME = 30;

/** One page as assistive technology is given it. */
export interface PageTree {
  readonly target: string;
  readonly scene: Scene;
  readonly root: ElementTreeNode;
  readonly texts: SourceTexts;
}

export interface TreeAnswer extends ReadOutcome {
  readonly pages: readonly PageTree[];
}

/** The accessibility tree of every page the targets name. */
export async function trees(request: TreeRequest, host: Host): Promise<TreeAnswer> {
  const pages: PageTree[] = [];
  const visit = ({ page, loaded }: Pick<ReadPage, "page" | "loaded">) => {
    const scene = sceneFromSource(loaded.document, loaded.sheets, {
      device: request.device,
      stylesKnown: loaded.stylesKnown,
    });
    const root = accessibilityTree(scene);
    const texts = new SourceTexts();
    texts.add(loaded.texts);
    if (root !== null) pages.push({ target: page.name, scene, root, texts });
  };
  const outcome = await readPages({ ...request, componentsAsPages: true }, host, { visit });
  const mounted = await pagesOfSpecimens(
    outcome.specimens,
    { ...request, engine: "mixed", timeLimit: MOUNT_TIME, presses: false, script: null },
    host,
  );
  for (const one of mounted.pages) visit(one);
  return { pages, ...withMounted(outcome, mounted) };
}
