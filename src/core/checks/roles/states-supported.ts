import { nearestWord } from "../../document/nearest-word.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeToken } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute, renameAttribute } from "../../repair/change.ts";
import { ask, type Repair, together, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { supports } from "../../semantics/states.ts";
import { roleRow } from "../../semantics/tables/roles.ts";
import { stateRow, states } from "../../semantics/tables/states.ts";
import type { PageCheck } from "../check.ts";
import { exposedWithAria } from "../exposed.ts";

const stateNames = Object.keys(states);

/** Misspellings that are commoner than any typing error. */
const oftenMeant: Readonly<Record<string, string>> = {
  labeledby: "labelledby",
  labeled: "label",
  labelled: "label",
  described: "describedby",
  describeby: "describedby",
  "described-by": "describedby",
  "labelled-by": "labelledby",
  "labeled-by": "labelledby",
  collapsed: "expanded",
  visible: "hidden",
  role: "roledescription",
};

interface Fault {
  readonly attribute: string;
  readonly message: string;
  readonly repair: Repair;
}

function faultOf(element: ElementNode, scene: Scene, attribute: string): Fault | null {
  const name = attribute.slice("aria-".length);
  const row = stateRow(name);
  if (row === null) {
    const meant = oftenMeant[name] ?? nearestWord(name, stateNames);
    const isFree = meant !== null && !element.attributes.has(`aria-${meant}`);
    return {
      attribute,
      message: `There is no attribute ${attribute}: nothing is told.`,
      repair:
        isFree && name !== "collapsed" && name !== "visible" && name !== "role"
          ? withChanges("likely", `Write aria-${meant}.`, [
              renameAttribute(element, attribute, `aria-${meant}`),
            ])
          : ask(
              meant === null
                ? `Take ${attribute} away, or write the attribute that is meant.`
                : `Perhaps aria-${meant} is meant.`,
            ),
    };
  }
  // Naming where no name is taken has a check of its own; so have empty values.
  if (row.global === true || (attributeText(element, attribute)?.trim() ?? "") === "") return null;
  const { role, certain } = scene.role(element);
  if (!certain || role === null || element.tag.includes("-") || element.namespace !== "html") return null;
  if (supports(role, name) || roleRow(role).doubtful?.includes("supports") === true) return null;
  if (role === "none") return null;
  const value = attributeToken(element, attribute);
  // What says "not so" where it could not be so says nothing wrong.
  if (value === "false" || value === "undefined" || value === row.initial) return null;
  // An element that scripts turn into a widget later carries its state already.
  return {
    attribute,
    message: `${attribute} means nothing on ${role === "generic" ? `a <${element.tag}> without a role` : `the role ${role}`}: it is not told.`,
    repair:
      role === "generic"
        ? ask(
            `Give the element the role that ${attribute} belongs to, or move it to the control it is about.`,
          )
        : withChanges("likely", `Take ${attribute} away, or move it to the element it is about.`, [
            removeAttribute(element, attribute),
          ]),
  };
}

function judge(element: ElementNode, scene: Scene): Verdict {
  const attributes = [...element.attributes.keys()].filter((name) => name.startsWith("aria-"));
  if (attributes.length === 0) return inapplicable;
  const faults = attributes.flatMap((attribute) => faultOf(element, scene, attribute) ?? []);
  const [first] = faults;
  if (first === undefined) return passed;
  return failed(
    faults.map(({ message }) => message).join(" "),
    together(faults.map(({ repair }) => repair)),
    {
      facts: { attribute: faults.map(({ attribute }) => attribute).join(" ") },
      ...pointingAt(element, first.attribute),
    },
  );
}

export const statesSupported = {
  id: "roles.states-supported",
  kind: "page",
  isForItsAuthor: true,
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "Every aria- attribute exists, is spelled right, and means something on the role it is given to.",
  who: "Someone using assistive technology is not told the state, though it looks as if they were.",
  mend: "Write the attribute that is meant, on the element whose role takes it.",
  looksAt: exposedWithAria,
  judge,
  examples: [
    { html: `<button aria-expanded="true" aria-controls="x">Fees</button>`, finds: [] },
    { html: `<div aria-live="polite" aria-busy="true"></div>`, finds: [] },
    { html: `<a href="x" aria-current="page">Fees</a>`, finds: [] },
    { html: `<div role="treegrid" aria-label="x" aria-multiselectable="true"></div>`, finds: [] },
    { html: `<p aria-expanded="false">Fees</p>`, finds: [] },
    {
      html: `<button aria-expended="true">Fees</button>`,
      finds: [
        ["failed", `<button aria-expended="true">`, "There is no attribute aria-expended: nothing is told."],
      ],
    },
    {
      html: `<div aria-expanded="true">Fees</div>`,
      finds: [
        [
          "failed",
          `<div aria-expanded="true">`,
          "aria-expanded means nothing on a <div> without a role: it is not told.",
        ],
      ],
    },
    {
      html: `<button aria-checked="true">Fees</button>`,
      finds: [
        [
          "failed",
          `<button aria-checked="true">`,
          "aria-checked means nothing on the role button: it is not told.",
        ],
      ],
    },
    {
      html: `<input aria-describe-by="x" aria-label="Beam">`,
      finds: [
        [
          "failed",
          `<input aria-describe-by="x" aria-label="Beam">`,
          "There is no attribute aria-describe-by: nothing is told.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
