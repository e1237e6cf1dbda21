import path from "node:path";
import { pathToFileURL } from "node:url";
import { firstThere, projectTool } from "./project-tools.ts";
import type { SourceFile } from "./source-file.ts";

/** A stylesheet as browsers are given it. */
export interface CompiledStyle {
  readonly text: string;
  /** Whether it stands in the file just so. */
  readonly isAsWritten: boolean;
}

interface Sass {
  compileString(text: string, options: object): { readonly css: string };
}

interface Less {
  render(text: string, options: object): Promise<{ readonly css: string }>;
}

type PostCss = (plugins: readonly unknown[]) => {
  process(text: string, options: object): Promise<{ readonly css: string }>;
};

/** Turns a stylesheet into CSS with the project's own tools; null where it has none for its language, or they fail. */
export async function compileStyle(
  root: string,
  source: SourceFile,
  stylePaths: readonly string[] = [],
): Promise<CompiledStyle | null> {
  const { path: file, text } = source;
  try {
    if (/\.s[ac]ss$/.test(file)) {
      const sass = await projectTool<Sass>(root, "sass");
      const syntax = file.endsWith(".sass") ? "indented" : "scss";
      const url = pathToFileURL(file);
      return sass === null
        ? null
        : {
            text: sass.compileString(text, {
              syntax,
              url,
              loadPaths: [path.dirname(file), root, ...stylePaths],
            }).css,
            isAsWritten: false,
          };
    }
    if (/\.less$/.test(file)) {
      const less = await projectTool<Less>(root, "less");
      return less === null
        ? null
        : {
            text: (await less.render(text, { filename: file, paths: [...stylePaths] })).css,
            isAsWritten: false,
          };
    }
    const plugins = await postCssPlugins(root);
    if (plugins === null) return /\.css$/.test(file) ? { text, isAsWritten: true } : null;
    const postcss = await projectTool<PostCss>(root, "postcss");
    if (postcss === null) return null;
    const { css } = await postcss(plugins).process(text, { from: file, map: false });
    return { text: css, isAsWritten: css === text };
  } catch {
    return null;
  }
}

const configs = ["js", "mjs", "cjs"].map((ending) => `postcss.config.${ending}`);

/** The plugins that the project's settings of PostCSS name; null where it has no settings. */
async function postCssPlugins(root: string): Promise<readonly unknown[] | null> {
  const file = firstThere(root, configs);
  if (file === null) return null;
  const module = (await import(pathToFileURL(file).href)) as {
    readonly default: { readonly plugins?: unknown };
  };
  const { plugins = [] } = module.default;
  if (Array.isArray(plugins)) return plugins;
  const rules: unknown[] = [];
  for (const [name, options] of Object.entries(plugins as Record<string, unknown>)) {
    if (options === false) continue;
    const plugin = await projectTool<(options: unknown) => unknown>(root, name);
    if (plugin === null) throw new Error(`there is no ${name}`);
    rules.push(plugin(options));
  }
  return rules;
}
