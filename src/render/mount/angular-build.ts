import { readFileSync } from "node:fs";
import { readFile } from "node:fs/promises";
import path from "node:path";
import { parse } from "jsonc-parser";
import { glob } from "tinyglobby";
import { firstThere, resolves } from "./project-tools.ts";

/** What a project of Angular says of how it is built, as far as it bears on what is shown. */
export interface AngularBuild {
  /** Stylesheets that hold in every page. Absolute, or in packages. */
  readonly styles: readonly string[];
  /** Where stylesheets look for what they import. Absolute. */
  readonly stylePaths: readonly string[];
  /** The language of styles that stand in scripts, by the ending of its files. */
  readonly inlineStyles: string;
  /** Whether changes are noticed by zones. */
  readonly hasZones: boolean;
}

interface BuildOptions {
  readonly styles?: readonly (string | { readonly input: string; readonly inject?: boolean })[];
  readonly stylePreprocessorOptions?: { readonly includePaths?: readonly string[] };
  readonly inlineStyleLanguage?: string;
  readonly polyfills?: string | readonly string[];
}

interface Target {
  readonly options?: BuildOptions;
}

interface Project {
  readonly projectType?: string;
  readonly architect?: { readonly build?: Target };
  readonly targets?: { readonly build?: Target };
}

/** Whether a package is one of Angular itself: another may lie beside it that is. */
export const asksForAngular = (root: string): boolean => {
  const file = firstThere(root, ["package.json"]);
  return file !== null && readFileSync(file, "utf8").includes('"@angular/core"');
};

/** The build of the application in a package; its library's where it has no application. */
export function angularBuild(root: string): AngularBuild {
  const file = firstThere(root, ["angular.json", "project.json"]);
  const workspace = (file === null ? {} : parse(readFileSync(file, "utf8"))) as Project & {
    readonly projects?: Readonly<Record<string, Project>>;
  };
  const projects = [...Object.values(workspace.projects ?? {}), workspace];
  const built = (project: Project) => (project.architect ?? project.targets)?.build?.options;
  const options =
    built(
      projects.find((one) => one.projectType === "application" && built(one) !== undefined) ??
        projects.find((one) => built(one) !== undefined) ??
        {},
    ) ?? null;
  const styles = (options?.styles ?? []).flatMap((style) =>
    typeof style === "string" ? style : style.inject === false ? [] : style.input,
  );
  const polyfills = [options?.polyfills ?? []].flat();
  return {
    styles: styles.map((style) => path.resolve(root, style)),
    stylePaths: (options?.stylePreprocessorOptions?.includePaths ?? []).map((one) => path.resolve(root, one)),
    inlineStyles: options?.inlineStyleLanguage ?? "css",
    hasZones:
      resolves(root, "zone.js") &&
      (options?.polyfills === undefined || polyfills.some((one) => /zone|polyfills\.ts/.test(one))),
  };
}

/** Finds the files of the modules that declare components, which a component does not name itself. */
export function declaringModules(root: string): (name: string, file: string) => Promise<string | null> {
  let reading: Promise<readonly { readonly file: string; readonly text: string }[]> | null = null;
  return async (name, file) => {
    reading ??= modulesIn(root);
    const declared = new RegExp(`\\bdeclarations\\s*:\\s*\\[[^\\]]*\\b${name}\\b`);
    const named = new RegExp(`\\b${name}\\b`);
    const modules = await reading;
    const found =
      modules.find(
        ({ file: module, text }) => declared.test(text) && (module === file || imports(text, name)),
      ) ??
      modules.find(
        ({ file: module, text }) => module !== file && named.test(text) && /\bdeclarations\b/.test(text),
      );
    return found?.file ?? null;
  };
}

const imports = (text: string, name: string): boolean =>
  new RegExp(`\\bimport\\s*\\{[^}]*\\b${name}\\b[^}]*\\}\\s*from`).test(text);

async function modulesIn(root: string) {
  const files = await glob(["**/*.ts"], {
    cwd: root,
    absolute: true,
    ignore: ["**/node_modules/**", "**/dist/**", "**/.*/**", "**/*.d.ts", "**/*.spec.ts"],
  });
  const texts = await Promise.all(
    files.toSorted().map(async (file) => ({ file, text: await readFile(file, "utf8") })),
  );
  return texts.filter(({ text }) => /@NgModule\s*\(/.test(text));
}
