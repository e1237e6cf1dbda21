import { browserEngine } from "../browser/browser-engine.ts";
import { brokenOffPages, type Problem } from "../core/findings/problems.ts";
import type { Engine, Workplace } from "../engine/engine.ts";
import { findPages, type PageFile } from "../engine/targets.ts";
import type { Collected, OnPage } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import { Workspace } from "../host/workspace.ts";
import { readEngine } from "../read/read-engine.ts";
import { pageRenderEngine, specimenEngine } from "../render/collect/render-engine.ts";
import type { ReadingPlan } from "../settings/plan.ts";

/** Every engine there is; the first that takes a target collects it. */
const engines: readonly Engine[] = [specimenEngine, browserEngine, pageRenderEngine, readEngine];

/** How a question is asked, beside what it is about. */
export interface Asking {
  readonly onPage?: OnPage;
  /** Called before the code of specimens is run. */
  readonly onRuns?: Workplace["onRuns"];
  /** Told what whoever runs this should know once. */
  readonly onNote?: Workplace["onNote"];
  readonly signal?: AbortSignal | undefined;
  /** When it is aborted, what was found so far is the answer. */
  readonly enough?: AbortSignal | undefined;
  /** What was made for earlier questions; nothing is known without one. */
  readonly workspace?: Workspace;
  /** Pages that were found before; targets are not looked at then. */
  readonly pages?: readonly PageFile[];
}

export interface Collection {
  /** What was wrong with the targets themselves. */
  readonly problems: readonly Problem[];
  /** What was left out on purpose. */
  readonly remarks: readonly Problem[];
  /** One for each engine that has targets, read before mounted: they may be followed at the same time. */
  readonly streams: readonly AsyncIterable<Collected>[];
  readonly enough: AbortSignal | undefined;
}

/** Finds the targets of a plan and gives each to the engine that takes it. */
export async function collect(plan: ReadingPlan, host: Host, asking: Asking = {}): Promise<Collection> {
  const {
    onPage = () => {},
    onRuns = () => {},
    onNote = () => {},
    signal,
    workspace = new Workspace(),
  } = asking;
  const { pages: known } = asking;
  const { pages, problems, remarks } =
    known === undefined ? await findPages(plan, host) : { pages: known, problems: [], remarks: [] };
  const byEngine = new Map<Engine, PageFile[]>();
  for (const page of pages) {
    const engine = engines.find((one) => one.takes(page, plan)) ?? readEngine;
    byEngine.set(engine, [...(byEngine.get(engine) ?? []), page]);
  }
  // Its sitemaps say what else there is.
  if (plan.browser.sitemaps.length > 0 && !byEngine.has(browserEngine)) byEngine.set(browserEngine, []);
  // What is read is told before what is mounted.
  const inOrder = engines.toReversed().filter((engine) => byEngine.has(engine));
  return {
    problems,
    remarks: [...plan.remarks, ...remarks],
    enough: asking.enough,
    streams: inOrder.map((engine) =>
      engine.collect(byEngine.get(engine) ?? [], plan, { host, workspace, onPage, onRuns, onNote, signal }),
    ),
  };
}

/** What came of looking at targets: everything that went wrong, and whether some could not be looked at. */
export interface CollectOutcome {
  readonly problems: readonly Problem[];
  readonly incomplete: boolean;
}

/** How many units are acted on at the same time: windows are slow, and what they are opened for waits for them. */
const MOST_ACTED_ON = 8;

/**
 * Follows all streams at once, and gives what was made of each unit in the order of the targets. What is only read is done
 * with before the next is read.
 * @param take what is made of what an engine comes to, and what goes wrong on the way
 */
export async function gather<T>(
  { problems, remarks, streams, enough }: Collection,
  take: (
    collected: Exclude<Collected, { readonly kind: "problem" }>,
    outcome: Outcome,
  ) => Promise<readonly T[]>,
): Promise<CollectOutcome & { readonly gathered: readonly T[] }> {
  const followed = await Promise.all(
    streams.map(async (stream) => {
      const results: { readonly outcome: Outcome; parts: readonly T[] }[] = [];
      const last: typeof results = [];
      const waiting = new Set<Promise<void>>();
      for await (const collected of stream) {
        const entry: (typeof results)[number] = { outcome: new Outcome(), parts: [] };
        if (enough?.aborted === true) {
          entry.outcome.note([brokenOffPages(results.length)], false);
          results.push(entry);
          break;
        }
        // Component source is told after the pages, though it must be read first: it says what is no page.
        if (collected.kind === "sources") last.push(entry);
        else results.push(entry);
        if (collected.kind === "problem") {
          entry.outcome.note([collected.problem], !collected.isUnread);
          continue;
        }
        const done = take(collected, entry.outcome)
          .then((parts) => {
            entry.parts = parts;
            waiting.delete(done);
          })
          .finally(() => collected.kind === "unit" && collected.unit.letGo?.());
        waiting.add(done);
        if (collected.kind === "sources" || collected.unit.driver === null) await done;
        else if (waiting.size >= MOST_ACTED_ON) await Promise.race(waiting);
      }
      await Promise.all(waiting);
      return [...results, ...last];
    }),
  );
  const entries = followed.flat();
  return {
    gathered: entries.flatMap(({ parts }) => parts),
    problems: [...problems, ...remarks, ...entries.flatMap(({ outcome }) => outcome.problems)],
    incomplete: problems.length > 0 || entries.some(({ outcome }) => outcome.isIncomplete),
  };
}

/** What goes wrong on the way through one thing that was collected. */
export class Outcome {
  readonly problems: Problem[] = [];
  isIncomplete = false;

  note(problems: readonly Problem[], isComplete: boolean): void {
    this.problems.push(...problems);
    this.isIncomplete ||= !isComplete;
  }
}
