import { firstOf } from "../../document/around.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeTokens } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { isFocusable } from "../../rendering/focusable.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { isNamingProhibited } from "../../semantics/role.ts";
import { roleRow } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, exposedWithAria } from "../exposed.ts";
import { visibleText } from "../visible-text.ts";

function judge(element: ElementNode, scene: Scene): Verdict {
  const label = attributeText(element, "aria-label")?.trim() ?? "";
  const refers = attributeTokens(element, "aria-labelledby").length > 0;
  if (label === "" && !refers) return inapplicable;
  const { role, certain } = scene.role(element);
  // Elements of one's own making may have a role that source does not show.
  if (!certain || element.tag.includes("-") || element.namespace !== "html") return inapplicable;
  if (role === null || !isNamingProhibited(role) || role === "none") return passed;
  if (roleRow(role).doubtful?.includes("nameFrom") === true) return passed;
  if (isFocusable(scene.page, scene.presence, element) !== false) return inapplicable;
  const seen = visibleText(scene, element);
  if (seen === null) return inapplicable;
  // Nothing is lost where the text itself says it.
  if (label !== "" && seen.toLowerCase().includes(label.toLowerCase())) return passed;
  if (refers) return inapplicable;
  if (isPartOfName(scene, element, label)) return passed;
  const attribute = "aria-label";
  const what = role === "generic" ? `<${element.tag}> without a role` : `role ${role}`;
  return failed(
    `"${label}" is told to hardly anyone: a ${what} takes no name.`,
    ask(
      seen === ""
        ? `Give it a role that takes a name (role="img" for an icon, role="group" for controls), or write the words as text.`
        : `Write the words as text (hidden only from view if need be), or give it a role that takes a name, such as role="group".`,
    ),
    { facts: { role, name: label }, ...pointingAt(element, attribute) },
  );
}

/** Whether something around it takes its own name from what it holds, this included. AccName 1.2 §4.3.2, 2C and 2F. */
const isPartOfName = (scene: Scene, element: ElementNode, label: string): boolean =>
  firstOf(elementsAround(scene, element), (up) => {
    const name = scene.name(up);
    return name.from === "contents" && name.text.includes(label);
  }) !== null;

export const takesAName = {
  id: "names.takes-a-name",
  kind: "page",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "A name is given only to an element whose role takes one.",
  who: "Someone using a screen reader does not hear the name, or hears it in one program and not in the other.",
  mend: "Give the element a role that takes a name, or write the name as text.",
  looksAt: exposedWithAria,
  judge,
  examples: [
    { html: `<nav aria-label="Yard"></nav>`, finds: [] },
    { html: `<div role="group" aria-label="Sizes"><button>S</button></div>`, finds: [] },
    { html: `<section aria-label="Fees">By the metre.</section>`, finds: [] },
    { html: `<p aria-label="Fees">Fees by the metre</p>`, finds: [] },
    { html: `<div role="img" aria-label="Low tide"></div>`, finds: [] },
    { html: `<yard-map aria-label="The yard"></yard-map>`, finds: [] },
    { html: `<button><span aria-label="Next slip" class="icon"></span></button>`, finds: [] },
    {
      html: `<div aria-label="3 of 5 stars">★★★☆☆</div>`,
      finds: [
        [
          "failed",
          `<div aria-label="3 of 5 stars">`,
          `"3 of 5 stars" is told to hardly anyone: a <div> without a role takes no name.`,
        ],
      ],
    },
    {
      html: `<span aria-label="Low tide" class="icon"></span>`,
      finds: [
        [
          "failed",
          `<span aria-label="Low tide" class="icon">`,
          `"Low tide" is told to hardly anyone: a <span> without a role takes no name.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
