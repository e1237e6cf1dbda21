import type { JSDOM } from "jsdom";
import type { Sheet } from "../core/css/sheet.ts";
import type { ElementNode, Node, Span } from "../core/document/node.ts";
import type { StatePlan } from "../engine/explored.ts";
import type { LiveElement } from "../engine/live-element.ts";
import type { Places } from "../engine/places.ts";
import { readHtml } from "../readers/html/read-html.ts";
import type { AnyWindow } from "./clock.ts";
import type { LivePage, PageSource } from "./live-page.ts";
import type { OpenedPage } from "./protocol.ts";

/** A page in HTML: its scripts are run once it is parsed. */
export function htmlPage(request: OpenedPage, plan: StatePlan | null): PageSource {
  const { file, text, scripts, sheets } = request;
  const tags = tagsIn(text, file);
  return {
    ...request,
    kind: request.page,
    ...(plan === null ? {} : { colours: plan.colours }),
    html: text,
    mayLeave: [text, ...scripts.values()].some((part) => leading.test(part)),
    sheets: () => sheets,
    parsed: new Map<string, Sheet>(),
    places: (dom) => placesIn(dom, file, tags),
    start: (page) => runDeferred(page, scripts),
  };
}

/** What leads to another page or another place of this one; details tell in a turn of the real clock that they opened. */
const leading = /<(?:a|area|form|details)\b|\b(?:location|history|submit|requestSubmit|navigation)\b/i;

/** Where the parser finds each start tag, by its offset. */
function tagsIn(text: string, file: string): ReadonlyMap<number, string> {
  const tags = new Map<number, string>();
  const stack: Node[] = [...readHtml(text, file).document.children];
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind !== "element") continue;
    const { source, tag, children, shadow }: ElementNode = node;
    if (source !== null) tags.set(source.start, tag);
    stack.push(...children, ...(shadow?.children ?? []));
  }
  return tags;
}

/** Scripts in files of their own, and modules, once the page is parsed. */
function runDeferred(page: LivePage, scripts: ReadonlyMap<string, string>): void {
  const { window } = page;
  const { addEventListener } = window.EventTarget.prototype;
  // The page is loaded by now: who waits for that need wait no longer.
  window.EventTarget.prototype.addEventListener = function (
    this: AnyWindow,
    type: string,
    run: unknown,
    ...rest: unknown[]
  ) {
    const isOver = type === "DOMContentLoaded" || (type === "load" && this === window);
    if (isOver && typeof run === "function")
      window.setTimeout(() => run.call(this, new window.Event(type)), 0);
    else addEventListener.call(this, type, run, ...rest);
  };
  for (const script of [...window.document.querySelectorAll("script")]) {
    const src = script.getAttribute("src");
    const isModule = script.getAttribute("type")?.trim().toLowerCase() === "module";
    const moduleText: string | null = isModule ? script.textContent : null;
    const text = src === null ? (scripts.get(moduleText ?? "") ?? moduleText) : (scripts.get(src) ?? null);
    if (text === null) continue;
    try {
      window.eval(isModule ? `(() => { "use strict"; ${text}\n})()` : text);
    } catch (error) {
      page.report(error);
    }
  }
  window.EventTarget.prototype.addEventListener = addEventListener;
}

function placesIn(dom: JSDOM, file: string, tags: ReadonlyMap<number, string>): Places {
  const claimed = new Set<number>();
  const located = new Map<LiveElement, Span | null>();
  const placeOf = (element: LiveElement): LiveElement => {
    try {
      return dom.nodeLocation(element);
    } catch {
      return null;
    }
  };
  const span = (place: { startOffset: number; endOffset: number } | null | undefined): Span | null =>
    place == null ? null : { file, start: place.startOffset, end: place.endOffset };
  const tag = (element: LiveElement): Span | null => {
    const known = located.get(element);
    if (known !== undefined) return known;
    const place = placeOf(element);
    const tagSpan = span(place?.startTag ?? place);
    // What a script made has no place, or one in its own text.
    const isWritten =
      tagSpan !== null && tags.get(tagSpan.start) === element.localName && !claimed.has(tagSpan.start);
    if (isWritten && tagSpan !== null) claimed.add(tagSpan.start);
    located.set(element, isWritten ? tagSpan : null);
    return isWritten ? tagSpan : null;
  };
  return {
    tag,
    endTag: (element) => (tag(element) === null ? null : span(placeOf(element)?.endTag)),
    attribute: (element, name) =>
      tag(element) === null ? null : span((placeOf(element)?.startTag ?? placeOf(element))?.attrs?.[name]),
    nearest: tag,
    comment: (comment) => span(placeOf(comment)),
    remarks: () => [],
    components: () => [],
    // A script of the page is its author's own.
    isPlainTag: () => false,
    identity: (element) => {
      const tagSpan = tag(element);
      return tagSpan === null ? null : `@${tagSpan.start}`;
    },
  };
}
