import { isColour } from "../colour/parse-colour.ts";
import { functionCall, splitAtCommas, splitAtSlashes, splitAtSpaces } from "./split-value.ts";
import { properties } from "./tables/properties.ts";
import { acceptsValue, holdsSubstitution, isLength } from "./value-syntax.ts";

type Expansion = readonly (readonly [longhand: string, text: string])[];

const sides = ["top", "right", "bottom", "left"] as const;
const backgroundLonghands = [
  "color",
  "image",
  "position",
  "size",
  "repeat",
  "attachment",
  "origin",
  "clip",
].map((p) => `background-${p}`);
const fontLonghands = ["font-style", "font-weight", "font-size", "line-height", "font-family"];

/** The longhands of each shorthand that some question depends on. */
const longhandsOf: Readonly<Record<string, readonly string[]>> = {
  all: Object.keys(properties).filter((p) => p !== "direction"),
  margin: sides.map((s) => `margin-${s}`),
  padding: sides.map((s) => `padding-${s}`),
  inset: sides,
  "margin-block": ["margin-top", "margin-bottom"],
  "margin-inline": ["margin-left", "margin-right"],
  "padding-block": ["padding-top", "padding-bottom"],
  "padding-inline": ["padding-left", "padding-right"],
  "inset-block": ["top", "bottom"],
  "inset-inline": ["left", "right"],
  overflow: ["overflow-x", "overflow-y"],
  "border-width": sides.map((s) => `border-${s}-width`),
  "border-style": sides.map((s) => `border-${s}-style`),
  "border-color": sides.map((s) => `border-${s}-color`),
  "border-top": ["border-top-width", "border-top-style", "border-top-color"],
  "border-right": ["border-right-width", "border-right-style", "border-right-color"],
  "border-bottom": ["border-bottom-width", "border-bottom-style", "border-bottom-color"],
  "border-left": ["border-left-width", "border-left-style", "border-left-color"],
  border: sides.flatMap((s) => [`border-${s}-width`, `border-${s}-style`, `border-${s}-color`]),
  outline: ["outline-width", "outline-style", "outline-color"],
  background: backgroundLonghands,
  font: fontLonghands,
  "text-decoration": [
    "text-decoration-line",
    "text-decoration-style",
    "text-decoration-color",
    "text-decoration-thickness",
  ],
  "list-style": ["list-style-type", "list-style-image"],
  container: ["container-name", "container-type"],
  gap: ["row-gap", "column-gap"],
  "font-variant": ["font-variant-caps"],
  "grid-row": ["grid-row-start"],
  "grid-column": ["grid-column-start"],
  "grid-gap": ["row-gap", "column-gap"],
  flex: ["flex-grow"],
  "flex-flow": ["flex-direction", "flex-wrap"],
  "white-space": ["white-space-collapse"],
  animation: ["animation-name", "animation-duration", "animation-iteration-count"],
  "-webkit-animation": ["animation-name", "animation-duration", "animation-iteration-count"],
};

export const isShorthand = (property: string): boolean => Object.hasOwn(longhandsOf, property);

/**
 * The longhands of a shorthand declaration, each with its part; empty where the value is invalid.
 * While the value holds `var()` every longhand gets the whole text, to be expanded after substitution (CSS Variables 1 §3.2).
 */
export function expandShorthand(property: string, text: string): Expansion {
  const longhands = longhandsOf[property] ?? [];
  if (/^(?:inherit|initial|unset|revert|revert-layer)$/i.test(text))
    return longhands.map((l) => [l, text.toLowerCase()]);
  if (holdsSubstitution(text)) return longhands.map((l) => [l, text]);
  switch (property) {
    case "all":
      return [];
    case "background":
      return expandBackground(text);
    case "font":
      return expandFont(text);
    case "border":
      return oneOfEach(text, longhandsOf["border-top"] ?? []).flatMap(([l, part]) =>
        sides.map((s) => [l.replace("top", s), part] as const),
      );
    case "border-top":
    case "border-right":
    case "border-bottom":
    case "border-left":
    case "outline":
      return oneOfEach(text, longhands);
    case "text-decoration":
      return expandTextDecoration(text);
    case "list-style":
      return expandListStyle(text);
    case "flex-flow":
      return oneOfEach(text, longhands);
    case "white-space":
      return expandWhiteSpace(text);
    case "container": {
      const [name = "none", type = "normal"] = splitAtSlashes(text);
      return [
        ["container-name", name.trim()],
        ["container-type", type.trim()],
      ];
    }
    case "font-variant":
      return longhands.map(
        (longhand) =>
          [longhand, /[\w-]*-caps\b|unicase|normal/i.exec(text)?.[0].toLowerCase() ?? "normal"] as const,
      );
    case "grid-row":
    case "grid-column":
      return longhands.map((longhand) => [longhand, splitAtSlashes(text)[0]?.trim() ?? "auto"] as const);
    case "flex":
      return [["flex-grow", flexGrow(text)]];
    case "animation":
    case "-webkit-animation":
      return expandAnimation(text);
    default:
      return toSides(text, longhands);
  }
}

