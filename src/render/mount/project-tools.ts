import { existsSync } from "node:fs";
import { createRequire } from "node:module";
import path from "node:path";
import { pathToFileURL } from "node:url";

/** A tool of the project itself, in the version that it uses; null where it has none. */
export async function projectTool<T>(root: string, name: string): Promise<T | null> {
  try {
    const file = createRequire(path.join(root, "package.json")).resolve(name);
    const module = (await import(pathToFileURL(file).href)) as T & { readonly default?: T };
    return module.default !== undefined &&
      Object.keys(module).every((key) => key === "default" || key === "module.exports")
      ? module.default
      : module;
  } catch {
    return null;
  }
}

/** Whether a project has a package, or a module of one. */
export function resolves(root: string, name: string): boolean {
  try {
    createRequire(path.join(root, "package.json")).resolve(name);
    return true;
  } catch {
    return false;
  }
}

/** The first of some files that lies in a folder; null where none does. */
export const firstThere = (folder: string, names: readonly string[]): string | null => {
  const name = names.find((one) => existsSync(path.join(folder, one)));
  return name === undefined ? null : path.join(folder, name);
};
