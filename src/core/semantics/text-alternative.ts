import { MAYBE, NO } from "../css/certainty.ts";
import { referencedElements } from "../document/document-index.ts";
import { inputType, selectedOptions, textTypes } from "../document/form-controls.ts";
import type { ElementNode, Node } from "../document/node.ts";
import {
  attributeText,
  attributeTokens,
  attributeUnknown,
  hasAttribute,
  hasHole,
  writtenText,
} from "../document/written.ts";
import { generatedText } from "./generated-content.ts";
import type { Semantics } from "./semantics.ts";
import { defaultButtonText, type NativeNameSource, nativeNames } from "./tables/native-names.ts";
import { foldSpaces, type TextAlternative, TextCollector } from "./text-collector.ts";

/** Under which circumstances the text of a node is gathered. */
interface Traversal {
  readonly semantics: Semantics;
  /** Each element speaks once in one computation. AccName 1.2 §4.3.1, step 1. */
  readonly visited: Set<ElementNode>;
  /** Inside what aria-labelledby or aria-describedby names: their own such references are not followed. */
  readonly referenced: boolean;
  /** The root of this part was hidden and named on purpose: then what is hidden in it speaks too. Step 2A. */
  readonly hiddenAllowed: boolean;
  readonly depth: number;
}

/** How many labels may hold controls whose labels hold controls …, before the text counts as unknown. */
const DEEPEST_LABEL = 24;

const nothing: TextAlternative = { text: "", certain: true };

/** The text of the elements an id-reference attribute names, joined in order. AccName 1.2 §4.3.2, step 2B. */
export function referencedText(
  semantics: Semantics,
  element: ElementNode,
  attribute: string,
  visited?: Set<ElementNode>,
): TextAlternative | null {
  const targets = referencedElements(semantics.page.index, element, attribute);
  if (targets.length === 0)
    return attributeTokens(element, attribute).length === 0 &&
      attributeUnknown(element, attribute) &&
      hasAttribute(element, attribute)
      ? unknownAttribute(element, attribute)
      : null;
  const texts = targets.map((target) =>
    textOfRoot(
      {
        semantics,
        // Every reference starts afresh: naming oneself among others is allowed and usual.
        visited: new Set(visited ?? []),
        referenced: true,
        hiddenAllowed: isHidden(semantics, target),
        depth: 0,
      },
      target,
    ),
  );
  return joined(texts);
}

const unknownAttribute = (element: ElementNode, attribute: string): TextAlternative => ({
  text: writtenText(element.attributes.get(attribute)?.value ?? ""),
  certain: false,
});

/** The text inside an element: for names from contents. AccName 1.2 §4.3.2, step 2F. */
export function contentsText(semantics: Semantics, element: ElementNode): TextAlternative {
  return gather(
    { semantics, visited: new Set([element]), referenced: false, hiddenAllowed: false, depth: 0 },
    element,
  );
}

/** The text of one native source of a name; null where the element has none of it. */
export function nativeSourceText(
  semantics: Semantics,
  element: ElementNode,
  source: NativeNameSource,
): TextAlternative | null {
  return sourceText(
    { semantics, visited: new Set([element]), referenced: false, hiddenAllowed: false, depth: 0 },
    element,
    source,
  );
}

/** The text of whatever an attribute holds; null when it is absent or blank. */
export function attributeAlternative(element: ElementNode, name: string): TextAlternative | null {
  const attribute = element.attributes.get(name);
  if (attribute === undefined) return null;
  const text = foldSpaces(writtenText(attribute.value));
  if (text === "") return null;
  return { text, certain: !hasHole(attribute.value) };
}

/** What of an attribute's text is left when it is folded; empty when absent. */
export const attributeAlternativeText = (element: ElementNode, name: string): string =>
  attributeAlternative(element, name)?.text ?? "";

export function isHidden(semantics: Semantics, element: ElementNode): boolean {
  return semantics.presence.of(element).exposed === NO;
}

function joined(texts: readonly TextAlternative[]): TextAlternative {
  return { text: foldSpaces(texts.map((t) => t.text).join(" ")), certain: texts.every((t) => t.certain) };
}

