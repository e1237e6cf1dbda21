import { expect, test } from "vitest";
import { type ListKind, listByKind } from "../../../src/core/semantics/lists-by-kind.ts";
import { accessibilityTree } from "../../../src/core/semantics/tree.ts";
import { sceneOf } from "../../page.ts";

/** The lines of one list, each with how far it stands in. */
function listed(html: string, kind: ListKind): readonly string[] {
  const scene = sceneOf(`<!doctype html><html lang="en"><title>Slips</title><body>${html}`);
  const root = accessibilityTree(scene);
  if (root === null) throw new Error("no tree");
  return listByKind(scene, root, kind).map(({ depth, text }) => `${"> ".repeat(depth)}${text}`);
}

test.each<[kind: ListKind, html: string, lines: readonly string[]]>([
  [
    "headings",
    `<h1>Yard</h1><h2>Slips</h2><h4>Fees</h4><h2>Tides</h2>`,
    ["1  Yard", "> 2  Slips", "> > > 4  Fees   (after level 2)", "> 2  Tides"],
  ],
  [
    "headings",
    `<h3>Yard</h3><div role="heading" aria-level="5">Slips</div><h2>  </h2>`,
    ["> > 3  Yard", "> > > > 5  Slips   (after level 3)", "> 2  (says nothing)"],
  ],
  [
    "landmarks",
    `<header>Yard</header><nav aria-label="Yard"><ul><li>x</ul></nav><main><section aria-label="Fees">y</section><form>z</form><form aria-label="Booking">z</form></main><footer>end</footer>`,
    [
      "banner landmark",
      `"Yard" navigation landmark`,
      "main landmark",
      `> "Fees" region landmark`,
      `> "Booking" form`,
      "content information landmark",
    ],
  ],
  [
    "links",
    `<a href="a">Tides</a><a>no link</a><a href="b">Tides</a><a href="c"><img src="x" alt="Map"></a><a href="d"></a><ul><li><a href="e">Yard</a></li></ul>`,
    [
      `"Tides" → a   (one of 2 places of this name)`,
      `"Tides" → b   (one of 2 places of this name)`,
      `"Map" → c`,
      "(no name) → d",
      `"Yard" → e`,
    ],
  ],
  [
    "controls",
    `<button>Book</button><input aria-label="Beam" required><select aria-label="Slip"><option>4<option selected>5</select><input type="checkbox" checked aria-label="Shore power"><div tabindex="0" onclick="x()">Haul</div><div role="switch" tabindex="0" aria-checked="true">Night</div><p>no control</p>`,
    [
      `"Book" button`,
      `"Beam" text box, required`,
      `"Slip" combo box, "5", collapsed`,
      `"Shore power" checkbox, checked`,
      `"Night" switch, checked`,
    ],
  ],
  [
    "images",
    `<img src="a.jpg" alt="Petrel"><img src="b.jpg" alt=""><img src="c.jpg"><svg role="img" aria-label="Tide"><path/></svg>`,
    [`"Petrel" image`, `(no name) image, perhaps read as "c.jpg"`, `"Tide" image`],
  ],
  [
    "tables",
    `<table><caption>Tides</caption><tr><th>Day<th>High<tr><td>1<td>6:00</table><table role="none"><tr><td>x</table><div role="grid" aria-label="Slips"></div>`,
    [`"Tides" table, 2 rows, 2 columns; headers Day, High`, `"Slips" grid`],
  ],
])("%s of %s", (kind, html, lines) => {
  expect(listed(html, kind)).toEqual(lines);
});
