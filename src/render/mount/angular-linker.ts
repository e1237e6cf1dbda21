import { createRequire } from "node:module";
import path from "node:path";
import { parseScript } from "../../readers/script/parse-script.ts";
import { projectTool } from "./project-tools.ts";
import { replaced } from "./replaced.ts";

interface Babel {
  transformAsync(text: string, options: object): Promise<{ readonly code?: string | null } | null>;
}

interface Linker {
  createEs2015LinkerPlugin(options: object): unknown;
}

const javascript = { start: 0, typescript: false, jsx: false };

interface Call {
  readonly start: number;
  readonly end: number;
  /** Whether it is there to be changed by tests, and for nothing else. */
  readonly isForTests: boolean;
}

/** What stands in a module that is left half compiled, to be finished by whoever builds with it. */
const unfinished = /\b\w+\.ɵɵngDeclare\w+\(/g;

/** What opens or closes, or is passed over as a whole: texts and comments. */
const tokens =
  /[(){}[\]]|"(?:[^"\\\n]|\\[\s\S])*"|'(?:[^'\\\n]|\\[\s\S])*'|`(?:[^`\\]|\\[\s\S])*`|\/\*[\s\S]*?\*\/|\/\/.*/g;

/** Gives a module that is left half compiled as a whole one; null where it stays as it is. */
export type LinkPackage = (file: string, text: string) => Promise<string | null>;

/**
 * Has the project's own tools finish what packages of Angular leave half compiled, once for all windows. Without those
 * tools (null) each window does it for itself.
 */
export async function linkerFor(root: string): Promise<LinkPackage | null> {
  const linker = await projectTool<Linker>(root, "@angular/compiler-cli/linker/babel");
  const babel = linker === null ? null : await babelOf(root);
  if (linker === null || babel === null) return null;
  const plugin = linker.createEs2015LinkerPlugin({
    linkerJitMode: true,
    sourceMapping: false,
    logger: { level: 4, debug: () => {}, info: () => {}, warn: () => {}, error: () => {} },
    fileSystem: {
      resolve: path.resolve,
      exists: () => false,
      dirname: path.dirname,
      relative: path.relative,
      readFile: () => "",
    },
  });
  const options = {
    configFile: false,
    babelrc: false,
    browserslistConfigFile: false,
    sourceType: "module",
    compact: false,
    plugins: [plugin],
  };
  return async (file, text) => {
    const calls = unfinishedIn(text);
    const wanted = calls.filter(({ isForTests }) => !isForTests);
    if (wanted.length === 0) return null;
    // Calls alone: what stands around them is most of a file, and stays as it is.
    const alone = wanted.map(({ start, end }) => `keelPiece(${text.slice(start, end)});`).join("\n");
    try {
      const linked = await babel.transformAsync(alone, { ...options, filename: file });
      const finished = argumentsIn(linked?.code ?? "");
      if (finished.length !== wanted.length) return null;
      const whole = new Map(wanted.map((call, index) => [call, finished[index] ?? ""]));
      return replaced(
        text,
        calls.map((call) => ({ ...call, text: whole.get(call) ?? "void 0" })),
      );
    } catch {
      // Made for another version: the window's own compiler knows it, or says what is wrong.
      return null;
    }
  };
}

/** The calls in a module that are to be finished. What they are given is plain data: no expression has to be told from a division. */
function unfinishedIn(text: string): readonly Call[] {
  const found: Call[] = [];
  const token = new RegExp(tokens);
  for (const match of text.matchAll(unfinished)) {
    const start = match.index;
    if (start < (found.at(-1)?.end ?? 0)) continue;
    token.lastIndex = start + match[0].length;
    let depth = 1;
    while (depth > 0) {
      const [one] = token.exec(text) ?? [];
      if (one === undefined) return [];
      if (/^[({[]$/.test(one)) depth++;
      else if (/^[)}\]]$/.test(one)) depth--;
    }
    found.push({ start, end: token.lastIndex, isForTests: /ClassMetadata/.test(match[0]) });
  }
  return found;
}

/** What each statement of a program is a call with. */
const argumentsIn = (text: string): readonly string[] =>
  parseScript(text, javascript).program.body.flatMap((statement) => {
    if (statement.type !== "ExpressionStatement" || statement.expression.type !== "CallExpression") return [];
    const [argument] = statement.expression.arguments;
    return argument === undefined ? [] : [text.slice(argument.start ?? 0, argument.end ?? 0)];
  });

/** The one that Angular's own tools bring along. */
async function babelOf(root: string): Promise<Babel | null> {
  try {
    const cli = createRequire(path.join(root, "package.json")).resolve("@angular/compiler-cli/package.json");
    return await projectTool<Babel>(path.dirname(cli), "@babel/core");
  } catch {
    return null;
  }
}
