import type { Device } from "../core/css/device.ts";
import { type Scene, sceneFromSource } from "../core/scene/scene.ts";
import { accessibilityTree, type ElementTreeNode } from "../core/semantics/tree.ts";
import type { Host } from "../host/host.ts";
import { SourceTexts } from "./element-answer.ts";
import { type ReadOutcome, type ReadRequest, readPages } from "./read-pages.ts";

export interface TreeRequest extends ReadRequest {
  readonly device: Device;
}

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
  const outcome = await readPages({ ...request, componentsAsPages: true }, host, ({ page, loaded }) => {
    const scene = sceneFromSource(loaded.document, loaded.sheets, {
      device: request.device,
      stylesKnown: loaded.stylesKnown,
    });
    const root = accessibilityTree(scene);
    const texts = new SourceTexts();
    texts.add(loaded.texts);
    if (root !== null) pages.push({ target: page.name, scene, root, texts });
  });
  return { pages, ...outcome };
}
