import { NO } from "../../css/certainty.ts";
import { inputType } from "../../document/form-controls.ts";
import { nearestWord } from "../../document/nearest-word.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { autofillNames, isWrongForType, wrongAutofillToken } from "../../standards/autofill.ts";
import type { PageCheck } from "../check.ts";
import { isInactive } from "../contrast/judge-text.ts";

const fields = (scene: Scene): readonly ElementNode[] =>
  ["input", "select", "textarea"]
    .flatMap((tag) => scene.page.index.byTag(tag))
    .filter(
      (field) =>
        field.attributes.has("autocomplete") &&
        scene.presence.of(field).visible !== NO &&
        !(
          field.tag === "input" &&
          /^(?:hidden|button|submit|reset|checkbox|radio|image|file)$/.test(inputType(field))
        ),
    );

function judge(field: ElementNode, scene: Scene): Verdict {
  const value = attributeText(field, "autocomplete");
  if (value === null || isInactive(scene, field)) return inapplicable;
  const wrong = wrongAutofillToken(value);
  if (field.tag === "input" && wrong === null && isWrongForType(value, inputType(field)))
    return failed(
      `autocomplete="${value}" is not what type="${inputType(field)}" holds: browsers fill in the wrong thing, or nothing.`,
      ask("Let type and autocomplete say the same of what belongs in the field."),
      { facts: { autocomplete: value }, ...pointingAt(field, "autocomplete") },
    );
  if (wrong === null) return passed;
  // Words made up to keep browsers from filling in say nothing about the user.
  if (/^(?:none|nope|no|false|true|disabled|new|random|chrome-off|nofill|do-not-autofill)$/.test(wrong))
    return inapplicable;
  const tokens = value.trim().split(/\s+/);
  const cleaned = tokens.map((token) => token.replace(/[^a-z0-9-]/gi, "").toLowerCase()).join(" ");
  const near = nearestWord(wrong, autofillNames);
  const meant =
    wrongAutofillToken(cleaned) === null
      ? cleaned
      : near === null
        ? null
        : tokens.map((token) => (token.toLowerCase() === wrong ? near : token)).join(" ");
  const isFixed = meant !== null && wrongAutofillToken(meant) === null;
  return failed(
    `"${wrong}" says nothing in autocomplete here: no browser can tell what belongs in the field.`,
    isFixed && meant !== null
      ? withChanges("likely", `Write autocomplete="${meant}".`, [setAttribute(field, "autocomplete", meant)])
      : ask("Use the words of the HTML standard: name, email, tel, street-address, postal-code …"),
    {
      facts: { autocomplete: value },
      ...pointingAt(field, "autocomplete"),
    },
  );
}

export const purposeTold = {
  id: "forms.purpose-told",
  kind: "page",
  criteria: ["1.3.5"],
  severity: "barrier",
  means: "What autocomplete says of a field is a purpose that browsers know.",
  who: "Someone who types with difficulty, or forgets, does not get the field filled in; tools that show symbols for fields show none.",
  mend: "Write one of the purposes of the HTML standard.",
  looksAt: fields,
  judge,
  examples: [
    { html: `<input aria-label="Name" autocomplete="name">`, finds: [] },
    { html: `<input aria-label="Phone" autocomplete="section-a billing home tel">`, finds: [] },
    { html: `<input aria-label="x" autocomplete="off">`, finds: [] },
    { html: `<input aria-label="x" autocomplete="">`, finds: [] },
    {
      html: `<input aria-label="Name" autocomplete="billing, name">`,
      finds: [
        [
          "failed",
          `<input aria-label="Name" autocomplete="billing, name">`,
          `"billing," says nothing in autocomplete here: no browser can tell what belongs in the field.`,
        ],
      ],
    },
    {
      html: `<input aria-label="Mail" autocomplete="e-mail">`,
      finds: [
        [
          "failed",
          `<input aria-label="Mail" autocomplete="e-mail">`,
          `"e-mail" says nothing in autocomplete here: no browser can tell what belongs in the field.`,
        ],
      ],
    },
    {
      html: `<input aria-label="Name" autocomplete="home name">`,
      finds: [
        [
          "failed",
          `<input aria-label="Name" autocomplete="home name">`,
          `"name" says nothing in autocomplete here: no browser can tell what belongs in the field.`,
        ],
      ],
    },
    { html: `<input type="tel" aria-label="Phone" autocomplete="home tel">`, finds: [] },
    { html: `<input type="email" aria-label="User" autocomplete="username">`, finds: [] },
    {
      html: `<input type="email" aria-label="E-mail" autocomplete="tel">`,
      finds: [
        [
          "failed",
          `<input type="email" aria-label="E-mail" autocomplete="tel">`,
          `autocomplete="tel" is not what type="email" holds: browsers fill in the wrong thing, or nothing.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
