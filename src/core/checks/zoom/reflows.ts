import type { ElementNode } from "../../document/node.ts";
import { attributeToken } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import { around, cuttingAround, rightOf } from "../../scene/cut-off.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Layout } from "../../scene/seen.ts";
import type { PageCheck } from "../check.ts";

/** What is smaller is rounding. CSS pixels. */
const SLACK = 2;

/** Parts that may need both directions to make sense. WCAG 2.2, 1.4.10 "parts of the content which require two-dimensional layout". */
const twoWayTags = /^(?:table|pre|svg|canvas|img|video|iframe|object|embed|map|math|model)$/;
const twoWayRoles = /^(?:table|grid|treegrid|toolbar|application|img|math)$/;

/** Elements that stick out of a window of 320 CSS pixels to the right, the outermost of each. */
const stickingOut = keptForScene((scene): readonly ElementNode[] => {
  const narrow = scene.seen?.narrow ?? null;
  if (narrow === null || !scrollsSideways(scene, narrow)) return [];
  const { index } = scene.page;
  return index.elements.filter((element) => {
    if (!sticksOut(scene, narrow, element)) return false;
    const parent = index.flatParent(element);
    return parent === null || !sticksOut(scene, narrow, parent);
  });
});

const scrollsSideways = ({ page: { index } }: Scene, { reach, window, clip }: Layout): boolean => {
  if (reach.width <= window.width + SLACK) return false;
  // What the root cuts off nobody can scroll to: that is judged as text that is cut off.
  return ![...index.byTag("html"), ...index.byTag("body")].some((root) => {
    const overflow = clip(root)?.x;
    return overflow === "hidden" || overflow === "clip";
  });
};

function sticksOut(scene: Scene, narrow: Layout, element: ElementNode): boolean {
  const box = around([...narrow.boxes(element), ...narrow.lines(element)]);
  if (box === null || box.width < 1 || box.height < 1 || !narrow.isDrawn(element)) return false;
  const { width } = narrow.window;
  if (rightOf(box) <= width + SLACK) return false;
  for (const { clip } of cuttingAround(scene, narrow, element)) if (clip.x !== "visible") return false;
  // What was put beside the window waits there to be brought in.
  return !narrow.isFixed(element) && !(box.left >= width && isPlacedFreely(scene, element));
}

function isPlacedFreely({ page: { styles, index } }: Scene, element: ElementNode): boolean {
  for (let up: ElementNode | null = element; up !== null; up = index.flatParent(up)) {
    if (/^(?:absolute|fixed)$/.test(styles.keyword(up, "position") ?? "")) return true;
    if ((styles.keyword(up, "transform") ?? "none") !== "none") return true;
  }
  return false;
}

const mayNeedBothWays = (scene: Scene, element: ElementNode): boolean => {
  const below = (one: ElementNode): boolean =>
    twoWayTags.test(one.tag) ||
    twoWayRoles.test(attributeToken(one, "role") ?? "") ||
    scene.page.index.childElements(one).some((child) => sticksOutBelow(scene, child) && below(child));
  for (let up: ElementNode | null = element; up !== null; up = scene.page.index.flatParent(up))
    if (twoWayTags.test(up.tag) || twoWayRoles.test(attributeToken(up, "role") ?? "")) return true;
  return below(element);
};

const sticksOutBelow = (scene: Scene, element: ElementNode): boolean => {
  const narrow = scene.seen?.narrow ?? null;
  return narrow !== null && sticksOut(scene, narrow, element);
};

function judge(element: ElementNode, scene: Scene): Verdict {
  const narrow = scene.seen?.narrow ?? null;
  if (narrow === null) return inapplicable;
  if (!stickingOut(scene).includes(element)) return passed;
  const box = around([...narrow.boxes(element), ...narrow.lines(element)]);
  const facts = { right: Math.round(box === null ? 0 : rightOf(box)), window: narrow.window.width };
  return mayNeedBothWays(scene, element)
    ? cantTell(
        `In a window of ${facts.window} pixels this reaches ${facts.right} pixels to the right, and the whole page scrolls sideways. Does it make sense only in two directions, as a map or a data table?`,
        ask("Let it scroll in a box of its own: overflow-x: auto."),
        { facts },
      )
    : failed(
        `In a window of ${facts.window} pixels this reaches ${facts.right} pixels to the right: one must scroll sideways to read it.`,
        ask("Let it become narrower: no fixed or least width beyond the window, and let words wrap."),
        { facts },
      );
}

export const reflows = {
  id: "zoom.reflows",
  kind: "page",
  isSeen: true,
  isHeard: false,
  criteria: ["1.4.10"],
  severity: "barrier",
  means: "In a window of 320 CSS pixels, as wide as 1280 at 400 %, nothing makes the page scroll sideways.",
  who: "Someone with low vision, who enlarges the page fourfold, must scroll to and fro for each line.",
  mend: "Size in relative units, let rows wrap, and give what needs its width a box of its own that scrolls.",
  looksAt: (scene: Scene) =>
    scene.seen?.narrow == null
      ? []
      : stickingOut(scene).length > 0
        ? stickingOut(scene)
        : scene.page.index.byTag("body").slice(0, 1),
  judge,
  examples: [
    {
      html: `<p>Haul-out is every Monday, when the tide is above three metres.</p>`,
      isSeen: true,
      finds: [],
    },
    {
      html: `<div style="overflow-x: auto"><table style="width: 700px"><tr><th>Slip<td>4</table></div>`,
      isSeen: true,
      finds: [],
    },
    {
      html: `<form style="min-width: 560px"><label>Boat <input></label></form>`,
      isSeen: true,
      finds: [
        [
          "failed",
          `<form style="min-width: 560px">`,
          "In a window of 320 pixels this reaches 568 pixels to the right: one must scroll sideways to read it.",
        ],
      ],
    },
    {
      html: `<table style="width: 700px"><tr><th>Slip<td>4</table>`,
      isSeen: true,
      finds: [
        [
          "cantTell",
          `<table style="width: 700px">`,
          "In a window of 320 pixels this reaches 708 pixels to the right, and the whole page scrolls sideways. Does it make sense only in two directions, as a map or a data table?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
