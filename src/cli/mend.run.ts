import path from "node:path";
import { type AuditAnswer, type AuditRequest, audit, reaches } from "../answers/audit.ts";
import {
  chosenMendings,
  FileChanged,
  Mender,
  type MendPlan,
  waitingAfter,
  waitingOf,
  writePlan,
} from "../answers/mend.ts";
import type { Confidence } from "../core/repair/repair.ts";
import type { Host } from "../host/host.ts";
import { nodeHost } from "../host/node.ts";
import { mendJson } from "../report/json/mend.ts";
import { unifiedPatch } from "../report/patch/patch.ts";
import {
  leftOutLines,
  mendedReport,
  patchInColour,
  patchSummary,
  reasonsFor,
} from "../report/terminal/mend.ts";
import { apart, askedFor } from "./audit-request.ts";
import { chooseChecks } from "./choose-checks.ts";
import { STANDARD_INPUT } from "./command.ts";
import type { MendArguments } from "./mend.ts";
import { progressLine } from "./progress.ts";
import { COULD_NOT, complain, DONE, deliver, FOUND, paintOf, reportProblems } from "./run-context.ts";
import { everyCheck, settingsFor } from "./settings.ts";

/** An audit to be mended, and how. */
interface Mending {
  readonly args: MendArguments;
  readonly host: Host;
  readonly request: AuditRequest;
  readonly before: AuditAnswer;
  readonly mender: Mender;
  readonly failOn: Parameters<typeof reaches>[1];
}

export async function runMend(args: MendArguments): Promise<void> {
  const host = nodeHost();
  const found = await settingsFor(args, host);
  if (!found.ok) return complain(found.message);
  const [only, afterOnly] = apart(args.only);
  const chosen = chooseChecks(everyCheck, only, undefined);
  if (!chosen.ok) return complain(chosen.message);
  const targets = [...args.targets, ...afterOnly];
  const isInput = targets.includes(STANDARD_INPUT);
  if (isInput && targets.length > 1) return complain("- is mended alone: what comes out is one page");
  if (isInput && (args.write === true || args.interactive === true))
    return complain(
      `- cannot go with --${args.write === true ? "write" : "interactive"}: there is no file to write`,
    );
  // Every check runs, whichever edits are chosen: none of them may find anything new.
  const asked = await askedFor({ ...args, targets, only: undefined, cache: false }, found.settings, host);
  if (typeof asked === "string") return complain(asked);
  // Edits are made of what source tells: no specimen is run for them.
  const request: AuditRequest = {
    ...asked.request,
    outcomes: ["failed", "cantTell"],
    trials: "thorough",
    engine: "read",
  };
  const progress = progressLine(false);
  const before = await audit(request, host, (page, done, total) =>
    progress.show(`auditing ${done + 1} of ${total}: ${page.name}`),
  );
  progress.clear();
  reportProblems(before.problems);
  if (before.incomplete) process.exitCode = COULD_NOT;
  if (before.subjects.length === 0) return;
  const mender = new Mender(before, request, host);
  const work: Mending = { args, host, request, before, mender, failOn: asked.failOn };
  const checks = new Set<string>(chosen.checks.map(({ id }) => id));
  try {
    if (args.interactive === true) {
      const { chooseByHand } = await import("./mend-interactive.ts");
      const mendings = await chooseByHand(before, mender, checks, paintOf(args));
      if (mendings === null)
        return complain("the answers ended before the last question: nothing was changed");
      if (mendings.length === 0) return;
      return await write(work, await mender.plan(mendings, true));
    }
    const confidences = new Set<Confidence>([
      "safe",
      ...(args.also === "likely" ? (["likely"] as const) : []),
    ]);
    const plan = await mender.plan(
      chosenMendings(before, confidences, checks).filter(
        ({ edits }) => !isInput || edits.every(({ file }) => file === request.stdinName),
      ),
      args.write === true,
    );
    for (const line of leftOutLines(plan.leftOut)) process.stderr.write(`keel: ${line}\n`);
    if (args.write === true) return await write(work, plan);
    if (isInput) return await printPage(work, plan);
    return await printPatch(work, plan);
  } catch (error) {
    if (error instanceof FileChanged) return complain(error.message);
    throw error;
  }
}

async function printPage({ args, host, before }: Mending, plan: MendPlan): Promise<void> {
  if (args.format === "json") return printPatch({ args, host, before }, plan);
  const [file] = plan.files;
  await deliver([file?.after ?? (await host.standardInput())], args, host);
  process.stderr.write(`${patchSummary(before, plan, waitingAfter(before, plan))}\n`);
}

async function printPatch(
  { args, host, before }: Pick<Mending, "args" | "host" | "before">,
  plan: MendPlan,
): Promise<void> {
  if (args.format === "json") {
    await deliver([`${mendJson(plan, before, null, waitingAfter(before, plan))}\n`], args, host);
    return;
  }
  const patch = unifiedPatch(plan.files.map((file) => ({ ...file, reasons: reasonsFor(file) })));
  const isSeen = args.output === undefined && process.stdout.isTTY === true;
  const shown = isSeen ? patchInColour(new TextDecoder().decode(patch), paintOf(args)) : patch;
  if (await deliver([shown], args, host))
    process.stderr.write(`${patchSummary(before, plan, waitingAfter(before, plan))}\n`);
}

/** Makes the edits, audits again and tells what is left. */
async function write({ args, host, request, before, failOn }: Mending, plan: MendPlan): Promise<void> {
  let undo: string | null = null;
  const state = await host.commitState();
  if (plan.files.length > 0 && state !== "committed") {
    undo = await freeName(host);
    const reason = await host.files.writeWhole(
      path.resolve(host.workingDirectory, undo),
      unifiedPatch(
        plan.files.map((file) => ({ ...file, reasons: [] })),
        true,
      ),
    );
    if (reason !== null)
      return complain(`${undo}: the patch for undoing could not be kept (${reason}). Nothing was changed.`);
    if (state === "uncommitted")
      process.stderr.write(
        `keel: there are changes here that are not committed; ${undo} undoes the edits alone\n`,
      );
  }
  const { written, failed } = await writePlan(plan, host);
  const after = await audit(request, host);
  const left = waitingOf(after.findings);
  const report =
    args.format === "json"
      ? `${mendJson(plan, before, after, left)}\n`
      : mendedReport(plan, before, after, left, undo, paintOf(args));
  if (failed !== null) {
    const name = path.relative(host.workingDirectory, failed.path);
    return complain(
      `${name}: could not be written (${failed.reason}). ${written.length === 0 ? "Nothing was changed." : `${written.length} files before it were mended; ${undo ?? "git"} undoes them.`}`,
    );
  }
  if (!(await deliver([report], args, host))) return;
  const isHeld = plan.leftOut.some(({ reason }) => reason.includes("cannot be written"));
  process.exitCode = after.incomplete || isHeld ? COULD_NOT : reaches(after.findings, failOn) ? FOUND : DONE;
}

/** A name for the patch that undoes, which no file has yet. */
async function freeName({ files, workingDirectory }: Host): Promise<string> {
  for (let n = 1; ; n++) {
    const name = n === 1 ? "keel-undo.patch" : `keel-undo-${n}.patch`;
    if ((await files.info(path.resolve(workingDirectory, name))) === null) return name;
  }
}
