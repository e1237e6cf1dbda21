import { elementsAbove, elementsBelow, firstOf } from "../document/around.ts";
import { isLabelable } from "../document/document-index.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText, attributeUnknown } from "../document/written.ts";
import type { Finding } from "../findings/verdict.ts";
import type { Scene } from "../scene/scene.ts";
import type { Role } from "../semantics/tables/roles.ts";
import { checkWith } from "./catalogue.ts";

/**
 * Where a tree is looked at that is no whole page.
 * - `page`: a root, in a page of which nothing is known
 * - `something unknown`: inside something that is not in source
 * - `its callers`: alone, to find out which part is its callers'
 */
export type Around = "page" | "something unknown" | "its callers";

/** A component that is looked at without what surrounds it. */
export interface AloneComponent {
  /** Whether it is shown by itself: nothing inside it hangs on who uses it. */
  readonly isWhole: boolean;
  /** Whether its name says that it is a page of its own. */
  readonly isPage: boolean;
}

/** Whether what is around a component, and is not in its tree, may decide a finding of source. */
export function isLeftToSurroundings(
  { isWhole, isPage }: AloneComponent,
  scene: Scene,
  finding: Finding,
  around: Around,
): boolean {
  const { element } = finding;
  const surroundings = checkWith(finding.check)?.surroundings;
  switch (surroundings) {
    case undefined:
      return false;
    case "colours":
      return restsOnOuterColours(finding);
    case "head":
      return true;
    case "unread classes":
      return holdsClasses(scene, element);
  }
  if (around === "something unknown") return true;
  // A reference that a component writes itself is its own, whoever calls it.
  if (around === "its callers" && surroundings === "references") return false;
  if (surroundings === "labels" && !mayBeLabelledOutside(scene, element)) return false;
  if (scene.page.index.parent(element)?.tag === "body" && !isPage) return true;
  if (isWhole) return false;
  if (surroundings === "container") return !hasContainer(scene, element);
  return surroundings === "labels" || surroundings === "references";
}

/**
 * Whether what is around a component that is mounted alone may decide a finding. All that it is given is known.
 * @param isAtTop whether nothing of the component is around the element
 */
export function isLeftToSpecimen(scene: Scene, finding: Finding, isAtTop: boolean): boolean {
  const surroundings = checkWith(finding.check)?.surroundings;
  if (surroundings === undefined) return false;
  switch (surroundings) {
    case "unread classes":
      return false;
    case "colours":
      return restsOnOuterColours(finding);
    case "page":
    case "head":
      return true;
    case "container":
      return !hasContainer(scene, finding.element);
    case "neighbours":
    case "labels":
    case "references":
      return isAtTop;
  }
}

/**
 * Whether a label elsewhere may be meant for a field, or a field elsewhere for a label: by an id, or as the only field of
 * what a label may hold.
 */
function mayBeLabelledOutside(scene: Scene, element: ElementNode): boolean {
  const { index } = scene.page;
  const reference = element.tag === "label" ? "for" : "id";
  if (attributeUnknown(element, reference) || (attributeText(element, reference) ?? "") !== "") return true;
  return index.elements.filter(isLabelable).length < 2;
}

/** Whether a finding about colours rests on a ground or colour that no rule of the component gives. */
function restsOnOuterColours({ facts, origins }: Finding): boolean {
  const given = new Set(origins.map((origin) => origin.of));
  const isGiven = given.has("background") && given.has("foreground") && facts.onCanvas !== true;
  return "background" in facts && !isGiven;
}

/** Roles of boxes, and of parts that need a container themselves. */
const noContainers = new Set<Role | null>([null, "generic", "none", "rowgroup", "group", "row"]);

/** Whether some element around it in the tree contains items by its role. */
const hasContainer = (scene: Scene, element: ElementNode): boolean =>
  firstOf(
    elementsAbove(scene.page.index, element),
    (up) => up.tag !== "body" && up.tag !== "html" && !noContainers.has(scene.role(up).role),
  ) !== null;

const holdsClasses = (scene: Scene, element: ElementNode): boolean =>
  firstOf(elementsBelow(scene.page.index, element), ({ attributes }) => attributes.has("class")) !== null;
