import type { Device } from "../core/css/device.ts";
import type { Problem } from "../core/findings/problems.ts";
import { type Scene, sceneFromSource } from "../core/scene/scene.ts";
import { accessibilityTree, type ElementTreeNode } from "../core/semantics/tree.ts";
import type { Host } from "../host/host.ts";
import { SourceTexts } from "./element-answer.ts";
import { type LoadOptions, loadPage } from "./load-page.ts";
import { findPages, type TargetRequest } from "./targets.ts";

export interface TreeRequest extends LoadOptions, TargetRequest {
  readonly device: Device;
}

/** One page as assistive technology is given it. */
export interface PageTree {
  readonly target: string;
  readonly scene: Scene;
  readonly root: ElementTreeNode;
  readonly texts: SourceTexts;
}

export interface TreeAnswer {
  readonly pages: readonly PageTree[];
  readonly problems: readonly Problem[];
  /** Whether some target could not be read at all. */
  readonly incomplete: boolean;
}

/** The accessibility tree of every page the targets name. */
export async function trees(request: TreeRequest, host: Host): Promise<TreeAnswer> {
  const { pages, problems: targetProblems } = await findPages(request, host);
  const problems: Problem[] = [...targetProblems];
  const answers: PageTree[] = [];
  let incomplete = targetProblems.length > 0;
  for (const page of pages) {
    const loaded = await loadPage(page, host, request);
    if (!loaded.ok) {
      problems.push(loaded.problem);
      incomplete = true;
      continue;
    }
    problems.push(...loaded.value.problems);
    const scene = sceneFromSource(loaded.value.document, loaded.value.sheets, {
      device: request.device,
      stylesKnown: loaded.value.stylesKnown,
    });
    const root = accessibilityTree(scene);
    const texts = new SourceTexts();
    texts.add(loaded.value.texts);
    if (root !== null) answers.push({ target: page.name, scene, root, texts });
  }
  return { pages: answers, problems, incomplete };
}
