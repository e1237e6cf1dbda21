import { parseSheet } from "../core/css/parse-sheet.ts";
import type { AppliedSheet, Sheet } from "../core/css/sheet.ts";
import type { Attribute, Document, ElementNode, Namespace, Node, ShadowRoot } from "../core/document/node.ts";
import type { LiveElement } from "./live-element.ts";
import type { Places } from "./places.ts";
import { STAMP } from "./stamp.ts";

/** The page as it stands at one moment, in the terms of the core. */
export interface Snapshot {
  readonly document: Document;
  readonly sheets: readonly AppliedSheet[];
  readonly elementOf: ReadonlyMap<ElementNode, LiveElement>;
  readonly nodeOf: ReadonlyMap<LiveElement, ElementNode>;
}

/** A stylesheet that is not in the page itself, as parsed. */
export interface SheetEntry {
  readonly sheet: Sheet;
  readonly media: string | null;
}

/** What the snapshot needs to know beside the window. */
export interface SnapshotSource {
  readonly file: string;
  readonly html: string;
  readonly kind: Document["kind"];
  readonly quirks: boolean;
  readonly sheets: readonly SheetEntry[];
  readonly places: Places;
  /** Events that scripts listen for on an element, beside those that its attributes name. */
  readonly listens: (element: LiveElement) => ReadonlySet<string>;
  /** Elements that take no part while a modal dialog is open. */
  readonly isBehind: (element: LiveElement) => boolean;
  readonly isOpenPopover: (element: LiveElement) => boolean;
  readonly parsed: Map<string, Sheet>;
  readonly writtenSheet?: (text: string) => Sheet | null;
  /** The stylesheet that a link brings; null where it brings none. */
  readonly linkedSheet?: (link: LiveElement, scope: Document | ShadowRoot) => AppliedSheet | null;
}

/** Stands for the file of a stylesheet that a script wrote. */
const SCRIPTED = "a style that a script made";

const namespaces: Readonly<Record<string, Namespace>> = {
  "http://www.w3.org/1999/xhtml": "html",
  "http://www.w3.org/2000/svg": "svg",
  "http://www.w3.org/1998/Math/MathML": "math",
};

const ELEMENT = 1;
const TEXT = 3;
const COMMENT = 8;

/** @param root the document node of the window */
export function snapshotOf(root: LiveElement, source: SnapshotSource): Snapshot {
  const elementOf = new Map<ElementNode, LiveElement>();
  const nodeOf = new Map<LiveElement, ElementNode>();
  const children: Node[] = [];
  const document: Document = { kind: source.kind, file: source.file, children, quirks: source.quirks };
  const sheets: AppliedSheet[] = [];

  function nodesOf(parent: LiveElement, scope: Document | ShadowRoot): Node[] {
    const nodes: Node[] = [];
    for (const child of parent.childNodes) {
      if (child.nodeType === TEXT) nodes.push({ kind: "text", value: child.data, source: null });
      else if (child.nodeType === ELEMENT) nodes.push(...source.places.remarks(child), nodeFor(child, scope));
      else if (child.nodeType === COMMENT)
        nodes.push({ kind: "comment", value: child.data, source: source.places.comment(child) });
    }
    return nodes;
  }

  function nodeFor(element: LiveElement, scope: Document | ShadowRoot): ElementNode {
    const tag: string = element.localName;
    const attributes = attributesOf(element, source);
    const inner: Node[] = [];
    const shadow =
      element.shadowRoot == null
        ? null
        : {
            mode: element.shadowRoot.mode === "closed" ? ("closed" as const) : ("open" as const),
            delegatesFocus: element.shadowRoot.delegatesFocus === true,
            children: [] as Node[],
          };
    const node: ElementNode = {
      kind: "element",
      tag,
      namespace: namespaces[element.namespaceURI] ?? "html",
      attributes,
      spread: null,
      presence: "always",
      repeats: false,
      listeners: new Set([...listenersIn(attributes), ...source.listens(element)]),
      children: inner,
      shadow,
      source: source.places.tag(element),
      endTag: source.places.endTag(element),
      components: source.places.components(element),
      ...(source.places.isPlainTag(element) ? { isPlainTag: true as const } : {}),
    };
    elementOf.set(node, element);
    nodeOf.set(element, node);
    if (shadow !== null) {
      shadow.children.push(...nodesOf(element.shadowRoot, shadow));
      sheets.push(...adoptedBy(element.shadowRoot, shadow));
    }
    if (tag === "textarea") inner.push({ kind: "text", value: element.value, source: null });
    else if (tag !== "template") inner.push(...nodesOf(element, scope));
    if (tag === "style" && !element.disabled) sheets.push(styleOf(element, scope, source));
    if (tag === "link") {
      const linked = source.linkedSheet?.(element, scope) ?? null;
      if (linked !== null) sheets.push(linked);
    }
    return node;
  }

  /** CSSOM 1 §6.2: sheets that a script adopts come after all others of their tree. */
  function adoptedBy(tree: LiveElement, scope: Document | ShadowRoot): AppliedSheet[] {
    return [...(tree.adoptedStyleSheets ?? [])].map(({ cssRules, media }) => ({
      sheet: parsedSheet(SCRIPTED, textOfRules(cssRules), 0, source),
      media: media?.mediaText === "" ? null : (media?.mediaText ?? null),
      scope,
      imports: new Map(),
    }));
  }

  children.push(...nodesOf(root, document));
  sheets.push(...adoptedBy(root, document));
  const linked = source.sheets.map(({ sheet, media }) => ({
    sheet,
    media,
    scope: document,
    imports: new Map(),
  }));
  return { document, sheets: [...linked, ...sheets], elementOf, nodeOf };
}

