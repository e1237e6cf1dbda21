import { nearestWord } from "../../document/nearest-word.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute, setAttribute } from "../../repair/change.ts";
import { ask, askWords, BLANK, type Repair, together, withChanges } from "../../repair/repair.ts";
import { type StateRow, stateRow } from "../../semantics/tables/states.ts";
import type { PageCheck } from "../check.ts";
import { exposedWithAria } from "../exposed.ts";

/** States that browsers take for true at any unknown word: a wrong word does no harm there. WAI-ARIA 1.2 §6.6. */
const anyWordIsTrue = new Set(["invalid", "current"]);
/** Where an empty value plainly says "no" and frameworks write it for that. */
const emptyMeansNo = new Set([
  "invalid",
  "current",
  "haspopup",
  "hidden",
  "live",
  "relevant",
  "dropeffect",
  "autocomplete",
  "sort",
  "orientation",
]);

/** What is wrong with a value; null when nothing is. */
function fault(name: string, row: StateRow, text: string): string | null {
  const value = text.trim();
  switch (row.type) {
    case "true/false":
    case "true/false/undefined":
    case "tristate":
    case "token": {
      const tokens = row.tokens ?? [];
      if (value === "")
        return emptyMeansNo.has(name) ? null : `empty, which counts as absent; it must be ${listed(tokens)}`;
      if (tokens.includes(value.toLowerCase()) || anyWordIsTrue.has(name)) return null;
      return `"${value}"; it must be ${listed(tokens)}`;
    }
    case "token-list": {
      const wrong = value
        .toLowerCase()
        .split(/\s+/)
        .find((token) => token !== "" && row.tokens?.includes(token) !== true);
      return wrong === undefined ? null : `"${wrong}"; it may hold ${listed(row.tokens ?? [])}`;
    }
    case "integer": {
      if (!/^[+-]?\d+$/.test(value))
        return value === "" ? "empty; it must be a whole number" : `"${value}", which is no whole number`;
      return row.min !== undefined && Number(value) < row.min
        ? `${value}; the least that makes sense is ${row.min}`
        : null;
    }
    case "number":
      if (value === "") return "empty; it must be a number";
      return Number.isNaN(Number.parseFloat(value)) ? `"${value}", which is no number` : null;
    case "string":
    case "id-reference":
    case "id-reference-list":
      return null;
    default:
      return row.type satisfies never;
  }
}

const listed = (tokens: readonly string[]): string => {
  const words = tokens.filter((token) => token !== "undefined");
  return words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} or ${words.at(-1)}`;
};

/** The words people write for true and false. */
const meant: Readonly<Record<string, string>> = {
  yes: "true",
  on: "true",
  "1": "true",
  checked: "true",
  selected: "true",
  expanded: "true",
  open: "true",
  opened: "true",
  no: "false",
  closed: "false",
  collapsed: "false",
  unchecked: "false",
  off: "false",
  "0": "false",
  partial: "mixed",
  indeterminate: "mixed",
};

function repairFor(element: ElementNode, name: string, row: StateRow, text: string): Repair {
  const attribute = `aria-${name}`;
  const value = text.trim().toLowerCase();
  const tokens = row.tokens ?? [];
  const guess =
    meant[value] !== undefined && tokens.includes(meant[value])
      ? meant[value]
      : nearestWord(
          value,
          tokens.filter((t) => t !== "undefined"),
        );
  if (guess != null)
    return withChanges("likely", `Write ${attribute}="${guess}".`, [setAttribute(element, attribute, guess)]);
  if (row.type === "number" || row.type === "integer") {
    return row.type === "number"
      ? askWords(
          `Write a number, and what it means in aria-valuetext: aria-valuetext="${text.trim()}".`,
          "The value as a number",
          "",
          [setAttribute(element, attribute, BLANK)],
          "1",
        )
      : withChanges("likely", "Write a whole number, or leave the attribute out.", [
          removeAttribute(element, attribute),
        ]);
  }
  return ask(`Write ${listed(tokens)}, or leave ${attribute} out.`);
}

function judge(element: ElementNode): Verdict {
  let seen = false;
  const faults: { attribute: string; what: string; repair: Repair }[] = [];
  for (const attribute of element.attributes.keys()) {
    const row = attribute.startsWith("aria-") ? stateRow(attribute.slice("aria-".length)) : null;
    const text = row === null ? null : attributeText(element, attribute);
    if (row === null || text === null) continue;
    seen = true;
    const what = fault(attribute.slice("aria-".length), row, text);
    if (what !== null)
      faults.push({
        attribute,
        what,
        repair: repairFor(element, attribute.slice("aria-".length), row, text),
      });
  }
  const [first] = faults;
  if (first === undefined) return seen ? passed : inapplicable;
  const message = faults.map(({ attribute, what }) => `${attribute} is ${what}.`).join(" ");
  return failed(message, together(faults.map((fault) => fault.repair)), {
    facts: { attribute: faults.map((f) => f.attribute).join(" ") },
    ...pointingAt(element, first.attribute),
  });
}

export const stateValues = {
  id: "roles.state-values",
  kind: "page",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "The value of every aria- attribute is of its type.",
  who: "Someone using assistive technology is told the opposite, or nothing: the browser drops a value it does not know.",
  mend: "Write one of the values the attribute takes.",
  looksAt: exposedWithAria,
  judge,
  examples: [
    { html: `<button aria-expanded="false">Fees</button>`, finds: [] },
    { html: `<a href="x" aria-current="active">Slips</a>`, finds: [] },
    { html: `<div role="meter" aria-label="Fuel" aria-valuenow="3.5">3.5</div>`, finds: [] },
    { html: `<button aria-label="">Haul</button>`, finds: [] },
    { html: `<input aria-invalid="" aria-label="Beam">`, finds: [] },
    { html: `<table><tr aria-rowindex="2"><td>a</td></tr></table>`, finds: [] },
    {
      html: `<div role="tablist"><button role="tab" aria-selected="">Slips</button></div>`,
      finds: [
        [
          "failed",
          `<button role="tab" aria-selected="">`,
          "aria-selected is empty, which counts as absent; it must be true or false.",
        ],
      ],
    },
    {
      html: `<div role="slider" tabindex="0" aria-label="Tilt" aria-valuenow="steep"></div>`,
      finds: [
        [
          "failed",
          `<div role="slider" tabindex="0" aria-label="Tilt" aria-valuenow="steep">`,
          `aria-valuenow is "steep", which is no number.`,
        ],
      ],
    },
    {
      html: `<button aria-expanded="yes">Fees</button>`,
      finds: [
        ["failed", `<button aria-expanded="yes">`, `aria-expanded is "yes"; it must be true or false.`],
      ],
    },
    {
      html: `<div role="heading" aria-level="0">Fees</div>`,
      finds: [
        [
          "failed",
          `<div role="heading" aria-level="0">`,
          "aria-level is 0; the least that makes sense is 1.",
        ],
      ],
    },
    {
      html: `<div aria-live="loud">Saved</div>`,
      finds: [
        ["failed", `<div aria-live="loud">`, `aria-live is "loud"; it must be assertive, off or polite.`],
      ],
    },
  ],
} as const satisfies PageCheck;
