import type { ElementNode } from "../document/node.ts";
import type { Page } from "../rendering/page.ts";
import { type PresenceMap, presenceOf } from "../rendering/presence.ts";
import { computeDescription, type Description } from "./description.ts";
import { type AccessibleName, computeName } from "./name.ts";
import { type ComputedRole, computeRole } from "./role.ts";
import { computeStates, type States } from "./states.ts";

/** What assistive technology is told of each element, worked out when asked and kept for the page. */
export interface Semantics {
  readonly page: Page;
  readonly presence: PresenceMap;
  role(element: ElementNode): ComputedRole;
  name(element: ElementNode): AccessibleName;
  description(element: ElementNode): Description;
  states(element: ElementNode): States;
}

export function semanticsOf(page: Page): Semantics {
  const roles = new Map<ElementNode, ComputedRole>();
  const names = new Map<ElementNode, AccessibleName>();
  const descriptions = new Map<ElementNode, Description>();
  const states = new Map<ElementNode, States>();
  const kept =
    <T>(map: Map<ElementNode, T>, compute: (semantics: Semantics, element: ElementNode) => T) =>
    (element: ElementNode): T => {
      let value = map.get(element);
      if (value === undefined) {
        value = compute(semantics, element);
        map.set(element, value);
      }
      return value;
    };
  const semantics: Semantics = {
    page,
    presence: presenceOf(page),
    role: kept(roles, computeRole),
    name: kept(names, computeName),
    description: kept(descriptions, computeDescription),
    states: kept(states, computeStates),
  };
  return semantics;
}
