import { resolveColour } from "../colour/resolve-colour.ts";
import { faded, over, type Rgba, rgba, transparent } from "../colour/rgba.ts";
import { NO } from "../css/certainty.ts";
import type { Interaction } from "../css/match.ts";
import { functionCall, splitAtCommas, splitAtSpaces } from "../css/split-value.ts";
import type { CascadedValue } from "../css/style.ts";
import type { ElementNode } from "../document/node.ts";
import { textContent } from "../document/text-content.ts";
import type { Page } from "./page.ts";
import type { PresenceMap } from "./presence.ts";

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

/** How finely the way from one stop of a gradient to the next is looked at. */
const GRADIENT_STEPS = 12;

/** Everything on the page that something out of the flow may happen to lie on. */
export interface PaintedPage {
  /** Background colours with the first and last element, by document order, that paints them. */
  readonly colours: readonly ({ readonly colour: Rgba } & Extent)[];
  readonly pictures: Extent | null;
  /** Ancestors of positioned pictures and coloured boxes: text inside may lie over or under those. */
  readonly aroundPositioned: ReadonlyMap<ElementNode, "behind" | "before">;
  /** What those paint; `pictures` where some of it is no single colour. */
  readonly placed: { readonly colours: readonly Rgba[]; readonly pictures: boolean };
}

