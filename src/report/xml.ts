import { unprintable } from "./terminal/printable.ts";

/** Part of a document: an element as it is written. */
export type Xml = string & { readonly of: "xml" };

/** Text as XML may hold it, whatever it is. XML 1.0 §2.2 allows no control characters, §2.4 neither `<` nor `&`. */
const escaped = (text: string): string =>
  text
    .replace(/[\ufffe\uffff]/g, "")
    .replace(unprintable, (character) => (character === "\n" ? character : ""))
    .replace(/&/g, "&amp;")
    .replace(/</g, "&lt;")
    .replace(/>/g, "&gt;")
    .replace(/"/g, "&quot;");

/** An element with what is in it: elements, each on a line of its own, or text. */
export function xml(
  name: string,
  attributes: Readonly<Record<string, string | number>>,
  content: string | readonly Xml[] = [],
): Xml {
  const start = [
    name,
    ...Object.entries(attributes).map(([key, value]) => `${key}="${escaped(String(value))}"`),
  ];
  const inside =
    typeof content === "string"
      ? escaped(content)
      : content.length === 0
        ? null
        : `\n${content.join("\n")}\n`;
  return (inside === null ? `<${start.join(" ")}/>` : `<${start.join(" ")}>${inside}</${name}>`) as Xml;
}