/** Steps 2C to 2I for a referenced or labelling element. */
function textOfRoot(traversal: Traversal, element: ElementNode): TextAlternative {
  if (traversal.visited.has(element)) return nothing;
  traversal.visited.add(element);
  const alternative = ownAlternative(traversal, element);
  if (alternative !== null) return alternative;
  const contents = gather(traversal, element);
  return contents.text !== "" || !contents.certain
    ? contents
    : (attributeAlternative(element, "title") ?? contents);
}

/** What an element says of itself without its contents; null when only they can tell. Steps 2B, 2C, 2D, 2E. */
function ownAlternative(traversal: Traversal, element: ElementNode): TextAlternative | null {
  if (!traversal.referenced) {
    const named = referencedText(traversal.semantics, element, "aria-labelledby", traversal.visited);
    if (named !== null && named.text !== "") return named;
  }
  const label = attributeAlternative(element, "aria-label");
  // What is referred to speaks for itself first; a control met inside a label is part of the sentence by its value.
  const isReferred = traversal.referenced && traversal.visited.size === 1;
  if (isReferred && label !== null) return label;
  const value = isReferred || traversal.visited.size > 1 ? embeddedValue(traversal, element) : null;
  if (value !== null) return value;
  if (label !== null) return label;
  const { role } = traversal.semantics.role(element);
  if (role === "none") return null;
  for (const source of sourcesOf(element)) {
    if (source === "contents" || source === "title attribute" || gatheredAnyway.has(source)) continue;
    const text = sourceText(traversal, element, source);
    if (text !== null && text.text !== "") return text;
    // `alt=""` says that there is nothing to say.
    if (source === "alt" && text !== null) return nothing;
  }
  return null;
}

/** Sources that are part of the contents: met on the way down. */
const gatheredAnyway = new Set<NativeNameSource>(["caption", "legend", "figcaption", "title element"]);

/** The native sources of an element's name. */
export function sourcesOf(element: ElementNode): readonly NativeNameSource[] {
  if (element.namespace === "html")
    return nativeNames[element.tag === "input" ? `input:${inputType(element)}` : element.tag] ?? [];
  if (element.namespace === "svg") return nativeNames[`svg:${element.tag}`] ?? nativeNames["svg:*"] ?? [];
  return [];
}

const typedRoles = new Set(["textbox", "searchbox"]);
const rangeRoles = new Set(["slider", "spinbutton", "progressbar", "meter", "scrollbar"]);

/** The value of a control inside another's label: it is part of the sentence. Step 2C. */
function embeddedValue(traversal: Traversal, element: ElementNode): TextAlternative | null {
  const { semantics } = traversal;
  const { role } = semantics.role(element);
  if (role === null) return null;
  if (typedRoles.has(role)) {
    if (element.tag === "input")
      return textTypes.has(inputType(element)) ? attributeAlternative(element, "value") : null;
    return gather(traversal, element);
  }
  if (role === "combobox" || role === "listbox") {
    if (element.tag === "select")
      return joined(
        selectedOptions(semantics.page.index, element).map((option) =>
          gather({ ...traversal, visited: new Set(traversal.visited) }, option),
        ),
      );
    if (element.tag === "input") return attributeAlternative(element, "value") ?? nothing;
    const chosen = selectedDescendants(semantics, element);
    if (chosen.length > 0)
      return joined(
        chosen.map((option) => textOfRoot({ ...traversal, visited: new Set(traversal.visited) }, option)),
      );
    return role === "combobox" ? gather(traversal, element) : nothing;
  }
  if (rangeRoles.has(role)) {
    const spoken =
      attributeAlternative(element, "aria-valuetext") ?? attributeAlternative(element, "aria-valuenow");
    if (spoken !== null) return spoken;
    if (element.namespace === "html" && /^(?:input|meter|progress)$/.test(element.tag))
      return attributeAlternative(element, "value") ?? nothing;
    return null;
  }
  return null;
}

function selectedDescendants(semantics: Semantics, listbox: ElementNode): readonly ElementNode[] {
  const { index } = semantics.page;
  const found: ElementNode[] = [];
  const stack = [...index.childElements(listbox)].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (attributeText(node, "aria-selected") === "true") found.push(node);
    for (const child of [...index.childElements(node)].reverse()) stack.push(child);
  }
  return found;
}

