import { describe, expect, test } from "vitest";
import { everyCheck } from "../../src/core/checks/catalogue.ts";
import { isOfKind } from "../../src/core/checks/check.ts";
import { parseWalkScript } from "../../src/core/walk-script/parse.ts";
import type { Explored } from "../../src/engine/explored.ts";
import { explore } from "../../src/explore/explore.ts";
import { liveSource } from "../../src/render/live-driver.ts";
import { everyCheck as checksOfStates, everyKey, pageSource } from "./pages.ts";

const known = new Map<string, Promise<Explored>>();

/** What comes of a page; several checks have one for their example, and it is explored once. */
function explored(html: string): Promise<Explored> {
  const result = known.get(html) ?? explore(liveSource(pageSource(html)), everyKey);
  known.set(html, result);
  return result;
}

/** What pressing the keys on a page finds, as `check tag`. */
async function pressed(html: string): Promise<readonly string[]> {
  const { findings, problems, isCutShort } = await explored(html);
  expect([problems, isCutShort]).toEqual([[], false]);
  return findings.map(({ check, element, keys }) => {
    expect(keys).toMatch(/ → /);
    return `${check} ${element.tag}`;
  });
}

/** What only pixels show is tried in a browser. */
const pressedHere = everyCheck
  .filter(isOfKind("pressed"))
  .map(({ id, examples }) => ({ id, examples: examples.filter(({ isSeen }) => isSeen !== true) }))
  .filter(({ examples }) => examples.length > 0);

describe.each(pressedHere)("$id", ({ id, examples }) => {
  test.each(examples)("finds in %o what it says, and nothing else", async ({ html = "", finds }) => {
    const { findings, problems, isCutShort } = await explored(html);
    expect([problems, isCutShort]).toEqual([[], false]);
    expect(
      findings.map(({ check, outcome, element: { span, tag }, message }) => [
        check,
        outcome,
        span === null ? `<${tag}>` : html.slice(span.start, span.end),
        message,
      ]),
    ).toEqual(finds.map((found) => [id, ...found]));
  });
});

describe.each(everyCheck.filter(isOfKind("script")))("$id", ({ examples }) => {
  test.each([...examples])("finds in %o what it says", async ({ html = "", script, finds }) => {
    const parsed = parseWalkScript(script);
    if (!parsed.ok) throw new Error(parsed.message);
    const walked = await explore(liveSource(pageSource(html)), { ...everyKey, script: parsed.steps });
    expect(
      walked.script?.flatMap(({ outcome, written, message }) =>
        outcome === "failed" ? [[outcome, written, message]] : [],
      ),
    ).toEqual(finds);
  });
});

const page = (body: string, script = "") =>
  `<!doctype html><html lang="en"><title>t</title><main>${body}</main><script>${script}</script></html>`;

describe("what rests on a stop is told where Tab came to rest there", () => {
  test.each([
    ["a stop in a hidden part", `a.onclick = () => {};`, ["roles.hidden-holds-no-focus Old"]],
    ["a stop that hands focus on", `a.onfocus = () => b.focus();`, []],
    ["a stop that gives focus away", `a.onfocus = () => a.blur();`, []],
  ])("%s", async (_, script, expected) => {
    const html = page(
      `<div aria-hidden="true"><button id="a">Old</button></div><button id="b">New</button>`,
      script,
    );
    const { findings } = await explore(liveSource(pageSource(html)), { ...everyKey, plan: checksOfStates });
    expect(
      findings
        .filter(({ check }) => check === "roles.hidden-holds-no-focus")
        .map(({ check, element }) => `${check} ${element.name}`),
    ).toEqual(expected);
  });
});

describe("keys that a finding tells", () => {
  const opener = `<button onclick="part.hidden = false">Tides</button><p id="part" hidden><img src="a.png"></p>`;
  test.each([
    ["at the first stop", opener, /^Tab,? Enter/],
    ["at the second", `<a href="#x">Yard</a>${opener}`, /^Tab,? Tab,? Enter/],
  ])("begin at the top of the page: %s", async (_, body, keys) => {
    const { findings } = await explore(liveSource(pageSource(page(body))), {
      ...everyKey,
      plan: checksOfStates,
    });
    const shown = findings.filter(({ check }) => check === "names.image-described");
    expect(shown.map((one) => one.keys)).toEqual([expect.stringMatching(keys)]);
  });

  test("show under a pointer what focus inside shows too: nothing is missing", async () => {
    const html = page(
      `<div id="box"><button id="go">Tides</button><p id="more" hidden>High water at six</p></div>`,
      `const show = () => { more.hidden = false; }; box.onmouseenter = show; go.onfocus = show;`,
    );
    expect(await pressed(html)).toEqual([]);
  });

  test("are asked of options that a script shows", async () => {
    const html = page(
      `<input role="combobox" aria-label="Slip" aria-expanded="false" aria-controls="list"><ul role="listbox" id="list" aria-label="Slips" hidden><li role="option">North</li></ul>`,
      `const field = document.querySelector("input"); field.oninput = () => { list.hidden = false; field.setAttribute("aria-expanded", "true"); };`,
    );
    expect(await pressed(html)).toContain("keys.pattern-kept input");
  });
});

