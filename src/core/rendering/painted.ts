import { faded, over, type Rgba, toHex, transparent } from "../colour/rgba.ts";
import type { Interaction } from "../css/match.ts";
import { splitAtCommas, splitAtSpaces } from "../css/split-value.ts";
import type { CascadedValue } from "../css/style.ts";
import type { Styled } from "../css/styles.ts";
import { elementsBelow, firstOf } from "../document/around.ts";
import type { ElementNode } from "../document/node.ts";
import { coverOrder } from "./cover-order.ts";
import { effectOf, opacityOf } from "./effects.ts";
import { gradientColours, gradientCovers, isGradientLine } from "./gradients.ts";
import { LITTLE } from "./little.ts";
import type { Page } from "./page.ts";
import {
  type Canvas,
  type Cover,
  type Extent,
  isMoved,
  lastInside,
  type PaintedPage,
  replaced,
} from "./painted-page.ts";
import { boxesInside, isPaintedLate, isStackingContext, zIndexOf } from "./stacking.ts";

/** What one sees at one spot of a text: the stroke of a letter, and beside it the ground. Both opaque. */
export interface Spot {
  readonly text: Rgba;
  readonly ground: Rgba;
}

/** The colours a text meets, or why source cannot tell. */
export interface Painted {
  /** Every pair that may occur; one, unless a gradient or an unknown place lies under the text. */
  readonly spots: readonly Spot[];
  /** Null when the spots are all there can be. */
  readonly unknown: string | null;
  readonly foreground: CascadedValue | null;
  /** Whether it hangs on where exactly the element stands, so that others styled alike may differ. */
  readonly placeDependent: boolean;
  /** Whether the spots are those that may be, of which some are: a box that is placed freely may lie there or not. */
  readonly isOneOf: boolean;
  /** Whether what the page itself is drawn on shows through. */
  readonly showsCanvas: boolean;
  /** What the ground is made of, the nearest first. */
  readonly layers: readonly { readonly element: ElementNode; readonly value: CascadedValue }[];
}

/** A pair while it is being laid down, from the letters outward. */
interface Laying {
  readonly text: Rgba;
  readonly ground: Rgba;
}

/** More pairs than this are more than a person could look at: the ground counts as unknown. */
const MOST_SPOTS = 96;

