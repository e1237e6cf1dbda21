import { elementsAbove, firstOf } from "../../document/around.ts";
import type { ElementNode } from "../../document/node.ts";
import { declaredAt } from "../../findings/cause.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { removeDeclaration } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import { around, cuttingAround } from "../../scene/cut-off.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { originsOf } from "../contrast/suggest-colour.ts";
import { sureStops } from "../exposed.ts";
import { focusMarkOf, markedStops } from "./focus-mark-of.ts";

/** What shuts a stop away so that nothing of it is ever seen, focus or not; null where it shows, or may when it has focus. */
function shutIn(stop: ElementNode, scene: Scene): ElementNode | null {
  const usual = scene.seen?.usual ?? null;
  const box = usual === null ? null : around(usual.boxes(stop));
  if (usual === null || box === null || box.width === 0 || box.height === 0) return null;
  const { styles } = scene.page;
  for (const { element, clip } of cuttingAround(scene, usual, stop)) {
    if (element === stop) continue;
    const isShut =
      (clip.x !== "visible" && clip.inside.width < 1) || (clip.y !== "visible" && clip.inside.height < 1);
    if (!isShut) continue;
    const mayOpen = [...elementsAbove(scene.page.index, stop), stop].some((one) =>
      styles.mayReact(one, "focus"),
    );
    return mayOpen || hearsFocus(stop, scene) ? null : element;
  }
  return null;
}

function judge(stop: ElementNode, scene: Scene): Verdict {
  if (shutIn(stop, scene) !== null)
    return failed(
      "Tab stops here, and nothing of it is seen: what is around it has no room for it.",
      ask("Hide what is folded away with display: none or visibility: hidden, so that Tab passes it over."),
    );
  if (!scene.stylesKnown) return inapplicable;
  if (focusMarkOf(scene, stop).kind !== "none") return passed;
  if (scene.page.styles.hasFocusClass(stop))
    return cantTell(
      "No style shows that this has focus. Does a script give it the class that shows it?",
      ask("Draw a mark with :focus-visible, which needs no script."),
    );
  if (hearsFocus(stop, scene))
    return cantTell(
      "No style shows that this has focus. Does a script draw a mark?",
      ask("Draw a mark with :focus-visible, which needs no script."),
    );
  const outline = scene.page.styles.value(stop, "outline-style", { kind: "focus", element: stop });
  const summary =
    "Leave the outline, or draw another mark: :focus-visible { outline: 2px solid; outline-offset: 2px }.";
  return failed(
    "Nothing shows when this has focus: its outline is taken away and nothing takes its place.",
    outline?.declared == null || outline.block?.origin !== "author"
      ? ask(summary)
      : withChanges("likely", summary, [removeDeclaration(outline.declared)]),
    {
      origins: originsOf("outline", outline),
      cause: { kind: "outline", of: [declaredAt(outline?.declared?.source)] },
    },
  );
}

const focusEvents = ["focus", "focusin"];

/** Whether code acts when focus comes: it may draw the mark, or send focus on. What a component hears is its own doing. */
const hearsFocus = (stop: ElementNode, { page: { index } }: Scene): boolean =>
  stop.listeners === "unknown" ||
  hears(stop) ||
  (index.document.kind === "component" && firstOf(elementsAbove(index, stop), hears) !== null);

const hears = ({ listeners }: ElementNode): boolean =>
  listeners !== "unknown" && focusEvents.some((event) => listeners.has(event));

