import {
  attributeCopied,
  attributeRemoved,
  attributeRenamed,
  attributeSet,
  classRenamed,
} from "./attribute-spelling.ts";
import type { Change } from "./change.ts";
import { declarationRemoved, declarationSet, declarationsAdded } from "./declaration-spelling.ts";
import { type Edit, sameEdit } from "./edit.ts";
import { elementRemoved, elementRenamed, inserted, takenIn, wordsSet, wrapped } from "./element-spelling.ts";
import { BLANK } from "./repair.ts";
import { startTag, type TextOf } from "./start-tag.ts";
import { escapeWords, syntaxOf } from "./syntax.ts";

/**
 * Changes as edits of the source, in the style of the text around each. Null where one of them cannot be written: the
 * place is not in source, or what stands there is worked out by a program.
 */
export function spelled(changes: readonly Change[], textOf: TextOf): readonly Edit[] | null {
  const edits: Edit[] = [];
  for (const change of changes) {
    const spelled = spelledOne(change, textOf);
    if (spelled === null) return null;
    // What a list renders several times stands in source once.
    edits.push(...spelled.filter((edit) => !edits.some((other) => sameEdit(edit, other))));
  }
  return edits;
}

/** Edits with the words of a person where `BLANK` stands. */
export const filledIn = (edits: readonly Edit[], words: string): readonly Edit[] =>
  edits.map((edit) => {
    const index = edit.text.indexOf(BLANK);
    if (index < 0) return edit;
    const before = edit.text[index - 1];
    const quote = before === '"' || before === "'" ? before : null;
    return {
      ...edit,
      text: edit.text.replaceAll(BLANK, () => escapeWords(words, syntaxOf(edit.file), quote)),
    };
  });

function spelledOne(change: Change, textOf: TextOf): readonly Edit[] | null {
  if (change.kind === "replace text") {
    const { file, start, end } = change.source;
    return textOf(file) === null ? null : [{ file, start, end, text: change.text }];
  }
  if (change.kind === "set declaration") return one(declarationSet(change.declared, change.text, textOf));
  if (change.kind === "remove declaration") return one(declarationRemoved(change.declared, textOf));
  if (change.kind === "wrap") return wrapped(change, textOf);
  const tag = startTag(change.element, textOf);
  if (tag === null) return null;
  switch (change.kind) {
    case "set attribute":
      return one(attributeSet(tag, change.element, change.name, change.value));
    case "remove attribute":
      return one(attributeRemoved(tag, change.element, change.name));
    case "rename class":
      return one(classRenamed(tag, change.name, change.to));
    case "rename attribute":
      return one(attributeRenamed(tag, change.element, change.name, change.to));
    case "copy attribute":
      return one(attributeCopied(tag, change.element, change.name, change.to));
    case "rename element":
      return elementRenamed(tag, change.element, change.to);
    case "insert":
      return one(inserted(tag, change.element, change.where, change.markup));
    case "take in":
      return takenIn(tag, change.element, change.next);
    case "set words":
      return one(wordsSet(tag, change.element, change.text));
    case "remove element":
      return one(elementRemoved(tag, change.element));
    case "add declarations":
      return one(declarationsAdded(tag, change.element, change.declarations()));
  }
}

const one = (edit: Edit | null): readonly Edit[] | null => (edit === null ? null : [edit]);
