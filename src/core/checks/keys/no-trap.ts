import type { ElementNode } from "../../document/node.ts";
import { cantTell, failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { isTabbable } from "../../rendering/focusable.ts";
import { removeAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { handlerText, isConditional, withHandlers } from "./handlers.ts";

const takesFocusBack = /\bthis\.(?:focus|select)\s*\(|\.focus\s*\(/;
const dropsEveryKey =
  /^(?:return\s+false|(?:window\.)?event\.preventDefault\(\)|event\.returnValue\s*=\s*false)\s*;?$/;

function judge(element: ElementNode, scene: Scene): Verdict {
  if (isTabbable(scene.page, scene.presence, element) === false) return inapplicable;
  for (const event of ["blur", "focusout"]) {
    const code = handlerText(element, event);
    if (code === null || !takesFocusBack.test(code)) continue;
    const details = { facts: { handler: code }, ...pointingAt(element, `on${event}`) };
    const isSelf = /\bthis\.(?:focus|select)\s*\(/.test(code);
    const summary = "Say beside the field what is wrong with it, and let people leave it.";
    // A handler that does nothing else is the trap itself.
    const isAll = /^this\.(?:focus|select)\(\)\s*;?$/.test(code);
    const repair = isAll
      ? withChanges("likely", summary, [removeAttribute(element, `on${event}`)])
      : ask(summary);
    return isSelf && !isConditional(code)
      ? failed(
          "Leaving this brings focus straight back to it: there is no way out by keyboard.",
          repair,
          details,
        )
      : cantTell(
          "Leaving this may move focus back. Can people get out by keyboard in every case?",
          repair,
          details,
        );
  }
  const code = handlerText(element, "keydown");
  if (code === null) return passed;
  const details = { facts: { handler: code }, ...pointingAt(element, "onkeydown") };
  if (dropsEveryKey.test(code))
    return failed(
      "Every key is swallowed here, Tab too: there is no way out by keyboard.",
      withChanges("likely", "Let Tab and Escape pass; stop only the keys that are used.", [
        removeAttribute(element, "onkeydown"),
      ]),
      details,
    );
  return passed;
}

export const noTrap = {
  id: "keys.no-trap",
  kind: "page",
  isAboutKeys: true,
  criteria: ["2.1.2"],
  severity: "blocker",
  means: "Focus can leave again by keyboard.",
  who: "Someone who uses the keyboard is caught: everything after this cannot be reached, and the page must be closed.",
  mend: "Do not move focus back when it leaves, and let Tab pass.",
  looksAt: withHandlers,
  judge,
  examples: [
    { html: `<input aria-label="Berth" onblur="check(this)">`, finds: [] },
    { html: `<input aria-label="Berth" onkeydown="if (event.key === 'Enter') return false">`, finds: [] },
    { html: `<p onblur="this.focus()">Slip 4</p>`, finds: [] },
    {
      html: `<input aria-label="Berth" onblur="this.focus()">`,
      finds: [
        [
          "failed",
          `<input aria-label="Berth" onblur="this.focus()">`,
          "Leaving this brings focus straight back to it: there is no way out by keyboard.",
        ],
      ],
    },
    {
      html: `<button onkeydown="return false">Book</button>`,
      finds: [
        [
          "failed",
          `<button onkeydown="return false">`,
          "Every key is swallowed here, Tab too: there is no way out by keyboard.",
        ],
      ],
    },
    {
      html: `<input aria-label="Berth" onblur="if (!valid(this)) this.focus()">`,
      finds: [
        [
          "cantTell",
          `<input aria-label="Berth" onblur="if (!valid(this)) this.focus()">`,
          "Leaving this may move focus back. Can people get out by keyboard in every case?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
