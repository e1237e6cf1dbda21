import type { ElementNode } from "../document/node.ts";
import type { Finding } from "../findings/verdict.ts";
import type { Condition } from "./condition.ts";
import type { Decision } from "./decision.ts";
import { type Filling, filled, fillings, hasHoles } from "./probe.ts";
import type { ComposedTree, TreeElement, TreeNode } from "./tree.ts";
import {
  armIn,
  decisionsIn,
  documentIn,
  firstArms,
  lastArms,
  type Way,
  type World,
  type WorldDocument,
  waysIn,
} from "./world.ts";

/** What checks say of one world; of all that run, or of those that are named. */
export type AuditWorld = (world: WorldDocument, only?: ReadonlySet<string>) => readonly Finding[];

/** A finding of a composed tree, true whatever is open, or with what it hangs on. */
export interface JudgedFinding {
  readonly finding: Finding;
  readonly element: TreeElement;
  /** The document it was found in. */
  readonly world: WorldDocument;
  readonly outcome: "failed" | "cantTell";
  /** What must hold for the fault to show; empty where it shows always. */
  readonly when: readonly Condition[];
  /** Whether it shows only where a caller leaves something out. */
  readonly isLeftToCalls: boolean;
  /** Whether what source leaves out may take it away. */
  readonly mayBeMended: boolean;
  /** How every decision of the tree fell where it was judged. */
  readonly fell: readonly Condition[];
  /** What may stand in holes and take it away. */
  readonly mendedBy: readonly Filling[];
}

/** How many worlds are looked at for one tree to find faults, and how many elements in all of them together. */
const MOST_WORLDS = 40;
const MOST_ELEMENTS = 40_000;

/** How many more of both for arms that would be left: each world takes one of every decision that has some. */
const MOST_SHARED = 8;
const SHARED_ELEMENTS = 10_000;

/** How many more of both to find out what faults hang on. */
const MORE_WORLDS = 160;
const MORE_ELEMENTS = 160_000;

/** What hangs on more than this at once is asked, however sure each is: hardly anybody gives all of it together. */
const MOST_TOGETHER = 2;

/** Of how many decisions of a tree each is turned to see whether a fault hangs on it, the nearest first. */
const MOST_TURNED = 24;

/** In how many of the worlds that show a fault it is tried to be made sure of. */
const MOST_TRIES = 3;

/** What came of a tree. */
export interface JudgedTree {
  readonly findings: readonly JudgedFinding[];
  /** How many arms of decisions there was no room to look at. */
  readonly unseenArms: number;
}

interface Seen {
  readonly world: World;
  readonly document: WorldDocument;
  readonly findings: ReadonlyMap<string, Finding>;
  readonly exists: ReadonlySet<TreeElement>;
}

/**
 * Judges a tree with decisions open. Failed is what fails however they fall, or in an arm that source names; what fails
 * in an arm that nothing names is a question. The tree is looked at with every first arm, with every last one, and with
 * each decision turned by itself, where it matters; where there are too many for that, the rest is turned together.
 */
