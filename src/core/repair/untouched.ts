import { countBefore, type Edit, inOrder, originalPlaces } from "./edit.ts";

/** One node of a parsed file, by what it is and where it stands. */
export interface Mark {
  readonly kind: string;
  readonly start: number;
  readonly end: number;
}

/** Where parsers say once more where things stand. */
const elsewhere = new Set(["loc", "extra"]);

interface Visited {
  readonly value: object;
  /** What it is a part of, for places that do not say what stands there. */
  readonly kind: string;
}

/**
 * Every node of a parsed file with a place, in the order of the tree.
 * @param root what a parser made of the file: any tree of objects that carry `start` and `end`
 */
export function marksIn(root: unknown): readonly Mark[] {
  const marks: Mark[] = [];
  const seen = new Set<object>();
  const stack: Visited[] = typeof root === "object" && root !== null ? [{ value: root, kind: "" }] : [];
  for (let current = stack.pop(); current !== undefined; current = stack.pop()) {
    const { value } = current;
    if (seen.has(value)) continue;
    seen.add(value);
    const node = value as Record<string, unknown>;
    const kind = String(node.type ?? node.kind ?? current.kind);
    if (typeof node.start === "number" && typeof node.end === "number")
      marks.push({ kind, start: node.start, end: node.end });
    const parts = partsOf(value, kind);
    for (let at = parts.length - 1; at >= 0; at--) stack.push(parts[at] as Visited);
  }
  return marks;
}

/** What holds no more of them is left out at once: most of what a node says of itself is texts and numbers. */
function partsOf(value: object, kind: string): readonly Visited[] {
  const parts: Visited[] = [];
  const add = (part: unknown, of: string) => {
    if (part !== null && typeof part === "object") parts.push({ value: part, kind: of });
  };
  if (Array.isArray(value) || value instanceof Map) for (const one of value.values()) add(one, kind);
  else for (const [name, one] of Object.entries(value)) if (!elsewhere.has(name)) add(one, `${kind} ${name}`);
  return parts;
}

/**
 * Where a file that was edited first parses to something else than before, apart from the edits: every node outside them
 * is to be there, in the same order, of the same kind, at the same text.
 * @param edits of the file, none of which collides with another
 * @returns an offset of the text before; null where it parses to the same
 */
export function firstChangeBeside(
  before: readonly Mark[],
  after: readonly Mark[],
  edits: readonly Edit[],
): number | null {
  const ordered = inOrder(edits);
  const deletions = ordered.filter(({ text }) => text === "");
  /** The first of the edits that ends at or after an offset. */
  const endingFrom = (offset: number) => ordered[countBefore(ordered, ({ end }) => end < offset)];
  /** The last of the edits that starts at or before an offset. */
  const startingBy = (offset: number) => ordered[countBefore(ordered, ({ start }) => start <= offset) - 1];
  // Text is parted where something is put into it; what is replaced may become something else.
  const isTouched = ({ kind, start, end }: Mark): boolean => {
    if (/text/i.test(kind)) {
      const edit = endingFrom(start);
      return edit !== undefined && edit.start <= end;
    }
    const edit = startingBy(start);
    return edit !== undefined && start < edit.end && end > edit.start;
  };
  // What an edit empties may be gone with it: the rule whose only declaration was taken away.
  const mayBeGone = ({ start, end }: Mark): boolean => {
    const inside = deletions[countBefore(deletions, (edit) => edit.start <= start)];
    return inside !== undefined && inside.end < end;
  };
  const original = originalPlaces(ordered);
  const found = after.flatMap((mark) => {
    const [start, end] = [original(mark.start), original(mark.end, true)];
    const back = { kind: mark.kind, start: start.offset, end: end.offset };
    return start.isNew || isTouched(back) ? [] : [back];
  });
  let at = 0;
  for (const mark of before) {
    if (isTouched(mark)) continue;
    const other = found[at];
    if (other !== undefined && same(mark, other)) at++;
    else if (!mayBeGone(mark)) return mark.start;
  }
  return found[at]?.start ?? null;
}

const same = (a: Mark, b: Mark): boolean => a.kind === b.kind && a.start === b.start && a.end === b.end;
