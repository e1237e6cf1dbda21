import { checkWith } from "../core/checks/catalogue.ts";
import { type Given, lostBy } from "../core/checks/given.ts";
import type { Span } from "../core/document/node.ts";
import { byFile, type Edit, Gathered, originalPlaces } from "../core/repair/edit.ts";
import { filledIn } from "../core/repair/spell.ts";
import { firstChangeBeside, type Mark, marksIn } from "../core/repair/untouched.ts";
import type { PageFile } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import type { Workspace } from "../host/workspace.ts";
import { editedHost } from "./edited-host.ts";
import type { SourceTexts } from "./element-answer.ts";
import type { FindingAnswer } from "./finding-answer.ts";
import { awayFrom, type Candidate, type Harm, harmNear, type Place, suspectsIn } from "./harm.ts";
import { parsedFile } from "./parsed-file.ts";
import { withoutEdits } from "./repair-answer.ts";

/** What is audited together: one page, or all the components of a run. */
export interface AuditedUnit {
  readonly pages: readonly PageFile[];
  /** Every file that has a part in it, as it is shown. */
  readonly files: ReadonlySet<string>;
  readonly elements: number;
  readonly isSource: boolean;
}

/** Audits some pages anew in another world. */
export type AuditAnew = (
  pages: readonly PageFile[],
  host: Host,
) => Promise<{
  readonly findings: readonly FindingAnswer[];
  readonly incomplete: boolean;
  readonly texts: SourceTexts;
  readonly given: readonly Given[];
  /** What was made of the files that were read. */
  readonly workspace: Workspace;
}>;

/** An audit that edits are tried on. */
export interface TrialRequest {
  readonly findings: readonly FindingAnswer[];
  readonly units: readonly AuditedUnit[];
  readonly texts: SourceTexts;
  readonly given: readonly Given[];
  readonly incomplete: boolean;
  readonly auditAnew: AuditAnew;
}

export interface ProofRequest extends TrialRequest {
  /** Whether the edits of a finding were tried before and hold. */
  readonly isTried: (finding: FindingAnswer) => boolean;
  /** Whether places for words are tried too, with a sample. */
  readonly triesWords: boolean;
  /** How many elements may be audited anew, each time counted; a trial of every edit together is always made. */
  readonly effort: number;
  /** How often what reads the same files may be audited anew. */
  readonly mostTrials: number;
}

/** What a trial costs beside the elements it looks at, in elements. */
const TRIAL = 100;

/**
 * Findings with the edits that hold: the edited text was audited, the finding is gone, nothing else fails that did not,
 * nothing that was given of an element is taken away, and the file parses to what it was apart from the edit. All edits of
 * a page are tried at once; what does harm by itself is left out, and what may do so is parted and tried again.
 */
export async function provedRepairs(request: ProofRequest, host: Host): Promise<readonly FindingAnswer[]> {
  const held = await new Proof(request, host).run();
  return request.findings.map((finding) =>
    finding.repair === null ||
    offered(finding, request.triesWords).length === 0 ||
    held.has(finding) ||
    request.isTried(finding)
      ? finding
      : { ...finding, repair: withoutEdits(finding.repair.summary) },
  );
}

/** Where a finding is, the same before an edit and after it. */
export const findingKey = (
  { check, components, subject, element, span }: FindingAnswer,
  original: (file: string, offset: number) => string = (_, offset) => String(offset),
): string => {
  // What components show is told once, whichever root shows it first.
  const page = components.length > 0 ? "" : subject;
  const place = span === null ? element.path : `${span.file} ${original(span.file, span.start)}`;
  return `${check} ${page} ${place}`;
};

/** What came of edits: the keys of what is still found, or where they do harm; nowhere in particular where there is none. */
type Tried =
  | { readonly harms: false; readonly left: ReadonlySet<string> }
  | { readonly harms: true; readonly where: readonly Harm[] };

/** The files that have a part in a finding beside the one that it stands in. */
const filesAround = ({ source, components, origins, subject }: FindingAnswer): readonly string[] => [
  subject,
  ...[source, ...components, ...origins].flatMap((place) => place?.file ?? []),
];

/** The places of what explains a finding, such as the declarations of two colours. */
const explained = ({ origins }: FindingAnswer, texts: SourceTexts): readonly Span[] =>
  origins.flatMap(({ source }) => {
    const lines = source === null ? null : texts.lines(source.file);
    if (source === null || lines === null) return [];
    const [start, end] = [
      lines.offset(source.line, source.column),
      lines.offset(source.endLine, source.endColumn),
    ];
    return start === null || end === null ? [] : [{ file: source.file, start, end }];
  });

