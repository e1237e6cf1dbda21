/** Written after a stylesheet that a framework puts into the window itself, changed: the key of what it was made from. */
export const styleMark = (key: string): string => `\n/*# sourceURL=keel:${encodeURIComponent(key)} */`;

/** The key of the stylesheet that a text was made from; null where none is told. */
export function markedStyle(text: string): string | null {
  const key = /\/\*# sourceURL=keel:(\S+) \*\//.exec(text)?.[1];
  return key === undefined ? null : decodeURIComponent(key);
}