/** One to four values around the box (or one to two along an axis). CSS Box 3 §2.2. */
function toSides(text: string, longhands: readonly string[]): Expansion {
  const parts = splitAtSpaces(text);
  if (parts.length === 0 || parts.length > longhands.length) return [];
  const slots =
    longhands.length === 2
      ? [0, parts.length - 1]
      : [
          0,
          parts.length > 1 ? 1 : 0,
          parts.length > 2 ? 2 : 0,
          parts.length > 3 ? 3 : parts.length > 1 ? 1 : 0,
        ];
  const expanded = longhands.map((l, i) => [l, parts[slots[i] ?? 0] ?? ""] as const);
  return expanded.every(([l, part]) => acceptsValue(l, part)) ? expanded : [];
}

/** Values in any order, each falling to the first longhand that accepts it; what is missing is reset. */
function oneOfEach(text: string, longhands: readonly string[]): Expansion {
  const left = new Set(longhands);
  const found = new Map<string, string>();
  for (const part of splitAtSpaces(text)) {
    const longhand = [...left].find((l) => acceptsValue(l, part));
    if (longhand === undefined) return [];
    left.delete(longhand);
    found.set(longhand, part);
  }
  return longhands.map((l) => [l, found.get(l) ?? properties[l]?.initial ?? ""]);
}

