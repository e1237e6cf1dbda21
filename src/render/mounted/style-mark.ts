/**
 * Written after a stylesheet that stands in the window otherwise than in source: how that came, and the key of what it was
 * made from. `framework`: a framework put it there, changed; `stage`: we did.
 */
export const styleMark = (key: string, by: "framework" | "stage" = "framework"): string =>
  `\n/*# sourceURL=keel-${by}:${encodeURIComponent(key)} */`;

/** The mark of a text; null where it has none. */
export function markedStyle(
  text: string,
): { readonly by: "framework" | "stage"; readonly key: string } | null {
  const [, by, key] = /\/\*# sourceURL=keel-(framework|stage):(\S+) \*\//.exec(text) ?? [];
  return key === undefined ? null : { by: by === "stage" ? by : "framework", key: decodeURIComponent(key) };
}
