import { optionsOf } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { hasAttribute } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { exposedByTag } from "../exposed.ts";

/** An option that is written as the heading of those after it. */
const headsOthers = /^(?:[-–—=*_ ]{2,}\s*\p{L}.*|\p{L}.*[-–—=*_]{2,})$/u;

function judge(select: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  if (index.childElements(select).some((child) => child.tag === "optgroup")) return passed;
  const headings = optionsOf(index, select)
    .slice(1)
    .filter((option) => hasAttribute(option, "disabled") && headsOthers.test(textContent(option)));
  const [first] = headings;
  if (first === undefined) return inapplicable;
  const label = textContent(first).replace(/^[-–—=*_\s]+|[-–—=*_\s]+$/g, "");
  return failed(
    `The option "${textContent(first)}" is drawn as the heading of others, and told as one of them.`,
    ask(`Use <optgroup label="${label}"> around the options it heads.`),
    pointingAt(first),
  );
}

export const optionsGrouped = {
  id: "forms.options-grouped",
  kind: "page",
  criteria: [],
  severity: "friction",
  means: "Options that belong together are in a group with a name.",
  who: "Someone using a screen reader hears dashes, and a choice that cannot be chosen.",
  mend: "Use <optgroup> with a label.",
  looksAt: (scene: Scene) => exposedByTag(scene, "select"),
  judge,
  examples: [
    {
      html: `<select aria-label="Berth"><optgroup label="North"><option>1</option></optgroup></select>`,
      finds: [],
    },
    {
      html: `<select aria-label="Berth"><option disabled>-- choose --</option><option>1</option></select>`,
      finds: [],
    },
    {
      html: `<select aria-label="Berth"><option>Any</option><option disabled>--- North ---</option><option>1</option></select>`,
      finds: [
        [
          "failed",
          `<select aria-label="Berth">`,
          `The option "--- North ---" is drawn as the heading of others, and told as one of them.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
