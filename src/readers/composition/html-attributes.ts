/**
 * Attributes of HTML elements, and the properties of elements that templates bind: whatever else is written on an element
 * means something to a library. HTML, "Attributes"; Pointer Events and the like bring only events. In lower case.
 */
const htmlAttributes: ReadonlySet<string> = new Set(
  (
    "abbr accept accept-charset accesskey action align allow allowfullscreen alpha alt anchor as async autocapitalize autocomplete autocorrect autofocus autoplay " +
    "bgcolor blocking border cellpadding cellspacing charset checked cite class closedby color cols colspan command commandfor content contenteditable controls coords crossorigin " +
    "data datetime decoding default defer dir dirname disabled download draggable enctype enterkeyhint exportparts face fetchpriority for form formaction formenctype formmethod formnovalidate formtarget " +
    "frameborder headers height hidden high href hreflang http-equiv id imagesizes imagesrcset inert inputmode integrity is ismap itemid itemprop itemref itemscope itemtype " +
    "kind label lang language list loading loop low marginheight marginwidth max maxlength media method min minlength multiple muted name nomodule nonce nowrap novalidate " +
    "open optimum part pattern ping placeholder playsinline popover popovertarget popovertargetaction poster preload readonly referrerpolicy rel required rev reversed role rows rowspan rules " +
    "sandbox scope scrolling selected shadowrootmode shape size sizes slot span spellcheck src srcdoc srclang srcset start step style summary tabindex target title translate type usemap valign value virtualkeyboardpolicy width wrap writingsuggestions xmlns " +
    "classname htmlfor innerhtml innertext textcontent indeterminate scrolltop scrollleft srcobject valueasnumber valueasdate currenttime volume defaultvalue defaultchecked ariahidden"
  ).split(" "),
);

/** Attributes of drawings. SVG 2, appendix "Attribute Index", with its presentation attributes; in lower case. */
const drawingAttributes: ReadonlySet<string> = new Set(
  (
    "alignment-baseline attributename baseline-shift basefrequency begin by calcmode clip clippathunits clip-path clip-rule color-interpolation cursor cx cy d direction display dominant-baseline dur dx dy edgemode end " +
    "fill fill-opacity fill-rule filter filterunits flood-color flood-opacity focusable font-family font-size font-style font-weight from fx fy gradienttransform gradientunits in in2 k1 k2 k3 k4 keypoints keysplines keytimes " +
    "lengthadjust letter-spacing marker-end marker-mid marker-start markerheight markerunits markerwidth mask maskcontentunits maskunits mix-blend-mode mode numoctaves offset opacity operator order orient overflow paint-order " +
    "path pathlength patterncontentunits patterntransform patternunits pointer-events points preserveaspectratio primitiveunits r radius refx refy repeatcount repeatdur result rotate rx ry seed shape-rendering spreadmethod stddeviation " +
    "startoffset stop-color stop-opacity stroke stroke-dasharray stroke-dashoffset stroke-linecap stroke-linejoin stroke-miterlimit stroke-opacity stroke-width surfacescale tablevalues text-anchor text-decoration text-rendering textlength " +
    "to transform transform-origin values vector-effect version viewbox visibility word-spacing x x1 x2 y y1 y2 z"
  ).split(" "),
);

/** Whether an attribute, or a property that is bound, is one of HTML's or SVG's own or free for anybody. */
export const isHtmlAttribute = (name: string): boolean => {
  const lower = name.toLowerCase();
  return (
    htmlAttributes.has(lower) || drawingAttributes.has(lower) || /^(?:aria|data)-|^on[a-z]|[:.]/.test(lower)
  );
};