/** What lies under the text of an element, and how the two meet. CSS Compositing 1 §3, CSS Backgrounds 3 §2. */
export function paintedText(
  page: Page,
  paintedPage: PaintedPage,
  element: ElementNode,
  interaction: Interaction,
  foregroundOf: { readonly pseudo?: string } = {},
): Painted {
  const { styles, index } = page;
  const styled = { element, interaction };
  const drawn = element.namespace === "svg" ? styles.value(element, "fill", interaction) : null;
  const fill = styles.colour({ ...styled, ...foregroundOf }, "-webkit-text-fill-color");
  const computed = styles.colour({ ...styled, ...foregroundOf }, "color");
  const usesFill =
    fill?.value.own === true || (fill?.value.text ?? "currentcolor").toLowerCase() !== "currentcolor";
  const foreground =
    drawn === null
      ? usesFill
        ? fill
        : computed
      : { colour: drawn.text === null ? null : styles.colourWithin(styled, drawn.text), value: drawn };
  const layers: { element: ElementNode; value: CascadedValue }[] = [];
  const open = (unknown: string): Painted => ({
    spots: [],
    unknown,
    foreground: foreground?.value ?? null,
    placeDependent: false,
    isOneOf: false,
    showsCanvas: false,
    layers,
  });
  if (foreground?.colour == null)
    return open("the colour of the text hangs on something that source does not give");

  const opacity =
    foregroundOf.pseudo === undefined
      ? 1
      : (opacityOf(styles.pseudoValue(element, foregroundOf.pseudo, "opacity", interaction)?.text ?? "1") ??
        1);
  let laid: readonly Laying[] = [{ text: faded(foreground.colour, opacity), ground: transparent }];
  const { pseudo } = foregroundOf;
  if (pseudo !== undefined) {
    const own = layBackground(page, { ...styled, pseudo }, laid, opacity);
    if ("unknown" in own) return open(own.unknown);
    laid = own.laid;
    if (own.value !== null) layers.push({ element, value: own.value });
    const position = styles.pseudoValue(element, pseudo, "position", interaction)?.text?.toLowerCase();
    if (/^(?:absolute|fixed)$/.test(position ?? "") && !isOpaque(laid))
      return open(`::${pseudo} is placed by itself (position: ${position})`);
  }
  if (drawn !== null && isOverShapes(page, element)) return open("shapes are drawn under it");
  let moved: { readonly element: ElementNode; readonly why: string } | null = null;
  const covers = coverOrder(page, paintedPage, element);
  if (covers.over !== null) return open(`a box is laid over <${covers.over.tag}>`);
  /** Whether the text is painted later than what is in the flow. */
  let isLate = false;
  let overPlaced = false;
  let isOneOf = false;
  /** The element below is moved a little within the flow: it may stand beside this one's background. */
  let shifted = false;
  /** Whether it lies below what is around it, up to the next stacking context. */
  let isSunk = false;
  let child: ElementNode | null = null;
  for (let ancestor: ElementNode | null = element; ancestor !== null; ancestor = index.flatParent(ancestor)) {
    const here: Styled = { element: ancestor, interaction };
    const value = (property: string) => styles.value(ancestor as ElementNode, property, interaction);
    if (styles.likeness(here) === null) return open("it is not in the page as source shows it");
    // What has no box paints nothing and changes nothing. CSS Display 3 §2.5.
    if (value("display")?.text?.toLowerCase() === "contents") continue;
    if (isSunk && paintsBackground(page, here))
      return open(`it lies behind the background of <${ancestor.tag}>`);
    if (!isOpaque(laid)) {
      if (moved !== null)
        return overAnything(
          laid,
          outside(page, paintedPage, moved.element),
          moved.why,
          foreground.value,
          layers,
          paintedPage.canvas,
        );
      if (
        !overPlaced &&
        (paintedPage.aroundPositioned.get(ancestor) === "behind" ||
          (isLate && paintedPage.aroundPositioned.has(ancestor)))
      ) {
        overPlaced = true;
        if (paintedPage.placed.pictures) return open("a picture placed on the page may lie behind it");
        laid = withEach(laid, paintedPage.placed.colours);
        isOneOf = true;
        if (laid.length > MOST_SPOTS)
          return open("many coloured boxes are placed on the page, and one may lie behind it");
      }
      const beside = child === null ? null : paintedBeside(page, paintedPage, ancestor, child);
      if (beside !== null) {
        if (beside.hasPictures) return open("what is pulled over it may lie behind it, or before it");
        laid = withEach(laid, beside.colours);
        isOneOf ||= beside.colours.length > 0;
      }
      const behind = layCovers(page, covers.behind.get(ancestor), interaction, laid);
      if ("unknown" in behind) return open(behind.unknown);
      laid = behind.laid;
      layers.push(...behind.layers);
      const aside = shifted ? laid : [];
      shifted = false;
      const clip = value("background-clip")?.text?.toLowerCase() ?? "border-box";
      const shadows = insetShadows(page, here);
      if (shadows === null)
        return open(`the shadow of <${ancestor.tag}> hangs on something that source does not give`);
      for (const { colour, isWhole } of shadows) {
        laid = [...laid.map((pair) => layOver(pair, colour)), ...(isWhole ? [] : laid)];
        isOneOf ||= !isWhole;
      }
      const painter = painterOf(page, paintedPage.canvas, ancestor);
      const own =
        painter === null
          ? { laid, value: null }
          : layBackground(page, { element: painter, interaction }, laid);
      if ("unknown" in own) return open(own.unknown);
      if (own.value !== null) layers.push({ element: painter ?? ancestor, value: own.value });
      if (clip.split(/\s*,\s*/).includes("text") && ancestor === element)
        return open("its background is cut to the shape of the letters");
      laid = own.laid;
      if (own.value !== null && aside.length > 0) {
        laid = [...laid, ...aside];
        isOneOf = true;
      }
    }
    const effect = effectOf(page, ancestor, interaction);
    if (effect.unknown !== null) return open(`${effect.unknown} on <${ancestor.tag}> changes its colours`);
    const { opacity: elementOpacity } = effect;
    if (elementOpacity < 1)
      laid = laid.map(({ text, ground }) => ({
        text: faded(text, elementOpacity),
        ground: faded(ground, elementOpacity),
      }));
    const below = layCovers(page, covers.below.get(ancestor), interaction, laid);
    if ("unknown" in below) return open(below.unknown);
    laid = below.laid;
    layers.push(...below.layers);
    isLate ||= isPaintedLate(page, ancestor);
    if (isSunk) isSunk = !isStackingContext(page, ancestor);
    isSunk ||= (zIndexOf(page, ancestor) ?? 0) < 0;
    child = ancestor;
    if (isOpaque(laid)) continue;
    if (effect.touchesBackdrop)
      return open(`backdrop-filter on <${ancestor.tag}> changes what lies behind it`);
    const position = value("position")?.text?.toLowerCase() ?? null;
    if (moved === null) {
      const why = whyMoved(page, ancestor, interaction, position);
      if (why === "shifted") shifted = true;
      else if (why !== null) moved = { element: ancestor, why };
    }
  }
  const { window } = paintedPage.canvas;
  return {
    spots: laid.map(({ text, ground }) => ({ text: over(text, window), ground: over(ground, window) })),
    unknown: null,
    foreground: foreground.value,
    placeDependent: false,
    isOneOf,
    showsCanvas: !isOpaque(laid),
    layers,
  };
}

