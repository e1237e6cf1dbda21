import { NO } from "../css/certainty.ts";
import { elementsAbove, elementsBelow } from "../document/around.ts";
import type { ElementNode } from "../document/node.ts";
import { isTabbable } from "../rendering/focusable.ts";
import { keptForScene } from "../scene/kept.ts";
import type { Scene } from "../scene/scene.ts";
import type { Role } from "../semantics/tables/roles.ts";

/** Whether assistive technology is given the element for certain. */
export const isExposed = (scene: Scene, element: ElementNode): boolean =>
  scene.presence.of(element).exposed !== NO;

/** Whether anybody sees or hears the element: what is hidden for all is judged by nobody. */
export const isShown = (scene: Scene, element: ElementNode): boolean =>
  scene.presence.of(element).visible !== NO;

/** Elements of the given tags that are exposed. */
export function* exposedByTag(scene: Scene, ...tags: readonly string[]): Iterable<ElementNode> {
  for (const tag of tags)
    for (const element of scene.page.index.byTag(tag)) if (isExposed(scene, element)) yield element;
}

/** Exposed elements that carry a role attribute, in document order. */
export const exposedWithRole = keptForScene((scene): readonly ElementNode[] =>
  scene.page.index.elements.filter((element) => element.attributes.has("role") && isExposed(scene, element)),
);

/** Exposed elements that carry any attribute of ARIA but a role, in document order. */
export const exposedWithAria = keptForScene((scene): readonly ElementNode[] =>
  scene.page.index.elements.filter((element) => {
    if (element.attributes.size === 0) return false;
    for (const name of element.attributes.keys())
      if (name.startsWith("aria-")) return isExposed(scene, element);
    return false;
  }),
);

const byRole = keptForScene((scene): ReadonlyMap<Role, readonly ElementNode[]> => {
  const found = new Map<Role, ElementNode[]>();
  for (const element of scene.page.index.elements) {
    const { role } = scene.role(element);
    if (role === null || role === "generic" || !isExposed(scene, element)) continue;
    const same = found.get(role);
    if (same === undefined) found.set(role, [element]);
    else same.push(element);
  }
  return found;
});

/** Exposed elements with one of the roles (any but generic): those of the first role first. */
export const exposedByRole = (scene: Scene, ...roles: readonly Role[]): readonly ElementNode[] => {
  const [only] = roles;
  return roles.length === 1 && only !== undefined
    ? (byRole(scene).get(only) ?? [])
    : roles.flatMap((role) => byRole(scene).get(role) ?? []);
};

/** Elements at which Tab surely stops, in document order. */
export const sureStops = keptForScene((scene): readonly ElementNode[] =>
  scene.page.index.elements.filter((element) => isTabbable(scene.page, scene.presence, element) === true),
);

/** Elements inside an element, at any depth, in document order. */
export const elementsInside = (scene: Scene, container: ElementNode): Iterable<ElementNode> =>
  elementsBelow(scene.page.index, container);

/** The elements around an element, the nearest first. */
export const elementsAround = (scene: Scene, element: ElementNode): Iterable<ElementNode> =>
  elementsAbove(scene.page.index, element);
