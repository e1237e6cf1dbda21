import path from "node:path";
import type { Files } from "../../host/host.ts";
import { textAt } from "../text-at.ts";
import { isUtilityEntry } from "./utility-classes.ts";

/** A stylesheet by its absolute path. */
export interface FoundSheet {
  readonly path: string;
  readonly text: string;
}

/**
 * The stylesheet that brings the rules of utility classes to a project: the only one of it, imported or not. Null where
 * the project has none or several, of which each holds where it is imported.
 * @param paths files of component source, absolute
 */
export async function utilityEntry(paths: Iterable<string>, files: Files): Promise<FoundSheet | null> {
  const found: FoundSheet[] = [];
  for (const folder of await packageFolders(paths, files)) {
    const manifest = await textAt(path.join(folder, "package.json"), files);
    if (manifest === null || !/"tailwindcss"\s*:/.test(manifest)) continue;
    for (const sheet of await files.find(["**/*.css"], folder)) {
      const text = await textAt(sheet, files);
      if (text !== null && isUtilityEntry(text) && found.every((one) => one.path !== sheet))
        found.push({ path: sheet, text });
    }
  }
  return found.length === 1 ? (found[0] ?? null) : null;
}

/** The folders of the packages that files belong to. */
async function packageFolders(paths: Iterable<string>, files: Files): Promise<ReadonlySet<string>> {
  const known = new Map<string, string | null>();
  const folderOf = async (folder: string): Promise<string | null> => {
    const before = known.get(folder);
    if (before !== undefined) return before;
    const above = path.dirname(folder);
    const isPackage = (await files.info(path.join(folder, "package.json"))) !== null;
    const found = isPackage ? folder : above === folder ? null : await folderOf(above);
    known.set(folder, found);
    return found;
  };
  const folders = new Set<string>();
  for (const file of paths) {
    const folder = await folderOf(path.dirname(file));
    if (folder !== null) folders.add(folder);
  }
  return folders;
}
