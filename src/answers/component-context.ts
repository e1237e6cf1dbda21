import { familyOf } from "../core/checks/check.ts";
import { askAround, hasContainer, holdsClasses, restsOnOuterColours } from "../core/checks/surroundings.ts";
import type { Finding } from "../core/findings/verdict.ts";
import type { Scene } from "../core/scene/scene.ts";
import type { FoundComponent } from "../readers/components/compose.ts";

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
  finding: Finding,
  within: Surroundings,
): boolean {
  const { check, element } = finding;
  // A ground or colour that no rule of the component gives comes from what is around it.
  const family = familyOf(check);
  if (family === "contrast" || family === "colour") return restsOnOuterColours(finding);
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
