import { OutOfTime, type Patience } from "../core/worlds/patience.ts";
import type { Clock } from "../host/host.ts";

/** How long one component may take with all that it renders: what takes longer is left, and the others are looked at. */
export class RootPatience implements Patience {
  readonly #clock: Clock;
  readonly #milliseconds: number;
  #end = Number.POSITIVE_INFINITY;

  constructor(clock: Clock, seconds: number) {
    this.#clock = clock;
    this.#milliseconds = seconds * 1000;
  }

  begin(): void {
    this.#end = this.#clock.elapsed() + this.#milliseconds;
  }

  check(): void {
    if (this.#clock.elapsed() > this.#end) throw new OutOfTime();
  }
}
