import type { Span } from "../../core/document/node.ts";
import type { TreeAttribute, TreeElement, TreeNode } from "../../core/worlds/tree.ts";
import type { ComponentCall, Value } from "../script/value.ts";
import type { Composition } from "./composition.ts";

/** How much may be evaluated for one picture. */
const MOST_STEPS = 4_000;

/** Elements outside drawings that a picture may stand in. */
const wrappers = new Set(["span", "i", "div"]);

/** Attributes that say what a picture is, or whether it is exposed: one that is open leaves the picture unknown. */
const telling = /^(?:role|title|alt|hidden|tabindex|focusable|href|xlink:href|aria-.*)$/;

/**
 * The drawing that a component of an installed package shows, where that is all it shows and all of it is known: what
 * it is, and which words it brings. Null for everything else, which stays a component that is not in source.
 */
export function installedPicture(
  composition: Composition,
  type: Value,
  call: Pick<ComponentCall, "props" | "source" | "namespace"> & { readonly owner: ComponentCall["frames"] },
): readonly TreeNode[] | null {
  const component = type.kind === "unknown" ? type.installed : undefined;
  if (component === undefined || call.props.rest !== null) return null;
  const { state } = composition.machine;
  const { steps, isWhole } = state;
  const allowed = Math.min(steps, MOST_STEPS);
  state.steps = allowed;
  state.isWhole = true;
  try {
    const nodes = component.render({
      ...call,
      places: new Map(),
      slots: new Map(),
      endTag: null,
      frames: call.owner,
      instance: state.instance,
      isAlone: false,
    });
    const drawn = state.steps > 0 ? drawing(nodes, call) : null;
    return drawn?.some(hasDrawing) === true ? drawn : null;
  } finally {
    state.steps = steps - (allowed - Math.max(0, state.steps));
    state.isWhole = isWhole;
  }
}

interface Place {
  readonly source: Span;
  readonly owner: ComponentCall["frames"];
}

const hasDrawing = (node: TreeNode): boolean =>
  node.kind === "element" && (node.tag === "svg" || node.children.some(hasDrawing));

/** What drawings tell beside lines and colours, as one text. */
const saidBy = (nodes: readonly TreeNode[]): string => nodes.map(saidByNode).join("");

const saidByNode = (node: TreeNode): string =>
  node.kind === "text"
    ? JSON.stringify(node.value)
    : node.kind !== "element"
      ? ""
      : JSON.stringify([
          wrappers.has(node.tag) || node.tag === "svg" ? node.tag : "",
          node.attributes.filter(({ name }) => telling.test(name)).map(({ name, value }) => [name, value]),
          saidBy(node.children),
        ]);

/** The nodes as they stand at the use of the component; null where one of them is open, or no part of a picture. */
function drawing(nodes: readonly TreeNode[], place: Place): readonly TreeNode[] | null {
  const drawn: TreeNode[] = [];
  for (const node of nodes) {
    if (node.kind === "comment") continue;
    if (node.kind === "either") {
      const [first = null, ...others] = node.arms.map((arm) => drawing(arm, place));
      if (first === null || others.some((arm) => arm === null || saidBy(arm) !== saidBy(first))) return null;
      drawn.push(...first);
      continue;
    }
    if (node.kind === "text") {
      if (typeof node.value !== "string") return null;
      drawn.push({ ...node, source: place.source });
      continue;
    }
    const element = node.kind === "element" ? drawnElement(node, place) : null;
    if (element === null) return null;
    drawn.push(element);
  }
  return drawn;
}

function drawnElement(element: TreeElement, place: Place): TreeElement | null {
  const isPart = element.namespace === "svg" || wrappers.has(element.tag);
  if (!isPart || element.tag === "a" || element.spread !== null || element.repeats) return null;
  if (element.listeners === "unknown" || element.listeners.size > 0) return null;
  const attributes: TreeAttribute[] = [];
  for (const attribute of element.attributes) {
    const isKnown = attribute.value === null || typeof attribute.value === "string";
    if (isKnown) attributes.push({ ...attribute, source: null });
    else if (telling.test(attribute.name)) return null;
  }
  const children = drawing(element.children, place);
  if (children === null) return null;
  return {
    ...element,
    isTagGiven: true,
    attributes,
    children,
    source: place.source,
    endTag: null,
    components: place.owner,
  };
}
