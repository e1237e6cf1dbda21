import type { Cascade, Style } from "./cascade.ts";
import { cascadedValue } from "./computed.ts";

const key = " font-weight";

/** The computed font weight, 1–1000; null where it cannot be known. CSS Fonts 4 §2.2. Works down the ancestors. */
export function resolvedWeight(cascade: Cascade, style: Style): number | null {
  const chain: Style[] = [];
  for (let at: Style | null = style; at !== null && !at.computed.has(key); at = at.parent) chain.push(at);
  for (let i = chain.length - 1; i >= 0; i--) {
    const at = chain[i];
    if (at === undefined) continue;
    const parent =
      at.parent === null ? 400 : ((at.parent.computed.get(key) as number | null | undefined) ?? null);
    at.computed.set(key, ownWeight(cascade, at, parent));
  }
  return (style.computed.get(key) as number | null | undefined) ?? null;
}

function ownWeight(cascade: Cascade, style: Style, parent: number | null): number | null {
  const { text, own } = cascadedValue(cascade, style, "font-weight");
  if (!own) return parent;
  switch (text?.toLowerCase()) {
    case undefined:
      return null;
    case "normal":
      return 400;
    case "bold":
      return 700;
    case "inherit":
      return parent;
    // CSS Fonts 4 §2.2.1, "relative weights".
    case "bolder":
      return parent === null ? null : parent < 350 ? 400 : parent < 550 ? 700 : parent < 900 ? 900 : parent;
    case "lighter":
      return parent === null ? null : parent < 100 ? parent : parent < 550 ? 100 : parent < 750 ? 400 : 700;
    default: {
      const number = Number(text);
      return Number.isNaN(number) ? null : number;
    }
  }
}