export function judgeTree(tree: ComposedTree, audit: AuditWorld): JudgedTree {
  // Where nothing is written, nothing can be told of a place in source, whatever falls how.
  const ways = holdsWritten(tree.children) ? waysIn(tree.children) : new Map<Decision, Way>();
  const decisions = [...ways.keys()];
  const seen = new Map<string, Seen>();
  const numberOf = numbering();
  /** For each world the faults that stay, by filling. */
  const borneOut = new Map<Seen, readonly ReadonlySet<string>[]>();
  let parents: ReadonlyMap<TreeElement, TreeElement | null> | null = null;
  let budget = MOST_ELEMENTS;
  let most = MOST_WORLDS;
  /** The checks that are still asked; undefined for all. */
  let asked: ReadonlySet<string> | undefined;

  const keyOf = ({ check }: Finding, element: TreeElement | ElementNode): string =>
    `${check} ${numberOf(element)}`;

  /** Whether one more world may be looked at. */
  function hasRoom(): boolean {
    return seen.size <= 1 || (budget > 0 && seen.size < most);
  }

  function look(world: World): Seen | null {
    const key = decisions.map((decision) => armIn(world, decision)).join(",");
    const known = seen.get(key);
    if (known !== undefined) return known;
    if (!hasRoom()) return null;
    const document = documentIn(tree, world);
    budget -= document.origins.size;
    const findings = new Map<string, Finding>();
    for (const finding of audit(document, asked)) {
      const element = document.origins.get(finding.element);
      if (element !== undefined && (finding.outcome === "failed" || finding.outcome === "cantTell"))
        findings.set(keyOf(finding, element), finding);
    }
    const seenWorld = { world, document, findings, exists: new Set(document.origins.values()) };
    seen.set(key, seenWorld);
    return seenWorld;
  }

  look(firstArms);
  if (decisions.length > 0) look(lastArms);
  const left = new Map<Decision, number[]>();
  for (const [decision, way] of ways)
    for (let arm = 1; arm < decision.arms.length; arm++)
      if (!hasRoom() || look(turned({ ...firstArms, chosen: way }, decision, arm)) === null)
        left.set(decision, [...(left.get(decision) ?? []), arm]);
  budget = SHARED_ELEMENTS;
  most += MOST_SHARED;
  for (let world = nextArms(left); world !== null && look(world) !== null; world = nextArms(left))
    for (const [decision, arms] of left) if (arms.shift() === undefined) left.delete(decision);
  const unseenArms = [...left.values()].reduce((sum, arms) => sum + arms.length, 0);

  // From here on worlds are looked at for what faults that are known hang on.
  asked = new Set(
    [...seen.values()].flatMap(({ findings }) => [...findings.values()].map(({ check }) => check)),
  );
  budget = MORE_ELEMENTS;
  most = seen.size + MORE_WORLDS;
  const judged = new Map<string, JudgedFinding>();
  const tried = new Map<string, number>();
  for (const one of [...seen.values()]) {
    const { world, document } = one;
    for (const [key, finding] of one.findings) {
      const before = judged.get(key);
      if (before !== undefined && (before.outcome === "failed" || finding.outcome === "cantTell")) continue;
      const tries = (tried.get(key) ?? 0) + 1;
      if (tries > MOST_TRIES) continue;
      tried.set(key, tries);
      const element = document.origins.get(finding.element);
      if (element === undefined) continue;
      const fell = decisions.flatMap((decision) => decision.arms[armIn(world, decision)] ?? []);
      const mendedBy = finding.outcome === "failed" ? mendingFillings(one, finding) : [];
      const mayBeMended = mendedBy.length > 0;
      const found = { finding, element, world: document, fell, mendedBy, mayBeMended };
      const isAsked = finding.outcome === "cantTell" || mayBeMended;
      const verdict = isAsked
        ? { outcome: "cantTell" as const, when: [], isLeftToCalls: false }
        : hangsOn(key, element, world);
      // The first world tells of it best: the later ones are turned by more.
      if (before === undefined || verdict.outcome === "failed") judged.set(key, { ...found, ...verdict });
    }
  }
  return { findings: [...judged.values()], unseenArms };

  /** What may stand in the holes of a world and take a fault away. */
  function mendingFillings(one: Seen, finding: Finding): readonly Filling[] {
    let bearing = borneOut.get(one);
    if (bearing === undefined) {
      bearing = hasHoles(one.document.document) ? fillings.map((filling) => faultsIn(one, filling)) : [];
      borneOut.set(one, bearing);
    }
    const key = keyOf(finding, finding.element);
    return fillings.filter((_, i) => bearing?.[i]?.has(key) === false);
  }

  /** The faults of a world that stay when its holes are filled. */
  function faultsIn({ document: { document: open }, findings }: Seen, filling: Filling): ReadonlySet<string> {
    const { document, originals } = filled(open, filling);
    const failing = new Set(
      [...findings.values()].filter(({ outcome }) => outcome === "failed").map(({ check }) => check),
    );
    return new Set(
      audit({ document, origins: new Map() }, failing).flatMap((finding) => {
        const original = originals.get(finding.element);
        return finding.outcome === "failed" && original !== undefined ? keyOf(finding, original) : [];
      }),
    );
  }

  /** Which decisions, turned by themselves, take a fault away. */
  function hangsOn(
    key: string,
    element: TreeElement,
    world: World,
  ): Pick<JudgedFinding, "outcome" | "when" | "isLeftToCalls"> {
    const near = [
      ...new Map([...decisionsAbout(element), ...decisions].map((one) => [one.id, one])).values(),
    ];
    const passes = (other: Seen) =>
      other.exists.has(element) && other.findings.get(key)?.outcome !== "failed";
    const rescuing: Decision[] = [];
    for (const decision of near.slice(0, MOST_TURNED)) {
      const here = armIn(world, decision);
      const rescues = decision.arms.some((_, arm) => {
        const other = arm === here ? null : look(turned(world, decision, arm));
        return other !== null && passes(other);
      });
      if (!rescues) continue;
      rescuing.push(decision);
      if (!decision.named) break;
    }
    // Where it shows in one world and not in another, and nothing that was turned says why, nothing is sure.
    const unexplained = [...seen.values()].some(
      (other) =>
        passes(other) &&
        rescuing.every((decision) => armIn(other.world, decision) === armIn(world, decision)),
    );
    const areTogether = rescuing.length === 1 || rescuing.every(({ isState }) => isState !== true);
    const isSure =
      !unexplained &&
      areTogether &&
      rescuing.length <= MOST_TOGETHER &&
      rescuing.every((decision) => decision.named);
    return {
      outcome: isSure ? "failed" : "cantTell",
      isLeftToCalls: rescuing.some((decision) => decision.isLeftToCalls === true),
      when: rescuing.flatMap((decision) => decision.arms[armIn(world, decision)] ?? []),
    };
  }

  /** Decisions in an element, on what is around it, and on whether it is there, the nearest first. */
  function decisionsAbout(element: TreeElement): readonly Decision[] {
    parents ??= parentsIn(tree.children);
    const found = [...decisionsIn([element])];
    for (let up = parents.get(element); up != null; up = parents.get(up))
      found.push(...decisionsIn([{ ...up, children: [] }]));
    return found;
  }
}

