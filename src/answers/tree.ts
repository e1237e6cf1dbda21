import type { Scene } from "../core/scene/scene.ts";
import { accessibilityTree, type ElementTreeNode } from "../core/semantics/tree.ts";
import type { Unit } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { type Asking, type CollectOutcome, collect, gather, type Outcome } from "./collect.ts";
import { SourceTexts } from "./element-answer.ts";

/** One page as assistive technology is given it. */
export interface PageTree {
  readonly target: string;
  readonly scene: Scene;
  readonly root: ElementTreeNode;
  readonly texts: SourceTexts;
}

export interface TreeAnswer extends CollectOutcome {
  readonly pages: readonly PageTree[];
}

/** The accessibility tree of every page the targets name. */
export async function trees(plan: ReadingPlan, host: Host, asking: Asking = {}): Promise<TreeAnswer> {
  const collection = await collect(plan, host, asking);
  const { gathered, ...outcome } = await gather<PageTree>(collection, async (collected, own) => {
    const units = collected.kind === "unit" ? [collected.unit] : await collected.targets.units();
    const trees = await Promise.all(units.map((unit) => treeOf(unit, own)));
    return trees.flatMap((one) => one ?? []);
  });
  return { pages: gathered, ...outcome };
}

async function treeOf(unit: Unit, outcome: Outcome): Promise<PageTree | null> {
  const {
    documents,
    texts: more,
    problems,
    isComplete,
  } = await (unit.driver === null ? unit.documents() : unit.driver.shown());
  outcome.note(problems, isComplete);
  const [document] = documents;
  const root = document === undefined ? null : accessibilityTree(document.scene);
  if (document === undefined || root === null) return null;
  const texts = SourceTexts.of(unit.texts, more);
  return { target: unit.subject.id, scene: document.scene, root, texts };
}
