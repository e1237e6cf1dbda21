import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { focusCause } from "../../rendering/focusable.ts";
import { setAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { knownRole, roleTokens } from "../../semantics/role.ts";
import type { PageCheck } from "../check.ts";
import { elementsInside, isExposed } from "../exposed.ts";
import { isAlive, scriptsMay } from "../scripts.ts";
import { holdsUnknownContent } from "../shown-name.ts";

const isDialog = (element: ElementNode): boolean => {
  const role = roleTokens(element)
    .map(knownRole)
    .find((known) => known !== null);
  return role === "dialog" || role === "alertdialog";
};

/** Dialogs made of other elements: a native one takes focus itself. */
const dialogs = (scene: Scene): readonly ElementNode[] =>
  scene.page.index.elements.filter(
    (element) => element.tag !== "dialog" && element.attributes.has("role") && isDialog(element),
  );

function judge(dialog: ElementNode, scene: Scene): Verdict {
  if (textContent(dialog) === "" || holdsUnknownContent(scene, dialog) !== null) return inapplicable;
  const canTake = [dialog, ...elementsInside(scene, dialog)].some(
    (element) => focusCause(scene.page.index, element) !== null,
  );
  if (canTake) return passed;
  const repair = withChanges(
    "likely",
    'Give the dialog tabindex="-1" and a button that closes it, and move focus into it when it opens.',
    [setAttribute(dialog, "tabindex", "-1")],
  );
  return isExposed(scene, dialog) && isAlive(scene) && !scriptsMay(scene, /focus|tabindex/i)
    ? failed("Nothing in this dialog can take focus, and neither can the dialog itself.", repair)
    : cantTell(
        "Nothing in this dialog can take focus, and neither can the dialog itself. Does a script see to that before it opens?",
        repair,
      );
}

export const dialogTakesFocus = {
  id: "keys.dialog-takes-focus",
  kind: "page",
  isAboutKeys: true,
  criteria: ["2.4.3"],
  severity: "blocker",
  means: "A dialog can take focus, as a whole or in something it holds.",
  who: "Someone using a screen reader or the keyboard is left behind the dialog, and does not learn that it is open.",
  mend: 'Use <dialog>, or give it tabindex="-1" and a button; and move focus into it when it opens.',
  looksAt: dialogs,
  judge,
  examples: [
    { html: `<div role="dialog" aria-label="Book"><button>Close</button></div>`, finds: [] },
    { html: `<div role="dialog" aria-label="Book" tabindex="-1">Really?</div>`, finds: [] },
    { html: `<dialog open>Really?</dialog>`, finds: [], others: 1 },
    {
      html: `<!doctype html><title>t</title><button onclick="book()">Book</button><div role="dialog" aria-label="Book"><p>Slip 4 is booked.</p></div>`,
      finds: [
        [
          "failed",
          `<div role="dialog" aria-label="Book">`,
          "Nothing in this dialog can take focus, and neither can the dialog itself.",
        ],
      ],
      others: 2,
    },
    {
      html: `<div role="dialog" aria-label="Book"><p>Slip 4 is booked.</p></div>`,
      finds: [
        [
          "cantTell",
          `<div role="dialog" aria-label="Book">`,
          "Nothing in this dialog can take focus, and neither can the dialog itself. Does a script see to that before it opens?",
        ],
      ],
    },
    {
      html: `<div role="dialog" aria-label="Book" hidden><p>Slip 4 is booked.</p></div>`,
      finds: [
        [
          "cantTell",
          `<div role="dialog" aria-label="Book" hidden>`,
          "Nothing in this dialog can take focus, and neither can the dialog itself. Does a script see to that before it opens?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
