import type { ElementNode } from "../../document/node.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { roleTokens } from "../../semantics/role.ts";
import type { PageCheck } from "../check.ts";
import { exposedWithRole } from "../exposed.ts";

/** Said on purpose: styles take these roles away in some browsers. */
const mayBeLost = /^(?:ul|ol|table|tr|td|th|thead|tbody|tfoot|caption|dl)$/;

function judge(element: ElementNode, scene: Scene): Verdict {
  const { role, native, from } = scene.role(element);
  if (element.namespace !== "html" || from !== "role attribute" || role === null) return inapplicable;
  // With another tag the role is wanted.
  if (element.isTagGiven === true) return passed;
  // Whether a link has an address may be left to who uses it.
  if (element.tag === "a" && !element.attributes.has("href")) return passed;
  if (role !== native || role === "generic" || mayBeLost.test(element.tag) || roleTokens(element).length > 1)
    return passed;
  return failed(
    `A <${element.tag}> has the role ${role} by itself.`,
    withChanges("safe", `Take role="${role}" away.`, [removeAttribute(element, "role")]),
    { facts: { role }, ...pointingAt(element, "role") },
  );
}

export const notRepeated = {
  id: "roles.not-repeated",
  kind: "page",
  isForItsAuthor: true,
  criteria: [],
  severity: "friction",
  means: "No role is given that the element has by itself.",
  who: "Nobody is shut out; the next person to read the code wonders what the role is for, and keeps it when the element changes.",
  mend: "Take the role away.",
  looksAt: exposedWithRole,
  judge,
  examples: [
    { html: `<div role="navigation"></div>`, finds: [], others: 1 },
    { html: `<ul role="list"><li>One</li></ul>`, finds: [] },
    { html: `<button role="switch" aria-checked="true">Light</button>`, finds: [] },
    {
      html: `<nav role="navigation"></nav>`,
      finds: [["failed", `<nav role="navigation">`, "A <nav> has the role navigation by itself."]],
    },
    {
      html: `<button role="button">Book</button>`,
      finds: [["failed", `<button role="button">`, "A <button> has the role button by itself."]],
    },
  ],
} as const satisfies PageCheck;
