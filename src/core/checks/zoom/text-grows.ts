import type { ElementNode } from "../../document/node.ts";
import { declaredAt } from "../../findings/cause.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { textElements } from "../contrast/judge-text.ts";
import { originsOf } from "../contrast/suggest-colour.ts";
import { judgeChanged, seenTexts } from "./cut-off-text.ts";

const viewportLength = /^[\d.]+[sld]?v(?:w|h|i|b|min|max)$/i;
const anyLength = /[\d.]+(?:[a-z]+|%)/gi;

/** Whether a size hangs on the window alone, so that zooming changes nothing of it. WCAG failure F94. */
function isOfWindowAlone(size: string): boolean {
  if (viewportLength.test(size)) return true;
  if (!/^(?:calc|min|max|clamp)\(/i.test(size)) return false;
  const lengths = size.match(anyLength) ?? [];
  return lengths.length > 0 && lengths.every((length) => viewportLength.test(length));
}

function judge(element: ElementNode, scene: Scene): Verdict {
  if (scene.seen !== null && seenTexts(scene).has(element)) {
    const seen = judgeChanged(element, scene, "doubled");
    if (seen.outcome !== "passed") return seen;
  }
  if (!scene.stylesKnown) return inapplicable;
  const size = scene.page.styles.value(element, "font-size");
  const text = size?.text ?? null;
  if (size === null || text === null) return inapplicable;
  if (!isOfWindowAlone(text)) return passed;
  return failed(
    `This text is sized ${text}: it does not grow when one zooms in.`,
    ask(
      `Add a part that grows: font-size: calc(1rem + ${viewportLength.test(text) ? text : "1vw"}), or clamp() with rem at both ends.`,
    ),
    {
      facts: { fontSize: text },
      origins: originsOf("font size", size),
      cause: { kind: "size", of: [declaredAt(size.declared?.source)] },
    },
  );
}

export const textGrows = {
  id: "zoom.text-grows",
  kind: "page",
  isHeard: false,
  criteria: ["1.4.4"],
  severity: "barrier",
  means: "Text gets larger when one zooms in.",
  who: "Someone with low vision zooms in, and the words stay as small as they are.",
  mend: "Size text in rem, or add rem to the viewport unit.",
  looksAt: textElements,
  judge,
  examples: [
    { html: `<p style="font-size: 1.2rem">Slip 4</p>`, finds: [] },
    { html: `<p style="font-size: clamp(1rem, 2vw, 2rem)">Slip 4</p>`, finds: [] },
    { html: `<p style="font-size: calc(1rem + 1vw)">Slip 4</p>`, finds: [] },
    {
      html: `<p style="font-size: 2vw">Slip 4</p>`,
      finds: [
        [
          "failed",
          `<p style="font-size: 2vw">`,
          "This text is sized 2vw: it does not grow when one zooms in.",
        ],
      ],
    },
    {
      html: `<style>p { font-size: min(3vw, 4vh) }</style><p>Slip 4</p>`,
      finds: [["failed", "<p>", "This text is sized min(3vw, 4vh): it does not grow when one zooms in."]],
    },
    {
      html: `<p style="height: 3em; width: 60vw; overflow: hidden">Slip 4 is free from Monday to Friday, the whole day and the night as well, whatever the tide.</p>`,
      isSeen: true,
      finds: [],
    },
    {
      html: `<style>body { margin: 0; display: flex; overflow-x: hidden } nav { flex: none; width: 300px; transition: margin 4s } main { flex: none; width: 300px } @media (max-width: 700px) { nav { margin-left: -300px } main { width: 100vw } }</style><nav>Slips</nav><main><p>Slip 4 is free from Monday to Friday, the whole day and the night as well, whatever the tide.</p></main>`,
      isSeen: true,
      finds: [],
    },
  ],
} as const satisfies PageCheck;
