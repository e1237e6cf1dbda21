import { describe, expect, test } from "vitest";
import { heardLineOf } from "../../../src/core/semantics/heard-line.ts";
import { nameCandidates } from "../../../src/core/semantics/name.ts";
import { readingOrder } from "../../../src/core/semantics/reading-order.ts";
import { nativeRoles } from "../../../src/core/semantics/tables/native-roles.ts";
import { roleRow, roles } from "../../../src/core/semantics/tables/roles.ts";
import { stateRow } from "../../../src/core/semantics/tables/states.ts";
import { accessibilityTree, type TreeNode } from "../../../src/core/semantics/tree.ts";
import { byId, sceneOf } from "../../page.ts";

const role = (html: string) => {
  const scene = sceneOf(html);
  return scene.role(byId(scene, "a")).role;
};
const name = (html: string) => {
  const scene = sceneOf(html);
  return scene.name(byId(scene, "a")).text;
};
const description = (html: string) => {
  const scene = sceneOf(html);
  return scene.description(byId(scene, "a")).text;
};
const states = (html: string) => {
  const scene = sceneOf(html);
  return scene.states(byId(scene, "a"));
};

describe("roles", () => {
  test.each([
    [`<a id="a" href="x">x</a>`, "link"],
    [`<a id="a">x</a>`, "generic"],
    [`<header id="a">x</header>`, "banner"],
    [`<main><header id="a">x</header></main>`, "generic"],
    [`<div role="region" aria-label="r"><footer id="a">x</footer></div>`, "generic"],
    [`<section id="a">x</section>`, "generic"],
    [`<section id="a" aria-label="x">x</section>`, "region"],
    [`<article><aside id="a">x</aside></article>`, "generic"],
    [`<article><aside id="a" title="t">x</aside></article>`, "complementary"],
    [`<img id="a" alt="">`, "none"],
    [`<img id="a">`, "image"],
    [`<img id="a" alt=" ">`, "image"],
    [`<img id="a" alt="" aria-label="x">`, "image"],
    [`<img id="a" alt="" tabindex="0">`, "image"],
    [`<ul><li id="a">x</li></ul>`, "listitem"],
    [`<div><li id="a">x</li></div>`, "generic"],
    [`<ul role="none"><li id="a">x</li></ul>`, "none"],
    [`<select id="a"></select>`, "combobox"],
    [`<select id="a" multiple></select>`, "listbox"],
    [`<select id="a" size="3"></select>`, "listbox"],
    [`<input id="a" list="l"><datalist id="l"></datalist>`, "combobox"],
    [`<input id="a" list="gone">`, "textbox"],
    [`<input id="a" type="nonsense">`, "textbox"],
    [`<details><summary id="a">x</summary></details>`, "button"],
    [`<table><tr><th id="a">x</th><th>y</th></tr><tr><td>1</td><td>2</td></tr></table>`, "columnheader"],
    [`<table><tr><th>x</th><th>y</th></tr><tr><th id="a">1</th><td>2</td></tr></table>`, "rowheader"],
    [`<table role="grid"><tr><td id="a">x</td></tr></table>`, "gridcell"],
    [`<table role="none"><tr><td id="a">x</td></tr></table>`, "none"],
    [`<div id="a" role="nonsense button">x</div>`, "button"],
    [`<div id="a" role="widget">x</div>`, "generic"],
    [`<div id="a" role="img">x</div>`, "image"],
    [`<h2 id="a" role="presentation" tabindex="0">x</h2>`, "heading"],
    [`<h2 id="a" role="none" aria-describedby="b">x</h2>`, "heading"],
    [`<h2 id="a" role="none">x</h2>`, "none"],
    [`<div id="a" role="form">x</div>`, "generic"],
    [`<div id="a" role="doc-chapter">x</div>`, "doc-chapter"],
  ])("%s is %s", (html, expected) => {
    expect(role(html)).toBe(expected);
  });

  test("every role a table names exists", () => {
    const known = new Set(Object.keys(roles));
    const named = Object.keys(roles).flatMap((r) => {
      const row = roleRow(r as keyof typeof roles);
      return [...(row.is ?? []), ...(row.parents ?? []), ...(row.owns ?? [])].flatMap((path) =>
        path.split("/"),
      );
    });
    expect([...new Set(named)].filter((r) => !known.has(r) && r !== "presentation")).toEqual([]);
    expect(
      Object.values(nativeRoles)
        .flat()
        .map((row) => row.role)
        .filter((r) => r !== null && !known.has(r)),
    ).toEqual([]);
  });

  test("every state a role names exists", () => {
    const named = Object.keys(roles).flatMap((r) => {
      const row = roleRow(r as keyof typeof roles);
      return [
        ...(row.required ?? []),
        ...(row.supports ?? []),
        ...(row.prohibits ?? []),
        ...Object.keys(row.defaults ?? {}),
      ];
    });
    expect([...new Set(named)].filter((state) => stateRow(state) === null)).toEqual([]);
  });
});

