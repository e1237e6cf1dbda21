import { readFile } from "node:fs/promises";
import path from "node:path";
import type { OnLoadResult, Plugin, PluginBuild } from "esbuild";
import { componentFormats } from "../../core/document/component-formats.ts";
import type { TemplateLanguageName } from "../../readers/composition/source-module.ts";
import { shownPath } from "../mounted/shown-path.ts";
import type { BundledStyle, BundleRequest } from "../protocol.ts";
import type { AngularBuild } from "./angular-build.ts";
import { readyAngular } from "./angular-plugin.ts";
import { classExports } from "./class-exports.ts";
import { moduleText } from "./module-text.ts";
import { resolves } from "./project-tools.ts";
import type { Gathered, SourceFile } from "./source-file.ts";
import { compileStyle } from "./style-source.ts";
import { compileSvelte, compileSvelteModule } from "./svelte-source.ts";
import { compileVue } from "./vue-source.ts";
import { jsxCode, mountCodeFor, specimenCode, styleCode } from "./window-code.ts";

/** Brings specimens, the places of their markup, their stylesheets and components of other languages into a build. */
export function specimenPlugin(
  request: BundleRequest,
  gathered: Gathered,
  angular: AngularBuild | null,
): Plugin {
  const { root, workingDirectory } = request;
  const sourceAt = async (file: string): Promise<SourceFile> => ({
    path: file,
    name: shownPath(workingDirectory, file),
    text: await readFile(file, "utf8"),
  });
  /** A stylesheet, and the code of the module that stands for it. */
  const style = (id: string, sheet: BundledStyle, exports?: string): OnLoadResult => {
    gathered.styles.set(id, sheet);
    return {
      contents: styleCode(id, exports),
      loader: "js",
      resolveDir: path.dirname(path.resolve(workingDirectory, sheet.file)),
    };
  };
  return {
    name: "even-keel",
    async setup(build) {
      build.onResolve({ filter: /^keel:/ }, ({ path: name }) => ({ path: name.slice(5), namespace: "keel" }));
      build.onResolve({ filter: /^even-keel\/specimen$/ }, () => ({ path: "specimen", namespace: "keel" }));
      build.onLoad({ filter: /^mount-|^specimen$/, namespace: "keel" }, ({ path: name }) => ({
        contents:
          name === "specimen"
            ? specimenCode
            : mountCodeFor(name.slice(6), (wanted) => resolves(root, wanted)),
        loader: "js",
        resolveDir: root,
      }));
      stampJsx(build);
      if (angular !== null) await readyAngular(build, request, angular, gathered);
      build.onLoad({ filter: /\.svelte\.[jt]s$/ }, async ({ path: file }) =>
        compileSvelteModule(root, await sourceAt(file)),
      );
      build.onLoad({ filter: /\.(?:css|scss|sass|less|styl|pcss|postcss)$/ }, async ({ path: file }) => {
        const source = await sourceAt(file);
        const compiled = await compileStyle(root, source, angular?.stylePaths);
        if (compiled === null) gathered.stylesKnown = false;
        const { text, isAsWritten } = compiled ?? { text: "", isAsWritten: true };
        const isModule = /\.module\.[a-z]+$/.test(file);
        const suffix = isModule ? `_${Math.abs(hashOf(source.name)).toString(36)}` : "";
        const shown = isAsWritten ? source.name : `${source.name} as compiled`;
        return style(
          source.name,
          {
            file: shown,
            text,
            start: 0,
            suffix,
            scope: null,
            compiled: isModule && request.isForBrowser ? moduleText(text, suffix) : null,
          },
          classExports(text, suffix, isModule),
        );
      });
      for (const [language, compile] of Object.entries(compilers)) {
        const endings = componentFormats[language as TemplateLanguageName].endings;
        const filter = new RegExp(endings.map((ending) => `\\${ending}$`).join("|"));
        build.onLoad({ filter }, async ({ path: file }) =>
          compile(root, workingDirectory, await sourceAt(file), gathered),
        );
      }
    },
  };
}

/** How a file that is one component is compiled, by its language: with the project's own compiler. */
const compilers = {
  vue: compileVue,
  svelte: compileSvelte,
} satisfies Record<TemplateLanguageName, typeof compileVue>;

/** Puts ourselves between the project's own JSX and its runtime; the runtimes of packages stay as they are. */
function stampJsx(build: PluginBuild): void {
  build.onResolve(
    { filter: /\/jsx-(?:dev-)?runtime$/ },
    async ({ path: name, importer, resolveDir, pluginData }) => {
      if (pluginData?.isReal === true || /[\\/]node_modules[\\/]/.test(importer)) return null;
      const real = await build.resolve(name, {
        kind: "import-statement",
        importer,
        resolveDir,
        pluginData: { isReal: true },
      });
      return real.errors.length > 0 ? null : { path: real.path, namespace: "keel-jsx" };
    },
  );
  build.onLoad({ filter: /.*/, namespace: "keel-jsx" }, ({ path: real }) => ({
    contents: jsxCode(real),
    loader: "js",
    resolveDir: path.dirname(real),
  }));
}

/** A number that says little of a text, and is the same for the same text. FNV-1a. */
function hashOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let offset = 0; offset < text.length; offset++)
    hash = Math.imul(hash ^ text.charCodeAt(offset), 0x01000193);
  return hash;
}
