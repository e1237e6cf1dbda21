import { contrastRatio, shownRatio } from "../../colour/contrast.ts";
import { over, type Rgba, toHex } from "../../colour/rgba.ts";
import { NO } from "../../css/certainty.ts";
import type { CascadedValue } from "../../css/style.ts";
import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { hasAttribute } from "../../document/written.ts";
import { declaredAt } from "../../findings/cause.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { groundAround } from "../../rendering/ground.ts";
import { whyUnseen } from "../../rendering/unseen.ts";
import type { Scene } from "../../scene/scene.ts";
import type { SchemeView } from "../../scene/schemes.ts";
import type { PageCheck } from "../check.ts";
import { isInactive } from "./judge-text.ts";
import { originsOf, suggestColour } from "./suggest-colour.ts";

/** What shows a control must reach this. WCAG 1.4.11. */
const NEEDED = 3;

const sides = ["top", "right", "bottom", "left"] as const;
const boxless = /^(?:checkbox|radio|range|image|file|color|hidden|submit|reset|button)$/;

const fields = (scene: Scene): readonly ElementNode[] =>
  scene.page.index.elements.filter(
    (element) =>
      element.namespace === "html" &&
      ((element.tag === "input" && (!boxless.test(inputType(element)) || isDrawnBox(scene, element))) ||
        element.tag === "select" ||
        element.tag === "textarea") &&
      scene.presence.of(element).visible !== NO,
  );

/** Whether a checkbox or radio button is drawn by the page: as a plain box, without a picture in front of it. */
const isDrawnBox = ({ page: { styles } }: Scene, element: ElementNode): boolean =>
  /^(?:checkbox|radio)$/.test(inputType(element)) &&
  !hasAttribute(element, "checked") &&
  styles.keyword(element, "appearance") === "none" &&
  ["before", "after"].every((pseudo) => styles.likeness({ element, pseudo }) === null);

interface Edge {
  readonly colour: Rgba;
  readonly value: CascadedValue;
}

/** The borders of a field that are drawn; null where one is not known. */
function edgesOf(view: SchemeView, field: ElementNode): readonly Edge[] | null {
  const edges: Edge[] = [];
  for (const side of sides) {
    const style = view.page.styles.keyword(field, `border-${side}-style`);
    const width = view.page.styles.value(field, `border-${side}-width`)?.text ?? null;
    if (style === null || width === null) return null;
    if (style === "none" || style === "hidden" || /^0[a-z%]*$/i.test(width)) continue;
    const found = view.page.styles.colour({ element: field }, `border-${side}-color`);
    if (found === null || found.colour === null) return null;
    edges.push({ colour: found.colour, value: found.value });
  }
  return edges;
}

function judge(field: ElementNode, scene: Scene): Verdict {
  if (isInactive(scene, field)) return inapplicable;
  let known = false;
  for (const view of scene.schemes()) {
    if (view.presence.of(field).visible === NO || whyUnseen(view.page, field) !== null) continue;
    const verdict = judgeIn(view, field, scene);
    if (verdict.outcome === "failed" || verdict.outcome === "cantTell") return verdict;
    known ||= verdict.outcome === "passed";
  }
  return known ? passed : inapplicable;
}

