/// <reference lib="dom" />
// What runs in the page, in a world of its own: its text is sent there, so each function stands alone and imports nothing.

/** A node as it is collected: what a snapshot asks of an element, as plain data. */
export interface CollectedNode {
  readonly nodeType: number;
  /** Its place among the elements collected; absent for text and comments. */
  readonly id?: number;
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
  (globalThis as unknown as { keel: unknown }).keel = { elements };
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

/** Ends what moves and will end; what moves for ever stands still. Answers how many of each there were. */
export function stillAnimations(): string {
  let ended = 0;
  let held = 0;
  for (const animation of document.getAnimations()) {
    const end = animation.effect?.getComputedTiming().endTime;
    if (end !== undefined && Number(end) !== Number.POSITIVE_INFINITY) {
      try {
        animation.finish();
        ended++;
      } catch {
        animation.pause();
      }
    } else {
      animation.pause();
      held++;
    }
  }
  return JSON.stringify({ ended, held });
}

/**
 * Waits until fonts are there and nothing of the document has changed for a while; false where that never came. What has
 * looked different and as before in turn is watched for as long as it takes to say that it goes on.
 * @param goesOn how long something must go on by itself, in milliseconds
 */
export async function waitForRest(
  quiet: number,
  least: number,
  most: number,
  goesOn: number,
): Promise<string> {
  const start = performance.now();
  await Promise.race([document.fonts.ready, new Promise((done) => setTimeout(done, most))]);
  let last = performance.now();
  const looks = new Map<Element, { before: string[]; turns: number; first: number; last: number }>();
  const look = (element: Element): string => {
    const { visibility, opacity, color, backgroundColor, transform, display } = getComputedStyle(element);
    const { left, top, width, height } = element.getBoundingClientRect();
    const text = (element.textContent ?? "").slice(0, 200);
    return [
      visibility,
      opacity,
      color,
      backgroundColor,
      transform,
      display,
      left,
      top,
      width,
      height,
      text,
    ].join(" ");
  };
  const observer = new MutationObserver((records) => {
    last = performance.now();
    const changed = new Set(
      records.map(({ target }) => (target.nodeType === 1 ? target : target.parentElement)),
    );
    for (const element of changed) {
      if (!(element instanceof Element) || looks.size > 200) continue;
      const now = look(element);
      const known = looks.get(element);
      if (known === undefined) looks.set(element, { before: [now], turns: 0, first: last, last });
      else if (known.before.at(-1) !== now) {
        known.turns++;
        known.last = last;
        if (!known.before.includes(now) && known.before.length < 3) known.before.push(now);
        else known.before.push(...known.before.splice(known.before.indexOf(now), 1));
      }
    }
  });
  observer.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
  const until = (isOver: (now: number) => boolean | null) =>
    new Promise<boolean>((done) => {
      const ask = () => {
        const answer = isOver(performance.now());
        if (answer === null) setTimeout(ask, 25);
        else done(answer);
      };
      ask();
    });
  const rests = await until((now) =>
    now - last >= quiet && now - start >= least ? true : now - start >= most ? false : null,
  );
  // What has changed twice is watched until it stops, or has gone on for long enough.
  const changing = () => [...looks.values()].filter(({ turns }) => turns > 0);
  await until((now) =>
    changing().every((one) => now - one.last > 3 * quiet || now - one.first > goesOn + quiet) ? true : null,
  );
  observer.disconnect();
  const going = [...looks].filter(
    ([, one]) => one.before.length === 2 && one.last - one.first >= goesOn - quiet,
  );
  (globalThis as unknown as { keelBlinks: Set<Element> }).keelBlinks = new Set(
    going.map(([element]) => element),
  );
  return JSON.stringify(rests);
}

/** Scrolls through the page once, for what comes only when it is seen, and back to where it was. */
export async function scrollThrough(): Promise<string> {
  const root = document.scrollingElement ?? document.documentElement;
  const [left, top] = [scrollX, scrollY];
  const frame = () => new Promise((done) => setTimeout(done, 30));
  let steps = 0;
  for (let y = innerHeight; y < root.scrollHeight && steps < 40; y += innerHeight, steps++) {
    scrollTo({ left, top: y, behavior: "instant" });
    await frame();
  }
  scrollTo({ left, top, behavior: "instant" });
  return JSON.stringify(steps);
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

/** Has a style hold everywhere, shadow trees included, until it is taken away again. */
export function putStyle(text: string): string {
  const { elements } = (globalThis as unknown as { keel: { elements: Element[]; put?: (() => void)[] } })
    .keel;
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(text);
  const still = new CSSStyleSheet();
  still.replaceSync("*, *::before, *::after { transition: none !important; }");
  const trees: (Document | ShadowRoot)[] = [document];
  for (const element of elements) if (element.shadowRoot !== null) trees.push(element.shadowRoot);
  const put: (() => void)[] = [];
  for (const tree of trees) {
    const before = [...tree.adoptedStyleSheets];
    tree.adoptedStyleSheets = [...before, still, sheet];
    put.push(() => {
      tree.adoptedStyleSheets = before;
    });
  }
  (globalThis as unknown as { keel: { put?: (() => void)[] } }).keel.put = put;
  return String(put.length);
}

/** Takes back what was put last. */
export function takeBack(): string {
  const { keel } = globalThis as unknown as { keel: { put?: (() => void)[] } };
  for (const take of keel.put ?? []) take();
  return "true";
}

/** Scrolls the page to a height, and answers where it is then. */
export function scrollPage(top: number): string {
  scrollTo({ left: 0, top, behavior: "instant" });
  return JSON.stringify([scrollX, scrollY]);
}

/** Takes the letters of texts away and leaves all else, shadows too: letters cut out of a ground go with their element. */
export function hideTexts(numbers: readonly number[]): string {
  const { keel } = globalThis as unknown as { keel: { elements: Element[]; put?: (() => void)[] } };
  const put: (() => void)[] = [];
  for (const number of numbers) {
    const element = keel.elements[number] as HTMLElement | undefined;
    if (element?.style === undefined) continue;
    const computed = getComputedStyle(element);
    const written = element.getAttribute("style");
    const isCutOut = /text/.test(computed.backgroundClip) || computed.mixBlendMode !== "normal";
    const set = (property: string, value: string) => element.style.setProperty(property, value, "important");
    const shadow = computed.textShadow;
    set("transition", "none");
    if (isCutOut) set("visibility", "hidden");
    else {
      set("color", "transparent");
      set("-webkit-text-fill-color", "transparent");
      set("text-shadow", shadow);
      set("text-decoration-color", "transparent");
      if (element.namespaceURI?.endsWith("svg") === true) {
        set("fill", "transparent");
        set("stroke", "transparent");
      }
    }
    put.push(() => {
      if (written === null) element.removeAttribute("style");
      else element.setAttribute("style", written);
    });
  }
  keel.put = put;
  return String(put.length);
}

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

/** What the origin of the page has stored. */
export function storedHere(): string {
  const items: Record<string, string> = {};
  for (let i = 0; i < localStorage.length; i++) {
    const key = localStorage.key(i);
    if (key !== null) items[key] = localStorage.getItem(key) ?? "";
  }
  return JSON.stringify({ origin: location.origin, items });
}

/** Where a development build says that an element was written: a file, or a place in a module as it is served. */
export interface ElementMark {
  /** The number of the element among those outside closed shadow trees. */
  readonly element: number;
  readonly tag: string;
  readonly file?: string;
  readonly module?: string;
  /** From 1; absent where only the file is told. */
  readonly line?: number;
  /** From 0. */
  readonly column?: number;
  /** Where only the file is told: what the element has, to find it there by. */
  readonly id?: string;
  readonly classes?: string;
}

/** What frameworks leave on elements: where these were written, and what is to be done when something happens on them. */
export interface FrameworkMarks {
  readonly marks: readonly ElementMark[];
  readonly handlers: readonly (readonly [
    element: number,
    events: readonly (readonly [event: string, code: string])[],
  ])[];
}

/** Reads the marks that development builds leave on elements. It runs among the scripts of the page, which know them alone. */
export function readMarks(): string {
  const marks: unknown[] = [];
  const handlers: [number, [event: string, code: string][]][] = [];
  let count = -1;
  /** What a framework that listens at the root alone is to do on an element. */
  const heardBy = (element: Record<string, unknown>): [event: string, code: string][] => {
    const own = (name: string, event: string, holder: Record<string, unknown>): [string, string][] =>
      typeof holder[name] === "function" ? [[event, String(holder[name])]] : [];
    const key = Object.keys(element).find((name) => name.startsWith("__reactProps$"));
    const props = key === undefined ? {} : (element[key] as Record<string, unknown>);
    const react = Object.keys(props)
      .filter((name) => /^on[A-Z]/.test(name))
      .flatMap((name) =>
        own(
          name,
          name
            .slice(2)
            .replace(/Capture$/, "")
            .toLowerCase()
            .replace("doubleclick", "dblclick"),
          props,
        ),
      );
    const table = Object.getOwnPropertySymbols(element)
      .filter((symbol) => symbol.description === "events")
      .flatMap((symbol) => {
        const events = ((element as Record<symbol, unknown>)[symbol] ?? {}) as Record<string, unknown>;
        return Object.keys(events).flatMap((name) => own(name, name, events));
      });
    const svelte = Object.keys(element)
      .filter((name) => /^__[a-z]+$/.test(name))
      .flatMap((name) => own(name, name.slice(2), element));
    return [...react, ...table, ...svelte];
  };
  const ofReact = (element: Record<string, unknown>) => {
    const key = Object.keys(element).find((name) => name.startsWith("__reactFiber$"));
    const fiber = key === undefined ? null : (element[key] as Record<string, unknown> | null);
    const source = fiber?._debugSource as {
      fileName: string;
      lineNumber: number;
      columnNumber?: number;
    } | null;
    if (source != null)
      return { file: source.fileName, line: source.lineNumber, column: (source.columnNumber ?? 1) - 1 };
    const stack = (fiber?._debugStack as { stack?: unknown } | null)?.stack;
    if (typeof stack !== "string") return null;
    // The first frame is what makes elements, in a package of the framework; the next is where it was called.
    for (const line of stack.split("\n").slice(1)) {
      const place = /((?:https?|file):\/\/[^\s()]+):(\d+):(\d+)\)?$/.exec(line.trim());
      if (place === null || /node_modules|\/\.vite\/|react-dom|jsx-(?:dev-)?runtime/.test(place[1] ?? ""))
        continue;
      return { module: place[1], line: Number(place[2]), column: Number(place[3]) - 1 };
    }
    return null;
  };
  const ofSvelte = (element: Record<string, unknown>) => {
    const meta = element.__svelte_meta as
      | { loc?: { file: string; line: number; column: number } }
      | undefined;
    return meta?.loc === undefined
      ? null
      : { file: meta.loc.file, line: meta.loc.line, column: meta.loc.column };
  };
  const ofVue = (element: Element) => {
    type Component = { type?: { __file?: string }; subTree?: unknown };
    const component = (element as unknown as { __vueParentComponent?: Component }).__vueParentComponent;
    const file = component?.type?.__file;
    return file === undefined ? null : { file, id: element.id, classes: element.getAttribute("class") ?? "" };
  };
  const ofAttribute = (element: Element) => {
    // A place that a build has written on the element itself: file, line, column.
    for (const { name, value } of element.attributes) {
      if (!/^data-(?:.*-)?(?:inspector|loc|source|insp-path)$/.test(name)) continue;
      const place = /^(.+?):(\d+):(\d+)/.exec(value);
      if (place !== null) return { file: place[1], line: Number(place[2]), column: Number(place[3]) - 1 };
    }
    return null;
  };
  const visit = (parent: Node) => {
    for (let child = parent.firstChild; child !== null; child = child.nextSibling) {
      if (child.nodeType !== 1) continue;
      const element = child as Element;
      count++;
      const own = element as unknown as Record<string, unknown>;
      const mark = ofReact(own) ?? ofSvelte(own) ?? ofAttribute(element) ?? ofVue(element);
      if (mark !== null) marks.push({ element: count, tag: element.localName, ...mark });
      const heard = heardBy(own);
      if (heard.length > 0) handlers.push([count, heard]);
      if (element.shadowRoot !== null) visit(element.shadowRoot);
      visit(element);
    }
  };
  try {
    visit(document);
  } catch {
    // A page that has changed what its documents answer tells nothing more.
  }
  return JSON.stringify({ marks, handlers });
}
