/** How the value of a property is read. `words`: one of the keywords listed; `any`: kept as written. */
export type ValueSyntax =
  | { readonly kind: "words"; readonly words: readonly string[] }
  | { readonly kind: "colour" }
  | { readonly kind: "length"; readonly negative: boolean; readonly words: readonly string[] }
  | { readonly kind: "number" }
  | { readonly kind: "any" };

export interface PropertyRow {
  readonly inherited: boolean;
  readonly initial: string;
  readonly syntax: ValueSyntax;
}

const words = (list: string, initial: string, inherited = false): PropertyRow => ({
  inherited,
  initial,
  syntax: { kind: "words", words: list.split(" ") },
});
const length = (initial: string, list = "", negative = false, inherited = false): PropertyRow => ({
  inherited,
  initial,
  syntax: { kind: "length", negative, words: list === "" ? [] : list.split(" ") },
});
const colour = (initial: string, inherited = false): PropertyRow => ({
  inherited,
  initial,
  syntax: { kind: "colour" },
});
const any = (initial: string, inherited = false): PropertyRow => ({
  inherited,
  initial,
  syntax: { kind: "any" },
});
const number = (initial: string, inherited = false): PropertyRow => ({
  inherited,
  initial,
  syntax: { kind: "number" },
});

const lineStyles = "none hidden dotted dashed solid double groove ridge inset outset";
const overflows = "visible hidden clip scroll auto overlay";
const sizes = "auto min-content max-content fit-content stretch -webkit-fill-available";

/**
 * The properties whose computed value some question depends on; every other declaration is passed over.
 * Initial values and inheritance: the property's own CSS module, as gathered in the CSS snapshot 2026.
 */
export const properties: Readonly<Record<string, PropertyRow>> = {
  display: any("inline"),
  visibility: words("visible hidden collapse", "visible", true),
  "content-visibility": words("visible auto hidden", "visible"),
  content: any("normal"),
  position: words("static relative absolute fixed sticky -webkit-sticky", "static"),
  float: words("none left right inline-start inline-end", "none"),
  "white-space-collapse": words(
    "collapse preserve preserve-breaks preserve-spaces break-spaces",
    "collapse",
    true,
  ),
  "text-transform": any("none", true),
  "list-style-type": any("disc", true),
  "list-style-image": any("none", true),
  direction: words("ltr rtl", "ltr", true),
  "writing-mode": words(
    "horizontal-tb vertical-rl vertical-lr sideways-rl sideways-lr",
    "horizontal-tb",
    true,
  ),
  quotes: any("auto", true),
  appearance: any("none"),
  "pointer-events": any("auto", true),
  interactivity: words("auto inert", "auto", true),

  color: colour("canvastext", true),
  "background-color": colour("transparent"),
  "background-image": any("none"),
  "background-clip": any("border-box"),
  "background-position": any("0% 0%"),
  "background-size": any("auto"),
  "background-repeat": any("repeat"),
  "background-attachment": any("scroll"),
  "background-origin": any("padding-box"),
  "-webkit-text-fill-color": colour("currentcolor", true),
  "-webkit-text-stroke-width": length("0", "thin medium thick", false, true),
  opacity: number("1"),
  filter: any("none"),
  "backdrop-filter": any("none"),
  "mix-blend-mode": any("normal"),
  isolation: words("auto isolate", "auto"),
  "mask-image": any("none"),
  "text-shadow": any("none", true),
  "box-shadow": any("none"),
  "color-scheme": any("normal", true),
  "forced-color-adjust": any("auto", true),

  "font-size": any("medium", true),
  "font-weight": any("normal", true),
  "font-style": any("normal", true),
  "font-family": any("serif", true),
  "line-height": any("normal", true),
  "letter-spacing": length("normal", "normal", true, true),
  "word-spacing": length("normal", "normal", true, true),
  "text-indent": any("0", true),
  "text-align": any("start", true),
  "text-decoration-line": any("none"),
  "text-decoration-style": words("solid double dotted dashed wavy", "solid"),
  "text-decoration-color": colour("currentcolor"),
  "text-decoration-thickness": any("auto"),
  "-webkit-line-clamp": any("none"),
  "text-overflow": any("clip"),

  "border-top-width": length("medium", "thin medium thick"),
  "border-right-width": length("medium", "thin medium thick"),
  "border-bottom-width": length("medium", "thin medium thick"),
  "border-left-width": length("medium", "thin medium thick"),
  "border-top-style": words(lineStyles, "none"),
  "border-right-style": words(lineStyles, "none"),
  "border-bottom-style": words(lineStyles, "none"),
  "border-left-style": words(lineStyles, "none"),
  "border-top-color": colour("currentcolor"),
  "border-right-color": colour("currentcolor"),
  "border-bottom-color": colour("currentcolor"),
  "border-left-color": colour("currentcolor"),
  "outline-width": length("medium", "thin medium thick"),
  "outline-style": words(`auto ${lineStyles}`, "none"),
  "outline-color": any("auto"),
  "outline-offset": length("0", "", true),

  "padding-top": length("0"),
  "padding-right": length("0"),
  "padding-bottom": length("0"),
  "padding-left": length("0"),
  "margin-top": length("0", "auto", true),
  "margin-right": length("0", "auto", true),
  "margin-bottom": length("0", "auto", true),
  "margin-left": length("0", "auto", true),
  top: length("auto", "auto", true),
  right: length("auto", "auto", true),
  bottom: length("auto", "auto", true),
  left: length("auto", "auto", true),
  width: length("auto", sizes),
  height: length("auto", sizes),
  "min-width": length("auto", sizes),
  "min-height": length("auto", sizes),
  "max-width": length("none", `none ${sizes}`),
  "max-height": length("none", `none ${sizes}`),
  "box-sizing": words("content-box border-box", "content-box"),
  "overflow-x": words(overflows, "visible"),
  "overflow-y": words(overflows, "visible"),
  clip: any("auto"),
  "clip-path": any("none"),
  transform: any("none"),
  translate: any("none"),
  scale: any("none"),
  rotate: any("none"),
  "z-index": any("auto"),
  order: number("0"),
  "flex-direction": words("row row-reverse column column-reverse", "row"),
  "flex-wrap": words("nowrap wrap wrap-reverse", "nowrap"),
  "grid-row-start": any("auto"),
  "grid-column-start": any("auto"),
  "grid-area": any("auto"),
  "animation-name": any("none"),
  "animation-duration": any("0s"),
  "animation-iteration-count": any("1"),
  "animation-play-state": any("running"),
  "transition-property": any("all"),
  "will-change": any("auto"),
};

