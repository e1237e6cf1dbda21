import path from "node:path";
import type { Device } from "../../core/css/device.ts";
import { nearestWord } from "../../core/document/nearest-word.ts";
import type { Span } from "../../core/document/node.ts";
import {
  networkAsked,
  noSpecimens,
  noSuchSpecimen,
  notBundled,
  notMounted,
  type Problem,
  renderCutShort,
  scriptFailed,
} from "../../core/findings/problems.ts";
import { sceneFromSource } from "../../core/scene/scene.ts";
import type { Workplace } from "../../engine/engine.ts";
import type { Exploration, Explored, SeenElement } from "../../engine/explored.ts";
import type { PageFile } from "../../engine/targets.ts";
import type {
  Collected,
  ExploreRequest,
  Unit,
  UnitDocuments,
  UnitDriver,
  UnitExplored,
  WalkedScript,
} from "../../engine/unit.ts";
import type { ApartAnswer, Host } from "../../host/host.ts";
import { sceneOptions } from "../../read/scene-options.ts";
import { decodeText } from "../../readers/html/decode.ts";
import type { ReadingPlan } from "../../settings/plan.ts";
import type {
  Bundle,
  BundleResult,
  ListedSpecimen,
  MountedPage,
  MountedResult,
  SpecimenList,
  SpecimenRequest,
} from "../protocol.ts";
import { FOR_KEYS, MOST_MEMORY } from "./limits.ts";
import { type SpecimenScript, scriptsBeside } from "./specimen-scripts.ts";

/** How long a bundle may take, in milliseconds. */
const BUNDLE_TIME = 120_000;

/** How many windows are loaded beforehand. */
const WINDOWS_LOADED = 2;

/** How long a file may take to say which specimens it has, in milliseconds. */
const LIST_TIME = 20_000;

/**
 * The specimens of some files, each a unit that is mounted when it is looked at. Those of one package are one program.
 * What cannot be built is a problem; the others are units all the same.
 */
