import { cascadedValue } from "./computed.ts";
import { type Cascade, downTheAncestors, type Style } from "./style.ts";

/** The computed font weight, 1–1000; null where it cannot be known. CSS Fonts 4 §2.2. */
export const resolvedWeight = (cascade: Cascade, style: Style): number | null =>
  downTheAncestors(style, "fontWeight", (ancestor, parent) =>
    ownWeight(cascade, ancestor, ancestor.parent === null ? 400 : parent),
  );

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
