import { elementsAbove, firstOf } from "../core/document/around.ts";
import { textContent } from "../core/document/text-content.ts";
import { heardLineOf } from "../core/semantics/heard-line.ts";
import { isTold } from "../core/semantics/tree.ts";
import type { LivePage } from "./live-page.ts";
import type { Change } from "./page-state.ts";
import { told } from "./rendered-element.ts";

/** What has focus, as a finding tells it. */
export const focusText = (page: LivePage): string => {
  const element = told(page, page.focused());
  return element === null ? "focus on nothing" : `focus on ${element.heard}`;
};

/** Keys one after the other, the same several times as a number, and what came of the last. */
export function keysText(keys: readonly string[], then: string): string {
  const runs: { key: string; times: number }[] = [];
  for (const key of keys) {
    const last = runs.at(-1);
    if (last?.key === key) last.times++;
    else runs.push({ key, times: 1 });
  }
  const told = runs.map(({ key, times }) =>
    times > 3 ? `${key} ×${times}` : Array(times).fill(key).join(" "),
  );
  return `${told.join(" ")} → ${then}`;
}

/**
 * Changes as people are told of them: by what is heard there, the outermost of what appears or goes away, and each once.
 * @param page as it stands after them
 */
export function changesText(page: LivePage, changes: readonly Change[]): readonly string[] {
  const same = (what: Change["what"]) =>
    new Set(changes.filter((one) => one.what === what).map(({ at }) => at));
  const shown = same("shown");
  const told = changes.flatMap(({ at, what, detail, tag }): string[] => {
    const node = page.nodeWith(at);
    if (node === null) return what === "hidden" ? [`<${tag}> gone`] : [];
    const { index } = page.scene.page;
    if (what === "shown" && firstOf(elementsAbove(index, node), (up) => shown.has(page.keyOf(up))) !== null)
      return [];
    const heard = isTold(page.scene, node) ? heardLineOf(page.scene, node) : "";
    const name = heard !== "" ? heard : `<${node.tag}>`;
    if (what === "text") return [`${name} says "${cut(detail)}"`];
    const text = heard === "" && what === "shown" ? ` "${cut(textContent(node))}"` : "";
    return [`${name}${text} ${what === "attribute" ? `has ${detail}` : what}`];
  });
  return [...new Set(told)];
}

const LONGEST = 80;
const cut = (text: string): string => (text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text);
