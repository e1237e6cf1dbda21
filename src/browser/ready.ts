import { NO } from "../core/css/certainty.ts";
import { elementsMatching } from "../core/css/elements-matching.ts";
import { neverReady, type Problem } from "../core/findings/problems.ts";
import type { Scene } from "../core/scene/scene.ts";
import { heardPartsOf } from "../core/semantics/heard-line.ts";
import { isHeardAs } from "../core/walk-script/match.ts";
import type { ReadySign } from "../settings/plan.ts";
import { calledIn, type Looking, type SeenPage, type ServedPage } from "./seen-page.ts";

/** How often a page is looked at that is not ready yet. Milliseconds. */
const BETWEEN_LOOKS = 300;

/** A page has not shown in its time what it is to be looked at with. */
export class NeverReady extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.message);
    this.problem = problem;
  }
}

/** What a page shows once it is ready: where it must show something first it is looked at again and again. */
export async function shownWhenReady(served: ServedPage, looking: Looking): Promise<SeenPage> {
  const { browser, timeLimit } = looking.plan;
  const { readyWhen } = browser;
  const end = performance.now() + timeLimit * 1000;
  for (;;) {
    const seen = await served.shown(looking.window);
    const scene = seen.documents[0]?.unit.scene;
    if (readyWhen === null || (scene !== undefined && isReady(scene, readyWhen))) return seen;
    if (performance.now() > end)
      throw new NeverReady(neverReady(calledIn(looking), readyWhen.written, timeLimit));
    await new Promise((done) => setTimeout(done, BETWEEN_LOOKS));
  }
}

/** Whether a page shows what tells that it is ready. */
export function isReady(scene: Scene, sign: ReadySign): boolean {
  const { page, presence, document } = scene;
  const candidates =
    sign.kind === "picked"
      ? (elementsMatching(page.index, [document], sign.selector) ?? [])
      : page.index.elements.filter((element) => isHeardAs(heardPartsOf(scene, element), sign.heard));
  return candidates.some((element) => presence.of(element).visible !== NO);
}