export const focusShows = {
  id: "keys.focus-shows",
  kind: "page",
  restsOnStop: true,
  isAboutKeys: true,
  isHeard: false,
  criteria: ["2.4.7"],
  severity: "barrier",
  means: "What has focus looks different from what has not.",
  who: "Someone who sees and uses the keyboard does not know where they are, and what Enter will do.",
  mend: "Do not take the outline away without giving another mark.",
  looksAt: (scene: Scene) =>
    new Set([...markedStops(scene), ...sureStops(scene).filter((stop) => shutIn(stop, scene) !== null)]),
  judge,
  examples: [
    { html: `<button>Haul out</button>`, finds: [] },
    { html: `<style>input { outline: none }</style><input aria-label="Beam">`, finds: [] },
    {
      html: `<style>input { outline: none; caret-color: transparent }</style><input aria-label="Beam">`,
      finds: [
        [
          "failed",
          `<input aria-label="Beam">`,
          "Nothing shows when this has focus: its outline is taken away and nothing takes its place.",
        ],
      ],
    },
    {
      html: `<style>input { outline: none } input:focus-visible + span b { outline: 2px solid }</style><label><input type="checkbox"><span><b></b></span> Winch</label>`,
      finds: [],
    },
    {
      html: `<style>a { outline: none } a:focus { background: #036; color: #fff }</style><a href="x">Slips</a>`,
      finds: [],
    },
    {
      html: `<style>a:focus { outline: none; box-shadow: 0 0 0 2px #036 }</style><a href="x">Slips</a>`,
      finds: [],
    },
    { html: `<style>a:focus:not(:focus-visible) { outline: none }</style><a href="x">Slips</a>`, finds: [] },
    {
      html: `<style>* { outline: none } .w:focus-within { border: 2px solid #036 }</style><div class="w"><a href="x">Slips</a></div>`,
      finds: [],
    },
    {
      html: `<style>input { outline: none; appearance: none } input:focus + i { border: 1px solid }</style><input type="checkbox" aria-label="x"><i>x</i>`,
      finds: [],
    },
    {
      html: `<style>a { outline: none } a:focus-visible + p .dot { background: #036 }</style><a href="x">Slips</a><p><b><i class="dot">.</i></b></p>`,
      finds: [],
    },
    {
      html: `<style>a { outline: none } main:has(a:focus-visible) .far { color: #036 }</style><main><p><a href="x">Slips</a></p><section><p class="far">Tides</p></section></main>`,
      finds: [],
    },
    {
      html: `<style>input { outline: none } input:focus-visible { accent-color: #036 }</style><input type="checkbox" aria-label="Crane">`,
      finds: [],
    },
    {
      html: `<a href="x" style="outline: none" onfocus="mark(this)">Slips</a>`,
      finds: [
        [
          "cantTell",
          `<a href="x" style="outline: none" onfocus="mark(this)">`,
          "No style shows that this has focus. Does a script draw a mark?",
        ],
      ],
    },
    { html: `<p style="outline: none">Slip 4</p>`, finds: [] },
    {
      html: `<a href="x" style="outline: none">Slips</a>`,
      finds: [
        [
          "failed",
          `<a href="x" style="outline: none">`,
          "Nothing shows when this has focus: its outline is taken away and nothing takes its place.",
        ],
      ],
    },
    {
      html: `<style>:focus { outline: 0 }</style><button>Haul out</button>`,
      finds: [
        [
          "failed",
          "<button>",
          "Nothing shows when this has focus: its outline is taken away and nothing takes its place.",
        ],
      ],
    },
    {
      html: `<style>a { outline: 2px solid transparent }</style><a href="x">Slips</a>`,
      finds: [
        [
          "failed",
          `<a href="x">`,
          "Nothing shows when this has focus: its outline is taken away and nothing takes its place.",
        ],
      ],
    },
    {
      html: `<style>.bar { outline: none } .bar.is-focused { outline: 2px solid }</style><a href="x" class="bar">Slips</a>`,
      finds: [
        [
          "cantTell",
          `<a href="x" class="bar">`,
          "No style shows that this has focus. Does a script give it the class that shows it?",
        ],
      ],
    },
    {
      html: `<div style="height: 0; overflow: hidden"><a href="x">Slips</a></div>`,
      isSeen: true,
      finds: [
        [
          "failed",
          `<a href="x">`,
          "Tab stops here, and nothing of it is seen: what is around it has no room for it.",
        ],
      ],
    },
    {
      html: `<style>div { height: 0; overflow: hidden } div:focus-within { height: auto }</style><div><a href="x">Slips</a></div>`,
      isSeen: true,
      finds: [],
    },
  ],
} as const satisfies PageCheck;
