import path from "node:path";
import type { CheckText } from "../core/checks/check.ts";
import type { Device } from "../core/css/device.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import type { Span } from "../core/document/node.ts";
import {
  networkAsked,
  noSpecimens,
  noSuchSpecimen,
  notBundled,
  notMounted,
  type Problem,
  renderCutShort,
  scriptFailed,
} from "../core/findings/problems.ts";
import type { WalkStep } from "../core/walk-script/parse.ts";
import type { ApartAnswer, Host } from "../host/host.ts";
import { decodeText } from "../readers/html/decode.ts";
import type {
  Bundle,
  BundleResult,
  ListedSpecimen,
  MountedResult,
  RenderedElement,
  ScriptLine,
  SpecimenList,
  StatePlan,
} from "../render/protocol.ts";
import { FOR_KEYS, MOST_MEMORY } from "./rendered.ts";
import { type ScriptsBeside, type SpecimenScript, scriptsBeside } from "./specimen-scripts.ts";
import type { PageFile } from "./targets.ts";

/** What mounting specimens needs to know. */
export interface MountingRequest {
  readonly device: Device;
  /** How long one specimen may take, in seconds. */
  readonly timeLimit: number;
  /** The script to walk by. Without one every key is tried, and the scripts that lie beside a specimen are walked. */
  readonly script: readonly WalkStep[] | null;
  /** What the checks of source are to look at, without those that a specimen leaves out; null for nothing. */
  readonly planFor: (specimen: FoundSpecimen) => StatePlan | null;
  /** Whether keys are pressed at all, and whether what is pressed in what they open is told. */
  readonly presses: boolean;
  readonly log: boolean;
}

/** A specimen, and the file that names it. */
export interface FoundSpecimen {
  /** `file#name` */
  readonly id: string;
  readonly page: PageFile;
  readonly listed: ListedSpecimen;
}

/** What came of one specimen. */
export interface MountedSpecimen extends FoundSpecimen {
  readonly result: MountedResult;
  /** What came of the scripts that lie beside it. */
  readonly walked: readonly WalkedScript[];
}

export interface WalkedScript {
  readonly script: SpecimenScript;
  readonly lines: readonly ScriptLine[];
}

export interface SpecimensAnswer {
  readonly mounted: readonly MountedSpecimen[];
  readonly problems: readonly Problem[];
  /** Whether some could not be mounted, or not all keys were tried. */
  readonly incomplete: boolean;
}

/** How long a bundle may take, in milliseconds. */
const BUNDLE_TIME = 120_000;

/** How long a file may take to say which specimens it has, in milliseconds. */
const LIST_TIME = 20_000;

/**
 * Mounts every specimen of some files, several at once, and tries its keys. Those of one package are one program. What
 * cannot be mounted is a problem; the others are mounted all the same.
 */
export async function mountSpecimens(
  pages: readonly PageFile[],
  request: MountingRequest,
  host: Host,
  onSpecimen: (page: PageFile, done: number, total: number) => void = () => {},
): Promise<SpecimensAnswer> {
  const byRoot = new Map<string, PageFile[]>();
  for (const page of pages) {
    const root = await packageRoot(page, host);
    byRoot.set(root, [...(byRoot.get(root) ?? []), page]);
  }
  const problems: Problem[] = [];
  const notes: Problem[] = [];
  const mounted: MountedSpecimen[] = [];
  let done = 0;
  // A second window loads while the first program is bundled.
  if (pages.length > 1)
    void host.runApart(
      "render-worker",
      { kind: "ready" },
      { milliseconds: LIST_TIME, megabytes: MOST_MEMORY },
    );
  for (const [root, members] of byRoot) {
    const files = members.flatMap((page) => page.path ?? []);
    const built = await host.runApart(
      "render-worker",
      { kind: "bundle", root, workingDirectory: host.workingDirectory, files },
      { milliseconds: BUNDLE_TIME, megabytes: MOST_MEMORY },
    );
    if (!built.ok) {
      for (const { name } of members) problems.push(notBundled(name, built.reason));
      continue;
    }
    const { bundle, broken } = built.value as BundleResult;
    const results = await Promise.all(
      members.map(async (page) => {
        const remark = broken.get(page.path ?? "");
        if (bundle === null || remark !== undefined) {
          const { file, line, column, message } = remark ?? {
            file: null,
            line: null,
            column: null,
            message: "",
          };
          const place = file === null || line === null ? page.name : `${file}:${line}:${column}`;
          return refused(notBundled(place, message));
        }
        const result = await mountFile(page, bundle, request, host);
        onSpecimen(page, done++, pages.length);
        return result;
      }),
    );
    for (const result of results) {
      mounted.push(...result.mounted);
      problems.push(...result.problems);
      notes.push(...result.notes);
    }
  }
  return { mounted, problems: [...problems, ...notes], incomplete: problems.length > 0 };
}

interface FileAnswer {
  readonly mounted: readonly MountedSpecimen[];
  readonly problems: readonly Problem[];
  /** What went wrong in specimens that were mounted all the same. */
  readonly notes: readonly Problem[];
}

const refused = (problem: Problem): FileAnswer => ({ mounted: [], problems: [problem], notes: [] });

