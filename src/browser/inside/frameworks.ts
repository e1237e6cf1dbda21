/// <reference lib="dom" />
// What runs in the page, in a world of its own: its text is sent there, so each function stands alone and imports nothing.

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