/** Whether something is drawn before a text of a drawing: it may lie under it. SVG 2 §3.3, "rendering order". */
function isOverShapes({ index }: Page, text: ElementNode): boolean {
  let root = text;
  for (let up = index.flatParent(text); up?.namespace === "svg"; up = index.flatParent(up)) root = up;
  const { order } = index.record(text);
  return (
    firstOf(
      elementsBelow(index, root),
      (element) =>
        index.record(element).order < order &&
        !/^(?:g|a|defs|title|desc|style|text|tspan|metadata)$/.test(element.tag),
    ) !== null
  );
}

/** Whose background is painted at an element: the root paints that of the canvas, its owner none. */
function painterOf(page: Page, { owner }: Canvas, element: ElementNode): ElementNode | null {
  if (page.index.flatParent(element) === null) return owner ?? element;
  return element === owner ? null : element;
}

const withEach = (laid: readonly Laying[], colours: readonly Rgba[]): readonly Laying[] => [
  ...laid,
  ...colours.flatMap((colour) => laid.map((pair) => layOver(pair, colour))),
];

/** Lays boxes under what is laid already, the uppermost first. */
function layCovers(
  page: Page,
  covers: readonly Cover[] | undefined,
  interaction: Interaction,
  before: readonly Laying[],
): { readonly laid: readonly Laying[]; readonly layers: Painted["layers"] } | { readonly unknown: string } {
  let laid = before;
  const layers: { element: ElementNode; value: CascadedValue }[] = [];
  for (const { styled, opacity } of isOpaque(before) ? [] : (covers ?? [])) {
    const under = layBackground(page, { ...styled, interaction }, laid, opacity);
    if ("unknown" in under) return under;
    laid = under.laid;
    if (under.value !== null) layers.push({ element: styled.element, value: under.value });
  }
  return { laid, layers };
}

