import { inputType } from "../../document/form-controls.ts";
import type { ElementNode, TextNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText, attributeTokens } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { renameElement, setAttribute, wrap } from "../../repair/change.ts";
import { ask, askWords, BLANK, type Repair, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, elementsInside, exposedByRole, isExposed, isShown } from "../exposed.ts";
import { isUnnamed, speakable } from "../shown-name.ts";
import { idOf } from "./label-edits.ts";

/** Radio buttons and checkboxes that are answers to one question, by form and name. */
const answerSets = keptForScene((scene): ReadonlyMap<ElementNode, readonly ElementNode[]> => {
  const sets = new Map<string, ElementNode[]>();
  for (const input of scene.page.index.byTag("input")) {
    const type = inputType(input);
    const name = attributeText(input, "name") ?? "";
    if ((type !== "radio" && type !== "checkbox") || name === "" || !isExposed(scene, input)) continue;
    const form = [...elementsAround(scene, input)].find((up) => up.tag === "form");
    const key = `${type} ${form === undefined ? "" : scene.page.index.record(form).order} ${name}`;
    const set = sets.get(key);
    if (set === undefined) sets.set(key, [input]);
    else set.push(input);
  }
  const found = new Map<ElementNode, readonly ElementNode[]>();
  for (const set of sets.values()) if (set.length > 1 && set[0] !== undefined) found.set(set[0], set);
  return found;
});

const groups = (scene: Scene): readonly ElementNode[] => [
  ...answerSets(scene).keys(),
  ...exposedByRole(scene, "radiogroup"),
];

function judge(element: ElementNode, scene: Scene): Verdict {
  const set = answerSets(scene).get(element);
  if (set === undefined)
    return isUnnamed(scene, element)
      ? failed(
          "This group of choices has no name.",
          askWords("Say in aria-label what is chosen here.", "What is chosen", "", [
            setAttribute(element, "aria-label", BLANK),
          ]),
        )
      : passed;
  const isTied = set.every(
    (answer) =>
      attributeTokens(answer, "aria-describedby").length > 0 ||
      [...elementsAround(scene, answer)].some(
        (up) =>
          /^(?:group|radiogroup)$/.test(scene.role(up).role ?? "") && speakable(scene.name(up).text) !== "",
      ),
  );
  if (isTied) return passed;
  const answers = set.map((answer) => speakable(scene.name(answer).text));
  const facts = { answers: answers.slice(0, 6).join(", ") };
  const stray = strayLegend(scene, element);
  if (stray !== null)
    return failed(
      `The <legend> "${textContent(stray)}" is no child of its fieldset: it does not name the group.`,
      ask("Put the <legend> first in the <fieldset>, with nothing around it."),
      { facts: { ...facts, legend: textContent(stray) } },
    );
  const question = questionBefore(scene, set);
  const kind = inputType(element) === "radio" ? "radio buttons" : "checkboxes";
  if (question === null) {
    const bare = set.some((answer) => [...elementsAround(scene, answer)].some((up) => up.tag === "fieldset"));
    return bare || inputType(element) === "radio"
      ? cantTell(
          `Is there a question that these ${kind} answer (${facts.answers})? Nothing ties one to them.`,
          ask("Put them into a <fieldset> whose <legend> is the question."),
          { facts },
        )
      : inapplicable;
  }
  return failed(
    `"${question.text}" is not tied to its ${set.length} ${kind}: they are heard without the question.`,
    grouped(scene, set, question),
    { facts: { ...facts, question: question.text } },
  );
}

/** A legend inside the fieldset around an answer that is not a child of it; null where there is none. HTML §4.10.16. */
function strayLegend(scene: Scene, answer: ElementNode): ElementNode | null {
  const fieldset = [...elementsAround(scene, answer)].find((up) => up.tag === "fieldset");
  if (fieldset === undefined) return null;
  return (
    [...elementsInside(scene, fieldset)].find(
      (inside) =>
        inside.tag === "legend" &&
        scene.page.index.parent(inside)?.tag !== "fieldset" &&
        textContent(inside) !== "",
    ) ?? null
  );
}

/** A question, where it is written, and where in the same element its answers begin. */
interface Question {
  readonly text: string;
  readonly node: ElementNode | TextNode;
  readonly holder: ElementNode;
  readonly start: ElementNode;
}

/**
 * The group is the box around question and answers where it holds nothing else, else a new one around the answers; the
 * question names it.
 */
function grouped(scene: Scene, set: readonly ElementNode[], question: Question): Repair {
  const { text, node, holder, start } = question;
  const summary = `Put them into a <fieldset> with <legend>${text}</legend>.`;
  const role = inputType(set[0] as ElementNode) === "radio" ? "radiogroup" : "group";
  if (node.kind === "text")
    return withChanges("likely", summary, [
      wrap(start, lastOf(scene, set, holder, start), {
        tag: "div",
        attributes: { role, "aria-label": text },
      }),
    ]);
  // Without an id, which a component may not have of its own.
  if (
    scene.document.kind === "component" &&
    holder.tag === "div" &&
    scene.page.index.childElements(holder)[0] === node
  )
    return withChanges("likely", summary, [renameElement(holder, "fieldset"), renameElement(node, "legend")]);
  const { id, changes } = idOf(scene, node, text);
  const named = [setAttribute(holder, "role", role), setAttribute(holder, "aria-labelledby", id)];
  const inSet = new Set(set);
  const isOwn =
    /^(?:div|p)$/.test(holder.tag) &&
    !holder.attributes.has("role") &&
    [...elementsInside(scene, holder)].every(
      (inside) => !/^(?:input|select|textarea|button)$/.test(inside.tag) || inSet.has(inside),
    );
  return withChanges("likely", summary, [
    ...changes,
    ...(isOwn
      ? named
      : [
          wrap(start, lastOf(scene, set, holder, start), {
            tag: "div",
            attributes: { role, "aria-labelledby": id },
          }),
        ]),
  ]);
}

