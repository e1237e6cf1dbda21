import { plannedReading } from "../answers/planned.ts";
import { type PageTree, trees } from "../answers/tree.ts";
import { COULD_NOT, DONE, type Status } from "./io.ts";
import { readingOf, targetsOf } from "./options.ts";
import type { RunContext } from "./run-context.ts";

/** The trees of the pages asked for, and how that went; no pages where the request cannot be answered, which was said. */
export async function askedTrees(
  args: { readonly targets: readonly string[] } & Parameters<typeof readingOf>[0],
  run: RunContext,
): Promise<{ readonly pages: readonly PageTree[] | null; readonly status: Status }> {
  const planned = await plannedReading(targetsOf(args.targets), readingOf(args), run.host);
  if (!planned.ok) return { pages: null, status: run.refuse(planned.problem) };
  const { pages, problems, incomplete } = await trees(planned.value.plan, run.host, {
    onPage: run.onPage,
    onRuns: run.onRuns,
    onNote: run.onNote,
  });
  run.clearProgress();
  run.reportProblems(problems);
  return { pages, status: incomplete ? COULD_NOT : DONE };
}
