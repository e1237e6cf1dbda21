import { elementsBelow } from "../../document/around.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { cantTell, failed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import { bottomOf, rightOf, shared } from "../../scene/cut-off.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Box } from "../../scene/seen.ts";
import type { PageCheck } from "../check.ts";
import { isExposed, sureStops } from "../exposed.ts";

/** Flex and grid containers with text in two or more items that styles put in another order. CSS Flexbox 1 §5. */
function* reordered(scene: Scene): Iterable<ElementNode> {
  const { index, styles } = scene.page;
  if (!styles.declares("order") && !styles.declares("flex-direction")) return;
  for (const element of index.elements) {
    const display = styles.keyword(element, "display");
    if (display === null || !/flex|grid/.test(display) || !isExposed(scene, element)) continue;
    const items = index.childElements(element).filter((item) => textContent(item) !== "");
    if (items.length < 2) continue;
    const isReversed =
      /flex/.test(display) && styles.keyword(element, "flex-direction")?.endsWith("reverse") === true;
    const orders = items.map((item) => Number(styles.keyword(item, "order") ?? 0));
    const isSorted = orders.every((order, index) => index === 0 || order >= (orders[index - 1] ?? 0));
    if (isReversed || !isSorted) yield element;
  }
}

/** So many stops in the opposite order are no accident, and no pair of buttons. */
const PLAINLY = 3;

/** Whether Tab goes through the items of a container from the last to the first, as they are seen. */
function isBackwards(scene: Scene, container: ElementNode): boolean {
  const usual = scene.seen?.usual ?? null;
  if (usual === null) return false;
  const { index } = scene.page;
  const stops = new Set(sureStops(scene));
  const items = index
    .childElements(container)
    .flatMap((item) => [item, ...elementsBelow(index, item)])
    .filter((element) => stops.has(element))
    .flatMap((element) => usual.boxes(element).slice(0, 1));
  if (items.length < PLAINLY) return false;
  const pairs = items.slice(1).map((box, i) => [items[i] as Box, box] as const);
  const isRow = pairs.every(
    ([one, other]) =>
      (shared({ ...one, left: 0, width: 1 }, { ...other, left: 0, width: 1 })?.height ?? 0) > one.height / 2,
  );
  const isRightToLeft = scene.page.styles.keyword(container, "direction") === "rtl";
  return isRow
    ? pairs.every(([one, other]) =>
        isRightToLeft ? other.left >= rightOf(one) - 1 : rightOf(other) <= one.left + 1,
      )
    : pairs.every(([one, other]) => bottomOf(other) <= one.top + 1);
}

const judge = (element: ElementNode, scene: Scene): Verdict => {
  if (isBackwards(scene, element))
    return failed(
      "What can be used in here is seen in one order, and reached with Tab and read aloud in the opposite one.",
      ask("Write it in the source in the order in which it is seen."),
    );
  const reversed = scene.page.styles.keyword(element, "flex-direction")?.endsWith("reverse") === true;
  return cantTell(
    `Styles show what is in here ${reversed ? "backwards" : "in another order"} (${reversed ? "flex-direction" : "order"}). Does it make sense in the order of the source too, as it is read aloud and reached with Tab?`,
    ask("Write it in the source in the order in which it is meant to be read."),
    { facts: { by: reversed ? "flex-direction" : "order" } },
  );
};

export const readingOrderKept = {
  id: "structure.reading-order",
  kind: "page",
  criteria: ["1.3.2"],
  severity: "barrier",
  means: "The order of the source makes sense, whatever the styles show.",
  who: "Someone using a screen reader or the keyboard meets things in another order than everybody else sees them.",
  mend: "Put things in order in the source.",
  looksAt: reordered,
  judge,
  examples: [
    { html: `<div style="display: flex"><p>One</p><p>Two</p></div>`, finds: [] },
    { html: `<p style="order: 2">One</p>`, finds: [] },
    {
      html: `<div style="display: flex"><p style="order: 2">One</p><p>Two</p></div>`,
      finds: [
        [
          "cantTell",
          `<div style="display: flex">`,
          "Styles show what is in here in another order (order). Does it make sense in the order of the source too, as it is read aloud and reached with Tab?",
        ],
      ],
    },
    {
      html: `<div style="display: flex; flex-direction: row-reverse"><p>One</p><p>Two</p></div>`,
      finds: [
        [
          "cantTell",
          `<div style="display: flex; flex-direction: row-reverse">`,
          "Styles show what is in here backwards (flex-direction). Does it make sense in the order of the source too, as it is read aloud and reached with Tab?",
        ],
      ],
    },
    {
      html: `<div style="display: flex; flex-direction: row-reverse"><button>Four</button><button>Three</button><button>Two</button></div>`,
      isSeen: true,
      finds: [
        [
          "failed",
          `<div style="display: flex; flex-direction: row-reverse">`,
          "What can be used in here is seen in one order, and reached with Tab and read aloud in the opposite one.",
        ],
      ],
    },
    {
      html: `<div style="display: flex; flex-direction: row-reverse"><button>Book</button><button>Not now</button></div>`,
      isSeen: true,
      finds: [
        [
          "cantTell",
          `<div style="display: flex; flex-direction: row-reverse">`,
          "Styles show what is in here backwards (flex-direction). Does it make sense in the order of the source too, as it is read aloud and reached with Tab?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
