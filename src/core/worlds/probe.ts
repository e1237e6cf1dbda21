import type { Attribute, Document, ElementNode, Hole, Node, TextNode, Written } from "../document/node.ts";
import { references } from "./world.ts";

/**
 * What might stand where source leaves a hole. A fault that goes away with any of it is not sure: the hole may mend it.
 * Each filling is tried in all holes of a document at once.
 */
export const fillings = ["words", "controls", "marks"] as const;
export type Filling = (typeof fillings)[number];

/** A document with its holes filled, and from which element each of its elements is. */
export interface FilledDocument {
  readonly document: Document;
  readonly originals: ReadonlyMap<ElementNode, ElementNode>;
}

const WORDS = "Words given elsewhere";

/** Whether anything in a document is left to be filled. */
export function hasHoles(document: Document): boolean {
  const stack: Node[] = [...document.children];
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind === "hole") return true;
    if (node.kind === "text" && typeof node.value !== "string") return true;
    if (node.kind !== "element") continue;
    if (node.spread !== null) return true;
    for (const { value } of node.attributes.values()) if (typeof value !== "string") return true;
    for (const child of node.children) stack.push(child);
  }
  return false;
}

/** What an element of a kind may hold that matters to those around it. HTML §4, content models. */
const contentOf: Readonly<Record<string, readonly string[]>> = {
  fieldset: ["legend"],
  table: ["caption", "tr th"],
  thead: ["tr th"],
  tbody: ["tr th"],
  tr: ["th"],
  ul: ["li"],
  ol: ["li"],
  menu: ["li"],
  dl: ["dt", "dd"],
  select: ["option"],
  optgroup: ["option"],
  datalist: ["option"],
  figure: ["figcaption"],
  details: ["summary"],
  video: ["track"],
  svg: ["title"],
  iframe: [],
  textarea: [],
  title: [],
};

/** Of these, what may hold controls as well as words. */
const mayHoldControls = new Set(["li", "dd", "th", "legend", "figcaption", "caption"]);

/** Attributes that a spread may bring, by filling. */
const broughtBySpread: Readonly<Record<Filling, Readonly<Record<string, string>>>> = {
  words: { "aria-label": WORDS, alt: WORDS, title: WORDS, value: WORDS },
  controls: { tabindex: "0", href: "/given", "aria-label": WORDS },
  marks: { alt: "", lang: "en", scope: "col", controls: "", multiple: "" },
};

/** Values that an attribute may turn out to have, by filling; words where the table has none. */
const openValueOf: Readonly<Record<Filling, Readonly<Record<string, string>>>> = {
  words: { tabindex: "0", role: "group", type: "text", href: "/given" },
  controls: { tabindex: "0", role: "button", type: "button", href: "/given", "aria-hidden": "false" },
  marks: { tabindex: "-1", role: "presentation", type: "hidden", "aria-hidden": "true", alt: "" },
};

/** Attributes that stay open: what they mean to styles is asked there. */
const staysOpen = new Set(["class", "style", "id", "for"]);

