import { referencedElements } from "../../document/document-index.ts";
import type { ElementNode } from "../../document/node.ts";
import { shortened } from "../../document/shortened.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText, attributeToken } from "../../document/written.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsInside, exposedWithAria, isShown } from "../exposed.ts";
import { idOf } from "../names/label-edits.ts";

const invalid = (scene: Scene): readonly ElementNode[] =>
  exposedWithAria(scene).filter((element) => {
    const value = attributeToken(element, "aria-invalid");
    return value !== null && value !== "" && value !== "false";
  });

/** Words in class or id by which authors call a message about a mistake. */
const calledError =
  /(?:^|[\s_-])(?:error|errors|invalid|invalid-feedback|help-error|field-error|validation|warning)(?:$|[\s_-])/i;

function judge(field: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  const said = ["aria-errormessage", "aria-describedby"]
    .flatMap((attribute) => referencedElements(index, field, attribute))
    .some((element) => textContent(element) !== "");
  if (said) return passed;
  const message = messageNear(scene, field);
  const name = scene.name(field).text;
  if (message === null)
    return cantTell(
      `"${name}" is marked invalid. Is it said in text, with the field or above the form, what is wrong?`,
      ask("Write what is wrong beside the field, give that an id, and name it in aria-describedby."),
    );
  const text = textContent(message);
  const { id, changes } = idOf(
    scene,
    message,
    `${attributeText(field, "id") ?? attributeText(field, "name") ?? "field"} error`,
  );
  return failed(
    `The message "${shortened(text, 60)}" is not connected to its field.`,
    withChanges(
      "likely",
      changes.length > 0
        ? "Give the message an id, and name it in aria-describedby of the field."
        : `Connect them: aria-describedby="${id}".`,
      [
        ...changes,
        setAttribute(
          field,
          "aria-describedby",
          [attributeText(field, "aria-describedby"), id].filter((x) => x !== null && x !== "").join(" "),
        ),
      ],
    ),
    { facts: { message: text } },
  );
}

/** A message about a mistake right after the field, or in the same row. */
function messageNear(scene: Scene, field: ElementNode): ElementNode | null {
  const { index } = scene.page;
  const { parent, root } = index.record(field);
  const siblings = index.childElements(parent ?? root);
  const after = siblings.slice(siblings.indexOf(field) + 1);
  for (const element of after.flatMap((sibling) => [sibling, ...elementsInside(scene, sibling)])) {
    if (/^(?:input|select|textarea)$/.test(element.tag)) return null;
    const called = `${attributeText(element, "class") ?? ""} ${attributeText(element, "id") ?? ""}`;
    const isMessage = calledError.test(called) || scene.role(element).role === "alert";
    if (isMessage && isShown(scene, element) && textContent(element) !== "") return element;
  }
  return null;
}

export const errorConnected = {
  id: "forms.error-connected",
  kind: "page",
  criteria: ["3.3.1", "1.3.1"],
  severity: "barrier",
  means: "A field that is invalid points to the message that says why.",
  who: 'Someone using a screen reader hears "invalid" and must look for the reason somewhere on the page.',
  mend: "Give the message an id and name it in aria-describedby of the field.",
  looksAt: invalid,
  judge,
  examples: [
    {
      html: `<input aria-label="Beam" aria-invalid="true" aria-describedby="e"><p id="e" class="error">Write a number.</p>`,
      finds: [],
    },
    { html: `<input aria-label="Beam" aria-invalid="false">`, finds: [] },
    {
      html: `<div><input aria-label="Beam" aria-invalid="true"><p id="e" class="error">Write a number.</p></div>`,
      finds: [
        [
          "failed",
          `<input aria-label="Beam" aria-invalid="true">`,
          `The message "Write a number." is not connected to its field.`,
        ],
      ],
    },
    {
      html: `<div><input aria-label="Beam" aria-invalid="true"></div>`,
      finds: [
        [
          "cantTell",
          `<input aria-label="Beam" aria-invalid="true">`,
          `"Beam" is marked invalid. Is it said in text, with the field or above the form, what is wrong?`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
