import { elementsAbove, firstOf } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import { shortened } from "../core/document/shortened.ts";
import { textContent } from "../core/document/text-content.ts";
import { heardLine, heardPartsOf } from "../core/semantics/heard-line.ts";
import { isTold } from "../core/semantics/tree.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import { type Change, isOfAttribute } from "./page-state.ts";
import { seenFocus } from "./told-element.ts";

/** What has focus, as a finding tells it. */
export const focusText = async (page: Driver): Promise<string> => {
  const element = await seenFocus(page);
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
  const phrases = runs.map(({ key, times }) =>
    times > 3 ? `${key} ×${times}` : Array(times).fill(key).join(" "),
  );
  return `${phrases.join(" ")} → ${then}`;
}

/**
 * Changes as people are told of them: by what is heard there, the outermost of what appears or goes away, and each once.
 * @param moment after them
 */
export function changesText(moment: Moment, changes: readonly Change[]): readonly string[] {
  const { index } = moment.scene.page;
  const outermost = (what: Change["what"]) => {
    const same = new Set(changes.filter((one) => one.what === what).map(({ key }) => key));
    return [...same].flatMap((key) => {
      const node = moment.element(key);
      const inside = node !== null && firstOf(elementsAbove(index, node), (up) => same.has(moment.keyOf(up)));
      return node === null || inside ? [] : [node];
    });
  };
  const gone = changes.find(({ what, key }) => what === "hidden" && moment.element(key) === null);
  const phrases = [
    ...outermost("shown").flatMap((node) =>
      toldIn(moment, node).map((one) => `${nameOf(moment, one, true)} shown`),
    ),
    ...outermost("hidden").flatMap((node) =>
      toldIn(moment, node).map((one) => `${nameOf(moment, one, false)} hidden`),
    ),
    ...(gone === undefined ? [] : [`<${gone.tag}> gone`]),
    ...changes.flatMap((change) => {
      const node = moment.element(change.key);
      // What opens and closes is told by what shows, and what lies behind a dialog by the dialog.
      if (node === null || isOfAttribute(change, toldByWhatShows)) return [];
      const name = nameOf(moment, node, false);
      if (change.what === "text") return [`${name} says "${shortened(change.text, LONGEST)}"`];
      if (change.what === "order") return [`${name} in another order`];
      if (change.what !== "attribute") return [];
      return [
        `${name} has ${change.value === null ? `${change.name} gone` : `${change.name}="${change.value}"`}`,
      ];
    }),
  ];
  return [...new Set(phrases)];
}

/** An element, or in place of a mere box the elements in it that assistive technology is told of. */
function toldIn(moment: Moment, node: ElementNode): readonly ElementNode[] {
  if (isTold(moment.scene, node)) return [node];
  const inside = moment.scene.page.index.childElements(node).flatMap((child) => toldIn(moment, child));
  return inside.some((one) => isTold(moment.scene, one))
    ? inside.filter((one) => isTold(moment.scene, one))
    : [node];
}

const LONGEST = 80;

const toldByWhatShows = new Set(["inert", "open"]);

/** An element by what is heard there; with its words where it has no name. */
function nameOf({ scene }: Moment, node: ElementNode, withWords: boolean): string {
  const parts = isTold(scene, node) ? heardPartsOf(scene, node) : null;
  const heard = parts === null ? "" : heardLine(parts);
  const isNamed = parts !== null && parts.name !== "";
  const words = isNamed || !withWords ? "" : shortened(textContent(node), LONGEST);
  return `${heard !== "" ? heard : `<${node.tag}>`}${words === "" ? "" : ` "${words}"`}`;
}
