import type { DocumentIndex } from "./document-index.ts";
import type { ElementNode } from "./node.ts";
import { attributeText, hasAttribute } from "./written.ts";

const inputTypes = new Set(
  "hidden text search tel url email password date month week time datetime-local number range color checkbox radio file submit image reset button".split(
    " ",
  ),
);

/** The state of an input's `type` attribute; an unknown or missing one is text. HTML §4.10.5. */
export function inputType(input: ElementNode): string {
  const type = attributeText(input, "type")?.toLowerCase() ?? "text";
  return inputTypes.has(type) ? type : "text";
}

/** Types whose value is text that a person types. */
export const textTypes: ReadonlySet<string> = new Set(["text", "search", "tel", "url", "email", "password"]);

/** How many rows a `select` shows. HTML §4.10.7, "display size". */
export function displaySize(select: ElementNode): number {
  const size = Number.parseInt(attributeText(select, "size") ?? "", 10);
  return size > 0 ? size : hasAttribute(select, "multiple") ? 4 : 1;
}

/** The options of a `select`, in tree order, through `optgroup` and other wrappers. HTML §4.10.7, "list of options". */
export function optionsOf(index: DocumentIndex, select: ElementNode): readonly ElementNode[] {
  const options: ElementNode[] = [];
  const stack = [...index.childElements(select)].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.tag === "option") options.push(node);
    else for (const child of [...index.childElements(node)].reverse()) stack.push(child);
  }
  return options;
}

/** The options that are selected as the page loads. HTML §4.10.7, "selectedness setting algorithm". */
export function selectedOptions(index: DocumentIndex, select: ElementNode): readonly ElementNode[] {
  const options = optionsOf(index, select);
  const selected = options.filter((option) => hasAttribute(option, "selected"));
  if (hasAttribute(select, "multiple")) return selected;
  const last = selected.at(-1);
  if (last !== undefined) return [last];
  if (displaySize(select) > 1) return [];
  const first = options.find((option) => !hasAttribute(option, "disabled")) ?? options[0];
  return first === undefined ? [] : [first];
}