/** Makes edits in memory and audits again. */
export class Trial {
  readonly #request: TrialRequest;
  readonly #host: Host;
  readonly #failing: ReadonlySet<string>;
  readonly #marks = new Map<string, readonly Mark[]>();

  constructor(request: TrialRequest, host: Host) {
    this.#request = request;
    this.#host = host;
    this.#failing = new Set(
      request.findings.filter(({ outcome }) => outcome === "failed").map((finding) => findingKey(finding)),
    );
  }

  /** What reads one of the files of some edits. */
  unitsOf(edits: readonly Edit[]): readonly AuditedUnit[] {
    const files = new Set(edits.map(({ file }) => file));
    return this.#request.units.filter((unit) => [...files].some((file) => unit.files.has(file)));
  }

  /**
   * What comes of edits. They do harm where something new fails, something else in a file is another, or what was given
   * of an element before is taken away.
   */
  async of(edits: readonly Edit[]): Promise<Tried> {
    const { auditAnew, incomplete } = this.#request;
    const units = this.unitsOf(edits);
    const pages = units.flatMap((unit) => unit.pages);
    const stdinName = pages.find(({ path }) => path === null)?.name ?? null;
    const edited = await editedHost(edits, this.#host, stdinName);
    if (edited === null) return { harms: true, where: [] };
    const after = await auditAnew(pages, edited);
    if (after.incomplete && !incomplete) return { harms: true, where: [] };
    const files = byFile(edits);
    const places = new Map([...files].map(([file, fileEdits]) => [file, originalPlaces(fileEdits)] as const));
    const original = (file: string, offset: number): string => {
      const place = places.get(file)?.(offset);
      return place === undefined ? String(offset) : `${place.offset}${place.isNew ? " new" : ""}`;
    };
    const before = ({ file, start, end }: Span): Place => {
      const place = places.get(file);
      return { file, at: { start: place?.(start).offset ?? start, end: place?.(end, true).offset ?? end } };
    };
    const left = new Set<string>();
    const where: Harm[] = [];
    for (const finding of after.findings) {
      const key = findingKey(finding, original);
      left.add(key);
      if (finding.outcome !== "failed" || this.#failing.has(key)) continue;
      const { span } = finding;
      const beside = new Set(filesAround(finding));
      if (span !== null) beside.delete(span.file);
      const parts = explained(finding, after.texts).map(before);
      if (this.#wasHidden(finding, original, parts, edits)) continue;
      const isPutThere = span !== null && places.get(span.file)?.(span.start).isNew === true;
      if (isPutThere && parts.length > 0) where.push({ near: [], of: [before(span), ...parts] });
      else {
        const files = [...beside].map((file): Place => ({ file, at: null }));
        where.push({ near: [...(span === null ? [] : [before(span)]), ...files], of: parts });
      }
    }
    const lost = lostBy(this.#request.given, after.given, ({ file, start }) => {
      const place = places.get(file)?.(start);
      return place === undefined ? start : place.isNew ? null : place.offset;
    });
    for (const { file, start } of lost) where.push(harmNear(file, start));
    for (const [file, fileEdits] of files) {
      const change = await this.#changeBeside(file, fileEdits, after, units);
      if (change !== "none") where.push(harmNear(file, change));
    }
    return where.length > 0 ? { harms: true, where } : { harms: false, left };
  }

  /** Whether something was found only because the element fails no more at what is asked before: it was there already. */
  #wasHidden(
    finding: FindingAnswer,
    original: (file: string, offset: number) => string,
    parts: readonly Place[],
    edits: readonly Edit[],
  ): boolean {
    const check = checkWith(finding.check)?.asksAfter;
    return (
      check !== undefined &&
      this.#failing.has(findingKey({ ...finding, check }, original)) &&
      !parts.some((place) => edits.some((edit) => edit.file === place.file && awayFrom(place, edit) === 0))
    );
  }

  /** Where a file is another beside the edits; null where nobody can say. */
  async #changeBeside(
    file: string,
    edits: readonly Edit[],
    { texts, workspace }: Awaited<ReturnType<AuditAnew>>,
    units: readonly AuditedUnit[],
  ): Promise<number | null | "none"> {
    const before = this.#request.texts.text(file);
    const edited = texts.text(file);
    if (before === null || edited === null) return null;
    const isSource = units.some((unit) => unit.isSource && unit.files.has(file));
    const marksOf = async (text: string) => marksIn(await parsedFile(file, text, isSource, workspace));
    const after = await marksOf(edited);
    const marks = this.#marks.get(file) ?? (await marksOf(before));
    this.#marks.set(file, marks);
    return firstChangeBeside(marks, after, edits) ?? "none";
  }
}

