import path from "node:path";
import type { OnLoadResult } from "esbuild";
import { projectTool } from "./project-tools.ts";
import type { Gathered, SourceFile } from "./source-file.ts";
import { styleCode } from "./window-code.ts";

interface SvelteCompiler {
  compile(
    text: string,
    options: object,
  ): { readonly js: { readonly code: string }; readonly css: { readonly code: string } | null };
  compileModule(text: string, options: object): { readonly js: { readonly code: string } };
  preprocess?(
    text: string,
    preprocessors: readonly object[],
    options: object,
  ): Promise<{ readonly code: string }>;
}

interface CompileError extends Error {
  readonly start?: { readonly line: number; readonly column: number };
}

/** Compiles a Svelte component with the project's own compiler: elements say in development where they were written. */
export async function compileSvelte(
  root: string,
  rootDir: string,
  source: SourceFile,
  gathered: Gathered,
): Promise<OnLoadResult> {
  const { path: file, name, text } = source;
  return compiled(root, source, async (compiler) => {
    const scope = `svelte-${name.replace(/[^A-Za-z0-9]/g, "-").toLowerCase()}`;
    const { js, css } = compiler.compile(text, {
      filename: file,
      rootDir,
      dev: true,
      generate: "client",
      css: "external",
      cssHash: () => scope,
    });
    const style = /<style[^>]*>([\s\S]*?)<\/style>/.exec(text);
    if (style === null) return js.code;
    const start = style.index + style[0].indexOf(">") + 1;
    gathered.styles.set(name, {
      file: name,
      text: style[1] ?? "",
      start,
      suffix: "",
      scope: { kind: "class", name: scope },
      compiled: css?.code ?? "",
    });
    return `${styleCode(name, "")}\n${js.code}`;
  });
}

/** Compiles a module with runes in it. */
export const compileSvelteModule = (root: string, source: SourceFile): Promise<OnLoadResult> =>
  compiled(
    root,
    source,
    async (compiler) =>
      compiler.compileModule(source.text, {
        filename: source.path,
        dev: true,
        generate: "client",
      }).js.code,
  );

async function compiled(
  root: string,
  { path: file, name, text }: SourceFile,
  compile: (compiler: SvelteCompiler) => Promise<string>,
): Promise<OnLoadResult> {
  const compiler = await projectTool<SvelteCompiler>(root, "svelte/compiler");
  if (compiler === null) return { errors: [{ text: "the project has no svelte to compile it with" }] };
  try {
    return { contents: await compile(compiler), loader: "js", resolveDir: path.dirname(file) };
  } catch (error) {
    const { message, start } = error as CompileError;
    const lineText = text.split("\n")[(start?.line ?? 1) - 1] ?? "";
    return {
      errors: [
        {
          text: message.split("\n")[0] ?? message,
          location: { file: name, line: start?.line ?? 1, column: start?.column ?? 0, lineText },
        },
      ],
    };
  }
}
