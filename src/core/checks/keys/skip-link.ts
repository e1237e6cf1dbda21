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

/** Whether a link says in English that it leads past what repeats. */
export const saysSo = (scene: Scene, link: ElementNode): boolean =>
  says.test(speakable(scene.name(link).text));

/** More links than this in a row, within the page, are its contents. */
const MOST_IN_A_ROW = 4;

/** Links near the top of the page that lead past what repeats: by their words, in English, or by their place, in any language. */
export const skipLinks = keptForScene((scene): readonly ElementNode[] => {
  const stops = sureStops(scene);
  const isWithin = (stop: ElementNode | undefined) =>
    stop?.tag === "a" && (attributeText(stop, "href") ?? "").startsWith("#");
  // A piece of a page has no first stops of its own.
  const isWhole = scene.document.kind === "document";
  const first = stops.findIndex((stop) => !isWithin(stop));
  const row = !isWhole || first < 0 || first > MOST_IN_A_ROW ? [] : stops.slice(0, first);
  return stops
    .slice(0, AMONG_FIRST)
    .filter(
      (stop) =>
        isWithin(stop) && (saysSo(scene, stop) || (row.includes(stop) && leadsPastStops(scene, stop, stops))),
    );
});

/** Whether a link leads past other stops, or to nothing: what a script opens has no such link first on the page. */
function leadsPastStops(scene: Scene, link: ElementNode, stops: readonly ElementNode[]): boolean {
  const href = attributeText(link, "href")?.trim() ?? "";
  // `#!` is how some write "nowhere", and `#/slips` is a place that a script shows.
  if (href.length < 2 || /^#[!/]/.test(href) || !/[\p{L}\p{N}]/u.test(scene.name(link).text)) return false;
  const target = fragmentTarget(scene, link);
  if (target === "top") return false;
  if (target === null) return !link.attributes.has("role") && !isHandled(link);
  const { index } = scene.page;
  const place = index.record(target).order;
  return stops.some(
    (stop) =>
      stop !== link &&
      index.record(stop).order > index.record(link).order &&
      index.record(stop).order < place,
  );
}

/** Whether a press on it does something else than following it. */
const isHandled = ({ listeners, attributes }: ElementNode): boolean =>
  listeners === "unknown" ||
  listeners.size > 0 ||
  [...attributes.keys()].some((name) => name.startsWith("on") || name.startsWith("data-"));

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