/** Places in document order. */
interface Extent {
  readonly first: number;
  readonly last: number;
}

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
  const fill = styles.colour({ ...styled, ...foregroundOf }, "-webkit-text-fill-color");
  const computed = styles.colour({ ...styled, ...foregroundOf }, "color");
  const usesFill =
    fill?.value.own === true || (fill?.value.text ?? "currentcolor").toLowerCase() !== "currentcolor";
  const foreground = usesFill ? fill : computed;
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
  let moved: { readonly element: ElementNode; readonly why: string } | null = null;
  let isPositioned = false;
  let overPlaced = false;
  let isOneOf = false;
  /** The element below is moved a little within the flow: it may stand beside this one's background. */
  let shifted = false;
  for (let ancestor: ElementNode | null = element; ancestor !== null; ancestor = index.flatParent(ancestor)) {
    const here = { element: ancestor, interaction };
    const value = (property: string) => styles.value(ancestor as ElementNode, property, interaction);
    if (styles.likeness(here) === null) return open("it is not in the page as source shows it");
    if (!isOpaque(laid)) {
      if (moved !== null)
        return overAnything(
          laid,
          outside(page, paintedPage, moved.element),
          moved.why,
          foreground.value,
          layers,
          rootCanvas(page),
        );
      if (
        !overPlaced &&
        (paintedPage.aroundPositioned.get(ancestor) === "behind" ||
          (isPositioned && paintedPage.aroundPositioned.has(ancestor)))
      ) {
        overPlaced = true;
        if (paintedPage.placed.pictures) return open("a picture placed on the page may lie behind it");
        laid = [
          ...laid,
          ...paintedPage.placed.colours.flatMap((colour) => laid.map((pair) => layOver(pair, colour))),
        ];
        isOneOf = true;
        if (laid.length > MOST_SPOTS)
          return open("many coloured boxes are placed on the page, and one may lie behind it");
      }
      const beside = shifted ? laid : [];
      shifted = false;
      const colour = styles.colour(here, "background-color");
      if (colour === null || colour.colour === null)
        return open(`the background of <${ancestor.tag}> hangs on something that source does not give`);
      const image = value("background-image")?.text ?? null;
      if (image === null)
        return open(
          `the background picture of <${ancestor.tag}> hangs on something that source does not give`,
        );
      const clip = value("background-clip")?.text?.toLowerCase() ?? "border-box";
      if (image.toLowerCase() !== "none" || colour.colour.alpha > 0)
        layers.push({
          element: ancestor,
          value: colour.colour.alpha > 0 ? colour.value : (value("background-image") ?? colour.value),
        });
      if (clip.split(/\s*,\s*/).includes("text") && ancestor === element)
        return open("its background is cut to the shape of the letters");
      for (const layer of splitAtCommas(image)) {
        if (layer.toLowerCase() === "none") continue;
        const stops = gradientColours(page, ancestor, interaction, layer);
        if (stops === null)
          return open(
            /^url|image-set|image\(/i.test(layer)
              ? "a picture lies behind it"
              : "a gradient that source does not give lies behind it",
          );
        const covers = gradientCovers(
          value("background-repeat")?.text ?? "",
          value("background-size")?.text ?? "",
        );
        const next = [
          ...laid.flatMap((pair) => stops.map((stop) => layOver(pair, stop))),
          ...(covers ? [] : laid),
        ];
        if (next.length > MOST_SPOTS) return open("several gradients lie behind it");
        laid = next;
      }
      const ground = colour.colour;
      laid = laid.map((pair) => layOver(pair, ground));
      const bare = image.toLowerCase() === "none" && ground.alpha === 0;
      if (!bare && beside.length > 0) {
        laid = [...laid, ...beside];
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
    if (isOpaque(laid)) continue;
    if (effect.touchesBackdrop)
      return open(`backdrop-filter on <${ancestor.tag}> changes what lies behind it`);
    const position = value("position")?.text?.toLowerCase() ?? null;
    if (position !== "static") isPositioned = true;
    if (moved === null) {
      const why = whyMoved(page, ancestor, interaction, position);
      if (why === "shifted") shifted = true;
      else if (why !== null) moved = { element: ancestor, why };
    }
  }
  const canvas = rootCanvas(page);
  return {
    spots: laid.map(({ text, ground }) => ({ text: over(text, canvas), ground: over(ground, canvas) })),
    unknown: null,
    foreground: foreground.value,
    placeDependent: false,
    isOneOf,
    showsCanvas: !isOpaque(laid),
    layers,
  };
}

const layOver = ({ text, ground }: Laying, below: Rgba): Laying => ({
  text: over(text, below),
  ground: over(ground, below),
});
const isOpaque = (laid: readonly Laying[]): boolean => laid.every(({ ground }) => ground.alpha >= 0.999);

/** What an element does to everything painted in it. */
interface Effect {
  readonly opacity: number;
  /** The property that changes the colours in a way we do not follow; null for none. */
  readonly unknown: string | null;
  readonly touchesBackdrop: boolean;
}

const knownEffects = new WeakMap<object, Effect>();

function effectOf(page: Page, element: ElementNode, interaction: Interaction): Effect {
  const likeness = page.styles.likeness({ element, interaction });
  const known = likeness === null ? undefined : knownEffects.get(likeness);
  if (known !== undefined) return known;
  const value = (property: string) => page.styles.value(element, property, interaction)?.text ?? null;
  const opacityText = value("opacity");
  const opacity = opacityText === null ? null : opacityOf(opacityText);
  const unfollowed = effects.find(([property, idle]) => !idle.test(value(property) ?? "unknown"));
  const effect: Effect = {
    opacity: opacity ?? 1,
    unknown: opacity === null ? "opacity" : (unfollowed?.[0] ?? null),
    touchesBackdrop: value("backdrop-filter")?.toLowerCase() !== "none",
  };
  if (likeness !== null) knownEffects.set(likeness, effect);
  return effect;
}

/** Properties that change colours already painted, and the values at which they do not. */
const effects: readonly (readonly [property: string, idle: RegExp])[] = [
  ["filter", /^(?:none|drop-shadow\((?:[^()]|\([^()]*\))*\)|opacity\(1(?:00%)?\))$/i],
  ["mix-blend-mode", /^normal$/i],
  ["mask-image", /^none$/i],
];

/** 0 to 1; null for what is no number. */
export function opacityOf(text: string): number | null {
  const match = /^([+-]?[\d.]+(?:e[+-]?\d+)?)(%?)$/i.exec(text.trim());
  return match === null ? null : Math.max(0, Math.min(1, Number(match[1]) / (match[2] === "%" ? 100 : 1)));
}

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
  for (const side of ["margin-top", "margin-right", "margin-bottom", "margin-left"]) {
    // Most margins are not negative, and need not be measured to see it.
    if (page.styles.value(element, side, interaction)?.text?.includes("-") !== true) continue;
    const pixels = page.styles.pixels({ element, interaction }, side);
    if (pixels !== null && pixels < -LITTLE) return "shifted";
  }
  const transform = page.styles.value(element, "transform", interaction)?.text?.toLowerCase() ?? "none";
  return /translate|matrix/.test(transform) ? `<${element.tag}> is moved by a transform` : null;
}

/** Moves smaller than this, in CSS pixels, keep text on its ground. */
const LITTLE = 8;

/** The ground is one of all the colours of the page: certain only if the verdict is the same on each. */
function overAnything(
  laid: readonly Laying[],
  elsewhere: { readonly colours: readonly Rgba[]; readonly hasPictures: boolean },
  reason: string,
  foreground: CascadedValue,
  layers: Painted["layers"],
  canvas: Rgba,
): Painted {
  const grounds = [canvas, ...elsewhere.colours];
  const spots = laid.flatMap((pair) =>
    grounds.map((ground) => ({
      text: over(pair.text, over(ground, canvas)),
      ground: over(pair.ground, over(ground, canvas)),
    })),
  );
  const unknown =
    elsewhere.hasPictures || spots.length > MOST_SPOTS
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
  const { index } = page;
  const start = index.record(element).order;
  let inner = element;
  for (
    let last = index.childElements(inner).at(-1);
    last !== undefined;
    last = index.childElements(inner).at(-1)
  )
    inner = last;
  const end = index.record(inner).order;
  const isOutside = ({ first, last }: Extent) => first < start || last > end;
  return {
    colours: paintedPage.colours.filter(isOutside).map(({ colour }) => colour),
    hasPictures: paintedPage.pictures !== null && isOutside(paintedPage.pictures),
  };
}

/** What the window shows where nothing is painted. CSS Color Adjust 1 §2.4. */
function rootCanvas(page: Page): Rgba {
  const root = page.index.document.children.find((node) => node.kind === "element");
  const scheme = root?.kind === "element" ? page.styles.scheme(root) : "light";
  return resolveColour("canvas", { current: null, scheme }) ?? rgba(1, 1, 1);
}

/** Whether the gradient fills its whole box. CSS Backgrounds 3 §2.9. */
const gradientCovers = (repeat: string, size: string): boolean =>
  !/no-repeat|repeat-[xy]|space|round/i.test(repeat) ||
  /^(?:auto|cover|100%|auto auto|100% 100%)$/i.test(size.trim());

/** The colours a gradient runs through, samples between its stops included; null when some are not known. CSS Images 4 §3. */
function gradientColours(
  page: Page,
  element: ElementNode,
  interaction: Interaction,
  image: string,
): readonly Rgba[] | null {
  const call = functionCall(image);
  if (call === null || !/^(?:-webkit-)?(?:repeating-)?(?:linear|radial|conic)-gradient$/.test(call.name))
    return null;
  const stops: Rgba[] = [];
  for (const [i, part] of splitAtCommas(call.argument).entries()) {
    const words = splitAtSpaces(part);
    const found = words
      .map((word) => page.styles.colourWithin({ element, interaction }, word))
      .find((colour) => colour !== null);
    if (found !== undefined) stops.push(found);
    else if (i > 0 && !/^[+-]?[\d.]+(?:%|px|em|rem|deg|turn)$/i.test(part.trim())) return null;
    else if (i === 0 && looksLikeColour.test(words[0] ?? "")) return null;
    else if (/\bin\s+(?!srgb\b)/i.test(part)) return null;
  }
  if (stops.length === 0) return null;
  const samples: Rgba[] = [];
  for (const [i, stop] of stops.entries()) {
    const next = stops[i + 1];
    samples.push(stop);
    if (next === undefined || sameColour(stop, next)) continue;
    for (let step = 1; step < GRADIENT_STEPS; step++)
      samples.push(between(stop, next, step / GRADIENT_STEPS));
  }
  return samples;
}

const looksLikeColour = /^(?:#|rgb|hsl|hwb|lab|lch|oklab|oklch|color|var)/i;
const sameColour = (a: Rgba, b: Rgba): boolean =>
  a.r === b.r && a.g === b.g && a.b === b.b && a.alpha === b.alpha;

/** Premultiplied, as gradients are drawn. */
function between(a: Rgba, b: Rgba, share: number): Rgba {
  const alpha = a.alpha * (1 - share) + b.alpha * share;
  if (alpha === 0) return transparent;
  const channel = (x: number, y: number) => (x * a.alpha * (1 - share) + y * b.alpha * share) / alpha;
  return rgba(channel(a.r, b.r), channel(a.g, b.g), channel(a.b, b.b), alpha);
}

const replaced = new Set(["img", "video", "canvas", "iframe", "object", "embed", "picture"]);

/** Looks once at what the page paints: every background colour, whether there are pictures, and what is placed freely. */
export function paintedPageOf(page: Page, presence: PresenceMap): PaintedPage {
  const { index, styles } = page;
  const colours = new Map<string, { readonly colour: Rgba } & Extent>();
  const aroundPositioned = new Map<ElementNode, "behind" | "before">();
  const pictures: number[] = [];
  const placedColours = new Map<string, Rgba>();
  let placedPictures = false;
  for (const [order, element] of index.elements.entries()) {
    if (element.tag === "html" || element.tag === "body" || presence.of(element).visible === NO) continue;
    const isReplaced = replaced.has(element.tag) || element.tag === "svg";
    const image = styles.keyword(element, "background-image");
    const colour = styles.colour({ element }, "background-color")?.colour ?? null;
    const isPicture = (isReplaced && element.tag !== "svg") || image !== "none" || colour === null;
    if (isPicture) pictures.push(order);
    else if (colour.alpha > 0) {
      const key = `${colour.r},${colour.g},${colour.b},${colour.alpha}`;
      colours.set(key, { colour, first: colours.get(key)?.first ?? order, last: order });
    } else if (!isReplaced) continue;
    const position = styles.keyword(element, "position");
    if ((position !== "absolute" && position !== "fixed") || isTiny(page, element)) continue;
    // Nobody puts text over a box that holds text: only what is empty can be meant to lie behind.
    if (textContent(element) !== "") continue;
    if (isPicture) placedPictures = true;
    else if (colour.alpha > 0)
      placedColours.set(`${colour.r},${colour.g},${colour.b},${colour.alpha}`, colour);
    const kind = Number(styles.keyword(element, "z-index")) < 0 ? "behind" : "before";
    for (let up = index.flatParent(element); up !== null; up = index.flatParent(up)) {
      if (aroundPositioned.get(up) === "behind" || aroundPositioned.get(up) === kind) break;
      aroundPositioned.set(up, kind);
    }
  }
  const [firstPicture] = pictures;
  return {
    colours: [...colours.values()],
    pictures:
      firstPicture === undefined ? null : { first: firstPicture, last: pictures.at(-1) ?? firstPicture },
    aroundPositioned,
    placed: { colours: [...placedColours.values()], pictures: placedPictures },
  };
}

/** Boxes too small to lie under a word. */
function isTiny(page: Page, element: ElementNode): boolean {
  const width = page.styles.pixels({ element }, "width");
  const height = page.styles.pixels({ element }, "height");
  return (width !== null && width <= LITTLE) || (height !== null && height <= LITTLE);
}