/** Old and logical names, for a horizontal left-to-right page; `sides` turn with `direction` in right-to-left ones. */
export const sameProperty: Readonly<Record<string, string>> = {
  "-webkit-box-shadow": "box-shadow",
  "-webkit-filter": "filter",
  "-webkit-backdrop-filter": "backdrop-filter",
  "-webkit-transform": "transform",
  "-webkit-appearance": "appearance",
  "-webkit-mask-image": "mask-image",
  "-webkit-clip-path": "clip-path",
  "-webkit-background-clip": "background-clip",
  "-webkit-background-size": "background-size",
  "-webkit-opacity": "opacity",
  "-webkit-box-sizing": "box-sizing",
  "-webkit-animation-name": "animation-name",
  "-webkit-animation-duration": "animation-duration",
  "-webkit-animation-iteration-count": "animation-iteration-count",
  "-webkit-flex-direction": "flex-direction",
  "-webkit-order": "order",
  "line-clamp": "-webkit-line-clamp",
  "word-wrap": "overflow-wrap",
  "inline-size": "width",
  "block-size": "height",
  "min-inline-size": "min-width",
  "min-block-size": "min-height",
  "max-inline-size": "max-width",
  "max-block-size": "max-height",
  "margin-block-start": "margin-top",
  "margin-block-end": "margin-bottom",
  "margin-inline-start": "margin-left",
  "margin-inline-end": "margin-right",
  "padding-block-start": "padding-top",
  "padding-block-end": "padding-bottom",
  "padding-inline-start": "padding-left",
  "padding-inline-end": "padding-right",
  "inset-block-start": "top",
  "inset-block-end": "bottom",
  "inset-inline-start": "left",
  "inset-inline-end": "right",
  "border-block-start-width": "border-top-width",
  "border-block-end-width": "border-bottom-width",
  "border-inline-start-width": "border-left-width",
  "border-inline-end-width": "border-right-width",
  "border-block-start-style": "border-top-style",
  "border-block-end-style": "border-bottom-style",
  "border-inline-start-style": "border-left-style",
  "border-inline-end-style": "border-right-style",
  "border-block-start-color": "border-top-color",
  "border-block-end-color": "border-bottom-color",
  "border-inline-start-color": "border-left-color",
  "border-inline-end-color": "border-right-color",
  "border-block-start": "border-top",
  "border-block-end": "border-bottom",
  "border-inline-start": "border-left",
  "border-inline-end": "border-right",
};
