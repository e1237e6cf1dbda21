import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeTokens } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";
import { handlerText } from "../keys/handlers.ts";

/** Purposes of fields that people must fill in to be let in. HTML §4.10.18.7. */
const loginPurposes = new Set(["username", "current-password", "new-password", "one-time-code"]);

const loginFields = (scene: Scene): readonly ElementNode[] =>
  scene.page.index
    .byTag("input")
    .filter(
      (input) =>
        isExposed(scene, input) &&
        (inputType(input) === "password" ||
          attributeTokens(input, "autocomplete").some((token) => loginPurposes.has(token.toLowerCase()))),
    );

/** Code that does nothing but keep the browser from pasting. */
const refuses =
  /^(?:return\s+false|(?:window\.)?event\.preventDefault\(\)|e\.preventDefault\(\))\s*;?(?:\s*return\s+false\s*;?)?$/;

function judge(input: ElementNode): Verdict {
  const code = handlerText(input, "paste");
  if (code === null) return inapplicable;
  return refuses.test(code)
    ? failed(
        "This field refuses pasting.",
        withChanges("likely", "Take onpaste away.", [removeAttribute(input, "onpaste")]),
        pointingAt(input, "onpaste"),
      )
    : passed;
}

export const pasteAllowed = {
  id: "forms.paste-allowed",
  kind: "page",
  isHeard: false,
  criteria: ["3.3.8"],
  severity: "barrier",
  means: "What one needs to log in can be pasted.",
  who: "Someone who cannot remember or type a long password cannot paste it from where they keep it.",
  mend: "Let the browser paste.",
  looksAt: loginFields,
  judge,
  examples: [
    { html: `<input type="password" aria-label="Word" onpaste="count()">`, finds: [] },
    { html: `<input aria-label="Beam" onpaste="return false">`, finds: [] },
    {
      html: `<input type="password" aria-label="Word" onpaste="return false">`,
      finds: [
        [
          "failed",
          `<input type="password" aria-label="Word" onpaste="return false">`,
          "This field refuses pasting.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
