import type { ElementNode } from "../document/node.ts";
import type { Finding } from "../findings/verdict.ts";
import type { Decision } from "./decision.ts";
import type { ComposedTree, TreeElement } from "./tree.ts";
import {
  armIn,
  decisionsIn,
  documentIn,
  firstArms,
  lastArms,
  type World,
  type WorldDocument,
} from "./world.ts";

/** What checks say of one world. */
export type AuditWorld = (world: WorldDocument) => readonly Finding[];

/** A finding of a composed tree, true whatever is open, or with what it hangs on. */
export interface JudgedFinding {
  readonly finding: Finding;
  readonly element: TreeElement;
  /** The document it was found in. */
  readonly world: WorldDocument;
  readonly outcome: "failed" | "cantTell";
  /** What must hold for the fault to show; empty where it shows always. */
  readonly when: readonly string[];
}

/** How many worlds are looked at for one tree to find faults, and how many elements in all of them together. */
const MOST_WORLDS = 40;
const MOST_ELEMENTS = 40_000;

/** How many more of both to find out what faults hang on. */
const MORE_WORLDS = 160;
const MORE_ELEMENTS = 160_000;

/** What hangs on more than this at once is asked, however sure each is: hardly anybody gives all of it together. */
const MOST_TOGETHER = 2;

/** Of how many decisions of a tree each is turned to see whether a fault hangs on it. */
const MOST_TURNED = 10;

interface Seen {
  readonly world: World;
  readonly document: WorldDocument;
  readonly findings: ReadonlyMap<string, Finding>;
  readonly exists: ReadonlySet<TreeElement>;
}

/**
 * Judges a tree with decisions open. Failed is what fails however they fall, or in an arm that source names; what fails
 * in an arm that nothing names is a question. The tree is looked at with every first arm, with every last one, and with
 * each decision turned by itself.
 */
export function judgeTree(tree: ComposedTree, audit: AuditWorld): readonly JudgedFinding[] {
  const decisions = decisionsIn(tree.children);
  const seen = new Map<string, Seen>();
  const numbers = new Map<TreeElement, number>();
  let budget = MOST_ELEMENTS;
  let most = MOST_WORLDS;

  const keyOf = (finding: Finding, element: TreeElement): string => {
    let number = numbers.get(element);
    if (number === undefined) {
      number = numbers.size;
      numbers.set(element, number);
    }
    return `${finding.check} ${number}`;
  };

  function look(world: World): Seen | null {
    const key = decisions.map((decision) => armIn(world, decision)).join(",");
    const known = seen.get(key);
    if (known !== undefined) return known;
    if (seen.size > 1 && (budget <= 0 || seen.size >= most)) return null;
    const document = documentIn(tree, world);
    budget -= document.origins.size;
    const findings = new Map<string, Finding>();
    for (const finding of audit(document)) {
      const element = document.origins.get(finding.element);
      if (element !== undefined && (finding.outcome === "failed" || finding.outcome === "cantTell"))
        findings.set(keyOf(finding, element), finding);
    }
    const made = { world, document, findings, exists: new Set(document.origins.values()) };
    seen.set(key, made);
    return made;
  }

  look(firstArms);
  if (decisions.length > 0) look(lastArms);
  for (const decision of decisions)
    for (let arm = 1; arm < decision.arms.length; arm++) look(turned(firstArms, decision, arm));

  budget = MORE_ELEMENTS;
  most = seen.size + MORE_WORLDS;
  const judged = new Map<string, JudgedFinding>();
  for (const { world, document, findings } of [...seen.values()]) {
    for (const [key, finding] of findings) {
      const before = judged.get(key);
      if (before !== undefined && (before.outcome === "failed" || finding.outcome === "cantTell")) continue;
      const element = document.origins.get(finding.element as ElementNode);
      if (element === undefined) continue;
      const at = { finding, element, world: document };
      if (finding.outcome === "cantTell") judged.set(key, { ...at, outcome: "cantTell", when: [] });
      else judged.set(key, { ...at, ...hangsOn(key, element, world) });
    }
  }
  return [...judged.values()];

  /** Which decisions, turned by themselves, take a fault away. */
  function hangsOn(key: string, element: TreeElement, world: World): Pick<JudgedFinding, "outcome" | "when"> {
    const own = decisionsIn([element]);
    const near = [...new Map([...own, ...decisions].map((decision) => [decision.id, decision])).values()];
    const rescuing: Decision[] = [];
    let isSure = true;
    for (const decision of near.slice(0, Math.max(own.length, MOST_TURNED))) {
      const here = armIn(world, decision);
      const rescues = decision.arms.some((_, arm) => {
        if (arm === here) return false;
        const other = look(turned(world, decision, arm));
        // What was not looked at might take the fault away.
        if (other === null) isSure = false;
        return other?.exists.has(element) === true && other.findings.get(key)?.outcome !== "failed";
      });
      if (rescues) rescuing.push(decision);
      if (!isSure || !(rescues ? decision.named : true)) break;
    }
    return {
      outcome:
        isSure && rescuing.length <= MOST_TOGETHER && rescuing.every((decision) => decision.named)
          ? "failed"
          : "cantTell",
      when: rescuing.map((decision) => decision.arms[armIn(world, decision)] ?? ""),
    };
  }
}

const turned = ({ chosen, rest }: World, decision: Decision, arm: number): World => ({
  chosen: new Map(chosen).set(decision.id, arm),
  rest,
});
