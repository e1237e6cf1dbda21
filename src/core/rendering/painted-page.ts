import { resolveColour } from "../colour/resolve-colour.ts";
import { over, type Rgba, rgba } from "../colour/rgba.ts";
import { NO } from "../css/certainty.ts";
import type { Styled } from "../css/styles.ts";
import type { ElementNode } from "../document/node.ts";
import { textContent } from "../document/text-content.ts";
import { opacityOf } from "./effects.ts";
import { LITTLE } from "./little.ts";
import type { Page } from "./page.ts";
import type { PresenceMap } from "./presence.ts";
import { boxAround, isPositioned, isStackingContext, zIndexOf } from "./stacking.ts";

/** Everything on the page that something out of the flow may happen to lie on. */
export interface PaintedPage {
  /** What the window shows where nothing is painted: the page's own background, which covers it. */
  readonly canvas: Canvas;
  /** Background colours with the first and last element, by document order, that paints them. */
  readonly colours: readonly ({ readonly colour: Rgba } & Extent)[];
  readonly pictures: Extent | null;
  /** Ancestors of positioned pictures and coloured boxes: text inside may lie over or under those. */
  readonly aroundPositioned: ReadonlyMap<ElementNode, "behind" | "before">;
  /** What those paint; `pictures` where some of it is no single colour. */
  readonly placed: { readonly colours: readonly Rgba[]; readonly pictures: boolean };
  /** Boxes that are placed so that they cover another from edge to edge, by the stacking contexts that they are painted in. */
  readonly covers: ReadonlyMap<ElementNode, readonly Cover[]>;
  /** Elements in which texts that are styled alike may lie on different things: what covers cover, and what holds such children. */
  readonly uneven: ReadonlySet<ElementNode>;
  /** Children that lie on others of the same parent: in one cell of a grid, or pulled there by a margin. */
  readonly overlaps: ReadonlyMap<ElementNode, readonly ElementNode[]>;
}

/** What the page itself is drawn on. Opaque. */
export interface Canvas {
  /** What the window shows under everything. CSS Color Adjust 1 §2.4. */
  readonly window: Rgba;
  readonly colour: Rgba;
  /** Whose background it is: that is painted here, and not with the element. */
  readonly owner: ElementNode | null;
  /** Whether it is a picture, or unknown: then the colour is that of the window. */
  readonly isOpen: boolean;
}

/** A box without words that covers its containing block, as it is painted in one stacking context. */
export interface Cover {
  readonly styled: Styled;
  /** What it covers. */
  readonly covered: ElementNode;
  /** Its level in the context; that of the innermost context that holds it, where it is painted in one of its own. */
  readonly zIndex: number;
  /** Where that stands among all elements, a pseudo-element between them. */
  readonly order: number;
  /** Where it is painted among all covers that are painted with it. */
  readonly within: readonly number[];
  /** What is left of it by its own opacity and that of what it is in. */
  readonly opacity: number;
}

/** Places in document order. */
export interface Extent {
  readonly first: number;
  readonly last: number;
}

/** Elements that show what is not in the page. */
export const replaced = new Set(["img", "video", "canvas", "iframe", "object", "embed", "picture"]);

/** Looks once at what the page paints: every background colour, whether there are pictures, and what is placed freely. */
export function paintedPageOf(page: Page, presence: PresenceMap): PaintedPage {
  const { index, styles } = page;
  const found = new PaintedThings(page);
  const canvas = canvasOf(page);
  for (const [order, element] of index.elements.entries()) {
    if (presence.of(element).visible === NO) continue;
    found.addOverlap(element);
    if (element === canvas.owner) continue;
    const isReplaced = replaced.has(element.tag) || element.tag === "svg";
    const image = styles.keyword(element, "background-image");
    const colour = styles.colour({ element }, "background-color")?.colour ?? null;
    const isPicture = (isReplaced && element.tag !== "svg") || image !== "none" || colour === null;
    const isPainted = isPicture || colour.alpha > 0;
    if (styles.keyword(element, "display") !== "contents" && (isPainted || isReplaced)) {
      if (isPainted) found.add(order, isPicture ? null : colour);
      const position = styles.keyword(element, "position");
      // Nobody puts text over a box that holds text: only what is empty can be meant to lie behind.
      if ((position === "absolute" || position === "fixed") && textContent(element) === "")
        found.addPlaced({ element }, order, isPicture || isReplaced ? null : colour);
    }
    for (const pseudo of ["before", "after"]) found.addPseudo(element, pseudo, order);
  }
  return found.all(canvas);
}

/** The page's own background, which is that of the root or else of the body. CSS Backgrounds 3 §2.11. */
function canvasOf(page: Page): Canvas {
  const { index, styles } = page;
  const root = index.document.children.find((node) => node.kind === "element") ?? null;
  const scheme = root === null ? "light" : styles.scheme(root);
  const window = resolveColour("canvas", { current: null, scheme }) ?? rgba(1, 1, 1);
  const body = root === null ? null : (index.childElements(root).find(({ tag }) => tag === "body") ?? null);
  for (const element of [root, body]) {
    if (element === null) continue;
    const image = styles.keyword(element, "background-image");
    const colour = styles.colour({ element }, "background-color")?.colour ?? null;
    if (image === "none" && colour?.alpha === 0) continue;
    const isOpen = image !== "none" || colour === null;
    return { window, colour: isOpen ? window : over(colour, window), owner: element, isOpen };
  }
  return { window, colour: window, owner: null, isOpen: false };
}

