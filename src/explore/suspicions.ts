import type { Driver } from "../engine/driver.ts";
import type { StateAudit } from "./state-audit.ts";
import type { Trials } from "./trial.ts";

/** Presses Tab for what the checks of source suspect of its stops, in the state in which they do. */
export async function proveSuspicions(audit: StateAudit | null, trials: Trials): Promise<void> {
  const rests = new Map<string, ReadonlySet<string>>();
  for (const { key, moves, finding } of audit?.suspicions ?? []) {
    const state = JSON.stringify(moves);
    const reached = rests.get(state) ?? (await trials.after(moves, stopsOf));
    rests.set(state, reached);
    if (reached.has(key)) audit?.findings.push(finding);
  }
}

/** Where Tab comes to rest, from wherever focus is and once around. */
async function stopsOf(page: Driver): Promise<ReadonlySet<string>> {
  const reached = new Set<string>();
  const most = (await page.moment()).stops().length + 2;
  for (let n = 0; n < most; n++) {
    await page.press("Tab");
    const now = await page.focused();
    if (now !== null) reached.add(now);
  }
  return reached;
}