function judgeIn(view: SchemeView, field: ElementNode, scene: Scene): Verdict {
  const { styles } = view.page;
  const edges = edgesOf(view, field);
  const fill = styles.colour({ element: field }, "background-color");
  if (edges === null || fill === null || fill.colour === null || !scene.stylesKnown) return inapplicable;
  // What the browser draws by itself is the browser's to answer for. WCAG 1.4.11, "appearance … not modified by the author".
  const isOwn = [...edges.map((edge) => edge.value), fill.value].some(
    (value) => value.block !== null && value.block.origin !== "user-agent",
  );
  const hasBorderRule = edges.length === 0 || edges.some((edge) => edge.value.block?.origin !== "user-agent");
  if (!isOwn || !hasBorderRule) return inapplicable;
  const others = ["box-shadow", "background-image", "filter"].some(
    (property) => (styles.keyword(field, property) ?? "none") !== "none",
  );
  const outline = styles.keyword(field, "outline-style");
  if (others || (outline !== null && outline !== "none")) return inapplicable;
  const grounds = groundAround(view.page, view.painted, field);
  if (grounds === null) return inapplicable;
  const [firstEdge] = edges;
  const fillColour = fill.colour;
  // On each ground the best of what shows the field: its edge against outside or inside, or its fill against outside.
  const best = grounds.map((ground) => {
    const inside = over(fillColour, ground);
    return Math.max(
      contrastRatio(inside, ground),
      ...edges.map((edge) =>
        Math.max(
          contrastRatio(over(edge.colour, ground), ground),
          contrastRatio(over(edge.colour, ground), inside),
        ),
      ),
    );
  });
  const lowest = Math.min(...best);
  if (lowest >= NEEDED) return passed;
  const [ground] = grounds;
  if (firstEdge === undefined || ground === undefined || !best.every((ratio) => ratio < NEEDED)) {
    return cantTell(
      "This field has no edge that stands out by 3:1. Does something around it show where it is?",
    );
  }
  const shown = over(firstEdge.colour, ground);
  return failed(
    `The edge of this field stands out by ${shownRatio(lowest)}, ${toHex(shown)} on ${toHex(ground)}; it needs 3:1.`,
    suggestColour(scene, firstEdge.value, shown, ground, NEEDED, { element: field }),
    {
      facts: {
        ratio: lowest,
        needed: NEEDED,
        foreground: toHex(shown),
        background: toHex(ground),
        scheme: view.scheme,
      },
      origins: originsOf("foreground", firstEdge.value),
      cause: {
        kind: "edge",
        of: [toHex(shown), toHex(ground), declaredAt(firstEdge.value.declared?.source)],
      },
    },
  );
}

export const contrastControlEdge = {
  id: "contrast.control-edge",
  kind: "page",
  isHeard: false,
  surroundings: "colours",
  criteria: ["1.4.11"],
  severity: "barrier",
  means: "The edge or ground of a field stands out from what is around it by at least 3:1.",
  who: "Someone with low vision does not see that there is a field, or where it ends.",
  mend: "Give the field a darker border.",
  looksAt: fields,
  judge,
  examples: [
    { html: `<input aria-label="Beam">`, finds: [] },
    { html: `<input aria-label="Beam" style="border: 1px solid #767676">`, finds: [] },
    { html: `<input aria-label="Beam" style="border: 1px solid #eee; background: #555">`, finds: [] },
    { html: `<input aria-label="Beam" style="border: 0; border-bottom: 2px solid #333">`, finds: [] },
    { html: `<input aria-label="Beam" disabled style="border: 1px solid #eee">`, finds: [] },
    {
      html: `<input aria-label="Beam" style="border: 1px solid #ddd">`,
      finds: [
        [
          "failed",
          `<input aria-label="Beam" style="border: 1px solid #ddd">`,
          "The edge of this field stands out by 1.35:1, #dddddd on #ffffff; it needs 3:1.",
        ],
      ],
    },
    {
      html: `<style>input { appearance: none; width: 20px; height: 20px; border: 1px solid #ddd; background: #fff }</style><label><input type="checkbox"> Winch</label>`,
      finds: [
        [
          "failed",
          `<input type="checkbox">`,
          "The edge of this field stands out by 1.35:1, #dddddd on #ffffff; it needs 3:1.",
        ],
      ],
    },
    {
      html: `<style>select { border: 1px solid #ccc; background: #fff }</style><select aria-label="Kind"><option>a</select>`,
      finds: [
        [
          "failed",
          `<select aria-label="Kind">`,
          "The edge of this field stands out by 1.60:1, #cccccc on #ffffff; it needs 3:1.",
        ],
      ],
    },
    {
      html: `<input aria-label="Beam" style="border: none; background: #fff">`,
      finds: [
        [
          "cantTell",
          `<input aria-label="Beam" style="border: none; background: #fff">`,
          "This field has no edge that stands out by 3:1. Does something around it show where it is?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
