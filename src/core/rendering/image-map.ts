import { NO } from "../css/certainty.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText } from "../document/written.ts";
import type { Page } from "./page.ts";
import type { PresenceMap } from "./presence.ts";

/** An area is part of the page while an image that is shown uses its map. HTML §4.8.14. */
export function areaIsUsed(
  { index }: Page,
  presence: PresenceMap,
  area: ElementNode,
  to: "eyes" | "assistive technology" = "eyes",
): boolean {
  let map = index.parent(area);
  while (map !== null && map.tag !== "map") map = index.parent(map);
  const name = map === null ? null : (attributeText(map, "name") ?? attributeText(map, "id"));
  if (name === null || name === "") return false;
  return index.byTag("img").some((image) => {
    if (attributeText(image, "usemap") !== `#${name}`) return false;
    const { rendered, exposed } = presence.of(image);
    return (to === "eyes" ? rendered : exposed) !== NO;
  });
}
