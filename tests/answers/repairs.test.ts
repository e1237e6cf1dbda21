import { describe, expect, test } from "vitest";
import { type Edit, withEdits } from "../../src/core/repair/edit.ts";
import { auditFiles } from "./component-project.ts";

type Files = Readonly<Record<string, string>>;

/** The files as the edits of all findings of some checks leave them, of those files that change. */
async function mended(files: Files, entry: string, ...checks: string[]): Promise<Files> {
  const { findings } = await auditFiles(files, entry);
  const edits: Edit[] = findings
    .filter(({ check, outcome }) => checks.includes(check) && outcome === "failed")
    .flatMap(({ repair }) => repair?.edits ?? []);
  return Object.fromEntries(
    Object.entries(files).flatMap(([file, text]) => {
      const own = edits.filter((edit) => edit.file === file);
      return own.length === 0 ? [] : [[file, withEdits(text, own)]];
    }),
  );
}

const page = (body: string, head = "<title>Slips</title>", attributes = ` lang="en"`) =>
  `<!doctype html>\n<html${attributes}>\n<head>${head}</head>\n<body>\n<main>\n<h1>Slips</h1>\n${body}\n</main>\n</body>\n</html>\n`;

describe("a page is mended", () => {
  test.each<readonly [check: string, before: string, after: string]>([
    [
      "keys.reachable",
      `<div onclick="go()">Dates</div>`,
      `<button onclick="go()" type="button" style="display: block; width: 100%; padding: 0; border: 0; background: none; font: inherit; color: inherit; text-align: inherit">Dates</button>`,
    ],
    [
      "keys.reachable",
      `<p>Now <span onclick="go()">go</span></p>`,
      `<p>Now <button onclick="go()" type="button" style="padding: 0; border: 0; background: none; font: inherit; color: inherit; text-align: inherit">go</button></p>`,
    ],
    ["roles.native-first", `<div role="heading" aria-level="2">Fees</div>`, `<h2>Fees</h2>`],
    [
      "names.control-labelled",
      `<p>Length <input name="length"></p>`,
      `<p><label for="length">Length</label> <input name="length" id="length"></p>`,
    ],
    [
      "names.control-labelled",
      `<div><label>Beam</label><input></div>`,
      `<div><label for="beam">Beam</label><input id="beam"></div>`,
    ],
    [
      "names.label-connected",
      `<label for="bem">Beam</label><input id="beam">`,
      `<label for="beam">Beam</label><input id="beam">`,
    ],
    [
      "names.area-named",
      `<dialog open><h2>Book slip 4</h2></dialog>`,
      `<dialog open aria-labelledby="book-slip-4"><h2 id="book-slip-4">Book slip 4</h2></dialog>`,
    ],
    [
      "names.group-named",
      `<div><p>Shore power?</p><label><input type="radio" name="p"> Yes</label> <label><input type="radio" name="p"> No</label></div>`,
      `<div role="radiogroup" aria-labelledby="shore-power"><p id="shore-power">Shore power?</p><label><input type="radio" name="p"> Yes</label> <label><input type="radio" name="p"> No</label></div>`,
    ],
    ["structure.headings-step", `<h4>Fees</h4>`, `<h2>Fees</h2>`],
    ["structure.lists", `<li>Crane</li>\n<li>Slip</li>`, `<ul>\n<li>Crane</li>\n<li>Slip</li>\n</ul>`],
    ["structure.lists", `<ul>Berths <li>A1</li></ul>`, `<ul><li>Berths</li> <li>A1</li></ul>`],
    [
      "structure.table-headers",
      `<table><caption>Tides</caption><tr><td>Day</td><td>High</td></tr><tr><td>Mon</td><td>6:10</td></tr></table>`,
      `<table><caption>Tides</caption><tr><th scope="col">Day</th><th scope="col">High</th></tr><tr><td>Mon</td><td>6:10</td></tr></table>`,
    ],
    [
      "structure.ids-unique",
      `<p><input aria-label="A" aria-describedby="hint"><span id="hint">a</span></p><p><input aria-label="B" aria-describedby="hint"><span id="hint">b</span></p>`,
      `<p><input aria-label="A" aria-describedby="hint"><span id="hint">a</span></p><p><input aria-label="B" aria-describedby="hint-2"><span id="hint-2">b</span></p>`,
    ],
    [
      "roles.parent-present",
      `<div role="listitem">A1</div><div role="listitem">A2</div>`,
      `<div role="list">\n<div role="listitem">A1</div><div role="listitem">A2</div>\n</div>`,
    ],
    [
      "roles.children-present",
      `<ul role="menu"><li><a href="a">Slips</a></li></ul>`,
      `<ul><li><a href="a">Slips</a></li></ul>`,
    ],
    [
      "roles.state-values",
      `<button aria-expanded="closed">Menu</button>`,
      `<button aria-expanded="false">Menu</button>`,
    ],
    [
      "roles.not-repeated",
      `<nav role="navigation"><a href="a">Slips</a></nav>`,
      `<nav><a href="a">Slips</a></nav>`,
    ],
    [
      "names.visible-words-in-name",
      `<button aria-label="Continue">Save boat</button>`,
      `<button>Save boat</button>`,
    ],
    ["keys.no-trap", `<input aria-label="Beam" onblur="this.focus()">`, `<input aria-label="Beam">`],
    [
      "keys.order-makes-sense",
      `<form><label>A <input></label><button tabindex="2">Send</button></form>`,
      `<form><label>A <input></label><button>Send</button></form>`,
    ],
    [
      "forms.purpose-told",
      `<label>Mail <input autocomplete="e-mail"></label>`,
      `<label>Mail <input autocomplete="email"></label>`,
    ],
    [
      "forms.error-connected",
      `<label for="m">Mail</label><input id="m" aria-invalid="true"><p class="error">No such place</p>`,
      `<label for="m">Mail</label><input id="m" aria-invalid="true" aria-describedby="m-error"><p class="error" id="m-error">No such place</p>`,
    ],
    [
      "media.no-autoplay",
      `<audio src="a.mp3" autoplay loop></audio>`,
      `<audio src="a.mp3" loop controls></audio>`,
    ],
  ])("%s: %s", async (check, before, after) => {
    expect(await mended({ "a.html": page(before) }, "a.html", check)).toEqual({
      "a.html": expect.stringContaining(page(after).slice(60, -30).trim()),
    });
  });

  test.each<readonly [string, string, string]>([
    ["structure.title", page("", ""), page("", "<title>Slips</title>")],
    ["structure.language", page("", undefined, ` lang="en_GB"`), page("", undefined, ` lang="en-GB"`)],
    [
      "time.no-refresh",
      page("", `<title>Slips</title>\n<meta http-equiv="refresh" content="60">\n`),
      page("", `<title>Slips</title>\n`),
    ],
    [
      "zoom.not-blocked",
      page("", `<title>Slips</title><meta name="viewport" content="width=device-width, user-scalable=no">`),
      page("", `<title>Slips</title><meta name="viewport" content="width=device-width">`),
    ],
  ])("%s, for a whole page", async (check, before, after) => {
    expect(await mended({ "a.html": before }, "a.html", check)).toEqual({ "a.html": after });
  });

  test("in its stylesheet: a colour, the colour of a property, the mark of focus", async () => {
    const files = {
      "a.html": page(
        `<p class="a">Tides</p><p class="b">Slips</p><a href="b">Fees</a>`,
        `<title>t</title><link rel="stylesheet" href="a.css">`,
      ),
      "a.css": `:root { --pale: #9aa8b0; --ink: #667076 }\nbody { background: #fff }\n.a { color: var(--pale) }\n.b { color: #7f8a90 }\na:focus { outline: none }\n`,
    };
    const { "a.css": css } = await mended(files, "a.html", "contrast.text", "keys.focus-shows");
    expect(css).toMatch(/--pale: #6[0-9a-f]{5}; /);
    expect(css).toContain(".b { color: var(--ink) }");
    expect(css).toContain("a:focus { }");
  });
});

const vue = (template: string) =>
  `<script setup lang="ts">\nconst go = () => history.back()\n</script>\n<template>\n${template}\n</template>\n`;
const dressed = `style="display: block; width: 100%; padding: 0; border: 0; background: none; font: inherit; color: inherit; text-align: inherit"`;

describe("a component is mended in its own spelling", () => {
  test.each<readonly [string, string, string, string]>([
    [
      "App.tsx",
      "keys.reachable",
      `export const App = () => <main><div className='a' onClick={() => stop()}>Stop</div></main>;`,
      `export const App = () => <main><button className='a' onClick={() => stop()} type='button' style={{ display: "block", width: "100%", padding: "0", border: "0", background: "none", font: "inherit", color: "inherit", textAlign: "inherit" }}>Stop</button></main>;`,
    ],
    [
      "App.tsx",
      "names.label-connected",
      `export const App = () => <form><label htmlFor="bem">Beam</label><input id="beam" /></form>;`,
      `export const App = () => <form><label htmlFor="beam">Beam</label><input id="beam" /></form>;`,
    ],
    [
      "App.tsx",
      "roles.states-required",
      `import { useState } from "react";\nexport function App() { const [on, set] = useState(false); return <button role="switch" data-on={on} onClick={() => set(!on)}>Crane</button>; }`,
      `import { useState } from "react";\nexport function App() { const [on, set] = useState(false); return <button role="switch" data-on={on} aria-checked={on} onClick={() => set(!on)}>Crane</button>; }`,
    ],
    [
      "App.tsx",
      "structure.headings-step",
      `export const App = () => <main><h1>Slips</h1><h3>Fees</h3></main>;`,
      `export const App = () => <main><h1>Slips</h1><h2>Fees</h2></main>;`,
    ],
    [
      "App.tsx",
      "names.group-named",
      `export const App = () => <form><div><p>Shore power?</p><label><input type="radio" name="p" /> Yes</label><label><input type="radio" name="p" /> No</label></div></form>;`,
      `export const App = () => <form><fieldset><legend>Shore power?</legend><label><input type="radio" name="p" /> Yes</label><label><input type="radio" name="p" /> No</label></fieldset></form>;`,
    ],
    [
      "App.vue",
      "keys.reachable",
      vue(`<main><div @click="go">Stop</div></main>`),
      vue(`<main><button @click="go" type="button" ${dressed}>Stop</button></main>`),
    ],
    [
      "App.svelte",
      "keys.reachable",
      `<script>\n  const go = () => history.back();\n</script>\n<main><div onclick={go}>Stop</div></main>\n`,
      `<script>\n  const go = () => history.back();\n</script>\n<main><button onclick={go} type="button" ${dressed}>Stop</button></main>\n`,
    ],
    [
      "app.component.ts",
      "keys.reachable",
      "@Component({ selector: 'yard-app', template: `<main><div (click)=\"go()\">Stop</div></main>` })\nexport class App { go() {} }\n",
      `@Component({ selector: 'yard-app', template: \`<main><button (click)="go()" type="button" ${dressed}>Stop</button></main>\` })\nexport class App { go() {} }\n`,
    ],
  ])("%s: %s", async (file, check, before, after) => {
    expect(await mended({ [file]: before }, file, check)).toEqual({ [file]: after });
  });

  test("without an id of its own, which would be there as often as the component", async () => {
    const files = {
      "App.tsx": `export const App = () => <main><p>Length <input name="length" /></p></main>;`,
    };
    expect(await mended(files, "App.tsx", "names.control-labelled")).toEqual({
      "App.tsx": `export const App = () => <main><p>Length <input name="length" aria-label="Length" /></p></main>;`,
    });
  });

  test.each([
    ["names.label-stays-visible", `<div><input id={id} placeholder={hint} /></div>`],
    ["names.control-labelled", `<div><label>{hint}</label> <input /></div>`],
  ])("of %s never with the name of an expression for words", async (check, markup) => {
    const source = `export const App = ({ id, hint }: { id: string; hint: string }) => <main>${markup}</main>;`;
    const after = await mended({ "App.tsx": source }, "App.tsx", check);
    expect(Object.values(after).join()).not.toMatch(/&#123;|"\{/);
  });

  test.each([
    [
      "by the label before it",
      "names.control-labelled",
      `<div><label>Length</label> <input /></div>`,
      `<div><label>Length <input /></label></div>`,
    ],
    [
      "by the label in the box before",
      "names.control-labelled",
      `<div><label>Length</label><div><input /></div></div>`,
      `<div><label>Length</label><div><input aria-label="Length" /></div></div>`,
    ],
    [
      "where only its placeholder names it",
      "names.label-connected",
      `<div><label>Length</label> <input placeholder="12.5" /></div>`,
      `<div><label>Length <input placeholder="12.5" /></label></div>`,
    ],
  ])("of a field: %s", async (_, check, before, after) => {
    const app = (markup: string) => `export const App = () => <main>${markup}</main>;`;
    expect(await mended({ "App.tsx": app(before) }, "App.tsx", check)).toEqual({ "App.tsx": app(after) });
  });

  test("where it is used, if that is where something was left out", async () => {
    const files = {
      "App.tsx": `import { Icon } from "./Icon";\nexport const App = () => <p><Icon name="crane" /><Icon name="slip" label="Slip" /></p>;\n`,
      "Icon.tsx": `export function Icon({ name, label }: { name: string; label?: string }) {\n  return <button aria-label={label}><svg data-name={name} /></button>;\n}\n`,
    };
    const { findings } = await auditFiles(files, "App.tsx");
    const [finding] = findings.filter(({ check }) => check === "names.action-named");
    expect(finding?.repair?.words?.edits).toEqual([
      expect.objectContaining({ file: "App.tsx", text: expect.stringMatching(/^ label="/) }),
    ]);
  });

  test("never in place of an expression", async () => {
    const files = {
      "App.tsx": `export const App = ({ level }: { level: "bad" }) => <button aria-expanded={level}>Menu</button>;`,
    };
    expect(await mended(files, "App.tsx", "roles.state-values")).toEqual({});
  });
});

describe("an edit is offered only where it was tried and holds", () => {
  test("fields that are called alike get ids of their own, and all their edits hold together", async () => {
    const body = Array.from({ length: 30 }, (_, n) => `<p>Length ${n} <input name="length"></p>`).join("\n");
    const html = `<!doctype html><html lang="en"><title>Slips</title><main><h1>Slips</h1>\n${body}\n</main></html>`;
    const { findings } = await auditFiles({ "a.html": html }, "a.html");
    const ids = findings.flatMap(({ repair }) =>
      (repair?.edits ?? []).flatMap(({ text }) => /^ ?id="(.+)"$/.exec(text)?.[1] ?? []),
    );
    expect([ids.length, new Set(ids).size]).toEqual([30, 30]);
  });

  test("not where something else would fail then", async () => {
    // Without any role its name would be told to hardly anyone.
    const files = {
      "a.html": page(`<div role="tablist" aria-label="Seasons" id="s"><a href="a">Spring</a></div>`),
    };
    const { findings } = await auditFiles(files, "a.html");
    const repair = findings.find(({ check }) => check === "roles.children-present")?.repair;
    expect(repair?.edits.map(({ text }) => text)).toEqual([`"group"`]);
  });

  test.each([
    ["div.bar { background: #013; }", []],
    [".bar { background: #013; }", ["nav", "nav", ""]],
  ])("not where words would lie on another ground then: %s", async (rule, edits) => {
    const bar = `<div role="navigation" class="bar"><span>Tides</span></div>`;
    const files = { "a.html": page(bar, `<title>Slips</title><style>${rule} .bar { color: #fff; }</style>`) };
    const { findings } = await auditFiles(files, "a.html");
    const repair = findings.find(({ check }) => check === "roles.native-first")?.repair;
    expect(repair?.edits.map(({ text }) => text)).toEqual(edits);
    expect(repair?.summary).toBe(`Write <nav> for <div role="navigation">.`);
  });

  const editsOf = async (html: string, check: string) => {
    const { findings } = await auditFiles({ "a.html": html }, "a.html");
    return findings
      .filter((one) => one.check === check)
      .map(({ repair }) => repair?.edits.map(({ text }) => text));
  };

  test("also where it shows only what was wrong before", async () => {
    const styles = "a { color: #aaa } a:hover { color: #bbb }";
    const html = page(`<p><a href="x">Tides</a></p>`, `<title>Slips</title><style>${styles}</style>`);
    expect(await editsOf(html, "contrast.text")).toEqual([[expect.stringMatching(/^#[0-9a-f]{6}$/)]]);
  });

  test("of many the one that does harm by itself is found at once, and the others stay", async () => {
    // A label of the first would stand white on white.
    const fields = Array.from({ length: 40 }, (_, n) => `<p><input placeholder="Length ${n}"></p>`).join(
      "\n",
    );
    const html = page(
      `<div class="bar"><input placeholder="Mooring"></div>\n${fields}`,
      "<title>Slips</title><style>.bar { color: #fff; background: #fff }</style>",
    );
    const edits = await editsOf(html, "names.label-stays-visible");
    expect(edits.map((texts) => (texts?.length ?? 0) > 0)).toEqual([false, ...Array(40).fill(true)]);
  });
});
