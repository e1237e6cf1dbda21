import type { ElementNode } from "../../document/node.ts";
import { cantTell, failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { isFocusable } from "../../rendering/focusable.ts";
import { removeAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { changesContext, handlerText, isConditional, withHandlers } from "./handlers.ts";

function judge(element: ElementNode, scene: Scene): Verdict {
  const event = ["focus", "focusin"].find((e) => handlerText(element, e) !== null);
  if (event === undefined || isFocusable(scene.page, scene.presence, element) === false) return inapplicable;
  const code = handlerText(element, event) ?? "";
  const details = { facts: { handler: code }, ...pointingAt(element, `on${event}`) };
  if (/\bthis\.blur\s*\(/.test(code) && !isConditional(code))
    return failed(
      "This gives focus away as soon as it has it: no key can use it.",
      withChanges("likely", "Take this.blur() away; style :focus if the mark is unwanted.", [
        removeAttribute(element, `on${event}`),
      ]),
      { ...details, criteria: ["3.2.1"] },
    );
  if (!changesContext.test(code)) return passed;
  const repair = ask("Do it when the element is activated, not when it is reached.");
  return isConditional(code)
    ? cantTell(
        "Coming here may leave the page or send the form. Does it, before anything is pressed?",
        repair,
        details,
      )
    : failed(
        "Only coming here leaves the page or sends the form, before anything is pressed.",
        repair,
        details,
      );
}

export const noSurpriseOnFocus = {
  id: "keys.no-surprise-on-focus",
  kind: "page",
  isAboutKeys: true,
  criteria: ["3.2.1"],
  severity: "barrier",
  means: "Focus alone changes no context.",
  who: "Someone who goes through the page by keyboard is thrown out of it on the way to somewhere else.",
  mend: "Wait until the element is activated.",
  looksAt: withHandlers,
  judge,
  examples: [
    { html: `<a href="x" onfocus="show('hint')">Fees</a>`, finds: [] },
    { html: `<a href="x" onclick="location = 'y'">Fees</a>`, finds: [] },
    {
      html: `<a href="x" onfocus="location.href = 'fees.html'">Fees</a>`,
      finds: [
        [
          "failed",
          `<a href="x" onfocus="location.href = 'fees.html'">`,
          "Only coming here leaves the page or sends the form, before anything is pressed.",
        ],
      ],
    },
    {
      html: `<button onfocus="this.blur()">Fees</button>`,
      finds: [
        [
          "failed",
          `<button onfocus="this.blur()">`,
          "This gives focus away as soon as it has it: no key can use it.",
        ],
      ],
    },
    {
      html: `<input aria-label="Boat" onfocus="window.open('boats.html')">`,
      finds: [
        [
          "failed",
          `<input aria-label="Boat" onfocus="window.open('boats.html')">`,
          "Only coming here leaves the page or sends the form, before anything is pressed.",
        ],
      ],
    },
    {
      html: `<a href="x" onfocus="if (ready) location.href = 'fees.html'">Fees</a>`,
      finds: [
        [
          "cantTell",
          `<a href="x" onfocus="if (ready) location.href = 'fees.html'">`,
          "Coming here may leave the page or send the form. Does it, before anything is pressed?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
