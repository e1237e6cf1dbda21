import {
  type CollapsingPair,
  collapsingPairs,
  pairsByColour,
} from "../core/checks/colour/pairs-by-colour.ts";
import { type Eye, eyes } from "../core/colour/other-eyes.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import { type Result, refusal } from "../core/findings/problems.ts";
import type { PagePicture } from "../core/scene/page-picture.ts";
import type { NamedColour } from "../core/scene/scene.ts";
import type { Unit } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { type Asking, type CollectOutcome, collect, gather, type Outcome } from "./collect.ts";
import { elementIn, placeIn } from "./document-elements.ts";
import { type ElementAnswer, type SourceAnswer, SourceTexts } from "./element-answer.ts";

/** A pair of colours, and the first element that it stands on. */
export interface PlacedPair extends CollapsingPair {
  readonly element: ElementAnswer;
  readonly source: SourceAnswer | null;
}

/** What some eyes do not tell apart on a page. */
export interface PageVision {
  readonly target: string;
  readonly eyes: readonly Eye[];
  readonly picture: PagePicture | null;
  readonly pairs: readonly PlacedPair[];
}

export interface VisionAnswer extends CollectOutcome {
  readonly pages: readonly PageVision[];
}

/** What some eyes do not tell apart of a palette. */
export interface PaletteVision {
  readonly eyes: readonly Eye[];
  readonly colours: readonly NamedColour[];
  readonly pairs: readonly CollapsingPair[];
}

/** The eyes that are asked for by their words, in the order of the table; all of them when none is. */
export function eyesNamed(words: readonly string[]): Result<readonly Eye[]> {
  const ids = eyes.map(({ id }) => id);
  const unknown = words.find((word) => !ids.includes(word));
  if (unknown !== undefined) {
    const near = nearestWord(unknown, ids);
    return refusal(
      `--as ${unknown}: no such eye is known${near === null ? "" : `; did you mean ${near}?`} Known are ${ids.join(", ")}.`,
    );
  }
  return { ok: true, value: words.length === 0 ? eyes : eyes.filter(({ id }) => words.includes(id)) };
}

/** Pages as they are, and what the eyes asked for do not tell apart on them. */
export async function vision(
  plan: ReadingPlan,
  asked: readonly Eye[],
  host: Host,
  asking: Asking = {},
): Promise<VisionAnswer> {
  const collection = await collect(plan, host, asking);
  const { gathered, ...outcome } = await gather<PageVision>(collection, async (collected, own) => {
    const units = collected.kind === "unit" ? [collected.unit] : await collected.targets.units();
    const pages = await Promise.all(units.map((unit) => pageVision(unit, asked, own)));
    return pages.flatMap((one) => one ?? []);
  });
  return { pages: gathered, ...outcome };
}

async function pageVision(unit: Unit, asked: readonly Eye[], outcome: Outcome): Promise<PageVision | null> {
  const { documents, texts: more, problems, isComplete } = await unit.documents();
  outcome.note(problems, isComplete);
  const [document] = documents;
  if (document === undefined) return null;
  const texts = SourceTexts.of(unit.texts, more);
  return {
    target: unit.subject.id,
    eyes: asked,
    picture: unit.picture ?? null,
    pairs: lostTo(asked, pairsByColour(document.scene)).map((pair) => ({
      ...pair,
      element: elementIn(document, pair.element, texts),
      source: texts.place(placeIn(document, pair.element.source)),
    })),
  };
}

export const paletteVision = (colours: readonly NamedColour[], asked: readonly Eye[]): PaletteVision => ({
  eyes: asked.filter(({ isBlurred }) => !isBlurred),
  colours,
  pairs: lostTo(asked, collapsingPairs(colours)),
});

/** The pairs that some of the eyes do not tell apart. */
const lostTo = <Pair extends CollapsingPair>(
  asked: readonly Eye[],
  pairs: readonly Pair[],
): readonly Pair[] =>
  pairs.flatMap((pair) => {
    const lost = pair.lost.filter(({ eye }) => asked.includes(eye));
    return lost.length === 0 ? [] : [{ ...pair, lost }];
  });
