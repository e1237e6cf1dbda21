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
  edits
    .filter((edit, index) => edits.findIndex((other) => sameEdit(edit, other)) === index)
    .toSorted((a, b) => a.start - b.start || a.end - b.end);

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
  const ordered = inOrder(edits);
  return (offset, isEnd = false) => {
    let shift = 0;
    for (const { start, end, text } of ordered) {
      const from = start + shift;
      if (isEnd ? offset <= from : offset < from) break;
      if (offset < from + text.length) return { offset: start, isNew: true };
      shift += text.length - (end - start);
    }
    return { offset: offset - shift, isNew: false };
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