/** The world that takes the next arm of every decision that has some left; null where none has. */
function nextArms(left: ReadonlyMap<Decision, readonly number[]>): World | null {
  const waiting = [...left].filter(([, arms]) => arms.length > 0);
  const chosen = new Map(waiting.map(([{ id }, [arm = 0]]) => [id, arm] as const));
  return waiting.length === 0 ? null : { ...firstArms, chosen };
}

/** Whether any element, in whatever arm, is written in source. */
const holdsWritten = (nodes: readonly TreeNode[]): boolean =>
  nodes.some((node) =>
    node.kind === "either"
      ? node.arms.some(holdsWritten)
      : node.kind === "element" && (node.source !== null || holdsWritten(node.children)),
  );

/** Gives each thing a number of its own, the same whenever it is asked. */
function numbering(): (of: object) => number {
  const numbers = new Map<object, number>();
  return (of) => {
    const number = numbers.get(of) ?? numbers.size;
    numbers.set(of, number);
    return number;
  };
}

/** The element around each element, whatever is open between them. */
function parentsIn(nodes: readonly TreeNode[]): ReadonlyMap<TreeElement, TreeElement | null> {
  const parents = new Map<TreeElement, TreeElement | null>();
  const visit = (node: TreeNode, parent: TreeElement | null): void => {
    if (node.kind === "either") for (const arm of node.arms) for (const inner of arm) visit(inner, parent);
    else if (node.kind === "element") {
      parents.set(node, parent);
      for (const inner of node.children) visit(inner, node);
    }
  };
  for (const node of nodes) visit(node, null);
  return parents;
}

const turned = ({ chosen, rest }: World, decision: Decision, arm: number): World => ({
  chosen: new Map(chosen).set(decision.id, arm),
  rest,
});
