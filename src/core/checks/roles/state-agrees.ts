import { NO, YES } from "../../css/certainty.ts";
import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeToken, attributeTokens, hasAttribute } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute, setAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { exposedWithAria } from "../exposed.ts";

/** ARIA states of which HTML has its own, which wins or fights. ARIA in HTML, "attributes that should not be used". */
interface Pair {
  readonly state: string;
  readonly native: string;
  readonly on: (element: ElementNode) => boolean;
}

const inputs = new Set(["input", "select", "textarea"]);
const isCheckable = (element: ElementNode): boolean =>
  element.tag === "input" && /^(?:checkbox|radio)$/.test(inputType(element));

const pairs: readonly Pair[] = [
  { state: "aria-checked", native: "checked", on: isCheckable },
  { state: "aria-required", native: "required", on: (e) => inputs.has(e.tag) },
  {
    state: "aria-disabled",
    native: "disabled",
    on: (e) => inputs.has(e.tag) || e.tag === "button" || e.tag === "fieldset",
  },
  { state: "aria-readonly", native: "readonly", on: (e) => e.tag === "input" || e.tag === "textarea" },
  { state: "aria-selected", native: "selected", on: (e) => e.tag === "option" },
];

/** Where only the native "yes" is contradicted: an ARIA "yes" may stand alone, on purpose. */
const mayStandAlone = new Set(["aria-required", "aria-disabled", "aria-readonly"]);

function judge(element: ElementNode, scene: Scene): Verdict {
  if (element.namespace !== "html") return inapplicable;
  const opened = judgeExpanded(element, scene);
  if (opened.outcome === "failed") return opened;
  const chosen = judgeTab(element, scene);
  if (chosen.outcome === "failed") return chosen;
  const pair = pairs.find(({ state, on }) => attributeToken(element, state) !== null && on(element));
  if (pair === undefined) return inapplicable;
  const said = attributeToken(element, pair.state);
  const is = hasAttribute(element, pair.native);
  if (said !== "true" && said !== "false") return passed;
  if ((said === "true") === is) return passed;
  if (mayStandAlone.has(pair.state) && !is) return passed;
  return failed(
    `${pair.state}="${said}" says the opposite of what the element itself ${is ? `says with ${pair.native}` : "says: it is not"}${is ? "" : ` ${pair.native}`}.`,
    withChanges("likely", `Take ${pair.state} away: the browser tells the state by itself.`, [
      removeAttribute(element, pair.state),
    ]),
    { facts: { state: pair.state }, ...pointingAt(element, pair.state) },
  );
}

/** Whether what is said to be open can be seen: what `aria-controls` names, where that is one thing. ARIA 1.3, "aria-expanded". */
function judgeExpanded(element: ElementNode, scene: Scene): Verdict {
  const said = attributeToken(element, "aria-expanded");
  const ids = attributeTokens(element, "aria-controls");
  const [id] = ids;
  if ((said !== "true" && said !== "false") || id === undefined || ids.length > 1) return inapplicable;
  const target = scene.page.index.byId(element, id);
  if (target === null) return inapplicable;
  const isHidden = scene.presence.of(target).visible === NO;
  if (said === "true" && isHidden)
    return failed(
      `aria-expanded="true" says that "${id}" is open, but it is hidden.`,
      withChanges("likely", 'Write aria-expanded="false" until it is open.', [
        setAttribute(element, "aria-expanded", "false"),
      ]),
      { facts: { state: "aria-expanded" }, ...pointingAt(element, "aria-expanded") },
    );
  return passed;
}

/** The panel that a tab shows: what it controls, or what is named by it. ARIA APG, "Tabs". */
function panelOf(tab: ElementNode, scene: Scene): ElementNode | null {
  const { index } = scene.page;
  const [id, ...more] = attributeTokens(tab, "aria-controls");
  if (id !== undefined) return more.length === 0 ? index.byId(tab, id) : null;
  const own = attributeText(tab, "id");
  const named = index.elements.filter(
    (element) =>
      scene.role(element).role === "tabpanel" &&
      attributeText(element, "aria-labelledby") === own &&
      own !== null,
  );
  return named.length === 1 ? (named[0] ?? null) : null;
}

