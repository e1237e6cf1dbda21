import type { Host } from "../host/host.ts";
import type { Workspace } from "../host/workspace.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import type { PageFile } from "./targets.ts";
import type { Collected, OnPage } from "./unit.ts";

/** Where work is done. */
export interface Workplace {
  readonly host: Host;
  /** What was made before, and may be made use of again. */
  readonly workspace: Workspace;
  readonly onPage: OnPage;
  /** Called before the code of specimens is run. */
  readonly onRuns: (files: readonly PageFile[]) => void;
  /** Says something that whoever runs this should know once. */
  readonly onNote: (text: string) => void;
  /** Ends the work early: what is under way is given up, and nothing more is begun. */
  readonly signal: AbortSignal | undefined;
}

/** A way to look at targets: everything after it is the same for all of them. */
export interface Engine {
  /** Whether it takes a target, under a plan. The first engine that does collects it. */
  takes(target: PageFile, plan: ReadingPlan): boolean;
  /** Turns targets into units, in their order. What cannot be looked at is a problem; the rest is collected all the same. */
  collect(targets: readonly PageFile[], plan: ReadingPlan, workplace: Workplace): AsyncIterable<Collected>;
}
