/** Props of JSX whose HTML attribute goes by another name. HTML, "reflect"; SVG 2, attribute index. */
export const jsxAttributeNames: ReadonlyMap<string, string> = new Map([
  ["className", "class"],
  ["htmlFor", "for"],
  ["defaultValue", "value"],
  ["defaultChecked", "checked"],
  ["acceptCharset", "accept-charset"],
  ["httpEquiv", "http-equiv"],
  ["viewBox", "viewBox"],
  ["preserveAspectRatio", "preserveAspectRatio"],
  ["xlinkHref", "xlink:href"],
  ["xmlLang", "xml:lang"],
  ["strokeWidth", "stroke-width"],
  ["strokeLinecap", "stroke-linecap"],
  ["strokeLinejoin", "stroke-linejoin"],
  ["fillRule", "fill-rule"],
  ["clipRule", "clip-rule"],
  ["clipPath", "clip-path"],
  ["fontSize", "font-size"],
  ["fontFamily", "font-family"],
  ["fontWeight", "font-weight"],
  ["textAnchor", "text-anchor"],
]);

/** Props that become no attribute. */
export const notAttributes: ReadonlySet<string> = new Set([
  "children",
  "key",
  "ref",
  "innerHTML",
  "dangerouslySetInnerHTML",
  "suppressHydrationWarning",
  "suppressContentEditableWarning",
]);