/** What is painted by children of one element that lie on one of them, or under it; null where none does. */
function paintedBeside(
  page: Page,
  { overlaps }: PaintedPage,
  parent: ElementNode,
  child: ElementNode,
): Beside | null {
  const pulled = overlaps.get(parent);
  if (pulled === undefined) return null;
  const { index, styles } = page;
  const before = boxesInside(page, parent).filter((one) => lastInside(page, one) < index.record(child).order);
  const others = pulled.includes(child) ? [...before, ...pulled] : pulled;
  const colours = new Map<string, Rgba>();
  let hasPictures = false;
  for (const other of new Set(others)) {
    if (other === child) continue;
    for (const inside of [other, ...elementsBelow(index, other)]) {
      const colour = styles.colour({ element: inside }, "background-color")?.colour ?? null;
      const image = styles.keyword(inside, "background-image");
      // What is positioned in it may lie over everything.
      const isLate =
        isPaintedLate(page, inside) ||
        ["before", "after"].some((pseudo) => styles.likeness({ element: inside, pseudo }) !== null);
      if (isLate || image !== "none" || colour === null || replaced.has(inside.tag)) hasPictures = true;
      else if (colour.alpha > 0) colours.set(toHex(colour), colour);
    }
  }
  return { colours: [...colours.values()], hasPictures };
}

interface Beside {
  readonly colours: readonly Rgba[];
  readonly hasPictures: boolean;
}

