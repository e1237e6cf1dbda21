import type { ElementNode } from "../../document/node.ts";
import { writtenText } from "../../document/written.ts";
import { declaredAt } from "../../findings/cause.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { setDeclaration } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { type FixedTarget, fixedTargets } from "./fixed-size.ts";
import { hasEqual, isNativelySmall, isSmallTarget, seenTargets, tooNear } from "./seen-targets.ts";

/** WCAG 2.5.8: a side of 24 CSS pixels, or a circle of that diameter around each that meets no other. */
const NEEDED = 24;

/** Room that a space between two boxes in a line takes, as a multiple of the font size: more than in any usual font. */
const SPACE = 0.4;

function judge(element: ElementNode, scene: Scene): Verdict {
  return scene.seen === null ? judgeFixed(element, scene) : judgeSeen(element, scene);
}

/** By where a press reaches it, with every exception of the criterion. */
function judgeSeen(element: ElementNode, scene: Scene): Verdict {
  const target = seenTargets(scene).get(element);
  if (target === undefined) return inapplicable;
  if (!isSmallTarget(target, NEEDED) || isNativelySmall(target, NEEDED) || target.isInLine) return passed;
  const near = tooNear(scene, target, NEEDED);
  if (near === null || hasEqual(scene, target, NEEDED)) return passed;
  const [width, height] = [round(target.box.width), round(target.box.height)];
  const other = scene.name(near.other.element).text;
  const [own] = scene.seen?.usual.boxes(element) ?? [];
  const isCovered = own !== undefined && own.height - height > 2 && own.height >= NEEDED;
  return failed(
    `This target is ${width} by ${height} pixels${isCovered ? " where nothing lies over it" : ""}, and a circle of ${NEEDED} around its middle meets ${other === "" ? "another target" : `"${other}"`}.`,
    enlarged(scene, { element, width, height }),
    { facts: { width, height, distance: round(near.distance) } },
  );
}

/** By the sizes that styles fix. */
function judgeFixed(element: ElementNode, scene: Scene): Verdict {
  const target = fixedTargets(scene).get(element);
  if (target === undefined) return passed;
  const { width, height } = target;
  const isSmall = (width !== null && width < NEEDED) || (height !== null && height < NEEDED);
  if (!isSmall) return passed;
  for (const [first, second] of [...besideOf(scene, target), ...besideInItems(scene, target)]) {
    const between = distance(scene, first, second);
    if (between === null || between >= NEEDED) continue;
    const size =
      width !== null && height !== null
        ? `${round(width)} by ${round(height)}`
        : `${round(Math.min(width ?? Infinity, height ?? Infinity))}`;
    return failed(
      `This target is ${size} pixels, and the next one begins ${between <= Math.min(width ?? Infinity, height ?? Infinity) + 0.5 ? "right beside it" : "close by"}: ${round(between)} pixels from middle to middle, of ${NEEDED} needed.`,
      enlarged(scene, target),
      {
        facts: { width, height, distance: round(between) },
        cause: {
          kind: "size",
          of: ["height", "width"].map((side) =>
            declaredAt(scene.page.styles.value(element, side)?.declared?.source),
          ),
        },
      },
    );
  }
  return passed;
}

type Beside = readonly [first: FixedTarget, second: FixedTarget];

/** A target with the one before it, and with the one after it. */
function besideOf(
  scene: Scene,
  target: FixedTarget,
  targetOf: (element: ElementNode) => FixedTarget | undefined = (one) => fixedTargets(scene).get(one),
): readonly Beside[] {
  const { index } = scene.page;
  const { element } = target;
  const siblings = index.childElements(index.record(element).parent ?? index.record(element).root);
  const position = siblings.indexOf(element);
  const [before, after] = [siblings[position - 1], siblings[position + 1]].map((other) =>
    other === undefined ? undefined : targetOf(other),
  );
  return [
    ...(before === undefined ? [] : [[before, target] as const]),
    ...(after === undefined ? [] : [[target, after] as const]),
  ];
}

/** The same for targets that are each all of an item: the items stand beside one another, and are as high as they are. */
function besideInItems(scene: Scene, target: FixedTarget): readonly Beside[] {
  const parent = scene.page.index.flatParent(target.element);
  const item = parent === null ? undefined : itemOf(scene, parent);
  return item === undefined ? [] : besideOf(scene, item, (other) => itemOf(scene, other));
}

