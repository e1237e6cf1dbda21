import { describe, expect, test } from "vitest";
import type { Finding } from "../../../src/core/findings/verdict.ts";
import { conditionText } from "../../../src/core/worlds/condition.ts";
import type { Decision } from "../../../src/core/worlds/decision.ts";
import { judgeTree } from "../../../src/core/worlds/judge.ts";
import { inPage, type TreeElement, type TreeNode, type TreeValue } from "../../../src/core/worlds/tree.ts";
import type { WorldDocument } from "../../../src/core/worlds/world.ts";

const source = { file: "App.tsx", start: 0, end: 1 };
const decision = (id: string, named: boolean): Decision => ({
  id,
  arms: [
    { of: id, is: "so" },
    { of: id, is: "not so" },
  ],
  named,
  source,
});
const either = <T>(of: Decision, ...arms: T[]) => ({ kind: "either" as const, decision: of, arms });

let places = 0;
const element = (
  tag: string,
  attributes: Readonly<Record<string, TreeValue>> = {},
  children: readonly TreeNode[] = [],
): TreeElement => ({
  kind: "element",
  tag,
  namespace: "html",
  attributes: Object.entries(attributes).map(([name, value]) => ({ name, value, source })),
  spread: null,
  repeats: false,
  listeners: new Map(),
  children,
  source: { file: "App.tsx", start: places++, end: places },
  endTag: null,
  components: [],
});
const words: TreeNode = { kind: "text", value: "Book", source };
const hole: TreeNode = { kind: "hole", hole: { hole: "children", source, mayBeEmpty: false } };

/** A check of its own for these tests: a button fails that holds no text and has no title. */
const unnamed = ({ origins }: WorldDocument): readonly Finding[] =>
  [...origins.keys()].flatMap((one): Finding[] => {
    const isNamed =
      one.attributes.has("title") ||
      one.children.some((child) => child.kind === "text" && child.value !== "");
    return one.tag === "button" && !isNamed ? [finding(one)] : [];
  });
/** The same on any document: holes are filled without telling where from. */
const audit = (world: WorldDocument): readonly Finding[] => {
  if (world.origins.size > 0) return unnamed(world);
  const found: Finding[] = [];
  const visit = (nodes: WorldDocument["document"]["children"]): void => {
    for (const node of nodes) {
      if (node.kind !== "element") continue;
      if (
        node.tag === "button" &&
        !node.attributes.has("title") &&
        !node.children.some((c) => c.kind === "text")
      )
        found.push(finding(node));
      visit(node.children);
    }
  };
  visit(world.document.children);
  return found;
};
const finding = (of: Finding["element"]): Finding => ({
  check: "names.action-named",
  outcome: "failed",
  severity: "blocker",
  criteria: ["4.1.2"],
  element: of,
  source: of.source,
  message: "This button has no name.",
  repair: null,
  facts: {},
  cause: null,
  origins: [],
});

const judged = (...nodes: TreeNode[]) =>
  judgeTree(inPage("App.tsx", nodes), audit).findings.map(({ outcome, when, mayBeMended }) => [
    outcome,
    when.map(conditionText),
    mayBeMended,
  ]);

