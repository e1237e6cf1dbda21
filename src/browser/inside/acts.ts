/// <reference lib="dom" />
// What runs in the page, in a world of its own: its text is sent there, so each function stands alone and imports nothing.

/** What a window shows of itself between two acts. */
export interface Now {
  /** How often its document changed so far; what stands in its fields, and what lies on top of it. */
  readonly state: string;
  /** The number that the element has which has focus, through open shadow trees; null where only the page has it. */
  readonly focused: number | null;
  readonly address: string;
  /** The kinds of events that came since it was asked last, in order. */
  readonly events: readonly string[];
  /** What scripts would have done outside of the page since it was asked last. */
  readonly told: readonly string[];
}

/** Notes what happens in a window from now on. */
export function watchWindow(types: readonly string[], secret: string): string {
  const watch = {
    changes: 0,
    events: [] as string[],
    told: [] as string[],
    trees: new WeakSet<Node>(),
    note: () => {},
  };
  const observer = new MutationObserver((records) => {
    watch.changes += records.length;
  });
  const options = { subtree: true, childList: true, attributes: true, characterData: true };
  const follow = (tree: Document | ShadowRoot) => {
    if (watch.trees.has(tree)) return;
    watch.trees.add(tree);
    observer.observe(tree, options);
  };
  watch.note = () => {
    watch.changes += observer.takeRecords().length;
    follow(document);
    const pending: (Document | ShadowRoot)[] = [document];
    for (let tree = pending.pop(); tree !== undefined; tree = pending.pop())
      for (const element of tree.querySelectorAll("*"))
        if (element.shadowRoot !== null) {
          follow(element.shadowRoot);
          pending.push(element.shadowRoot);
        }
  };
  watch.note();
  for (const type of types) addEventListener(type, () => void watch.events.push(type), { capture: true });
  document.addEventListener(secret, (event) => void watch.told.push(String((event as CustomEvent).detail)));
  document.dispatchEvent(new CustomEvent(`${secret} hold`));
  (globalThis as unknown as { keelWatch: unknown }).keelWatch = watch;
  return "true";
}

/** Whether what happens in a window is noted. */
export function isWatched(): string {
  return JSON.stringify((globalThis as unknown as { keelWatch?: unknown }).keelWatch !== undefined);
}

/** What the window shows of itself now. */
export function lookNow(): string {
  const world = globalThis as unknown as {
    keelWatch?: { changes: number; events: string[]; told: string[]; note: () => void };
    keelSerialOf?: (element: Element) => number;
  };
  const watch = world.keelWatch;
  watch?.note();
  let active = document.activeElement;
  while (active?.shadowRoot?.activeElement != null) active = active.shadowRoot.activeElement;
  const isPage = active === null || active === document.body || active === document.documentElement;
  const fields = [...document.querySelectorAll("input, textarea, option")].map((field) => {
    const { checked, selected, value } = field as HTMLInputElement & HTMLOptionElement;
    return `${checked === true}${selected === true}${field.localName === "option" ? "" : value}`;
  });
  const onTop = [...document.querySelectorAll(":modal, :popover-open")].map(
    (element) => world.keelSerialOf?.(element) ?? 0,
  );
  return JSON.stringify({
    state: [watch?.changes ?? -1, onTop.join(), fields.join("\u0000")].join("|"),
    focused: isPage || active === null ? null : (world.keelSerialOf?.(active) ?? null),
    address: location.href,
    events: watch?.events.splice(0) ?? [],
    told: watch?.told.splice(0) ?? [],
  });
}

/**
 * Keeps in the page what scripts would do outside of it, and tells of it: windows, paper, and once they are to be held what
 * sockets send. It runs among the scripts of the page, before them.
 */
export function holdOutside(secret: string): void {
  const tell = (what: string) => document.dispatchEvent(new CustomEvent(secret, { detail: what }));
  const given = { isHeld: false };
  const { send } = WebSocket.prototype;
  window.open = () => {
    tell("opens a window");
    return null;
  };
  window.print = () => void tell("prints");
  WebSocket.prototype.send = function (this: WebSocket, data) {
    if (given.isHeld) tell("send a message through a socket");
    else send.call(this, data);
  };
  document.addEventListener(`${secret} hold`, () => {
    given.isHeld = true;
  });
}

