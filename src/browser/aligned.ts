import type { Document, ElementNode, Node } from "../core/document/node.ts";
import type { LiveElement } from "../engine/live-element.ts";
import type { Places } from "../engine/places.ts";

/** The largest pair of lists of children that is compared each with each. */
const MOST_COMPARED = 250_000;

/**
 * Where the elements of a window were written: those of the served page that they still are, found by comparing both trees
 * from the top. What a script made or moved elsewhere has no place.
 */
export function alignedPlaces(written: Document, live: LiveElement): Places {
  const writtenOf = new Map<LiveElement, ElementNode>();
  const comments = new Map<LiveElement, Node>();
  const pending: [readonly Node[], readonly LiveElement[]][] = [[written.children, [...live.childNodes]]];
  for (let pair = pending.pop(); pair !== undefined; pair = pending.pop()) {
    const [nodes, lives] = pair;
    const [before, after] = [nodes.filter(isElement), lives.filter((one) => one.nodeType === 1)];
    for (const [element, one] of pairs(before, after)) {
      writtenOf.set(one, element);
      pending.push([element.children, [...one.childNodes]]);
      if (element.shadow !== null && one.shadowRoot != null)
        pending.push([element.shadow.children, [...one.shadowRoot.childNodes]]);
    }
    const remarks = nodes.filter((node) => node.kind === "comment");
    for (const comment of lives.filter((one) => one.nodeType === 8)) {
      const same = remarks.findIndex((node) => node.value === comment.data);
      if (same >= 0) comments.set(comment, remarks.splice(same, 1)[0] as Node);
    }
  }
  const tag = (element: LiveElement) => writtenOf.get(element)?.source ?? null;
  return {
    tag,
    nearest: tag,
    isPlainTag: () => false,
    endTag: (element) => writtenOf.get(element)?.endTag ?? null,
    // What a script gave another value is not what is written.
    attribute(element, name) {
      const attribute = writtenOf.get(element)?.attributes.get(name);
      const now = [...element.attributes].find((one) => one.name === name)?.value;
      return attribute !== undefined && attribute.value === now ? attribute.source : null;
    },
    components: () => [],
    comment: (comment) => {
      const node = comments.get(comment);
      return node?.kind === "comment" ? node.source : null;
    },
    remarks: () => [],
    identity: (element) => {
      const span = tag(element);
      return span === null ? null : `@${span.start}`;
    },
  };
}

const isElement = (node: Node): node is ElementNode => node.kind === "element";

/** What an element is told by among those around it, whatever a script does to its looks. */
const kindOf = (tag: string, id: string | null, name: string | null): string =>
  `${tag} ${id ?? ""} ${name ?? ""}`;

const kindOfWritten = ({ tag, attributes }: ElementNode): string => {
  const text = (name: string) => {
    const value = attributes.get(name)?.value;
    return typeof value === "string" ? value : null;
  };
  return kindOf(tag, text("id"), text("name"));
};

const kindOfLive = ({ localName, attributes }: LiveElement): string => {
  const text = (name: string) =>
    [...attributes].find((one: { readonly name: string }) => one.name === name)?.value ?? null;
  return kindOf(localName, text("id"), text("name"));
};

/** The elements of two lists that are each other, in order: the longest sequence of the same kinds. */
function pairs(
  before: readonly ElementNode[],
  after: readonly LiveElement[],
): readonly (readonly [ElementNode, LiveElement])[] {
  const [old, now] = [before.map(kindOfWritten), after.map(kindOfLive)];
  const found: (readonly [ElementNode, LiveElement])[] = [];
  const pair = (i: number, j: number) => found.push([before[i] as ElementNode, after[j]]);
  let start = 0;
  while (start < old.length && start < now.length && old[start] === now[start]) pair(start, start++);
  let [endOld, endNow] = [old.length, now.length];
  while (endOld > start && endNow > start && old[endOld - 1] === now[endNow - 1]) pair(--endOld, --endNow);
  const [height, width] = [endOld - start, endNow - start];
  if (height === 0 || width === 0 || height * width > MOST_COMPARED) return found;
  // Longest common subsequence, from the end.
  const lengths = Array.from({ length: height + 1 }, () => new Uint32Array(width + 1));
  const at = (i: number, j: number) => lengths[i]?.[j] ?? 0;
  for (let i = height - 1; i >= 0; i--)
    for (let j = width - 1; j >= 0; j--)
      (lengths[i] as Uint32Array)[j] =
        old[start + i] === now[start + j] ? at(i + 1, j + 1) + 1 : Math.max(at(i + 1, j), at(i, j + 1));
  for (let i = 0, j = 0; i < height && j < width; ) {
    if (old[start + i] === now[start + j]) pair(start + i++, start + j++);
    else if (at(i + 1, j) >= at(i, j + 1)) i++;
    else j++;
  }
  return found;
}
