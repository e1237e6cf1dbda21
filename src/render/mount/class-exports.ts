import parse from "css-tree/parser";
import walk from "css-tree/walker";

/**
 * The code of the module that a stylesheet is: what it imports, and where it is a module of classes, their names in the
 * window. CSS Modules: `composes` names further classes, of the same file or of another.
 */
export function classExports(text: string, suffix: string, isModule: boolean): string {
  const imports: string[] = [];
  const classes = new Map<string, string[]>();
  const from: string[] = [];
  const tree = parse(text, { parseValue: false, parseAtrulePrelude: false });
  walk(tree, (node) => {
    if (node.type === "Atrule" && node.name === "import") {
      const target = /^(?:url\(\s*)?["']?([^"')\s]+)/.exec(
        node.prelude?.type === "Raw" ? node.prelude.value : "",
      )?.[1];
      if (target !== undefined && !/^(?:[a-z]+:)?\/\//i.test(target)) imports.push(target);
    }
  });
  if (isModule) {
    walk(tree, (node) => {
      if (node.type === "ClassSelector" && !classes.has(node.name)) classes.set(node.name, []);
    });
    walk(tree, (node) => {
      if (node.type !== "Rule" || node.prelude.type !== "SelectorList") return;
      const namesOf: string[] = [];
      walk(node.prelude, (part) => {
        if (part.type === "ClassSelector") namesOf.push(part.name);
      });
      walk(node.block, (part) => {
        if (part.type !== "Declaration" || part.property !== "composes" || part.value.type !== "Raw") return;
        const match = /^([\w\s-]+?)(?:\s+from\s+["']([^"']+)["'])?$/.exec(part.value.value.trim());
        const names = (match?.[1] ?? "").split(/\s+/).filter((name) => name !== "");
        let source: string | null = null;
        if (match?.[2] !== undefined) {
          from.push(match[2]);
          source = `from${from.length}`;
        }
        const last = namesOf.at(-1);
        if (last !== undefined)
          classes
            .get(last)
            ?.push(
              ...names.map((name) =>
                source === null ? JSON.stringify(`${name}${suffix}`) : `${source}[${JSON.stringify(name)}]`,
              ),
            );
      });
    });
  }
  const lines = [
    ...imports.map(
      (target) => `import ${JSON.stringify(/^[./@]|^[^.]+$/.test(target) ? target : `./${target}`)};`,
    ),
    ...from.map((target, index) => `import from${index + 1} from ${JSON.stringify(target)};`),
  ];
  if (!isModule) return `${lines.join("\n")}\nexport {};`;
  const entries = [...classes].map(
    ([name, more]) =>
      `${JSON.stringify(name)}: [${[JSON.stringify(`${name}${suffix}`), ...more].join(", ")}].join(" ")`,
  );
  const named = [...classes.keys()].filter((name) => /^[A-Za-z_$][\w$]*$/.test(name) && !reserved.has(name));
  return [
    ...lines,
    `const names = { ${entries.join(", ")} };`,
    "export default names;",
    ...named.map((name) => `export const ${name} = names[${JSON.stringify(name)}];`),
  ].join("\n");
}

const reserved = new Set(
  "names default class function var let const new delete in if else for while do return switch case break continue this super null true false import export extends static enum try catch finally throw typeof void with yield await debugger instanceof".split(
    " ",
  ),
);
