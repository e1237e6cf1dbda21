import { readFileSync, realpathSync, statSync } from "node:fs";
import path from "node:path";
import type { OnLoadResult, PartialMessage } from "esbuild";
import { shownPath } from "../mounted/shown-path.ts";
import { moduleText } from "./module-text.ts";
import { projectTool } from "./project-tools.ts";
import type { Gathered, SourceFile } from "./source-file.ts";
import { typeFile } from "./type-files.ts";
import { styleCode } from "./window-code.ts";

// biome-ignore lint/suspicious/noExplicitAny: the compiler is the project's own, in whatever version it has
type VueCompiler = any;
// biome-ignore lint/suspicious/noExplicitAny: nodes of that compiler
type VueNode = any;

/** Kinds of nodes and tags in Vue's syntax trees. */
const ELEMENT = 1;
const HOST = 0;
const COMPONENT = 1;
const ATTRIBUTE = 6;
const DIRECTIVE = 7;
const SIMPLE_EXPRESSION = 4;
const TEXT = 2;

/** Where types that are imported are read: Vue takes those of TypeScript, which from version 7 on has none to give. */
const files = {
  fileExists: (file: string): boolean => statSync(file, { throwIfNoEntry: false })?.isFile() === true,
  readFile: (file: string): string => readFileSync(file, "utf8"),
  realpath: (file: string): string => realpathSync(file),
};

/** What Vue asks of TypeScript for types that are imported by another name than that of their file. */
const typesByName = {
  findConfigFile: () => undefined,
  resolveModuleName: (specifier: string, from: string) => {
    const file = typeFile(specifier, from);
    return { resolvedModule: file === null ? undefined : { resolvedFileName: file } };
  },
};

/** Whether the project's TypeScript can be asked. */
const hasTypesToGive = async (root: string): Promise<boolean> =>
  typeof (await projectTool<{ findConfigFile?: unknown }>(root, "typescript"))?.findConfigFile === "function";

/** Compiles a Vue component with the project's own compiler; every tag is told where it was written. */
export async function compileVue(
  root: string,
  workingDirectory: string,
  source: SourceFile,
  gathered: Gathered,
): Promise<OnLoadResult> {
  const compiler =
    (await projectTool<VueCompiler>(root, "vue/compiler-sfc")) ??
    (await projectTool<VueCompiler>(root, "@vue/compiler-sfc"));
  if (compiler === null) return { errors: [{ text: "the project has no vue to compile it with" }] };
  if (!(await hasTypesToGive(root))) compiler.registerTS?.(() => typesByName);
  const { path: file, name, text } = source;
  const { descriptor, errors } = compiler.parse(text, { filename: file, sourceMap: false });
  const failed: PartialMessage[] = [...errors].map((error) => messageOf(error, source));
  if (failed.length > 0) return { errors: failed };
  const id = name.replace(/[^A-Za-z0-9]/g, "-").toLowerCase();
  const scopeId = descriptor.styles.some((style: { scoped?: boolean }) => style.scoped)
    ? `data-v-${id}`
    : undefined;
  try {
    const lines: string[] = [];
    const hasScript = descriptor.script !== null || descriptor.scriptSetup !== null;
    const script = hasScript
      ? compiler.compileScript(descriptor, {
          id,
          genDefaultAs: "component",
          inlineTemplate: false,
          fs: files,
        })
      : null;
    lines.push(script === null ? "const component = {};" : script.content);
    if (descriptor.template !== null) {
      const template = compiler.compileTemplate({
        source: descriptor.template.content,
        ast: descriptor.template.lang === undefined ? descriptor.template.ast : undefined,
        filename: file,
        id,
        scoped: scopeId !== undefined,
        slotted: descriptor.slotted,
        preprocessLang: descriptor.template.lang,
        compilerOptions: {
          nodeTransforms: [stamping(workingDirectory)],
          bindingMetadata: script?.bindings,
          expressionPlugins: ["typescript"],
          scopeId,
        },
      });
      if (template.errors.length > 0)
        return { errors: template.errors.map((error: unknown) => messageOf(error, source)) };
      lines.push(
        template.code.replace(/\nexport (function|const) (render)/, "\n$1 $2"),
        "component.render = render;",
      );
    }
    const compiledStyle = (style: VueNode, suffix: string): string =>
      compiler.compileStyle({
        source: suffix === "" ? style.content : moduleText(style.content, suffix),
        filename: file,
        id: scopeId ?? id,
        scoped: style.scoped === true,
      }).code;
    lines.push(...stylesOf(descriptor, name, scopeId, gathered, compiledStyle));
    if (scopeId !== undefined) lines.push(`component.__scopeId = ${JSON.stringify(scopeId)};`);
    lines.push(`component.__file = ${JSON.stringify(name)};`, "export default component;");
    const lang = descriptor.scriptSetup?.lang ?? descriptor.script?.lang ?? "js";
    return {
      contents: lines.join("\n"),
      loader: /^[jt]sx?$/.test(lang) ? lang : "js",
      resolveDir: path.dirname(file),
    };
  } catch (error) {
    return { errors: [messageOf(error, source)] };
  }
}

