/**
 * Roles an author may give an element beside its own. ARIA in HTML, "document conformance requirements for use of ARIA
 * attributes in HTML". An element that is not here may take any role. `presentation` is `none`, `img` is `image`.
 */
export const allowedRoles: Readonly<Record<string, string>> = {
  article: "application document feed main none region",
  aside:
    "doc-dedication doc-example doc-footnote doc-glossary doc-pullquote doc-tip feed none note region search",
  nav: "doc-index doc-pagelist doc-toc menu menubar none tablist",
  section:
    "alert alertdialog application banner complementary contentinfo dialog document feed group log main marquee " +
    "navigation none note region search status tabpanel doc-abstract doc-acknowledgments doc-afterword doc-appendix " +
    "doc-bibliography doc-chapter doc-colophon doc-conclusion doc-credit doc-credits doc-dedication doc-endnotes " +
    "doc-epigraph doc-epilogue doc-errata doc-example doc-foreword doc-glossary doc-index doc-introduction doc-notice " +
    "doc-pagelist doc-part doc-preface doc-prologue doc-pullquote doc-qna doc-toc",
  h1: "doc-subtitle none tab",
  h2: "doc-subtitle none tab",
  h3: "doc-subtitle none tab",
  h4: "doc-subtitle none tab",
  h5: "doc-subtitle none tab",
  h6: "doc-subtitle none tab",
  header: "group none",
  footer: "doc-footnote group none",
  body: "",
  main: "",
  search: "form group none region",
  hr: "doc-pagebreak none",
  ul: "directory group listbox menu menubar none radiogroup tablist toolbar tree",
  ol: "directory group listbox menu menubar none radiogroup tablist toolbar tree",
  menu: "directory group listbox menu menubar none radiogroup tablist toolbar tree",
  dl: "group list none",
  dt: "listitem",
  dd: "",
  figcaption: "group none",
  "a[href]":
    "button checkbox doc-backlink doc-biblioref doc-glossref doc-noteref menuitem menuitemcheckbox menuitemradio option " +
    "radio switch tab treeitem",
  br: "none",
  wbr: "none",
  iframe: "application document image none",
  embed: "application document image none",
  object: "application document image",
  video: "application",
  audio: "application",
  caption: "",
  form: "none search",
  label: "",
  legend: "",
  button:
    "checkbox combobox gridcell link menuitem menuitemcheckbox menuitemradio option radio separator slider switch tab treeitem",
  textarea: "",
  select: "menu",
  "select[multiple]": "",
  optgroup: "",
  option: "",
  progress: "",
  meter: "",
  fieldset: "none radiogroup",
  details: "",
  dialog: "alertdialog",
  "input[button]":
    "checkbox combobox gridcell link menuitem menuitemcheckbox menuitemradio option radio separator slider switch tab treeitem",
  "input[submit]":
    "checkbox combobox gridcell link menuitem menuitemcheckbox menuitemradio option radio separator slider switch tab treeitem",
  "input[reset]":
    "checkbox combobox gridcell link menuitem menuitemcheckbox menuitemradio option radio separator slider switch tab treeitem",
  "input[image]":
    "checkbox gridcell link menuitem menuitemcheckbox menuitemradio option radio separator slider switch tab treeitem",
  "input[checkbox]": "menuitemcheckbox option switch",
  "input[radio]": "menuitemradio",
  "input[color]": "",
  "input[date]": "",
  "input[datetime-local]": "",
  "input[month]": "",
  "input[time]": "",
  "input[week]": "",
  "input[file]": "",
  "input[number]": "",
  "input[range]": "",
  "input[password]": "",
  "input[text]": "combobox searchbox spinbutton",
  "input[email]": "",
  "input[tel]": "",
  "input[url]": "",
  "input[search]": "",
  "img[alt]":
    "button checkbox doc-cover image link math menuitem menuitemcheckbox menuitemradio meter option progressbar radio " +
    "scrollbar separator slider switch tab treeitem none",
  "tr[table]": "",
  "td[table]": "",
  "th[table]": "",
};
