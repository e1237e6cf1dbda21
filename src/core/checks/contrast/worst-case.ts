import { contrastRatio, isLargeText } from "../../colour/contrast.ts";
import { onScreen, type Rgba } from "../../colour/rgba.ts";
import { NO } from "../../css/certainty.ts";
import { type Interaction, noInteraction } from "../../css/match.ts";
import type { ElementNode } from "../../document/node.ts";
import { focusCause } from "../../rendering/focusable.ts";
import { type Painted, paintedText } from "../../rendering/painted.ts";
import { isSeenIn, whyUnseen } from "../../rendering/unseen.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { SchemeView } from "../../scene/schemes.ts";

/** How one text comes out in one scheme and state. Ratios unrounded; sizes in CSS pixels. */
export interface TextCase {
  readonly outcome: "passed" | "failed" | "cantTell";
  readonly reason: string | null;
  readonly ratio: number | null;
  readonly needed: number;
  readonly text: Rgba | null;
  readonly ground: Rgba | null;
  readonly fontSize: number | null;
  readonly fontWeight: number | null;
  readonly scheme: string;
  readonly interaction: Interaction["kind"];
  readonly painted: Painted;
}

/** What the ratio must be: for large text and for the rest. */
export interface Needed {
  readonly large: number;
  readonly small: number;
}

/** A quick no, or perhaps: whether hovering, focusing or pressing could change how the text looks. */
export const mayChange = (scene: Scene, element: ElementNode): boolean =>
  scene.schemes().some((view) =>
    (["hover", "focus", "active"] as const).some((kind) => {
      const acted = actedElement(view, element, kind);
      return acted !== null && view.page.styles.mayReact(acted, kind);
    }),
  );

const rank = { failed: 0, cantTell: 1, passed: 2 } as const;

/** The worst of all schemes and states in which an element's text can be seen; null when it never can. */
export function worstCase(
  scene: Scene,
  element: ElementNode,
  needed: Needed,
  states: "still" | "acted on",
  pseudo?: string,
): TextCase | null {
  let worst: TextCase | null = null;
  for (const view of scene.schemes()) {
    if (view.presence.of(element).visible === NO) continue;
    const isUnseen = whyUnseen(view.page, element) !== null;
    if (isUnseen && states === "still") continue;
    for (const interaction of states === "still" ? [noInteraction] : statesOf(scene, view, element)) {
      if (isUnseen && !isSeenIn(view.page, element, interaction)) continue;
      const found = rememberedCase(scene, view, element, interaction, needed, pseudo);
      if (worst === null || rank[found.outcome] < rank[worst.outcome]) worst = found;
    }
  }
  return worst;
}

/** Elements that are styled alike come out alike, unless it hangs on where they stand. */
function rememberedCase(
  scene: Scene,
  view: SchemeView,
  element: ElementNode,
  interaction: Interaction,
  needed: Needed,
  pseudo?: string,
): TextCase {
  // Rules of pseudo-elements may tell elements apart that are alike themselves.
  if (pseudo !== undefined || isUneven(view, element))
    return textCase(view, element, interaction, needed, pseudo);
  const likeness = view.page.styles.likeness({ element });
  const kind = `${view.scheme} ${interaction.kind} ${needed.small} ${placedAround(view, element)}`;
  const known = likeness === null ? undefined : casesByLikeness(scene).get(likeness)?.get(kind);
  if (known !== undefined) return known;
  const found = textCase(view, element, interaction, needed, pseudo);
  if (likeness !== null && !found.painted.placeDependent) {
    const cases = casesByLikeness(scene).get(likeness) ?? new Map<string, TextCase>();
    casesByLikeness(scene).set(likeness, cases.set(kind, found));
  }
  return found;
}

/** Whether it hangs on the very place of a text what it lies on. */
function isUneven({ page, painted: { uneven } }: SchemeView, element: ElementNode): boolean {
  if (uneven.size === 0) return false;
  for (let up: ElementNode | null = element; up !== null; up = page.index.flatParent(up))
    if (uneven.has(up)) return true;
  return false;
}

const casesByLikeness = keptForScene(() => new WeakMap<object, Map<string, TextCase>>());

/** The nearest ancestor with something placed freely in it: two texts alike under one and the same lie on the same. */
function placedAround(view: SchemeView, element: ElementNode): number {
  const { aroundPositioned } = view.painted;
  if (aroundPositioned.size === 0) return -1;
  for (let up: ElementNode | null = element; up !== null; up = view.page.index.flatParent(up)) {
    if (aroundPositioned.has(up)) return view.page.index.record(up).order;
  }
  return -1;
}

