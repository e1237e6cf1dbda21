import type { ElementNode } from "../../document/node.ts";
import { failed, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { fixedTargets } from "./fixed-size.ts";

/** WCAG 2.5.5: a side of 44 CSS pixels. */
const NEEDED = 44;

function judge(element: ElementNode, scene: Scene): Verdict {
  const target = fixedTargets(scene).get(element);
  if (target === undefined) return passed;
  const { width, height } = target;
  const short = [
    ...(height !== null && height < NEEDED ? [`${Math.round(height)} pixels high`] : []),
    ...(width !== null && width < NEEDED ? [`${Math.round(width)} pixels wide`] : []),
  ];
  return short.length === 0
    ? passed
    : failed(
        `This target is ${short.join(" and ")}, of ${NEEDED} asked for.`,
        ask(`Make it ${NEEDED} pixels high and wide; padding counts.`),
        { facts: { width, height } },
      );
}

export const targetSizeEnhanced = {
  id: "touch.target-size-enhanced",
  kind: "page",
  criteria: ["2.5.5"],
  severity: "friction",
  means: "What is pressed is 44 by 44 CSS pixels.",
  who: "Someone who presses with a knuckle, a stick or a trembling finger misses it.",
  mend: "Make it larger with padding.",
  looksAt: (scene: Scene) => fixedTargets(scene).keys(),
  judge,
  examples: [
    { html: `<style>button { height: 48px; width: 48px }</style><button>x</button>`, finds: [] },
    { html: `<button>Book</button>`, finds: [] },
    {
      html: `<style>button { height: 30px }</style><button>Book</button>`,
      finds: [["failed", "<button>", "This target is 34 pixels high, of 44 asked for."]],
    },
  ],
} as const satisfies PageCheck;
