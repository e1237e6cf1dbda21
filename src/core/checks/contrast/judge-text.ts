import { shownRatio } from "../../colour/contrast.ts";
import { toHex } from "../../colour/rgba.ts";
import { NO } from "../../css/certainty.ts";
import type { CascadedValue } from "../../css/style.ts";
import { isDisabled } from "../../document/disabled.ts";
import { displaySize, inputType, selectedOptions, textTypes } from "../../document/form-controls.ts";
import { isIconWord } from "../../document/icon-words.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText, attributeToken, attributeTokens, writtenText } from "../../document/written.ts";
import { declaredAt } from "../../findings/cause.ts";
import { cantTell, type Facts, failed, inapplicable, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import { pseudoTextsOf } from "./pseudo-text.ts";
import { type ColourUse, declarationToMend, originsOf, suggestColour } from "./suggest-colour.ts";
import { mayChange, type Needed, type TextCase, worstCase } from "./worst-case.ts";

/** Elements that show text of their own: words between their tags, or the value of a control. */
export const textElements = keptForScene((scene: Scene): readonly ElementNode[] =>
  scene.page.index.elements.filter(
    (element) =>
      element.namespace === "html" && scene.presence.of(element).visible !== NO && showsWords(scene, element),
  ),
);

const hasLetters = (text: string): boolean => /[\p{L}\p{N}]/u.test(text);

function showsWords(scene: Scene, element: ElementNode): boolean {
  if (
    (element.tag === "option" && !isInListBox(scene, element)) ||
    element.tag === "optgroup" ||
    element.tag === "script" ||
    element.tag === "style" ||
    isIconWord(element)
  )
    return false;
  if (element.tag === "input") {
    const type = inputType(element);
    if (/^(?:submit|reset|button)$/.test(type)) return hasLetters(scene.name(element).text);
    return (textTypes.has(type) || type === "number") && hasLetters(attributeText(element, "value") ?? "");
  }
  if (element.tag === "select" && displaySize(element) === 1)
    return selectedOptions(scene.page.index, element).some((option) => hasLetters(textContent(option)));
  if (scene.presence.of(element).ownTextHidden) return false;
  return element.children.some((child) => child.kind === "text" && hasLetters(writtenText(child.value)));
}

/** Whether an option is seen without opening anything. */
function isInListBox({ page: { index } }: Scene, option: ElementNode): boolean {
  let up = index.parent(option);
  while (up !== null && up.tag !== "select") up = index.parent(up);
  return up !== null && displaySize(up) > 1;
}

/** Text of drawings: words between tags of SVG. */
const drawnTexts = keptForScene((scene: Scene): readonly ElementNode[] =>
  scene.page.index.elements.filter(
    (element) =>
      element.namespace === "svg" &&
      /^(?:text|tspan|textPath)$/i.test(element.tag) &&
      scene.presence.of(element).visible !== NO &&
      element.children.some((child) => child.kind === "text" && hasLetters(writtenText(child.value))),
  ),
);

const withWords = keptForScene(
  (scene: Scene): ReadonlySet<ElementNode> => new Set([...textElements(scene), ...drawnTexts(scene)]),
);

/** Everything that shows text: elements with words of their own, and those whose pseudo-elements have some. */
export const everyText = keptForScene((scene: Scene): readonly ElementNode[] =>
  scene.page.index.elements.filter(
    (element) =>
      withWords(scene).has(element) ||
      (scene.presence.of(element).visible !== NO && pseudoTextsOf(scene, element, false).length > 0),
  ),
);

/** Judges all text that an element shows, its own and that of its pseudo-elements: the worst of it. */
export function judgeEveryText(scene: Scene, element: ElementNode, needed: Needed): Verdict {
  const hasWords = withWords(scene).has(element);
  const own = hasWords ? judgeText(scene, element, needed) : inapplicable;
  if (own.outcome === "failed") return own;
  const others = pseudoTextsOf(scene, element, hasWords).map(({ pseudo, called }) =>
    judgeText(scene, element, needed, { what: called, pseudo }),
  );
  const worst =
    others.find(({ outcome }) => outcome === "failed") ??
    others.find(({ outcome }) => outcome === "cantTell");
  return worst !== undefined && (worst.outcome === "failed" || own.outcome !== "cantTell") ? worst : own;
}

/** Text of something that cannot be used is exempt. WCAG 1.4.3, "Incidental". */
export function isInactive(scene: Scene, element: ElementNode): boolean {
  const { index } = scene.page;
  for (let up: ElementNode | null = element; up !== null; up = index.flatParent(up)) {
    if (attributeToken(up, "aria-disabled") === "true" || scene.presence.of(up).inert) return true;
    if (isDisabled(index, up) === true && up.tag !== "fieldset") return true;
    if (up.tag === "label") {
      const control = index.labeledControl(up);
      if (
        control !== null &&
        (isDisabled(index, control) === true || attributeToken(control, "aria-disabled") === "true")
      )
        return true;
    }
    if (up.tag === "fieldset" && up.attributes.has("disabled")) return true;
  }
  return false;
}

/** Whether something only looks as if it were out of use: by its class, and no pointer reaches it. */
function isStyledInactive(scene: Scene, element: ElementNode): boolean {
  const { index, styles } = scene.page;
  if (styles.keyword(element, "pointer-events") !== "none") return false;
  for (let up: ElementNode | null = element; up !== null; up = index.flatParent(up))
    if (attributeTokens(up, "class").some((name) => /(?:^|[-_])disabled$/i.test(name))) return true;
  return false;
}

/** Which text is judged, and whether while nobody acts or while it is hovered, focused or pressed. */
export interface TextAsked {
  readonly what?: string;
  readonly states?: "still" | "acted on";
  readonly pseudo?: string;
}

/** Judges an element's text, or its placeholder, in every scheme and state. */
export function judgeText(
  scene: Scene,
  element: ElementNode,
  needed: Needed,
  { what = "this text", states = "still", pseudo }: TextAsked = {},
): Verdict {
  // What is too pale already while nobody acts is told by its own check.
  if (states === "acted on" && !mayChange(scene, element)) return inapplicable;
  const still = states === "acted on" ? worstCase(scene, element, needed, "still", pseudo) : null;
  if (still !== null && still.outcome !== "passed") return inapplicable;
  const worst = worstCase(scene, element, needed, states, pseudo);
  if (worst === null) return inapplicable;
  // Most texts pass: their facts are worked out only for those who ask.
  if (worst.outcome === "passed") {
    return {
      outcome: "passed",
      get facts() {
        return factsOf(worst);
      },
    };
  }
  const facts = factsOf(worst);
  if (isInactive(scene, element)) return inapplicable;
  const seen = states === "still" && pseudo === undefined ? judgePainted(scene, element, worst, what) : null;
  if ((seen ?? worst).outcome === "failed" && isStyledInactive(scene, element))
    return cantTell(
      `Is ${what} of something that is out of use? Its class and its styles say so, and no attribute does. If it is in use, it needs ${worst.needed}:1.`,
      ask('Write disabled, or aria-disabled="true", where it is out of use.'),
      { facts },
    );
  if (seen !== null) return seen;
  if (!scene.stylesKnown)
    return cantTell(
      `A stylesheet of this page could not be read. Does ${what} reach ${worst.needed}:1?`,
      null,
      { facts, cause: { kind: "stylesheets that were not read", of: [] } },
    );
  if (worst.outcome === "cantTell")
    return cantTell(
      `Does ${what} reach ${worst.needed}:1${circumstances(worst)}? Source cannot tell: ${worst.reason}.`,
      null,
      { facts, cause: { kind: "ground that is not known", of: [worst.reason] } },
    );
  const { text, ground, ratio, painted } = worst;
  if (text === null || ground === null || ratio === null) return inapplicable;
  if (isMarkedAsLogo(scene, element)) {
    return cantTell(
      `Is this text part of a logotype? If not, its contrast of ${shownRatio(ratio)} is too low: it needs ${worst.needed}:1.`,
      null,
      { facts, cause: { kind: "logotype", of: [] } },
    );
  }
  const [layer] = painted.layers;
  return failed(
    `${sentence(what)} has a contrast of ${shownRatio(ratio)}${circumstances(worst)}, ${toHex(text)} on ${toHex(ground)}; it needs ${worst.needed}:1.`,
    suggestColour(scene, painted.foreground, text, ground, worst.needed, {
      element,
      uses: usesOf(scene, painted.foreground, element),
    }),
    {
      facts,
      origins: [
        ...originsOf("foreground", painted.foreground),
        ...originsOf("background", layer?.value ?? null),
      ],
      cause: {
        kind: "colours",
        of: [toHex(text), toHex(ground), declaredAt(painted.foreground?.declared?.source)],
      },
    },
  );
}

/** Letters in turn that nobody can make out, well below what is needed, make a text fail as a whole line does. */
const UNREADABLE_RUN = 6;
const WELL_BELOW = 2 / 3;

/** What the painted letters say where colours alone do not decide; null where nobody has seen them. */
function judgePainted(scene: Scene, element: ElementNode, worst: TextCase, what: string): Verdict | null {
  const painted = scene.seen?.painted(element) ?? null;
  if (painted === null || worst.scheme !== scene.schemes()[0]?.scheme) return null;
  const { needed } = worst;
  const share = painted.below(needed);
  const rounded = (value: number) => Math.floor(value * 100) / 100;
  const pixels = { worst: rounded(painted.worst), median: rounded(painted.median), share: rounded(share) };
  const facts: Facts = { ...factsOf(worst), pixels };
  if (share === 0) return { outcome: "passed", facts };
  // Colours that are known say what to change.
  if (worst.outcome === "failed") return null;
  if (painted.hasLineBelow(needed) || painted.longestRun(needed * WELL_BELOW) >= UNREADABLE_RUN)
    return failed(
      share === 1
        ? `${sentence(what)} has a contrast of ${shownRatio(painted.median)} as it is painted${circumstances(worst)}; it needs ${needed}:1.`
        : `${sentence(what)} has a contrast of ${shownRatio(painted.worst)} where its ground is worst, and ${Math.round(share * 100)} % of its letters have less than the ${needed}:1 that is needed.`,
      ask("Darken or lighten the text, or lay a plain ground under it."),
      { facts },
    );
  return cantTell(
    `Can all of ${what} be read? ${Math.round(share * 100)} % of its letters have less than ${needed}:1 as painted, down to ${shownRatio(painted.worst)}.`,
    null,
    { facts },
  );
}

const sentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

/** Texts of which colours alone do not say that they can be read: what is painted is looked at, first where nothing is known. */
export function textsToLookAt(scene: Scene, needed: Needed): readonly ElementNode[] {
  const open: ElementNode[] = [];
  const pale: ElementNode[] = [];
  for (const element of everyText(scene)) {
    const outcome = worstCase(scene, element, needed, "still")?.outcome ?? "passed";
    if (outcome === "passed" || isInactive(scene, element)) continue;
    (outcome === "cantTell" ? open : pale).push(element);
  }
  return [...open, ...pale];
}

/** Logotypes are exempt (WCAG 1.4.3, "Logotypes"): classes that say so are taken as a mark, not as proof. */
function isMarkedAsLogo(scene: Scene, element: ElementNode): boolean {
  for (let up: ElementNode | null = element; up !== null; up = scene.page.index.flatParent(up)) {
    if (attributeTokens(up, "class").some((name) => /^(?:logo|logotype|wordmark)$/i.test(name))) return true;
  }
  return false;
}

/** In which colour scheme something is so; nothing for the usual one. */
export const schemeWords = (scheme: string): string =>
  scheme === "light" ? "" : scheme === "dark" ? " in the dark scheme" : ` with ${scheme}`;

const circumstances = ({ scheme, interaction }: TextCase): string =>
  `${schemeWords(scheme)}${interaction === "none" ? "" : interaction === "hover" ? " under the pointer" : interaction === "focus" ? " while focused" : " while pressed"}`;

/** Where the custom property or variable is set that a colour comes through; null where it comes through none. */
function settingOf(value: CascadedValue | null): string | null {
  const place = value === null ? null : declarationToMend(value);
  if (place === null || place.property === null) return null;
  const { file, start } =
    place.declared.variable == null ? place.declared.source : place.declared.valueSource;
  return `${file} ${start}`;
}

/** Other texts whose colour comes through the same setting: a change of it changes them too. */
function usesOf(scene: Scene, value: CascadedValue | null, element: ElementNode): readonly ColourUse[] {
  const setting = settingOf(value);
  if (setting === null) return [];
  return (textsBySetting(scene).get(setting) ?? []).filter((use) => use.element !== element);
}

const textsBySetting = keptForScene((scene: Scene): ReadonlyMap<string, readonly ColourUse[]> => {
  const found = new Map<string, ColourUse[]>();
  for (const element of textElements(scene)) {
    const still = worstCase(scene, element, { large: 3, small: 4.5 }, "still");
    const setting = settingOf(still?.painted.foreground ?? null);
    if (still === null || setting === null || still.ground === null) continue;
    const use = { element, ground: still.ground, needed: still.needed };
    const uses = found.get(setting);
    if (uses === undefined) found.set(setting, [use]);
    else uses.push(use);
  }
  return found;
});

const factsOf = (found: TextCase): Facts => ({
  ratio: found.ratio,
  needed: found.needed,
  foreground: found.text === null ? null : toHex(found.text),
  background: found.ground === null ? null : toHex(found.ground),
  fontSize: found.fontSize,
  fontWeight: found.fontWeight,
  scheme: found.scheme,
  interaction: found.interaction,
  ...(found.painted.showsCanvas ? { onCanvas: true } : {}),
});
