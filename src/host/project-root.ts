import path from "node:path";
import type { Files } from "./host.ts";

/** Whether a path is a folder or lies in it; both absolute, and of links the files that they lead to. */
export const isBelow = (file: string, root: string): boolean => {
  const relative = path.relative(root, file);
  return !relative.startsWith("..") && !path.isAbsolute(relative);
};

/** The outermost folder above a file that has a manifest or is a repository; its own folder where there is none. */
export async function projectRoot(file: string, files: Files): Promise<string> {
  let found = path.dirname(file);
  for (let folder = found; ; folder = path.dirname(folder)) {
    for (const mark of ["package.json", ".git"])
      if ((await files.info(path.join(folder, mark))) !== null) found = folder;
    if (path.dirname(folder) === folder) return found;
  }
}
