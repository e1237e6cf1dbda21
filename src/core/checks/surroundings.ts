import { elementsAbove, elementsBelow, firstOf } from "../document/around.ts";
import type { ElementNode } from "../document/node.ts";
import type { Finding } from "../findings/verdict.ts";
import type { Scene } from "../scene/scene.ts";
import type { Role } from "../semantics/tables/roles.ts";
import { familyOf } from "./check.ts";

/** Checks whose answer hangs on what is around an element, and that what surrounds a component may decide. */
export const askAround: ReadonlySet<string> = new Set([
  "roles.parent-present",
  "structure.lists",
  "names.control-labelled",
  "names.label-connected",
  "names.references-found",
  "keys.skip-arrives",
  "structure.in-landmarks",
  "structure.headings-step",
  "structure.headings-exist",
  "structure.landmark-place",
]);

/** Of those, the ones about whole pages: nothing inside a component answers them. */
const askPage: ReadonlySet<string> = new Set([
  "structure.in-landmarks",
  "structure.headings-step",
  "structure.headings-exist",
  "structure.landmark-place",
  "structure.title",
  "keys.skip-arrives",
]);

/** Whether a finding about colours rests on a ground or colour that no rule of the component gives. */
export function restsOnOuterColours({ check, facts, origins }: Finding): boolean {
  const family = familyOf(check);
  if (family !== "contrast" && family !== "colour") return false;
  const given = new Set(origins.map((origin) => origin.of));
  return "background" in facts && !(given.has("background") && given.has("foreground"));
}

/** Whether what is around a component that is shown alone may decide a finding. All that it is given is known. */
export function isLeftToSpecimen(scene: Scene, finding: Finding, isAtTop: boolean): boolean {
  const { check, element } = finding;
  if (restsOnOuterColours(finding) || askPage.has(check)) return true;
  if (!askAround.has(check)) return false;
  return check === "roles.parent-present" ? !hasContainer(scene, element) : isAtTop;
}

/** Roles of boxes, and of parts that need a container themselves. */
const noContainers = new Set<Role | null>([null, "generic", "none", "rowgroup", "group", "row"]);

/** Whether some element around it in the tree contains items by its role. */
export const hasContainer = (scene: Scene, element: ElementNode): boolean =>
  firstOf(
    elementsAbove(scene.page.index, element),
    (up) => up.tag !== "body" && up.tag !== "html" && !noContainers.has(scene.role(up).role),
  ) !== null;

export const holdsClasses = (scene: Scene, element: ElementNode): boolean =>
  firstOf(elementsBelow(scene.page.index, element), ({ attributes }) => attributes.has("class")) !== null;
