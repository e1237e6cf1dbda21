import type { Host } from "../host/host.ts";
import { Workspace } from "../host/workspace.ts";
import { loadSources } from "../read/load-sources.ts";
import { auditPlan } from "../settings/plan.ts";
import { Claims, type SharedAnswer, type SharedRequest, sharedKinds } from "./shared-work.ts";
import { type Phase, SourcesAudit } from "./sources-audit.ts";

/** How a thread speaks with the one that started it. */
export interface Line {
  readonly answer: (answer: SharedAnswer) => void;
  /** @param hear is given the places that are shown meanwhile */
  readonly onTold: (hear: (shown: readonly string[]) => void) => void;
}

/** Judges what no other thread has taken: roots first, and once it is told what they show, what they leave. */
export async function judgeShared(request: SharedRequest, host: Host, line: Line): Promise<void> {
  const { recipe, checks, trials, entries, claims } = request;
  const shown = new Set<string>();
  const isTold = new Promise<void>((resolve) =>
    line.onTold((places) => {
      for (const place of places) shown.add(place);
      resolve();
    }),
  );
  const planned = auditPlan(recipe.targets, recipe.options, recipe.circumstances);
  if (!planned.ok) return;
  const wanted = new Set(checks);
  const plan = {
    ...planned.value.plan,
    trials,
    checks: planned.value.plan.checks.filter(({ id }) => wanted.has(id)),
  };
  const kept: SharedAnswer["kept"][number][] = [];
  const workspace = new Workspace((...one) => {
    if (sharedKinds.has(one[0])) kept.push(one);
  });
  const audit = new SourcesAudit(await loadSources(entries, plan, host, workspace), plan, host, workspace);
  const doAll = async (phase: Phase): Promise<void> => {
    const components = audit.componentsOf(phase);
    const free = new Claims(claims[phase]);
    for (;;) {
      const index = free.takeNext(components.length);
      const found = index === null ? undefined : components[index];
      if (index === null || found === undefined) return;
      audit.judge(phase, found, shown);
      line.answer({ phase, index, kept: kept.splice(0), faults: [...audit.faults] });
      audit.faults.clear();
      // What is told meanwhile is heard.
      await host.clock.rest();
    }
  };
  await doAll("root");
  await isTold;
  await doAll("unreached");
}