describe("judging a tree with decisions open", () => {
  test("what fails with nothing open is failed", () => {
    expect(judged(element("button"))).toEqual([["failed", [], false]]);
  });

  test("what fails in every arm is failed, and hangs on nothing", () => {
    expect(judged(element("button", { class: either(decision("wide", false), "a", "b") }))).toEqual([
      ["failed", [], false],
    ]);
  });

  test("what fails in an arm that source names is failed when that holds", () => {
    const label = decision("label", true);
    expect(judged(element("button", { title: either<TreeValue>(label, "Book", null) }))).toEqual([
      ["failed", ["`label` is not so"], false],
    ]);
  });

  test("what fails in an arm that nothing names is a question", () => {
    const count = decision("count", false);
    expect(judged(element("button", {}, [either(count, [words], [])]))).toEqual([
      ["cantTell", ["`count` is not so"], false],
    ]);
  });

  test("every arm is seen, also where there are too many to turn each by itself", () => {
    const buttons = Array.from({ length: 90 }, (_, i) =>
      element("button", { title: either<TreeValue>(decision(`label ${i}`, true), "Book", null) }),
    );
    const { findings, unseenArms } = judgeTree(inPage("App.tsx", buttons), audit);
    expect([findings.length, unseenArms]).toEqual([90, 0]);
  });

  test("what is not seen is counted", () => {
    const many = (name: string): Decision => ({
      ...decision(name, true),
      arms: Array.from({ length: 20 }, (_, arm) => ({ of: name, is: "value", value: String(arm) })),
    });
    const titles = Array.from({ length: 20 }, (_, arm) => `Book ${arm}`);
    const buttons = Array.from({ length: 9 }, (_, i) =>
      element("button", { title: { kind: "either", decision: many(`label ${i}`), arms: titles } }),
    );
    expect(judgeTree(inPage("App.tsx", buttons), audit).unseenArms).toBeGreaterThan(0);
  });

  test("one decision falls alike wherever it bears", () => {
    const open = decision("open", true);
    expect(
      judged(
        element("button", { title: either<TreeValue>(open, null, "Stop") }, [either(open, [words], [])]),
      ),
    ).toEqual([]);
  });

  test("two decisions of which one alone would help are both told", () => {
    const [a, b] = [decision("a", true), decision("b", true)];
    expect(
      judged(element("button", { title: either<TreeValue>(a, "Book", null) }, [either(b, [words], [])])),
    ).toEqual([["failed", ["`a` is not so", "`b` is not so"], false]]);
  });

  test("three decisions together are a question, however sure each is", () => {
    const [a, b, c] = [decision("a", true), decision("b", true), decision("c", true)];
    expect(
      judged(
        element("button", { title: either<TreeValue>(a, "Book", null) }, [
          either(b, [words], []),
          either(c, [words], []),
        ]),
      ),
    ).toEqual([["cantTell", ["`a` is not so", "`b` is not so", "`c` is not so"], false]]);
  });

  test("what shows in one world and not in another for no reason that was found is a question", () => {
    const [a, b, c] = [decision("a", true), decision("b", true), decision("c", true)];
    // It takes all three at once to name it, and none that is turned by itself does.
    const named = Object.fromEntries(
      [a, b, c].map((one) => [`data-${one.id}`, either<TreeValue>(one, null, "Book")] as const),
    );
    const namesTogether = ({ origins }: WorldDocument): readonly Finding[] =>
      [...origins.keys()].flatMap((one) =>
        one.tag === "button" && one.attributes.size < 3 ? [finding(one)] : [],
      );
    const { findings } = judgeTree(inPage("App.tsx", [element("button", named)]), namesTogether);
    expect(findings.map(({ outcome, when }) => [outcome, when])).toEqual([["cantTell", []]]);
  });

  test("every arm is looked at, also of what hangs on other decisions", () => {
    const [a, b, c] = [decision("a", true), decision("b", true), decision("c", true)];
    const named = element("button", { title: "Book" });
    const tree = either(a, [words], [either(b, [words], [either(c, [element("button")], [named])])]);
    expect(judged(tree)).toEqual([["failed", [], false]]);
  });

  test("says how everything open fell where it was judged, and what may mend it", () => {
    const [a, b] = [decision("a", true), decision("b", true)];
    const tree = inPage("App.tsx", [
      element("button", { title: either<TreeValue>(a, "Book", null), class: either(b, "x", "y") }),
      element("button", {}, [hole]),
    ]);
    expect(
      judgeTree(tree, audit).findings.map(({ fell, mendedBy }) => [fell.map(conditionText), mendedBy]),
    ).toEqual([
      [["`a` is so", "`b` is so"], ["words"]],
      [["`a` is not so", "`b` is not so"], []],
    ]);
  });

  test("two states need not go together: what hangs on both is a question", () => {
    const state = (id: string) => ({ ...decision(id, true), isState: true as const });
    const both = (a: Decision, b: Decision) =>
      element("button", { title: either<TreeValue>(a, either<TreeValue>(b, null, "Book"), "Book") });
    expect(judged(both(state("open"), state("closing")))[0]?.[0]).toBe("cantTell");
    expect(judged(both(decision("open", true), decision("closing", true)))[0]?.[0]).toBe("failed");
  });

  test("what is in one arm alone is judged there", () => {
    const open = decision("open", false);
    expect(judged(element("div", {}, [either(open, [element("button")], [element("p")])]))).toEqual([
      ["failed", [], false],
    ]);
  });

  test("an element that a tree has in two arms by turns is judged in each", () => {
    const tag = decision("tag", true);
    expect(
      judged(either<readonly TreeNode[]>(tag, [element("button")], [element("a", {}, [words])])),
    ).toEqual([["failed", [], false]]);
  });

  test("what a hole may mend is a question", () => {
    expect(judged(element("button", {}, [hole]))).toEqual([["cantTell", [], true]]);
  });

  test("of many decisions those far away cost no certainty", () => {
    const others = Array.from({ length: 60 }, (_, i) => either(decision(`other ${i}`, false), [words], []));
    expect(judged(element("button"), ...others)).toEqual([["failed", [], false]]);
  });
});
