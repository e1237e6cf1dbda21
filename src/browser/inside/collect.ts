/// <reference lib="dom" />
// What runs in the page, in a world of its own: its text is sent there, so each function stands alone and imports nothing.

/** A node as it is collected: what a snapshot asks of an element, as plain data. */
export interface CollectedNode {
  readonly nodeType: number;
  /** Its place among the elements collected; absent for text and comments. */
  readonly id?: number;
  /** The number that an element has for as long as its window lives. */
  readonly serial?: number;
  readonly [property: string]: unknown;
}

/** What is collected of one document. */
export interface CollectedDocument {
  readonly childNodes: readonly CollectedNode[];
  readonly adoptedStyleSheets: readonly unknown[];
  readonly quirks: boolean;
  readonly address: string;
}

/**
 * Collects a document with its open shadow trees, and remembers its elements by number.
 * @param closed hosts and their closed shadow roots in turn
 */
export function collectDocument(...closed: readonly (Element | ShadowRoot)[]): string {
  const elements: Element[] = [];
  const world = globalThis as unknown as { keel: unknown; keelSerialOf?: (element: Element) => number };
  world.keel = { elements };
  if (world.keelSerialOf === undefined) {
    const serials = new WeakMap<Element, number>();
    let last = 0;
    world.keelSerialOf = (element) => {
      const serial = serials.get(element) ?? ++last;
      serials.set(element, serial);
      return serial;
    };
  }
  const serialOf = world.keelSerialOf;
  const blinks = (globalThis as unknown as { keelBlinks?: Set<Element> }).keelBlinks;
  let plain = -1;
  let closedAround = 0;
  const closedOf = new Map<unknown, ShadowRoot>();
  for (let i = 0; i + 1 < closed.length; i += 2) closedOf.set(closed[i], closed[i + 1] as ShadowRoot);
  const rulesOf = (sheet: CSSStyleSheet | null | undefined) => {
    try {
      return [...(sheet?.cssRules ?? [])].map((rule) => ({ cssText: rule.cssText }));
    } catch {
      return null;
    }
  };
  const adopted = (tree: Document | ShadowRoot) =>
    [...tree.adoptedStyleSheets]
      .filter((sheet) => !sheet.disabled)
      .map((sheet) => ({ cssRules: rulesOf(sheet), media: { mediaText: sheet.media.mediaText } }));
  const nodesOf = (parent: Node): unknown[] => {
    const nodes: unknown[] = [];
    for (let child = parent.firstChild; child !== null; child = child.nextSibling) {
      if (child.nodeType === 1) nodes.push(elementOf(child as Element));
      else if (child.nodeType === 3 || child.nodeType === 8)
        nodes.push({ nodeType: child.nodeType, data: (child as CharacterData).data });
    }
    return nodes;
  };
  const elementOf = (element: Element): unknown => {
    const id = elements.push(element) - 1;
    const mark = closedAround === 0 ? ++plain : undefined;
    const shadow = element.shadowRoot ?? closedOf.get(element) ?? null;
    const isClosed = shadow !== null && element.shadowRoot === null;
    if (isClosed) closedAround++;
    const inShadow = shadow === null ? [] : nodesOf(shadow);
    if (isClosed) closedAround--;
    const any = element as unknown as Record<string, unknown>;
    const tag = element.localName;
    return {
      nodeType: 1,
      id,
      serial: serialOf(element),
      mark,
      localName: tag,
      namespaceURI: element.namespaceURI,
      attributes: [...element.attributes].map(({ name, value }) => ({ name, value })),
      shadowRoot:
        shadow === null
          ? null
          : {
              mode: shadow.mode,
              delegatesFocus: shadow.delegatesFocus,
              childNodes: inShadow,
              adoptedStyleSheets: adopted(shadow),
            },
      childNodes: nodesOf(element),
      ...(tag === "input" ? { type: any.type, value: any.value, checked: any.checked } : {}),
      ...(tag === "textarea" ? { value: any.value } : {}),
      ...(tag === "option" ? { selected: any.selected } : {}),
      ...(tag === "style"
        ? {
            textContent: element.textContent,
            disabled: any.disabled === true || any.sheet === null,
            sheet:
              element.textContent?.trim() === "" ? { cssRules: rulesOf(any.sheet as CSSStyleSheet) } : null,
          }
        : {}),
      ...(tag === "link" && any.sheet != null && any.disabled !== true
        ? { href: any.href, cssRules: rulesOf(any.sheet as CSSStyleSheet) }
        : {}),
      ...(tag === "iframe" || tag === "frame" ? { isFrame: true } : {}),
      ...(blinks?.has(element) === true ? { blinks: true } : {}),
      ...(element.matches(":modal") ? { isModal: true } : {}),
      ...(element.hasAttribute("popover") && element.matches(":popover-open") ? { isOpenPopover: true } : {}),
    };
  };
  return JSON.stringify({
    childNodes: nodesOf(document),
    adoptedStyleSheets: adopted(document),
    quirks: document.compatMode === "BackCompat",
    address: location.href,
  });
}

