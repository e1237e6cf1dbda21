import type { ElementNode } from "../../document/node.ts";
import { type Facts, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { isTabbable } from "../../rendering/focusable.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { spokenRole } from "../../semantics/heard-line.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { elementsInside, exposedByRole } from "../exposed.ts";

/** Widgets through which the arrow keys move, and what they move to. ARIA Authoring Practices, "keyboard navigation inside components". */
const itemsOf = {
  tablist: ["tab"],
  radiogroup: ["radio"],
  listbox: ["option"],
  menu: ["menuitem", "menuitemcheckbox", "menuitemradio"],
  menubar: ["menuitem", "menuitemcheckbox", "menuitemradio"],
  tree: ["treeitem"],
} as const satisfies Partial<Record<Role, readonly Role[]>>;

type Composite = keyof typeof itemsOf;

function judge(widget: ElementNode, scene: Scene): Verdict {
  const role = scene.role(widget).role as Composite;
  const items: readonly Role[] = itemsOf[role];
  const stops = [...elementsInside(scene, widget)].filter(
    (e) =>
      items.includes(scene.role(e).role as Role) &&
      e.tag !== "input" &&
      e.tag !== "option" &&
      isTabbable(scene.page, scene.presence, e) === true,
  );
  if (stops.length === 0) return inapplicable;
  if (stops.length === 1) return passed;
  const word = spokenRole(role, {}, null);
  return failed(
    `This ${word} is ${stops.length} stops: Tab should reach it once, and the arrow keys move inside.`,
    ask(
      `Give one item tabindex="0" (the chosen one, or the first) and the others tabindex="-1"; let the arrow keys move both.`,
    ),
    { facts: { role, stops: stops.length } },
  );
}

export const oneStopPerWidget = {
  id: "keys.one-stop-per-widget",
  kind: "page",
  restsOnStop: true,
  oddAtStops: ({ role, stops }: Facts) => `one of ${stops} stops in one ${role}`,
  isAboutKeys: true,
  criteria: [],
  severity: "friction",
  means: "A widget with items is one stop; the arrow keys move inside.",
  who: "Someone who uses the keyboard presses Tab once for every tab or menu item to get past.",
  mend: 'Keep tabindex="0" on one item only, and move it with the arrow keys.',
  looksAt: (scene: Scene) => exposedByRole(scene, ...(Object.keys(itemsOf) as Composite[])),
  judge,
  examples: [
    {
      html: `<div role="tablist"><button role="tab" aria-selected="true">Fees</button><button role="tab" aria-selected="false" tabindex="-1">Slips</button></div>`,
      finds: [],
    },
    {
      html: `<fieldset role="radiogroup" aria-label="Side"><input type="radio" name="s" aria-label="Port"><input type="radio" name="s" aria-label="Starboard"></fieldset>`,
      finds: [],
    },
    {
      html: `<div role="tablist"><button role="tab" aria-selected="true">Fees</button><button role="tab" aria-selected="false">Slips</button></div>`,
      finds: [
        [
          "failed",
          `<div role="tablist">`,
          "This tab list is 2 stops: Tab should reach it once, and the arrow keys move inside.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
