import path from "node:path";
import { type AuditAnswer, audit, reaches } from "../answers/audit.ts";
import {
  chosenMendings,
  FileChanged,
  Mender,
  type MendPlan,
  waitingAfter,
  waitingOf,
  writePlan,
} from "../answers/mend.ts";
import { plannedAudit } from "../answers/planned.ts";
import { everyCheck } from "../core/checks/catalogue.ts";
import type { Confidence } from "../core/repair/repair.ts";
import type { Host } from "../host/host.ts";
import { Workspace } from "../host/workspace.ts";
import { mendJson } from "../report/json/mend.ts";
import { unifiedPatch } from "../report/patch/patch.ts";
import {
  leftOutLines,
  mendedReport,
  patchInColour,
  patchSummary,
  reasonsFor,
} from "../report/terminal/mend.ts";
import { chooseChecks } from "../settings/choose-checks.ts";
import type { AuditPlan } from "../settings/plan.ts";
import { auditOptionsOf } from "./audit-options.ts";
import { COULD_NOT, DONE, FOUND, type Io, type Status } from "./io.ts";
import type { MendArguments } from "./mend.ts";
import { tellDrafts, undoName } from "./mend-undo.ts";
import { checksAndTargets, STANDARD_INPUT } from "./options.ts";
import { RunContext } from "./run-context.ts";

/** An audit to be mended, and how. */
interface Mending {
  readonly args: MendArguments;
  readonly run: RunContext;
  readonly plan: AuditPlan;
  readonly before: AuditAnswer;
  readonly workspace: Workspace;
  /** How it ends where nothing more is to be said. */
  readonly status: Status;
}

export async function runMend(args: MendArguments, io: Io): Promise<Status> {
  const run = new RunContext(io, args);
  const { host } = run;
  if (args.undo === true) return (await import("./mend-undo.ts")).undo(args.targets, run);
  const [only, afterOnly] = checksAndTargets(args.only);
  const chosen = chooseChecks(everyCheck, only, undefined);
  if (!chosen.ok) return run.refuse(chosen.problem);
  const targets = [...args.targets, ...afterOnly];
  const isInput = targets.includes(STANDARD_INPUT);
  if (isInput && targets.length > 1) return run.refuse("- is mended alone: what comes out is one page");
  if (isInput && (args.write === true || args.interactive === true))
    return run.refuse(
      `- cannot go with --${args.write === true ? "write" : "interactive"}: there is no file to write`,
    );
  // Every check runs, whichever edits are chosen: none of them may find anything new.
  const asked = auditOptionsOf({ ...args, targets, only: undefined, cache: false });
  const planned = await plannedAudit(asked.targets, asked.options, host);
  if (!planned.ok) return run.refuse(planned.problem);
  const plan: AuditPlan = {
    ...planned.value.plan,
    // Edits are made of what source tells: no specimen is run for them.
    runs: { pages: false, specimens: "none" },
    outcomes: ["failed", "cantTell"],
    families: null,
    trials: "thorough",
  };
  const workspace = new Workspace();
  const before = await audit(plan, host, { onPage: run.onPage, workspace });
  run.clearProgress();
  run.reportProblems(before.problems);
  const status = before.incomplete ? COULD_NOT : DONE;
  if (before.subjects.length === 0) return status;
  const mender = new Mender(before, plan, host, workspace);
  const work: Mending = { args, run, plan, before, workspace, status };
  const checks = new Set<string>(chosen.value.map(({ id }) => id));
  try {
    if (args.interactive === true) {
      const { chooseByHand } = await import("./mend-interactive.ts");
      const mendings = await chooseByHand(before, mender, checks, run);
      if (mendings === null)
        return run.refuse("the answers ended before the last question: nothing was changed");
      return mendings.length === 0 ? status : await write(work, await mender.plan(mendings, true));
    }
    const confidences = new Set<Confidence>(["safe", ...(args.also === undefined ? [] : [args.also])]);
    const mendPlan = await mender.plan(
      chosenMendings(before, confidences, checks).filter(
        ({ edits }) => !isInput || edits.every(({ file }) => file === plan.stdinName),
      ),
      args.write === true,
    );
    for (const line of leftOutLines(mendPlan.leftOut)) run.remark(line);
    if (args.write === true) return await write(work, mendPlan);
    return isInput ? await printPage(work, mendPlan) : await printPatch(work, mendPlan);
  } catch (error) {
    if (error instanceof FileChanged) return run.refuse(error.message);
    throw error;
  }
}