function sourceText(
  traversal: Traversal,
  element: ElementNode,
  source: NativeNameSource,
): TextAlternative | null {
  const { index } = traversal.semantics.page;
  const childText = (tag: string, gives: typeof givesName = () => true): TextAlternative | null => {
    const child = index.childElements(element).find((c) => c.tag === tag);
    return child === undefined || !gives(traversal, child) ? null : labelText(traversal, child);
  };
  switch (source) {
    case "label element": {
      const labels = index.labels(element);
      const shown = labels.filter((label) => givesName(traversal, label));
      if (shown.length === 0) return null;
      if (traversal.depth >= DEEPEST_LABEL) return { text: "", certain: false };
      return joined(shown.map((label) => labelText(traversal, label)));
    }
    case "alt": {
      const attribute = element.attributes.get("alt");
      if (attribute === undefined) return null;
      return { text: foldSpaces(writtenText(attribute.value)), certain: !hasHole(attribute.value) };
    }
    case "value":
      return attributeAlternative(element, "value");
    case "default text":
      // An empty value is an empty button; only a missing one gets the browser's words.
      return element.attributes.has("value") && inputType(element) !== "image"
        ? null
        : { text: defaultButtonText[inputType(element)] ?? "", certain: true };
    case "caption":
    case "legend":
    case "figcaption":
      return childText(source, givesName);
    case "lone figcaption":
      return loneFigcaption(traversal, element);
    case "label attribute":
      return attributeAlternative(element, "label");
    case "summary attribute":
      return attributeAlternative(element, "summary");
    case "svg title":
      return childText("title");
    case "xlink title":
      return attributeAlternative(element, "xlink:title");
    case "title element": {
      const title = index.byTag("title").find((t) => t.namespace === "html");
      return title === undefined ? null : gather({ ...traversal, hiddenAllowed: true }, title);
    }
    case "contents":
      return gather(traversal, element);
    case "title attribute":
      return attributeAlternative(element, "title");
    case "placeholder":
      return (
        attributeAlternative(element, "placeholder") ?? attributeAlternative(element, "aria-placeholder")
      );
    default:
      return source satisfies never;
  }
}

/**
 * Whether an element that names another by its kind does so. Deviates from AccName 1.2 step 2A (2026-11) as browsers do: one
 * that is not seen, or that is `aria-hidden` itself, names nothing; one in a part that is hidden from assistive technology
 * does.
 */
function givesName({ semantics, hiddenAllowed }: Traversal, label: ElementNode): boolean {
  if (hiddenAllowed) return true;
  const { visible, reason, because } = semantics.presence.of(label);
  return visible !== NO && !(reason === "aria-hidden" && because === label);
}

const labelText = (traversal: Traversal, label: ElementNode): TextAlternative =>
  textOfRoot(
    {
      ...traversal,
      visited: new Set(traversal.visited),
      hiddenAllowed: traversal.hiddenAllowed || isHidden(traversal.semantics, label),
      depth: traversal.depth + 1,
    },
    label,
  );

/** An image that is alone in its figure is named by the caption. HTML-AAM 1.0 §4.1.10. */
function loneFigcaption(traversal: Traversal, image: ElementNode): TextAlternative | null {
  const { index } = traversal.semantics.page;
  if (image.attributes.has("alt") || traversal.visited.size > 1) return null;
  let figure = index.parent(image);
  while (figure !== null && figure.tag !== "figure") figure = index.parent(figure);
  if (figure === null) return null;
  const caption = index.childElements(figure).find((child) => child.tag === "figcaption");
  if (caption === undefined) return null;
  const stack: Node[] = [...figure.children];
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node === caption || node === image) continue;
    if (node.kind === "text" && writtenText(node.value).trim() !== "") return null;
    if (node.kind === "element") {
      if (node.tag === "img" || node.tag === "svg" || node.tag === "video" || node.tag === "table")
        return null;
      stack.push(...node.children);
    }
  }
  return labelText(traversal, caption);
}

const inlineDisplays = new Set(["inline", "contents", "ruby", "ruby-text", "inline flow"]);

/** Whether a box of its own parts the element's text from what stands beside it. CSS Display 3 §2.1. */
function isApart(traversal: Traversal, element: ElementNode): boolean {
  const { styles } = traversal.semantics.page;
  const display = styles.keyword(element, "display") ?? "inline";
  if (display === "contents") return false;
  if (!inlineDisplays.has(display)) return true;
  const float = styles.keyword(element, "float");
  const position = styles.keyword(element, "position");
  return (float !== null && float !== "none") || position === "absolute" || position === "fixed";
}

