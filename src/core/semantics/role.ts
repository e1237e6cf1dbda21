import type { ElementNode } from "../document/node.ts";
import { attributeText, attributeUnknown } from "../document/written.ts";
import { isFocusable } from "../rendering/focusable.ts";
import { hasAuthorName } from "./author-name.ts";
import { nativeRole } from "./native-role.ts";
import type { ComputedRole, Semantics } from "./semantics.ts";
import { type Role, roleRow, roleSynonyms, roles } from "./tables/roles.ts";
import { stateRow } from "./tables/states.ts";

/** A role token as browsers know it; null for an unknown or abstract one. WAI-ARIA 1.2 §8.1. */
export function knownRole(token: string): Role | null {
  const name = roleSynonyms[token] ?? token;
  if (!Object.hasOwn(roles, name)) return null;
  return roleRow(name as Role).abstract === true ? null : (name as Role);
}

/** The tokens of a role attribute, lower case. */
export const roleTokens = (element: ElementNode): readonly string[] =>
  (attributeText(element, "role") ?? "")
    .toLowerCase()
    .split(/\s+/)
    .filter((token) => token !== "");

/** Roles that count only with a name. WAI-ARIA 1.2, `form` and `region`. */
const needNameToCount = new Set<Role>(["form", "region"]);

/** The role of an element: the first usable token of its role attribute, else that of its kind. WAI-ARIA 1.2 §8.1, HTML-AAM 1.0 §3.5. */
export function computeRole(semantics: Semantics, element: ElementNode): ComputedRole {
  const fromElement = nativeRole(semantics, element);
  const { native, because } = fromElement;
  const attribute = element.attributes.get("role");
  if (attribute === undefined)
    return attributeUnknown(element, "role") ? { ...fromElement, certain: false } : fromElement;
  if (typeof attribute.value !== "string")
    return {
      ...fromElement,
      certain: false,
      because: "the role attribute holds a value that source does not give",
    };
  const passed: string[] = [];
  for (const token of roleTokens(element)) {
    const role = knownRole(token);
    if (role === null) {
      passed.push(`"${token}" is no role`);
      continue;
    }
    if (role === "none") {
      const conflict = presentationalConflict(semantics, element, native);
      if (conflict !== null)
        return { ...fromElement, because: `${because}; role="${token}" is ignored because ${conflict}` };
    }
    if (needNameToCount.has(role) && !hasAuthorName(semantics.page.index, element)) {
      passed.push(`role="${token}" counts only with a name`);
      continue;
    }
    const why =
      passed.length === 0
        ? `role="${token}"`
        : `role="${token}", the first that counts: ${passed.join(", ")}`;
    return { role, native, from: "role attribute", because: why, certain: true };
  }
  return passed.length === 0 ? fromElement : { ...fromElement, because: `${because}; ${passed.join(", ")}` };
}

/** What keeps an element in the tree although it asks to be left out. WAI-ARIA 1.2 §8.3, "presentational roles conflict resolution". */
export function presentationalConflict(
  semantics: Semantics,
  element: ElementNode,
  native: Role | null,
): string | null {
  if (isFocusable(semantics.page, semantics.presence, element) === true) return "it takes focus";
  for (const name of element.attributes.keys()) {
    if (!name.startsWith("aria-") || name === "aria-hidden") continue;
    const state = name.slice("aria-".length);
    if (stateRow(state)?.global !== true || attributeText(element, name) === "") continue;
    // A name alone keeps nothing that may not be named.
    if ((state === "label" || state === "labelledby") && native !== null && isNamingProhibited(native))
      continue;
    return `it carries ${name}`;
  }
  return null;
}

export const isNamingProhibited = (role: Role): boolean => roleRow(role).nameFrom.includes("prohibited");
