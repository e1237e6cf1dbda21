import type { ElementNode, Node } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { writtenText } from "../../document/written.ts";
import { cantTell, failed, inapplicable, type Verdict } from "../../findings/verdict.ts";
import { renameElement } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, isExposed } from "../exposed.ts";
import { headingsOf } from "./headings.ts";

/** A heading is short; what follows it is not. */
const LONGEST_HEADING = 80;
const SHORTEST_PARAGRAPH = 60;
/** How much larger than the text after it letters must be to be set apart by size. */
const LARGER = 1.15;

interface Imitation {
  readonly element: ElementNode;
  readonly bold: boolean;
  readonly larger: boolean;
}

/** Places where bold or large lines are no headings: in cells, items, links, controls, notes, and beside addresses. */
const notHere =
  /^(?:table|li|dl|a|button|label|fieldset|figure|figcaption|blockquote|address|footer|header|nav|h[1-6]|aside|form|summary|dialog)$/;

/** Paragraphs and boxes of one line that are set apart from the paragraph after them as a heading would be. */
const imitations = keptForScene((scene): ReadonlyMap<ElementNode, Imitation> => {
  const { index, styles } = scene.page;
  if (!scene.stylesKnown) return new Map();
  const found: Imitation[] = [];
  for (const tag of ["p", "div"]) {
    for (const element of index.byTag(tag)) {
      const text = oneLine(element);
      if (text === null || !isExposed(scene, element) || scene.role(element).from === "role attribute")
        continue;
      const { parent, root } = index.record(element);
      const siblings = index.childElements(parent ?? root);
      const next = siblings[siblings.indexOf(element) + 1];
      if (next === undefined || next.tag !== "p" || !isExposed(scene, next)) continue;
      if (textContent(next).length < SHORTEST_PARAGRAPH || oneLine(next) !== null) continue;
      if ([...elementsAround(scene, element)].some((up) => notHere.test(up.tag))) continue;
      const inner = innermost(element);
      const size = styles.fontSize({ element: inner });
      const nextSize = styles.fontSize({ element: next });
      const bold = (styles.fontWeight({ element: inner }) ?? 400) >= 600;
      const nextBold = (styles.fontWeight({ element: next }) ?? 400) >= 600;
      const larger = size !== null && nextSize !== null && size >= nextSize * LARGER;
      if (nextBold || !(bold || larger)) continue;
      found.push({ element, bold, larger });
    }
  }
  found.sort((a, b) => index.record(a.element).order - index.record(b.element).order);
  return new Map(found.map((imitation) => [imitation.element, imitation]));
});

/** The text of an element that holds one short line and no end of a sentence; null otherwise. */
function oneLine(element: ElementNode): string | null {
  const text = textContent(element);
  if (
    text === "" ||
    text.length > LONGEST_HEADING ||
    /[.,;:!?…»”")]$/.test(text) ||
    !/^[\p{Lu}\p{N}]/u.test(text)
  )
    return null;
  if (!/\p{L}{3}/u.test(text)) return null;
  const content = element.children.filter(
    (node) => !(node.kind === "text" && writtenText(node.value).trim() === "") && node.kind !== "comment",
  );
  return content.length === 1 && isPlain(content[0] as Node) ? text : null;
}

const emphasis = new Set(["b", "strong", "span", "font", "big", "u"]);

const isPlain = (node: Node): boolean =>
  node.kind === "text" ||
  node.kind === "comment" ||
  (node.kind === "element" && emphasis.has(node.tag) && node.children.every(isPlain));

function innermost(element: ElementNode): ElementNode {
  const only = element.children.filter((node) => node.kind === "element");
  return only.length === 1 && only[0]?.kind === "element" ? innermost(only[0]) : element;
}

function judge(element: ElementNode, scene: Scene): Verdict {
  const imitation = imitations(scene).get(element);
  if (imitation === undefined) return inapplicable;
  const text = textContent(element);
  const levelBefore = headingsOf(scene).findLast(
    (heading) => scene.page.index.record(heading.element).order < scene.page.index.record(element).order,
  )?.level;
  const level = Math.min(6, (levelBefore ?? 1) + 1);
  const repair = withChanges(
    "likely",
    `Make it a heading: <h${level}>${text}</h${level}>, and set its look in the stylesheet.`,
    [renameElement(element, `h${level}`)],
  );
  const details = {
    facts: { text },
    cause: { kind: "imitated headings" as const, of: [String(imitation.bold), String(imitation.larger)] },
  };
  // Set apart twice over, and more than once: that is a habit of this page.
  const isHabit = [...imitations(scene).values()].filter((other) => other.bold && other.larger).length > 1;
  if (imitation.bold && imitation.larger && isHabit)
    return failed(
      `"${text}" looks like a heading and heads what follows, but is told as plain text.`,
      repair,
      details,
    );
  return cantTell(`Is "${text}" the heading of what follows? Then it must be one.`, repair, details);
}

export const headingsMarked = {
  id: "structure.headings-marked",
  kind: "page",
  criteria: ["1.3.1"],
  severity: "barrier",
  means: "What looks and works like a heading is one.",
  who: "Someone who cannot see the bold line does not know that a new part begins, and cannot jump to it.",
  mend: "Use <h1> to <h6> and set the look in the stylesheet.",
  looksAt: (scene: Scene) => imitations(scene).keys(),
  judge,
  examples: [
    {
      html: `<h2>Before the cradle moves</h2><p>Look behind the cradle and call out. The winch hand answers before the brake comes off.</p>`,
      finds: [],
    },
    {
      html: `<p><strong>Careful.</strong></p><p>Look behind the cradle and call out. The winch hand answers before the brake comes off.</p>`,
      finds: [],
    },
    {
      html: `<p>Look behind the <b>cradle</b></p><p>Look behind the cradle and call out. The winch hand answers before the brake comes off.</p>`,
      finds: [],
    },
    {
      html: `<style>.t { font-size: 1.5em }</style><p class="t"><b>Before it moves</b></p><p>Look behind the cradle and call out. The winch hand answers before the brake comes off.</p><p class="t"><b>While it moves</b></p><p>Stay where the winch hand can see you. If you lose sight of each other the lift stops.</p>`,
      finds: [
        [
          "failed",
          `<p class="t">`,
          `"Before it moves" looks like a heading and heads what follows, but is told as plain text.`,
        ],
        [
          "failed",
          `<p class="t">`,
          `"While it moves" looks like a heading and heads what follows, but is told as plain text.`,
        ],
      ],
    },
    {
      html: `<p><b>Before it moves</b></p><p>Look behind the cradle and call out. The winch hand answers before the brake comes off.</p>`,
      finds: [["cantTell", "<p>", `Is "Before it moves" the heading of what follows? Then it must be one.`]],
    },
  ],
} as const satisfies PageCheck;