describe("names", () => {
  test.each([
    [
      "a label in a part hidden from assistive technology",
      `<div aria-hidden="true"><label for="a">Berth</label></div><input id="a">`,
      "Berth",
    ],
    ["a label in an inert part", `<div inert><label for="a">Berth</label></div><input id="a">`, "Berth"],
    [
      "a label that is hidden itself names nothing",
      `<label for="a" aria-hidden="true">Berth</label><input id="a">`,
      "",
    ],
    ["nor does a hidden legend", `<fieldset id="a"><legend hidden>Berth</legend></fieldset>`, ""],
    ["nor a hidden caption", `<table id="a"><caption hidden>Berths</caption><tr><td>1</table>`, ""],
    [
      "a hidden block parts words too",
      `<button id="a">Slip<div aria-hidden="true"></div>4</button>`,
      "Slip 4",
    ],
    ["a select has no placeholder", `<select id="a" placeholder="Berth"></select>`, ""],
    [
      "what is not rendered has no generated content",
      `<style>b::before { content: "Berth" }</style><b id="l" hidden></b><input id="a" aria-labelledby="l">`,
      "",
    ],
    [
      "labelledby joins in order",
      `<i id="x">two</i><b id="y">one</b><input id="a" aria-labelledby="y x">`,
      "one two",
    ],
    [
      "labelledby may name itself",
      `<button id="a" aria-label="Delete" aria-labelledby="a b"></button><b id="b">rates</b>`,
      "Delete rates",
    ],
    [
      "labelledby is not followed twice",
      `<i id="x" aria-labelledby="y">first</i><i id="y">second</i><input id="a" aria-labelledby="x">`,
      "first",
    ],
    [
      "labelledby reads hidden text, all of it",
      `<p id="x" hidden>a <b style="display:none">b</b></p><input id="a" aria-labelledby="x">`,
      "a b",
    ],
    [
      "labelledby that names nothing falls through",
      `<button id="a" aria-labelledby="gone">Haul</button>`,
      "Haul",
    ],
    ["in a circle it ends", `<i id="x" aria-labelledby="a">x</i><input id="a" aria-labelledby="x">`, "x"],
    ["aria-label beats label", `<label for="a">no</label><input id="a" aria-label="yes">`, "yes"],
    [
      "several labels join",
      `<label for="a">Length</label><label for="a">in metres</label><input id="a">`,
      "Length in metres",
    ],
    [
      "a wrapping label leaves its own control out",
      `<label>Beam <input id="a" value="3"> metres</label>`,
      "Beam metres",
    ],
    [
      "a control inside a label speaks by its value",
      `<label for="a">Sound after <input value="15"> minutes</label><input id="a" type="checkbox">`,
      "Sound after 15 minutes",
    ],
    [
      "a select inside a label speaks by its choice",
      `<label for="a">Ring <select><option>once<option selected>twice</select></label><input id="a" type="checkbox">`,
      "Ring twice",
    ],
    [
      "blocks part words, inline ones do not",
      `<button id="a"><b>Ha</b><i>ul</i><div>out</div></button>`,
      "Haul out",
    ],
    ["a line break parts words", `<button id="a">Haul<br>out</button>`, "Haul out"],
    [
      "hidden parts are left out",
      `<button id="a">Haul<span hidden> no</span><span aria-hidden="true"> no</span> out</button>`,
      "Haul out",
    ],
    [
      "what is visible again speaks",
      `<button id="a"><span style="visibility:hidden">no <b style="visibility:visible">yes</b></span></button>`,
      "yes",
    ],
    [
      "generated text counts",
      `<style>#a::before{content:"New "}#a::after{content:url(x.png) / "boat"}</style><button id="a">lift </button>`,
      "New lift boat",
    ],
    ["an image speaks by its alt", `<a id="a" href="x">Boat<img alt="Petrel">now</a>`, "Boat Petrel now"],
    ["a tooltip names what says nothing", `<a id="a" href="x"><i title="Edit"></i></a>`, "Edit"],
    ["a tooltip is the last resort", `<button id="a" title="tip"></button>`, "tip"],
    ["placeholder comes after title", `<input id="a" placeholder="p" title="t">`, "t"],
    ["a legend names its fieldset", `<fieldset id="a"><legend>Berth</legend></fieldset>`, "Berth"],
    [
      "a caption names its table",
      `<table id="a"><caption>Tides <b>today</b></caption></table>`,
      "Tides today",
    ],
    ["an svg title names its drawing", `<svg id="a"><title>Flag</title></svg>`, "Flag"],
    [
      "a picture alone in a figure is named by the caption",
      `<figure><img id="a"><figcaption>The slip</figcaption></figure>`,
      "The slip",
    ],
    ["submit has a word of its own", `<input id="a" type="submit">`, "Submit"],
    [
      "a slotted text is part of the name",
      `<x-b><template shadowrootmode="open"><button id="a">Book <slot></slot></button></template>slip 4</x-b>`,
      "Book slip 4",
    ],
    ["owned elements speak too", `<button id="a" aria-owns="o">Haul</button><p id="o">out</p>`, "Haul out"],
    ["role none has no name", `<h2 id="a" role="none">x</h2>`, ""],
    ["a list is not named by its items", `<ul id="a"><li>x</li></ul>`, ""],
  ])("%s", (_, html, expected) => {
    expect(name(html)).toBe(expected);
  });

  test("the candidates show what was used and what was not", () => {
    const scene = sceneOf(`<label for="a">Length</label><input id="a" aria-label="Beam" placeholder="m">`);
    expect(nameCandidates(scene, byId(scene, "a")).map((c) => [c.from, c.text, c.wins])).toEqual([
      ["aria-label", "Beam", true],
      ["label element", "Length", false],
      ["placeholder", "m", false],
    ]);
  });

  test("hostile input ends in linear time: labels in a ring, one id a thousand times, megabytes of name", () => {
    const ring = Array.from(
      { length: 500 },
      (_, i) => `<label for="f${i}">L${i} <input id="f${(i + 1) % 500}"></label>`,
    ).join("");
    const scene = sceneOf(
      `${ring}${`<i id="same">x</i>`.repeat(5000)}<button id="a" aria-labelledby="${"same ".repeat(5000)}">${"word ".repeat(200_000)}</button>`,
    );
    expect(scene.name(byId(scene, "a")).text).toBe("x");
    expect(scene.name(byId(scene, "f1")).text).toContain("L");
  });
});

