import { elementPath } from "../core/document/element-path.ts";
import type { ElementNode } from "../core/document/node.ts";
import { heardLineOf } from "../core/semantics/heard-line.ts";
import type { LivePage } from "./live-page.ts";
import type { RenderedElement } from "./protocol.ts";
import type { LiveElement } from "./snapshot.ts";

/** Tells of an element of a live page; null for none, or one that is gone. */
export function told(page: LivePage, element: LiveElement | null): RenderedElement | null {
  const node = element === null ? null : page.nodeOf(element);
  return node === null ? null : toldNode(page, node);
}

export function toldNode(page: LivePage, node: ElementNode): RenderedElement {
  const { scene } = page;
  return {
    span: node.source,
    nearest: node.source ?? page.nearestOf(node),
    components: node.components,
    path: elementPath(scene.page.index, node),
    tag: node.tag,
    role: scene.role(node).role ?? "generic",
    name: scene.name(node).text,
    heard: heardLineOf(scene, node),
  };
}