function stylesOf(
  descriptor: { readonly styles: readonly VueNode[] },
  name: string,
  scopeId: string | undefined,
  gathered: Gathered,
  compiledStyle: (style: VueNode, suffix: string) => string,
): readonly string[] {
  const modules: string[] = [];
  const lines = descriptor.styles.map((style, index) => {
    const key = `${name} ${index}`;
    if (style.src !== undefined) return `import ${JSON.stringify(style.src)};`;
    const isKnown = style.lang === undefined || style.lang === "css";
    if (!isKnown) gathered.stylesKnown = false;
    const suffix = style.module ? `_${index}_${name.replace(/[^A-Za-z0-9]/g, "-")}` : "";
    gathered.styles.set(key, {
      file: name,
      text: isKnown ? style.content : "",
      start: style.loc.start.offset,
      suffix,
      scope: style.scoped && scopeId !== undefined ? { kind: "attribute", name: scopeId } : null,
      compiled: isKnown ? compiledStyle(style, suffix) : null,
    });
    if (style.module)
      modules.push(
        `${JSON.stringify(style.module === true ? "$style" : style.module)}: new Proxy({}, { get: (_, name) => String(name) + ${JSON.stringify(suffix)} })`,
      );
    return styleCode(key, "");
  });
  return modules.length === 0 ? lines : [...lines, `component.__cssModules = { ${modules.join(", ")} };`];
}

/** Writes into every tag of a template where it stands: elements in an attribute, components in a hook of Vue's own. */
export const stamping =
  (workingDirectory: string) =>
  (node: VueNode, { filename }: { readonly filename: string }): void => {
    if (node.type !== ELEMENT || (node.tagType !== HOST && node.tagType !== COMPONENT)) return;
    const file = shownPath(workingDirectory, filename);
    const site = `${file}:${node.loc.start.line}:${node.loc.start.column}`;
    const { loc } = node;
    const text = (content: string) => ({ type: TEXT, content, loc });
    if (node.tagType === HOST)
      node.props.push({ type: ATTRIBUTE, name: "data-keel-at", nameLoc: loc, value: text(site), loc });
    else
      node.props.push({
        type: DIRECTIVE,
        name: "bind",
        rawName: ":onVnodeBeforeMount",
        arg: { type: SIMPLE_EXPRESSION, content: "onVnodeBeforeMount", isStatic: true, constType: 3, loc },
        exp: {
          type: SIMPLE_EXPRESSION,
          content: `Object.assign(() => {}, { at: ${JSON.stringify(site)} })`,
          isStatic: false,
          constType: 0,
          loc,
        },
        modifiers: [],
        loc,
      });
  };

function messageOf(error: unknown, { name, text }: SourceFile): PartialMessage {
  const { message, loc } = error as { message?: string; loc?: { start?: { line: number; column: number } } };
  const first = (message ?? String(error)).split("\n")[0] ?? "";
  const start = loc?.start;
  if (start === undefined)
    return { text: first, location: { file: name, line: 1, column: 0, lineText: text.split("\n")[0] ?? "" } };
  return {
    text: first,
    location: {
      file: name,
      line: start.line,
      column: start.column - 1,
      lineText: text.split("\n")[start.line - 1] ?? "",
    },
  };
}
