import { elementsBelow } from "../../document/around.ts";
import { isLabelable } from "../../document/document-index.ts";
import { type ElementNode, holdsHole, isUndefinedElement } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText, attributeTokens } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { freshId } from "../fresh-id.ts";
import { connectLabel } from "./label-edits.ts";
import { fieldBeside, fieldMeantBy, isLoose, missedLabelCause } from "./meant-label.ts";

function connect(scene: Scene, label: ElementNode, otherwise: string): Repair {
  const field = fieldMeantBy(scene, label);
  const id = field === null ? null : attributeText(field, "id");
  if (field !== null && (id === null || id === "")) {
    const wanted = attributeText(label, "for") ?? "";
    // The id that the label names is free: the field after it is given it.
    if (wanted !== "" && /^\S+$/.test(wanted) && scene.page.index.byId(label, wanted) === null)
      return withChanges("likely", `Give the field after it id="${wanted}".`, [
        setAttribute(field, "id", wanted),
      ]);
    const fresh = freshId(scene, field, attributeText(field, "name") ?? wanted);
    return withChanges("likely", `Give the field after it id="${fresh}", and write that in for.`, [
      setAttribute(field, "id", fresh),
      setAttribute(label, "for", fresh),
    ]);
  }
  if (id === null || id === "") return ask(otherwise);
  return withChanges("likely", `The label stands before the field "${id}": write for="${id}".`, [
    setAttribute(label, "for", id),
  ]);
}

/** Words that stand in a field until something is typed are no label: those beside it were meant. */
function judgeLoose(label: ElementNode, scene: Scene): Verdict {
  if (!isLoose(scene, label)) return inapplicable;
  const words = textContent(label).trim();
  const field = fieldBeside(scene, label);
  if (field === null)
    return isBesideSomethingUnknown(scene, label)
      ? inapplicable
      : cantTell(
          `The label "${words}" belongs to no field. Is there one that it is for? If not, it is plain text.`,
          ask("Give it for with the id of its field, or make it a <span>."),
        );
  const name = scene.name(field);
  // That a field has no name at all is told of the field.
  if (!name.certain || !(name.from === "placeholder" || name.from === "title attribute")) return inapplicable;
  // The same words are heard either way.
  if (folded(name.text) === folded(words)) return inapplicable;
  return failed(
    `The label "${words}" is connected to nothing: the field beside it is called "${name.text}", by its ${name.from}.`,
    connectLabel(scene, label, field),
    { facts: { name: name.text } },
  );
}

const folded = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[\s:*]+/g, " ")
    .trim();

/** Whether what follows a label holds something of which nothing is known: a field may be there. */
function isBesideSomethingUnknown(scene: Scene, label: ElementNode): boolean {
  const { index } = scene.page;
  const { parent, root } = index.record(label);
  const { children } = parent ?? root;
  for (const node of children.slice(children.indexOf(label) + 1)) {
    if (node.kind === "hole") return true;
    if (node.kind !== "element") continue;
    return [node, ...elementsBelow(index, node)].some(
      (inside) => isUndefinedElement(inside) || holdsHole(inside),
    );
  }
  return false;
}

