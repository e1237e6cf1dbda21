import { type Edit, inOrder, originalPlaces } from "./edit.ts";

/** One node of a parsed file, by what it is and where it stands. */
interface Mark {
  readonly kind: string;
  readonly start: number;
  readonly end: number;
}

/** Where parsers say once more where things stand. */
const elsewhere = new Set(["loc", "extra"]);

interface Visited {
  readonly value: unknown;
  /** What it is a part of, for places that do not say what stands there. */
  readonly kind: string;
}

/** Every node of a parsed file with a place, in the order of the tree. */
function marksIn(root: unknown): readonly Mark[] {
  const marks: Mark[] = [];
  const seen = new Set<object>();
  const stack: Visited[] = [{ value: root, kind: "" }];
  for (let current = stack.pop(); current !== undefined; current = stack.pop()) {
    const { value } = current;
    if (value === null || typeof value !== "object" || seen.has(value)) continue;
    seen.add(value);
    const node = value as Record<string, unknown>;
    const kind = String(node.type ?? node.kind ?? current.kind);
    if (typeof node.start === "number" && typeof node.end === "number")
      marks.push({ kind, start: node.start, end: node.end });
    for (const part of partsOf(value, kind).reverse()) stack.push(part);
  }
  return marks;
}

function partsOf(value: object, kind: string): Visited[] {
  if (Array.isArray(value) || value instanceof Map)
    return [...value.values()].map((one) => ({ value: one, kind }));
  return Object.entries(value)
    .filter(([name]) => !elsewhere.has(name))
    .map(([name, one]) => ({ value: one, kind: `${kind} ${name}` }));
}

/**
 * Whether a file that was edited parses to what it was before, apart from the edits: every node outside them is there,
 * in the same order, of the same kind, at the same text.
 * @param before what a parser made of the file: any tree of objects that carry `start` and `end`
 * @param after what it makes of the edited file
 */
export function isUntouchedApartFrom(before: unknown, after: unknown, edits: readonly Edit[]): boolean {
  const ordered = inOrder(edits);
  // Text is parted where something is put into it; what is replaced may become something else.
  const isTouched = ({ kind, start, end }: Mark) =>
    ordered.some((edit) =>
      /text/i.test(kind)
        ? start <= edit.end && end >= edit.start
        : start >= edit.start && start < edit.end && end > edit.start,
    );
  const written = ({ kind, start, end }: Mark) => `${kind} ${start} ${end}`;
  const original = originalPlaces(ordered);
  const found = marksIn(after).flatMap((mark) => {
    const [start, end] = [original(mark.start), original(mark.end, true)];
    const back = { kind: mark.kind, start: start.offset, end: end.offset };
    return start.isNew || isTouched(back) ? [] : [written(back)];
  });
  const there = new Set(found);
  // What an edit empties may be gone with it: the rule whose only declaration was taken away.
  const mayBeGone = ({ start, end }: Mark) =>
    ordered.some((edit) => edit.text === "" && start < edit.start && end > edit.end);
  const kept = marksIn(before).flatMap((mark) => {
    if (isTouched(mark)) return [];
    const text = written(mark);
    return mayBeGone(mark) && !there.has(text) ? [] : [text];
  });
  return kept.length === found.length && kept.every((one, index) => one === found[index]);
}
