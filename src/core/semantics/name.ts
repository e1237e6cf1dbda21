import { referencedElements } from "../document/document-index.ts";
import type { ElementNode, Span } from "../document/node.ts";
import { hasAttribute } from "../document/written.ts";
import { isNamingProhibited } from "./role.ts";
import type { AccessibleName, NameFrom, Semantics } from "./semantics.ts";
import type { NativeNameSource } from "./tables/native-names.ts";
import { type Role, roleRow } from "./tables/roles.ts";
import {
  attributeAlternative,
  contentsText,
  nativeSourceText,
  referencedText,
  sourcesOf,
} from "./text-alternative.ts";
import type { TextAlternative } from "./text-collector.ts";

/** One possible source of a name, used or not. */
export interface NameCandidate {
  readonly from: NameFrom;
  readonly text: string;
  readonly certain: boolean;
  /** What holds it: other elements for references and labels, else the element itself. */
  readonly elements: readonly ElementNode[];
  readonly source: Span | null;
  readonly wins: boolean;
}

const noName: AccessibleName = { text: "", certain: true, from: null };

const fromNative: Readonly<Record<NativeNameSource, NameFrom>> = {
  "label element": "label element",
  alt: "alt",
  value: "value",
  "default text": "value",
  caption: "caption",
  legend: "legend",
  figcaption: "figcaption",
  "lone figcaption": "figcaption",
  "label attribute": "contents",
  "summary attribute": "summary",
  "svg title": "svg title",
  "xlink title": "title attribute",
  "title element": "title element",
  contents: "contents",
  "title attribute": "title attribute",
  placeholder: "placeholder",
};

/** The accessible name of an element. Accessible Name and Description Computation 1.2 §4.3.2; native sources by HTML-AAM 1.0 §4.1. */
export function computeName(semantics: Semantics, element: ElementNode): AccessibleName {
  if (element.attributes.size === 0 && element.spread === null && isNeverNamed(semantics, element))
    return noName;
  for (const step of nameSteps(semantics, element)) {
    const found = step.text();
    if (found !== null && (found.text !== "" || !found.certain)) return { ...found, from: step.from };
    if (step.stops && found !== null) break;
  }
  // A spread may bring an aria-label along.
  return element.spread === null ? noName : { ...noName, certain: false };
}

/** The usual case, decided at once: nothing in or on the element could name it. */
function isNeverNamed(semantics: Semantics, element: ElementNode): boolean {
  const { role } = semantics.role(element);
  return sourcesOf(element).length === 0 && (role === null || !roleRow(role).nameFrom.includes("contents"));
}

interface NameStep {
  readonly from: NameFrom;
  readonly text: () => TextAlternative | null;
  readonly elements: () => readonly ElementNode[];
  readonly source: Span | null;
  /** Whether having this source, even empty, ends the search: an empty `alt` says that there is no name. */
  readonly stops: boolean;
}

/** The sources of an element's name in the order they are asked. */
function nameSteps(semantics: Semantics, element: ElementNode): readonly NameStep[] {
  const { index } = semantics.page;
  const computed = semantics.role(element);
  const role = computed.role;
  if (role === "none") return [];
  const steps: NameStep[] = [];
  const self = () => [element];
  const attributeStep = (from: NameFrom, attribute: string): NameStep => ({
    from,
    text: () => attributeAlternative(element, attribute),
    elements: self,
    source: element.attributes.get(attribute)?.source ?? null,
    stops: false,
  });
  if (hasAttribute(element, "aria-labelledby")) {
    steps.push({
      from: "aria-labelledby",
      text: () => referencedText(semantics, element, "aria-labelledby"),
      elements: () => referencedElements(index, element, "aria-labelledby"),
      source: element.attributes.get("aria-labelledby")?.source ?? null,
      stops: false,
    });
  }
  if (hasAttribute(element, "aria-label")) steps.push(attributeStep("aria-label", "aria-label"));
  const sources = computed.from === "element" || computed.native !== "generic" ? sourcesOf(element) : [];
  const takesContents = role !== null && namedByContents(semantics, element, role);
  // What only a native role takes from its contents does not name another role: `<button role="meter">`.
  const native = sources.filter((s) => s !== "contents" || takesContents || role === null);
  for (const source of native) {
    if (source === "title attribute" || source === "placeholder") continue;
    steps.push(nativeStep(semantics, element, source));
  }
  if (takesContents && !native.includes("contents")) steps.push(nativeStep(semantics, element, "contents"));
  if (mayBeTitled(role) && element.attributes.has("title"))
    steps.push(attributeStep("title attribute", "title"));
  if (native.includes("placeholder") || (role !== null && placeholderRoles.has(role))) {
    if (element.attributes.has("placeholder") && (element.tag === "input" || element.tag === "textarea"))
      steps.push(attributeStep("placeholder", "placeholder"));
    if (element.attributes.has("aria-placeholder"))
      steps.push(attributeStep("placeholder", "aria-placeholder"));
  }
  return steps;
}

