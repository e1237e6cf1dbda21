import { unprintable } from "../terminal/printable.ts";

/** JSON whose texts hold nothing that moves or turns a terminal: such characters are written as escapes. RFC 8259 §7. */
export const jsonText = (value: unknown, indent?: number): string =>
  JSON.stringify(value, null, indent).replace(unprintable, escaped);

/** The same as `jsonText` with an indent of two, in pieces: every entry of the lists at the top is one. */
export function* jsonPieces(document: object): Iterable<string> {
  const entries = Object.entries(document).filter(([, value]) => value !== undefined);
  const inside = (value: unknown, indent: string) => jsonText(value, 2).replaceAll("\n", `\n${indent}`);
  yield "{\n";
  for (const [at, [name, value]] of entries.entries()) {
    const comma = at < entries.length - 1 ? "," : "";
    if (!Array.isArray(value) || value.length === 0)
      yield `  ${jsonText(name)}: ${inside(value, "  ")}${comma}\n`;
    else {
      yield `  ${jsonText(name)}: [\n`;
      for (const [index, one] of value.entries())
        yield `    ${inside(one, "    ")}${index < value.length - 1 ? "," : ""}\n`;
      yield `  ]${comma}\n`;
    }
  }
  yield "}";
}

function escaped(character: string): string {
  // Line ends between values are JSON's own; within texts they are escaped already.
  if (character === "\n") return character;
  return [...Array(character.length).keys()]
    .map((at) => `\\u${character.charCodeAt(at).toString(16).padStart(4, "0")}`)
    .join("");
}