export async function* collectSpecimens(
  pages: readonly PageFile[],
  plan: ReadingPlan,
  { host, onPage, signal }: Workplace,
): AsyncIterable<Collected> {
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
      data: { kind: "bundle", root, workingDirectory: host.workingDirectory, files },
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
      if (bundle !== null && remark === undefined) return listSpecimens(page, bundle, plan, host);
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

const unread = (problem: Problem): Collected => ({ kind: "problem", problem, isUnread: true });

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
async function listSpecimens(
  page: PageFile,
  bundle: Bundle,
  plan: ReadingPlan,
  host: Host,
): Promise<readonly Collected[]> {
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
  const wanted = specimens.flatMap((listed, index) => (isAsked(page, listed) ? [{ listed, index }] : []));
  if (wanted.length === 0) {
    const names = specimens.map(({ name }) => name);
    return [unread(noSuchSpecimen(page.name, page.part ?? "", nearestWord(page.part ?? "", names), names))];
  }
  const beside = scriptsOnce(page, specimens, host);
  return wanted.map(({ listed, index }) => ({
    kind: "unit",
    unit: new Specimen(page, listed, index, bundle, beside, plan, host).unit,
    isOneOfSeveral: false,
  }));
}

/** Asks a window for something of a bundle. */
const askWindow = (
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

/** A name alone, or how it begins. */
const isAsked = ({ part }: PageFile, { name }: ListedSpecimen): boolean =>
  part === undefined || name === part || name.toLowerCase().startsWith(part.toLowerCase());

/** The walk scripts beside a file, read when they are first wanted; what is wrong with them is told once. */
type Beside = () => Promise<{
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

/** One specimen: it is mounted anew each time that it is looked at. */
class Specimen implements UnitDriver {
  readonly unit: Unit;
  readonly #page: PageFile;
  readonly #listed: ListedSpecimen;
  readonly #index: number;
  readonly #bundle: Bundle;
  readonly #beside: Beside;
  readonly #plan: ReadingPlan;
  readonly #host: Host;

  constructor(
    page: PageFile,
    listed: ListedSpecimen,
    index: number,
    bundle: Bundle,
    beside: Beside,
    plan: ReadingPlan,
    host: Host,
  ) {
    this.#page = page;
    this.#listed = listed;
    this.#index = index;
    this.#bundle = bundle;
    this.#beside = beside;
    this.#plan = plan;
    this.#host = host;
    this.unit = {
      subject: {
        id: `${page.name}#${listed.name}`,
        target: page.target,
        kind: "component",
        engine: "render",
        specimen: listed.name,
        state: "as loaded",
      },
      page,
      isWritten: false,
      texts: new Map(),
      documents: () => this.shown(),
      driver: this,
    };
  }

  get off(): readonly string[] {
    return this.#listed.off;
  }

  /** Where the specimen stands in source, as problems tell it. */
  get #place(): string {
    const { place, name } = this.#listed;
    return place === null ? this.unit.subject.id : `${place.file}:${place.line} "${name}"`;
  }

  get #device(): Device {
    const { viewport, scheme } = this.#listed;
    const { device } = this.#plan;
    return { ...device, ...viewport, colourScheme: scheme ?? device.colourScheme };
  }

  /** What came of mounting it; a word where it could not be. */
  async #mounted(exploration: Exploration | null): Promise<MountedResult | string> {
    const { timeLimit } = this.#plan;
    const answer = await askWindow(
      {
        kind: "specimen",
        file: { path: this.#page.path ?? "", name: this.#page.name },
        specimen: { name: this.#listed.name, index: this.#index, place: this.#listed.place },
        device: this.#device,
        exploration,
      },
      this.#bundle,
      timeLimit * 1000,
      this.#host,
    );
    if (!answer.ok) return answer.reason;
    const value = answer.value as MountedResult;
    return value.failure ?? value;
  }

  async shown(): Promise<UnitDocuments> {
    const result = await this.#mounted(null);
    if (typeof result === "string")
      return {
        documents: [],
        texts: new Map(),
        problems: [notMounted(this.#place, result)],
        isComplete: false,
      };
    const { page } = result;
    const problems = this.#notesOf(result);
    if (page === null) return { documents: [], texts: new Map(), problems, isComplete: true };
    const scene = sceneFromSource(page.document, page.sheets, {
      ...sceneOptions(this.#plan),
      device: this.#device,
      stylesKnown: page.stylesKnown,
    });
    return {
      documents: [{ scene, sheets: page.sheets, frame: null }],
      texts: await textsAt(placesIn(page), this.#host),
      problems,
      isComplete: true,
    };
  }

  async explore({ script, plan, log }: ExploreRequest): Promise<UnitExplored> {
    const patience = this.#plan.timeLimit * 1000 * FOR_KEYS;
    const result = await this.#mounted({ script, plan, log, patience });
    const beside =
      script === null && !log ? await this.#beside() : { scripts: [], problems: [] as readonly Problem[] };
    const problems = [...beside.problems];
    if (typeof result === "string")
      return {
        explored: null,
        walked: [],
        texts: new Map(),
        problems: [...problems, notMounted(this.#place, result)],
        isComplete: false,
      };
    if (result.isCutShort) problems.push(renderCutShort(this.#place));
    const walked: WalkedScript[] = [];
    for (const script of beside.scripts.filter(({ opens }) => opens === this.#listed.name)) {
      const run = await this.#mounted({ script: script.steps, plan: null, log: false, patience });
      if (typeof run === "string") problems.push(notMounted(script.file, run));
      else walked.push({ file: script.file, text: script.text, lines: run.script ?? [] });
    }
    return {
      explored: result,
      walked,
      texts: await textsAt(placesOf(result), this.#host),
      problems: [...problems, ...this.#notesOf(result)],
      isComplete: problems.length === 0,
    };
  }

  /** What went wrong in a specimen that was mounted all the same. */
  #notesOf({ problems, asked }: MountedResult): readonly Problem[] {
    return [
      ...problems.map((message) => scriptFailed(this.#place, message)),
      ...(asked > 0 ? [networkAsked(this.#place)] : []),
    ];
  }
}

/** Every place in source that a result points at. */
function* placesOf({ findings, steps, openings }: Explored): Iterable<Span | null> {
  const ofElement = function* (element: SeenElement | null): Iterable<Span | null> {
    yield element?.nearest ?? null;
    for (const { source } of element?.components ?? []) yield source;
  };
  for (const { element, source, origins } of findings) {
    yield* ofElement(element);
    yield source;
    for (const origin of origins) yield origin.source;
  }
  for (const { from, to } of [...steps, ...openings.flatMap((opening) => opening.steps)]) {
    yield* ofElement(from);
    yield* ofElement(to);
  }
}

/** Every place in source that the elements of a page come from. */
function* placesIn({ document }: MountedPage): Iterable<Span | null> {
  const nodes = [...document.children];
  for (let node = nodes.pop(); node !== undefined; node = nodes.pop())
    if (node.kind === "element") {
      yield node.source;
      for (const { source } of node.components) yield source;
      nodes.push(...node.children, ...(node.shadow?.children ?? []));
    }
}

/** The texts of the files that places are in, by the names they are shown with. */
async function textsAt(places: Iterable<Span | null>, host: Host): Promise<ReadonlyMap<string, string>> {
  const names = new Set<string>();
  for (const place of places) if (place !== null) names.add(place.file);
  const texts = new Map<string, string>();
  for (const name of names) {
    const read = await host.files.read(path.resolve(host.workingDirectory, name));
    const decoded = read.ok ? decodeText(read.bytes, name, "css") : null;
    if (decoded?.ok === true) texts.set(name, decoded.value.text);
  }
  return texts;
}
