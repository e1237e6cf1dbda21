import { plannedAudit } from "../answers/planned.ts";
import { countKeys, type PageWalk, walk } from "../answers/walk.ts";
import { type Result, refusal } from "../core/findings/problems.ts";
import type { WalkScript } from "../core/walk-script/parse.ts";
import { isSpecimenFile } from "../engine/targets.ts";
import { walkScriptIn } from "../engine/walk-file.ts";
import { walkJson } from "../report/json/walk.ts";
import { walkSvg } from "../report/svg/walk.ts";
import { walksOver } from "../report/svg/walk-over.ts";
import { countText, scriptText, walkText } from "../report/terminal/walk.ts";
import { keyPlan } from "../settings/plan.ts";
import { COULD_NOT, DONE, FOUND, type Io, type Status } from "./io.ts";
import { jsonDocuments } from "./json-documents.ts";
import { listOf, readingOf, targetsOf } from "./options.ts";
import { RunContext } from "./run-context.ts";
import type { WalkArguments } from "./walk.ts";

export async function runWalk(args: WalkArguments, io: Io): Promise<Status> {
  const run = new RunContext(io, args);
  if (args.follow === true || args.record !== undefined) return followed(args, run, io);
  const script: Result<WalkScript | null> =
    args.script === undefined
      ? { ok: true, value: null }
      : await walkScriptIn(args.script, run.host, process.env);
  if (!script.ok) return run.refuse(script.problem);
  const { shows, targets } = eventsAndTargets(args);
  const planned = await plannedAudit(targets, optionsOf(args), run.host);
  if (!planned.ok) return run.refuse(planned.problem);
  const plan = keyPlan(planned.value.plan);
  const answer = await walk(
    {
      ...plan,
      targets: plan.targets.map((target) => opening(target, script.value)),
      direction: args.back ? "backwards" : "forwards",
      from: args.from ?? null,
      script: script.value?.steps ?? null,
    },
    run.host,
    { onPage: run.onPage, onRuns: run.onRuns, onNote: run.onNote },
  );
  run.clearProgress();
  if (!answer.ok) return run.refuse(answer.message);
  const { walks, problems, incomplete } = answer;
  run.reportProblems(problems);
  const isBroken = walks.some((page) => page.script?.some(({ outcome }) => outcome === "failed"));
  const status = incomplete ? COULD_NOT : isBroken ? FOUND : DONE;
  if (args.format === "svg" || args.format === "png") {
    const [page, another] = walks;
    if (another !== undefined)
      return run.refuse(`${args.format} draws one page, and the targets name ${walks.length}; name one`);
    if (page?.picture != null)
      return run.draw(walksOver(page, page.picture), args.format, plan.browser.named, status);
    if (args.format === "png")
      return page === undefined
        ? status
        : run.refuse("png draws over the page as a browser paints it: add --engine browser");
  }
  const written = writtenWalks(walks, args, shows, run);
  if (!written.ok) return run.refuse(written.problem);
  return run.deliver(written.value, status);
}

/** What somebody does in a window is told, and written down where that is wanted. */
async function followed(args: WalkArguments, run: RunContext, io: Io): Promise<Status> {
  if (args.script !== undefined) return run.refuse("--follow is walked by you: leave --script away");
  if (args.format !== "terminal") return run.refuse("--follow tells line by line: leave --format away");
  const { targets, kinds } = eventsAndTargets(args);
  const asked = { ...readingOf(args), engine: "browser" as const, press: true, events: kinds };
  const planned = await plannedAudit(targets, asked, run.host);
  if (!planned.ok) return run.refuse(planned.problem);
  const { plan } = planned.value;
  const { runFollow } = await import("./walk-follow.ts");
  return runFollow(plan, { kinds: plan.events, record: args.record ?? null }, run, io);
}

/** `--events page.html`: a word that is no list of events is a target, and all events are meant. */
function eventsAndTargets({ events, targets, follow }: WalkArguments): {
  readonly targets: readonly string[];
  readonly kinds: readonly string[] | undefined;
  readonly shows: boolean;
} {
  const isTarget = events !== undefined && events !== "" && follow !== true && /[./]/.test(events);
  return {
    targets: targetsOf([...(targets ?? []), ...(isTarget ? [events] : [])]),
    kinds: events === "" ? undefined : listOf(events),
    shows: events !== undefined,
  };
}

/** A script presses keys in a window: so the scripts of a page are run for it. */
const optionsOf = (args: WalkArguments) => ({
  ...readingOf(args),
  pictures: args.format === "svg" || args.format === "png",
  ...(args.script === undefined || args.engine === "browser" ? {} : { engine: "render" as const }),
});

function writtenWalks(
  walks: readonly PageWalk[],
  args: WalkArguments,
  events: boolean,
  { paint }: RunContext,
): Result<Iterable<string>> {
  const { count } = args;
  if (count !== undefined && args.format === "terminal") {
    const counts = walks.map((page) => ({ page, keys: countKeys(page, count) }));
    const refused = counts.find(({ keys }) => typeof keys === "string")?.keys;
    if (typeof refused === "string") return refusal(refused);
    const notes = counts.flatMap(({ page, keys }) =>
      typeof keys === "string" ? [] : [countText(page.target, keys, paint)],
    );
    return { ok: true, value: [notes.join("\n")] };
  }
  const view = { paint, all: args.all, keys: args.keys, events };
  const writers = {
    json: () => jsonDocuments(walks.map((page) => [walkJson(page)])),
    svg: () => walks.map(walkSvg),
    png: () => [],
    terminal: () => [
      walks
        .map((page) => (page.script === null ? walkText(page, view) : scriptText(page, page.script, paint)))
        .join("\n"),
    ],
  } satisfies Record<WalkArguments["format"], () => Iterable<string>>;
  return { ok: true, value: writers[args.format]() };
}

/** The specimen that a script opens, where a target names all those of a file. */
const opening = (target: string, script: WalkScript | null): string =>
  script?.opens == null || !isSpecimenFile(target) ? target : `${target}#${script.opens}`;