const imageFunction =
  /^(?:url|(?:-webkit-|-moz-|-o-)?(?:repeating-)?(?:linear|radial|conic)-gradient|image-set|-webkit-image-set|-webkit-gradient|cross-fade|element|image|paint)\(/i;
const boxes = /^(?:border-box|padding-box|content-box|text|border-area)$/i;
const repeats = /^(?:repeat|repeat-x|repeat-y|no-repeat|space|round)$/i;
const attachments = /^(?:scroll|fixed|local)$/i;
const positions = /^(?:left|right|top|bottom|center)$/i;

/** CSS Backgrounds 3 §2.10: layers separated by commas, the colour in the last one only. */
function expandBackground(text: string): Expansion {
  const layers = splitAtCommas(text);
  const rows: Record<string, string[]> = {
    image: [],
    position: [],
    size: [],
    repeat: [],
    attachment: [],
    origin: [],
    clip: [],
  };
  let colour = "transparent";
  for (const [i, layer] of layers.entries()) {
    const [beforeSlash = "", ...afterSlash] = splitAtSlashes(layer);
    const found: Record<string, string[]> = {
      image: [],
      position: [],
      size: [],
      repeat: [],
      attachment: [],
      box: [],
    };
    const sizeAndRest = splitAtSpaces(afterSlash.join(" / "));
    let sizes = 0;
    for (const part of sizeAndRest) {
      if (sizes < 2 && (isLength(part) || /^(?:auto|cover|contain)$/i.test(part))) {
        sizes++;
        found.size?.push(part);
      } else break;
    }
    for (const part of [...splitAtSpaces(beforeSlash), ...sizeAndRest.slice(sizes)]) {
      if (imageFunction.test(part) || part.toLowerCase() === "none") found.image?.push(part);
      else if (boxes.test(part)) found.box?.push(part.toLowerCase());
      else if (repeats.test(part)) found.repeat?.push(part);
      else if (attachments.test(part)) found.attachment?.push(part);
      else if (positions.test(part) || isLength(part)) found.position?.push(part);
      else if (isColour(part) && i === layers.length - 1) colour = part;
      else return [];
    }
    if ((found.image?.length ?? 0) > 1) return [];
    rows.image?.push(found.image?.[0] ?? "none");
    rows.position?.push(found.position?.join(" ") || "0% 0%");
    rows.size?.push(found.size?.join(" ") || "auto");
    rows.repeat?.push(found.repeat?.join(" ") || "repeat");
    rows.attachment?.push(found.attachment?.[0] ?? "scroll");
    rows.origin?.push(found.box?.[0] ?? "padding-box");
    rows.clip?.push(found.box?.[1] ?? found.box?.[0] ?? "border-box");
  }
  if (layers.length === 0) return [];
  return [
    ["background-color", colour],
    ...Object.entries(rows).map(([name, parts]) => [`background-${name}`, parts.join(", ")] as const),
  ];
}

/** CSS Fonts 4 §2.7. System fonts keep sizes we cannot know. */
function expandFont(text: string): Expansion {
  if (/^(?:caption|icon|menu|message-box|small-caption|status-bar)$/i.test(text)) {
    return [
      ["font-style", "normal"],
      ["font-weight", "normal"],
      ["font-size", "system-font"],
      ["line-height", "normal"],
      ["font-family", "system-ui"],
    ];
  }
  const [beforeSlash = "", afterSlash] = splitAtSlashes(text);
  const parts = splitAtSpaces(beforeSlash);
  const sizeAt = parts.findIndex((p) => !/^\d+$/.test(p) && acceptsValue("font-size", p));
  if (sizeAt < 0) return [];
  const rest = afterSlash === undefined ? parts.slice(sizeAt + 1) : splitAtSpaces(afterSlash);
  const lineHeight = afterSlash === undefined ? "normal" : (rest[0] ?? "normal");
  const family = (afterSlash === undefined ? rest : rest.slice(1)).join(" ");
  if (family === "") return [];
  const before = parts.slice(0, sizeAt);
  const weight = before.find((p) => p.toLowerCase() !== "normal" && acceptsValue("font-weight", p));
  const style = before.find((p) => /^(?:italic|oblique)$/i.test(p));
  return [
    ["font-style", style ?? "normal"],
    ["font-weight", weight ?? "normal"],
    ["font-size", parts[sizeAt] ?? ""],
    ["line-height", lineHeight],
    ["font-family", family],
  ];
}

const decorationLines = /^(?:none|underline|overline|line-through|blink|spelling-error|grammar-error)$/i;

function expandTextDecoration(text: string): Expansion {
  const lines: string[] = [];
  let style = "solid";
  let colour = "currentcolor";
  let thickness = "auto";
  for (const part of splitAtSpaces(text)) {
    if (decorationLines.test(part)) lines.push(part.toLowerCase());
    else if (acceptsValue("text-decoration-style", part)) style = part.toLowerCase();
    else if (isColour(part)) colour = part;
    else if (isLength(part) || /^(?:auto|from-font)$/i.test(part)) thickness = part;
    else return [];
  }
  return [
    ["text-decoration-line", lines.join(" ") || "none"],
    ["text-decoration-style", style],
    ["text-decoration-color", colour],
    ["text-decoration-thickness", thickness],
  ];
}

function expandListStyle(text: string): Expansion {
  let type = "disc";
  let image = "none";
  let nones = 0;
  for (const part of splitAtSpaces(text)) {
    if (part.toLowerCase() === "none") nones++;
    else if (imageFunction.test(part)) image = part;
    else if (!/^(?:inside|outside)$/i.test(part)) type = part;
  }
  if (nones > 0 && type === "disc") type = "none";
  return [
    ["list-style-type", type],
    ["list-style-image", image],
  ];
}

const whiteSpaceCollapse: Readonly<Record<string, string>> = {
  normal: "collapse",
  nowrap: "collapse",
  pre: "preserve",
  "pre-wrap": "preserve",
  "pre-line": "preserve-breaks",
  "break-spaces": "break-spaces",
};

function expandWhiteSpace(text: string): Expansion {
  for (const part of splitAtSpaces(text)) {
    const collapse =
      whiteSpaceCollapse[part.toLowerCase()] ??
      (acceptsValue("white-space-collapse", part) ? part.toLowerCase() : null);
    if (collapse !== null) return [["white-space-collapse", collapse]];
  }
  return [["white-space-collapse", "collapse"]];
}

/** CSS Flexbox 1 §7.1: the first number; 1 where only a basis is given, 0 for \`none\` and \`initial\`. */
function flexGrow(text: string): string {
  if (/^none$/i.test(text)) return "0";
  return splitAtSpaces(text).find((part) => /^[\d.]+$/.test(part)) ?? "1";
}

const animationWords =
  /^(?:infinite|linear|ease|ease-in|ease-out|ease-in-out|step-start|step-end|normal|reverse|alternate|alternate-reverse|forwards|backwards|both|running|paused)$/i;

function expandAnimation(text: string): Expansion {
  const names: string[] = [];
  const durations: string[] = [];
  const counts: string[] = [];
  for (const layer of splitAtCommas(text)) {
    const parts = splitAtSpaces(layer);
    durations.push(parts.find((p) => /^[\d.]+m?s$/i.test(p)) ?? "0s");
    counts.push(parts.find((p) => /^(?:infinite|[\d.]+)$/i.test(p)) ?? "1");
    names.push(
      parts.find((p) => /^[a-z_-]/i.test(p) && !animationWords.test(p) && functionCall(p) === null) ?? "none",
    );
  }
  return [
    ["animation-name", names.join(", ")],
    ["animation-duration", durations.join(", ")],
    ["animation-iteration-count", counts.join(", ")],
  ];
}