/** Whether the tab that is said to be chosen shows its panel, where another's is shown. */
function judgeTab(element: ElementNode, scene: Scene): Verdict {
  if (scene.role(element).role !== "tab" || attributeToken(element, "aria-selected") !== "true")
    return inapplicable;
  const isShown = (tab: ElementNode): boolean | null => {
    const panel = panelOf(tab, scene);
    if (panel === null) return null;
    const { visible, reason } = scene.presence.of(panel);
    return visible === YES && reason === null ? true : visible === NO ? false : null;
  };
  if (isShown(element) !== false) return inapplicable;
  const { index } = scene.page;
  const others = index.elements.filter(
    (other) =>
      other !== element &&
      scene.role(other).role === "tab" &&
      index.flatParent(other) === index.flatParent(element) &&
      attributeToken(other, "aria-selected") !== "true" &&
      isShown(other) === true,
  );
  if (others.length !== 1) return inapplicable;
  return failed(
    `aria-selected="true" says that this tab is chosen, but the panel of "${scene.name(others[0] ?? element).text}" is shown.`,
    ask("Set aria-selected on the tab whose panel is shown, and only there."),
    { facts: { state: "aria-selected" }, ...pointingAt(element, "aria-selected") },
  );
}

export const stateAgrees = {
  id: "roles.state-agrees",
  kind: "page",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "What an aria- attribute says of a control is what the control says of itself.",
  who: 'Someone using a screen reader hears "not required" of a field that must be filled in, or "checked" of a box that is not.',
  mend: "Leave the aria- attribute out: native elements tell their state by themselves.",
  looksAt: exposedWithAria,
  judge,
  examples: [
    { html: `<input required aria-required="true" aria-label="Beam">`, finds: [] },
    { html: `<input aria-required="true" aria-label="Beam">`, finds: [] },
    { html: `<button aria-disabled="true">Book</button>`, finds: [] },
    { html: `<input type="checkbox" checked aria-checked="true" aria-label="Winch">`, finds: [] },
    {
      html: `<input required aria-required="false" aria-label="Beam">`,
      finds: [
        [
          "failed",
          `<input required aria-required="false" aria-label="Beam">`,
          `aria-required="false" says the opposite of what the element itself says with required.`,
        ],
      ],
    },
    {
      html: `<input type="checkbox" aria-checked="true" aria-label="Winch">`,
      finds: [
        [
          "failed",
          `<input type="checkbox" aria-checked="true" aria-label="Winch">`,
          `aria-checked="true" says the opposite of what the element itself says: it is not checked.`,
        ],
      ],
    },
    {
      html: `<button disabled aria-disabled="false">Book</button>`,
      finds: [
        [
          "failed",
          `<button disabled aria-disabled="false">`,
          `aria-disabled="false" says the opposite of what the element itself says with disabled.`,
        ],
      ],
    },
    {
      html: `<button aria-expanded="true" aria-controls="fees">Fees</button><p id="fees" hidden>By the metre</p>`,
      finds: [
        [
          "failed",
          `<button aria-expanded="true" aria-controls="fees">`,
          `aria-expanded="true" says that "fees" is open, but it is hidden.`,
        ],
      ],
    },
    {
      html: `<button aria-expanded="true" aria-controls="fees">Fees</button><p id="fees">By the metre</p>`,
      finds: [],
    },
    {
      html: `<div role="tablist" aria-label="Seasons"><button role="tab" id="s" aria-controls="p" aria-selected="true">Summer</button><button role="tab" id="w" aria-controls="q" aria-selected="false">Winter</button></div><div role="tabpanel" id="p" aria-labelledby="s" hidden>From six</div><div role="tabpanel" id="q" aria-labelledby="w">From nine</div>`,
      finds: [
        [
          "failed",
          `<button role="tab" id="s" aria-controls="p" aria-selected="true">`,
          'aria-selected="true" says that this tab is chosen, but the panel of "Winter" is shown.',
        ],
      ],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