/** Attributes with what people changed since: marks, values, what is open. */
function attributesOf(element: LiveElement, source: SnapshotSource): ReadonlyMap<string, Attribute> {
  const attributes = new Map<string, Attribute>();
  const set = (name: string, value: string) =>
    attributes.set(name, { name, value, source: source.places.attribute(element, name) });
  for (const { name, value } of element.attributes) if (name !== STAMP) set(name, value);
  const put = (name: string, isThere: boolean) => {
    if (isThere && !attributes.has(name)) set(name, "");
    if (!isThere) attributes.delete(name);
  };
  switch (element.localName) {
    case "input":
      if (/^(?:checkbox|radio)$/.test(element.type)) put("checked", element.checked);
      // Buttons without a value of their own show one of the browser's.
      else if (!/^(?:file|submit|reset|button|image)$/.test(element.type)) set("value", element.value);
      break;
    case "option":
      put("selected", element.selected);
      break;
  }
  if (source.isOpenPopover(element)) attributes.delete("popover");
  if (source.isBehind(element)) set("inert", "");
  return attributes;
}

const listenersIn = (attributes: ReadonlyMap<string, Attribute>): readonly string[] =>
  [...attributes.keys()].filter((name) => /^on./.test(name)).map((name) => name.slice(2));

/** The rules of a style element: as written while they are, else as the object model has them. */
function styleOf(element: LiveElement, scope: Document | ShadowRoot, source: SnapshotSource): AppliedSheet {
  const place = source.places.tag(element);
  const end = source.places.endTag(element);
  const written = place !== null && end !== null ? source.html.slice(place.end, end.start) : null;
  const isWritten = written !== null && element.textContent === written;
  const text: string =
    element.textContent.trim() === "" ? textOfRules(element.sheet?.cssRules) : element.textContent;
  const start = isWritten ? (place?.end ?? 0) : 0;
  const sheet = parsedSheet(isWritten ? source.file : SCRIPTED, text, start, source);
  const media = [...element.attributes].find(({ name }) => name === "media")?.value ?? null;
  return { sheet, media, scope, imports: new Map() };
}

function parsedSheet(file: string, text: string, start: number, source: SnapshotSource): Sheet {
  const key = `${file} ${start} ${text}`;
  const known = source.parsed.get(key);
  if (known !== undefined) return known;
  const sheet = source.writtenSheet?.(text) ?? parseSheet({ file, text, start });
  source.parsed.set(key, sheet);
  return sheet;
}

const textOfRules = (rules: Iterable<{ readonly cssText: string }> | null | undefined): string =>
  [...(rules ?? [])].map(({ cssText }) => cssText).join("\n");
