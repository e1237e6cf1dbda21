import { NO } from "../core/css/certainty.ts";
import type { ElementNode } from "../core/document/node.ts";
import { textContent } from "../core/document/text-content.ts";
import type { Scene } from "../core/scene/scene.ts";
import type { Moment } from "../engine/driver.ts";

/** What each live region of a page holds, by the key of the region. */
export type LiveRegions = ReadonlyMap<string, string>;

/** Live regions with their text. WAI-ARIA 1.2 §6.6.1, `aria-live`, and the roles that are live by themselves. */
export function liveRegions({ scene, keyOf }: Pick<Moment, "scene" | "keyOf">): LiveRegions {
  const regions = new Map<string, string>();
  for (const node of scene.page.index.elements)
    if (isLiveRegion(scene, node) && scene.presence.of(node).exposed !== NO)
      regions.set(keyOf(node), textContent(node));
  return regions;
}

export function isLiveRegion(scene: Scene, node: ElementNode): boolean {
  const live = node.attributes.get("aria-live")?.value;
  if (live === "polite" || live === "assertive") return true;
  return (
    live !== "off" && (/^(?:alert|status|log)$/.test(scene.role(node).role ?? "") || node.tag === "output")
  );
}

/** What is heard of live regions when they go from one state to another. */
export const announced = (before: LiveRegions, after: LiveRegions): readonly string[] =>
  [...after].flatMap(([region, text]) => (text !== "" && before.get(region) !== text ? [text] : []));