function judge(label: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  const id = attributeText(label, "for");
  if (id === null) return judgeLoose(label, scene);
  const details = { facts: { for: id }, ...pointingAt(label, "for") };
  const target = id === "" ? null : index.byId(label, id);
  const cause = fieldMeantBy(scene, label) === null ? {} : { cause: missedLabelCause(scene, label) };
  if (target === null) {
    const repair = connect(scene, label, `Give the field this label belongs to id="${id}".`);
    if (scene.document.kind === "fragment")
      return cantTell(
        `This label is for "${id}". Is there such a field where this piece is used?`,
        repair,
        details,
      );
    return failed(`This label is for "${id}", but nothing here has that id.`, repair, {
      ...details,
      ...cause,
    });
  }
  if (!isLabelable(target)) {
    if (target.tag.includes("-")) return passed;
    if (target.attributes.get("type")?.value === "hidden") return inapplicable;
    // What cannot be labelled is named by the label all the same, where it says so itself.
    const own = attributeText(label, "id");
    if (own !== null && attributeTokens(target, "aria-labelledby").includes(own)) return passed;
    return failed(
      `This label is for "${id}", which is a <${target.tag}> and cannot take a label.`,
      connect(scene, label, "Point for at the field itself, or name the element with aria-labelledby."),
      { ...details, ...cause },
    );
  }
  const labels = index.labels(target);
  if (labels.length > 1 && labels[0] !== label) {
    const next = fieldMeantBy(scene, label);
    if (next !== null) {
      const first = labels[0] === undefined ? "" : scene.name(target).text;
      return failed(
        `This label belongs to "${id}", which has a label already, while the field after it has none.`,
        connect(
          scene,
          label,
          `Give the field after it an id and write it in for. ("${id}" is heard as "${first}".)`,
        ),
        { ...details, ...cause },
      );
    }
  }
  return passed;
}

export const labelConnected = {
  id: "names.label-connected",
  kind: "page",
  surroundings: "labels",
  criteria: ["1.3.1", "4.1.2"],
  severity: "barrier",
  means: "Every label belongs to a field: the one it holds, or the one that it points at and stands beside.",
  who: "Someone using a screen reader does not hear the label; someone who clicks the words to reach the field lands in another, or nowhere.",
  mend: "Write the id of the field in `for`, and give every field an id of its own.",
  looksAt: (scene: Scene) =>
    scene.page.index.byTag("label").filter((label) => scene.presence.of(label).rendered !== 0),
  judge,
  examples: [
    {
      html: `<!doctype html><title>t</title><label for="beam">Beam</label><input id="beam">`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><label for="a">Berth</label> <label for="a">in metres</label> <input id="a">`,
      finds: [],
      others: 1,
    },
    { html: `<label>Draught <input></label>`, finds: [] },
    { html: `<label>Beam</label> <input aria-label="Beam">`, finds: [] },
    {
      html: `<div id="beam"></div><label id="b">Beam</label> <input aria-labelledby="b" placeholder="4.2">`,
      finds: [],
    },
    { html: `<label>Beam</label> <yard-field></yard-field>`, finds: [] },
    { html: `<label>Beam:</label> <input placeholder="Beam">`, finds: [] },
    {
      html: `<div><label>Beam</label></div><div><input placeholder="4.2"></div>`,
      finds: [
        [
          "failed",
          "<label>",
          `The label "Beam" is connected to nothing: the field beside it is called "4.2", by its placeholder.`,
        ],
      ],
    },
    {
      html: `<label>Flags</label><p>None</p>`,
      finds: [
        [
          "cantTell",
          "<label>",
          `The label "Flags" belongs to no field. Is there one that it is for? If not, it is plain text.`,
        ],
      ],
    },
    {
      html: `<!doctype html><title>t</title><label for="baem">Beam</label><input id="beam">`,
      finds: [["failed", `<label for="baem">`, `This label is for "baem", but nothing here has that id.`]],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><label for="box">Beam</label><div id="box"><input></div>`,
      finds: [
        ["failed", `<label for="box">`, `This label is for "box", which is a <div> and cannot take a label.`],
      ],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><label for="len">Length</label><input id="len"><label for="len">Beam</label><input id="beam">`,
      finds: [
        [
          "failed",
          `<label for="len">`,
          `This label belongs to "len", which has a label already, while the field after it has none.`,
        ],
      ],
      others: 2,
    },
    {
      html: `<label for="elsewhere">Beam</label>`,
      finds: [
        [
          "cantTell",
          `<label for="elsewhere">`,
          `This label is for "elsewhere". Is there such a field where this piece is used?`,
        ],
      ],
    },
    {
      html: `<label id="l" for="s">Slip</label><div id="s" role="combobox" tabindex="0" aria-expanded="false" aria-controls="o" aria-labelledby="l">Choose</div><ul id="o" role="listbox" aria-labelledby="l" hidden></ul>`,
      finds: [],
    },
  ],
} as const satisfies PageCheck;