/** Where the remembered elements are: numbers in CSS pixels from the top left of the page. */
export interface CollectedLayout {
  readonly width: number;
  readonly height: number;
  /** How far the page can be scrolled to. */
  readonly reach: readonly [width: number, height: number];
  /** For each element that has any: left, top, width, height of each box in turn. */
  readonly boxes: Readonly<Record<number, readonly number[]>>;
  /** The same of each line of its own text. */
  readonly lines: Readonly<Record<number, readonly number[]>>;
  /** What cuts off or scrolls what is in it: how it does so to the side and downwards, its inner box, and what it holds. */
  readonly clips: Readonly<
    Record<
      number,
      readonly [x: string, y: string, box: readonly number[], content: readonly [number, number]]
    >
  >;
  /** Elements that are shown to nobody: invisible, see-through, or passed over. */
  readonly unseen: readonly number[];
  /** Elements that do not scroll with the page. */
  readonly fixed: readonly number[];
  readonly fontSizes: Readonly<Record<number, number>>;
}

export function collectLayout(): string {
  const { elements } = (globalThis as unknown as { keel: { elements: Element[] } }).keel;
  const boxes: Record<number, number[]> = {};
  const lines: Record<number, number[]> = {};
  const clips: Record<number, unknown> = {};
  const fontSizes: Record<number, number> = {};
  const unseen: number[] = [];
  const fixed: number[] = [];
  const [left, top] = [scrollX, scrollY];
  const round = (value: number) => Math.round(value * 100) / 100;
  const numbers = (rects: Iterable<DOMRect>) =>
    [...rects].flatMap((rect) => [
      round(rect.left + left),
      round(rect.top + top),
      round(rect.width),
      round(rect.height),
    ]);
  const range = document.createRange();
  for (const [id, element] of elements.entries()) {
    if (!element.isConnected) continue;
    const own = numbers(element.getClientRects());
    if (own.length > 0) boxes[id] = own;
    const style = getComputedStyle(element);
    if (own.length === 0 && style.display !== "contents") continue;
    if (
      !element.checkVisibility({
        opacityProperty: true,
        visibilityProperty: true,
        contentVisibilityAuto: true,
      })
    )
      unseen.push(id);
    if (style.position === "fixed") fixed.push(id);
    const words: DOMRect[] = [];
    for (let child = element.firstChild; child !== null; child = child.nextSibling) {
      if (child.nodeType !== 3 || (child as Text).data.trim() === "") continue;
      range.selectNodeContents(child);
      words.push(...[...range.getClientRects()].filter((rect) => rect.width > 0 && rect.height > 0));
    }
    if (words.length > 0) lines[id] = numbers(words);
    if (words.length > 0 || /^(?:input|textarea|select|button)$/.test(element.localName))
      fontSizes[id] = Number.parseFloat(style.fontSize);
    if (style.overflowX !== "visible" || style.overflowY !== "visible") {
      const box = element.getBoundingClientRect();
      clips[id] = [
        style.overflowX,
        style.overflowY,
        [
          round(box.left + left + element.clientLeft),
          round(box.top + top + element.clientTop),
          element.clientWidth,
          element.clientHeight,
        ],
        [element.scrollWidth, element.scrollHeight],
      ];
    }
  }
  const root = document.scrollingElement ?? document.documentElement;
  return JSON.stringify({
    width: innerWidth,
    height: innerHeight,
    reach: [root.scrollWidth, root.scrollHeight],
    boxes,
    lines,
    clips,
    unseen,
    fixed,
    fontSizes,
  });
}

/** The numbers that elements were collected by, -1 for what was not, and whether they ask to be clicked by their pointer. */
export function numbersOfElements(...wanted: readonly (Element | null)[]): string {
  const { elements } = (globalThis as unknown as { keel: { elements: Element[] } }).keel;
  const numbers = new Map<Element | null, number>(elements.map((element, number) => [element, number]));
  const hand = (element: Element | null) =>
    element !== null && getComputedStyle(element).cursor === "pointer";
  return JSON.stringify(
    wanted.map((element) => {
      const number = numbers.get(element) ?? -1;
      return [number, number >= 0 && hand(element) && !hand(element?.parentElement ?? null)];
    }),
  );
}

/** What the origin of the page has stored. */
export function storedHere(): string {
  const items: Record<string, string> = {};
  for (let i = 0; i < localStorage.length; i++) {
    const key = localStorage.key(i);
    if (key !== null) items[key] = localStorage.getItem(key) ?? "";
  }
  return JSON.stringify({ origin: location.origin, items });
}
