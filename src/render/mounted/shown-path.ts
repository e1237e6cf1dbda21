import path from "node:path";

/** A file as it is shown: from a folder on, with forward slashes. */
export const shownPath = (folder: string, file: string): string =>
  path.relative(folder, file).split(path.sep).join("/");
