import { inputType, textTypes } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText } from "../../document/written.ts";
import { cantTell, failed, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { exposedByRole, isShown } from "../exposed.ts";
import { visibleLabel } from "./label-edits.ts";
import { textBeside } from "./text-beside.ts";

const isField = (element: ElementNode): boolean =>
  element.tag === "textarea" ||
  element.tag === "select" ||
  (element.tag === "input" && (textTypes.has(inputType(element)) || inputType(element) === "number"));

function judge(field: ElementNode, scene: Scene): Verdict {
  const name = scene.name(field);
  if (name.from !== "placeholder" && name.from !== "title attribute") return passed;
  if (textBeside(scene, field) !== null || isSearchWithButton(scene, field)) return passed;
  const details = {
    facts: { name: name.text },
    ...pointingAt(field, name.from === "placeholder" ? "placeholder" : "title"),
  };
  const repair = visibleLabel(scene, field, name.text);
  if (name.from === "title attribute" || !standsAlone(scene, field))
    return cantTell(
      `Does anything beside this field say "${name.text}" to those who see it? Its only name is ${name.from === "placeholder" ? "its placeholder" : "a tooltip"}.`,
      repair,
      details,
    );
  return failed(
    `"${name.text}" is written only inside the field, and is gone as soon as one types.`,
    repair,
    details,
  );
}

/** The button beside a search field is the label one sees. */
function isSearchWithButton(scene: Scene, field: ElementNode): boolean {
  const { index } = scene.page;
  const isSearch =
    scene.role(field).role === "searchbox" ||
    /search|find/i.test(
      ["name", "placeholder", "id", "title"].map((a) => attributeText(field, a) ?? "").join(" "),
    );
  if (!isSearch) return false;
  let up = index.parent(field);
  for (let steps = 0; up !== null && steps < 3; steps++, up = index.parent(up)) {
    const inside = [up, ...index.childElements(up), ...index.childElements(up).flatMap(index.childElements)];
    if (inside.some((e) => e !== field && scene.role(e).role === "button" && isShown(scene, e))) return true;
  }
  return false;
}

/** Whether nothing at all is to be read in the block that the field stands in. */
function standsAlone(scene: Scene, field: ElementNode): boolean {
  const { parent } = scene.page.index.record(field);
  return parent !== null && textContent(parent) === "" && parent.tag !== "body";
}

export const labelStaysVisible = {
  id: "names.label-stays-visible",
  kind: "page",
  criteria: ["3.3.2"],
  severity: "barrier",
  means: "What belongs in a field can be read beside it, also once something is typed.",
  who: "Someone who forgets easily, or checks a form before sending it, can no longer see what the field was for.",
  mend: "Give the field a label that stays; a placeholder may show an example.",
  looksAt: (scene: Scene) =>
    exposedByRole(scene, "textbox", "searchbox", "combobox", "spinbutton", "listbox").filter(isField),
  judge,
  examples: [
    { html: `<label>Beam <input placeholder="3.2"></label>`, finds: [] },
    {
      html: `<form><input type="search" placeholder="Search the parts store"><button>Search</button></form>`,
      finds: [],
    },
    { html: `<p>Beam: <input title="Beam in metres"></p>`, finds: [] },
    {
      html: `<div><input placeholder="Beam in metres"></div>`,
      finds: [
        [
          "failed",
          `<input placeholder="Beam in metres">`,
          `"Beam in metres" is written only inside the field, and is gone as soon as one types.`,
        ],
      ],
    },
    {
      html: `<div><input title="Beam in metres"></div>`,
      finds: [
        [
          "cantTell",
          `<input title="Beam in metres">`,
          `Does anything beside this field say "Beam in metres" to those who see it? Its only name is a tooltip.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