describe("pressing decides what source only suspects", () => {
  test.each<readonly [string, string, readonly string[]]>([
    [
      "a box that forgets the space bar",
      page(
        `<div role="checkbox" tabindex="0" aria-checked="false">Crane</div>`,
        `const box = document.querySelector("[role=checkbox]"); const turn = () => box.setAttribute("aria-checked", box.getAttribute("aria-checked") !== "true"); box.onclick = turn;`,
      ),
      ["keys.activates div"],
    ],
    [
      "a box that answers it",
      page(
        `<div role="checkbox" tabindex="0" aria-checked="false">Crane</div>`,
        `const box = document.querySelector("[role=checkbox]"); const turn = () => box.setAttribute("aria-checked", box.getAttribute("aria-checked") !== "true"); box.onclick = turn; box.onkeydown = (e) => { if (e.key === " ") turn(); };`,
      ),
      [],
    ],
    [
      "a tab list without arrow keys",
      page(
        `<div role="tablist" aria-label="Slip"><button role="tab" aria-selected="true">Times</button><button role="tab" aria-selected="false" tabindex="-1">Depth</button></div>`,
        `document.querySelectorAll("[role=tab]").forEach((tab) => tab.addEventListener("click", () => tab.setAttribute("aria-selected", "true")));`,
      ),
      ["keys.pattern-kept div", "keys.reachable button"],
    ],
    [
      "a row that only a pointer opens",
      page(
        `<table><tr id="row"><td>Tystie</td><td>Monday</td></tr></table><p hidden>7 t</p>`,
        `document.querySelector("#row").addEventListener("click", () => { document.querySelector("p").hidden = false; });`,
      ),
      ["keys.reachable tr"],
    ],
    [
      "a word that opens something, because a script hears every click",
      page(
        `<p>Slip 4 <span class="more">What it costs</span></p><p id="fee" hidden>18 a day</p><span>Mud</span>`,
        `document.addEventListener("click", (e) => { if (e.target.closest(".more")) fee.hidden = false; });`,
      ),
      ["keys.reachable span"],
    ],
    [
      "a button that opens it in the same way, and what closes when anything else is clicked",
      page(
        `<p>Slip 4 <button class="more">What it costs</button> <span>Mud</span></p><p id="fee" hidden>18 a day</p>`,
        `document.addEventListener("click", (e) => { fee.hidden = !e.target.closest(".more"); });`,
      ),
      [],
    ],
    [
      "a note that goes when anything is clicked",
      page(
        `<p>Slip 4 <span>Mud</span></p><p id="note">New prices</p><button>Close</button>`,
        `document.addEventListener("click", () => { note.hidden = true; });`,
      ),
      [],
    ],
    [
      "a row beside a button that does the same",
      page(
        `<table><tr id="row"><td>Tystie</td><td><button>Open</button></td></tr></table><p hidden>7 t</p>`,
        `const open = () => { document.querySelector("p").hidden = false; }; document.querySelector("#row").addEventListener("click", open);`,
      ),
      [],
    ],
    [
      "a field that leaves the page when it is reached",
      page(
        `<input aria-label="Find">`,
        `document.querySelector("input").addEventListener("focus", () => { location.href = "/find"; });`,
      ),
      ["keys.no-surprise-on-focus input"],
    ],
    [
      "a choice that leaves the page when it is changed",
      page(
        `<select aria-label="Harbour"><option>Brackwater</option><option>Saltmarsh</option></select>`,
        `document.querySelector("select").onchange = () => { location.href = "/saltmarsh"; };`,
      ),
      ["keys.no-surprise-on-input select"],
    ],
    [
      "a hint that only a pointer shows",
      page(
        `<span id="s">2.1 m</span><p hidden>Below the lowest tide</p>`,
        `s.onmouseenter = () => { document.querySelector("p").hidden = false; };`,
      ),
      ["keys.hover-has-equal span"],
    ],
    [
      "a hint that focus shows too",
      page(
        `<button id="s">2.1 m</button><p hidden>Below the lowest tide</p>`,
        `s.onmouseenter = s.onfocus = () => { document.querySelector("p").hidden = false; };`,
      ),
      [],
    ],
    [
      "a panel that holds Tab",
      page(
        `<button>Before</button><div id="p"><button id="a">A</button><button id="b">B</button></div><button>After</button>`,
        `a.onkeydown = (e) => { if (e.key === "Tab") { e.preventDefault(); b.focus(); } }; b.onkeydown = (e) => { if (e.key === "Tab") { e.preventDefault(); a.focus(); } };`,
      ),
      ["keys.no-trap div"],
    ],
  ])("%s", async (_, html, expected) => {
    expect(await pressed(html)).toEqual(expected);
  });
});

/** Slips that a key opens and only a pointer presses, while keys are heard on the whole page. */
const slipsOpened = (
  onKey: string,
) => `<main><h1>Slips</h1><button id="o">All slips</button><div id="g"></div></main>
<script>
let at = 0;
const slips = () => [...document.querySelectorAll("#g div")];
document.getElementById("o").onclick = () => {
  document.getElementById("g").innerHTML = [1, 2, 3].map((n) => '<div onclick="choose(' + n + ')">Slip ' + n + "</div>").join("");
};
function choose(n) { document.querySelector("h1").textContent = "Slip " + n; }
document.addEventListener("keydown", (event) => { ${onKey} });
</script>`;

test.each([
  [
    "cantTell",
    'if (event.key === "ArrowRight") { at = (at + 1) % 3; slips()[at]?.setAttribute("aria-current", "true"); }',
  ],
  ["failed", 'if (event.key === "Escape") document.getElementById("g").textContent = "";'],
])(
  "what only a pointer presses while keys are heard everywhere is %s by what arrows do",
  async (outcome, onKey) => {
    const { findings } = await explore(liveSource(pageSource(slipsOpened(onKey))), {
      script: null,
      patience: 100_000,
      plan: checksOfStates,
      log: false,
    });
    const found = findings.filter(
      ({ check, element }) => check === "keys.reachable" && element.tag === "div",
    );
    expect(found.map((one) => one.outcome)).toContain(outcome);
    expect(new Set(found.map((one) => one.outcome)).size).toBe(1);
  },
);
