import { inputType } from "../../document/form-controls.ts";
import { nearestWord } from "../../document/nearest-word.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText } from "../../document/written.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { insert, renameAttribute, setAttribute } from "../../repair/change.ts";
import { ask, askWords, BLANK, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";
import { isUnnamed, speakable } from "../shown-name.ts";
import { wordsFrom } from "../words-from.ts";
import { connectLabel, labelFrom, labelWithWords } from "./label-edits.ts";
import { lostNameCause } from "./lost-name.ts";
import { labelsThatMiss, looseLabels, missedLabelCause, openLabel } from "./meant-label.ts";
import { textBeside } from "./text-beside.ts";

const buttonTypes = new Set(["submit", "reset", "button", "image", "hidden"]);
const controlRoles = new Set<Role>([
  "textbox",
  "searchbox",
  "combobox",
  "spinbutton",
  "slider",
  "checkbox",
  "radio",
  "switch",
]);

function* controls(scene: Scene): Iterable<ElementNode> {
  for (const element of scene.page.index.elements) {
    if (!isControl(scene, element) || !isExposed(scene, element)) continue;
    yield element;
  }
}

function isControl(scene: Scene, element: ElementNode): boolean {
  if (element.namespace !== "html") return false;
  const isNative =
    element.tag === "select" ||
    element.tag === "textarea" ||
    (element.tag === "input" && !buttonTypes.has(inputType(element)));
  if (!element.attributes.has("role")) return isNative;
  // What is told as something else is named as that.
  const { role, from } = scene.role(element);
  return from === "role attribute" && role !== null ? controlRoles.has(role) : isNative;
}

/** What the field is called in a message. */
function kindOf(scene: Scene, control: ElementNode): string {
  const { role } = scene.role(control);
  if (role === "checkbox") return "This checkbox";
  if (role === "switch") return "This switch";
  if (role === "radio") return "This radio button";
  if (role === "slider") return "This slider";
  if (control.tag === "select" || role === "combobox" || role === "listbox") return "This choice";
  return "This field";
}

const namingAttributes = ["aria-label", "aria-labelledby", "title", "placeholder"];

function judge(control: ElementNode, scene: Scene): Verdict {
  const name = scene.name(control);
  if (!isUnnamed(scene, control)) {
    if (name.certain && !/[\p{L}\p{N}]/u.test(speakable(name.text))) {
      return failed(
        `${kindOf(scene, control)} is called only "${name.text}".`,
        wordsInLabel(scene, control),
        { facts: { name: name.text } },
      );
    }
    return passed;
  }
  if (control.spread !== null) return passed;
  const misspelt = misspeltNaming(control);
  const message = `${kindOf(scene, control)} has no name.`;
  if (misspelt !== null) {
    return failed(
      `${message} "${misspelt.written}" is no attribute.`,
      withChanges("likely", `Write ${misspelt.meant} for ${misspelt.written}.`, [
        renameAttribute(control, misspelt.written, misspelt.meant),
      ]),
    );
  }
  const hiddenLabel = scene.page.index.labels(control).find((label) => textContent(label) !== "");
  if (hiddenLabel !== undefined) {
    return cantTell(
      `The label "${textContent(hiddenLabel)}" is hidden, and browsers differ on whether it still names this field. Is the field shown together with it?`,
      ask("Show the label, or write its words in aria-label."),
    );
  }
  if (scene.document.kind === "fragment" && attributeText(control, "id") !== null) {
    return cantTell(
      `${message} Does the page this piece goes into have a label for "${attributeText(control, "id")}"?`,
      repairFor(scene, control),
    );
  }
  if (mayBeStandIn(scene, control))
    return cantTell(
      `${message} Is it hidden by styles that are not here, and opened by a button?`,
      repairFor(scene, control),
    );
  const open = openLabel(scene);
  if (open !== null && control.attributes.has("id"))
    return cantTell(
      `${message} Is the label "${textContent(open)}" for it? Source does not tell.`,
      repairFor(scene, control),
    );
  const missing = labelsThatMiss(scene).get(control);
  return failed(
    message,
    repairFor(scene, control),
    missing === undefined ? lostNameCause(scene, control) : { cause: missedLabelCause(scene, missing) },
  );
}

/** Whether it is a field for files in a component, with classes whose rules are elsewhere: buttons often open a hidden one. */
const mayBeStandIn = (scene: Scene, control: ElementNode): boolean =>
  control.tag === "input" &&
  inputType(control) === "file" &&
  scene.document.kind === "component" &&
  control.attributes.has("class") &&
  scene.page.styles.value(control, "display")?.block?.origin !== "author";

function misspeltNaming(control: ElementNode): { written: string; meant: string } | null {
  for (const attribute of control.attributes.keys()) {
    if (!/^aria-?l/.test(attribute) || namingAttributes.includes(attribute)) continue;
    const near = /^aria-?label+(?:ed|led)[-_]?by$|^aria-?labelle?d$/.test(attribute)
      ? isIdOfReference(control, attribute)
        ? "aria-labelledby"
        : "aria-label"
      : nearestWord(attribute, ["aria-label", "aria-labelledby"]);
    if (near !== null) return { written: attribute, meant: near };
  }
  return null;
}

/** A value that looks like ids is meant for aria-labelledby, words for aria-label. */
const isIdOfReference = (control: ElementNode, attribute: string): boolean => {
  const text = attributeText(control, attribute) ?? "";
  return /by$/.test(attribute) || /^[A-Za-z][\w-]*(?:[-_]\w+)+$/.test(text.trim());
};

function repairFor(scene: Scene, control: ElementNode): Repair {
  const missing = labelsThatMiss(scene).get(control);
  const ownId = attributeText(control, "id");
  if (missing !== undefined && ownId !== null && ownId !== "") {
    return withChanges("likely", `Its label points elsewhere: write for="${ownId}" there.`, [
      setAttribute(missing, "for", ownId),
    ]);
  }
  const label = looseLabels(scene).get(control);
  if (label !== undefined) return connectLabel(scene, label, control);
  if (attributeText(control, "role") !== null)
    return askWords("Say in aria-label what it is for, or write the words inside it.", "Label", "", [
      setAttribute(control, "aria-label", BLANK),
    ]);
  const beside = textBeside(scene, control);
  return beside === null
    ? labelWithWords(
        scene,
        control,
        'Put a label beside the field and connect it: <label for="…">.',
        wordsFrom(attributeText(control, "name") ?? ownId),
      )
    : labelFrom(scene, control, beside);
}

/** The words go into the label that has only a sign. */
function wordsInLabel(scene: Scene, control: ElementNode): Repair {
  const summary = "Put the words that say what belongs in the field into its label.";
  const [label] = scene.page.index.labels(control);
  return label === undefined
    ? ask(summary)
    : askWords(summary, "Label", wordsFrom(attributeText(control, "name")), [
        insert("first", label, { tag: "span", text: BLANK }),
      ]);
}

export const controlLabelled = {
  id: "names.control-labelled",
  kind: "page",
  surroundings: "labels",
  criteria: ["4.1.2", "1.3.1"],
  severity: "blocker",
  means: "Every form control has a name that says what belongs in it.",
  who: "Someone using a screen reader hears which kind of field it is and must guess what it is for; someone using speech input cannot name it.",
  mend: 'Connect a visible label: <label for="length">Length in metres</label> <input id="length">.',
  looksAt: controls,
  judge,
  examples: [
    {
      html: `<!doctype html><title>t</title><label for="len">Length</label> <input id="len">`,
      finds: [],
      others: 1,
    },
    { html: `<label>Beam <input></label>`, finds: [] },
    { html: `<input aria-label="Search the parts store" type="search">`, finds: [] },
    { html: `<input type="submit">`, finds: [] },
    { html: `<input type="hidden" name="token">`, finds: [] },
    {
      html: `<span role="checkbox" aria-checked="false" tabindex="0">Winch needed</span>`,
      finds: [],
      others: 1,
    },
    { html: `<div style="display: none"><input></div>`, finds: [] },
    {
      html: `<!doctype html><title>t</title><p>Length <input name="length"></p>`,
      finds: [["failed", `<input name="length">`, "This field has no name."]],
      others: 1,
    },
    {
      html: `<p>Berths</p><select multiple><option>A1</option></select>`,
      finds: [["failed", "<select multiple>", "This choice has no name."]],
    },
    {
      html: `<input aria-labeled="len-label"><span id="len-label">Length</span>`,
      finds: [
        [
          "failed",
          `<input aria-labeled="len-label">`,
          `This field has no name. "aria-labeled" is no attribute.`,
        ],
      ],
      others: 1,
    },
    {
      html: `<label for="b">*</label><input id="b">`,
      finds: [["failed", `<input id="b">`, `This field is called only "*".`]],
    },
    {
      html: `<div role="textbox" tabindex="0" contenteditable></div>`,
      finds: [["failed", `<div role="textbox" tabindex="0" contenteditable>`, "This field has no name."]],
    },
    {
      html: `<input id="draught">`,
      finds: [
        [
          "cantTell",
          `<input id="draught">`,
          `This field has no name. Does the page this piece goes into have a label for "draught"?`,
        ],
      ],
    },
    {
      html: `<!doctype html><title>t</title><label for="b" hidden>Beam</label><input id="b">`,
      finds: [
        [
          "cantTell",
          `<input id="b">`,
          `The label "Beam" is hidden, and browsers differ on whether it still names this field. Is the field shown together with it?`,
        ],
      ],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