describe("descriptions", () => {
  test.each([
    [`<button id="a" aria-describedby="d">x</button><i id="d" hidden>more</i>`, "more"],
    [`<button id="a" aria-description="more">x</button>`, "more"],
    [`<button id="a" title="tip">x</button>`, "tip"],
    [`<button id="a" title="tip"></button>`, ""],
    [`<table id="a" aria-label="n"><caption>c</caption></table>`, "c"],
    [`<input id="a" type="submit" value="Book" aria-label="Book slip 4">`, "Book"],
    [`<input id="a" type="submit" value="Book">`, ""],
    [`<input id="a" value="Petrel" aria-label="Boat">`, ""],
  ])("%s is described as %s", (html, expected) => {
    expect(description(html)).toBe(expected);
  });
});

describe("states", () => {
  test.each([
    [`<h3 id="a">x</h3>`, { level: 3 }],
    [`<div id="a" role="heading" aria-level="0">x</div>`, { level: 2 }],
    [`<input id="a" type="checkbox" checked required>`, { checked: true, required: true }],
    [`<span id="a" role="switch" aria-checked="mixed">x</span>`, { checked: false }],
    [`<details open><summary id="a">x</summary></details>`, { expanded: true }],
    [`<fieldset disabled><legend><input></legend><input id="a"></fieldset>`, { disabled: true }],
    [
      `<button id="a" aria-pressed="true" aria-haspopup="true">x</button>`,
      { haspopup: "menu", pressed: true },
    ],
    [`<input id="a" type="range" max="10">`, { valuemax: 10, valuemin: 0, valuenow: 5 }],
    [`<button id="a" aria-expanded="undefined">x</button>`, {}],
    [`<a id="a" href="x" aria-current="page">x</a>`, { current: "page" }],
    [`<button id="a" popovertarget="p">x</button><div id="p" popover>y</div>`, { expanded: false }],
  ])("%s", (html, expected) => {
    expect(states(html)).toEqual(expected);
  });

  test("a heard line is name, role, value, states", () => {
    const scene = sceneOf(
      `<button id="a" aria-expanded="true">Book slip 4</button><input id="b" aria-label="Beam" value="3" required>`,
    );
    expect([heardLineOf(scene, byId(scene, "a")), heardLineOf(scene, byId(scene, "b"))]).toEqual([
      `"Book slip 4" button, expanded`,
      `"Beam" text box, "3", required`,
    ]);
  });

  test.each([
    [`<input type="checkbox" id="a" aria-label="Fuel" checked>`, `"Fuel" checkbox, checked`],
    [`<input type="checkbox" id="a" aria-label="Fuel">`, `"Fuel" checkbox, not checked`],
    [
      `<div role="checkbox" id="a" aria-label="Fuel" aria-checked="mixed"></div>`,
      `"Fuel" checkbox, partly checked`,
    ],
    [`<button id="a" aria-busy="true">Tides</button>`, `"Tides" button, busy`],
    [`<button id="a" aria-busy="false">Tides</button>`, `"Tides" button`],
    [`<button id="a" aria-pressed="false">Night</button>`, `"Night" button, not pressed`],
  ])("%s is heard as %s", (html, line) => {
    const scene = sceneOf(html);
    expect(heardLineOf(scene, byId(scene, "a"))).toBe(line);
  });
});

