import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeToken, hasAttribute } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { allowedRoles } from "../../semantics/tables/allowed-roles.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, exposedWithRole } from "../exposed.ts";

/** The row of the table that is about the element; null where any role may be given. */
function allowedFor(scene: Scene, element: ElementNode): readonly string[] | null {
  const key = keyOf(scene, element);
  const row = key === null ? undefined : allowedRoles[key];
  return row === undefined ? null : row.split(" ").filter((role) => role !== "");
}

function keyOf(scene: Scene, element: ElementNode): string | null {
  switch (element.tag) {
    case "input":
      return `input[${inputType(element)}]`;
    case "a":
      return hasAttribute(element, "href") ? "a[href]" : null;
    case "select":
      return hasAttribute(element, "multiple") || hasAttribute(element, "size")
        ? "select[multiple]"
        : "select";
    case "img":
      // Without an alternative there is a finding already; editions differ on marking it none.
      return (attributeText(element, "alt") ?? "") === "" ? null : "img[alt]";
    case "tr":
    case "td":
    case "th":
      return partOfTable(scene, element) ? `${element.tag}[table]` : null;
    default:
      return Object.hasOwn(allowedRoles, element.tag) ? element.tag : null;
  }
}

/** Whether the table around is told as one of its native kind. */
function partOfTable(scene: Scene, part: ElementNode): boolean {
  for (const up of elementsAround(scene, part))
    if (up.tag === "table") return !up.attributes.has("role") && scene.role(up).role === "table";
  return false;
}

function judge(element: ElementNode, scene: Scene): Verdict {
  const { role, native, from } = scene.role(element);
  if (element.namespace !== "html" || from !== "role attribute" || role === null || role === native)
    return inapplicable;
  const allowed = allowedFor(scene, element);
  if (allowed === null || allowed.includes(role)) return passed;
  // What a checkbox that is pressed is for, the standard allows by exception.
  if (role === "button" && attributeToken(element, "aria-pressed") !== null) return passed;
  const instead =
    role === "button" || role === "link"
      ? `Use a <${role === "button" ? "button" : "a href"}> for it`
      : `Put the role on a <div>`;
  return failed(
    `${/^[aeio]|^h[1-6]$/.test(element.tag) ? "An" : "A"} <${element.tag}> is not meant to be ${/^[aeiou]/.test(role) ? "an" : "a"} ${role}: what it does by itself gets in the way.`,
    ask(
      `${instead}, or take role="${role}" away.${allowed.length === 0 ? "" : ` This element may be: ${allowed.slice(0, 8).join(", ")}${allowed.length > 8 ? " …" : ""}.`}`,
    ),
    { facts: { role, element: element.tag }, ...pointingAt(element, "role") },
  );
}

export const fitsElement = {
  id: "roles.fits-element",
  kind: "page",
  criteria: [],
  severity: "friction",
  means: "A role is given to an element that may take it.",
  who: "Someone using assistive technology may be told one thing while the browser does another.",
  mend: "Use the native element for the role, or an element without a meaning of its own.",
  looksAt: exposedWithRole,
  judge,
  examples: [
    { html: `<a href="x" role="button">Book</a>`, finds: [] },
    {
      html: `<ul role="tablist"><li role="none"><button role="tab" aria-selected="true">x</button></li></ul>`,
      finds: [],
    },
    { html: `<div role="navigation"></div>`, finds: [], others: 1 },
    {
      html: `<table role="grid" aria-label="Tides"><tr role="row"><td role="gridcell">1</td></tr></table>`,
      finds: [],
    },
    {
      html: `<h2 role="button" tabindex="0">Fees</h2>`,
      finds: [
        [
          "failed",
          `<h2 role="button" tabindex="0">`,
          "An <h2> is not meant to be a button: what it does by itself gets in the way.",
        ],
      ],
    },
    {
      html: `<main role="navigation"></main>`,
      finds: [
        [
          "failed",
          `<main role="navigation">`,
          "A <main> is not meant to be a navigation: what it does by itself gets in the way.",
        ],
      ],
    },
    {
      html: `<label role="button">Beam</label>`,
      finds: [
        [
          "failed",
          `<label role="button">`,
          "A <label> is not meant to be a button: what it does by itself gets in the way.",
        ],
      ],
      others: 1,
    },
    {
      html: `<button role="heading" aria-level="2">Fees</button>`,
      finds: [
        [
          "failed",
          `<button role="heading" aria-level="2">`,
          "A <button> is not meant to be a heading: what it does by itself gets in the way.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
