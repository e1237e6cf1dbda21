import path from "node:path";
import type { Device } from "../../core/css/device.ts";
import { nearestWord } from "../../core/document/nearest-word.ts";
import {
  noSpecimens,
  noSuchSpecimen,
  notBundled,
  notMounted,
  type Problem,
  specimensElsewhere,
  specimensNeedRunning,
  specimensNotRun,
} from "../../core/findings/problems.ts";
import type { Workplace } from "../../engine/engine.ts";
import { isSpecimenFile, type PageFile } from "../../engine/targets.ts";
import type { Collected } from "../../engine/unit.ts";
import type { ApartAnswer, Host } from "../../host/host.ts";
import type { ReadingPlan } from "../../settings/plan.ts";
import type { Bundle, BundleResult, ListedSpecimen, SpecimenList, SpecimenRequest } from "../protocol.ts";
import { MOST_MEMORY } from "./limits.ts";
import { type SpecimenScript, scriptsBeside } from "./specimen-scripts.ts";

/** How long a bundle may take, in milliseconds. */
const BUNDLE_TIME = 120_000;

/** How many windows are loaded beforehand. */
const WINDOWS_LOADED = 2;

/** How long a file may take to say which specimens it has, in milliseconds. */
const LIST_TIME = 20_000;

/** A specimen that a file names, with what it takes to mount it. */
export interface FoundSpecimen {
  readonly page: PageFile;
  readonly listed: ListedSpecimen;
  /** Its place among those of its file. */
  readonly index: number;
  readonly bundle: Bundle;
  readonly beside: Beside;
}

type Found =
  | { readonly kind: "specimen"; readonly specimen: FoundSpecimen }
  | Extract<Collected, { readonly kind: "problem" }>;

export const isSpecimens = ({ path: file }: PageFile): boolean => file !== null && isSpecimenFile(file);

/**
 * The specimens of some files that a plan lets run, whatever else is done with the targets. Those of one package are one
 * program. What cannot be built is a problem; the others are found all the same.
 * @param isForBrowser whether pictures and letters that they import are to be seen
 */
export async function* findSpecimens(
  targets: readonly PageFile[],
  plan: ReadingPlan,
  workplace: Workplace,
  isForBrowser: boolean,
): AsyncIterable<Found> {
  const pages: PageFile[] = [];
  let counted = 0;
  for (const target of targets) {
    if (mayRun(target, plan)) pages.push(target);
    else if (plan.runs.specimens === "named") counted++;
    else yield* refused(target, plan);
  }
  if (counted > 0) yield { kind: "problem", problem: specimensNotRun(counted), isUnread: false };
  if (pages.length === 0) return;
  workplace.onRuns(pages);
  const { host, onPage, signal } = workplace;
  let done = 0;
  for (const [root, members] of await byPackage(pages, host)) {
    signal?.throwIfAborted();
    // Windows load while their program is bundled.
    for (const _ of members.slice(0, WINDOWS_LOADED))
      void host.runApart({
        program: "window-process",
        data: { kind: "ready" },
        reads: [root],
        milliseconds: LIST_TIME,
        megabytes: MOST_MEMORY,
      });
    const files = members.flatMap((page) => page.path ?? []);
    const built = await host.runApart({
      program: "bundle-process",
      data: { kind: "bundle", root, workingDirectory: host.workingDirectory, files, isForBrowser },
      reads: null,
      milliseconds: BUNDLE_TIME,
      megabytes: MOST_MEMORY,
    });
    if (!built.ok) {
      for (const { name } of members) yield unread(notBundled(name, built.reason));
      continue;
    }
    const { bundle, broken } = built.value as BundleResult;
    const listed = members.map((page) => {
      const remark = broken.get(page.path ?? "");
      if (bundle !== null && remark === undefined) return listSpecimens(page, bundle, host);
      const { file = null, line = null, column = null, message = "" } = remark ?? {};
      const place = file === null || line === null ? page.name : `${file}:${line}:${column}`;
      return [unread(notBundled(place, message))];
    });
    for (const [index, page] of members.entries()) {
      onPage(page, done++, pages.length);
      yield* await (listed[index] ?? []);
    }
  }
}

const unread = (problem: Problem): Found => ({ kind: "problem", problem, isUnread: true });

/** The files of each package, by its folder. */
async function byPackage(
  pages: readonly PageFile[],
  host: Host,
): Promise<ReadonlyMap<string, readonly PageFile[]>> {
  const packages = new Map<string, PageFile[]>();
  for (const page of pages) {
    const root = await packageRoot(page, host);
    packages.set(root, [...(packages.get(root) ?? []), page]);
  }
  return packages;
}

