import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeToken, hasAttribute } from "../../document/written.ts";
import { cantTell, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, isExposed } from "../exposed.ts";
import { speakable } from "../shown-name.ts";

const marked = /\*|\b(?:required|mandatory|compulsory|must be filled)\b/i;
const optional = /\boptional\b/i;

const fields = keptForScene((scene): readonly ElementNode[] =>
  ["input", "select", "textarea"]
    .flatMap((tag) => scene.page.index.byTag(tag))
    .filter(
      (field) =>
        isExposed(scene, field) &&
        !(
          field.tag === "input" && /^(?:hidden|button|submit|reset|image|range|color)$/.test(inputType(field))
        ),
    ),
);

const isRequired = (field: ElementNode): boolean =>
  hasAttribute(field, "required") || attributeToken(field, "aria-required") === "true";

function judge(field: ElementNode, scene: Scene): Verdict {
  const name = speakable(scene.name(field).text);
  const words = `${name} ${scene.description(field).text} ${scene.page.index.labels(field).map(textContent).join(" ")}`;
  const required = isRequired(field);
  const source = pointingAt(field);
  if (!required) {
    if (!marked.test(words) || optional.test(words)) return inapplicable;
    // The words are there to be read and heard; the state helps beside them.
    return /\b(?:required|mandatory)\b/i.test(words)
      ? passed
      : cantTell(
          `The label "${name}" carries a star. If that means required, does anything but the star say so?`,
          withChanges("likely", "Add required.", [setAttribute(field, "required", "")]),
          source,
        );
  }
  if (marked.test(words) || /^(?:radio|checkbox)$/.test(inputType(field))) return passed;
  const form = [...elementsAround(scene, field)].find((up) => up.tag === "form");
  // A form that says it once, or marks what is optional, has told.
  if (
    form !== undefined &&
    /\ball\b[^.]{0,40}\b(?:required|mandatory)\b|\boptional\b|\bmust be filled\b/i.test(textContent(form))
  )
    return passed;
  if (
    form !== undefined &&
    fields(scene).filter((other) => [...elementsAround(scene, other)].includes(form)).length < 3
  )
    return passed;
  return cantTell(
    `${name === "" ? "This field" : `"${name}"`} must be filled in. Does one see that before sending the form?`,
    ask('Say so in the label: "(required)", or a star that is explained above the form.'),
    { ...source, cause: { kind: "required fields that do not say so", of: [] } },
  );
}

export const requiredTold = {
  id: "forms.required-told",
  kind: "page",
  criteria: ["3.3.2"],
  severity: "barrier",
  means: "Fields that must be filled in say so, in words and in their state.",
  who: "Someone fills in the form, is sent back, and must look for what was missing.",
  mend: 'Write "(required)" into the label and required on the field.',
  looksAt: fields,
  judge,
  examples: [
    { html: `<label>Boat (required) <input required></label>`, finds: [] },
    { html: `<label>Boat <input></label>`, finds: [] },
    {
      html: `<form><p>All fields are required.</p><label>A <input required></label><label>B <input required></label><label>C <input required></label></form>`,
      finds: [],
    },
    { html: `<form><input type="search" aria-label="Search" required></form>`, finds: [] },
    {
      html: `<label>Boat * <input></label>`,
      finds: [
        [
          "cantTell",
          "<input>",
          `The label "Boat *" carries a star. If that means required, does anything but the star say so?`,
        ],
      ],
    },
    {
      html: `<form><label>A <input required></label><label>B <input></label><label>C <input></label></form>`,
      finds: [
        ["cantTell", "<input required>", `"A" must be filled in. Does one see that before sending the form?`],
      ],
    },
  ],
} as const satisfies PageCheck;
