import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import { sureStops } from "../exposed.ts";
import { speakable } from "../shown-name.ts";

/** How many stops from the top a skip link may stand. */
const AMONG_FIRST = 6;

const says =
  /^(?:skip|jump|go|move|straight|direct(?:ly)?)\b.*\b(?:to|past|over|content|main|navigation|menu)\b|^skip\b|^(?:main )?content$|^to (?:the )?(?:main )?content$/i;

/** Links near the top of the page that lead past what repeats. */
export const skipLinks = keptForScene((scene): readonly ElementNode[] =>
  sureStops(scene)
    .slice(0, AMONG_FIRST)
    .filter(
      (stop) =>
        stop.tag === "a" &&
        (attributeText(stop, "href") ?? "").startsWith("#") &&
        says.test(speakable(scene.name(stop).text)),
    ),
);

/** What a link inside the page leads to: HTML §7.4.6.4, "select the indicated part"; `top` for the top of the page. */
export function fragmentTarget(scene: Scene, link: ElementNode): ElementNode | "top" | null {
  const { index } = scene.page;
  const href = attributeText(link, "href")?.trim() ?? "";
  const fragment = href.slice(href.indexOf("#") + 1);
  if (fragment === "") return "top";
  const named = (id: string): ElementNode | null =>
    index.allWithId(index.document, id)[0] ??
    index.byTag("a").find((anchor) => attributeText(anchor, "name") === id) ??
    null;
  return named(fragment) ?? named(decoded(fragment)) ?? (/^top$/i.test(fragment) ? "top" : null);
}

function decoded(fragment: string): string {
  try {
    return decodeURIComponent(fragment);
  } catch {
    return fragment;
  }
}
