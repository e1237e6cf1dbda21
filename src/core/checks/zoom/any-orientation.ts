import { NO } from "../../css/certainty.ts";
import type { Declared } from "../../css/declared.ts";
import { elementsBelow } from "../../document/around.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { removeDeclaration } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";

/** Words by which a page asks for the device to be turned. */
const turning =
  /\b(?:turn|rotate|flip|landscape|portrait|sideways|upright|dreh|quer|hochformat|tourne|paysage)/i;

/** What is shown in one position of the window alone, while a text asks for that position in the other; null for nothing. */
const askedToTurnFor = keptForScene((scene: Scene): ElementNode | null => {
  const turned = scene.turned();
  if (turned === null) return null;
  const positions = [scene.presence, turned.presence] as const;
  const isIn = (element: ElementNode, position: 0 | 1) => positions[position].of(element).rendered !== NO;
  const onlyIn = (position: 0 | 1, holds: (element: ElementNode) => boolean) =>
    scene.page.index.elements.find(
      (element) => isIn(element, position) && !isIn(element, position === 0 ? 1 : 0) && holds(element),
    ) ?? null;
  for (const asked of [0, 1] as const) {
    const request = onlyIn(asked, (element) => turning.test(textContent(element)));
    if (request === null) continue;
    const kept = onlyIn(asked === 0 ? 1 : 0, (element) => holdsAnything(scene, element));
    if (kept !== null) return kept;
  }
  return null;
});

const holdsAnything = ({ page: { index } }: Scene, element: ElementNode): boolean =>
  textContent(element) !== "" ||
  [...elementsBelow(index, element)].some(({ tag }) =>
    /^(?:input|select|textarea|button|img|svg|canvas|video)$/.test(tag),
  );

/** Elements that look different once the window is turned, in the two ways that lock it; else the page as a whole. */
function* turnedElements(scene: Scene): Iterable<ElementNode> {
  const asked = askedToTurnFor(scene);
  if (asked !== null) {
    yield asked;
    return;
  }
  // A page whose styles do not ask how the window stands is the same in both positions.
  if (scene.turned() === null) {
    yield* scene.page.index.byTag("body").slice(0, 1);
    return;
  }
  const locked = scene.page.index.elements.filter(
    (element) => quarterTurn(scene, element) !== null || vanishes(scene, element),
  );
  yield* locked.length > 0 ? locked : scene.page.index.byTag("body").slice(0, 1);
}

/** Degrees by which an element is turned in just one of the two positions of the window, when it is a quarter; else null. */
function quarterTurn(scene: Scene, element: ElementNode): number | null {
  const turned = scene.turned();
  if (turned === null) return null;
  const [here, there] = [scene.page, turned.page].map(({ styles }) => {
    const transform = degreesOf(styles.keyword(element, "transform") ?? "");
    return transform === 0 ? degreesOf(`rotate(${styles.keyword(element, "rotate") ?? ""})`) : transform;
  });
  if (here === undefined || there === undefined) return null;
  const quarter = (degrees: number) => Math.abs(Math.abs(degrees) % 180) === 90;
  return quarter(here) !== quarter(there) && (here === 0 || there === 0) ? here + there : null;
}

/** The declarations that turn it, in whichever position they do. */
function turningDeclarations(scene: Scene, element: ElementNode): readonly Declared[] {
  const pages = [scene.page, ...[scene.turned()?.page ?? []].flat()];
  return pages.flatMap(({ styles }) =>
    ["transform", "rotate"].flatMap((property) => {
      const value = styles.value(element, property);
      const isTurn =
        value?.own === true && value.block?.origin === "author" && !/^none$/i.test(value.text ?? "none");
      return isTurn && value?.declared != null ? [value.declared] : [];
    }),
  );
}

function degreesOf(transform: string): number {
  const match = /rotatez?\(\s*([+-]?[\d.]+)(deg|turn|grad|rad)?\s*\)/i.exec(transform);
  if (match === null) return 0;
  const value = Number(match[1]);
  const unit = match[2]?.toLowerCase() ?? "deg";
  return Math.round(
    value * (unit === "turn" ? 360 : unit === "grad" ? 0.9 : unit === "rad" ? 180 / Math.PI : 1),
  );
}

