import { readFile } from "node:fs/promises";
import type { PluginBuild } from "esbuild";
import { shownPath } from "../mounted/shown-path.ts";
import type { BundleRequest } from "../protocol.ts";
import { type AngularBuild, declaringModules } from "./angular-build.ts";
import { beforeAngular } from "./angular-code.ts";
import { linkerFor } from "./angular-linker.ts";
import { compileAngular, isOfAngular } from "./angular-source.ts";
import type { Gathered } from "./source-file.ts";

/** Where packages of Angular keep their modules. Angular Package Format. */
const packaged = /[\\/]fesm20\d\d[\\/][^?]*\.mjs$/;

/** The module of Angular that all others import. */
const core = /[\\/]@angular[\\/]core[\\/]fesm20\d\d[\\/]core\.mjs$/;

/** Brings components of Angular into a build: those of the project, and what its packages leave half compiled. */
export async function readyAngular(
  build: PluginBuild,
  { root, workingDirectory }: BundleRequest,
  angular: AngularBuild,
  gathered: Gathered,
): Promise<void> {
  build.onLoad({ filter: /^before-angular$/, namespace: "keel" }, () => ({
    contents: beforeAngular(angular),
    resolveDir: root,
  }));
  const link = await linkerFor(root);
  build.onLoad({ filter: packaged }, async ({ path: file }) => {
    const text = await readFile(file, "utf8");
    const linked = (await link?.(file, text)) ?? text;
    return { contents: core.test(file) ? `import "keel:before-angular";\n${linked}` : linked, loader: "js" };
  });
  const project = { ...angular, root, workingDirectory, moduleOf: declaringModules(root) };
  build.onLoad({ filter: /\.ts$/ }, async ({ path: file }) => {
    const text = await readFile(file, "utf8");
    const source = { path: file, name: shownPath(workingDirectory, file), text };
    return isOfAngular(text) ? compileAngular(project, source, gathered) : null;
  });
}
