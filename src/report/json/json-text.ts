import { unprintable } from "../terminal/printable.ts";

/** JSON whose texts hold nothing that moves or turns a terminal: such characters are written as escapes. RFC 8259 §7. */
export const jsonText = (value: unknown, indent?: number): string =>
  JSON.stringify(value, null, indent).replace(unprintable, escaped);

function escaped(character: string): string {
  // Line ends between values are JSON's own; within texts they are escaped already.
  if (character === "\n") return character;
  return [...Array(character.length).keys()]
    .map((at) => `\\u${character.charCodeAt(at).toString(16).padStart(4, "0")}`)
    .join("");
}
