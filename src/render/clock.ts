/** A window as far as its clock goes; jsdom has no types of its own here. */
// biome-ignore lint/suspicious/noExplicitAny: a simulated window has whatever its scripts put there
export type AnyWindow = any;

/** The day it is in every simulated window: a Monday, so that two runs see the same page. */
const TODAY = Date.UTC(2026, 10, 23, 9, 0, 0);

const FRAME = 16;

interface Task {
  readonly dueAt: number;
  readonly order: number;
  readonly run: () => void;
  /** Milliseconds after which it comes again; null for once. */
  readonly every: number | null;
}

const A_SECOND = 1000;

/**
 * The time of a simulated window: timers and frames run when the window is let settle, in order and at once, so that
 * animations end without anybody waiting for them.
 */
export class VirtualClock {
  #now = 0;
  #next = 1;
  readonly #tasks = new Map<number, Task>();
  readonly #onError: (error: unknown) => void;

  constructor(onError: (error: unknown) => void) {
    this.#onError = onError;
  }

  install(window: AnyWindow): void {
    const clock = this;
    const add = (run: unknown, after: unknown, every: boolean, args: readonly unknown[]): number => {
      const id = this.#next++;
      const wait = Math.max(every ? 1 : 0, Number(after) || 0);
      const call = typeof run === "function" ? () => run.apply(window, args) : () => window.eval(String(run));
      this.#tasks.set(id, { dueAt: this.#now + wait, order: id, run: call, every: every ? wait : null });
      return id;
    };
    const remove = (id: unknown) => void this.#tasks.delete(Number(id));
    window.setTimeout = (run: unknown, after?: unknown, ...args: unknown[]) => add(run, after, false, args);
    window.setInterval = (run: unknown, after?: unknown, ...args: unknown[]) => add(run, after, true, args);
    window.requestAnimationFrame = (run: (time: number) => void) =>
      add(() => run(this.#now), FRAME, false, []);
    window.requestIdleCallback = (run: (deadline: object) => void) =>
      add(() => run({ didTimeout: false, timeRemaining: () => FRAME }), 1, false, []);
    for (const name of ["clearTimeout", "clearInterval", "cancelAnimationFrame", "cancelIdleCallback"])
      window[name] = remove;
    const RealDate = window.Date as DateConstructor;
    window.Date = class extends RealDate {
      constructor(...args: unknown[]) {
        // Without arguments it is now.
        super(...((args.length === 0 ? [TODAY + clock.#now] : args) as [number]));
      }
      static override now(): number {
        return TODAY + clock.#now;
      }
    };
    Object.defineProperty(window.performance, "now", { value: () => this.#now, configurable: true });
  }

  /** Work takes time: frameworks tell what they set up before an event from what they set up in it. */
  tick(): void {
    this.#now++;
  }

  /**
   * Lets time go by until nothing is due any more.
   * @param goesElsewhere whether the window may go to other places of its page: it does so in a turn of the real clock
   * @param milliseconds how far, in the window's own time
   * @param most how many tasks at most: a page may go on for ever
   * @returns whether nothing was due any more in the end
   */
  async settle(goesElsewhere: boolean, milliseconds = A_SECOND, most = 2000): Promise<boolean> {
    const end = this.#now + milliseconds;
    for (let turn = 0; goesElsewhere && turn < 2; turn++)
      await new Promise<void>((resolve) => setTimeout(resolve, 0));
    for (let done = 0; done < most; done++) {
      // What promises have waiting comes first.
      await new Promise<void>((resolve) => setImmediate(resolve));
      const due = this.#due(end);
      if (due === null) return true;
      const [id, task] = due;
      this.#now = Math.max(this.#now, task.dueAt);
      if (task.every === null) this.#tasks.delete(id);
      else this.#tasks.set(id, { ...task, dueAt: this.#now + task.every });
      try {
        task.run();
      } catch (error) {
        this.#onError(error);
      }
    }
    return false;
  }

  /** Lets a second go by, whether anything is due in it or not. */
  async pass(goesElsewhere: boolean): Promise<boolean> {
    const end = this.#now + A_SECOND;
    const rests = await this.settle(goesElsewhere);
    this.#now = Math.max(this.#now, end);
    return rests;
  }

  #due(end: number): readonly [number, Task] | null {
    let first: readonly [number, Task] | null = null;
    for (const entry of this.#tasks)
      if (
        entry[1].dueAt <= end &&
        (first === null ||
          entry[1].dueAt < first[1].dueAt ||
          (entry[1].dueAt === first[1].dueAt && entry[1].order < first[1].order))
      )
        first = entry;
    return first;
  }
}
