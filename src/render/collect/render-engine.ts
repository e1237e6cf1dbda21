import path from "node:path";
import { specimensElsewhere, specimensNeedRunning, specimensNotRun } from "../../core/findings/problems.ts";
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
    let counted = 0;
    for (const target of targets) {
      if (mayRun(target, plan)) allowed.push(target);
      else if (plan.runs.specimens === "named") counted++;
      else yield* refused(target, plan);
    }
    if (counted > 0) yield { kind: "problem", problem: specimensNotRun(counted), isUnread: false };
    if (allowed.length === 0) return;
    workplace.onRuns(allowed);
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

/** Code is run only where it is asked for: by name, by the plan, or by the configuration of the project that it is part of. */
function mayRun({ path: file, target }: PageFile, { runs, ownFolder }: ReadingPlan): boolean {
  if (runs.specimens === "none" || runs.specimens === "all") return runs.specimens === "all";
  if (/\.specimen\b/i.test(target)) return true;
  if (runs.specimens === "named") return false;
  const within = path.relative(ownFolder, file ?? "");
  return !within.startsWith("..") && !path.isAbsolute(within);
}

/** What is said of specimens that are not run: only of those that are named, or that others would have run. */
function* refused({ name, isNamed }: PageFile, { runs }: ReadingPlan): Iterable<Collected> {
  if (runs.specimens === "own") yield { kind: "problem", problem: specimensElsewhere(name), isUnread: false };
  else if (isNamed) yield { kind: "problem", problem: specimensNeedRunning(name), isUnread: true };
}
