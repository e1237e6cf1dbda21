import type { ElementNode } from "../document/node.ts";
import type { Page } from "../rendering/page.ts";
import { presenceOf } from "../rendering/presence.ts";
import { computeDescription } from "./description.ts";
import { computeName } from "./name.ts";
import { computeRole } from "./role.ts";
import type { AccessibleName, ComputedRole, Description, Semantics, States } from "./semantics.ts";
import { computeStates } from "./states.ts";

/** What has been worked out of one element so far. */
interface Known {
  role: ComputedRole | null;
  name: AccessibleName | null;
  description: Description | null;
  states: States | null;
}

/** What assistive technology is told of the elements of a page. */
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