/** The nearest folder upward that holds a package; that of the file itself without one. */
async function packageRoot(page: PageFile, host: Host): Promise<string> {
  const folderOf = path.dirname(page.path ?? host.workingDirectory);
  for (let folder = folderOf; ; folder = path.dirname(folder)) {
    if ((await host.files.info(path.join(folder, "package.json"))) !== null) return folder;
    if (path.dirname(folder) === folder) return folderOf;
  }
}

/** The specimens of one file that are asked for. */
async function listSpecimens(page: PageFile, bundle: Bundle, host: Host): Promise<readonly Found[]> {
  const answer = await askWindow(
    { kind: "list", file: { path: page.path ?? "", name: page.name } },
    bundle,
    LIST_TIME,
    host,
  );
  const { specimens, failure } = answered<SpecimenList>(answer) ?? {
    specimens: [],
    failure: reasonOf(answer),
  };
  if (failure !== null) return [unread(notMounted(page.name, failure))];
  if (specimens.length === 0) return [unread(noSpecimens(page.name))];
  const isNamed = specimens.some(({ name }) => name === page.part);
  const wanted = specimens.flatMap((listed, index) =>
    isAsked(page, listed, isNamed) ? [{ listed, index }] : [],
  );
  if (wanted.length === 0) {
    const names = specimens.map(({ name }) => name);
    return [unread(noSuchSpecimen(page.name, page.part ?? "", nearestWord(page.part ?? "", names), names))];
  }
  const beside = scriptsOnce(page, specimens, host);
  return wanted.map(({ listed, index }) => ({
    kind: "specimen",
    specimen: { page, listed, index, bundle, beside },
  }));
}

/** Asks a window for something of a bundle. */
export const askWindow = (
  request: SpecimenRequest,
  bundle: Bundle,
  milliseconds: number,
  host: Host,
): Promise<ApartAnswer> =>
  host.runApart({
    program: "window-process",
    data: request,
    kept: { id: bundle.id, value: bundle },
    reads: bundle.folders,
    milliseconds,
    megabytes: MOST_MEMORY,
  });

const answered = <T>(answer: ApartAnswer): T | null => (answer.ok ? (answer.value as T) : null);
const reasonOf = (answer: ApartAnswer): string => (answer.ok ? "" : answer.reason);

/** A name alone, or how it begins where none is just so. */
const isAsked = ({ part }: PageFile, { name }: ListedSpecimen, isNamed: boolean): boolean =>
  part === undefined || (isNamed ? name === part : name.toLowerCase().startsWith(part.toLowerCase()));

/** The walk scripts beside a file, read when they are first wanted; what is wrong with them is told once. */
export type Beside = () => Promise<{
  readonly scripts: readonly SpecimenScript[];
  readonly problems: readonly Problem[];
}>;

function scriptsOnce(page: PageFile, specimens: readonly ListedSpecimen[], host: Host): Beside {
  let reading: ReturnType<typeof scriptsBeside> | null = null;
  return async () => {
    const isFirst = reading === null;
    reading ??= scriptsBeside(page, specimens, host);
    const { scripts, problems } = await reading;
    return { scripts, problems: isFirst ? problems : [] };
  };
}

/** What a specimen is called as a unit. */
export const idOf = (page: PageFile, name: string): string => `${page.name}#${name}`;

/** Where a specimen stands in source, as problems tell it. */
export const placeOf = ({ page, listed: { place, name } }: FoundSpecimen): string =>
  place === null ? idOf(page, name) : `${place.file}:${place.line} "${name}"`;

/** What a specimen is shown on: as it asks, else as a plan says. */
export const deviceOf = ({ viewport, scheme }: ListedSpecimen, { device }: ReadingPlan): Device => ({
  ...device,
  ...viewport,
  colourScheme: scheme ?? device.colourScheme,
});

/** Code is run only where it is asked for: by name, by the plan, or by the configuration of the project that it is part of. */
function mayRun({ path: file, target }: PageFile, { runs, ownFolder }: ReadingPlan): boolean {
  if (runs.specimens === "none" || runs.specimens === "all") return runs.specimens === "all";
  if (/\.specimen\b/i.test(target)) return true;
  if (runs.specimens === "named") return false;
  const within = path.relative(ownFolder, file ?? "");
  return !within.startsWith("..") && !path.isAbsolute(within);
}

/** What is said of specimens that are not run: only of those that are named, or that others would have run. */
function* refused({ name, isNamed }: PageFile, { runs }: ReadingPlan): Iterable<Found> {
  if (runs.specimens === "own") yield { kind: "problem", problem: specimensElsewhere(name), isUnread: false };
  else if (isNamed) yield { kind: "problem", problem: specimensNeedRunning(name), isUnread: true };
}