/** The main part of the page is there in one position and not in the other. */
function vanishes(scene: Scene, element: ElementNode): boolean {
  const turned = scene.turned();
  if (turned === null || (element.tag !== "main" && element.tag !== "body")) return false;
  const [here, there] = [scene.presence.of(element), turned.presence.of(element)];
  return (here.rendered === NO) !== (there.rendered === NO);
}

function judge(element: ElementNode, scene: Scene): Verdict {
  const degrees = quarterTurn(scene, element);
  if (degrees !== null) {
    if (textContent(element) === "" && !/^(?:img|svg|video|canvas|iframe)$/.test(element.tag))
      return inapplicable;
    const isWhole = /^(?:html|body|main)$/.test(element.tag) || textContent(element).length > 20;
    const summary = "Take the rotation away, and lay the content out for both positions of the window.";
    const turning = turningDeclarations(scene, element);
    const repair =
      turning.length === 0 ? ask(summary) : withChanges("likely", summary, turning.map(removeDeclaration));
    const details = { facts: { degrees } };
    return isWhole
      ? failed(
          `Styles turn this by ${Math.abs(degrees)}° when the window is turned: it can be read in one position only.`,
          repair,
          details,
        )
      : cantTell(
          `Styles turn this by ${Math.abs(degrees)}° when the window is turned. Can it be read in both positions?`,
          repair,
          details,
        );
  }
  if (askedToTurnFor(scene) === element)
    return failed(
      "This is shown in one position of the window alone; in the other there is a text that asks to turn the device.",
      ask("Show it in both positions, and lay it out for each."),
    );
  return vanishes(scene, element)
    ? failed(
        "Styles hide the content of this page in one of the two positions of the window.",
        ask("Show the content in both, and lay it out for each."),
      )
    : passed;
}

export const anyOrientation = {
  id: "zoom.any-orientation",
  kind: "page",
  criteria: ["1.3.4"],
  severity: "barrier",
  means: "The page can be used with the window upright and lying.",
  who: "Someone whose tablet is fixed to a wheelchair cannot turn it.",
  mend: "Lay the content out for both; do not turn or hide it.",
  looksAt: turnedElements,
  judge,
  examples: [
    {
      html: `<style>.turn { display: none } @media (orientation: portrait) { .app { display: none } .turn { display: block } }</style><p class="turn">Please turn your device.</p><p class="app">Fill the lock</p>`,
      finds: [
        [
          "failed",
          `<p class="app">`,
          "This is shown in one position of the window alone; in the other there is a text that asks to turn the device.",
        ],
      ],
    },
    {
      html: `<style>.wide { display: none } @media (orientation: landscape) { .tall { display: none } .wide { display: block } }</style><p class="wide">Slips one to four, side by side</p><p class="tall">Slips one to four</p>`,
      finds: [],
    },
    {
      html: `<style>@media (orientation: portrait) { main { padding: 1em } }</style><main>High water at six.</main>`,
      finds: [],
    },
    {
      html: `<style>.a { transform: rotate(90deg) }</style><p class="a">High water at six in the morning.</p>`,
      finds: [],
    },
    {
      html: `<style>@media (orientation: portrait) { main { transform: rotate(90deg) } }</style><main>High water at six.</main>`,
      finds: [
        [
          "failed",
          "<main>",
          "Styles turn this by 90° when the window is turned: it can be read in one position only.",
        ],
      ],
    },
    {
      html: `<style>@media (orientation: landscape) { main { rotate: -90deg } }</style><main>High water at six.</main>`,
      finds: [
        [
          "failed",
          "<main>",
          "Styles turn this by 90° when the window is turned: it can be read in one position only.",
        ],
      ],
    },
    {
      html: `<style>@media (orientation: portrait) { main { display: none } }</style><main>High water at six.</main>`,
      finds: [
        [
          "failed",
          "<main>",
          "Styles hide the content of this page in one of the two positions of the window.",
        ],
      ],
    },
    {
      html: `<style>@media (orientation: portrait) { i { transform: rotate(90deg) } }</style><p><i>More</i></p>`,
      finds: [
        [
          "cantTell",
          "<i>",
          "Styles turn this by 90° when the window is turned. Can it be read in both positions?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
