/// <reference lib="dom" />
import type { Page } from "puppeteer-core";
import type { Rgba } from "../../src/core/colour/rgba.ts";
import { desktop } from "../../src/core/css/device.ts";
import { sceneOf } from "../page.ts";

interface Computed {
  readonly tag: string;
  readonly color: readonly number[];
  readonly background: readonly number[];
  readonly fontSize: number;
  readonly fontWeight: number;
  readonly display: string;
  readonly visibility: string;
}

/** Collected in the page: every element's computed values, colours as the four numbers a canvas paints. */
function collect(): Computed[] {
  const canvas = document.createElement("canvas").getContext("2d", { willReadFrequently: true });
  const channels = (css: string): number[] => {
    const plain = /^rgba?\(([\d.]+), ([\d.]+), ([\d.]+)(?:, ([\d.]+))?\)$/.exec(css);
    if (plain !== null) return [Number(plain[1]), Number(plain[2]), Number(plain[3]), Number(plain[4] ?? 1)];
    if (canvas === null) return [];
    canvas.clearRect(0, 0, 1, 1);
    canvas.fillStyle = css;
    canvas.fillRect(0, 0, 1, 1);
    const [r = 0, g = 0, b = 0, a = 0] = canvas.getImageData(0, 0, 1, 1).data;
    return [r, g, b, a / 255];
  };
  return [...document.querySelectorAll("body, body *")].map((element) => {
    const style = getComputedStyle(element);
    return {
      tag: element.outerHTML.slice(0, 60),
      color: channels(style.color),
      background: channels(style.backgroundColor),
      fontSize: Number.parseFloat(style.fontSize),
      fontWeight: Number(style.fontWeight),
      display: style.display,
      visibility: style.visibility,
    };
  });
}

const near = (ours: Rgba | null | undefined, theirs: readonly number[]): boolean =>
  ours != null &&
  [ours.r * 255, ours.g * 255, ours.b * 255].every(
    (c, i) => Math.abs(c - (theirs[i] ?? 0)) <= 1.5 || ours.alpha < 0.01,
  ) &&
  Math.abs(ours.alpha - (theirs[3] ?? 1)) < 0.01;
const shown = (colour: Rgba | null | undefined) =>
  colour == null
    ? "unknown"
    : `${[colour.r, colour.g, colour.b].map((c) => Math.round(c * 255)).join(" ")} / ${colour.alpha}`;

/** Elements whose box or paint the browser makes by itself in ways that no stylesheet tells. */
const ownDrawing = /^<(?:option|hr|meter|progress)/;

/** Where computed values of a page differ from Chromium's. */
export async function styleDifferences(
  page: Page,
  html: string,
  scheme: "light" | "dark" = "light",
): Promise<readonly string[]> {
  await page.emulateMediaFeatures([{ name: "prefers-color-scheme", value: scheme }]);
  await page.setContent(html);
  const theirs = await page.evaluate(collect);
  const scene = sceneOf(html, { device: { ...desktop, colourScheme: scheme } });
  const { styles, index } = scene.page;
  const body = index.byTag("body")[0];
  const ours = index.elements.slice(index.elements.indexOf(body!));
  if (ours.length !== theirs.length) return [`${ours.length} elements, Chromium has ${theirs.length}`];
  return ours.flatMap((element, i) => {
    const their = theirs[i]!;
    if (ownDrawing.test(their.tag)) return [];
    const color = styles.colour({ element }, "color")?.colour;
    const background = styles.colour({ element }, "background-color")?.colour;
    const found: string[] = [];
    if (!near(color, their.color)) found.push(`color ours ${shown(color)}, theirs ${their.color.join(" ")}`);
    if (!near(background, their.background))
      found.push(`background ours ${shown(background)}, theirs ${their.background.join(" ")}`);
    const size = styles.fontSize({ element });
    if (size === null || Math.abs(size - their.fontSize) > 0.02)
      found.push(`size ours ${size}, theirs ${their.fontSize}`);
    const weight = styles.fontWeight({ element });
    if (weight !== their.fontWeight) found.push(`weight ours ${weight}, theirs ${their.fontWeight}`);
    const display = styles.keyword(element, "display");
    if (
      (display === "none") !== (their.display === "none") ||
      (display === "contents") !== (their.display === "contents")
    )
      found.push(`display ours ${display}, theirs ${their.display}`);
    if (styles.keyword(element, "visibility") !== their.visibility)
      found.push(`visibility ours ${styles.keyword(element, "visibility")}, theirs ${their.visibility}`);
    return found.map((what) => `${their.tag}: ${what}`);
  });
}
