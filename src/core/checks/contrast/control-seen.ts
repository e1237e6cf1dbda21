import { shownRatio } from "../../colour/contrast.ts";
import { elementsBelow } from "../../document/around.ts";
import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import { around } from "../../scene/cut-off.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { sureStops } from "../exposed.ts";
import { isInactive } from "./judge-text.ts";

/** WCAG 1.4.11: what one must see to know a control, or the state that it is in. */
const NEEDED = 3;

/** What differs by less is no drawing: a control may be laid over something on purpose, and draw nothing. */
const DRAWN = 1.04;

/** In CSS pixels: what is smaller is a dot, what is larger no sign. */
const [SMALLEST, LARGEST] = [8, 160];

const controls = new Set(["link", "button", "tab", "menuitem", "switch", "checkbox", "radio"]);

/** Controls that show no words: what is drawn is all that tells what they are, or which state they are in. */
export const wordlessControls = keptForScene((scene: Scene): readonly ElementNode[] => {
  const usual = scene.seen?.usual ?? null;
  if (usual === null) return [];
  return sureStops(scene).filter((element) => {
    if (element.namespace !== "html" || !controls.has(scene.role(element).role ?? "")) return false;
    const box = around(usual.boxes(element));
    const [least, most] = [
      Math.min(box?.width ?? 0, box?.height ?? 0),
      Math.max(box?.width ?? 0, box?.height ?? 0),
    ];
    if (least < SMALLEST || most > LARGEST || !usual.isDrawn(element)) return false;
    // As the browser draws them they are not the author's to mend.
    if (element.tag === "input")
      return (
        /^(?:checkbox|radio|image)$/.test(inputType(element)) &&
        scene.page.styles.keyword(element, "appearance") === "none"
      );
    const all = [element, ...elementsBelow(scene.page.index, element)];
    return all.every(
      (one) => usual.lines(one).length === 0 && !/^(?:input|select|textarea|video|iframe)$/.test(one.tag),
    );
  });
});

function judge(element: ElementNode, scene: Scene): Verdict {
  const ratio = scene.seen?.drawn(element) ?? null;
  if (ratio === null || ratio < DRAWN || isInactive(scene, element)) return inapplicable;
  if (ratio >= NEEDED) return passed;
  // Its picture may be what is missing.
  if (scene.seen?.lacksParts === true) return inapplicable;
  return failed(
    `Nothing that is drawn of this ${scene.role(element).role} stands out by more than ${shownRatio(ratio)}; it needs 3:1.`,
    ask(
      "Give its picture or its edge, and what shows its state, a colour that stands out by 3:1 from what is beside it.",
    ),
    { facts: { ratio, needed: NEEDED } },
  );
}

const page = (colour: string) =>
  `<!doctype html><html lang="en"><title>t</title><style>body { background: #fff } button { width: 48px; height: 48px; border: 0; background: #fff } i { display: block; width: 24px; height: 24px; background: linear-gradient(${colour}, ${colour}) }</style><main><h1>Slips</h1><button aria-label="Drop anchor"><i></i></button></main></html>`;

export const contrastControlSeen = {
  id: "contrast.control-seen",
  kind: "page",
  isSeen: true,
  isHeard: false,
  criteria: ["1.4.11"],
  severity: "barrier",
  means: "What is drawn of a control without words stands out by 3:1.",
  who: "Someone with low vision does not see that there is a control, or whether it is on.",
  mend: "Use a stronger colour for its picture, or draw an edge around it.",
  looksAt: wordlessControls,
  judge,
  examples: [
    { html: page("#036"), isSeen: true, finds: [] },
    {
      html: page("#ddd"),
      isSeen: true,
      finds: [
        [
          "failed",
          `<button aria-label="Drop anchor">`,
          "Nothing that is drawn of this button stands out by more than 1.35:1; it needs 3:1.",
        ],
      ],
    },
    {
      html: `<!doctype html><html lang="en"><title>t</title><style>button { width: 48px; height: 48px; border: 0; background: transparent }</style><main><h1>Slips</h1><button aria-label="Close"></button></main></html>`,
      isSeen: true,
      finds: [],
    },
    {
      html: `<!doctype html><html lang="en"><title>t</title><style>input { appearance: none; width: 56px; height: 30px; border-radius: 15px; background: #eef2f4 }</style><main><h1>Slips</h1><label><input type="checkbox" role="switch"> Lamps</label></main></html>`,
      isSeen: true,
      finds: [
        [
          "failed",
          `<input type="checkbox" role="switch">`,
          "Nothing that is drawn of this switch stands out by more than 1.12:1; it needs 3:1.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