/** Lays what a box paints behind its content: its pictures, and under them its colour. */
function layBackground(
  page: Page,
  styled: Styled,
  before: readonly Laying[],
  opacity = 1,
): { readonly laid: readonly Laying[]; readonly value: CascadedValue | null } | { readonly unknown: string } {
  const { styles } = page;
  const { element, pseudo, interaction } = styled;
  const value = (property: string) =>
    pseudo === undefined
      ? styles.value(element, property, interaction)
      : styles.pseudoValue(element, pseudo, property, interaction);
  const named = pseudo === undefined ? `<${element.tag}>` : `<${element.tag}>::${pseudo}`;
  const colour = styles.colour(styled, "background-color");
  if (colour === null || colour.colour === null)
    return { unknown: `the background of ${named} hangs on something that source does not give` };
  const image = value("background-image")?.text ?? null;
  if (image === null)
    return { unknown: `the background picture of ${named} hangs on something that source does not give` };
  let laid = before;
  for (const layer of splitAtCommas(image)) {
    if (layer.toLowerCase() === "none") continue;
    const stops = gradientColours(page, styled, layer);
    if (stops === null)
      return {
        unknown: /^url|image-set|image\(/i.test(layer)
          ? "a picture lies behind it"
          : "a gradient that source does not give lies behind it",
      };
    const [repeat, size] = [value("background-repeat")?.text ?? "", value("background-size")?.text ?? ""];
    if (isGradientLine(repeat, size)) continue;
    const covers = gradientCovers(repeat, size);
    const next = [
      ...laid.flatMap((pair) => stops.map((stop) => layOver(pair, faded(stop, opacity)))),
      ...(covers ? [] : laid),
    ];
    if (next.length > MOST_SPOTS) return { unknown: "several gradients lie behind it" };
    laid = next;
  }
  const ground = faded(colour.colour, opacity);
  const isPainted = image.toLowerCase() !== "none" || ground.alpha > 0;
  return {
    laid: laid.map((pair) => layOver(pair, ground)),
    value: !isPainted ? null : ground.alpha > 0 ? colour.value : (value("background-image") ?? colour.value),
  };
}

/** Whether a box paints a background. */
function paintsBackground(page: Page, styled: Styled): boolean {
  const laid = layBackground(page, styled, []);
  return "unknown" in laid || laid.value !== null;
}

/** Inset shadows wider than this, in CSS pixels, fill any box. */
const FILLING = 100;

/** Shadows that are painted inside a box, over its background; null where one is not known. CSS Backgrounds 3 §6.1. */
function insetShadows(
  page: Page,
  styled: Styled,
): readonly { readonly colour: Rgba; readonly isWhole: boolean }[] | null {
  const text = page.styles.value(styled.element, "box-shadow", styled.interaction)?.text ?? null;
  if (text === null) return null;
  if (!/\binset\b/i.test(text)) return [];
  const shadows: { colour: Rgba; isWhole: boolean }[] = [];
  for (const shadow of splitAtCommas(text)) {
    const words = splitAtSpaces(shadow);
    if (!words.some((word) => word.toLowerCase() === "inset")) continue;
    const lengths = words
      .filter((word) => /^[+-]?[\d.]/.test(word))
      .map((word) => Number.parseFloat(word) * (/em$/i.test(word) ? 16 : 1));
    const [x = 0, y = 0, blur = 0, spread = 0] = lengths;
    const rest = words.filter((word) => !/^[+-]?[\d.]/.test(word) && word.toLowerCase() !== "inset");
    const colour = page.styles.colourWithin(styled, rest[0] ?? "currentcolor");
    if (colour === null) return null;
    if (colour.alpha === 0 || Math.max(Math.abs(x), Math.abs(y)) + blur + spread <= LITTLE) continue;
    shadows.push({ colour, isWhole: spread - blur >= FILLING });
  }
  return shadows;
}

const layOver = ({ text, ground }: Laying, below: Rgba): Laying => ({
  text: over(text, below),
  ground: over(ground, below),
});
const isOpaque = (laid: readonly Laying[]): boolean => laid.every(({ ground }) => ground.alpha >= 0.999);

/** Why an element may stand elsewhere than on its parent, `shifted` when only a little; null when it stands there. */
function whyMoved(
  page: Page,
  element: ElementNode,
  interaction: Interaction,
  position: string | null,
): string | null {
  if (position === null) return "its place hangs on something that source does not give";
  if (position === "absolute" || position === "fixed")
    return `<${element.tag}> is placed by itself (position: ${position})`;
  if (isMoved(page, element, ["margin-top", "margin-right", "margin-bottom", "margin-left"]))
    return "shifted";
  const transform = page.styles.value(element, "transform", interaction)?.text?.toLowerCase() ?? "none";
  return /translate|matrix/.test(transform) ? `<${element.tag}> is moved by a transform` : null;
}

/** The ground is one of all the colours of the page: certain only if the verdict is the same on each. */
function overAnything(
  laid: readonly Laying[],
  elsewhere: { readonly colours: readonly Rgba[]; readonly hasPictures: boolean },
  reason: string,
  foreground: CascadedValue,
  layers: Painted["layers"],
  { colour: canvas, isOpen }: Canvas,
): Painted {
  const grounds = [canvas, ...elsewhere.colours];
  const spots = laid.flatMap((pair) =>
    grounds.map((ground) => ({
      text: over(pair.text, over(ground, canvas)),
      ground: over(pair.ground, over(ground, canvas)),
    })),
  );
  const unknown =
    isOpen || elsewhere.hasPictures || spots.length > MOST_SPOTS
      ? `${reason}, and what it lies on is not plain from source`
      : null;
  return {
    spots: spots.slice(0, MOST_SPOTS),
    unknown,
    foreground,
    placeDependent: true,
    isOneOf: true,
    showsCanvas: true,
    layers,
  };
}

/** What is painted by anything but an element and what is in it. */
function outside(
  page: Page,
  paintedPage: PaintedPage,
  element: ElementNode,
): { readonly colours: readonly Rgba[]; readonly hasPictures: boolean } {
  const start = page.index.record(element).order;
  const end = lastInside(page, element);
  const isOutside = ({ first, last }: Extent) => first < start || last > end;
  return {
    colours: paintedPage.colours.filter(isOutside).map(({ colour }) => colour),
    hasPictures: paintedPage.pictures !== null && isOutside(paintedPage.pictures),
  };
}
