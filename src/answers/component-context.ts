import { familyOf } from "../core/checks/check.ts";
import type { ElementNode } from "../core/document/node.ts";
import type { Finding } from "../core/findings/verdict.ts";
import type { Scene } from "../core/scene/scene.ts";
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

/** Roots that are shown by themselves: nothing of them hangs on who calls them. */
const isWhole = ({ component }: FoundComponent): boolean =>
  !component.takesProps || /^App$|(?:Page|Layout|Screen|View|Route)$/.test(component.name);

/** Whether what is around a component, and is not in its tree, may decide a finding. */
export function roleOfContext(
  found: FoundComponent,
  scene: Scene,
  { check, facts, element, origins }: Finding,
  isIsland: boolean,
): "decides" | "none" {
  const family = familyOf(check);
  if (family === "contrast" || family === "colour") {
    // A ground or colour that no rule of the component gives comes from what is around it.
    const given = new Set(origins.map((origin) => origin.of));
    return "background" in facts && !(given.has("background") && given.has("foreground"))
      ? "decides"
      : "none";
  }
  if (!askAround.has(check)) return "none";
  if (isIsland) return "decides";
  if (isWhole(found)) return "none";
  if (check === "roles.parent-present") return hasContainer(scene, element) ? "none" : "decides";
  return scene.page.index.parent(element)?.tag === "body" || check.startsWith("names.") ? "decides" : "none";
}

/** Whether some element around it in the tree is more than a box or a part that needs a container itself. */
function hasContainer(scene: Scene, element: ElementNode): boolean {
  for (
    let up = scene.page.index.flatParent(element);
    up !== null && up.tag !== "body";
    up = scene.page.index.flatParent(up)
  ) {
    const { role } = scene.role(up);
    if (
      role !== null &&
      role !== "generic" &&
      role !== "none" &&
      role !== "rowgroup" &&
      role !== "group" &&
      role !== "row"
    )
      return true;
  }
  return false;
}