async function printPage(work: Mending, mendPlan: MendPlan): Promise<Status> {
  const { args, run, before, status } = work;
  if (args.format === "json") return printPatch(work, mendPlan);
  const [file] = mendPlan.files;
  const printed = await run.deliver([file?.after ?? (await run.host.standardInput())], status);
  run.io.err.write(`${patchSummary(before, mendPlan, waitingAfter(before, mendPlan))}\n`);
  return printed;
}

async function printPatch({ args, run, before, status }: Mending, mendPlan: MendPlan): Promise<Status> {
  const waiting = waitingAfter(before, mendPlan);
  if (args.format === "json") return run.deliver([`${mendJson(mendPlan, before, null, waiting)}\n`], status);
  const patch = unifiedPatch(mendPlan.files.map((file) => ({ ...file, reasons: reasonsFor(file) })));
  const shown = run.isOnTerminal ? patchInColour(new TextDecoder().decode(patch), run.paint) : patch;
  const printed = await run.deliver([shown], status);
  run.io.err.write(`${patchSummary(before, mendPlan, waiting)}\n`);
  return printed;
}

/** Makes the edits, audits again and tells what is left. */
async function write({ args, run, plan, before, workspace }: Mending, mendPlan: MendPlan): Promise<Status> {
  const { host } = run;
  let undo: string | null = null;
  const state = await host.commitState(mendPlan.files.flatMap(({ path: file }) => file ?? []));
  if (mendPlan.files.length > 0 && state !== "committed") {
    const files = mendPlan.files.map((file) => ({ ...file, reasons: [] }));
    const kept = await keepUndo(unifiedPatch(files, true), host);
    undo = kept.name;
    if (kept.reason !== null)
      return run.refuse(
        `${undo}: the patch for undoing could not be kept (${kept.reason}). Nothing was changed.`,
      );
    if (state === "uncommitted")
      run.remark(`there are changes here that are not committed; ${undo} undoes the edits alone`);
  }
  await tellDrafts(run);
  const { written, failed } = await writePlan(mendPlan, host);
  const after = await audit(plan, host, { workspace });
  const left = waitingOf(after.findings);
  if (failed !== null) {
    const name = path.relative(host.workingDirectory, failed.path);
    return run.refuse(
      `${name}: could not be written (${failed.reason}). ${written.length === 0 ? "Nothing was changed." : `${written.length} files before it were mended; ${undo === null ? "git" : "keel mend --undo"} undoes them.`}`,
    );
  }
  const report =
    args.format === "json"
      ? `${mendJson(mendPlan, before, after, left)}\n`
      : mendedReport(mendPlan, before, after, left, undo, run.paint);
  const isHeld = mendPlan.leftOut.some(({ kind }) => kind === "not writable");
  return run.deliver(
    [report],
    after.incomplete || isHeld ? COULD_NOT : reaches(after, plan.failOn) ? FOUND : DONE,
  );
}

/** Keeps the patch that undoes under a name that no file has, whoever else looks for one at the same time. */
async function keepUndo(
  patch: Uint8Array,
  { files, workingDirectory }: Host,
): Promise<{ readonly name: string; readonly reason: string | null }> {
  for (let n = 1; ; n++) {
    const name = undoName(n);
    const reason = await files.writeNew(path.resolve(workingDirectory, name), patch);
    if (reason !== "there") return { name, reason };
  }
}
