import { defaultTreeAdapter, html, parse, type Token, type DefaultTreeAdapterTypes as Tree } from "parse5";
import type {
  Attribute,
  Document,
  ElementNode,
  Namespace,
  Node,
  ShadowRoot,
  Span,
} from "../../core/document/node.ts";

/** A page as parsed, and the stylesheets it names, in document order. */
export interface HtmlPage {
  readonly document: Document;
  readonly styles: readonly StyleReference[];
  /** `href` of the first `base` element; null without one. */
  readonly baseHref: string | null;
}

/** `<style>` text with its place, or the address of a `<link rel="stylesheet">`; `scope` is the tree it styles. */
export type StyleReference =
  | {
      readonly kind: "text";
      readonly text: string;
      readonly start: number;
      readonly media: string | null;
      readonly scope: Document | ShadowRoot;
    }
  | {
      readonly kind: "link";
      readonly href: string;
      readonly media: string | null;
      readonly source: Span | null;
      readonly scope: Document | ShadowRoot;
    };

const namespaces: Readonly<Record<string, Namespace>> = {
  [html.NS.HTML]: "html",
  [html.NS.SVG]: "svg",
  [html.NS.MATHML]: "math",
};

const noAttributes: ReadonlyMap<string, Attribute> = new Map();
const noListeners: ReadonlySet<string> = new Set();

/** Elements that may carry a shadow root. DOM §4.9, "attach a shadow root"; custom elements are told by their hyphen. */
const shadowHosts = new Set(
  "article aside blockquote body div footer h1 h2 h3 h4 h5 h6 header main nav p section span".split(" "),
);

/** Tags whose presence in source makes a file a whole page rather than a piece of one. */
const pageTags = new Set(["html", "head", "body"]);

/** How deep browsers nest elements: what is deeper stands beside the one that it is written in. */
const DEEPEST_ELEMENT = 512;

interface Building {
  readonly source: Tree.ParentNode;
  readonly children: Node[];
  readonly host: { readonly tag: string; shadow: ShadowRoot | null } | null;
  readonly scope: Document | ShadowRoot;
  next: number;
}

/**
 * Reads a page as a browser would parse it with scripting on: what `noscript` holds is text nobody sees.
 * `standsFor` names the HTML element that an element of one's own is to be taken for. Spans are offsets into `text`. Declarative shadow roots are attached (HTML §13.2.6.4.4). Never throws on markup.
 */
export function readHtml(
  text: string,
  file: string,
  standsFor: ReadonlyMap<string, string> = new Map(),
): HtmlPage {
  let whole = false;
  const tree = parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: true });
  const styles: StyleReference[] = [];
  let baseHref: string | null = null;
  const documentChildren: Node[] = [];
  const document: { kind: "document" | "fragment"; file: string; children: Node[]; quirks: boolean } = {
    kind: "document",
    file,
    children: documentChildren,
    quirks: tree.mode === html.DOCUMENT_MODE.QUIRKS,
  };
  const span = (location: { startOffset: number; endOffset: number } | null | undefined): Span | null =>
    location === null || location === undefined
      ? null
      : { file, start: location.startOffset, end: location.endOffset };

  const openDetails = new Map<Document | ShadowRoot, Set<string>>();
  const stack: Building[] = [
    { source: tree, children: documentChildren, host: null, scope: document, next: 0 },
  ];
  for (let frame = stack.at(-1); frame !== undefined; frame = stack.at(-1)) {
    const node = frame.source.childNodes[frame.next++];
    if (node === undefined) {
      stack.pop();
      continue;
    }
    if (defaultTreeAdapter.isTextNode(node)) {
      frame.children.push({ kind: "text", value: node.value, source: span(node.sourceCodeLocation) });
      continue;
    }
    if (defaultTreeAdapter.isCommentNode(node)) {
      frame.children.push({ kind: "comment", value: node.data, source: span(node.sourceCodeLocation) });
      continue;
    }
    if (defaultTreeAdapter.isDocumentTypeNode(node)) {
      whole = true;
      continue;
    }
    if (!defaultTreeAdapter.isElementNode(node)) continue;
    const location = node.sourceCodeLocation;
    if (location != null && pageTags.has(node.tagName)) whole = true;

    const mode = node.tagName === "template" && node.namespaceURI === html.NS.HTML ? shadowMode(node) : null;
    if (mode !== null && frame.host !== null && frame.host.shadow === null && mayHostShadow(frame.host.tag)) {
      const shadow = {
        mode,
        delegatesFocus: node.attrs.some((a) => a.name === "shadowrootdelegatesfocus"),
        children: [] as Node[],
      };
      frame.host.shadow = shadow;
      const content = defaultTreeAdapter.getTemplateContent(node as Tree.Template);
      stack.push({ source: content, children: shadow.children, host: null, scope: shadow, next: 0 });
      continue;
    }

    const written = readAttributes(node.attrs, location, file);
    const attributes =
      node.tagName === "details" ? withoutSecondOpen(written, frame.scope, openDetails) : written;
    const children: Node[] = [];
    const element: ElementNode & { shadow: ShadowRoot | null } = {
      kind: "element",
      tag: standsFor.get(node.tagName) ?? node.tagName,
      ...(standsFor.has(node.tagName) ? { writtenTag: node.tagName } : {}),
      namespace: namespaces[node.namespaceURI] ?? "html",
      attributes,
      spread: null,
      presence: "always",
      repeats: false,
      listeners: listenersOf(attributes),
      children,
      shadow: null,
      source: span(location?.startTag ?? location),
      endTag: span(location?.endTag),
      components: [],
    };
    frame.children.push(element);

    const reference = styleReference(element, node, text, frame.scope);
    if (reference !== null) styles.push(reference);
    if (element.tag === "base" && baseHref === null)
      baseHref = node.attrs.find((a) => a.name === "href")?.value ?? null;
    // A template's content is another document: nothing in it is rendered, referenced or reached.
    if (element.tag !== "template" && node.childNodes.length > 0) {
      const inside = stack.length < DEEPEST_ELEMENT ? children : frame.children;
      stack.push({ source: node, children: inside, host: element, scope: frame.scope, next: 0 });
    }
  }
  if (!whole) document.kind = "fragment";
  return { document, styles, baseHref };
}

