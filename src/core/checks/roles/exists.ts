import { nearestWord } from "../../document/nearest-word.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute, setAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { knownRole, roleTokens } from "../../semantics/role.ts";
import { roleRow, roleSynonyms, roles } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";

const concrete = Object.keys(roles)
  .filter((name) => roleRow(name as keyof typeof roles).abstract !== true)
  .concat(Object.keys(roleSynonyms));

function judge(element: ElementNode, scene: Scene): Verdict {
  const tokens = roleTokens(element);
  if (tokens.length === 0) return inapplicable;
  if (tokens.some((token) => knownRole(token) !== null)) return passed;
  const details = { facts: { role: tokens.join(" ") }, ...pointingAt(element, "role") };
  const [first = ""] = tokens;
  const heard = scene.role(element).role ?? "no role";
  if (Object.hasOwn(roles, first)) {
    return failed(
      `"${first}" is an abstract role: it orders the other roles and may not be used. Browsers tell this as ${heard}.`,
      withChanges("likely", "Take the role away, or use the role that says what it is.", [
        removeAttribute(element, "role"),
      ]),
      details,
    );
  }
  const near = nearestWord(first, concrete);
  return failed(
    `There is no role "${first}". Browsers tell this as ${heard}.`,
    near === null
      ? withChanges("likely", "Take the role away, or use one that exists.", [
          removeAttribute(element, "role"),
        ])
      : withChanges("likely", `Probably "${near}" is meant.`, [setAttribute(element, "role", near)]),
    details,
  );
}

export const rolesExist = {
  id: "roles.exists",
  kind: "page",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "Role values are roles of WAI-ARIA, and not abstract ones.",
  who: "Someone using assistive technology is told nothing of what the element is meant to be: the browser drops the role.",
  mend: "Use a role that exists, or the native element that already has it.",
  looksAt: (scene: Scene) =>
    scene.page.index.elements.filter(
      (element) => attributeText(element, "role") !== null && isExposed(scene, element),
    ),
  judge,
  examples: [
    { html: `<div role="button" tabindex="0">Haul</div>`, finds: [], others: 1 },
    { html: `<div role="meteor meter" aria-valuenow="3">3</div>`, finds: [], others: 1 },
    { html: `<section role="doc-chapter">One</section>`, finds: [] },
    { html: `<p role="">x</p>`, finds: [] },
    { html: `<span role="img" aria-label="flag">⚑</span>`, finds: [] },
    {
      html: `<div role="buton" tabindex="0">Haul</div>`,
      finds: [
        [
          "failed",
          `<div role="buton" tabindex="0">`,
          `There is no role "buton". Browsers tell this as generic.`,
        ],
      ],
    },
    {
      html: `<div role="widget">x</div>`,
      finds: [
        [
          "failed",
          `<div role="widget">`,
          `"widget" is an abstract role: it orders the other roles and may not be used. Browsers tell this as generic.`,
        ],
      ],
    },
    {
      html: `<ul role="lists"><li>a</li></ul>`,
      finds: [["failed", `<ul role="lists">`, `There is no role "lists". Browsers tell this as list.`]],
    },
  ],
} as const satisfies PageCheck;
