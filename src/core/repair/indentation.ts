/** The line break that a text has near an offset; a line feed where it has none. */
export const lineBreakIn = (text: string, near: number): string => {
  const index = text.lastIndexOf("\n", near);
  const found = index >= 0 ? index : text.indexOf("\n", near);
  return found > 0 && text[found - 1] === "\r" ? "\r\n" : "\n";
};

/** The white space that a line begins with, where nothing else stands before an offset; null where something does. */
export const indentBefore = (text: string, index: number): string | null =>
  /(?:^|\n)([ \t]*)$/.exec(text.slice(Math.max(0, index - 200), index))?.[1] ?? null;