const mayHostShadow = (tag: string): boolean => shadowHosts.has(tag) || tag.includes("-");

function shadowMode(template: Tree.Element): "open" | "closed" | null {
  const mode = template.attrs.find((a) => a.name === "shadowrootmode")?.value.toLowerCase();
  return mode === "open" || mode === "closed" ? mode : null;
}

function readAttributes(
  written: readonly Token.Attribute[],
  location: Token.ElementLocation | null | undefined,
  file: string,
): ReadonlyMap<string, Attribute> {
  if (written.length === 0) return noAttributes;
  const attributes = new Map<string, Attribute>();
  const places = location?.attrs;
  for (const { name, prefix, value } of written) {
    const full = prefix === undefined || prefix === "" ? name : `${prefix}:${name}`;
    const place = places?.[full] ?? places?.[full.toLowerCase()];
    attributes.set(full, {
      name: full,
      value,
      source: place === undefined ? null : { file, start: place.startOffset, end: place.endOffset },
    });
  }
  return attributes;
}

/** Of several details with one name only the first that is open stays so. HTML §4.11.1, "details name group". */
function withoutSecondOpen(
  attributes: ReadonlyMap<string, Attribute>,
  scope: Document | ShadowRoot,
  openDetails: Map<Document | ShadowRoot, Set<string>>,
): ReadonlyMap<string, Attribute> {
  const name = attributes.get("name")?.value;
  if (typeof name !== "string" || name === "" || !attributes.has("open")) return attributes;
  const open = openDetails.get(scope) ?? new Set<string>();
  openDetails.set(scope, open);
  if (open.has(name)) return new Map([...attributes].filter(([key]) => key !== "open"));
  open.add(name);
  return attributes;
}

/** Inline handlers. Listeners added by script cannot be seen in a page's source. */
function listenersOf(attributes: ReadonlyMap<string, Attribute>): ReadonlySet<string> {
  let found: Set<string> | null = null;
  for (const name of attributes.keys()) {
    if (name.length > 2 && name.startsWith("on")) {
      found ??= new Set();
      found.add(name.slice(2));
    }
  }
  return found ?? noListeners;
}

function styleReference(
  element: ElementNode,
  node: Tree.Element,
  text: string,
  scope: Document | ShadowRoot,
): StyleReference | null {
  const attribute = (name: string) => node.attrs.find((a) => a.name === name)?.value ?? null;
  if (element.tag === "style" && element.namespace !== "math") {
    const type = attribute("type")?.trim().toLowerCase() ?? "";
    if (type !== "" && type !== "text/css") return null;
    const start = element.source?.end ?? 0;
    const end = element.endTag?.start ?? node.sourceCodeLocation?.endOffset ?? start;
    return { kind: "text", text: text.slice(start, end), start, media: attribute("media"), scope };
  }
  if (element.tag === "link" && element.namespace === "html") {
    const rel = (attribute("rel") ?? "").toLowerCase().split(/\s+/);
    const href = attribute("href")?.trim() ?? "";
    if (
      !rel.includes("stylesheet") ||
      rel.includes("alternate") ||
      href === "" ||
      node.attrs.some((a) => a.name === "disabled")
    )
      return null;
    return { kind: "link", href, media: attribute("media"), source: element.source, scope };
  }
  return null;
}
