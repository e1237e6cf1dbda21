import type { ElementNode } from "../../document/node.ts";
import { attributeToken, attributeTokens } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { focusCause, isFocusable, isTabbable } from "../../rendering/focusable.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { spokenRole } from "../../semantics/heard-line.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import { asButton } from "../as-button.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, elementsInside, exposedByRole } from "../exposed.ts";
import { isAlive, scriptsMay } from "../scripts.ts";
import { asCheckbox } from "./as-checkbox.ts";

/** Widgets that stand alone, each a stop of its own. */
const alone = [
  "button",
  "link",
  "checkbox",
  "switch",
  "textbox",
  "searchbox",
  "slider",
  "spinbutton",
] as const;
/** Widgets with items, of which one is a stop, or the whole. WAI-ARIA 1.2 §5.3.3. */
const composites = ["tablist", "radiogroup", "listbox", "menubar", "tree"] as const;
const items: Readonly<Record<(typeof composites)[number], readonly Role[]>> = {
  tablist: ["tab"],
  radiogroup: ["radio"],
  listbox: ["option"],
  menubar: ["menuitem", "menuitemcheckbox", "menuitemradio"],
  tree: ["treeitem"],
};
const manages = new Set<Role>(["toolbar", "grid", "treegrid", "menu", "combobox", ...composites]);

const widgets = (scene: Scene): readonly ElementNode[] =>
  exposedByRole(scene, ...alone, ...composites).filter(
    (element) => scene.role(element).from === "role attribute",
  );

function judge(widget: ElementNode, scene: Scene): Verdict {
  const role = scene.role(widget).role as Role;
  if (widget.tag.includes("-") || attributeToken(widget, "aria-disabled") === "true") return inapplicable;
  // Native controls keep the promise by themselves; whether the role fits them is asked elsewhere.
  const kind = focusCause(scene.page.index, widget);
  if (kind !== null && kind !== "tabindex") return passed;
  if ((composites as readonly Role[]).includes(role))
    return judgeComposite(widget, scene, role as (typeof composites)[number]);
  if (isFocusable(scene.page, scene.presence, widget) !== false) return passed;
  // Something around moves focus among its parts itself, or inside is the control that takes it.
  for (const up of elementsAround(scene, widget)) {
    const around = scene.role(up).role;
    if (around !== null && manages.has(around)) return inapplicable;
    if (up.tag !== "body" && isTabbable(scene.page, scene.presence, up) !== false) return inapplicable;
  }
  for (const inside of elementsInside(scene, widget))
    if (isFocusable(scene.page, scene.presence, inside) !== false) return inapplicable;
  const word = spokenRole(role, {}, null);
  return failed(
    `This is called a ${word}, but takes no focus: no key gets there.`,
    kept(
      scene,
      widget,
      role,
      role === "button"
        ? 'Make it a <button type="button">; or add tabindex="0" and answer Enter and Space.'
        : role === "link"
          ? "Make it an <a> with an href."
          : `Use the native control, or add tabindex="0" and answer the keys of a ${word}.`,
    ),
    {
      facts: { role },
      cause: { kind: "element without focus", of: [scene.page.index.record(widget).order] },
    },
  );
}

function kept(scene: Scene, widget: ElementNode, role: Role, summary: string): Repair {
  const changes =
    role === "button" ? asButton(scene, widget) : role === "checkbox" ? asCheckbox(scene, widget) : null;
  return changes === null ? ask(summary) : withChanges("likely", summary, changes);
}

function judgeComposite(widget: ElementNode, scene: Scene, role: (typeof composites)[number]): Verdict {
  if (isFocusable(scene.page, scene.presence, widget) !== false) return passed;
  const members = [...elementsInside(scene, widget)].filter((e) =>
    items[role].includes(scene.role(e).role as Role),
  );
  if (members.length === 0) return inapplicable;
  if ([...elementsInside(scene, widget)].some((e) => isTabbable(scene.page, scene.presence, e) !== false))
    return passed;
  // A list that opens under a field is moved through from there.
  const id = widget.attributes.get("id")?.value;
  const isMovedThrough = (from: ElementNode) =>
    (typeof id === "string" &&
      ["aria-controls", "aria-owns"].some((name) => attributeTokens(from, name).includes(id))) ||
    from.attributes.has("aria-activedescendant") ||
    scene.role(from).role === "combobox";
  if (scene.page.index.elements.some(isMovedThrough)) return inapplicable;
  const word = spokenRole(role, {}, null);
  const [first] = members;
  const repair =
    first === undefined
      ? ask('Give one of its items tabindex="0".')
      : withChanges("likely", `Give its first item tabindex="0", and move that with the arrow keys.`, [
          setAttribute(first, "tabindex", "0"),
        ]);
  const details = { facts: { role } };
  // What stands around a component may move through it: a field, a widget that keeps the focus itself.
  const isPart = scene.document.kind === "component";
  return isPart || !isAlive(scene) || scriptsMay(scene, /tabindex|\.focus\s*\(/i)
    ? cantTell(
        `None of the ${members.length} items of this ${word} can be reached with Tab. Does a script change that?`,
        repair,
        details,
      )
    : failed(`None of the ${members.length} items of this ${word} can be reached with Tab.`, repair, details);
}

export const promiseKept = {
  id: "roles.promise-kept",
  kind: "page",
  isAboutKeys: true,
  criteria: ["2.1.1", "4.1.2"],
  severity: "blocker",
  means: "What is called a widget takes focus, as a whole or in one of its items.",
  who: "Someone who uses the keyboard is told of a button or of tabs, and cannot get to them.",
  mend: "Use the native control; it takes focus and answers its keys by itself.",
  looksAt: widgets,
  judge,
  examples: [
    {
      html: `<!doctype html><title>t</title><div role="button" tabindex="0">Book</div>`,
      finds: [],
      others: 3,
    },
    {
      html: `<!doctype html><title>t</title><div role="toolbar" aria-label="Text"><span role="button">B</span></div>`,
      finds: [],
      others: 3,
    },
    {
      html: `<!doctype html><title>t</title><div role="tablist"><div role="tab" aria-selected="true" tabindex="0">Fees</div></div>`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><div role="button" aria-disabled="true">Book</div>`,
      finds: [],
      others: 3,
    },
    {
      html: `<!doctype html><title>t</title><ul role="listbox" id="l" aria-label="Boats"><li role="option" aria-selected="false">Petrel</li></ul><input role="combobox" aria-expanded="true" aria-controls="l" aria-label="Boat">`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><span role="button">Book</span>`,
      finds: [
        ["failed", `<span role="button">`, "This is called a button, but takes no focus: no key gets there."],
      ],
      others: 3,
    },
    {
      html: `<!doctype html><title>t</title><div role="tablist"><div role="tab" aria-selected="true" tabindex="-1" onclick="show(1)">Fees</div><div role="tab" aria-selected="false" tabindex="-1">Slips</div></div>`,
      finds: [
        ["failed", `<div role="tablist">`, "None of the 2 items of this tab list can be reached with Tab."],
      ],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><script src="yard.js"></script><div role="tablist"><div role="tab" aria-selected="true">Fees</div></div>`,
      finds: [
        [
          "cantTell",
          `<div role="tablist">`,
          "None of the 1 items of this tab list can be reached with Tab. Does a script change that?",
        ],
      ],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
