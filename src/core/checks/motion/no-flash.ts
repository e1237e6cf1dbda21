import { relativeLuminance } from "../../colour/contrast.ts";
import type { ElementNode } from "../../document/node.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { type EndlessAnimation, endlessAnimations } from "./animations.ts";

/** WCAG 2.3.1 and its definition of a general flash. */
const FLASHES_A_SECOND = 3;
const LUMINANCE_STEP = 0.1;
const DARKER_BELOW = 0.8;
/** A quarter of ten degrees of sight, at the usual distance: 341 by 256 CSS pixels of which a quarter. */
const SAFE_AREA = (341 * 256) / 4;

/** How often a second an animation goes from dark to light and back, as far as its grounds tell. */
function flashesPerSecond(scene: Scene, { element, name, duration }: EndlessAnimation): number {
  const { styles } = scene.page;
  const steps = styles
    .keyframes(element, name)
    .flatMap(({ offsets, declarations }) => {
      const text = declarations.get("background-color")?.text;
      const colour = text === undefined ? null : styles.colourWithin({ element }, text);
      return colour === null || colour.alpha < 0.9
        ? []
        : offsets.map((place) => ({ place, luminance: relativeLuminance(colour) }));
    })
    .sort((a, b) => a.place - b.place);
  let turns = 0;
  let direction = 0;
  for (const [i, step] of steps.entries()) {
    const next = steps[(i + 1) % steps.length];
    if (next === undefined) continue;
    const change = next.luminance - step.luminance;
    if (Math.abs(change) < LUMINANCE_STEP || Math.min(next.luminance, step.luminance) >= DARKER_BELOW)
      continue;
    if (Math.sign(change) !== direction) turns++;
    direction = Math.sign(change);
  }
  // Up and down again is one flash.
  return turns / 2 / duration;
}

function judge(element: ElementNode, scene: Scene): Verdict {
  const animation = endlessAnimations(scene)
    .get(element)
    ?.find((a) => flashesPerSecond(scene, a) > 0);
  if (animation === undefined) return inapplicable;
  const rate = flashesPerSecond(scene, animation);
  if (rate <= FLASHES_A_SECOND) return passed;
  const area = areaOf(scene, element);
  const often = `${Math.round(rate * 10) / 10} times a second`;
  const repair = ask("Let it change slowly, less than three times a second, or not at all.");
  const details = { facts: { flashes: rate, animation: animation.name } };
  if (area !== null && area <= SAFE_AREA) return passed;
  return area === null
    ? cantTell(`This flashes ${often}. Is it larger than about 150 by 150 pixels?`, repair, details)
    : failed(`This flashes ${often} over a large area: that can bring on a seizure.`, repair, details);
}

/** CSS pixels that an element surely covers; null where styles do not fix it. */
function areaOf(scene: Scene, element: ElementNode): number | null {
  const { styles } = scene.page;
  if (element.tag === "body" || element.tag === "html") return Infinity;
  const pixels = (property: string) => styles.pixels({ element }, property);
  const isPinned = /^(?:fixed|absolute)$/.test(styles.keyword(element, "position") ?? "");
  if (isPinned && ["top", "right", "bottom", "left"].every((side) => pixels(side) === 0)) return Infinity;
  const [width, height] = [pixels("width"), pixels("height")];
  return width === null || height === null ? null : width * height;
}

export const noFlash = {
  id: "motion.no-flash",
  kind: "page",
  criteria: ["2.3.1"],
  severity: "blocker",
  means: "Nothing flashes more than three times a second.",
  who: "Someone with photosensitive epilepsy may have a seizure.",
  mend: "Let it change slowly, or not at all.",
  looksAt: (scene: Scene) => endlessAnimations(scene).keys(),
  judge,
  examples: [
    {
      html: `<style>@keyframes glow { from { background: #000 } to { background: #fff } } body { animation: glow 2s infinite }</style>x`,
      finds: [],
    },
    {
      html: `<style>@keyframes b { from { background: #000 } to { background: #fff } } i { display: block; width: 20px; height: 20px; animation: b .2s infinite }</style><i>x</i>`,
      finds: [],
    },
    {
      html: `<style>@keyframes bolt { 0%, 49% { background: #000 } 50%, 100% { background: #fff } } body { animation: bolt .2s steps(1) infinite }</style>x`,
      finds: [
        ["failed", "<body>", "This flashes 5 times a second over a large area: that can bring on a seizure."],
      ],
    },
    {
      html: `<style>@keyframes b { from { background: #000 } to { background: #fff } } p { animation: b .2s infinite }</style><p>x</p>`,
      finds: [
        ["cantTell", "<p>", "This flashes 5 times a second. Is it larger than about 150 by 150 pixels?"],
      ],
    },
  ],
} as const satisfies PageCheck;
