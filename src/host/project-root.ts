import path from "node:path";
import type { Files } from "./host.ts";

/** Whether a path is a folder or lies in it by its name; both absolute. */
export const isBelow = (file: string, root: string): boolean => {
  const relative = path.relative(root, file);
  return !relative.startsWith("..") && !path.isAbsolute(relative);
};

/** Whether a file lies in one of some folders once the links on both sides are followed; not where it is not there. */
export async function liesWithin(
  file: string,
  roots: readonly string[],
  { realPath }: Pick<Files, "realPath">,
): Promise<boolean> {
  const real = await realPath(file);
  if (real === null) return false;
  for (const root of roots) {
    const realRoot = await realPath(root);
    if (realRoot !== null && isBelow(real, realRoot)) return true;
  }
  return false;
}

/** The outermost folder above a file that has a manifest or is a repository; its own folder where there is none. */
export async function projectRoot(file: string, files: Files): Promise<string> {
  let found = path.dirname(file);
  for (let folder = found; ; folder = path.dirname(folder)) {
    for (const mark of ["package.json", ".git"])
      if ((await files.info(path.join(folder, mark))) !== null) found = folder;
    if (path.dirname(folder) === folder) return found;
  }
}
