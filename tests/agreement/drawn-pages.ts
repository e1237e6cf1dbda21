import fc, { type Arbitrary } from "fast-check";

/** Part of a page: an element with its attributes as written, or text. */
export type Part =
  | string
  | { readonly tag: string; readonly attributes: readonly string[]; readonly parts: readonly Part[] };

const voids = new Set(["img", "input", "br", "hr", "area", "embed", "wbr", "col"]);

/** The parts as HTML, end tags written out. */
export const written = (parts: readonly Part[]): string =>
  parts
    .map((part) => {
      if (typeof part === "string") return part;
      const start = `<${[part.tag, ...part.attributes].join(" ")}>`;
      return voids.has(part.tag) ? start : `${start}${written(part.parts)}</${part.tag}>`;
    })
    .join("");

/** What may stand in a page: names of elements, each with the attributes that are its own. */
type Grammar = Readonly<Record<string, readonly string[]>>;

/** What a choice holds: readers of pages part on anything else, since browsers began to keep it. */
const choices: Part[] = [{ tag: "option", attributes: [], parts: ["Slip"] }];

/** Draws parts of elements that a grammar knows; any element may have any of the shared attributes. */
function partsOf(
  grammar: Grammar,
  shared: readonly string[],
  most: { attributes: number; depth: number },
  whole: readonly string[] = [],
): Arbitrary<Part[]> {
  const element = (parts: Arbitrary<Part[]>): Arbitrary<Part> =>
    fc.constantFrom(...Object.keys(grammar)).chain((tag) =>
      fc.record({
        tag: fc.constant(tag),
        attributes: fc.uniqueArray(
          fc.constantFrom(...shared, ...(grammar[tag] ?? []), ...(grammar[tag] ?? [])),
          {
            maxLength: most.attributes,
            selector: (attribute) => attribute.split("=")[0],
          },
        ),
        parts: voids.has(tag) ? fc.constant([]) : tag === "select" ? fc.constant(choices) : parts,
      }),
    );
  const text = fc.constantFrom("Slip", " berth ", "4", ...whole);
  const at = (depth: number): Arbitrary<Part[]> =>
    depth === 0
      ? fc.array(text, { maxLength: 1 })
      : fc.array(fc.oneof({ weight: 1, arbitrary: text }, { weight: 3, arbitrary: element(at(depth - 1)) }), {
          maxLength: 4,
        });
  return at(most.depth).filter((parts) => parts.length > 0);
}

const page = (parts: readonly Part[], head = ""): string =>
  `<!doctype html><html lang="en"><title>Drawn</title>${head}<body>${written(parts)}`;

const shadow = (mode: string): string => `<template shadowrootmode=${mode}>`;

const tabGrammar: Grammar = {
  a: ["href=#x", "href=#x", "href"],
  button: ["disabled", "popovertarget=p1", "popovertarget=p2"],
  input: [
    "type=checkbox",
    "type=radio",
    "type=radio",
    "name=r",
    "name=r",
    "checked",
    "disabled",
    "type=hidden",
    "type=file",
    "type=date",
    "readonly",
  ],
  textarea: ["disabled"],
  select: ["disabled", "multiple", "size=2"],
  b: ["tabindex=0"],
  div: [
    "popover id=p1",
    "popover id=p2",
    "style=display:flex",
    "style=display:contents",
    "style=content-visibility:hidden",
    "style=interactivity:inert",
    "style=visibility:visible",

    "style=overflow:hidden;height:0",
  ],
  section: [],
  fieldset: ["disabled", "disabled"],
  legend: [],
  label: [],
  details: ["open", "open", "name=d"],
  summary: [],
  dialog: ["open"],
  p: [],
  ul: [],
  li: [],
  table: [],
  td: [],
  iframe: [],
  audio: ["controls"],
  img: ["usemap=#m", "src=data:image/gif;base64,R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7"],
  map: ["name=m", "name=m"],
  area: ["href=#x", "coords=0,0,9,9"],
  "x-box": [],
};

const tabShared = [
  "tabindex=0",
  "tabindex=-1",
  "tabindex=1",
  "tabindex=2",
  "tabindex=x",
  "hidden",
  "inert",
  "style=display:none",
  "style=visibility:hidden",

  "slot=s",
  "id=t",
];

/** Puts a shadow tree before what an `x-box` holds; the drawn attributes say nothing of it, its place does. */
const hosts = (html: string): string => {
  let count = 0;
  return html.replace(/<x-box([^>]*)>/g, (start) => {
    const trees = [
      `${shadow("open")}<a href=#x>in</a><slot></slot></template>`,
      `${shadow("closed shadowrootdelegatesfocus")}<b tabindex=2>in</b><input></template>`,
      `${shadow("open")}<slot name=s><button>else</button></slot><b tabindex=1>b</b><slot></slot></template>`,
      `${shadow("open shadowrootdelegatesfocus")}<input><slot></slot></template>`,
    ];
    return start + trees[count++ % trees.length];
  });
};

