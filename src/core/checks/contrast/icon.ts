import { contrastRatio, shownRatio } from "../../colour/contrast.ts";
import { over, type Rgba, toHex } from "../../colour/rgba.ts";
import { NO } from "../../css/certainty.ts";
import type { CascadedValue } from "../../css/style.ts";
import { elementsBelow } from "../../document/around.ts";
import type { ElementNode } from "../../document/node.ts";
import { declaredAt } from "../../findings/cause.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { groundAround } from "../../rendering/ground.ts";
import { whyUnseen } from "../../rendering/unseen.ts";
import type { Scene } from "../../scene/scene.ts";
import type { SchemeView } from "../../scene/schemes.ts";
import type { PageCheck } from "../check.ts";
import { visibleText } from "../visible-text.ts";
import { isInactive, schemeWords } from "./judge-text.ts";
import { originsOf, suggestColour } from "./suggest-colour.ts";

/** What a picture needs that one must see to know what a control does. WCAG 1.4.11, "Graphical Objects". */
const NEEDED = 3;

const controls = new Set(["link", "button", "tab", "menuitem", "switch", "checkbox", "radio"]);

/** Drawings that are all that a control shows. */
const icons = (scene: Scene): readonly ElementNode[] =>
  scene.page.index.byTag("svg").filter((svg) => {
    if (svg.namespace !== "svg" || scene.presence.of(svg).visible === NO) return false;
    const control = controlAround(scene, svg);
    return control !== null && visibleText(scene, control) === "";
  });

function controlAround(scene: Scene, svg: ElementNode): ElementNode | null {
  for (let up = scene.page.index.flatParent(svg); up !== null; up = scene.page.index.flatParent(up))
    if (controls.has(scene.role(up).role ?? "")) return up;
  return null;
}

interface Paint {
  readonly colour: Rgba;
  readonly value: CascadedValue;
}

const shapes = new Set("path rect circle ellipse line polyline polygon".split(" "));
const silent = new Set("svg g defs title desc metadata style".split(" "));

/** The colours that a drawing is made of; null where one of them is not plain from source. */
function paintsOf(view: SchemeView, svg: ElementNode): readonly Paint[] | null {
  const { styles, index } = view.page;
  const paints: Paint[] = [];
  for (const element of elementsBelow(index, svg)) {
    if (silent.has(element.tag)) continue;
    if (!shapes.has(element.tag) || styles.keyword(element, "opacity") !== "1") return null;
    for (const property of ["fill", "stroke"]) {
      const value = styles.value(element, property);
      const text = value?.text?.toLowerCase() ?? null;
      if (value === null || text === null) return null;
      if (text === "none" || (property === "fill" && element.tag === "line")) continue;
      const colour = styles.colourWithin({ element }, text);
      if (colour === null) return null;
      if (colour.alpha > 0) paints.push({ colour, value });
    }
  }
  return paints.length === 0 ? null : paints;
}

function judge(svg: ElementNode, scene: Scene): Verdict {
  if (isInactive(scene, svg) || !scene.stylesKnown) return inapplicable;
  let known = false;
  for (const view of scene.schemes()) {
    if (view.presence.of(svg).visible === NO || whyUnseen(view.page, svg) !== null) continue;
    const verdict = judgeIn(view, svg, scene);
    if (verdict.outcome === "failed") return verdict;
    known ||= verdict.outcome === "passed";
  }
  return known ? passed : inapplicable;
}

function judgeIn(view: SchemeView, svg: ElementNode, scene: Scene): Verdict {
  const paints = paintsOf(view, svg);
  const grounds = groundAround(view.page, view.painted, svg);
  const [ground] = grounds ?? [];
  if (paints === null || grounds === null || ground === undefined) return inapplicable;
  // A shape may lie on another as well as on what is around the drawing.
  const ratioOn = (on: Rgba): number => {
    const seen = [on, ...paints.map(({ colour }) => over(colour, on))];
    return Math.max(...seen.flatMap((one) => seen.map((other) => contrastRatio(one, other))));
  };
  const ratios = grounds.map(ratioOn);
  if (ratios.some((ratio) => ratio >= NEEDED)) return passed;
  const ratio = Math.max(...ratios);
  const [strongest] = [...paints].sort(
    (one, other) =>
      contrastRatio(over(other.colour, ground), ground) - contrastRatio(over(one.colour, ground), ground),
  );
  if (strongest === undefined) return inapplicable;
  const shown = over(strongest.colour, ground);
  return failed(
    `This icon has a contrast of ${shownRatio(ratio)}${schemeWords(view.scheme)}, ${toHex(shown)} on ${toHex(ground)}; it needs 3:1.`,
    suggestColour(scene, strongest.value, shown, ground, NEEDED, { element: svg }),
    {
      facts: {
        ratio,
        needed: NEEDED,
        foreground: toHex(shown),
        background: toHex(ground),
        scheme: view.scheme,
      },
      origins: originsOf("foreground", strongest.value),
      cause: {
        kind: "edge",
        of: [toHex(shown), toHex(ground), declaredAt(strongest.value.declared?.source)],
      },
    },
  );
}

export const contrastIcon = {
  id: "contrast.icon",
  kind: "page",
  isHeard: false,
  surroundings: "colours",
  criteria: ["1.4.11"],
  severity: "barrier",
  means: "An icon that is all a control shows stands out from what is behind it by at least 3:1.",
  who: "Someone with low vision does not see the icon, and so not what the control does.",
  mend: "Give the icon a darker colour.",
  looksAt: icons,
  judge,
  examples: [
    {
      html: `<button aria-label="Find"><svg width="9" height="9"><path d="M0 0h9v9z"/></svg></button>`,
      finds: [],
    },
    {
      html: `<button><svg width="9" height="9" fill="#ddd"><path d="M0 0h9v9z"/></svg> Find</button>`,
      finds: [],
    },
    {
      html: `<button aria-label="Find" disabled><svg width="9" height="9" fill="#ddd"><path d="M0 0h9v9z"/></svg></button>`,
      finds: [],
    },
    {
      html: `<style>button { background: #fff }</style><button aria-label="Find"><svg width="9" height="9"><circle r="4" fill="#ddd"/><path d="M0 0h9v9z" fill="#222"/></svg></button>`,
      finds: [],
    },
    {
      html: `<style>button { background: #fff; color: #bbb }</style><button aria-label="Find"><svg width="9" height="9" fill="none" stroke="currentColor"><path d="M0 0h9v9z"/></svg></button>`,
      finds: [
        [
          "failed",
          `<svg width="9" height="9" fill="none" stroke="currentColor">`,
          "This icon has a contrast of 1.91:1, #bbbbbb on #ffffff; it needs 3:1.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
