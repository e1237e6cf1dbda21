import { functionCall, splitAtSlashes, splitAtSpaces } from "../css/split-value.ts";
import type { Styles } from "../css/styles.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText } from "../document/written.ts";

/** Text that a stylesheet puts before or after an element's own. */
export interface GeneratedText {
  readonly text: string;
  /** False for counters and the like, whose value source does not give. */
  readonly certain: boolean;
  /** Whether it stands in a box of its own. */
  readonly block: boolean;
}

/** What `::before` or `::after` says; null when there is none. CSS Content 3 §2; the part after `/` is its alternative. */
export function generatedText(
  styles: Styles,
  element: ElementNode,
  pseudo: "before" | "after",
): GeneratedText | null {
  const content = styles.pseudoValue(element, pseudo, "content");
  if (content === null) return null;
  if (content.text === null) return { text: "", certain: false, block: false };
  const lower = content.text.toLowerCase();
  if (lower === "none" || lower === "normal") return null;
  const value = (property: string) =>
    styles.pseudoValue(element, pseudo, property)?.text?.toLowerCase() ?? "";
  if (value("display") === "none" || value("visibility") === "hidden") return null;
  const [shown = "", alternative] = splitAtSlashes(content.text);
  let text = "";
  let certain = true;
  for (const part of splitAtSpaces(alternative ?? shown)) {
    const string = /^(["'])([\s\S]*)\1$/.exec(part);
    if (string !== null) {
      text += unescapeString(string[2] ?? "");
      continue;
    }
    const call = functionCall(part);
    if (call?.name === "attr")
      text += attributeText(element, call.argument.split(",")[0]?.trim() ?? "") ?? "";
    else if (call?.name === "counter" || call?.name === "counters" || call?.name === "string")
      certain = false;
    else if (/^open-quote$/i.test(part)) text += "“";
    else if (/^close-quote$/i.test(part)) text += "”";
  }
  const display = value("display");
  const block =
    (display !== "" && !/^(?:inline|contents|inline flow)$/.test(display)) ||
    /^(?:absolute|fixed)$/.test(value("position")) ||
    /^(?:left|right)$/.test(value("float"));
  return { text, certain, block };
}

/** CSS Syntax 3 §4.3.7. */
const unescapeString = (text: string): string =>
  text.replace(
    /\\(?:([0-9a-fA-F]{1,6})[ \t\n\f\r]?|(\r\n|[\n\f\r])|([\s\S]))/gu,
    (_, hex: string | undefined, newline: string | undefined, character: string | undefined) =>
      hex !== undefined
        ? fromCodePoint(Number.parseInt(hex, 16))
        : newline !== undefined
          ? ""
          : (character ?? ""),
  );

const fromCodePoint = (code: number): string =>
  code === 0 || code > 0x10ffff || (code >= 0xd800 && code <= 0xdfff) ? "\ufffd" : String.fromCodePoint(code);
