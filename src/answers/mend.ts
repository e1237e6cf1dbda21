import path from "node:path";
import { byFile, collide, type Edit } from "../core/repair/edit.ts";
import type { Confidence } from "../core/repair/repair.ts";
import type { Host, Replaced } from "../host/host.ts";
import type { Workspace } from "../host/workspace.ts";
import { decodeText } from "../readers/html/decode.ts";
import { editedBytes } from "../readers/html/encode.ts";
import type { AuditPlan } from "../settings/plan.ts";
import { type AuditAnswer, auditAnew, type FindingAnswer } from "./audit.ts";
import { languageOf } from "./edited-host.ts";
import { findingKey, Trial } from "./proved-repairs.ts";

/** A finding with the edits that mend it. */
export interface Mending {
  readonly finding: FindingAnswer;
  readonly edits: readonly Edit[];
}

/** Edits that are not made, and why. */
export interface LeftOut {
  readonly finding: FindingAnswer;
  /** Whether it is the file that may not be written, and not the edit that does not hold. */
  readonly kind: "not writable" | "not holding";
  readonly reason: string;
}

/** One file before and after, in its own encoding. */
export interface MendedFile {
  /** As it is shown. */
  readonly name: string;
  /** Absolute; null for standard input. */
  readonly path: string | null;
  readonly before: Uint8Array;
  readonly after: Uint8Array;
  readonly mendings: readonly Mending[];
}

/** Edits that go together, and what they make of the files. */
export interface MendPlan {
  readonly mendings: readonly Mending[];
  readonly leftOut: readonly LeftOut[];
  /** All findings that are mended by it, also those whose own edits were not wanted for it. */
  readonly gone: ReadonlySet<FindingAnswer>;
  readonly files: readonly MendedFile[];
}

/** The findings of an audit whose edits are chosen: of a confidence, and of some checks. */
export const chosenMendings = (
  { findings }: AuditAnswer,
  confidences: ReadonlySet<Confidence>,
  checks: ReadonlySet<string>,
): readonly Mending[] =>
  findings.flatMap((finding) => {
    const { repair } = finding;
    const isChosen =
      finding.outcome === "failed" &&
      checks.has(finding.check) &&
      repair !== null &&
      repair.edits.length > 0 &&
      confidences.has(repair.confidence);
    return isChosen ? [{ finding, edits: repair.edits }] : [];
  });

/** What an audit's findings come to while edits are gathered; nothing is written. */
export class Mender {
  readonly #answer: AuditAnswer;
  readonly #host: Host;
  readonly #stdinName: string;
  readonly #trial: Trial;
  #tried: { readonly key: string; readonly left: ReadonlySet<string> | null } | null = null;
  readonly #refusals = new Map<string, string | null>();

  constructor(answer: AuditAnswer, plan: AuditPlan, host: Host, workspace: Workspace) {
    this.#answer = answer;
    this.#host = host;
    this.#stdinName = plan.stdinName;
    this.#trial = new Trial({ ...answer, auditAnew: auditAnew(plan, workspace) }, host);
  }

