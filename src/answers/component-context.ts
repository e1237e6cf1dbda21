import { familyOf } from "../core/checks/check.ts";
import { elementsAbove, elementsBelow, firstOf } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import type { Finding } from "../core/findings/verdict.ts";
import type { Scene } from "../core/scene/scene.ts";
import type { Role } from "../core/semantics/tables/roles.ts";
import type { FoundComponent } from "../readers/components/compose.ts";

/** Checks whose answer hangs on what is around an element, and that what surrounds a component may decide. */
const askAround = new Set([
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

/** Names of what is shown by itself. */
const wholeNames = /^App(?:Component)?$|(?:Page|Layout|Screen|View|Route)(?:Component)?$/;

/** Roots that are shown by themselves: nothing inside them hangs on who calls them. */
const isWhole = ({ component }: FoundComponent): boolean =>
  !component.takesProps || wholeNames.test(component.name);

/** What is around a tree: the page of a root, something that is not in source, or the callers whose part is to be found out. */
export type Surroundings = "page" | "something unknown" | "its callers";

/** Whether what is around a component, and is not in its tree, may decide a finding. */
export function isLeftToSurroundings(
  found: FoundComponent,
  scene: Scene,
  { check, facts, element, origins }: Finding,
  within: Surroundings,
): boolean {
  const family = familyOf(check);
  if (family === "contrast" || family === "colour") {
    // A ground or colour that no rule of the component gives comes from what is around it.
    const given = new Set(origins.map((origin) => origin.of));
    return "background" in facts && !(given.has("background") && given.has("foreground"));
  }
  // What stands in the head is often put there by the framework.
  if (check === "structure.title") return true;
  // Classes of a stylesheet that is not here may hide words from sight.
  if (check === "names.visible-words-in-name") return holdsClasses(scene, element);
  if (!askAround.has(check)) return false;
  if (within === "something unknown") return true;
  // A reference that a component writes itself is its own, whoever calls it.
  if (within === "its callers" && check === "names.references-found") return false;
  const isAtTop = scene.page.index.parent(element)?.tag === "body";
  if (isAtTop && !wholeNames.test(found.component.name)) return true;
  if (isWhole(found)) return false;
  if (check === "roles.parent-present") return !hasContainer(scene, element);
  return check.startsWith("names.");
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
