import { FollowedWalk, follow, recordedScript } from "../answers/follow.ts";
import { countOf } from "../core/document/count-of.ts";
import { type FollowedKind, followedKinds } from "../core/walk-script/followed-kinds.ts";
import { findPages, isComponentFile } from "../engine/targets.ts";
import { printable } from "../report/terminal/printable.ts";
import { type AuditPlan, keyPlan } from "../settings/plan.ts";
import { COULD_NOT, DONE, type Io, type Status } from "./io.ts";
import type { RunContext } from "./run-context.ts";

export interface FollowChoice {
  readonly kinds: readonly FollowedKind[];
  /** Where what is done is written to as a walk script; null for nowhere. */
  readonly record: string | null;
}

/** Opens a page in a window that somebody uses, and prints what they hear as they go, until they close it. */
export async function runFollow(
  plan: AuditPlan,
  { kinds, record }: FollowChoice,
  run: RunContext,
  io: Io,
): Promise<Status> {
  const { host, paint } = run;
  const { pages, problems } = await findPages(plan, host);
  run.reportProblems(problems);
  const [page, another] = pages;
  if (page === undefined) return COULD_NOT;
  if (another !== undefined)
    return run.refuse(`one page is followed, and the targets name ${pages.length}; name one`);
  if (page.path !== null && isComponentFile(page.path))
    return run.refuse(
      `${page.name}: is no page, and only pages are followed; serve it, and give its address`,
    );
  const over = new AbortController();
  io.onInterrupt?.(() => {
    over.abort();
    return true;
  });
  const width = Math.max(...followedKinds.map((kind) => kind.length));
  const walked = new FollowedWalk(({ kind, text }) => {
    if (kinds.includes(kind)) io.out.write(`${paint.colours.dim(kind.padEnd(width))}  ${printable(text)}\n`);
  });
  const onOpen = () => run.remark("a window is open: use it, and close it when you are done");
  const { onMoment } = walked;
  const followed = await follow(page, plan, host, { onOpen, onMoment, signal: over.signal });
  // What was done until something went wrong is not lost.
  const isWorthIt = record !== null && (followed.ok || walked.acts.length > 0);
  const status = isWorthIt ? await writeRecord(record, walked, page, plan, run) : DONE;
  return followed.ok ? status : run.refuse(followed.problem);
}

async function writeRecord(
  record: string,
  { acts }: FollowedWalk,
  page: Parameters<typeof recordedScript>[1],
  plan: AuditPlan,
  run: RunContext,
): Promise<Status> {
  if (acts.length === 0) return run.refuse(`nothing was done in the window: ${record} was not written`);
  run.remark("walks what you did once more, to write what comes of it");
  const walkPlan = { ...keyPlan(plan), direction: "forwards", from: null } as const;
  const script = await recordedScript(acts, page, walkPlan, run.host);
  if (!script.ok) return run.refuse(script.problem);
  const { text, lines, broken, problems } = script.value;
  run.reportProblems(problems);
  const status = await run.deliverTo(record, [text], DONE);
  if (status !== DONE) return status;
  run.remark(`${record}: ${countOf(lines, "line", "lines")} written`);
  if (broken === null) return DONE;
  run.remark(`${record}: ends where the page went another way when it was walked again: ${broken}`);
  return COULD_NOT;
}