/** The child of an element that the last of the answers is in. */
function lastOf(
  scene: Scene,
  set: readonly ElementNode[],
  holder: ElementNode,
  start: ElementNode,
): ElementNode {
  const last = set.at(-1) ?? start;
  const child =
    [last, ...elementsAround(scene, last)].find((up) => scene.page.index.parent(up) === holder) ?? start;
  // The label of an answer stands after it.
  const siblings = scene.page.index.childElements(holder);
  const next = siblings[siblings.indexOf(child) + 1];
  return next?.tag === "label" && scene.page.index.labels(last).includes(next) ? next : child;
}

/** Longer text is more than a question. */
const LONGEST_QUESTION = 120;

/** A question, plain by its mark, that stands right before the set; null without one. */
function questionBefore(scene: Scene, set: readonly ElementNode[]): Question | null {
  const { index } = scene.page;
  const [first] = set;
  if (first === undefined) return null;
  // Up to the element that holds the whole set, then what stands before it and before its first answer.
  let holder: ElementNode | null = index.parent(first);
  const path: ElementNode[] = [first];
  while (holder !== null) {
    const texts: Question[] = [];
    // What stands right before a choice that has no label of its own is its label, not the question.
    if (holder === index.parent(first) && index.labels(first).length === 0) {
      path.push(holder);
      holder = index.parent(holder);
      continue;
    }
    for (const child of holder.children) {
      if (child === path.at(-1)) break;
      if (child.kind === "text" && typeof child.value === "string" && child.value.trim() !== "")
        texts.push({
          text: child.value.replace(/\s+/g, " ").trim(),
          node: child,
          holder,
          start: path.at(-1) ?? first,
        });
      else if (child.kind === "element" && isShown(scene, child) && textContent(child) !== "")
        texts.push({ text: textContent(child), node: child, holder, start: path.at(-1) ?? first });
    }
    const last = texts.at(-1);
    if (last !== undefined) {
      const isQuestion = last.text.length <= LONGEST_QUESTION && /\p{L}[^.!]*[?:]\s*\*?$/u.test(last.text);
      return isQuestion ? last : null;
    }
    if (holder.tag === "form" || holder.tag === "body" || path.length > 5) return null;
    path.push(holder);
    holder = index.parent(holder);
  }
  return null;
}

export const groupNamed = {
  id: "names.group-named",
  kind: "page",
  criteria: ["1.3.1"],
  severity: "barrier",
  means: "Radio buttons and checkboxes that answer one question are in a group that is called by it.",
  who: 'Someone using a screen reader hears "yes, radio button, 1 of 2" and not what the yes is for.',
  mend: 'Put them into a <fieldset> with the question in its <legend>, or a role="radiogroup" that is named by it.',
  looksAt: groups,
  judge,
  examples: [
    {
      html: `<fieldset><legend>Shore power?</legend><label><input type="radio" name="p"> Yes</label> <label><input type="radio" name="p"> No</label></fieldset>`,
      finds: [],
    },
    {
      html: `<div role="radiogroup" aria-label="Shore power"><label><input type="radio" name="p"> Yes</label> <label><input type="radio" name="p"> No</label></div>`,
      finds: [],
    },
    { html: `<p>Shore power?</p><label><input type="checkbox" name="a"> Yes</label>`, finds: [] },
    {
      html: `<p>Shore power?</p><div><label><input type="radio" name="p"> Yes</label> <label><input type="radio" name="p"> No</label></div>`,
      finds: [
        [
          "failed",
          `<input type="radio" name="p">`,
          `"Shore power?" is not tied to its 2 radio buttons: they are heard without the question.`,
        ],
      ],
    },
    {
      html: `<div role="radiogroup"><div role="radio" aria-checked="true" tabindex="0">Yes</div></div>`,
      finds: [["failed", `<div role="radiogroup">`, "This group of choices has no name."]],
      others: 1,
    },
    {
      html: `<h2>Shore power</h2><label><input type="radio" name="p"> Yes</label> <label><input type="radio" name="p"> No</label>`,
      finds: [
        [
          "cantTell",
          `<input type="radio" name="p">`,
          "Is there a question that these radio buttons answer (Yes, No)? Nothing ties one to them.",
        ],
      ],
    },
    {
      html: `<fieldset><div><legend>Rig</legend></div><label><input type="radio" name="r"> Sloop</label><label><input type="radio" name="r"> Yawl</label></fieldset>`,
      finds: [
        [
          "failed",
          `<input type="radio" name="r">`,
          `The <legend> "Rig" is no child of its fieldset: it does not name the group.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
