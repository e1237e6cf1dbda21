import type { Interaction } from "../css/match.ts";
import type { ElementNode } from "../document/node.ts";
import type { Page } from "./page.ts";

/** What an element does to everything painted in it. */
export interface Effect {
  readonly opacity: number;
  /** The property that changes the colours in a way we do not follow; null for none. */
  readonly unknown: string | null;
  readonly touchesBackdrop: boolean;
}

const knownEffects = new WeakMap<object, Effect>();

export function effectOf(page: Page, element: ElementNode, interaction: Interaction): Effect {
  const likeness = page.styles.likeness({ element, interaction });
  const known = likeness === null ? undefined : knownEffects.get(likeness);
  if (known !== undefined) return known;
  const value = (property: string) => page.styles.value(element, property, interaction)?.text ?? null;
  const opacityText = value("opacity");
  const opacity = opacityText === null ? null : opacityOf(opacityText);
  const unfollowed = effects.find(([property, idle]) => !idle.test(value(property) ?? "unknown"));
  const effect: Effect = {
    opacity: opacity ?? 1,
    unknown: opacity === null ? "opacity" : (unfollowed?.[0] ?? null),
    touchesBackdrop: value("backdrop-filter")?.toLowerCase() !== "none",
  };
  if (likeness !== null) knownEffects.set(likeness, effect);
  return effect;
}

/** Properties that change colours already painted, and the values at which they do not. */
const effects: readonly (readonly [property: string, idle: RegExp])[] = [
  ["filter", /^(?:none|drop-shadow\((?:[^()]|\([^()]*\))*\)|opacity\(1(?:00%)?\))$/i],
  ["mix-blend-mode", /^normal$/i],
  ["mask-image", /^none$/i],
];

/** 0 to 1; null for what is no number. */
export function opacityOf(text: string): number | null {
  const match = /^([+-]?[\d.]+(?:e[+-]?\d+)?)(%?)$/i.exec(text.trim());
  return match === null ? null : Math.max(0, Math.min(1, Number(match[1]) / (match[2] === "%" ? 100 : 1)));
}