async function mountFile(
  page: PageFile,
  bundle: Bundle,
  request: MountingRequest,
  host: Host,
): Promise<FileAnswer> {
  const file = { path: page.path ?? "", name: page.name };
  const listed = await host.runApart(
    "render-worker",
    { kind: "list", bundle, file },
    { milliseconds: LIST_TIME, megabytes: MOST_MEMORY },
  );
  const { specimens, failure } = held<SpecimenList>(listed) ?? {
    specimens: [],
    failure: reasonOf(listed),
  };
  if (failure !== null) return refused(notMounted(page.name, failure));
  if (specimens.length === 0) return refused(noSpecimens(page.name));
  const wanted = specimens.map((one, index) => ({ one, index })).filter(({ one }) => isAsked(page, one));
  if (wanted.length === 0) {
    const names = specimens.map(({ name }) => name);
    return refused(noSuchSpecimen(page.name, page.part ?? "", nearestWord(page.part ?? "", names), names));
  }
  const found = specimens.map((one) => ({ id: `${page.name}#${one.name}`, page, listed: one }));
  const beside: ScriptsBeside =
    request.script === null && request.presses && !request.log
      ? await scriptsBeside(page, specimens, host)
      : { scripts: [], problems: [] };
  const answers = await Promise.all(
    wanted.flatMap(({ one, index }) => {
      const own = beside.scripts.filter(({ opens }) => opens === one.name);
      const specimen = found[index];
      return specimen === undefined ? [] : [mountOne(specimen, index, bundle, own, request, host)];
    }),
  );
  return {
    mounted: answers.flatMap((answer) => answer.mounted),
    problems: [...beside.problems, ...answers.flatMap((answer) => answer.problems)],
    notes: answers.flatMap((answer) => answer.notes),
  };
}

/** A name alone, or how it begins. */
const isAsked = ({ part }: PageFile, { name }: ListedSpecimen): boolean =>
  part === undefined || name === part || name.toLowerCase().startsWith(part.toLowerCase());

async function mountOne(
  found: FoundSpecimen,
  index: number,
  bundle: Bundle,
  scripts: readonly SpecimenScript[],
  request: MountingRequest,
  host: Host,
): Promise<FileAnswer> {
  const { id, page, listed: specimen } = found;
  const { device, timeLimit } = request;
  const run = async (script: readonly WalkStep[] | null): Promise<MountedResult | string> => {
    const answer = await host.runApart(
      "render-worker",
      {
        kind: "specimen",
        bundle,
        file: { path: page.path ?? "", name: page.name },
        specimen: { name: specimen.name, index, place: specimen.place },
        device: { ...device, ...specimen.viewport, colourScheme: specimen.scheme ?? device.colourScheme },
        script,
        patience: timeLimit * 1000 * FOR_KEYS,
        plan: request.planFor(found),
        presses: request.presses,
        log: request.log,
      },
      { milliseconds: timeLimit * 1000, megabytes: MOST_MEMORY },
    );
    if (!answer.ok) return answer.reason;
    const value = answer.value as MountedResult;
    return value.failure ?? value;
  };
  const place =
    specimen.place === null ? id : `${specimen.place.file}:${specimen.place.line} "${specimen.name}"`;
  const result = await run(request.script);
  if (typeof result === "string") return refused(notMounted(place, result));
  const notes: Problem[] = result.problems.map((message) => scriptFailed(place, message));
  if (result.asked > 0) notes.push(networkAsked(place));
  const problems: Problem[] = result.isCutShort ? [renderCutShort(place)] : [];
  const walked: WalkedScript[] = [];
  for (const script of scripts) {
    const own = await run(script.steps);
    if (typeof own === "string") problems.push(notMounted(script.file, own));
    else walked.push({ script, lines: own.script ?? [] });
  }
  return { mounted: [{ ...found, result, walked }], problems, notes };
}

const held = <T>(answer: ApartAnswer): T | null => (answer.ok ? (answer.value as T) : null);
const reasonOf = (answer: ApartAnswer): string => (answer.ok ? "" : answer.reason);

/** The nearest folder upward that holds a package; that of the file itself without one. */
async function packageRoot(page: PageFile, host: Host): Promise<string> {
  const own = path.dirname(page.path ?? host.workingDirectory);
  for (let folder = own; ; folder = path.dirname(folder)) {
    if ((await host.files.info(path.join(folder, "package.json"))) !== null) return folder;
    if (path.dirname(folder) === folder) return own;
  }
}

/** The texts of the files that results point at, by the names they are shown with. */
export async function textsOf(
  results: readonly MountedResult[],
  host: Host,
): Promise<ReadonlyMap<string, string>> {
  const names = new Set<string>();
  const note = (span: Span | null) => {
    if (span !== null) names.add(span.file);
  };
  const noteElement = (element: RenderedElement | null) => {
    note(element?.nearest ?? null);
    for (const { source } of element?.components ?? []) note(source);
  };
  for (const { findings, steps, openings, page } of results) {
    for (const { element, source, origins } of findings) {
      noteElement(element);
      note(source);
      for (const origin of origins) note(origin.source);
    }
    for (const { from, to } of [...steps, ...openings.flatMap((opening) => opening.steps)])
      for (const element of [from, to]) noteElement(element);
    const nodes = [...(page?.document.children ?? [])];
    for (let node = nodes.pop(); node !== undefined; node = nodes.pop())
      if (node.kind === "element") {
        note(node.source);
        for (const { source } of node.components) note(source);
        nodes.push(...node.children, ...(node.shadow?.children ?? []));
      }
  }
  const texts = new Map<string, string>();
  for (const name of names) {
    const read = await host.files.read(path.resolve(host.workingDirectory, name));
    const decoded = read.ok ? decodeText(read.bytes, name, "css") : null;
    if (decoded?.ok === true) texts.set(name, decoded.value.text);
  }
  return texts;
}

/** Whether a check is made of a specimen: it may leave some out. */
export const isMadeOf =
  ({ listed }: FoundSpecimen) =>
  ({ id }: CheckText): boolean =>
    !listed.off.includes(id);
