import { NO } from "../../css/certainty.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText } from "../../document/written.ts";
import { failed, passed, type Verdict } from "../../findings/verdict.ts";
import { whyUnseen } from "../../rendering/unseen.ts";
import { setAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";

/** Spacing that a person must be able to set, and what they may set it to, as multiples of the font size. WCAG 1.4.12. */
const spacings = [
  { property: "letter-spacing", needed: 0.12 },
  { property: "word-spacing", needed: 0.16 },
] as const;

/** A style attribute with `!important` is the one thing that no user's stylesheet can outdo. */
const pinned = (scene: Scene): readonly ElementNode[] =>
  scene.page.index.elements.filter(
    (element) =>
      /(?:letter|word)-spacing[^;]*!\s*important/i.test(attributeText(element, "style") ?? "") &&
      textContent(element) !== "" &&
      scene.presence.of(element).visible !== NO &&
      whyUnseen(scene.page, element) === null,
  );

function judge(element: ElementNode, scene: Scene): Verdict {
  const { styles } = scene.page;
  const size = styles.fontSize({ element });
  for (const { property, needed } of spacings) {
    if (
      !new RegExp(`(?:^|;)\\s*${property}\\s*:[^;]*!\\s*important`, "i").test(
        attributeText(element, "style") ?? "",
      )
    )
      continue;
    const pixels =
      styles.pixels({ element }, property) ?? (styles.keyword(element, property) === "normal" ? 0 : null);
    if (pixels === null || size === null || pixels >= size * needed) continue;
    return failed(
      `${property} is pinned with !important in the style attribute: nobody can widen it.`,
      withChanges("likely", `Leave !important out, or set ${property} in a stylesheet.`, [
        setAttribute(
          element,
          "style",
          (attributeText(element, "style") ?? "").replace(
            new RegExp(`((?:^|;)\\s*${property}\\s*:[^;!]*?)\\s*!\\s*important`, "i"),
            "$1",
          ),
        ),
      ]),
      { facts: { property } },
    );
  }
  return passed;
}

export const spacing = {
  id: "zoom.spacing",
  kind: "page",
  criteria: ["1.4.12"],
  severity: "barrier",
  means: "Nothing keeps people from widening the space between letters and words.",
  who: "Someone with dyslexia or low vision, who needs the letters apart, cannot set them so.",
  mend: "Leave !important out of style attributes.",
  looksAt: pinned,
  judge,
  examples: [
    { html: `<p style="letter-spacing: 0">x</p>`, finds: [] },
    { html: `<p style="letter-spacing: .2em !important">x</p>`, finds: [] },
    { html: `<p hidden style="letter-spacing: 0 !important">x</p>`, finds: [] },
    {
      html: `<p style="letter-spacing: 0 !important">Slip 4</p>`,
      finds: [
        [
          "failed",
          `<p style="letter-spacing: 0 !important">`,
          "letter-spacing is pinned with !important in the style attribute: nobody can widen it.",
        ],
      ],
    },
    {
      html: `<p style="color: #333; word-spacing: 1px !important">Slip 4</p>`,
      finds: [
        [
          "failed",
          `<p style="color: #333; word-spacing: 1px !important">`,
          "word-spacing is pinned with !important in the style attribute: nobody can widen it.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