function itemOf(scene: Scene, item: ElementNode): FixedTarget | undefined {
  const { styles, index } = scene.page;
  const [only, ...more] = index.childElements(item);
  const target = only === undefined ? undefined : fixedTargets(scene).get(only);
  if (target === undefined || more.length > 0 || item.tag !== "li") return undefined;
  if (!/^(?:block|flex|grid)$/.test(styles.keyword(target.element, "display") ?? "")) return undefined;
  if (item.children.some((node) => node.kind === "text" && writtenText(node.value).trim() !== ""))
    return undefined;
  if (
    ["height", "min-height", "width", "min-width"].some(
      (side) => !/^(?:auto|0|0px|none)$/.test(styles.keyword(item, side) ?? ""),
    )
  )
    return undefined;
  const around = (sides: readonly string[]): number | null => {
    let sum = 0;
    for (const side of sides) {
      const parts = [
        styles.pixels({ element: item }, `padding-${side}`),
        styles.pixels({ element: target.element }, `margin-${side}`),
        styles.keyword(item, `border-${side}-style`) === "none"
          ? 0
          : styles.pixels({ element: item }, `border-${side}-width`),
      ];
      for (const part of parts) {
        if (part === null) return null;
        sum += part;
      }
    }
    return sum;
  };
  const [wide, high] = [around(["left", "right"]), around(["top", "bottom"])];
  return {
    element: item,
    width: target.width === null || wide === null ? null : target.width + wide,
    height: target.height === null || high === null ? null : target.height + high,
  };
}

/** Sides that are written in pixels are written larger. */
function enlarged(scene: Scene, { element, width, height }: FixedTarget): Repair {
  const summary = `Make it ${NEEDED} pixels high and wide (padding counts), or put room between.`;
  const small = (
    [
      ["width", width],
      ["height", height],
    ] as const
  ).filter(([, size]) => size !== null && size < NEEDED);
  const declared = small.flatMap(([side]) => {
    const value = scene.page.styles.value(element, side);
    return value?.declared != null && value.block?.origin === "author" && value.declared.replaceable
      ? [value.declared]
      : [];
  });
  return declared.length === small.length && declared.length > 0
    ? withChanges(
        "likely",
        summary,
        declared.map((one) => setDeclaration(one, `${NEEDED}px`)),
      )
    : ask(summary);
}

const round = (pixels: number): number => Math.round(pixels * 10) / 10;

/** From the middle of one target to that of its next sibling, as far as styles fix it; null where they do not. */
function distance(scene: Scene, first: FixedTarget, second: FixedTarget): number | null {
  const { styles, index } = scene.page;
  const parent = index.flatParent(first.element);
  if (parent === null || index.flatParent(second.element) !== parent) return null;
  if (isMoved(scene, first.element) || isMoved(scene, second.element)) return null;
  const layout = styles.keyword(parent, "display") ?? "";
  const ways = [first, second].map(({ element }) => styles.keyword(element, "display"));
  const margin = (element: ElementNode, side: string) => styles.pixels({ element }, `margin-${side}`);
  const textBetween = hasTextBetween(parent, first.element, second.element);
  const along = (axis: "width" | "height", extra: number | null): number | null => {
    const [a, b] = [first[axis], second[axis]];
    const [end, start] = axis === "height" ? ["bottom", "top"] : ["right", "left"];
    const gaps = [margin(first.element, end), margin(second.element, start)];
    if (a === null || b === null || extra === null || gaps[0] == null || gaps[1] == null) return null;
    return a / 2 + b / 2 + gaps[0] + gaps[1] + extra;
  };
  if (/flex/.test(layout)) {
    // What is spread out stands wider apart than its gaps.
    if (
      !/^(?:normal|(?:flex-)?(?:start|end)|left|right|center)$/.test(
        styles.keyword(parent, "justify-content") ?? "",
      )
    )
      return null;
    const isColumn = styles.keyword(parent, "flex-direction")?.startsWith("column") === true;
    const gapName = isColumn ? "row-gap" : "column-gap";
    const gap =
      styles.keyword(parent, gapName) === "normal" ? 0 : styles.pixels({ element: parent }, gapName);
    return along(isColumn ? "height" : "width", gap);
  }
  if (/grid/.test(layout) || textBetween) return null;
  if (ways.every((display) => /^(?:block|flex|list-item)$/.test(display ?? ""))) return along("height", 0);
  if (ways.every((display) => display?.startsWith("inline-") === true || display === "inline-block")) {
    const size = styles.fontSize({ element: parent });
    return size === null ? null : along("width", size * SPACE);
  }
  return null;
}

const isMoved = (scene: Scene, element: ElementNode): boolean => {
  const { styles } = scene.page;
  return (
    styles.keyword(element, "position") !== "static" ||
    styles.keyword(element, "float") !== "none" ||
    (styles.keyword(element, "transform") ?? "none") !== "none"
  );
};

