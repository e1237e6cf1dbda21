import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";

const holders = keptForScene((scene): ReadonlyMap<string, readonly ElementNode[]> => {
  const found = new Map<string, ElementNode[]>();
  for (const element of scene.page.index.elements) {
    const key = attributeText(element, "accesskey")?.trim().toLowerCase() ?? "";
    if (key === "" || !isExposed(scene, element)) continue;
    const same = found.get(key);
    if (same === undefined) found.set(key, [element]);
    else same.push(element);
  }
  return found;
});

function judge(element: ElementNode, scene: Scene): Verdict {
  const key = attributeText(element, "accesskey")?.trim().toLowerCase() ?? "";
  const same = holders(scene).get(key) ?? [];
  const [first] = same;
  if (first === undefined) return inapplicable;
  if (first === element) return passed;
  // Links that repeat one another share their key with reason.
  const href = attributeText(element, "href");
  if (href !== null && href === attributeText(first, "href")) return passed;
  return failed(
    `The access key "${key}" belongs to "${scene.name(first).text}" already: which of them it reaches is chance.`,
    withChanges(
      "likely",
      "Give each its own key; or none, as access keys collide with those of browsers and assistive technology.",
      [removeAttribute(element, "accesskey")],
    ),
    { facts: { key }, ...pointingAt(element, "accesskey") },
  );
}

export const accessKeys = {
  id: "keys.access-keys",
  kind: "page",
  isAboutKeys: true,
  criteria: [],
  severity: "friction",
  means: "No two elements share an access key.",
  who: "Someone who uses the keyboard lands somewhere else than the key promised.",
  mend: "Give each its own key, or none.",
  looksAt: (scene: Scene) => [...holders(scene).values()].flat(),
  judge,
  examples: [
    { html: `<a href="x" accesskey="s">Slips</a> <a href="y" accesskey="t">Tides</a>`, finds: [] },
    {
      html: `<a href="x" accesskey="s">Slips</a> <a href="y" accesskey="S">Search</a>`,
      finds: [
        [
          "failed",
          `<a href="y" accesskey="S">`,
          `The access key "s" belongs to "Slips" already: which of them it reaches is chance.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