describe("the tree", () => {
  const outline = (html: string) => {
    const root = accessibilityTree(sceneOf(html));
    const lines: string[] = [];
    const visit = (node: TreeNode, depth: number) => {
      lines.push(
        `${" ".repeat(depth)}${node.kind === "text" ? `"${node.text}"` : `${node.role}${node.name === "" ? "" : ` ${node.name}`}`}`,
      );
      if (node.kind === "element") for (const child of node.children) visit(child, depth + 1);
    };
    for (const child of root?.children ?? []) visit(child, 0);
    return lines;
  };
  test("leaves out what says nothing and keeps its children", () => {
    expect(outline(`<div><div><h1>One</h1><span>two</span></div></div>`)).toEqual([
      "heading One",
      ' "One"',
      '"two"',
    ]);
  });
  test("moves what is owned, once, never in a circle", () => {
    expect(
      outline(
        `<ul aria-owns="x y"><li>a</li></ul><li id="x">b</li><div id="y" aria-owns="z"><p id="z" aria-owns="y">c</p></div>`,
      ),
    ).toEqual(["list", " listitem", '  "a"', ' "b"', " generic", "  paragraph", '   "c"']);
  });
  test("leaves out the hidden, not what is visible again", () => {
    expect(
      outline(
        `<p aria-hidden="true">a</p><p hidden>b</p><div style="visibility:hidden">c<p style="visibility:visible">d</p></div><details><summary>s</summary>e</details><p inert>f</p><dialog>g</dialog>`,
      ),
    ).toEqual(["paragraph", ' "d"', "group", " button s", '  "s"']);
  });
  test("keeps a box that says something of itself", () => {
    expect(outline(`<span title="Tide table">6:00</span><span>7:00</span>`)).toEqual([
      "generic",
      ' "6:00"',
      '"7:00"',
    ]);
  });
  test("an empty page has a root and no more", () => {
    expect(outline("")).toEqual([]);
  });
});

test("the reading order says containers, items and the headers of cells", () => {
  const scene = sceneOf(
    `<!doctype html><title>Tides</title><main><h1>Tides</h1><p>Slip <strong>four</strong> is free</p><ul><li>one <a href="x">two</a></li></ul><table><caption>Week</caption><tr><th>Day</th><th>High</th></tr><tr><th>Mon</th><td>06:10</td></tr></table></main>`,
  );
  const root = accessibilityTree(scene);
  expect(
    root === null ? [] : readingOrder(scene, root).map((line) => `${" ".repeat(line.depth)}${line.text}`),
  ).toEqual([
    `"Tides" page`,
    "main landmark",
    ` "Tides" heading level 1`,
    " Slip four is free",
    " list, 1 item",
    "  – one",
    `  "two" link`,
    " end of list",
    ` "Week" table, 2 rows, 2 columns`,
    "  column header: Day",
    "  column header: High",
    "  row header: Mon",
    "  High, Mon: 06:10",
    " end of table",
    "end of main landmark",
    "end of page",
  ]);
});
