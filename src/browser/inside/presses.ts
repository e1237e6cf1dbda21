/// <reference lib="dom" />
// What runs in the page, in a world of its own: its text is sent there, so each function stands alone and imports nothing.

/**
 * Tries where presses reach elements: for each that any reaches, its number and the box around the places, in CSS pixels
 * from the top left of the page. What stays while the page is scrolled can be scrolled away from under, and counts as not there.
 */
export function tryPresses(numbers: readonly number[]): string {
  const { elements } = (globalThis as unknown as { keel: { elements: Element[] } }).keel;
  const start = [scrollX, scrollY] as const;
  const around = (node: Element): Element | null =>
    node.parentElement ?? ((node.getRootNode() as ShadowRoot).host as Element | undefined) ?? null;
  const hitAt = (x: number, y: number): Element | null => {
    let hit = document.elementFromPoint(x, y);
    while (hit?.shadowRoot != null) {
      const inner = hit.shadowRoot.elementFromPoint(x, y);
      if (inner === null || inner === hit) break;
      hit = inner;
    }
    return hit;
  };
  const sticks = new Map<Element, boolean>();
  const isSticking = (element: Element): boolean => {
    const known = sticks.get(element);
    if (known !== undefined) return known;
    const up = around(element);
    const own =
      /^(?:fixed|sticky)$/.test(getComputedStyle(element).position) || (up !== null && isSticking(up));
    sticks.set(element, own);
    return own;
  };
  const reaches = (element: Element, x: number, y: number): boolean => {
    const hit = hitAt(x, y);
    for (let up = hit; up !== null; up = around(up)) {
      if (up === element) return true;
      if (up.localName === "label" && (up as HTMLLabelElement).control === element) return true;
    }
    return hit !== null && isSticking(hit) && !isSticking(element);
  };
  const found: [number: number, left: number, top: number, right: number, bottom: number][] = [];
  for (const number of numbers) {
    const element = elements[number];
    if (element === undefined) continue;
    let box = element.getBoundingClientRect();
    if (box.top < innerHeight * 0.1 || box.bottom > innerHeight * 0.9) {
      element.scrollIntoView({ block: "center", inline: "nearest", behavior: "instant" });
      box = element.getBoundingClientRect();
    }
    const parts = [...element.getClientRects()];
    for (const label of (element as HTMLInputElement).labels ?? []) parts.push(...label.getClientRects());
    const tried: { reached: [number, number, number, number] | null } = { reached: null };
    /** Tries a part in steps; whether some place of it was missed. */
    const reachIn = (part: DOMRect, across: number, down: number): boolean => {
      let missed = false;
      for (let y = part.top + 0.5; y < part.bottom; y += down)
        for (let x = part.left + 0.5; x < part.right; x += across) {
          if (x < 0 || y < 0 || x >= innerWidth || y >= innerHeight) continue;
          if (!reaches(element, x, y)) {
            missed = true;
            continue;
          }
          const [left, top, right, bottom] = tried.reached ?? [x, y, x, y];
          tried.reached = [
            Math.min(left, x - 0.5),
            Math.min(top, y - 0.5),
            Math.max(right, x - 0.5 + across),
            Math.max(bottom, y - 0.5 + down),
          ];
        }
      return missed;
    };
    for (const part of parts) {
      const step = (side: number, places: number) => Math.max(1, side / places);
      // Where something lies over a part its edge is sought place by place.
      if (reachIn(part, step(part.width, 4), step(part.height, 4)))
        reachIn(part, step(part.width, 32), step(part.height, 32));
    }
    const { reached } = tried;
    if (reached === null) continue;
    // What is reached up to the last place tried is reached to the edge.
    const edges = [
      Math.min(...parts.map((part) => part.left)),
      Math.min(...parts.map((part) => part.top)),
      Math.max(...parts.map((part) => part.right)),
      Math.max(...parts.map((part) => part.bottom)),
    ];
    const near = Math.max(1, ...parts.map((part) => Math.max(part.width, part.height) / 32)) + 0.1;
    const [left = 0, top = 0, right = 0, bottom = 0] = reached.map((at, side) => {
      const edge = edges[side] ?? at;
      return Math.abs(at - edge) <= near ? edge : at;
    });
    found.push([number, left + scrollX, top + scrollY, right + scrollX, bottom + scrollY]);
  }
  scrollTo({ left: start[0], top: start[1], behavior: "instant" });
  return JSON.stringify(found);
}
