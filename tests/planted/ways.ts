/** How a fault of a check is made from what is right, in the ways that people have. */
export interface Way {
  readonly check: string;
  /** What someone did. */
  readonly way: string;
  /** What stands there, and what stands there then: once in the page. */
  readonly from: string | RegExp;
  readonly to: string;
  /** Where only a question can be asked of it: a script may mend it, or layout decides. */
  readonly asked?: true;
}

const rule = (css: string) => ({ from: "</style>", to: `${css}\n</style>` }) as const;
const body = (html: string) => ({ from: `<h2>Tools</h2>`, to: `<h2>Tools</h2>${html}` }) as const;

export const ways: readonly Way[] = [
  // names
  {
    check: "names.image-described",
    way: "alt forgotten",
    from: ` alt="Plan of the yard: slips 1 to 6 on the east bank"`,
    to: "",
  },
  {
    check: "names.image-described",
    way: "alt of blanks",
    from: `alt="Plan of the yard: slips 1 to 6 on the east bank"`,
    to: `alt=" "`,
  },
  {
    check: "names.image-described",
    way: "a drawing with a role and no name",
    from: / aria-labelledby="wind"(.*)<title.*<\/title>/,
    to: "$1",
  },
  {
    check: "names.image-described",
    way: "a box with a picture role",
    ...body(`<div role="img" class="photo"></div>`),
  },
  {
    check: "names.image-described",
    way: "a button that is a picture",
    ...body(`<input type="image" src="go.png">`),
  },
  {
    check: "names.image-described",
    way: "an area",
    ...body(
      `<img src="k.png" alt="Key" usemap="#k"><map name="k"><area href="k.html" coords="0,0,9,9"></map>`,
    ),
  },
  {
    check: "names.no-file-name",
    way: "the file",
    from: `alt="The ketch Petrel on slip 4"`,
    to: `alt="boat.jpg"`,
  },
  {
    check: "names.no-file-name",
    way: "the kind",
    from: `alt="The ketch Petrel on slip 4"`,
    to: `alt="image"`,
  },
  {
    check: "names.no-file-name",
    way: "a number of a camera",
    from: `alt="The ketch Petrel on slip 4"`,
    to: `alt="DSC_0042.JPG"`,
  },
  {
    check: "names.action-named",
    way: "a link of a picture without words",
    from: `alt="Map of the river"`,
    to: `alt=""`,
  },
  { check: "names.action-named", way: "an icon alone", from: ` aria-label="Print the plan"`, to: "" },
  {
    check: "names.action-named",
    way: "an empty label",
    from: `aria-label="Print the plan"`,
    to: `aria-label=""`,
  },
  {
    check: "names.action-named",
    way: "an empty button",
    from: `>Ask for the berth</button>`,
    to: `></button>`,
  },
  { check: "names.action-named", way: "an empty link", from: `>Tides</a>`, to: `></a>` },
  {
    check: "names.action-named",
    way: "words hidden from everyone",
    from: `>Tides</a>`,
    to: `><span hidden>Tides</span></a>`,
  },
  {
    check: "names.action-named",
    way: "words hidden from assistive technology",
    from: `>Tides</a>`,
    to: `><span aria-hidden="true">Tides</span></a>`,
  },
  {
    check: "names.action-named",
    way: "a send button of blanks",
    from: `<button class="button">Ask for the berth</button>`,
    to: `<input type="submit" value=" ">`,
  },
  {
    check: "names.action-named",
    way: "a made button",
    ...body(
      `<div role="button" tabindex="0" onclick="toggle()" onkeydown="toggle()"><svg viewBox="0 0 9 9"><path d="M0 0h9"/></svg></div>`,
    ),
  },
  {
    check: "names.action-named",
    way: "a name that points nowhere",
    from: `aria-label="Print the plan"`,
    to: `aria-labelledby="print"`,
  },
  {
    check: "names.action-named",
    way: "an icon of a font",
    from: `>Fees</a>`,
    to: `><i class="icon-fees" aria-hidden="true"></i></a>`,
  },
  {
    check: "names.action-named",
    way: "a summary",
    from: `<summary>Fees for visitors</summary>`,
    to: `<summary></summary>`,
  },
  {
    check: "names.control-labelled",
    way: "the label is plain text",
    from: `<label for="boat">Name of the boat</label>`,
    to: `<span>Name of the boat</span>`,
  },
  { check: "names.control-labelled", way: "another id", from: `for="boat"`, to: `for="vessel"` },
  { check: "names.label-connected", way: "no for", from: `<label for="mail">`, to: `<label>` },
  {
    check: "names.control-labelled",
    way: "beside a select",
    from: `<label for="kind">Kind of berth</label>`,
    to: `Kind of berth`,
  },
  {
    check: "names.control-labelled",
    way: "beside a text area",
    from: `<label for="wish">Wishes</label>`,
    to: `<b>Wishes</b>`,
  },
  {
    check: "names.control-labelled",
    way: "beside a checkbox",
    from: `<label for="crane">I need the crane</label>`,
    to: `I need the crane`,
  },
  {
    check: "names.control-labelled",
    way: "the label wraps no more",
    from: `<label>Length in metres <input class="field" type="number" name="length"></label>`,
    to: `<label>Length in metres</label> <input class="field" type="number" name="length">`,
  },
  {
    check: "names.control-labelled",
    way: "an empty label",
    from: `>Name of the boat</label>`,
    to: `></label>`,
  },
  {
    check: "names.control-labelled",
    way: "a made field",
    ...body(`<div role="textbox" contenteditable="true"></div>`),
  },
  {
    check: "names.control-labelled",
    way: "a made checkbox",
    from: `>Tell me of free berths</div>`,
    to: `></div>`,
  },
  { check: "names.control-labelled", way: "a file", ...body(`<p>Papers <input type="file"></p>`) },
  {
    check: "names.control-labelled",
    way: "a search by its place",
    ...body(`<form role="search"><input type="search" name="q"><button class="button">Find</button></form>`),
  },
  {
    check: "names.label-stays-visible",
    way: "a placeholder for a label",
    from: `<label for="mail">E-mail</label> <input class="field" id="mail" name="email" type="email" autocomplete="email" placeholder="you@yard.example">`,
    to: `<input class="field" id="mail" name="email" type="email" autocomplete="email" placeholder="E-mail">`,
  },
  { check: "names.area-named", way: "a frame", from: `<iframe title="Tides of the week"`, to: `<iframe` },
  {
    check: "names.area-named",
    way: "a frame with an empty title",
    from: `title="Tides of the week"`,
    to: `title=""`,
  },
  {
    check: "names.area-named",
    way: "a dialog",
    ...body(
      `<div role="dialog" aria-modal="true" tabindex="-1"><p>Sure?</p><button class="button">Yes</button></div>`,
    ),
  },
  { check: "names.area-named", way: "a tab panel", from: ` aria-labelledby="t1"`, to: "" },
  {
    check: "names.group-named",
    way: "no legend",
    from: `<legend>How long?</legend>`,
    to: `<p>How long?</p>`,
  },
  {
    check: "names.group-named",
    way: "no fieldset",
    from: /<fieldset><legend>How long\?<\/legend>(.*)<\/fieldset>/,
    to: `<p>How long?</p><p>$1</p>`,
  },
  {
    check: "names.references-found",
    way: "a hint that is gone",
    from: `aria-describedby="hint"`,
    to: `aria-describedby="help"`,
    asked: true,
  },
  {
    check: "names.visible-words-in-name",
    way: "another word",
    from: `<button class="button">Ask for the berth</button>`,
    to: `<button class="button" aria-label="Submit the form">Ask for the berth</button>`,
  },
  {
    check: "names.visible-words-in-name",
    way: "a link named otherwise",
    from: `<a href="fees.html">Fees</a>`,
    to: `<a href="fees.html" aria-label="What it costs">Fees</a>`,
  },
  {
    check: "names.takes-a-name",
    way: "a plain box",
    from: `<p class="note">`,
    to: `<p class="note" aria-label="Note">`,
  },
  // roles
  { check: "roles.exists", way: "a misspelt role", from: `role="tablist"`, to: `role="tabslist"` },
  { check: "roles.exists", way: "an abstract role", from: `role="status"`, to: `role="widget"` },
  { check: "roles.states-required", way: "no checked", from: ` aria-checked="false"`, to: "" },
  {
    check: "roles.states-required",
    way: "a heading without level",
    ...body(`<div role="heading">Crane</div>`),
  },
  {
    check: "roles.states-required",
    way: "a made slider",
    ...body(`<div role="slider" tabindex="0" aria-label="Depth"></div>`),
  },
  {
    check: "roles.states-supported",
    way: "a misspelt attribute",
    from: `aria-controls="more"`,
    to: `aria-control="more"`,
  },
  {
    check: "roles.states-supported",
    way: "one of another role",
    from: `<ul class="list">`,
    to: `<ul class="list" aria-checked="true">`,
  },
  {
    check: "roles.state-values",
    way: "a word of one's own",
    from: `aria-expanded="false"`,
    to: `aria-expanded="closed"`,
  },
  { check: "roles.state-values", way: "yes", from: `aria-checked="false"`, to: `aria-checked="no"` },
  {
    check: "roles.parent-present",
    way: "a tab on its own",
    from: `role="tablist" aria-label="Seasons"`,
    to: `class="tabs"`,
  },
  {
    check: "roles.parent-present",
    way: "an option on its own",
    ...body(`<div role="option" aria-selected="false" tabindex="0">Slip 3</div>`),
  },
  { check: "roles.parent-present", way: "an item on its own", ...body(`<div role="listitem">Slip 3</div>`) },
  {
    check: "roles.children-present",
    way: "a list of boxes",
    ...body(`<div role="list"><div>Slip 3</div></div>`),
  },
  {
    check: "roles.children-present",
    way: "a menu of links",
    ...body(`<ul role="menu"><li><a href="a.html">Slip 3</a></li></ul>`),
  },
  {
    check: "roles.no-nested-actions",
    way: "a button in a link",
    from: `>Tides</a>`,
    to: `><button class="button">Tides</button></a>`,
  },
  {
    check: "roles.no-nested-actions",
    way: "a link in a button",
    from: `>Ask for the berth</button>`,
    to: `><a href="ask.html">Ask for the berth</a></button>`,
  },
  {
    check: "roles.hidden-holds-no-focus",
    way: "a hidden part with a link",
    from: `<footer class="bar">`,
    to: `<footer class="bar" aria-hidden="true">`,
  },
  {
    check: "roles.hidden-holds-no-focus",
    way: "a hidden button",
    from: `aria-label="Print the plan"`,
    to: `aria-label="Print the plan" aria-hidden="true"`,
  },
  { check: "roles.document-not-hidden", way: "the body", from: `<body>`, to: `<body aria-hidden="true">` },
  {
    check: "roles.promise-kept",
    way: "no tabindex",
    from: `aria-checked="false" tabindex="0"`,
    to: `aria-checked="false"`,
  },
  {
    check: "roles.state-agrees",
    way: "a checkbox",
    from: `id="crane" name="crane"`,
    to: `id="crane" name="crane" checked aria-checked="false"`,
  },
  {
    check: "roles.flattened-holds-no-focus",
    way: "a link in a picture",
    ...body(`<div role="img" aria-label="Map"><a href="m.html">Slip 3</a></div>`),
  },
  // contrast
  { check: "contrast.text", way: "one colour", ...rule(`.note { color: #9aa5ad }`) },
  { check: "contrast.text", way: "the variable", from: `--ink: #1d2b36`, to: `--ink: #a0a8ad` },
  { check: "contrast.text", way: "the background", ...rule(`.bar { background: #9fc7d8 }`) },
  {
    check: "contrast.text",
    way: "in the style attribute",
    from: `<p class="note">`,
    to: `<p class="note" style="color: #aab">`,
  },
  { check: "contrast.text", way: "half seen through", ...rule(`.note { opacity: .4 }`) },
  { check: "contrast.text", way: "a button", ...rule(`.button { background: #7fb2c8 }`) },
  { check: "contrast.text", way: "a colour with alpha", ...rule(`.note { color: rgb(29 43 54 / 40%) }`) },
  { check: "contrast.text", way: "a value in a field", ...rule(`.field { color: #b0b8bd }`) },
  { check: "contrast.text", way: "a link in the bar", ...rule(`.bar a { color: #5b8fa5 }`) },
  {
    check: "contrast.text",
    way: "the dark scheme",
    ...rule(`@media (prefers-color-scheme: dark) { .note { background: #222 } }`),
  },
  { check: "contrast.placeholder", way: "grey", ...rule(`.field::placeholder { color: #b5bdc2 }`) },
  {
    check: "contrast.text-acted-on",
    way: "under the pointer",
    ...rule(`.button:hover { background: #9fc7d8 }`),
  },
  { check: "contrast.text-acted-on", way: "focused", ...rule(`.button:focus { color: #7fb2c8 }`) },
  { check: "contrast.control-edge", way: "a pale border", ...rule(`.field { border-color: #dde3e6 }`) },
  { check: "contrast.icon", way: "a pale icon", ...rule(`.icon { color: #ccd3d8 }`) },
  {
    check: "contrast.focus-mark",
    way: "a pale outline",
    ...rule(`:focus-visible { outline-color: #e8eef1 }`),
  },
  { check: "colour.links-stand-out", way: "no line", ...rule(`main a { text-decoration: none }`) },
  // keys
  {
    check: "keys.reachable",
    way: "a button that is a box",
    from: `<button class="button" type="button" aria-expanded="false" aria-controls="more" onclick="toggle()">More about slips</button>`,
    to: `<div class="button" onclick="toggle()">More about slips</div>`,
  },
  {
    check: "keys.reachable",
    way: "a button that is a word",
    from: `<button class="button" type="button" aria-expanded="false" aria-controls="more" onclick="toggle()">More about slips</button>`,
    to: `<span class="button" onclick="toggle()">More about slips</span>`,
  },
  {
    check: "keys.reachable",
    way: "a link that leads nowhere",
    from: `<a href="fees.html">Fees</a>`,
    to: `<a onclick="show()">Fees</a>`,
  },
  {
    check: "keys.reachable",
    way: "a role without focus",
    from: `<button class="button" type="button" aria-expanded="false" aria-controls="more" onclick="toggle()">More about slips</button>`,
    to: `<div role="button" class="button" onclick="toggle()">More about slips</div>`,
  },
  {
    check: "keys.reachable",
    way: "an image to click",
    from: `<img src="plan.png" alt`,
    to: `<img src="plan.png" onclick="show()" alt`,
  },
  {
    check: "keys.reachable",
    way: "by script",
    from: `<script>`,
    to: `<script>document.querySelector(".note").addEventListener("click", show);`,
  },
  {
    check: "keys.reachable",
    way: "a row to click",
    from: `<tr><th scope="row">Slip 1</th>`,
    to: `<tr onclick="show()"><th scope="row">Slip 1</th>`,
  },
  { check: "keys.activates", way: "no key", from: ` onkeydown="flip()"`, to: "" },
  { check: "keys.focus-shows", way: "no outline", ...rule(`:focus-visible { outline: none }`) },
  {
    check: "keys.focus-shows",
    way: "no outline on buttons",
    ...rule(`.button:focus-visible { outline: 0 }`),
  },
  { check: "keys.focus-shows", way: "no outline on anything", ...rule(`* { outline: none !important }`) },
  {
    check: "keys.focus-shows",
    way: "an outline seen through",
    ...rule(`a:focus-visible { outline-color: transparent }`),
  },
  {
    check: "keys.order-makes-sense",
    way: "a number",
    from: `id="mail" name`,
    to: `id="mail" tabindex="3" name`,
  },
  { check: "keys.skip-arrives", way: "nowhere", from: `<main id="content"`, to: `<main id="main"` },
  { check: "keys.pattern-kept", way: "no arrow keys", from: ` onkeydown="turn()"`, to: "" },
  {
    check: "keys.access-keys",
    way: "twice",
    from: `<a href="tides.html">Tides</a>`,
    to: `<a href="tides.html" accesskey="t">Tides</a><a href="t2.html" accesskey="t">Trips</a>`,
  },
  {
    check: "keys.dialog-takes-focus",
    way: "nothing to focus",
    ...body(`<div role="dialog" aria-modal="true" aria-label="Wait"><p>Wait.</p></div>`),
    asked: true,
  },
  {
    check: "keys.no-trap",
    way: "a field that keeps Tab",
    from: `id="wish" name="wish"`,
    to: `id="wish" name="wish" onkeydown="return false"`,
  },
  {
    check: "keys.active-item-told",
    way: "no focus",
    ...body(
      `<ul role="listbox" aria-label="Slips" aria-activedescendant="o1"><li role="option" id="o1" aria-selected="true">1</li></ul>`,
    ),
  },
  // structure
  { check: "structure.title", way: "none", from: /<title>Berths.*<\/title>/, to: "" },
  { check: "structure.title", way: "an empty one", from: /<title>Berths.*<\/title>/, to: "<title></title>" },
  {
    check: "structure.title",
    way: "a left-over",
    from: /<title>Berths.*<\/title>/,
    to: "<title>Document</title>",
  },
  { check: "structure.language", way: "none", from: ` lang="en"`, to: "" },
  { check: "structure.language", way: "one that is none", from: `lang="en"`, to: `lang="english"` },
  { check: "structure.language-of-parts", way: "one that is none", from: `lang="de"`, to: `lang="deutsch"` },
  { check: "structure.headings-say", way: "empty", from: `<h3>What to bring</h3>`, to: `<h3></h3>` },
  {
    check: "structure.headings-say",
    way: "a picture without words",
    from: `<h3>What to bring</h3>`,
    to: `<h3><img src="bring.png" alt=""></h3>`,
  },
  {
    check: "structure.headings-step",
    way: "two steps",
    from: `<h3>What to bring</h3>`,
    to: `<h5>What to bring</h5>`,
  },
  {
    check: "structure.headings-exist",
    way: "none at level 1",
    from: `<h1>Berths on the river</h1>`,
    to: `<h2>Berths on the river</h2>`,
  },
  {
    check: "structure.main",
    way: "none",
    from: /<main id="content" tabindex="-1">([\s\S]*)<\/main>/,
    to: `<div id="content" tabindex="-1">$1</div>`,
  },
  {
    check: "structure.main",
    way: "two",
    from: `<footer class="bar">`,
    to: `<main><p>More</p></main><footer class="bar">`,
  },
  {
    check: "structure.lists",
    way: "an item outside",
    from: /<ul class="list">(.*)<\/ul>/,
    to: `<div class="list">$1</div>`,
  },
  {
    check: "structure.lists",
    way: "a box in a list",
    from: `<li>Lines and fenders</li></ul>`,
    to: `<div>Lines and fenders</div></ul>`,
  },
  { check: "structure.lists", way: "a term without its list", from: /<dl>(.*)<\/dl>/, to: `<div>$1</div>` },
  {
    check: "structure.lists-marked",
    way: "signs and breaks",
    from: /<ul class="list">.*<\/ul>/,
    to: `<p>• Papers of the boat<br>• Lines and fenders<br>• The fee</p>`,
  },
  {
    check: "structure.table-headers",
    way: "no headers",
    from: /<thead>.*<\/tbody>/,
    to: `<tr><td>Slip</td><td>Depth</td></tr><tr><td>Slip 1</td><td>2.1 m</td></tr><tr><td>Slip 2</td><td>2.4 m</td></tr>`,
  },
  {
    check: "structure.ids-unique",
    way: "twice",
    from: `<span id="hint">`,
    to: `<span id="hint">Twice</span> <span id="hint">`,
  },
  // the rest
  {
    check: "forms.purpose-told",
    way: "a word that is none",
    from: `autocomplete="email"`,
    to: `autocomplete="e-mail"`,
  },
  {
    check: "forms.paste-allowed",
    way: "no pasting",
    ...body(
      `<label>Password <input type="password" autocomplete="current-password" class="field" onpaste="return false"></label>`,
    ),
  },
  {
    check: "zoom.not-blocked",
    way: "no zoom",
    from: `initial-scale=1`,
    to: `initial-scale=1, user-scalable=no`,
  },
  {
    check: "zoom.not-blocked",
    way: "at most",
    from: `initial-scale=1`,
    to: `initial-scale=1, maximum-scale=1`,
  },
  {
    check: "zoom.spacing",
    way: "pinned",
    from: `<p class="note">`,
    to: `<p class="note" style="line-height: 1 !important">`,
    asked: true,
  },
  { check: "zoom.text-grows", way: "the window alone", ...rule(`.note { font-size: 2vw }`) },
  {
    check: "touch.target-size",
    way: "too small",
    ...rule(`.icon, .icon + .button { width: 16px; height: 16px; padding: 0; border: 0 }`),
  },
];