const placeholderRoles = new Set<Role>(["textbox", "searchbox", "combobox", "spinbutton"]);

function nativeStep(semantics: Semantics, element: ElementNode, source: NativeNameSource): NameStep {
  const { index } = semantics.page;
  const child = (tag: string) =>
    index
      .childElements(element)
      .filter((c) => c.tag === tag)
      .slice(0, 1);
  const elements = (): readonly ElementNode[] => {
    switch (source) {
      case "label element":
        return index.labels(element);
      case "caption":
      case "legend":
      case "figcaption":
        return child(source);
      case "svg title":
        return child("title");
      case "title element":
        return index.byTag("title").slice(0, 1);
      default:
        return [element];
    }
  };
  const isSummary = element.tag === "summary" && source === "contents";
  const attribute =
    source === "alt"
      ? "alt"
      : source === "value"
        ? "value"
        : source === "label attribute"
          ? "label"
          : source === "summary attribute"
            ? "summary"
            : null;
  return {
    from: isSummary ? "summary" : fromNative[source],
    text: () =>
      source === "contents" ? contentsText(semantics, element) : nativeSourceText(semantics, element, source),
    elements,
    source:
      attribute === null
        ? (elements()[0]?.source ?? null)
        : (element.attributes.get(attribute)?.source ?? null),
    stops: source === "alt" && element.tag === "img",
  };
}

/** Whether the role takes its name from what is inside. WAI-ARIA 1.2 §5.2.8.5; rows only where a grid makes them items. */
function namedByContents(semantics: Semantics, element: ElementNode, role: Role): boolean {
  if (!roleRow(role).nameFrom.includes("contents")) return false;
  // Deviates from WAI-ARIA 1.2 (2026-11): a row of a plain table is no item anyone moves to; browsers leave it unnamed.
  return role !== "row" || inGrid(semantics, element);
}

function inGrid(semantics: Semantics, row: ElementNode): boolean {
  const { index } = semantics.page;
  for (let up = index.flatParent(row); up !== null; up = index.flatParent(up)) {
    const { role } = semantics.role(up);
    if (role === "grid" || role === "treegrid") return true;
    if (role === "table") return false;
  }
  return false;
}

/** A tooltip names whatever may be named; where it may not, it describes. */
const mayBeTitled = (role: Role | null): boolean =>
  role === null || (!isNamingProhibited(role) && !unnamedByTitle.has(role));

/** Deviates from WAI-ARIA 1.2 (2026-11) as browsers and the 1.3 draft do: these take no name from a tooltip. */
const unnamedByTitle = new Set<Role>(["time", "term", "definition"]);

/** Every source a name could have come from, in order, with the winner marked: why the name is what it is. */
export function nameCandidates(semantics: Semantics, element: ElementNode): readonly NameCandidate[] {
  const candidates: NameCandidate[] = [];
  let won = false;
  for (const step of nameSteps(semantics, element)) {
    const found = step.text();
    if (found === null) continue;
    const wins: boolean = !won && (found.text !== "" || !found.certain);
    won ||= wins;
    candidates.push({
      from: step.from,
      text: found.text,
      certain: found.certain,
      elements: step.elements(),
      source: step.source,
      wins,
    });
    if (step.stops) break;
  }
  return candidates;
}
