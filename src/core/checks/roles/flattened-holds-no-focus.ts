import type { ElementNode } from "../../document/node.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { isFocusable, isTabbable } from "../../rendering/focusable.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { spokenRole } from "../../semantics/heard-line.ts";
import { roleRow } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, isExposed, sureStops } from "../exposed.ts";
import { isAction } from "./no-nested-actions.ts";

function judge(stop: ElementNode, scene: Scene): Verdict {
  if (!isExposed(scene, stop)) return inapplicable;
  for (const up of elementsAround(scene, stop)) {
    const { role } = scene.role(up);
    if (role === null) continue;
    const row = roleRow(role);
    if (row.childrenPresentational !== true || row.doubtful?.includes("childrenPresentational") === true)
      continue;
    // Two things to press in one is told as that.
    if (isAction(scene, stop) && isAction(scene, up) && isTabbable(scene.page, scene.presence, up) === true)
      return inapplicable;
    // A native text field inside a widget of one's own is its working part.
    if (stop.tag === "input" && isFocusable(scene.page, scene.presence, up) === false) return inapplicable;
    return failed(
      `Tab stops here, but what is in a ${spokenRole(role, {}, null)} is told as plain text: nobody hears that this is here.`,
      ask(`Take it out of the element with role ${role}, or take that role away.`),
      { facts: { inside: role } },
    );
  }
  return passed;
}

export const flattenedHoldsNoFocus = {
  id: "roles.flattened-holds-no-focus",
  kind: "page",
  isAboutKeys: true,
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "Roles that are told as one piece hold nothing that takes focus.",
  who: "Someone using a screen reader comes to a place of which they are told nothing.",
  mend: "Put what can be reached beside the picture, tab or gauge, not inside.",
  looksAt: sureStops,
  judge,
  examples: [
    { html: `<div role="img" aria-label="The yard"><span>x</span></div>`, finds: [] },
    { html: `<div role="group" aria-label="The yard"><a href="x">Slips</a></div>`, finds: [] },
    {
      html: `<div role="img" aria-label="The yard"><a href="x">Slips</a></div>`,
      finds: [
        [
          "failed",
          `<a href="x">`,
          "Tab stops here, but what is in a image is told as plain text: nobody hears that this is here.",
        ],
      ],
    },
    {
      html: `<div role="tablist"><div role="tab" tabindex="-1" aria-selected="true">Fees <a href="x">close</a></div></div>`,
      finds: [
        [
          "failed",
          `<a href="x">`,
          "Tab stops here, but what is in a tab is told as plain text: nobody hears that this is here.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