function hasTextBetween(parent: ElementNode, first: ElementNode, second: ElementNode): boolean {
  const from = parent.children.indexOf(first);
  const to = parent.children.indexOf(second);
  return parent.children
    .slice(from + 1, to)
    .some((node) => node.kind === "text" && writtenText(node.value).trim() !== "");
}

export const targetSize = {
  id: "touch.target-size",
  kind: "page",
  criteria: ["2.5.8"],
  severity: "barrier",
  means: "What is pressed is 24 by 24 CSS pixels, or has that much room around it.",
  who: "Someone with a trembling hand, or a thick finger, presses the one beside it.",
  mend: "Make it larger with padding, or put room between.",
  looksAt: (scene: Scene) => (scene.seen === null ? fixedTargets(scene) : seenTargets(scene)).keys(),
  judge,
  examples: [
    {
      html: `<style>a { display: block; height: 12px; margin: 12px 0 }</style><nav><a href="a">A</a><a href="b">B</a></nav>`,
      finds: [],
    },
    {
      html: `<style>a { display: block; height: 12px; padding: 6px 0 }</style><nav><a href="a">A</a><a href="b">B</a></nav>`,
      finds: [],
    },
    {
      html: `<style>button { width: 12px; height: 12px }</style><p><button>x</button> and then <button>y</button></p>`,
      finds: [],
    },
    {
      html: `<style>a { display: block; height: 12px }</style><nav><a href="a">A</a><a href="b">B</a></nav>`,
      finds: [
        [
          "failed",
          `<a href="a">`,
          "This target is 12 pixels, and the next one begins right beside it: 12 pixels from middle to middle, of 24 needed.",
        ],
        [
          "failed",
          `<a href="b">`,
          "This target is 12 pixels, and the next one begins right beside it: 12 pixels from middle to middle, of 24 needed.",
        ],
      ],
    },
    {
      html: `<style>div { display: flex; gap: 2px } button { width: 16px; height: 16px; padding: 0; border: 0 }</style><div><button>a</button><button>b</button></div>`,
      finds: [
        [
          "failed",
          "<button>",
          "This target is 16 by 16 pixels, and the next one begins close by: 18 pixels from middle to middle, of 24 needed.",
        ],
        [
          "failed",
          "<button>",
          "This target is 16 by 16 pixels, and the next one begins close by: 18 pixels from middle to middle, of 24 needed.",
        ],
      ],
    },
    {
      html: `<style>li { margin: 0 } a { display: block; width: 16px; height: 16px }</style><ul><li><a href="1">1</a></li><li><a href="2">2</a></li></ul>`,
      finds: [
        [
          "failed",
          `<a href="1">`,
          "This target is 16 by 16 pixels, and the next one begins right beside it: 16 pixels from middle to middle, of 24 needed.",
        ],
        [
          "failed",
          `<a href="2">`,
          "This target is 16 by 16 pixels, and the next one begins right beside it: 16 pixels from middle to middle, of 24 needed.",
        ],
      ],
    },
    {
      html: `<style>li { padding: 4px 0 } a { display: block; width: 16px; height: 16px }</style><ul><li><a href="1">1</a></li><li><a href="2">2</a></li></ul>`,
      finds: [],
    },
    {
      html: `<style>a { display: inline-block; width: 18px; height: 18px; overflow: hidden }</style><nav><a href="a">A</a><a href="b">B</a></nav>`,
      isSeen: true,
      finds: [
        [
          "failed",
          `<a href="a">`,
          `This target is 18 by 18 pixels, and a circle of 24 around its middle meets "B".`,
        ],
        [
          "failed",
          `<a href="b">`,
          `This target is 18 by 18 pixels, and a circle of 24 around its middle meets "A".`,
        ],
      ],
    },
    {
      html: `<p>Ask the <a href="a">crane</a> or the <a href="b">slip</a> first.</p>`,
      isSeen: true,
      finds: [],
    },
    {
      html: `<p><label><input type="checkbox"> Crane</label> <label><input type="checkbox"> Slip</label></p>`,
      isSeen: true,
      finds: [],
    },
    {
      html: `<style>input, select { display: block; width: 90% }</style><input aria-label="Boat"><select aria-label="Slip"><option>4</option></select><button>Book</button><button>Ask</button>`,
      isSeen: true,
      finds: [],
    },
    {
      html: `<style>button { width: 60px; height: 16px; padding: 0; border: 0; display: block }</style><button>Book</button><button>Ask</button>`,
      isSeen: true,
      finds: [
        [
          "failed",
          `<button>`,
          `This target is 60 by 16 pixels, and a circle of 24 around its middle meets "Ask".`,
        ],
        [
          "failed",
          `<button>`,
          `This target is 60 by 16 pixels, and a circle of 24 around its middle meets "Book".`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