/** Foreign and embedded content, whole: what readers of pages make of other things inside it is not asked here. */
const embedded = [
  "<svg><a href=#x><text>t</text></a><a><text>t</text></a></svg>",
  "<svg tabindex=0></svg>",
  "<svg><g tabindex=0></g><a tabindex=0><text>t</text></a></svg>",
  "<math><mrow href=#x><mi>x</mi></mrow><mi tabindex=0>y</mi></math>",
  "<object tabindex=0></object>",
  "<object data='data:text/html,x'></object>",
  "<object data='data:text/html,x' tabindex=0><a href=#x>else</a></object>",
  "<object><a href=#x>else</a></object>",
  "<object data='data:image/gif;base64,R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7'><a href=#x>else</a></object>",
  "<embed src='data:text/html,x'>",
  "<embed tabindex=0>",
  "<option tabindex=0>o</option>",
  "<b contenteditable>b</b>",
  "<b contenteditable=false tabindex=0>b</b>",
  "<select size=2 tabindex=2><option>o</option></select>",
];

/** Pages of stops, of what hides them and of what orders them. */
export const tabPage: Arbitrary<string> = partsOf(
  tabGrammar,
  tabShared,
  { attributes: 2, depth: 4 },
  embedded,
).map((parts) => hosts(page(parts)));

const roles = [
  "button",
  "link",
  "checkbox",
  "switch",
  "radio",
  "radiogroup",
  "textbox",
  "combobox",
  "listbox",
  "option",
  "menu",
  "menuitem",
  "tab",
  "tablist",
  "tabpanel",
  "tree",
  "treeitem",
  "grid",
  "row",
  "gridcell",
  "cell",
  "table",
  "columnheader",
  "rowgroup",
  "list",
  "listitem",
  "img",
  "figure",
  "heading",
  "region",
  "navigation",
  "main",
  "form",
  "search",
  "group",
  "none",
  "presentation",
  "dialog",
  "alert",
  "status",
  "slider",
  "progressbar",
  "article",
  "note",
  "math",
  "term",
  "definition",
  "nonsense",
  "'nonsense button'",
  "text",
  "separator",
  "toolbar",
  "tooltip",
  "feed",
  "log",
];

const treeGrammar: Grammar = {
  a: ["href=#x", "href=#x"],
  abbr: [],
  address: [],
  article: [],
  aside: [],
  b: [],
  blockquote: [],
  button: [
    "aria-pressed=true",
    "aria-expanded=false",
    "aria-expanded=true",
    "disabled",
    "value=v",
    "type=submit",
  ],
  caption: [],
  cite: [],
  code: [],
  dd: [],
  del: [],
  details: ["open"],
  div: roles.map((role) => `role=${role}`),
  dl: [],
  dt: [],
  em: [],
  fieldset: ["disabled"],
  figcaption: [],
  figure: [],
  form: [],
  h1: [],
  h2: [],
  h6: [],
  i: [],
  img: ["alt=Boat", "alt='  '", "src=x"],
  input: [
    "type=checkbox",
    "type=radio",
    "type=button",
    "type=submit",
    "type=reset",
    "type=image",
    "type=range",
    "type=search",
    "type=email",
    "type=number",
    "type=password",
    "type=date",
    "value=v",
    "alt=Alt",
    "checked",
    "disabled",
    "list=i1",
  ],
  ins: [],
  kbd: [],
  legend: [],
  li: [],
  main: [],
  mark: [],
  menu: [],
  nav: [],
  ol: [],
  p: [],
  pre: [],
  s: [],
  samp: [],
  search: [],
  section: [],
  select: ["multiple", "size=2"],
  small: [],
  span: roles.map((role) => `role=${role}`),
  strong: [],
  sub: [],
  summary: [],
  sup: [],
  table: ["border=1"],
  tbody: [],
  td: ["colspan=2", "headers=i1"],
  textarea: ["required"],
  tfoot: [],
  th: ["scope=row", "scope=col"],
  thead: [],
  time: [],
  tr: [],
  u: [],
  ul: [],
  var: [],
};

const treeShared = [
  ...["i1", "i2", "i3"].map((id) => `id=${id}`),
  "aria-label=Label",
  "aria-label=''",
  "aria-label=' '",
  "placeholder=Hint",
  "aria-description=Said",
  "aria-hidden=true",
  "aria-hidden=false",
  "hidden",
  "style=display:none",
  "style=visibility:hidden",
  "style=visibility:visible",
  "style=display:block",
  "style=display:inline-block",
  "aria-disabled=true",
  "aria-busy=true",
  "aria-invalid=true",
  "aria-roledescription=Thing",
  "class=gen",
];

