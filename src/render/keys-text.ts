import { elementsAbove, firstOf } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
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
  const { index } = page.scene.page;
  const outermost = (what: Change["what"]) => {
    const same = new Set(changes.filter((one) => one.what === what).map(({ at }) => at));
    return [...same].flatMap((at) => {
      const node = page.nodeWith(at);
      const inside = node !== null && firstOf(elementsAbove(index, node), (up) => same.has(page.keyOf(up)));
      return node === null || inside ? [] : [node];
    });
  };
  const gone = changes.find(({ what, at }) => what === "hidden" && page.nodeWith(at) === null);
  const told = [
    ...outermost("shown").flatMap((node) =>
      toldIn(page, node).map((one) => `${nameOf(page, one, true)} shown`),
    ),
    ...outermost("hidden").flatMap((node) =>
      toldIn(page, node).map((one) => `${nameOf(page, one, false)} hidden`),
    ),
    ...(gone === undefined ? [] : [`<${gone.tag}> gone`]),
    ...changes.flatMap(({ at, what, detail }) => {
      const node = page.nodeWith(at);
      // What opens and closes is told by what shows, and what lies behind a dialog by the dialog.
      if (node === null || /^(?:inert|open)\b/.test(detail)) return [];
      if (what === "text") return [`${nameOf(page, node, false)} says "${cut(detail)}"`];
      return what === "attribute" ? [`${nameOf(page, node, false)} has ${detail}`] : [];
    }),
  ];
  return [...new Set(told)];
}

/** An element, or in place of a mere box the elements in it that assistive technology is told of. */
function toldIn(page: LivePage, node: ElementNode): readonly ElementNode[] {
  if (isTold(page.scene, node)) return [node];
  const inside = page.scene.page.index.childElements(node).flatMap((child) => toldIn(page, child));
  return inside.some((one) => isTold(page.scene, one))
    ? inside.filter((one) => isTold(page.scene, one))
    : [node];
}

/** An element by what is heard there; with its words where it has no name. */
function nameOf(page: LivePage, node: ElementNode, withWords: boolean): string {
  const heard = isTold(page.scene, node) ? heardLineOf(page.scene, node) : "";
  const words = heard.startsWith('"') || !withWords ? "" : cut(textContent(node));
  return `${heard !== "" ? heard : `<${node.tag}>`}${words === "" ? "" : ` "${words}"`}`;
}

const LONGEST = 80;
const cut = (text: string): string => (text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text);
