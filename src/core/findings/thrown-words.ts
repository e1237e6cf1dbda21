/** What was thrown, in words: anything can be, also what has none and what throws when it is asked for them. */
export function thrownWords(thrown: unknown): string {
  try {
    const { message } = (thrown ?? {}) as { readonly message?: unknown };
    return typeof message === "string" && message !== "" ? message : String(thrown);
  } catch {
    return "something was thrown that has no words";
  }
}
