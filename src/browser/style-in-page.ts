import type { CssNode } from "css-tree";
import parse from "css-tree/parser";
import walk from "css-tree/walker";

/**
 * A stylesheet of a module as an element of a page has it: addresses that count from its own file lead there, and what it
 * imports from files comes by modules of their own.
 */
export async function textForPage(
  text: string,
  addressOf: (address: string) => Promise<string>,
): Promise<string> {
  const changes: { readonly start: number; readonly end: number; readonly address: string | null }[] = [];
  walk(parse(text, { positions: true, parseCustomProperty: true }), {
    enter(node: CssNode) {
      if (node.loc == null) return;
      const [start, end] = [node.loc.start.offset, node.loc.end.offset];
      if (node.type === "Atrule" && node.name === "import") {
        if (isOfFile(/^@import\s+(?:url\(\s*)?["']?([^"')\s]+)/i.exec(text.slice(start, end))?.[1] ?? ""))
          changes.push({ start, end, address: null });
        return walk.skip;
      }
      if (node.type === "Url" && isOfFile(node.value)) changes.push({ start, end, address: node.value });
    },
  });
  let changed = text;
  for (const { start, end, address } of changes.toSorted((one, other) => other.start - one.start)) {
    const put = address === null ? "" : `url(${JSON.stringify(await addressOf(address))})`;
    changed = changed.slice(0, start) + put + changed.slice(end);
  }
  return changed;
}

/** Whether an address counts from the file that it stands in. */
const isOfFile = (address: string): boolean => !/^(?:[a-z][a-z0-9+.-]*:|\/|#|$)/i.test(address);