  /** In a word why edits cannot be made in the files they are in; null where they can. */
  async refusal(edits: readonly Edit[], forWriting: boolean): Promise<string | null> {
    for (const file of byFile(edits).keys()) {
      const key = `${file} ${forWriting}`;
      if (!this.#refusals.has(key)) this.#refusals.set(key, await this.#refusalOf(file, forWriting));
      const reason = this.#refusals.get(key);
      if (reason != null) return reason;
    }
    return null;
  }

  async #refusalOf(file: string, forWriting: boolean): Promise<string | null> {
    const { files, workingDirectory } = this.#host;
    if (isGenerated(this.#answer.texts.text(file) ?? ""))
      return `${file} says it is generated: mend what it is made from`;
    if (file === this.#stdinName) return null;
    const [real, tree] = [
      await files.realPath(path.resolve(workingDirectory, file)),
      await files.realPath(workingDirectory),
    ];
    if (real === null || tree === null) return `${file} is no longer there`;
    const within = path.relative(tree, real);
    if (within.startsWith("..") || path.isAbsolute(within))
      return `${file} lies outside the working directory`;
    if (within.split(path.sep).includes("node_modules")) return `${file} belongs to an installed package`;
    const refused = forWriting ? await files.refusesWriting(real) : null;
    return refused === null ? null : `${file} cannot be written: ${refused}`;
  }

  /** Whether edits, with others made, still leave the findings they are for; `harm` where something new fails. */
  async outcome(
    mendings: readonly Mending[],
    chosen: readonly Mending[],
  ): Promise<"gone" | "stays" | "harm"> {
    const left = await this.#left([...chosen, ...mendings]);
    if (left === null) return "harm";
    return mendings.some(({ finding }) => left.has(findingKey(finding))) ? "stays" : "gone";
  }

  /** What is left with edits; what was tried last is not tried again. */
  async #left(chosen: readonly Mending[]): Promise<ReadonlySet<string> | null> {
    const edits = chosen.flatMap((one) => one.edits);
    const key = JSON.stringify(edits);
    if (this.#tried?.key !== key) {
      const tried = await this.#trial.of(edits);
      this.#tried = { key, left: tried.harms ? null : tried.left };
    }
    return this.#tried.left;
  }

  /** Which findings are mended once edits are made. */
  async goneWith(chosen: readonly Mending[]): Promise<ReadonlySet<FindingAnswer>> {
    const edits = chosen.flatMap((one) => one.edits);
    const left = chosen.length === 0 ? null : await this.#left(chosen);
    if (left === null) return new Set();
    const touched = new Set(this.#trial.unitsOf(edits).flatMap(({ pages }) => pages.map(({ name }) => name)));
    const isSource = this.#trial.unitsOf(edits).some((unit) => unit.isSource);
    return new Set(
      this.#answer.findings.filter(
        (finding) =>
          (finding.components.length > 0 ? isSource : touched.has(finding.subject)) &&
          !left.has(findingKey(finding)),
      ),
    );
  }

  /** Puts edits together: those that collide, do harm beside others or are in files that may not be changed are left out. */
  async plan(chosen: readonly Mending[], forWriting: boolean): Promise<MendPlan> {
    const leftOut: LeftOut[] = [];
    let mendings: Mending[] = [];
    for (const mending of chosen) {
      const refused = await this.refusal(mending.edits, forWriting);
      const reason = refused ?? collision(mending, mendings);
      if (reason === null) mendings.push(mending);
      else
        leftOut.push({
          finding: mending.finding,
          kind: refused === null ? "not holding" : "not writable",
          reason,
        });
    }
    const holding = await this.#holding(mendings, []);
    for (const { finding } of mendings.filter((mending) => !holding.includes(mending)))
      leftOut.push({
        finding,
        kind: "not holding",
        reason: "beside the other edits it no longer holds: run again for it",
      });
    mendings = holding;
    const files: MendedFile[] = [];
    for (const [name, edits] of byFile(mendings.flatMap((one) => one.edits)))
      files.push(await this.#file(name, edits, mendings));
    const gone = await this.goneWith(mendings);
    return { mendings, leftOut: leftOut.filter(({ finding }) => !gone.has(finding)), gone, files };
  }

  /** Those of some mendings that hold together beside others, the first of each two that do not: parted until they do. */
  async #holding(mendings: readonly Mending[], beside: readonly Mending[]): Promise<Mending[]> {
    if (mendings.length === 0) return [];
    if ((await this.outcome(mendings, beside)) === "gone") return [...mendings];
    if (mendings.length === 1) return [];
    const half = Math.ceil(mendings.length / 2);
    const first = await this.#holding(mendings.slice(0, half), beside);
    return [...first, ...(await this.#holding(mendings.slice(half), [...beside, ...first]))];
  }

  async #file(name: string, edits: readonly Edit[], mendings: readonly Mending[]): Promise<MendedFile> {
    const { files, workingDirectory } = this.#host;
    const isInput = name === this.#stdinName;
    const full = isInput ? null : await files.realPath(path.resolve(workingDirectory, name));
    const read =
      full === null ? { ok: true as const, bytes: await this.#host.standardInput() } : await files.read(full);
    const bytes = read.ok ? read.bytes : null;
    const decoded = bytes === null ? null : decodeText(bytes, name, languageOf(name));
    const text = this.#answer.texts.text(name);
    const after =
      bytes === null || decoded?.ok !== true || decoded.value.text !== text
        ? null
        : editedBytes(bytes, languageOf(name), edits);
    // Trials have read the same file and could make the same edits.
    if (bytes === null || after === null) throw new FileChanged(name);
    return {
      name,
      path: full,
      before: bytes,
      after,
      mendings: mendings.filter((one) => one.edits.some(({ file }) => file === name)),
    };
  }
}

/** A file is not what it was when it was audited. */
export class FileChanged extends Error {
  constructor(file: string) {
    super(`${file}: was changed while it was being audited. Nothing was changed; run again.`);
  }
}

/** Writes what a plan comes to. Before anything is replaced, all of it is on the disk. */
export const writePlan = ({ files }: MendPlan, host: Host): Promise<Replaced> =>
  host.files.replaceWhole(
    files.flatMap(({ path: file, before, after }) =>
      file === null ? [] : [{ path: file, expected: before, bytes: after }],
    ),
  );

function collision({ finding, edits }: Mending, chosen: readonly Mending[]): string | null {
  const other = chosen.find((one) => one.edits.some((a) => edits.some((b) => collide(a, b))));
  if (other === undefined) return null;
  const place = other.finding.source;
  return `another edit changes the same text (${other.finding.check}${place === null || finding.source?.line === place.line ? "" : `, line ${place.line}`}): run again for it`;
}

/** What files that are made by a program say of themselves at their head. */
const isGenerated = (text: string): boolean =>
  /@generated\b|\bdo not edit\b|\bauto-?generated (?:by|from|file)\b|<!--\s*generated (?:by|from)\b|^\s*(?:\/\/|\/\*+)\s*generated (?:by|from)\b/im.test(
    text.slice(0, HEAD),
  );

const HEAD = 1000;

/** What the findings that are left are waiting for. */
export interface Waiting {
  /** An edit that wants a look first. */
  readonly likely: number;
  /** Words that only a person knows. */
  readonly words: number;
  /** A person who looks. */
  readonly look: number;
}

export function waitingOf(findings: readonly FindingAnswer[]): Waiting {
  const failed = findings.filter(({ outcome }) => outcome === "failed");
  const likely = failed.filter(({ repair }) => (repair?.edits.length ?? 0) > 0).length;
  const words = failed.filter(
    ({ repair }) => repair !== null && repair.edits.length === 0 && repair.words !== null,
  ).length;
  return { likely, words, look: failed.length - likely - words };
}

/** What waits once a plan is carried out. */
export const waitingAfter = ({ findings }: AuditAnswer, { gone }: MendPlan): Waiting =>
  waitingOf(findings.filter((finding) => !gone.has(finding)));
