import { eyesThatLose, type LostPair } from "../../colour/other-eyes.ts";
import { type Rgba, toHex } from "../../colour/rgba.ts";
import { elementsBelow } from "../../document/around.ts";
import type { ElementNode } from "../../document/node.ts";
import type { NamedColour, Scene } from "../../scene/scene.ts";
import { linkAgainstText } from "./links-stand-out.ts";

/** Two colours that some people do not tell apart. */
export interface CollapsingPair {
  readonly one: NamedColour;
  readonly other: NamedColour;
  /** Never empty; the eye that loses most first. */
  readonly lost: readonly LostPair[];
}

/** What only colour tells apart on a page: two colours, and where they stand. */
export interface PairOnPage extends CollapsingPair {
  readonly element: ElementNode;
}

/** A drawing with more colours than this paints something; one with fewer may tell by them. */
const MOST_SERIES = 10;

/** A drawing smaller than this is a sign. CSS pixels. */
const SMALLEST = { width: 100, height: 60 };

/** The pairs of a palette that fall together for some eye, those first that do so for more people. */
export function collapsingPairs(palette: readonly NamedColour[]): readonly CollapsingPair[] {
  const pairs = palette.flatMap((one, index) =>
    palette.slice(index + 1).flatMap((other) => {
      const lost = eyesThatLose(one.colour, other.colour);
      return lost.length === 0 ? [] : [{ one, other, lost }];
    }),
  );
  return pairs.sort((a, b) => rank(a) - rank(b));
}

/** One person in some thirty thousand sees no colours at all, one in twenty some less. */
const isRare = ({ lost }: CollapsingPair): boolean => lost.every(({ eye }) => eye.id === "no-colour");

const rank = (pair: CollapsingPair): number => (isRare(pair) ? 1 : 0) + (pair.lost[0]?.after ?? 0);

/** Links that colour alone tells from the text around them, and colours of drawings, as far as some eye does not tell them apart. */
export function pairsByColour(scene: Scene): readonly PairOnPage[] {
  const pairs: PairOnPage[] = [];
  const seen = new Set<string>();
  const add = (element: ElementNode, one: NamedColour, other: NamedColour) => {
    const lost = eyesThatLose(one.colour, other.colour);
    const key = [toHex(one.colour), toHex(other.colour)].sort().join(" ");
    if (lost.length === 0 || seen.has(key)) return;
    seen.add(key);
    pairs.push({ element, one, other, lost });
  };
  for (const link of scene.page.index.byTag("a")) {
    const colours = linkAgainstText(link, scene);
    if (colours !== null)
      add(link, { name: "link", colour: colours.link }, { name: "text", colour: colours.text });
  }
  for (const svg of scene.page.index.byTag("svg"))
    for (const { one, other } of pairsOfDrawing(scene, svg)) add(svg, one, other);
  return pairs;
}

/** The colours of a drawing that fall together for some eye; none where nothing has laid it out. */
export const pairsOfDrawing = (scene: Scene, svg: ElementNode): readonly CollapsingPair[] =>
  collapsingPairs(seriesOf(scene, svg));

/** The colours that the shapes of a drawing are filled with; none where it is a sign or a painting. */
function seriesOf(scene: Scene, svg: ElementNode): readonly NamedColour[] {
  const [box] = scene.seen?.usual.boxes(svg) ?? [];
  if (box === undefined || box.width < SMALLEST.width || box.height < SMALLEST.height) return [];
  const colours = new Map<string, Rgba>();
  for (const element of elementsBelow(scene.page.index, svg)) {
    const value = scene.page.styles.value(element, "fill");
    const colour = value?.text == null ? null : scene.page.styles.colourWithin({ element }, value.text);
    if (element.tag !== "text" && colour?.alpha === 1) colours.set(toHex(colour), colour);
  }
  return colours.size > MOST_SERIES ? [] : [...colours].map(([name, colour]) => ({ name, colour }));
}
