import { checkWith } from "../core/checks/catalogue.ts";
import { usualSettings } from "../core/checks/check.ts";
import { focusShows } from "../core/checks/keys/focus-shows.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import { isDrawnOtherwise, lookAround } from "./focus-marks.ts";
import { stateOf } from "./page-state.ts";
import type { StateAudit, Suspicion } from "./state-audit.ts";
import type { Trials } from "./trial.ts";

const arrows = ["ArrowRight", "ArrowDown", "ArrowLeft", "ArrowUp"];

/**
 * Presses arrows with focus on nothing, in each state in which only a pointer uses something while keys are heard everywhere:
 * where they move anything, what a pointer presses may be what they lead to, and it is a question.
 */
export async function tryArrows(audit: StateAudit | null, trials: Trials): Promise<void> {
  for (const { moves, finding } of audit?.leftToKeys ?? []) {
    const isMoved = await trials.after(moves, async (page) => {
      await page.rest();
      const before = await stateOf(page);
      for (const arrow of arrows) await page.press(arrow);
      return trials.changes(before, await stateOf(page)).length > 0;
    });
    audit?.findings.push(
      isMoved
        ? {
            ...finding,
            outcome: "cantTell",
            message: `Arrow keys do something here wherever focus is. Do they lead to this, too? If not: ${finding.message}`,
          }
        : finding,
    );
  }
}

/** Presses Tab for what the checks of source suspect of its stops, in the state in which they do. */
export async function proveSuspicions(audit: StateAudit | null, trials: Trials): Promise<void> {
  const states = new Map<string, Suspicion[]>();
  for (const suspicion of audit?.suspicions ?? []) {
    const state = JSON.stringify(suspicion.moves);
    states.set(state, [...(states.get(state) ?? []), suspicion]);
  }
  const told = new Set<string>();
  for (const all of states.values()) {
    const suspected = all.filter(({ place }) => !told.has(place));
    if (suspected.length === 0) continue;
    const proved = await trials.after(suspected[0]?.moves ?? [], (page) => provedBy(page, suspected));
    for (const { place, finding } of suspected.filter((one) => proved.has(one))) {
      told.add(place);
      audit?.findings.push(finding);
    }
  }
}

/** What still holds where Tab comes to rest, from wherever focus is and once around. */
async function provedBy(page: Driver, suspected: readonly Suspicion[]): Promise<ReadonlySet<Suspicion>> {
  const proved = new Set<Suspicion>();
  const most = (await page.moment()).stops().length + 2;
  for (let n = 0; n < most; n++) {
    const before = await page.moment();
    const from = await page.focused();
    await page.press("Tab");
    const now = await page.focused();
    const after = await page.moment();
    for (const one of suspected)
      if (one.key === now && from !== now && holds(one, before, after)) proved.add(one);
  }
  return proved;
}

/** Tab itself may show or close what is suspected, and scripts may draw where focus is. */
function holds({ key, finding }: Suspicion, before: Moment, after: Moment): boolean {
  const element = after.element(key);
  const check = checkWith(finding.check);
  if (element === null || check?.kind !== "page") return false;
  if (check.judge(element, after.scene, usualSettings).outcome !== finding.outcome) return false;
  return check.id !== focusShows.id || !isDrawnOtherwise(lookAround(before, key), lookAround(after, key));
}