class PaintedThings {
  readonly #page: Page;
  readonly #colours = new Map<string, { readonly colour: Rgba } & Extent>();
  readonly #pictures: number[] = [];
  readonly #aroundPositioned = new Map<ElementNode, "behind" | "before">();
  readonly #placedColours = new Map<string, Rgba>();
  #placedPictures = false;
  readonly #covers = new Map<ElementNode, Cover[]>();
  readonly #overlaps = new Map<ElementNode, ElementNode[]>();
  readonly #cells = new Map<ElementNode, Map<string, ElementNode>>();

  constructor(page: Page) {
    this.#page = page;
  }

  all(canvas: Canvas): PaintedPage {
    const [first] = this.#pictures;
    return {
      canvas,
      colours: [...this.#colours.values()],
      pictures: first === undefined ? null : { first, last: this.#pictures.at(-1) ?? first },
      aroundPositioned: this.#aroundPositioned,
      placed: { colours: [...this.#placedColours.values()], pictures: this.#placedPictures },
      covers: this.#covers,
      uneven: new Set([
        ...[...this.#covers.values()].flat().map(({ covered }) => covered),
        ...this.#overlaps.keys(),
      ]),
      overlaps: this.#overlaps,
    };
  }

  /** @param colour null for a picture, and for what is not known */
  add(order: number, colour: Rgba | null): void {
    if (colour === null) this.#pictures.push(order);
    else {
      const key = keyOf(colour);
      this.#colours.set(key, { colour, first: this.#colours.get(key)?.first ?? order, last: order });
    }
  }

  /** A box that stands where its offsets say: it covers what it is placed in, or lies somewhere there. */
  addPlaced(styled: Styled, order: number, colour: Rgba | null): void {
    if (isTiny(this.#page, styled) || isSeenThrough(this.#page, styled)) return;
    const { index } = this.#page;
    const zIndex = Number(keywordOf(this.#page, styled, "z-index"));
    const covered = coveredBy(this.#page, styled);
    if (covered !== null) {
      const level = Number.isNaN(zIndex) ? 0 : zIndex;
      const opacity = opacityOf(keywordOf(this.#page, styled, "opacity")) ?? 1;
      this.#addCover({ styled, covered, zIndex: level, order, within: [], opacity });
      return;
    }
    if (colour === null) this.#placedPictures = true;
    else if (colour.alpha > 0) this.#placedColours.set(keyOf(colour), colour);
    const kind = zIndex < 0 ? "behind" : "before";
    const within = styled.pseudo === undefined ? null : containingBlock(this.#page, styled);
    const start = styled.pseudo === undefined ? index.flatParent(styled.element) : styled.element;
    for (let up = start; up !== null; up = index.flatParent(up)) {
      const known = this.#aroundPositioned.get(up);
      if (known === "behind" || known === kind) break;
      this.#aroundPositioned.set(up, kind);
      if (up === within) break;
    }
  }

  /** In every context around it, the inner ones painted as one. */
  #addCover(cover: Cover): void {
    const { styled } = cover;
    const { index } = this.#page;
    let painted = cover;
    const first = styled.pseudo === undefined ? index.flatParent(styled.element) : styled.element;
    for (let up = first; up !== null; up = index.flatParent(up)) {
      if (!isStackingContext(this.#page, up)) continue;
      this.#covers.set(up, [...(this.#covers.get(up) ?? []), painted]);
      painted = {
        ...painted,
        zIndex: zIndexOf(this.#page, up) ?? 0,
        order: index.record(up).order,
        within: [painted.zIndex, painted.order, ...painted.within],
        opacity: painted.opacity * (opacityOf(this.#page.styles.keyword(up, "opacity") ?? "1") ?? 1),
      };
    }
  }

  /** `::before` and `::after` that are boxes with a background, placed by themselves. */
  addPseudo(element: ElementNode, pseudo: string, order: number): void {
    const { styles } = this.#page;
    const styled = { element, pseudo };
    if (styles.likeness(styled) === null) return;
    const value = (property: string) =>
      styles.pseudoValue(element, pseudo, property)?.text?.toLowerCase() ?? null;
    const content = value("content");
    if (content === "none" || content === "normal" || value("display") === "none") return;
    if (/[\p{L}\p{N}]/u.test(content ?? "") && !/^(?:url|attr|counter)/.test(content ?? "")) return;
    if (!/^(?:absolute|fixed)$/.test(value("position") ?? "")) return;
    const colour = styles.colour(styled, "background-color")?.colour ?? null;
    const isPicture = value("background-image") !== "none" || colour === null;
    if (!isPicture && colour.alpha === 0) return;
    const painted = isPicture ? null : colour;
    this.add(order, painted);
    const before = pseudo === "before" ? order : lastInside(this.#page, element);
    this.addPlaced(styled, before + 0.5, painted);
  }

  addOverlap(element: ElementNode): void {
    const { styles } = this.#page;
    const parent = boxAround(this.#page, element);
    if (parent === null) return;
    const add = (one: ElementNode) =>
      this.#overlaps.set(parent, [...new Set([...(this.#overlaps.get(parent) ?? []), one])]);
    if (isPulled(this.#page, element)) add(element);
    if (!styles.declares("grid-area") && !styles.declares("grid-row-start")) return;
    if (!/grid/.test(styles.keyword(parent, "display") ?? "")) return;
    const cell = cellOf(this.#page, element);
    if (cell === null) return;
    const cells = this.#cells.get(parent) ?? new Map<string, ElementNode>();
    this.#cells.set(parent, cells);
    const other = cells.get(cell);
    if (other === undefined) cells.set(cell, element);
    else {
      add(other);
      add(element);
    }
  }
}

const keyOf = ({ r, g, b, alpha }: Rgba): string => `${r},${g},${b},${alpha}`;

/** The place in document order of the last element inside one, itself where it holds none. */
export function lastInside({ index }: Page, element: ElementNode): number {
  let inner = element;
  for (
    let last = index.childElements(inner).at(-1);
    last !== undefined;
    last = index.childElements(inner).at(-1)
  )
    inner = last;
  return index.record(inner).order;
}

const keywordOf = ({ styles }: Page, { element, pseudo }: Styled, property: string): string =>
  (pseudo === undefined
    ? styles.keyword(element, property)
    : (styles.pseudoValue(element, pseudo, property)?.text?.toLowerCase() ?? null)) ?? "";

/** The cell of a grid that an element is put into by name or by both numbers; null where the grid puts it. */
function cellOf({ styles }: Page, element: ElementNode): string | null {
  const area = styles.keyword(element, "grid-area") ?? "auto";
  if (area !== "auto")
    return area
      .split("/")
      .slice(0, 2)
      .map((part) => part.trim())
      .join("/");
  const [row, column] = ["grid-row-start", "grid-column-start"].map(
    (property) => styles.keyword(element, property) ?? "auto",
  );
  return row === "auto" || column === "auto" ? null : `${row}/${column}`;
}

/** Whether a negative margin pulls an element up, or what follows it. */
const isPulled = (page: Page, element: ElementNode): boolean =>
  isMoved(page, element, ["margin-top", "margin-bottom"]);

/** Whether a negative margin moves an element by more than a little. */
export function isMoved({ styles }: Page, element: ElementNode, sides: readonly string[]): boolean {
  return sides.some((side) => {
    // Most margins are not negative, and need not be measured to see it.
    if (styles.value(element, side)?.text?.includes("-") !== true) return false;
    const pixels = styles.pixels({ element }, side);
    return pixels !== null && pixels < -LITTLE;
  });
}

/** Boxes too small to lie under a word. */
function isTiny(page: Page, styled: Styled): boolean {
  return ["width", "height"].some((side) => {
    const pixels = page.styles.pixels(styled, side);
    return pixels !== null && pixels <= LITTLE;
  });
}

const isSeenThrough = (page: Page, styled: Styled): boolean =>
  /^0(?:\.0+)?%?$/.test(keywordOf(page, styled, "opacity")) ||
  keywordOf(page, styled, "visibility") === "hidden";

/** What a box is placed in: the nearest positioned element around it; null for the window. CSS Position 3 §2.1. */
function containingBlock(page: Page, styled: Styled): ElementNode | null {
  if (keywordOf(page, styled, "position") === "fixed") return null;
  const { index } = page;
  const first = styled.pseudo === undefined ? index.flatParent(styled.element) : styled.element;
  for (let up = first; up !== null; up = index.flatParent(up)) if (isPositioned(page, up)) return up;
  return null;
}

/** What a placed box covers from edge to edge; null where it does not, or where nobody can tell. */
function coveredBy(page: Page, styled: Styled): ElementNode | null {
  const offset = (side: string) => page.styles.pixels(styled, side, 0);
  const touches = (side: string) => {
    const pixels = offset(side);
    return pixels !== null && pixels <= 0;
  };
  const fills = (side: string) =>
    /^(?:100(?:\.0+)?|1\d\d(?:\.\d+)?)(?:%|vw|vh|dvh|lvh|svh)$/.test(keywordOf(page, styled, side));
  const isWide = touches("left") && (touches("right") || fills("width"));
  const isHigh = touches("top") && (touches("bottom") || fills("height"));
  if (!isWide || !isHigh || keywordOf(page, styled, "transform") !== "none") return null;
  if (keywordOf(page, styled, "clip-path") !== "none") return null;
  const around = containingBlock(page, styled);
  if (around !== null) return around;
  return page.index.document.children.find((node) => node.kind === "element") ?? null;
}
