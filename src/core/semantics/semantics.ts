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

/** What has been worked out of one element so far. */
interface Known {
  role: ComputedRole | null;
  name: AccessibleName | null;
  description: Description | null;
  states: States | null;
}

export function semanticsOf(page: Page): Semantics {
  const known = new Map<ElementNode, Known>();
  const of = (element: ElementNode): Known => {
    let facts = known.get(element);
    if (facts === undefined) {
      facts = { role: null, name: null, description: null, states: null };
      known.set(element, facts);
    }
    return facts;
  };
  const semantics: Semantics = {
    page,
    presence: presenceOf(page),
    role(element) {
      const facts = of(element);
      facts.role ??= computeRole(semantics, element);
      return facts.role;
    },
    name(element) {
      const facts = of(element);
      facts.name ??= computeName(semantics, element);
      return facts.name;
    },
    description(element) {
      const facts = of(element);
      facts.description ??= computeDescription(semantics, element);
      return facts.description;
    },
    states(element) {
      const facts = of(element);
      facts.states ??= computeStates(semantics, element);
      return facts.states;
    },
  };
  return semantics;
}