export function filled(document: Document, filling: Filling): FilledDocument {
  const originals = new Map<ElementNode, ElementNode>();
  const ids = controlIds(document);
  const missing = missingIds(document);

  function fillNodes(nodes: readonly Node[], parent: ElementNode | null): readonly Node[] {
    return nodes.flatMap((node): readonly Node[] => {
      if (node.kind === "element") return [fillElement(node)];
      if (node.kind === "text") return [{ ...node, value: textOf(node.value) }];
      return node.kind === "hole" ? given(parent, node.hole) : [node];
    });
  }

  function fillElement(node: ElementNode): ElementNode {
    const attributes = new Map<string, Attribute>();
    for (const [name, attribute] of node.attributes)
      attributes.set(name, {
        ...attribute,
        value:
          typeof attribute.value === "string" || staysOpen.has(name)
            ? attribute.value
            : (openValueOf[filling][name] ?? textOf(attribute.value)),
      });
    if (node.spread !== null)
      for (const [name, value] of Object.entries(broughtBySpread[filling]))
        if (!attributes.has(name)) attributes.set(name, { name, value, source: null });
    const filled: ElementNode = { ...node, attributes, children: fillNodes(node.children, node) };
    originals.set(filled, node);
    return filled;
  }

  /** What a hole in an element may turn out to be. */
  function given(parent: ElementNode | null, hole: Hole): readonly Node[] {
    const required =
      parent === null ? undefined : Object.hasOwn(contentOf, parent.tag) ? contentOf[parent.tag] : undefined;
    if (hole.isWords === true) return [text(WORDS, hole)];
    if (required !== undefined)
      return required.map((path) => {
        const tags = path.split(" ");
        const holdsControls = filling === "controls" && mayHoldControls.has(tags.at(-1) ?? "");
        return nested(holdsControls ? [...tags, "button"] : tags, hole);
      });
    if (filling === "words") return [text(WORDS, hole)];
    if (filling === "controls")
      return [
        nested(["button"], hole),
        nested(["h2"], hole),
        nested(["input"], hole),
        ...missing.map((id) => plain("input", hole, { id, "aria-label": WORDS }, [])),
      ];
    return [
      ...ids.map((id) => plain("label", hole, { for: id }, [text(WORDS, hole)])),
      nested(["legend"], hole),
    ];
  }

  return { document: { ...document, children: fillNodes(document.children, null) }, originals };
}

const textOf = (value: Written): string =>
  typeof value === "string"
    ? value
    : Array.isArray(value)
      ? (value as readonly (string | Hole)[])
          .map((part) => (typeof part === "string" ? part : WORDS))
          .join("")
      : WORDS;

const text = (value: string, { source }: Hole): TextNode => ({ kind: "text", value, source });

const nested = ([tag = "span", ...rest]: readonly string[], hole: Hole): ElementNode =>
  plain(tag, hole, tag === "track" ? { kind: "captions" } : tag === "input" ? { "aria-label": WORDS } : {}, [
    rest.length === 0 ? text(WORDS, hole) : nested(rest, hole),
  ]);

const plain = (
  tag: string,
  { source }: Hole,
  attributes: Readonly<Record<string, string>>,
  children: readonly Node[],
): ElementNode => ({
  kind: "element",
  tag,
  namespace: "html",
  attributes: new Map(
    Object.entries(attributes).map(([name, value]) => [name, { name, value, source: null }]),
  ),
  spread: null,
  presence: "always",
  repeats: false,
  listeners: new Set(),
  children,
  shadow: null,
  source,
  endTag: null,
  components: [],
});

/** The ids of controls: what a label that is not in source may name. */
const controlIds = (document: Document): readonly string[] =>
  elementsOf(document).flatMap(({ tag, attributes }) => {
    const id = attributes.get("id")?.value;
    const isControl = /^(?:input|select|textarea|meter|progress|output)$/.test(tag);
    return typeof id === "string" && isControl ? [id] : [];
  });

/** Ids that are referred to and that nothing in the document has: what is not in source may have them. */
function missingIds(document: Document): readonly string[] {
  const elements = elementsOf(document);
  const there = new Set(elements.map(({ attributes }) => attributes.get("id")?.value));
  const wanted = elements.flatMap(({ attributes }) =>
    references.flatMap((name) => {
      const value = attributes.get(name)?.value;
      return typeof value === "string" ? value.split(/\s+/) : [];
    }),
  );
  return [...new Set(wanted)].filter((id) => id !== "" && !there.has(id));
}

function elementsOf(document: Document): readonly ElementNode[] {
  const found: ElementNode[] = [];
  const stack: Node[] = [...document.children];
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind !== "element") continue;
    found.push(node);
    for (const child of node.children) stack.push(child);
  }
  return found;
}
