import { NO } from "../../css/certainty.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText } from "../../document/written.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { whyUnseen } from "../../rendering/unseen.ts";
import { setAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { judgeChanged, seenTexts } from "./cut-off-text.ts";

/** Spacing that a person must be able to set, and what they may set it to, as multiples of the font size. WCAG 1.4.12. */
const spacings = [
  { property: "letter-spacing", needed: 0.12 },
  { property: "word-spacing", needed: 0.16 },
  { property: "line-height", needed: 1.5 },
] as const;

/** Letters that surely run over several lines, and ones that may, in a column of usual width. */
const SEVERAL_LINES = { surely: 160, perhaps: 40 };

/** A style attribute with `!important` is the one thing that no user's stylesheet can outdo. */
const pinned = (scene: Scene): readonly ElementNode[] =>
  scene.page.index.elements.filter(
    (element) =>
      /(?:(?:letter|word)-spacing|line-height)[^;]*!\s*important/i.test(
        attributeText(element, "style") ?? "",
      ) &&
      textContent(element) !== "" &&
      scene.presence.of(element).visible !== NO &&
      whyUnseen(scene.page, element) === null,
  );

function judge(element: ElementNode, scene: Scene): Verdict {
  const pinnedVerdict = judgePinned(element, scene);
  return pinnedVerdict.outcome === "passed" ? judgeChanged(element, scene, "spaced") : pinnedVerdict;
}

function judgePinned(element: ElementNode, scene: Scene): Verdict {
  const { styles } = scene.page;
  const size = styles.fontSize({ element });
  for (const { property, needed } of spacings) {
    if (
      !new RegExp(`(?:^|;)\\s*${property}\\s*:[^;]*!\\s*important`, "i").test(
        attributeText(element, "style") ?? "",
      )
    )
      continue;
    const pixels = pixelsOf(scene, element, property, size);
    if (pixels === null || size === null || pixels >= size * needed) continue;
    const letters = textContent(element).trim().length;
    if (property === "line-height" && letters < SEVERAL_LINES.perhaps) continue;
    const repair = withChanges("likely", `Leave !important out, or set ${property} in a stylesheet.`, [
      setAttribute(
        element,
        "style",
        (attributeText(element, "style") ?? "").replace(
          new RegExp(`((?:^|;)\\s*${property}\\s*:[^;!]*?)\\s*!\\s*important`, "i"),
          "$1",
        ),
      ),
    ]);
    return property === "line-height" && letters < SEVERAL_LINES.surely
      ? cantTell(
          "line-height is pinned with !important in the style attribute. Does this text ever run over several lines?",
          repair,
          { facts: { property } },
        )
      : failed(`${property} is pinned with !important in the style attribute: nobody can widen it.`, repair, {
          facts: { property },
        });
  }
  return passed;
}

/** A spacing in CSS pixels; a number for the height of lines is a multiple of the font size. */
function pixelsOf(scene: Scene, element: ElementNode, property: string, size: number | null): number | null {
  const { styles } = scene.page;
  const word = styles.keyword(element, property);
  if (property !== "line-height")
    return styles.pixels({ element }, property) ?? (word === "normal" ? 0 : null);
  if (word === null || size === null) return null;
  return /^[\d.]+$/.test(word) ? Number(word) * size : styles.pixels({ element }, property, size);
}

export const spacing = {
  id: "zoom.spacing",
  kind: "page",
  criteria: ["1.4.12"],
  severity: "barrier",
  means:
    "Nothing keeps people from widening the space between letters, words and lines, and no text is lost when they do.",
  who: "Someone with dyslexia or low vision, who needs the letters apart, cannot set them so.",
  mend: "Leave !important out of style attributes.",
  looksAt: (scene: Scene) => new Set([...pinned(scene), ...seenTexts(scene)]),
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
    {
      html: `<p style="line-height: 1 !important">The yard is closed on Sundays, and on Fridays the slips are hosed down.</p>`,
      finds: [
        [
          "cantTell",
          `<p style="line-height: 1 !important">`,
          "line-height is pinned with !important in the style attribute. Does this text ever run over several lines?",
        ],
      ],
    },
    {
      html: `<p style="line-height: 1.2em !important">The yard is closed on Sundays, and on Fridays the slips are hosed down. Whoever wants to haul out a boat asks for the crane a week before, and pays half of the fee when the day is set.</p>`,
      finds: [
        [
          "failed",
          `<p style="line-height: 1.2em !important">`,
          "line-height is pinned with !important in the style attribute: nobody can widen it.",
        ],
      ],
    },
    { html: `<h2 style="line-height: 1 !important">Slip 4</h2>`, finds: [] },
    {
      html: `<p style="width: 6em; height: 2.4em; line-height: 1.2; overflow: hidden">Slip 4 is free</p>`,
      isSeen: true,
      finds: [
        [
          "failed",
          `<p style="width: 6em; height: 2.4em; line-height: 1.2; overflow: hidden">`,
          "With more room between letters, words and lines, this text is cut off at the bottom: 7 pixels of it are lost.",
        ],
      ],
    },
    {
      html: `<p style="min-height: 1.2em; line-height: 1.2; overflow: hidden">Slip 4</p>`,
      isSeen: true,
      finds: [],
    },
    {
      html: `<p style="height: 2em; overflow: auto">Slip 4 is free from Monday to Friday, the whole day.</p>`,
      isSeen: true,
      finds: [],
    },
    {
      html: `<p style="width: 160px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis">Slip 4 is free again</p>`,
      isSeen: true,
      finds: [
        [
          "cantTell",
          `<p style="width: 160px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis">`,
          "With more room between letters, words and lines, this text is cut short at the end of the line. Can the rest be had some other way?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
