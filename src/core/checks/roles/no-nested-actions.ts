import type { ElementNode } from "../../document/node.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { isTabbable } from "../../rendering/focusable.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { spokenRole } from "../../semantics/heard-line.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { isExposed, sureStops } from "../exposed.ts";

/** Things to press, which may hold nothing else to press. */
const actions = new Set<Role>([
  "button",
  "link",
  "checkbox",
  "radio",
  "switch",
  "tab",
  "option",
  "menuitem",
  "menuitemcheckbox",
  "menuitemradio",
]);

/** Whether it is there to be pressed. */
export function isAction(scene: Scene, element: ElementNode): boolean {
  const { role } = scene.role(element);
  return role !== null && actions.has(role);
}

function judge(stop: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  const { role } = scene.role(stop);
  if (role === null || !actions.has(role) || !isExposed(scene, stop)) return inapplicable;
  for (let up = index.flatParent(stop); up !== null; up = index.flatParent(up)) {
    const outer = scene.role(up).role;
    if (outer === null || !actions.has(outer)) continue;
    // Items of composite widgets may hold controls while the widget manages focus.
    if (isTabbable(scene.page, scene.presence, up) !== true || up.tag === "summary") continue;
    return failed(
      `This ${spokenRole(role, {}, null)} is inside a ${spokenRole(outer, {}, null)}${scene.name(up).text === "" ? "" : ` ("${scene.name(up).text}")`}: two things to press in one.`,
      ask("Put them side by side, or leave one of them out."),
      { facts: { inside: outer } },
    );
  }
  return passed;
}

export const noNestedActions = {
  id: "roles.no-nested-actions",
  kind: "page",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "Nothing that can be pressed is inside something else that can be pressed.",
  who: "Someone using a screen reader is told of the outer one alone, or of a name run together; which of the two answers a key is chance.",
  mend: "Put the two side by side.",
  looksAt: sureStops,
  judge,
  examples: [
    { html: `<button>Haul <b>out</b></button>`, finds: [] },
    { html: `<label>Winch <input type="checkbox"></label>`, finds: [] },
    { html: `<li><a href="x">Slip 4</a> <button>Book</button></li>`, finds: [] },
    { html: `<details><summary>Fees <a href="x">2031</a></summary></details>`, finds: [] },
    {
      html: `<button>Book <a href="x">slip 4</a></button>`,
      finds: [
        [
          "failed",
          `<a href="x">`,
          `This link is inside a button ("Book slip 4"): two things to press in one.`,
        ],
      ],
    },
    {
      html: `<a href="x">Slip 4 <button>Book</button></a>`,
      finds: [
        ["failed", "<button>", `This button is inside a link ("Slip 4 Book"): two things to press in one.`],
      ],
    },
    {
      html: `<div role="button" tabindex="0">Slip 4 <a href="x">more</a></div>`,
      finds: [
        [
          "failed",
          `<a href="x">`,
          `This link is inside a button ("Slip 4 more"): two things to press in one.`,
        ],
      ],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