/** The states that change how the element looks. Elements styled alike answer alike. */
function statesOf(scene: Scene, view: SchemeView, element: ElementNode): readonly Interaction[] {
  const { styles } = view.page;
  const likeness = styles.likeness({ element });
  if (likeness === null) return [];
  const known = statesByLikeness(scene);
  let kinds = known.get(likeness);
  if (kinds === undefined) {
    kinds = (["hover", "focus", "active"] as const).filter((kind) => {
      const acted = actedElement(view, element, kind);
      return (
        acted !== null &&
        styles.mayReact(acted, kind) &&
        styles.likeness({ element, interaction: { kind, element: acted } }) !== likeness
      );
    });
    known.set(likeness, kinds);
  }
  return kinds.flatMap((kind) => {
    const acted = actedElement(view, element, kind);
    return acted === null ? [] : [{ kind, element: acted }];
  });
}

const statesByLikeness = keptForScene(
  () => new Map<object, readonly Exclude<Interaction["kind"], "none">[]>(),
);

/** What is hovered, focused or pressed when this text is: anything can be hovered, only some things take focus. */
function actedElement(view: SchemeView, element: ElementNode, kind: Interaction["kind"]): ElementNode | null {
  if (kind === "hover") return element;
  for (let up: ElementNode | null = element; up !== null; up = view.page.index.flatParent(up)) {
    if (focusCause(view.page.index, up) !== null) return up;
  }
  return null;
}

function textCase(
  view: SchemeView,
  element: ElementNode,
  interaction: Interaction,
  needed: Needed,
  pseudo?: string,
): TextCase {
  const { styles } = view.page;
  const styled = { element, interaction, ...(pseudo === undefined ? {} : { pseudo }) };
  const painted = paintedText(
    view.page,
    view.painted,
    element,
    interaction,
    pseudo === undefined ? {} : { pseudo },
  );
  const fontSize = styles.fontSize(styled);
  const fontWeight = styles.fontWeight(styled);
  const large = fontSize === null || fontWeight === null ? null : isLargeText(fontSize, fontWeight);
  const pairs = painted.spots
    .map(({ text, ground }) => ({ text: onScreen(text), ground: onScreen(ground) }))
    .map((pair) => ({ ...pair, ratio: contrastRatio(pair.text, pair.ground) }));
  const inOrder = [...pairs].sort((one, other) => one.ratio - other.ratio);
  const lowest = inOrder[0] ?? null;
  const highest = inOrder.at(-1) ?? null;
  const bound = large === null ? needed.small : large ? needed.large : needed.small;
  // Where only some of the pairs are there and all are too pale, the highest is what is sure.
  const shown = painted.isOneOf && highest !== null && highest.ratio < bound ? highest : lowest;
  const base = {
    ratio: shown?.ratio ?? null,
    needed: bound,
    text: shown?.text ?? null,
    ground: shown?.ground ?? null,
    fontSize,
    fontWeight,
    scheme: view.scheme,
    interaction: interaction.kind,
    painted,
  };
  const open = (reason: string): TextCase => ({
    ...base,
    ratio: null,
    text: null,
    ground: null,
    outcome: "cantTell",
    reason,
  });
  if (painted.unknown !== null || lowest === null)
    return open(painted.unknown ?? "its colours are not known");
  // Nothing of the letters is painted: not text to be seen.
  if (painted.spots.every(({ text, ground }) => sameOnScreen(text, ground)) && isSeeThrough(view, styled))
    return { ...base, outcome: "passed", reason: null };
  if (pairs.every((pair) => pair.ratio >= bound)) return { ...base, outcome: "passed", reason: null };
  if (large === null && lowest.ratio >= needed.large)
    return open("whether it counts as large text hangs on a size that source does not give");
  if (!pairs.every((pair) => pair.ratio < bound))
    return open("it lies on several colours, and is too pale on some of them");
  const shadow = styles.value(element, "text-shadow", interaction)?.text?.toLowerCase() ?? "none";
  if (shadow !== "none") return open("a shadow around the letters may help or harm");
  return { ...base, outcome: "failed", reason: null };
}

const sameOnScreen = (a: Rgba, b: Rgba): boolean => {
  const [one, other] = [onScreen(a), onScreen(b)];
  return one.r === other.r && one.g === other.g && one.b === other.b;
};

function isSeeThrough(
  view: SchemeView,
  styled: { readonly element: ElementNode; readonly interaction: Interaction; readonly pseudo?: string },
): boolean {
  const colour = view.page.styles.colour(styled, "color")?.colour ?? null;
  const fill = view.page.styles.colour(styled, "-webkit-text-fill-color")?.colour ?? null;
  return colour?.alpha === 0 || fill?.alpha === 0;
}
