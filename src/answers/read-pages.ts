import type { Problem } from "../core/findings/problems.ts";
import type { Host } from "../host/host.ts";
import { type LoadedPage, type LoadOptions, loadPage } from "./load-page.ts";
import type { LoadedSources } from "./load-sources.ts";
import { findPages, isComponentFile, isSpecimenFile, type PageFile, type TargetRequest } from "./targets.ts";

/** What a command asks to read, and within which limits. */
export interface ReadRequest extends LoadOptions, TargetRequest {
  /** Whether composed components are visited like pages, as they first appear; they are handed over whole otherwise. */
  readonly componentsAsPages?: boolean;
}

/** What came of reading: everything that went wrong, and whether some target could not be read at all. */
export interface ReadOutcome {
  readonly problems: readonly Problem[];
  readonly incomplete: boolean;
  /** The component source that the targets name, with all that it imports; null where they name none. */
  readonly sources: LoadedSources | null;
  /** Files of specimens among the targets: they are mounted, not read. */
  readonly specimens: readonly PageFile[];
}

/** One page with all that belongs to it, and whether it is one of several. */
export interface ReadPage {
  readonly page: PageFile;
  readonly loaded: LoadedPage;
  readonly several: boolean;
}

/** What is done on the way with what is found and read. */
export interface Reading {
  /** Each page in turn. */
  readonly visit: (read: ReadPage) => void | Promise<void>;
  readonly onPage?: (page: PageFile, done: number, total: number) => void;
  /** The files of specimens, as soon as they are known and before anything is read. */
  readonly onSpecimens?: (pages: readonly PageFile[]) => void;
  /** The files of component source of which an earlier run is as good; null to read them. */
  readonly reuse?: (entries: readonly PageFile[]) => Promise<ReadonlySet<string> | null>;
}

/** Reads the pages that the targets name, one after the other; what cannot be read is told, and the rest read all the same. */
export async function readPages(
  request: ReadRequest,
  host: Host,
  { visit, onPage = () => {}, onSpecimens = () => {}, reuse = async () => null }: Reading,
): Promise<ReadOutcome> {
  const { pages: found, problems: targetProblems } = await findPages(request, host);
  const isSpecimens = ({ path }: PageFile) => path !== null && isSpecimenFile(path);
  const specimens = found.filter(isSpecimens);
  const pages = found.filter((page) => !isSpecimens(page));
  if (specimens.length > 0) onSpecimens(specimens);
  const problems: Problem[] = [...targetProblems];
  let incomplete = targetProblems.length > 0;
  const components = pages.filter(({ path }) => path !== null && isComponentFile(path));
  const reused = components.length === 0 ? null : await reuse(components);
  const sources =
    components.length === 0 || reused !== null
      ? null
      : // Parsers of scripts are loaded where there are scripts.
        await (await import("./load-sources.ts")).loadSources(components, request, host);
  if (sources !== null) {
    problems.push(...sources.problems);
    incomplete ||= sources.unread;
  }
  // The template of a component is part of it and no page.
  const whole = pages.filter(
    ({ path }) =>
      path === null ||
      (!isComponentFile(path) && sources?.modules.has(path) !== true && reused?.has(path) !== true),
  );
  for (const [done, page] of whole.entries()) {
    onPage(page, done, whole.length);
    const loaded = await loadPage(page, host, request);
    if (loaded.ok) {
      problems.push(...loaded.value.problems);
      await visit({ page, loaded: loaded.value, several: whole.length > 1 });
    } else {
      problems.push(loaded.problem);
      incomplete = true;
    }
  }
  if (sources !== null && request.componentsAsPages === true) {
    const { componentPages } = await import("./component-pages.ts");
    for (const { page, loaded } of componentPages(sources, request))
      await visit({ page, loaded, several: pages.length > 1 });
  }
  return { problems, incomplete, sources, specimens };
}
