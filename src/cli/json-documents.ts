/** One document as it is; several as the items of one list, each whole. */
export function* jsonDocuments(documents: readonly Iterable<string>[]): Iterable<string> {
  if (documents.length !== 1) yield "[\n";
  for (const [place, document] of documents.entries()) {
    if (place > 0) yield ",\n";
    yield* document;
  }
  yield documents.length === 1 ? "\n" : "\n]\n";
}
