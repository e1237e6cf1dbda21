import parse from "css-tree/parser";
import walk from "css-tree/walker";

/** The text of a stylesheet that is a module of classes, with the names that these have in the window. CSS Modules: `:global`. */
export function moduleText(text: string, suffix: string): string {
  const changes: { readonly start: number; readonly end: number; readonly text: string }[] = [];
  walk(parse(text, { positions: true, parseValue: false, parseAtrulePrelude: false }), (node) => {
    if (node.loc == null) return;
    const [start, end] = [node.loc.start.offset, node.loc.end.offset];
    if (node.type === "ClassSelector") changes.push({ start: end, end, text: suffix });
    const inside = /^:global\(([^)]*)\)$/.exec(text.slice(start, end))?.[1];
    if (node.type === "PseudoClassSelector" && inside !== undefined)
      changes.push({ start, end, text: inside });
  });
  return changes
    .toSorted((one, other) => other.start - one.start)
    .reduce((changed, { start, end, text: put }) => changed.slice(0, start) + put + changed.slice(end), text);
}
