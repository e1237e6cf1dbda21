import { parseSheet } from "./parse-sheet.ts";

/**
 * What a browser styles before any author does, as far as questions here depend on it. HTML §15 "Rendering",
 * in our own wording. Colours of links and controls are system colours, resolved with the scheme.
 */
const rules = `
html, body, address, blockquote, center, dialog, div, figure, figcaption, footer, form, header, hr, legend, listing,
main, p, plaintext, pre, search, xmp, article, aside, h1, h2, h3, h4, h5, h6, hgroup, nav, section, dir, dd, dl, dt,
menu, ol, ul, optgroup, option, details, summary, fieldset, frameset, frame, optgroup { display: block }
area, base, basefont, datalist, head, link, meta, noembed, noframes, param, rp, script, style, template, title,
noscript, source, track, col[hidden] { display: none }
input[type=hidden i] { display: none !important }
slot { display: contents }
li, :where(details > summary:first-of-type) { display: list-item }
ruby { display: ruby } rt { display: ruby-text; font-size: 50% }
table { display: table } caption { display: table-caption } colgroup, colgroup[hidden] { display: table-column-group }
col { display: table-column } thead { display: table-header-group } tbody { display: table-row-group }
tfoot { display: table-footer-group } tr { display: table-row } td, th { display: table-cell }
input, select, button, textarea, meter, progress, marquee { display: inline-block }
img, video, canvas, iframe, embed, object { display: inline }
audio:not([controls]) { display: none !important }
[hidden]:not([hidden=until-found i]), area, base { display: none }
[hidden=until-found i] { content-visibility: hidden }
embed[hidden] { display: inline }
dialog:not([open]) { display: none }
dialog { position: absolute; background-color: Canvas; color: CanvasText; border: solid; padding: 1em }
[popover] { display: none }
video { object-fit: contain }

html { color: CanvasText }
body { margin: 8px }
a:any-link, area:any-link { color: -webkit-link; text-decoration: underline }
h1 { font-size: 2em; font-weight: bold } h2 { font-size: 1.5em; font-weight: bold } h3 { font-size: 1.17em; font-weight: bold }
h4 { font-weight: bold } h5 { font-size: .83em; font-weight: bold } h6 { font-size: .67em; font-weight: bold }
b, strong { font-weight: bolder } th { font-weight: bold; text-align: center }
i, cite, em, var, dfn, address { font-style: italic }
small { font-size: smaller } big { font-size: larger } sub, sup { font-size: smaller }
tt, code, kbd, samp, pre, listing, plaintext, xmp { font-family: monospace }
pre, listing, plaintext, xmp { white-space: pre }
textarea { white-space: pre-wrap }
nobr { white-space: nowrap }
mark { background-color: Mark; color: MarkText }
u, ins { text-decoration: underline } s, strike, del { text-decoration: line-through }
abbr[title], acronym[title] { text-decoration: underline dotted }
ul, menu, dir { list-style-type: disc } ol { list-style-type: decimal }
ul ul, ol ul { list-style-type: circle }
center { text-align: center }
table { text-indent: 0; border-color: gray }
fieldset { border: 2px groove ThreeDFace; padding: 0.35em 0.75em 0.625em }
legend { padding: 0 2px }
hr { color: gray; border: 1px inset }
iframe { border: 2px inset }
input, select, button, textarea {
  font-size: 13.3333px; font-weight: normal; font-style: normal; font-family: system-ui; letter-spacing: normal;
  word-spacing: normal; line-height: normal; text-indent: 0; text-transform: none; color: FieldText; background-color: Field;
  border: 2px inset light-dark(rgb(118, 118, 118), rgb(133, 133, 133));
}
textarea { font-family: monospace; border-width: 1px }
select { border: 1px solid light-dark(rgb(118, 118, 118), rgb(133, 133, 133)); color: FieldText; background-color: ButtonFace }
select[multiple], select[size]:not([size='0'], [size='1']) { background-color: Field }
select[multiple] option, select[size] option { display: block }
input[type=button i], input[type=submit i], input[type=reset i], button {
  color: ButtonText; background-color: ButtonFace; border: 2px outset ButtonBorder; text-align: center;
}
input[type=checkbox i], input[type=radio i], input[type=range i], input[type=image i], input[type=color i], input[type=file i] { background-color: transparent; border: none }
input[type=checkbox i], input[type=radio i], input[type=range i], input[type=color i] { appearance: auto }
input[type=image i] { color: inherit }
input[type=file i] { color: inherit }
input:disabled, textarea:disabled, select:disabled { color: light-dark(rgb(84, 84, 84), rgb(170, 170, 170)) }
:is(input:not([type=button i], [type=submit i], [type=reset i], [type=checkbox i], [type=radio i], [type=range i], [type=image i], [type=color i], [type=file i]), textarea):disabled { background-color: light-dark(rgb(239 239 239 / 0.3), rgb(59 59 59 / 0.3)) }
button:disabled, input[type=button i]:disabled, input[type=submit i]:disabled, input[type=reset i]:disabled {
  color: light-dark(rgb(16 16 16 / 0.3), rgb(255 255 255 / 0.3)); background-color: light-dark(rgb(239 239 239 / 0.3), rgb(19 1 1 / 0.3));
}
option:disabled { color: GrayText }
::placeholder { color: light-dark(rgb(117, 117, 117), rgb(169, 169, 169)) }
:focus-visible { outline: auto 1px -webkit-focus-ring-color }
q::before { content: open-quote } q::after { content: close-quote }
`;

const quirksRules =
  "table { font-size: medium; font-weight: normal; font-style: normal; text-align: start; white-space: normal; line-height: normal }";

/** The browser's own stylesheet. */
export const standardSheet = parseSheet({ file: "browser defaults", text: rules, start: 0 });
/** Its stylesheet for old pages, with a few rules more. HTML §15.3.12. */
export const quirksSheet = parseSheet({ file: "browser defaults", text: `${rules}${quirksRules}`, start: 0 });