/** Ends what moves and will end, and answers how much of it there was. */
export function endAnimations(): string {
  let ended = 0;
  for (const animation of document.getAnimations()) {
    const end = animation.effect?.getComputedTiming().endTime;
    if (animation.playState !== "running" || end === undefined || Number(end) === Number.POSITIVE_INFINITY)
      continue;
    try {
      animation.finish();
      ended++;
    } catch {
      // One that goes by a scroll or that cannot end goes on.
    }
  }
  return JSON.stringify(ended);
}

/** Gives focus to an element, as its own script would. */
export function focusElement(number: number): string {
  const { elements } = (globalThis as unknown as { keel: { elements: HTMLElement[] } }).keel;
  elements[number]?.focus?.();
  return "true";
}

/** Clicks an element without a pointer. */
export function clickElement(number: number): string {
  const { elements } = (globalThis as unknown as { keel: { elements: HTMLElement[] } }).keel;
  elements[number]?.click?.();
  return "true";
}

/** Brings an element into view. */
export function showElement(number: number): string {
  const { elements } = (globalThis as unknown as { keel: { elements: Element[] } }).keel;
  elements[number]?.scrollIntoView({ block: "center", inline: "nearest", behavior: "instant" });
  return "true";
}

/** Takes focus from whatever has it, and brings the page back to its top. */
export function leaveFocus(): string {
  let active = document.activeElement;
  while (active?.shadowRoot?.activeElement != null) active = active.shadowRoot.activeElement;
  (active as HTMLElement | null)?.blur?.();
  scrollTo({ left: 0, top: 0, behavior: "instant" });
  return "true";
}

/** A place in the window at which a pointer meets an element, or its label; null where something else lies over all of it. */
export function placeToPress(number: number): string {
  const { elements } = (globalThis as unknown as { keel: { elements: Element[] } }).keel;
  const element = elements[number];
  if (element === undefined) return "null";
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
  const isHit = (x: number, y: number): boolean => {
    for (let up = hitAt(x, y); up !== null; up = around(up)) {
      if (up === element) return true;
      if (up.localName === "label" && (up as HTMLLabelElement).control === element) return true;
    }
    return false;
  };
  const isInWindow = (box: DOMRect) =>
    box.top >= 0 && box.left >= 0 && box.bottom <= innerHeight && box.right <= innerWidth;
  if (!isInWindow(element.getBoundingClientRect()))
    element.scrollIntoView({ block: "center", inline: "nearest", behavior: "instant" });
  const boxes = [...element.getClientRects()];
  for (const label of (element as HTMLInputElement).labels ?? []) boxes.push(...label.getClientRects());
  // What has no box of its own is met where what is in it is.
  for (const child of boxes.length === 0 ? element.children : []) boxes.push(...child.getClientRects());
  for (const box of boxes)
    for (const [across, down] of [
      [0.5, 0.5],
      [0.25, 0.5],
      [0.75, 0.5],
      [0.5, 0.2],
      [0.5, 0.8],
      [0.1, 0.1],
      [0.9, 0.9],
    ] as const) {
      const [x, y] = [box.left + box.width * across, box.top + box.height * down];
      if (x >= 0 && y >= 0 && x < innerWidth && y < innerHeight && isHit(x, y)) return JSON.stringify([x, y]);
    }
  return "null";
}

/** Whether focus is in what takes several presses of Tab though it is one thing: parts of a date, keys of a film, a page in a frame. */
export function isInParts(): string {
  let active = document.activeElement;
  while (active?.shadowRoot?.activeElement != null) active = active.shadowRoot.activeElement;
  const isParted =
    (active?.localName === "input" &&
      /^(?:date|time|datetime-local|month|week|file)$/.test((active as HTMLInputElement).type)) ||
    /^(?:audio|video|iframe|frame|object|embed)$/.test(active?.localName ?? "");
  return JSON.stringify(isParted);
}

/** Puts what the origin has stored back to what it was. */
export function storeAgain(
  local: readonly (readonly [string, string])[],
  session: readonly (readonly [string, string])[],
): string {
  for (const [storage, items] of [
    [localStorage, local],
    [sessionStorage, session],
  ] as const) {
    storage.clear();
    for (const [key, value] of items) storage.setItem(key, value);
  }
  return "true";
}

/** What the origin has stored, for it to be put back. */
export function storedNow(): string {
  try {
    return JSON.stringify([Object.entries({ ...localStorage }), Object.entries({ ...sessionStorage })]);
  } catch {
    return "[[], []]";
  }
}
