/// <reference lib="dom" />
// What runs in the page, in a world of its own: its text is sent there, so each function stands alone and imports nothing.

/** Where what has focus is in the window. */
export interface FocusPlace {
  /** Left, top, width, height of it and its labels, in CSS pixels of the window. */
  readonly box: readonly [number, number, number, number];
  /** How far the page is scrolled to the right and down. */
  readonly scrolled: readonly [number, number];
  /** Whether one types in it. */
  readonly isText: boolean;
  /** The number of what stays in place over all or part of it; null where nothing does. */
  readonly cover: number | null;
}

/** Where what has focus is; null where only the page has it, or a frame, or where it takes no room. */
export function focusPlace(): string {
  const world = globalThis as unknown as {
    keelFocus?: Element | null;
    keelCover?: Element | null;
    keelSerialOf?: (element: Element) => number;
  };
  let active = document.activeElement;
  while (active?.shadowRoot?.activeElement != null) active = active.shadowRoot.activeElement;
  world.keelFocus = active;
  world.keelCover = null;
  if (active === null || /^(?:html|body|iframe|frame|object|embed)$/.test(active.localName)) return "null";
  const boxes = [active, ...((active as HTMLInputElement).labels ?? [])]
    .map((element) => element.getBoundingClientRect())
    .filter(({ width, height }) => width > 0 && height > 0);
  if (boxes.length === 0) return "null";
  const left = Math.min(...boxes.map((box) => box.left));
  const top = Math.min(...boxes.map((box) => box.top));
  const right = Math.max(...boxes.map((box) => box.right));
  const bottom = Math.max(...boxes.map((box) => box.bottom));
  const own = active.getBoundingClientRect();
  const around = (node: Element): Element | null =>
    node.parentElement ?? ((node.getRootNode() as ShadowRoot).host as Element | undefined) ?? null;
  const isAround = (outer: Element, inner: Element): boolean => {
    for (let up: Element | null = inner; up !== null; up = around(up)) if (up === outer) return true;
    return false;
  };
  const staying: Element[] = [];
  const trees: (Document | ShadowRoot)[] = [document];
  for (let tree = trees.pop(); tree !== undefined; tree = trees.pop())
    for (const element of tree.querySelectorAll("*")) {
      if (element.shadowRoot !== null) trees.push(element.shadowRoot);
      if (!/^(?:fixed|sticky)$/.test(getComputedStyle(element).position)) continue;
      const box = element.getBoundingClientRect();
      const overlaps =
        box.left < own.right && box.right > own.left && box.top < own.bottom && box.bottom > own.top;
      if (overlaps && !isAround(element, active) && !isAround(active, element)) staying.push(element);
    }
  const [cover] = staying;
  world.keelCover = cover ?? null;
  const isText =
    (active as HTMLElement).isContentEditable ||
    active.localName === "textarea" ||
    (active.localName === "input" &&
      !/^(?:button|checkbox|color|file|image|radio|range|reset|submit)$/.test(
        (active as HTMLInputElement).type,
      ));
  return JSON.stringify({
    box: [left, top, right - left, bottom - top],
    scrolled: [scrollX, scrollY],
    isText,
    cover: cover === undefined ? null : (world.keelSerialOf?.(cover) ?? null),
  });
}

/** Hides what had focus when its place was asked for, or what lies over it, until it is shown again. */
export function hideAtFocus(what: "focus" | "cover"): string {
  const world = globalThis as unknown as {
    keelFocus?: HTMLElement | null;
    keelCover?: HTMLElement | null;
    keelShow?: (() => void)[];
  };
  const element = what === "focus" ? world.keelFocus : world.keelCover;
  if (element?.style === undefined) return "false";
  const written = element.getAttribute("style");
  element.style.setProperty("transition", "none", "important");
  // What is only see-through keeps its place, and its focus.
  element.style.setProperty("opacity", "0", "important");
  world.keelShow = [
    ...(world.keelShow ?? []),
    () => {
      if (written === null) element.removeAttribute("style");
      else element.setAttribute("style", written);
    },
  ];
  return "true";
}

/** Shows again what was hidden. */
export function showAtFocus(): string {
  const world = globalThis as unknown as { keelShow?: (() => void)[] };
  for (const show of (world.keelShow ?? []).toReversed()) show();
  world.keelShow = [];
  return "true";
}

/** Takes focus from what has it. */
export function blurFocus(): string {
  let active = document.activeElement;
  while (active?.shadowRoot?.activeElement != null) active = active.shadowRoot.activeElement;
  (active as HTMLElement | null)?.blur?.();
  return "true";
}
