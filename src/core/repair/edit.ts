/** One replacement in a source file: UTF-16 offsets into the text as read, half-open. */
export interface Edit {
  readonly file: string;
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

export const sameEdit = (a: Edit, b: Edit): boolean =>
  a.file === b.file && a.start === b.start && a.end === b.end && a.text === b.text;

/** Whether two edits change the same text in different ways. Texts put in at one place stand one after the other. */
export const collide = (a: Edit, b: Edit): boolean =>
  a.file === b.file && !sameEdit(a, b) && a.start < b.end && b.start < a.end;

/** Edits of one file in the order of their places, each once; what is put in at one place keeps its order. */
export const inOrder = (edits: readonly Edit[]): readonly Edit[] =>
  [
    ...new Map(edits.map((edit) => [JSON.stringify([edit.start, edit.end, edit.text]), edit])).values(),
  ].toSorted((a, b) => a.start - b.start || a.end - b.end);

/** How many of some things that are in order come before the first that does not hold. */
export function countBefore<T>(ordered: readonly T[], holds: (one: T) => boolean): number {
  let [low, high] = [0, ordered.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (holds(ordered[middle] as T)) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Edits that do not collide, as they come together. */
export class Gathered {
  readonly #files = new Map<string, Edit[]>();

  /** Whether an edit collides with one of those that are here. */
  collides(edit: Edit): boolean {
    const here = this.#files.get(edit.file) ?? [];
    for (let at = countBefore(here, ({ end }) => end <= edit.start); at < here.length; at++) {
      const other = here[at] as Edit;
      if (other.start >= edit.end) return false;
      if (collide(edit, other)) return true;
    }
    return false;
  }

  add(edit: Edit): void {
    const here = this.#files.get(edit.file) ?? [];
    const at = countBefore(
      here,
      ({ start, end }) => start < edit.start || (start === edit.start && end <= edit.end),
    );
    here.splice(at, 0, edit);
    this.#files.set(edit.file, here);
  }
}

/** A text with edits made that do not collide; the rest of it stays as it is. */
export function withEdits(text: string, edits: readonly Edit[]): string {
  let result = "";
  let offset = 0;
  for (const { start, end, text: put } of inOrder(edits)) {
    result += text.slice(offset, start) + put;
    offset = end;
  }
  return result + text.slice(offset);
}

/** Where a place of the edited text was before. */
export interface OriginalPlace {
  readonly offset: number;
  /** Whether it stands in text that an edit put there. */
  readonly isNew: boolean;
}

/**
 * Leads from offsets of the edited text back to those of the text before.
 * @param isEnd of `places`: whether the offset is where something ends, and so belongs to what stands before it
 */
export function originalPlaces(edits: readonly Edit[]): (offset: number, isEnd?: boolean) => OriginalPlace {
  let shift = 0;
  const placed = inOrder(edits).map(({ start, end, text }) => {
    const from = start + shift;
    shift += text.length - (end - start);
    return { start, from, to: from + text.length, shift };
  });
  return (offset, isEnd = false) => {
    const last = placed[countBefore(placed, ({ from }) => (isEnd ? from < offset : from <= offset)) - 1];
    if (last === undefined) return { offset, isNew: false };
    if (offset < last.to) return { offset: last.start, isNew: true };
    return { offset: offset - last.shift, isNew: false };
  };
}

/** Edits by the file they are in, in order. */
export function byFile(edits: readonly Edit[]): ReadonlyMap<string, readonly Edit[]> {
  const files = new Map<string, Edit[]>();
  for (const edit of edits) {
    const known = files.get(edit.file);
    if (known === undefined) files.set(edit.file, [edit]);
    else known.push(edit);
  }
  return new Map([...files].map(([file, fileEdits]) => [file, inOrder(fileEdits)]));
}
