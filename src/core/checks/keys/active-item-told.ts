import type { ElementNode } from "../../document/node.ts";
import { attributeTokens } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { isFocusable } from "../../rendering/focusable.ts";
import { setAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { exposedWithAria } from "../exposed.ts";

function judge(element: ElementNode, scene: Scene): Verdict {
  if (attributeTokens(element, "aria-activedescendant").length === 0) return inapplicable;
  if (element.tag.includes("-") || isFocusable(scene.page, scene.presence, element) !== false) return passed;
  return failed(
    "This says which of its items is the active one, but takes no focus itself: nobody is told.",
    withChanges("likely", 'Add tabindex="0": the element that has focus says which item is active.', [
      setAttribute(element, "tabindex", "0"),
    ]),
    pointingAt(element, "aria-activedescendant"),
  );
}

export const activeItemTold = {
  id: "keys.active-item-told",
  kind: "page",
  isAboutKeys: true,
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "What names its active item with aria-activedescendant takes focus itself.",
  who: "Someone using a screen reader moves through the items and hears nothing.",
  mend: 'Put aria-activedescendant on the element that has focus, or give that element tabindex="0".',
  looksAt: exposedWithAria,
  judge,
  examples: [
    {
      html: `<ul role="listbox" aria-label="Boats" tabindex="0" aria-activedescendant="a"><li role="option" id="a" aria-selected="true">Petrel</li></ul>`,
      finds: [],
    },
    {
      html: `<input role="combobox" aria-label="Boat" aria-expanded="false" aria-activedescendant="">`,
      finds: [],
    },
    {
      html: `<ul role="listbox" aria-label="Boats" aria-activedescendant="a"><li role="option" id="a" aria-selected="true">Petrel</li></ul>`,
      finds: [
        [
          "failed",
          `<ul role="listbox" aria-label="Boats" aria-activedescendant="a">`,
          "This says which of its items is the active one, but takes no focus itself: nobody is told.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
