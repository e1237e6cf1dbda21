/// <reference lib="dom" />
// What runs in the page, in a world of its own: its text is sent there, so each function stands alone and imports nothing.

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

/** Hides what stays in place while the page is scrolled, as far as the window shows it now. */
export function hideStuck(): string {
  const { keel } = globalThis as unknown as { keel: { elements: Element[]; put?: (() => void)[] } };
  const put: (() => void)[] = [];
  for (const one of keel.elements) {
    const element = one as HTMLElement;
    if (element.style === undefined || !/fixed|sticky/.test(getComputedStyle(element).position)) continue;
    const { top, bottom } = element.getBoundingClientRect();
    if (top >= innerHeight || bottom <= 0) continue;
    const written = element.getAttribute("style");
    element.style.setProperty("transition", "none", "important");
    element.style.setProperty("visibility", "hidden", "important");
    put.push(() => {
      if (written === null) element.removeAttribute("style");
      else element.setAttribute("style", written);
    });
  }
  keel.put = put;
  return String(put.length);
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
