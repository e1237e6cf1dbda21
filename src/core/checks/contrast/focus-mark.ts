import { contrastRatio, shownRatio } from "../../colour/contrast.ts";
import { onScreen, over, toHex } from "../../colour/rgba.ts";
import type { ElementNode } from "../../document/node.ts";
import { declaredAt } from "../../findings/cause.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { groundAround } from "../../rendering/ground.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { focusMarkOf, markedStops } from "../keys/focus-mark-of.ts";
import { originsOf, suggestColour } from "./suggest-colour.ts";

/** WCAG 1.4.11: what shows a state must reach this against what is beside it. */
const NEEDED = 3;

function judge(stop: ElementNode, scene: Scene): Verdict {
  if (!scene.stylesKnown) return inapplicable;
  const mark = focusMarkOf(scene, stop);
  if (mark.kind !== "outline" || mark.colour === null) return inapplicable;
  const [view] = scene.schemes();
  const interaction = { kind: "focus", element: stop } as const;
  const grounds = view === undefined ? null : groundAround(view.page, view.painted, stop, interaction);
  const offset = scene.page.styles.pixels({ element: stop, interaction }, "outline-offset");
  if (grounds === null || offset === null || offset < 0) return inapplicable;
  const { colour } = mark;
  const pairs = grounds
    .map((ground) => ({ ground: onScreen(ground), shown: onScreen(over(colour, ground)) }))
    .map((pair) => ({ ...pair, ratio: contrastRatio(pair.shown, pair.ground) }));
  const lowest = pairs.toSorted((a, b) => a.ratio - b.ratio)[0];
  if (lowest === undefined || lowest.ratio >= NEEDED) return passed;
  if (!pairs.every(({ ratio }) => ratio < NEEDED))
    return cantTell(
      "The focus mark is too pale on some of the colours it may lie on. Is it seen where it appears?",
    );
  const value = scene.page.styles.value(stop, "outline-color", interaction);
  return failed(
    `The mark of focus stands out by ${shownRatio(lowest.ratio)}, ${toHex(lowest.shown)} on ${toHex(lowest.ground)}; it needs 3:1.`,
    suggestColour(scene, value, lowest.shown, lowest.ground, NEEDED, { element: stop }),
    {
      facts: {
        ratio: lowest.ratio,
        needed: NEEDED,
        foreground: toHex(lowest.shown),
        background: toHex(lowest.ground),
        interaction: "focus",
      },
      origins: originsOf("foreground", value),
      cause: {
        kind: "mark",
        of: [toHex(lowest.shown), toHex(lowest.ground), declaredAt(value?.declared?.source)],
      },
    },
  );
}

export const contrastFocusMark = {
  id: "contrast.focus-mark",
  kind: "page",
  isHeard: false,
  surroundings: "colours",
  criteria: ["1.4.11", "2.4.7"],
  severity: "barrier",
  means: "The mark of focus stands out from what is beside it by at least 3:1.",
  who: "Someone with low vision who uses the keyboard loses sight of where they are.",
  mend: "Give the outline a stronger colour.",
  looksAt: markedStops,
  judge,
  examples: [
    { html: `<button>Haul out</button>`, finds: [] },
    { html: `<style>:focus { outline: 2px solid #06c }</style><a href="x">Slips</a>`, finds: [] },
    {
      html: `<style>a:focus { outline: 2px solid #eee; background: #000; color: #fff }</style><a href="x">Slips</a>`,
      finds: [],
    },
    {
      html: `<style>:focus { outline: 2px solid #ddd }</style><a href="x">Slips</a>`,
      finds: [
        [
          "failed",
          `<a href="x">`,
          "The mark of focus stands out by 1.35:1, #dddddd on #ffffff; it needs 3:1.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
