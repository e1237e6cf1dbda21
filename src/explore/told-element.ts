import { elementPath } from "../core/document/element-path.ts";
import type { ElementNode } from "../core/document/node.ts";
import { heardLineOf } from "../core/semantics/heard-line.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import type { SeenElement } from "../engine/explored.ts";

export function seenElement(moment: Moment, node: ElementNode): SeenElement {
  const { scene } = moment;
  return {
    span: node.source,
    nearest: node.source ?? moment.nearest(node),
    components: node.components,
    path: elementPath(scene.page.index, node),
    tag: node.tag,
    role: scene.role(node).role ?? "generic",
    name: scene.name(node).text,
    heard: heardLineOf(scene, node),
  };
}

/** What has focus in a window, as it is told of; null for nothing. */
export async function seenFocus(page: Driver): Promise<SeenElement | null> {
  const key = await page.focused();
  const moment = await page.moment();
  const node = key === null ? null : moment.element(key);
  return node === null ? null : seenElement(moment, node);
}
