import type { Problem } from "../core/findings/problems.ts";
import type { PageFile } from "../engine/targets.ts";
import type { Host, Thread } from "../host/host.ts";
import type { Workspace } from "../host/workspace.ts";
import type { AuditPlan, Recipe } from "../settings/plan.ts";
import type { Phase, SourcesAudit } from "./sources-audit.ts";

/** What a thread that judges component source is given: plain data. */
export interface SharedRequest {
  readonly recipe: Recipe;
  /** What the plan has been changed to since it was made. */
  readonly checks: readonly string[];
  readonly trials: AuditPlan["trials"];
  readonly workingDirectory: string;
  readonly entries: readonly PageFile[];
  readonly claims: Readonly<Record<Phase, SharedArrayBuffer>>;
}

/** What came of one component in a thread: what it has kept, and why nothing came of it where nothing did. */
export interface SharedAnswer {
  readonly phase: Phase;
  readonly index: number;
  readonly kept: readonly (readonly [kind: string, name: string, key: string, value: unknown])[];
  readonly faults: readonly (readonly [place: string, problem: Problem])[];
}

/** Kinds of what is kept that are plain data, and can be copied from thread to thread. */
export const sharedKinds: ReadonlySet<string> = new Set(["root", "alone", "places", "unreached"]);

/** With fewer files another thread takes longer to start than it saves. */
const MANY = 200;

/** Each thread reads all source for itself: more of them save little, and take memory. */
const MOST_THREADS = 4;

/** More than any project has components: so that threads can start before they are counted. */
const MOST_COMPONENTS = 65_536;

/** Which of the components are taken already, by whichever thread. */
export class Claims {
  readonly #taken: Uint8Array;
  #next = 0;

  constructor(memory: SharedArrayBuffer) {
    this.#taken = new Uint8Array(memory);
  }

  /** Whether it was free, and is ours now. */
  take(index: number): boolean {
    return index >= this.#taken.length || Atomics.compareExchange(this.#taken, index, 0, 1) === 0;
  }

  /** Takes the first that is free of so many; null where none is. */
  takeNext(count: number): number | null {
    const end = Math.min(count, this.#taken.length);
    while (this.#next < end) {
      const index = this.#next++;
      if (this.take(index)) return index;
    }
    return null;
  }
}

/** Starts threads that share the judging of component source; null where one alone is sooner done. */
export function sharedWork(
  plan: AuditPlan,
  { threads, workingDirectory }: Host,
  entries: readonly PageFile[],
  stops: readonly (AbortSignal | undefined)[],
): SharedWork | null {
  // One core is left to whatever else there is to do.
  const count = plan.workers ?? Math.min(MOST_THREADS, (threads?.cores ?? 1) - 1);
  if (threads === null || count < 2 || entries.length < MANY) return null;
  const memory = () => new SharedArrayBuffer(MOST_COMPONENTS);
  const claims = { root: memory(), unreached: memory() };
  const request: SharedRequest = {
    recipe: plan.recipe,
    checks: plan.checks.map(({ id }) => id),
    trials: plan.trials,
    workingDirectory,
    entries,
    claims,
  };
  const others = Array.from({ length: count - 1 }, () => threads.start("sources-worker", request));
  return new SharedWork(others, claims, stops);
}

/**
 * The judging of component source by several threads. Each judges by itself what is free next, ahead of its turn, and what it
 * keeps is kept here too: this thread then goes through all in order and finds what was made. What hangs on the order (what
 * earlier roots show) is part of the key, so that the answer is the same with any number of threads.
 */
export class SharedWork {
  readonly #threads: readonly Thread[];
  readonly #claims: Readonly<Record<Phase, Claims>>;
  readonly #stopped: Promise<unknown>;
  readonly #answered = new Set<string>();
  #isBroken = false;
  #audit: SourcesAudit | null = null;
  #workspace: Workspace | null = null;
  #shown: ReadonlySet<string> = new Set();

  constructor(
    threads: readonly Thread[],
    claims: SharedRequest["claims"],
    stops: readonly (AbortSignal | undefined)[],
  ) {
    this.#threads = threads;
    this.#claims = { root: new Claims(claims.root), unreached: new Claims(claims.unreached) };
    this.#stopped = Promise.race(
      stops.map((stop) => new Promise((resolve) => stop?.addEventListener("abort", resolve, { once: true }))),
    ).then(() => {
      this.#isBroken = true;
    });
  }

  /** @param shown the places that are shown so far; it grows */
  begin(audit: SourcesAudit, workspace: Workspace, shown: ReadonlySet<string>): void {
    this.#audit = audit;
    this.#workspace = workspace;
    this.#shown = shown;
  }

  /** Tells the threads of places that are shown: they begin with what roots leave once they are told for the first time. */
  tell(places: Iterable<string>): void {
    const shown = [...places];
    for (const thread of this.#threads) thread.post(shown);
  }

  /** Takes one out that need not be done. */
  pass(phase: Phase, index: number): void {
    this.#claims[phase].take(index);
  }

  /** Waits until one is done where another thread has taken it, and does others meanwhile. */
  async done(phase: Phase, index: number): Promise<void> {
    if (this.#claims[phase].take(index)) return;
    for (;;) {
      for (const thread of this.#threads)
        for (const one of thread.received()) this.#receive(one as SharedAnswer);
      // Where a thread has ended, what it had taken is done here.
      if (this.#isBroken || this.#answered.has(answerKey(phase, index))) return;
      if (!this.#doNext(phase)) await this.#speak();
      else await new Promise((resolve) => setImmediate(resolve));
    }
  }

  end(): void {
    for (const thread of this.#threads) thread.end();
  }

  #doNext(phase: Phase): boolean {
    const audit = this.#audit;
    const components = audit?.componentsOf(phase) ?? [];
    const next = this.#claims[phase].takeNext(components.length);
    const found = next === null ? undefined : components[next];
    if (audit === null || next === null || found === undefined) return false;
    audit.judge(phase, found, this.#shown);
    this.#answered.add(answerKey(phase, next));
    return true;
  }

  async #speak(): Promise<void> {
    const speaking = this.#threads.map(async (thread) => {
      if (!(await thread.speaks())) this.#isBroken = true;
    });
    await Promise.race([...speaking, this.#stopped]);
  }

  #receive({ phase, index, kept, faults }: SharedAnswer): void {
    for (const [kind, name, key, value] of kept) this.#workspace?.put(kind, name, key, value);
    for (const [place, problem] of faults) this.#audit?.faults.set(place, problem);
    this.#answered.add(answerKey(phase, index));
  }
}

const answerKey = (phase: Phase, index: number): string => `${phase} ${index}`;