/** Pages of any element in any other, with roles, names, references and states right and wrong. */
export const treePage: Arbitrary<string> = partsOf(treeGrammar, treeShared, { attributes: 3, depth: 4 }, [
  "<label for=i1>Berth</label>",
  "<label>Slip <input></label>",
]).map((parts) =>
  page(parts, "<style>.gen::before { content: 'before' } .gen::after { content: 'after' }</style>"),
);

const simple = [
  "p",
  "b",
  "div",
  "span",
  ".a",
  ".b",
  ".c",
  "#i1",
  "#i2",
  "*",
  "[title]",
  "[title=Tip i]",
  ":root",
  "body",
  "a:any-link",
  "a:link",
  "a:visited",
  ":enabled",
  ":disabled",
  ":checked",
  ":required",
  ":first-child",
  ":nth-child(2n)",
  ":nth-child(2 of .a)",
  ":last-of-type",
  ":only-child",
  ":empty",
  ":not(.a, #i1)",
  ":is(.a, :bogus)",
  ":where(#i1)",
  ":has(> .b)",
  ":has(+ .a)",
  ":lang(en)",
  ":bogus",
  ":hover",
  ":focus",
  ":is(div p, .c)",
  ":nth-last-child(odd)",
  ":host",
  ":defined",
  ":read-only",
  ":placeholder-shown",
  "::before",
  ":dir(ltr)",
];
const selector: Arbitrary<string> = fc.oneof(
  { weight: 3, arbitrary: fc.constantFrom(...simple) },
  {
    weight: 2,
    arbitrary: fc
      .tuple(
        fc.constantFrom(...simple),
        fc.constantFrom(" ", " > ", " + ", " ~ ", ", "),
        fc.constantFrom(...simple),
      )
      .map((all) => all.join("")),
  },
  {
    weight: 1,
    arbitrary: fc
      .tuple(
        fc.constantFrom("p", "b", "div", ".a"),
        fc.constantFrom(...simple.filter((one) => /^[.#:[]/.test(one))),
      )
      .map((all) => all.join("")),
  },
);
const colours = [
  "red",
  "#123",
  "#12345680",
  "rgb(10 20 30)",
  "rgba(10, 20, 30, .5)",
  "rgb(300 -20 30)",
  "rgb(10% 20% 30% / 40%)",
  "hsl(120deg 50% 40%)",
  "hsl(90 50 40 / 50%)",
  "hwb(90 10% 20%)",
  "lab(40% 20 10)",
  "oklch(60% .1 200)",
  "color(srgb .1 .2 .3)",
  "color(display-p3 .1 .9 .3)",
  "color-mix(in srgb, red, blue 30%)",
  "color-mix(in oklab, #036, white)",
  "currentColor",
  "transparent",
  "inherit",
  "initial",
  "unset",
  "revert",
  "revert-layer",
  "CanvasText",
  "LinkText",
  "light-dark(red, blue)",
  "var(--x)",
  "var(--y, teal)",
  "var(--loop, green)",
  "var(--none)",
  "rgb(from red r g b / .5)",
  "nonsense",
  "chucknorris",
  "rgb(calc(10 * 2) 20 30)",
  "hsl(calc(1turn / 3) 50% 40%)",
  "var(--x) !important",
  "red !important",
  "env(none, navy)",
];
const declaration: Arbitrary<string> = fc.oneof(
  { weight: 3, arbitrary: fc.constantFrom(...colours).map((colour) => `color: ${colour}`) },
  { weight: 2, arbitrary: fc.constantFrom(...colours).map((colour) => `background-color: ${colour}`) },
  {
    weight: 1,
    arbitrary: fc
      .constantFrom(...colours.filter((one) => !one.includes("!")))
      .map((colour) => `background: ${colour}`),
  },
  { weight: 1, arbitrary: fc.constantFrom(...colours).map((colour) => `--x: ${colour}`) },
  {
    weight: 3,
    arbitrary: fc.constantFrom(
      "font-size: 2em",
      "font-size: 150%",
      "font-size: smaller",
      "font-size: 3vw",
      "font-size: calc(1em + 1vh)",
      "font-size: min(2rem, 50px)",

      "font-size: 12pt",
      "font-size: -1px",
      "font-size: 1e1px",
      "font-size: var(--size)",
      "font: bold 1.2em serif",
      "font: 20px/1 x",
      "font: inherit",
      "font-weight: bolder",
      "font-weight: lighter",
      "font-weight: 350",
      "font-weight: 0",
      "font-weight: bold !important",

      "font-size: xx-small",
      "font-size: calc(10px * 2 + 1rem)",
      "font-size: 1in",
    ),
  },
  {
    weight: 2,
    arbitrary: fc.constantFrom(
      "display: none",
      "display: contents",
      "display: block",
      "display: bogus",
      "display: inline flex",
      "visibility: hidden",
      "visibility: visible",
      "visibility: inherit",
      "all: unset",
      "all: initial",

      "--size: 22px",
      "--size: calc(1em * 2)",
      "--y: var(--x)",
      "--loop: var(--loop2)",
      "--loop2: var(--loop)",
      "--loop: var(--loop, red)",
      "border-color: red",
      "color-scheme: dark",
      "color-scheme: light dark",
    ),
  },
);
const block = fc.array(declaration, { minLength: 1, maxLength: 3 }).map((all) => all.join("; "));
const wraps: readonly ((rules: string) => string)[] = [
  (rules) => rules,
  (rules) => rules,
  (rules) => `@layer a { ${rules} }`,
  (rules) => `@layer b { ${rules} }`,
  (rules) => `@layer a.b { ${rules} }`,
  (rules) => `@layer { ${rules} }`,
  (rules) => `@media (min-width: 600px) { ${rules} }`,
  (rules) => `@media not (min-width: 600px) { ${rules} }`,
  (rules) => `@media not (bogus: 1) { ${rules} }`,
  (rules) => `@media (bogus) or (width > 1px) { ${rules} }`,
  (rules) => `@media screen and (400px <= width < 2000px) { ${rules} }`,
  (rules) => `@media print { ${rules} }`,
  (rules) => `@media (prefers-color-scheme: dark), (hover: bogus) { ${rules} }`,
  (rules) => `@supports (color: lab(0% 0 0)) { ${rules} }`,
  (rules) => `@supports selector(:has(a)) { ${rules} }`,
  (rules) => `@supports selector(:bogus(a)) or (display: bogus) { ${rules} }`,
  (rules) => `@supports not (display: grid) { ${rules} }`,
  (rules) => `@scope (.a) { ${rules} }`,
  (rules) => `@scope (.a) to (.b) { ${rules} }`,
  (rules) => `@scope (.a) { @scope (.c) to (:scope > b) { ${rules} } }`,
  (rules) => `@scope (div) { :scope { ${rules} } }`,
  (rules) => `@container (min-width: 100px) { ${rules} }`,
  (rules) => `@container style(--size: 22px) { ${rules} }`,
  (rules) => `@starting-style { ${rules} }`,
  (rules) => `@bogus { ${rules} }`,
  (rules) => `.a { ${rules} }`,
  (rules) => `.c { & { ${rules} } }`,
  (rules) => `@property --x { syntax: "<color>"; inherits: false; initial-value: teal } ${rules}`,
  (rules) => `@layer b, a; ${rules}`,
];
const sheet = fc
  .array(
    fc
      .tuple(
        fc.constantFrom(...wraps),
        fc.array(
          fc.tuple(selector, block).map(([at, of]) => `${at} { ${of} }`),
          { minLength: 1, maxLength: 2 },
        ),
      )
      .map(([wrap, rules]) => wrap(rules.join(" "))),
    { minLength: 1, maxLength: 6 },
  )
  .map((rules) => rules.join("\n"));

const styleGrammar: Grammar = {
  p: [],
  b: [],
  div: [],
  span: [],
  a: ["href=#x"],
  ul: [],
  li: [],
  h1: [],
  h3: [],
  small: [],
  big: [],
  code: [],
  sup: [],
  mark: [],
  input: ["disabled", "type=checkbox", "checked", "required", "placeholder=x"],
  button: ["disabled"],
  section: [],
  article: [],
  strong: [],
  summary: [],
  details: ["open"],
  label: [],
  table: ["bgcolor=#eee"],
  td: ["bgcolor=chucknorris"],
  font: ["color=teal", "size=5", "size=+1", "color=#12"],
  pre: [],
  em: [],
  fieldset: [],
  legend: [],
  textarea: [],
  select: [],
  center: [],
  kbd: [],
};
const styleShared = [
  "class=a",
  "class=b",
  "class='a b'",
  "class=c",
  "id=i1",
  "id=i2",
  "title=tip",
  "hidden",
  "lang=de",
  "dir=rtl",
];

/** Pages of rules that compete: layers, scopes, nesting, queries, importance, invalid values, every notation of colours. */
export const stylePage: Arbitrary<string> = fc
  .tuple(
    sheet,
    partsOf(styleGrammar, styleShared, { attributes: 2, depth: 3 }),
    fc.option(fc.tuple(fc.constantFrom("p", "div", "b"), block), { nil: null }),
  )
  .map(([rules, parts, own]) =>
    page(
      own === null
        ? parts
        : [...parts, { tag: own[0], attributes: ["class=a", `style="${own[1]}"`], parts: ["Slip"] }],
      `<style>\n${rules}\n</style>`,
    ),
  );
