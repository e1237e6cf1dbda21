import path from "node:path";
import { noMatch, noPages, notAPage, notFound, type Problem } from "../core/findings/problems.ts";
import type { Host } from "../host/host.ts";

/** A page to be read, because of a target. */
export interface PageFile {
  /** What was named on the command line. */
  readonly target: string;
  /** Absolute path; null for standard input. */
  readonly path: string | null;
  /** Relative to the working directory, with forward slashes: how it is shown. */
  readonly name: string;
  /** The folder whose files the page may use without asking: that of the target. */
  readonly tree: string;
}

/** Which pages are asked for. */
export interface TargetRequest {
  readonly targets: readonly string[];
  /** What the page on standard input is called. */
  readonly stdinName: string;
  /** Whether a file that a folder or glob names is passed over; a file named itself never is. Absolute path. */
  readonly isSkipped: (file: string) => boolean;
}

export interface FoundPages {
  readonly pages: readonly PageFile[];
  readonly problems: readonly Problem[];
}

export const pageExtensions = [".html", ".htm"] as const;

const isPage = (file: string): boolean =>
  pageExtensions.some((extension) => file.toLowerCase().endsWith(extension));
const isGlob = (target: string): boolean => /[*?[\]{}]/.test(target);

/** How a file is shown: relative to the working directory, forward slashes. */
export const shownName = (host: Host, file: string): string =>
  path.relative(host.workingDirectory, file).split(path.sep).join("/") || ".";

/** Finds the pages that targets name: files, folders, globs, `-` for standard input. Each page once, in order. */
export async function findPages(
  { targets, stdinName, isSkipped }: TargetRequest,
  host: Host,
): Promise<FoundPages> {
  const pages = new Map<string, PageFile>();
  const problems: Problem[] = [];
  const add = (target: string, file: string, tree: string) => {
    if (!pages.has(file)) pages.set(file, { target, path: file, name: shownName(host, file), tree });
  };
  for (const target of targets.length === 0 ? ["."] : targets) {
    if (target === "-") {
      pages.set("-", { target, path: null, name: stdinName, tree: host.workingDirectory });
      continue;
    }
    const full = path.resolve(host.workingDirectory, target);
    const info = await host.files.info(full);
    if (info?.kind === "folder") {
      const found = (
        await host.files.find(
          pageExtensions.map((extension) => `**/*${extension}`),
          full,
        )
      ).filter((file) => !isSkipped(file));
      if (found.length === 0) problems.push(noPages(target, pageExtensions));
      for (const file of found) add(target, file, full);
    } else if (info?.kind === "file") {
      if (isPage(full)) add(target, full, path.dirname(full));
      else problems.push(notAPage(target, pageExtensions));
    } else if (info !== null) problems.push(notAPage(target, pageExtensions));
    else if (isGlob(target)) {
      const found = (await host.files.find([target.split(path.sep).join("/")], host.workingDirectory)).filter(
        (file) => isPage(file) && !isSkipped(file),
      );
      if (found.length === 0) problems.push(noMatch(target, pageExtensions));
      for (const file of found) add(target, file, path.dirname(file));
    } else problems.push(notFound(target));
  }
  return { pages: [...pages.values()], problems };
}
