import { expect, test } from "vitest";
import { explore } from "../../src/explore/explore.ts";
import { liveSource } from "../../src/render/live-driver.ts";
import { everyCheck, everyKey, pageSource } from "./pages.ts";

const page = (body: string, script: string, style = "") =>
  `<!doctype html><html lang="en"><title>t</title><style>${style}</style><main><h1>Yard</h1>${body}<a href="#x">Up</a></main><script>const $ = (s) => document.querySelector(s), $$ = (s) => [...document.querySelectorAll(s)];${script}</script></html>`;

/** Widgets that answer the keys as their patterns have it, in the ways in which people write them. */
const widgets: readonly (readonly [name: string, html: string])[] = [
  [
    "an accordion whose headers are buttons",
    page(
      `<h2><button aria-expanded="false" aria-controls="p1">Fees</button></h2><div id="p1" hidden>By the metre.</div><h2><button aria-expanded="false" aria-controls="p2">Rules</button></h2><div id="p2" hidden>Cradles by six.</div>`,
      `for (const b of $$("h2 button")) b.addEventListener("click", () => { const open = b.getAttribute("aria-expanded") !== "true"; b.setAttribute("aria-expanded", open); document.getElementById(b.getAttribute("aria-controls")).hidden = !open; });`,
    ),
  ],
  [
    "a menu that a button opens, with focus on its items",
    page(
      `<button id="b" aria-haspopup="menu" aria-expanded="false">Boat</button><ul id="m" role="menu" aria-label="Boat" hidden><li role="menuitem" tabindex="-1">Launch</li><li role="menuitem" tabindex="-1">Haul out</li><li role="menuitem" tabindex="-1">Wash</li></ul><p id="said"></p>`,
      `const items = $$("[role=menuitem]"); const b = $("#b"), m = $("#m"); const open = (at) => { m.hidden = false; b.setAttribute("aria-expanded", "true"); items.at(at).focus(); }; const shut = () => { m.hidden = true; b.setAttribute("aria-expanded", "false"); b.focus(); }; b.onclick = () => m.hidden ? open(0) : shut(); b.onkeydown = (e) => { if (e.key === "ArrowDown") { e.preventDefault(); open(0); } }; m.onkeydown = (e) => { const at = items.indexOf(document.activeElement); if (e.key === "ArrowDown") items[(at + 1) % 3].focus(); else if (e.key === "ArrowUp") items.at(at - 1).focus(); else if (e.key === "Home") items[0].focus(); else if (e.key === "End") items[2].focus(); else if (e.key === "Escape") shut(); else if (e.key === "Enter" || e.key === " ") items[at].click(); else if (e.key === "Tab") { m.hidden = true; b.setAttribute("aria-expanded", "false"); } }; for (const i of items) i.onclick = () => { $("#said").textContent = i.textContent; shut(); };`,
    ),
  ],
  [
    "a dialog of one's own that takes focus after its animation",
    page(
      `<button id="o">Book</button><div id="d" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden><input aria-label="Boat"><button id="c">Cancel</button></div>`,
      `const d = $("#d"), o = $("#o"); const stops = () => [$("input"), $("#c")]; const shut = () => { d.hidden = true; o.focus(); }; o.onclick = () => { d.hidden = false; setTimeout(() => $("input").focus(), 200); }; $("#c").onclick = shut; document.addEventListener("keydown", (e) => { if (d.hidden) return; if (e.key === "Escape") shut(); if (e.key === "Tab") { const s = stops(); const at = s.indexOf(document.activeElement); e.preventDefault(); s[(at + (e.shiftKey ? -1 : 1) + s.length) % s.length].focus(); } });`,
    ),
  ],
  [
    "a slider with arrow keys",
    page(
      `<div id="s" role="slider" tabindex="0" aria-label="Draught" aria-valuemin="0" aria-valuemax="5" aria-valuenow="2"></div>`,
      `$("#s").onkeydown = (e) => { const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[e.key]; if (by) { e.preventDefault(); e.target.setAttribute("aria-valuenow", Number(e.target.getAttribute("aria-valuenow")) + by); } };`,
    ),
  ],
  [
    "radio buttons of one's own",
    page(
      `<div role="radiogroup" aria-label="Tide"><div role="radio" aria-checked="true" tabindex="0">Morning</div><div role="radio" aria-checked="false" tabindex="-1">Evening</div></div>`,
      `const all = $$("[role=radio]"); const pick = (r) => { for (const x of all) { x.setAttribute("aria-checked", x === r); x.tabIndex = x === r ? 0 : -1; } r.focus(); }; for (const r of all) { r.onclick = () => pick(r); r.onkeydown = (e) => { const at = all.indexOf(r); if (/Right|Down/.test(e.key)) pick(all[(at + 1) % 2]); else if (/Left|Up/.test(e.key)) pick(all.at(at - 1)); else if (e.key === " ") pick(r); }; }`,
    ),
  ],
  [
    "a tree with arrow keys",
    page(
      `<ul role="tree" aria-label="Yard"><li role="treeitem" aria-expanded="false" tabindex="0">Sheds<ul role="group" hidden><li role="treeitem" tabindex="-1">Shed 1</li></ul></li><li role="treeitem" tabindex="-1">Slips</li></ul>`,
      `$("[role=tree]").onkeydown = (e) => { const all = $$("[role=treeitem]").filter((i) => !i.closest("[hidden]")); const at = all.indexOf(document.activeElement); const i = all[at]; if (e.key === "ArrowDown") all[at + 1]?.focus(); else if (e.key === "ArrowUp") all[at - 1]?.focus(); else if (e.key === "ArrowRight" && i.querySelector("ul")) { i.setAttribute("aria-expanded", "true"); i.querySelector("ul").hidden = false; } else if (e.key === "ArrowLeft" && i.querySelector("ul")) { i.setAttribute("aria-expanded", "false"); i.querySelector("ul").hidden = true; } };`,
    ),
  ],
  [
    "a message that appears and goes by itself",
    page(
      `<button id="save">Save</button><p role="status" id="m"></p>`,
      `$("#save").onclick = () => { $("#m").textContent = "Saved"; setTimeout(() => { $("#m").textContent = ""; }, 5000); };`,
    ),
  ],
  [
    "a list whose rows are deleted, with focus moved on",
    page(
      `<ul>${["Tystie", "Dovekie"].map((boat) => `<li>${boat} <button>Delete ${boat}</button></li>`).join("")}</ul><button id="add">Add</button>`,
      `for (const b of $$("li button")) b.onclick = () => { const row = b.closest("li"); const next = row.nextElementSibling ?? row.previousElementSibling; row.remove(); (next?.querySelector("button") ?? $("#add")).focus(); };`,
    ),
  ],
  [
    "a card that a press anywhere opens, with a link that does the same",
    page(
      `<article id="card"><h2><a href="#slip4">Slip 4</a></h2><p>Free from Tuesday.</p></article>`,
      `$("#card").onclick = (e) => { if (!e.target.closest("a")) $("#card a").click(); };`,
    ),
  ],
  [
    "a hint shown on hover and on focus, gone with Escape",
    page(
      `<button id="b" aria-describedby="h">Draught</button><span id="h" role="tooltip" hidden>Laden, with full tanks</span>`,
      `const h = $("#h"), b = $("#b"); for (const t of ["mouseenter", "focus"]) b.addEventListener(t, () => { h.hidden = false; }); for (const t of ["mouseleave", "blur"]) b.addEventListener(t, () => { h.hidden = true; }); b.onkeydown = (e) => { if (e.key === "Escape") h.hidden = true; };`,
    ),
  ],
  [
    "a popover by its attributes",
    page(
      `<button popovertarget="p">Rules</button><div id="p" popover>Cradles by six. <button>Print</button></div>`,
      "",
    ),
  ],
  [
    "a press outside that shuts what is open",
    page(
      `<button id="b" aria-expanded="false">Filter</button><div id="p" hidden><label><input type="checkbox"> Free</label></div>`,
      `const b = $("#b"), p = $("#p"); const set = (open) => { p.hidden = !open; b.setAttribute("aria-expanded", open); }; b.onclick = (e) => { e.stopPropagation(); set(p.hidden); }; document.addEventListener("click", (e) => { if (!p.contains(e.target)) set(false); }); document.addEventListener("keydown", (e) => { if (e.key === "Escape") set(false); });`,
    ),
  ],
  [
    "a button that is busy once and then names another thing",
    page(
      `<button id="b">Hold slip 4</button>`,
      `$("#b").onclick = () => { $("#b").textContent = "Held until noon"; };`,
    ),
  ],
  [
    "a form that says what is wrong",
    page(
      `<form><label for="n">Name</label><input id="n" required><p id="e" role="alert"></p><button>Send</button></form>`,
      `$("form").addEventListener("submit", (e) => { e.preventDefault(); $("#e").textContent = "Enter a name"; $("#n").setAttribute("aria-invalid", "true"); $("#n").focus(); });`,
    ),
  ],
  [
    "a clock that never rests, beside a row that a button opens too",
    page(
      `<p id="clock"></p><table><tr id="row"><td>Tystie <button>Open</button></td></tr></table><p id="p" hidden>7 t</p>`,
      `setInterval(() => { $("#clock").textContent = new Date().toISOString(); }, 1000); $("#row").onclick = () => { $("#p").hidden = false; };`,
    ),
  ],
  [
    "a page that leaves after a while by itself",
    page(`<button>Stay</button><button>Go</button>`, `setTimeout(() => { location.href = "/over"; }, 2500);`),
  ],
  [
    "a slider that a press moves, and arrow keys too",
    page(
      `<div id="s" role="slider" tabindex="0" aria-label="Draught" aria-valuemin="0" aria-valuemax="5" aria-valuenow="2"></div>`,
      `const to = (n) => $("#s").setAttribute("aria-valuenow", n); $("#s").onpointerdown = () => to(4); $("#s").onkeydown = (e) => { if (/Right|Up/.test(e.key)) to(3); if (/Left|Down/.test(e.key)) to(1); };`,
    ),
  ],
  [
    "a choice that is filled when a pointer comes to it",
    page(
      `<label>Slip <select><option>1</option></select></label>`,
      `$("select").onmousedown = () => { $("select").append(new Option("2")); };`,
    ),
  ],
  [
    "a list that is asked for over the network",
    page(
      `<button id="b" aria-expanded="false">Berths</button><p id="m" hidden>No answer</p><div id="more">More</div>`,
      `const ask = (url, then) => { const r = new XMLHttpRequest(); r.open("GET", url); r.onerror = then; r.send(); }; $("#b").onclick = () => ask("/berths", () => { $("#m").hidden = false; }); $("#more").onclick = () => fetch("/more").catch(() => { $("#more").textContent = "No answer"; });`,
    ),
  ],
  [
    "a press for which there is a letter too",
    page(
      `<div id="d">Dark</div><p id="p" hidden>It is dark</p>`,
      `const dark = () => { $("#p").hidden = false; }; $("#d").onclick = dark; document.addEventListener("keydown", (e) => { if (e.key === "d") dark(); });`,
    ),
  ],
  [
    "an editor that keeps Tab for itself",
    page(
      `<label>Log <textarea></textarea></label><button>Send</button>`,
      `$("textarea").onkeydown = (e) => { if (e.key === "Tab") { e.preventDefault(); e.target.value += "  "; } };`,
    ),
  ],
  [
    "a grid that is there to be read, on a page with scripts",
    page(
      `<div role="grid" aria-label="Tides" tabindex="0"><div role="row"><span role="gridcell">Mon</span><span role="gridcell">06:10</span></div></div><button>Print</button>`,
      `$("button").onclick = () => print();`,
    ),
  ],
];

test.each(widgets)("nothing is found on %s", async (_, html) => {
  const { findings, problems } = await explore(liveSource(pageSource(html)), {
    ...everyKey,
    patience: 20_000,
    plan: everyCheck,
  });
  // Whether a letter can be turned off is a question all the same.
  const told = findings.filter(({ check }) => check !== "keys.no-letter-shortcuts");
  expect([problems, told.map(({ check, message, keys }) => `${check} ${message} ${keys}`)]).toEqual([[], []]);
});
