import type { Interaction } from "../css/match.ts";
import { functionCall, splitAtSpaces } from "../css/split-value.ts";
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
  const filtered = filterOpacity(value("filter") ?? "unknown");
  const own = opacityText === null ? null : opacityOf(opacityText);
  const opacity = own === null ? null : own * (filtered ?? 1);
  const unfollowed = effects.find(([property, idle]) => !idle.test(value(property) ?? "unknown"));
  const filter = filtered === null ? "filter" : null;
  const effect: Effect = {
    opacity: opacity ?? 1,
    unknown: opacity === null ? "opacity" : (filter ?? unfollowed?.[0] ?? null),
    touchesBackdrop: value("backdrop-filter")?.toLowerCase() !== "none",
  };
  if (likeness !== null) knownEffects.set(likeness, effect);
  return effect;
}

/** Properties that change colours already painted, and the values at which they do not. */
const effects: readonly (readonly [property: string, idle: RegExp])[] = [
  ["mix-blend-mode", /^normal$/i],
  ["mask-image", /^none$/i],
];

/** How much of an element filters leave to be seen; null where they change it otherwise. Filter Effects 1 §7. */
function filterOpacity(filter: string): number | null {
  if (filter.toLowerCase() === "none") return 1;
  let left = 1;
  for (const part of splitAtSpaces(filter)) {
    const call = functionCall(part);
    if (call?.name === "drop-shadow") continue;
    const share = call?.name === "opacity" ? opacityOf(call.argument || "1") : null;
    if (share === null) return null;
    left *= share;
  }
  return left;
}

/** 0 to 1; null for what is no number. */
export function opacityOf(text: string): number | null {
  const match = /^([+-]?[\d.]+(?:e[+-]?\d+)?)(%?)$/i.exec(text.trim());
  return match === null ? null : Math.max(0, Math.min(1, Number(match[1]) / (match[2] === "%" ? 100 : 1)));
}