/** Tries the edits of every finding. */
class Proof {
  readonly #request: ProofRequest;
  readonly #trial: Trial;
  readonly #held = new Set<FindingAnswer>();
  #effort: number;
  /** How many trials are left for what is being tried. */
  #trials = 0;

  constructor(request: ProofRequest, host: Host) {
    this.#request = request;
    this.#trial = new Trial(request, host);
    this.#effort = request.effort;
  }

  async run(): Promise<ReadonlySet<FindingAnswer>> {
    const { findings, isTried, triesWords, mostTrials } = this.#request;
    const untried = findings.filter((finding) => !isTried(finding));
    for (const { cost, candidates } of this.#grouped(candidatesIn(untried, triesWords))) {
      this.#trials = mostTrials;
      await this.#prove(candidates, cost);
    }
    return this.#held;
  }

  /** Candidates by the pages they may change, and what it costs to audit those. */
  #grouped(candidates: readonly Candidate[]) {
    const groups = new Map<string, { readonly cost: number; readonly candidates: Candidate[] }>();
    for (const candidate of candidates) {
      const units = this.#trial.unitsOf(candidate.edits);
      const key = units.map((unit) => this.#request.units.indexOf(unit)).join(" ");
      const known = groups.get(key);
      if (known !== undefined) known.candidates.push(candidate);
      else
        groups.set(key, {
          cost: units.reduce((sum, { elements }) => sum + elements + TRIAL, 0),
          candidates: [candidate],
        });
    }
    return [...groups.values()];
  }

  /** Tries candidates together and, where they do harm, in parts: those in the files that are harmed by themselves. */
  async #prove(candidates: readonly Candidate[], cost: number): Promise<void> {
    if (this.#trials <= 0) return;
    const [together, alone] = withoutCollisions(candidates);
    this.#effort -= cost;
    this.#trials--;
    const tried = await this.#trial.of(together.flatMap(({ edits }) => edits));
    if (tried.harms) await this.#proveInParts(together, tried.where, cost);
    else
      for (const finding of together.flatMap(({ findings }) => findings))
        if (!tried.left.has(findingKey(finding))) this.#held.add(finding);
    if (alone.length > 0) await this.#prove(alone, cost);
  }

  async #proveInParts(together: readonly Candidate[], where: readonly Harm[], cost: number): Promise<void> {
    if (together.length === 1 || this.#effort <= 0) return;
    const { guilty, suspects } = suspectsIn(together, where);
    const others = together.filter((candidate) => !guilty.has(candidate) && !suspects.has(candidate));
    if (guilty.size + suspects.size > 0 && guilty.size + others.length > 0) {
      if (others.length > 0) await this.#prove(others, cost);
      if (suspects.size > 0) await this.#prove([...suspects], cost);
      return;
    }
    const half = Math.ceil(together.length / 2);
    await this.#prove(together.slice(0, half), cost);
    await this.#prove(together.slice(half), cost);
  }
}

/** The edits that a finding offers, with a sample for the words that it wants. */
function offered({ repair }: FindingAnswer, triesWords: boolean): readonly Edit[] {
  if (repair === null || repair.edits.length > 0 || repair.words === null || !triesWords)
    return repair?.edits ?? [];
  return filledIn(repair.words.edits, repair.words.sample);
}

/** What findings offer, the same once. */
function candidatesIn(findings: readonly FindingAnswer[], triesWords: boolean): readonly Candidate[] {
  const candidates = new Map<string, { edits: readonly Edit[]; findings: FindingAnswer[] }>();
  for (const finding of findings) {
    const edits = offered(finding, triesWords);
    if (edits.length === 0) continue;
    const key = JSON.stringify(edits);
    const known = candidates.get(key);
    if (known === undefined) candidates.set(key, { edits, findings: [finding] });
    else known.findings.push(finding);
  }
  return [...candidates.values()];
}

/** Those that can be made together, the first of each two that collide; and the others. */
export function withoutCollisions<T extends { readonly edits: readonly Edit[] }>(
  candidates: readonly T[],
): readonly [together: readonly T[], apart: readonly T[]] {
  const gathered = new Gathered();
  const together: T[] = [];
  const alone: T[] = [];
  for (const candidate of candidates) {
    if (candidate.edits.some((edit) => gathered.collides(edit))) alone.push(candidate);
    else {
      together.push(candidate);
      for (const edit of candidate.edits) gathered.add(edit);
    }
  }
  return [together, alone];
}
