import path from "node:path";
import { specimensElsewhere, specimensNeedRunning } from "../../core/findings/problems.ts";
import type { Engine } from "../../engine/engine.ts";
import { isSpecimenFile, type PageFile } from "../../engine/targets.ts";
import type { Collected } from "../../engine/unit.ts";
import { pageUnit } from "../../read/page-unit.ts";
import { collectRead } from "../../read/read-engine.ts";
import type { ReadingPlan } from "../../settings/plan.ts";
import { pageDriver } from "./page-driver.ts";
import { collectSpecimens } from "./specimen-units.ts";

const isSpecimens = ({ path: file }: PageFile): boolean => file !== null && isSpecimenFile(file);

/** Specimens, each mounted in a simulated window: those that a plan lets run, whatever else is done with the targets. */
export const specimenEngine: Engine = {
  takes: isSpecimens,
  async *collect(targets, plan, workplace) {
    const allowed: PageFile[] = [];
    for (const target of targets) {
      if (mayRun(target, plan)) allowed.push(target);
      else yield* refused(target, plan);
    }
    if (allowed.length === 0) return;
    if (plan.runs.specimens === "own") await workplace.onRuns(allowed);
    yield* collectSpecimens(allowed, plan, workplace);
  },
};

/** Pages that are read, and whose scripts are run and keys pressed in a simulated window. */
export const pageRenderEngine: Engine = {
  takes: (_, { runs }) => runs.pages,
  collect: (targets, plan, workplace) =>
    collectRead(targets, plan, workplace, (page, loaded, readingPlan, host) => {
      const unit = pageUnit(page, loaded, readingPlan);
      return {
        ...unit,
        subject: { ...unit.subject, engine: "render" },
        driver: pageDriver(page, loaded, readingPlan, host),
      };
    }),
};

/** Code is run only where it is asked for: by the plan, or by being part of the project one stands in. */
function mayRun({ path: file }: PageFile, { runs, ownFolder }: ReadingPlan): boolean {
  if (runs.specimens !== "own") return runs.specimens === "all";
  const within = path.relative(ownFolder, file ?? "");
  return !within.startsWith("..") && !path.isAbsolute(within);
}

/** What is said of specimens that are not run: only of those that are named, or that others would have run. */
function* refused({ name, isNamed }: PageFile, { runs }: ReadingPlan): Iterable<Collected> {
  if (runs.specimens === "own")
    yield { kind: "problem", problem: specimensElsewhere(name), isUnread: isNamed };
  else if (isNamed) yield { kind: "problem", problem: specimensNeedRunning(name), isUnread: true };
}
