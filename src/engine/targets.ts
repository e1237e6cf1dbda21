import path from "node:path";
import { componentEndings, componentFormatOf, endsIn } from "../core/document/component-formats.ts";
import {
  listsNothing,
  noMatch,
  noPages,
  notAnAddress,
  notAPage,
  notFound,
  onlyTried,
  type Problem,
  unreadable,
} from "../core/findings/problems.ts";
import type { Host } from "../host/host.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { componentScripts, holdsComponents } from "./component-scripts.ts";

/** A page to be read, because of a target. */
export interface PageFile {
  /** What was named on the command line. */
  readonly target: string;
  /** Whether the target names it alone, rather than a folder or pattern that it is found by. */
  readonly isNamed: boolean;
  /** Absolute path; null for standard input and for an address. */
  readonly path: string | null;
  /** Where it is served; absent for what lies here. */
  readonly address?: string;
  /** Relative to the working directory, with forward slashes: how it is shown. */
  readonly name: string;
  /** The folder whose files the page may use without asking: that of the target. */
  readonly tree: string;
  /** The specimen that is asked for, by its name or how it begins; all of them without one. */
  readonly part?: string;
}

/** What of a plan says which files are asked for. */
export type TargetRequest = Pick<ReadingPlan, "targets" | "pageLists" | "stdinName" | "isSkipped">;

export interface FoundPages {
  readonly pages: readonly PageFile[];
  readonly problems: readonly Problem[];
  /** What was left out on purpose. */
  readonly remarks: readonly Problem[];
}

export const pageExtensions = [".html", ".htm"] as const;

/** Files that hold components, and files that name specimens of them. */
export const componentExtensions: readonly string[] = [...componentEndings, ".specimen.ts", ".specimen.js"];

/** Component source that is there to try components, not to be shipped. */
const triesComponents =
  /\.(?:test|spec|e2e|stories|story)\.[a-z]+$|(?:^|\/)__(?:tests|mocks|stories|fixtures)__\//i;

/** Whether a file names specimens: examples of components that are mounted. */
export const isSpecimenFile = (file: string): boolean => /\.specimen\.[jt]sx?$/i.test(file);

/** Whether a file holds components and is read with all that it imports. */
export const isComponentFile = (file: string): boolean => componentFormatOf(file) !== null;

const isAddress = (target: string): boolean => /^https?:\/\//i.test(target);

/** An address as it is told: without credentials, and without the place on the page. Null for what is none. */
export function addressName(address: string): string | null {
  try {
    const url = new URL(address);
    url.username = "";
    url.password = "";
    url.hash = "";
    return url.href;
  } catch {
    return null;
  }
}

const isGlob = (target: string): boolean => /[*?[\]{}]/.test(target);

/** How a file is shown: relative to the working directory, forward slashes. */
export const shownName = (host: Host, file: string): string =>
  path.relative(host.workingDirectory, file).split(path.sep).join("/") || ".";

/**
 * Finds the pages that targets name: files, folders, globs, `-` for standard input. Each page once, in order.
 * @param extensions the endings of files that are taken from folders and globs
 */
export async function findPages(
  { targets, pageLists, stdinName, isSkipped }: TargetRequest,
  host: Host,
  extensions: readonly string[] = [...pageExtensions, ...componentExtensions],
): Promise<FoundPages> {
  const pages = new Map<string, PageFile>();
  const isPage = (file: string) => endsIn(file, extensions);
  // A script named itself may hold a component; of a folder only files whose name says so are taken.
  const mayBeNamed = (file: string) => isPage(file) || isComponentFile(file);
  const problems: Problem[] = [];
  let passedOver = 0;
  const add = (target: string, file: string, tree: string, isNamed = false) => {
    const known = pages.get(file);
    if (known === undefined)
      pages.set(file, { target, isNamed, path: file, name: shownName(host, file), tree });
    else if (isNamed) pages.set(file, { ...known, isNamed });
  };
  const listed: string[] = [];
  for (const file of pageLists) {
    const read = await host.files.read(file);
    const lines = read.ok ? new TextDecoder().decode(read.bytes).split(/\r?\n/) : [];
    const pagesIn = lines.map((line) => line.trim()).filter((line) => line !== "" && !line.startsWith("#"));
    if (!read.ok) problems.push(unreadable(shownName(host, file), read.reason));
    else if (pagesIn.length === 0) problems.push(listsNothing(shownName(host, file)));
    listed.push(...pagesIn);
  }
  for (const named of [...targets, ...listed]) {
    const [, file, part] = /^(.*\.specimen\.[jt]sx?)#(.+)$/i.exec(named) ?? [];
    if (file !== undefined && part !== undefined) {
      const full = path.resolve(host.workingDirectory, file);
      if ((await host.files.info(full))?.kind !== "file") problems.push(notFound(file));
      else
        pages.set(named, {
          target: named,
          isNamed: true,
          path: full,
          name: shownName(host, full),
          tree: path.dirname(full),
          part,
        });
      continue;
    }
    const target = named;
    if (isAddress(target)) {
      const name = addressName(target);
      const tree = host.workingDirectory;
      if (name === null) problems.push(notAnAddress(target));
      else pages.set(name, { target: name, isNamed: true, path: null, address: target, name, tree });
      continue;
    }
    if (target === "-") {
      pages.set("-", { target, isNamed: true, path: null, name: stdinName, tree: host.workingDirectory });
      continue;
    }
    const full = path.resolve(host.workingDirectory, target);
    const info = await host.files.info(full);
    if (info?.kind === "folder") {
      const byName = await host.files.find(
        extensions.map((extension) => `**/*${extension}`),
        full,
      );
      const all = [...byName, ...(await componentScripts(host, full, byName))]
        .sort()
        .filter((file) => !isSkipped(file));
      const found = all.filter((file) => !triesComponents.test(file));
      passedOver += all.length - found.length;
      if (found.length === 0) problems.push(noPages(target, extensions));
      for (const file of found) add(target, file, full);
    } else if (info?.kind === "file") {
      if (mayBeNamed(full)) add(target, full, path.dirname(full), true);
      else problems.push(notAPage(target, extensions));
    } else if (info !== null) problems.push(notAPage(target, extensions));
    else if (isGlob(target)) {
      const matching = await host.files.find([target.split(path.sep).join("/")], host.workingDirectory);
      const found: string[] = [];
      for (const file of matching)
        if (!isSkipped(file) && (isPage(file) || (await holdsComponents(host, file)))) found.push(file);
      if (found.length === 0) problems.push(noMatch(target, extensions));
      for (const file of found) add(target, file, path.dirname(file));
    } else problems.push(notFound(target));
  }
  return {
    pages: [...pages.values()],
    problems,
    remarks: passedOver === 0 ? [] : [onlyTried(passedOver)],
  };
}
