import { isTabbable } from "../rendering/focusable.ts";
import type { Scene } from "../scene/scene.ts";
import { isExposed } from "./exposed.ts";

/** What assistive technology and the keyboard are given of an element, and an edit is not to take away. */
export type GivenKind = "role" | "name" | "description" | "state" | "stop";

/** One such thing. */
export interface Given {
  readonly file: string;
  /** Where the element starts. */
  readonly start: number;
  readonly kind: GivenKind;
  readonly value: string;
}

/** All that is given of the elements of a scene that stand in source and are more than boxes. */
export function givenIn(scene: Scene): readonly Given[] {
  const all: Given[] = [];
  for (const element of scene.page.index.elements) {
    const { source } = element;
    if (source === null || !isExposed(scene, element)) continue;
    const isStop = isTabbable(scene.page, scene.presence, element) === true;
    const role = scene.role(element).role ?? "generic";
    const isBox = role === "generic" || role === "none" || role === "paragraph";
    if (isBox && !isStop) continue;
    const add = (kind: GivenKind, value: string) =>
      all.push({ file: source.file, start: source.start, kind, value });
    if (!isBox) add("role", role);
    if (isStop) add("stop", "");
    const name = scene.name(element).text;
    if (name !== "") add("name", name);
    const description = scene.description(element).text;
    if (description !== "") add("description", description);
    for (const state of Object.keys(scene.states(element))) add("state", state);
  }
  return all;
}

/**
 * What was given before an edit and is not after it. A state must stay, and of the rest something in its place: another
 * role, other words; a description may have become the name. Where an element is gone itself, that was the edit.
 * @param original the place before the edit of one after it; null for what the edit put there
 */
export function lostBy(
  before: readonly Given[],
  after: readonly Given[],
  original: (given: Given) => number | null,
): readonly Given[] {
  const there = new Set<string>();
  const kept = new Set<string>();
  const names = new Map<string, string>();
  for (const given of after) {
    const start = original(given);
    if (start === null) continue;
    const at = { ...given, start };
    there.add(placeOf(at));
    kept.add(keyOf(at));
    if (at.kind === "name") names.set(placeOf(at), at.value.toLowerCase());
  }
  const isInName = (given: Given): boolean =>
    given.kind === "description" && names.get(placeOf(given))?.includes(given.value.toLowerCase()) === true;
  return before.filter((given) => there.has(placeOf(given)) && !kept.has(keyOf(given)) && !isInName(given));
}

const placeOf = ({ file, start }: Given): string => `${file} ${start}`;

const keyOf = (given: Given): string =>
  `${placeOf(given)} ${given.kind} ${given.kind === "state" ? given.value : ""}`;
