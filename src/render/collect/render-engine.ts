import type { Engine } from "../../engine/engine.ts";
import { pageUnit } from "../../read/page-unit.ts";
import { collectRead } from "../../read/read-engine.ts";
import { pageDriver } from "./page-driver.ts";
import { SimulatedSpecimen } from "./specimen-units.ts";
import { findSpecimens, isSpecimens } from "./specimens.ts";

/** Specimens, each mounted in a simulated window anew each time that it is looked at. */
export const specimenEngine: Engine = {
  takes: (page, { browser }) => isSpecimens(page) && !browser.isForPages,
  async *collect(targets, plan, workplace) {
    for await (const found of findSpecimens(targets, plan, workplace, false))
      yield found.kind === "problem"
        ? found
        : {
            kind: "unit",
            unit: new SimulatedSpecimen(found.specimen, plan, workplace.host).unit,
            isOneOfSeveral: false,
          };
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
