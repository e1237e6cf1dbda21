import { type Edit, inOrder, originalPlaces } from "./edit.ts";

/** One node of a parsed file, by what it is and where it stands. */
interface Mark {
  readonly kind: string;
  readonly start: number;
  readonly end: number;
}

/** Where parsers say once more where things stand. */
const elsewhere = new Set(["loc", "extra"]);

/** Every node of a parsed file with a place, in the order of the tree. */
function marksIn(root: unknown): readonly Mark[] {
  const marks: Mark[] = [];
  const seen = new Set<object>();
  const stack: { readonly value: unknown; readonly key: string }[] = [{ value: root, key: "" }];
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    const { value, key } = at;
    if (value === null || typeof value !== "object" || seen.has(value)) continue;
    seen.add(value);
    const node = value as Record<string, unknown>;
    if (typeof node.start === "number" && typeof node.end === "number")
      marks.push({ kind: String(node.type ?? node.kind ?? key), start: node.start, end: node.end });
    const inner =
      value instanceof Map
        ? [...value.values()].map((one) => ({ value: one, key }))
        : Array.isArray(value)
          ? value.map((one) => ({ value: one, key }))
          : Object.entries(node)
              .filter(([name]) => !elsewhere.has(name))
              .map(([name, one]) => ({ value: one, key: name }));
    for (let i = inner.length - 1; i >= 0; i--) stack.push(inner[i] as (typeof inner)[number]);
  }
  return marks;
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
  const kept = marksIn(before)
    .filter((mark) => !isTouched(mark))
    .map(written);
  const found = marksIn(after).flatMap((mark) => {
    const [start, end] = [original(mark.start), original(mark.end, true)];
    const back = { kind: mark.kind, start: start.offset, end: end.offset };
    return start.isNew || isTouched(back) ? [] : [written(back)];
  });
  return kept.length === found.length && kept.every((one, at) => one === found[at]);
}