interface Step {
  readonly node: Node | null;
  /** Set on the way back up, with what had been spoken on the way down. */
  readonly closes: ElementNode | null;
  readonly spokenBefore: number;
  /** Under `visibility: hidden`: text is not read, though elements turned visible again are. */
  readonly muted: boolean;
}

/** Step 2F, walked with a stack of its own: text, generated content and the alternatives of what is inside. */
function gather(traversal: Traversal, root: ElementNode): TextAlternative {
  const { semantics } = traversal;
  const { index, styles } = semantics.page;
  const collector = new TextCollector();
  const stack: Step[] = [];
  // What is referred to though it is not rendered has no generated content. CSS Pseudo 4 §4.1.
  const isRendered = (element: ElementNode) => semantics.presence.of(element).rendered !== NO;
  const enter = (element: ElementNode, muted: boolean) => {
    stack.push({ node: null, closes: element, spokenBefore: collector.spoken, muted });
    const owned = semantics.role(element).role === null ? [] : ownedElements(semantics, element);
    for (let i = owned.length - 1; i >= 0; i--) {
      const node = owned[i];
      if (node !== undefined) stack.push({ node, closes: null, spokenBefore: 0, muted });
    }
    const children = index.flatChildren(element);
    for (let i = children.length - 1; i >= 0; i--) {
      const node = children[i];
      if (node !== undefined) stack.push({ node, closes: null, spokenBefore: 0, muted });
    }
    if (!muted && isRendered(element)) collector.generated(generatedText(styles, element, "before"));
  };
  const atRoot = semantics.presence.of(root);
  enter(root, !traversal.hiddenAllowed && (atRoot.reason === "visibility: hidden" || atRoot.ownTextHidden));
  for (let step = stack.pop(); step !== undefined; step = stack.pop()) {
    if (step.closes !== null) {
      if (!step.muted && isRendered(step.closes))
        collector.generated(generatedText(styles, step.closes, "after"));
      // The tooltip of something that says nothing else. Step 2I.
      const title =
        step.muted || step.closes === root || collector.spoken > step.spokenBefore
          ? null
          : attributeAlternative(step.closes, "title");
      if (title !== null) collector.alternative(title);
      if (step.closes !== root && isApart(traversal, step.closes)) collector.space();
      continue;
    }
    const { node } = step;
    if (node === null || node.kind === "comment") continue;
    if (node.kind === "hole") {
      collector.text(`{${node.hole.hole}}`);
      collector.certain = false;
      continue;
    }
    if (node.kind === "text") {
      if (step.muted) continue;
      collector.text(writtenText(node.value));
      if (hasHole(node.value)) collector.certain = false;
      continue;
    }
    if (node.tag === "br" && node.namespace === "html") {
      collector.space();
      continue;
    }
    if (traversal.visited.has(node) || silent.has(node.tag)) continue;
    if (!traversal.hiddenAllowed) {
      const { exposed } = semantics.presence.of(node);
      // `visibility: hidden` may be turned back on further down; everything else hides all that is inside.
      if (exposed === NO) {
        if (semantics.presence.of(node).reason === "visibility: hidden") enter(node, true);
        else if (isRendered(node) && isApart(traversal, node)) collector.space();
        continue;
      }
      if (exposed === MAYBE) collector.certain = false;
    } else if (semantics.presence.of(node).reason === "never rendered" && node.tag !== "title") continue;
    if (node.presence === "sometimes" || node.repeats) collector.certain = false;
    traversal.visited.add(node);
    const alternative = ownAlternative(traversal, node);
    if (alternative !== null) {
      collector.alternative(alternative);
      continue;
    }
    if (isApart(traversal, node)) collector.space();
    enter(node, !traversal.hiddenAllowed && semantics.presence.of(node).ownTextHidden);
  }
  return collector.result();
}

/** Elements whose children are no content to be read. */
const silent = new Set(["script", "style", "template", "noscript", "head", "iframe", "video", "audio"]);

/** Elements that `aria-owns` brings in as children, after the element's own. WAI-ARIA 1.2 §6.6 `aria-owns`. */
function ownedElements(semantics: Semantics, element: ElementNode): readonly ElementNode[] {
  return element.attributes.has("aria-owns")
    ? referencedElements(semantics.page.index, element, "aria-owns")
    : [];
}
