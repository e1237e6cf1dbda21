import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeUnknown } from "../../document/written.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { isFocusable } from "../../rendering/focusable.ts";
import { copyAttribute, setAttribute } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { type Role, roleRow } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { exposedWithRole } from "../exposed.ts";
import { asCheckbox } from "./as-checkbox.ts";

/** Values to begin with, where one is usual. */
const examples: Readonly<Record<string, string>> = {
  checked: "false",
  expanded: "false",
  selected: "false",
  level: "2",
  valuenow: "0",
  controls: "…",
};

function judge(element: ElementNode, scene: Scene): Verdict {
  const { role, from } = scene.role(element);
  if (role === null || from !== "role attribute") return inapplicable;
  const row = roleRow(role);
  const focusable = isFocusable(scene.page, scene.presence, element) === true;
  const required = [...(row.required ?? []), ...(focusable ? (row.requiredWhenFocusable ?? []) : [])];
  // Where it is in doubt whether the standard still asks for it, nothing is certain.
  if (required.length === 0 || row.doubtful?.includes("required") === true) return inapplicable;
  const given = scene.states(element);
  const missing = required.filter((state) => {
    if (attributeUnknown(element, `aria-${state}`)) return false;
    const written = attributeText(element, `aria-${state}`);
    // An empty value is judged as a value; native states count.
    if (written !== null) return false;
    return !(state in given) || isFallback(element, state, row.fallbacks);
  });
  if (missing.length === 0) return passed;
  const names = missing.map((state) => `aria-${state}`).join(" and ");
  const suggestion = missing.map((state) => `aria-${state}="${examples[state] ?? "…"}"`).join(" ");
  return failed(
    `role="${role}" needs ${names}.`,
    stated(scene, element, role, missing, `Add ${suggestion} and keep it true as the interface changes.`),
    { facts: { role, missing: missing.join(" ") } },
  );
}

/** Attributes by which authors show a state to their styles. */
const shownState = /^data-(?:on|checked|active|selected|open|expanded|pressed)$/;

/** The state to begin with; of an imitated checkbox the native one, which keeps it by itself. */
function stated(
  scene: Scene,
  element: ElementNode,
  role: Role,
  missing: readonly string[],
  summary: string,
): Repair {
  const native = role === "checkbox" ? asCheckbox(scene, element) : null;
  if (native !== null) return withChanges("likely", summary, native);
  const [state] = missing;
  if (scene.document.kind === "component") {
    // What is written once stays as it is, whatever the component does: the state must be bound.
    const bound = [...element.attributes.keys()].find((name) => shownState.test(name));
    return bound === undefined || state === undefined || missing.length > 1
      ? ask(summary)
      : withChanges("likely", `Bind aria-${state} to what ${bound} is bound to.`, [
          copyAttribute(element, bound, `aria-${state}`),
        ]);
  }
  const begun = /^(?:checked|expanded|selected|level)$/;
  return missing.every((state) => begun.test(state))
    ? withChanges(
        "likely",
        summary,
        missing.map((state) => setAttribute(element, `aria-${state}`, examples[state] ?? "")),
      )
    : ask(summary);
}

/** Whether the state is told only because a fallback stands in for it: native checkedness and levels are real. */
function isFallback(
  element: ElementNode,
  state: string,
  fallbacks: Readonly<Record<string, string>> | undefined,
): boolean {
  if (fallbacks?.[state] === undefined) return false;
  if (state === "checked") return element.tag !== "input";
  if (state === "level") return !/^h[1-6]$/.test(element.tag);
  if (state === "valuenow") return !/^(?:input|meter|progress)$/.test(element.tag);
  return true;
}

export const statesRequired = {
  id: "roles.states-required",
  kind: "page",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "An element with a role carries the states its role cannot do without.",
  who: "Someone using a screen reader is told a checkbox but not whether it is checked, or a slider but not where it stands.",
  mend: "Add the missing state and change it whenever the interface changes; a native element keeps it by itself.",
  looksAt: exposedWithRole,
  judge,
  examples: [
    { html: `<span role="checkbox" aria-checked="false" tabindex="0">Winch</span>`, finds: [], others: 1 },
    { html: `<input type="checkbox" role="switch" aria-label="Deck light">`, finds: [] },
    { html: `<h2 role="heading">Slips</h2>`, finds: [], others: 1 },
    { html: `<div role="separator"></div>`, finds: [] },
    { html: `<input role="combobox" aria-expanded="false" aria-label="Boat">`, finds: [] },
    {
      html: `<span role="checkbox" tabindex="0">Winch</span>`,
      finds: [["failed", `<span role="checkbox" tabindex="0">`, `role="checkbox" needs aria-checked.`]],
      others: 1,
    },
    {
      html: `<div role="slider" tabindex="0" aria-label="Tilt"></div>`,
      finds: [
        [
          "failed",
          `<div role="slider" tabindex="0" aria-label="Tilt">`,
          `role="slider" needs aria-valuenow.`,
        ],
      ],
    },
    {
      html: `<input role="combobox" aria-label="Boat">`,
      finds: [
        ["failed", `<input role="combobox" aria-label="Boat">`, `role="combobox" needs aria-expanded.`],
      ],
    },
    {
      html: `<div role="separator" tabindex="0"></div>`,
      finds: [["failed", `<div role="separator" tabindex="0">`, `role="separator" needs aria-valuenow.`]],
    },
  ],
} as const satisfies PageCheck;
