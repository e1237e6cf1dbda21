import { byFile, type Edit } from "../core/repair/edit.ts";
import type { FindingAnswer } from "./finding-answer.ts";

/** Edits that belong together, and the findings they are to mend. */
export interface Candidate {
  readonly edits: readonly Edit[];
  readonly findings: readonly FindingAnswer[];
}

/** A stretch of a text before its edits; at nothing in particular where that is not known. */
export interface Place {
  readonly file: string;
  readonly at: { readonly start: number; readonly end: number } | null;
}

/** One thing that edits do wrong. */
export interface Harm {
  readonly near: readonly Place[];
  /** What the harm consists of, where that is known: text that an edit put there, and declarations that one changed. */
  readonly of: readonly Place[];
}

/** Where a harm is that is known by one offset. */
export const harmNear = (file: string, at: number | null): Harm => ({
  near: [{ file, at: at === null ? null : { start: at, end: at } }],
  of: [],
});

/** What harm may come from. */
interface Suspects {
  /** Those that alone have a part in a harm. */
  readonly guilty: ReadonlySet<Candidate>;
  /** Of those that have a part in one together all but the one that mends most; and those around any other, or nearest. */
  readonly suspects: ReadonlySet<Candidate>;
}

/** How many characters lie between a place and a stretch of its file; none where the place is the whole of it. */
export const awayFrom = ({ at }: Place, { start, end }: Pick<Edit, "start" | "end">): number =>
  at === null ? 0 : Math.max(start - at.end, at.start - end, 0);

/** Parts those that edits were tried together of by what they may have done. */
export function suspectsIn(candidates: readonly Candidate[], where: readonly Harm[]): Suspects {
  const guilty = new Set<Candidate>();
  const suspects = new Set<Candidate>();
  const reaches = candidates.map((candidate) => ({ candidate, files: byFile(candidate.edits) }));
  /** How far the nearest edit of a candidate is, and whether its edits stand around the place, as tags do. */
  const reach = (edits: readonly Edit[], place: Place) => ({
    isAround:
      place.at !== null &&
      awayFrom(place, { start: edits[0]?.start ?? 0, end: edits.at(-1)?.end ?? 0 }) === 0,
    distance: Math.min(...edits.map((edit) => awayFrom(place, edit))),
  });
  const reaching = (place: Place) =>
    reaches.flatMap(({ candidate, files }) => {
      const edits = files.get(place.file);
      return edits === undefined ? [] : [{ candidate, ...reach(edits, place) }];
    });
  for (const harm of where) {
    const beside = harm.near.map(reaching);
    const around = beside.flat().filter(({ isAround }) => isAround);
    const parts = harm.of.flatMap(reaching).filter(({ distance }) => distance === 0);
    // What is known by its place alone comes of the edit in that place, where there is one.
    const here = beside.flat().filter(({ isAround, distance }) => isAround && distance === 0);
    const makers = new Set(
      (harm.of.length > 0 ? [...parts, ...around] : here).map(({ candidate }) => candidate),
    );
    const [most, ...less] = [...makers].toSorted((a, b) => b.findings.length - a.findings.length);
    if (most !== undefined && less.length === 0) guilty.add(most);
    for (const maker of less) suspects.add(maker);
    if (makers.size > 0) continue;
    for (const reached of beside) {
      const nearest = Math.min(...reached.map(({ distance }) => distance));
      for (const { candidate, distance, isAround } of reached)
        if (isAround || distance === nearest) suspects.add(candidate);
    }
  }
  for (const one of guilty) suspects.delete(one);
  return { guilty, suspects };
}
