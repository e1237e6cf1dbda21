const page = (body: string, script: string, style = "") =>
  `<!doctype html><html lang="en"><title>t</title><style>${style}</style><main><h1>Yard</h1>${body}<a href="#x">Up</a></main><script>const $ = (s) => document.querySelector(s), $$ = (s) => [...document.querySelectorAll(s)];${script}</script></html>`;

/** Widgets that answer the keys as their patterns have it, in the ways in which people write them. */
export const widgets: readonly (readonly [name: string, html: string])[] = [
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
    "an editor that keeps Tab for itself, and Shift+Tab leads back from",
    page(
      `<label>Log <textarea></textarea></label><button>Send</button>`,
      `$("textarea").onkeydown = (e) => { if (e.key === "Tab" && !e.shiftKey) { e.preventDefault(); e.target.value += "  "; } };`,
    ),
  ],
  [
    "an editor that keeps Tab for itself until Escape",
    page(
      `<label>Log <textarea></textarea></label><button>Send</button>`,
      `let leaves = false; $("textarea").onkeydown = (e) => { if (e.key === "Escape") leaves = true; else if (e.key === "Tab" && !leaves) e.preventDefault(); };`,
    ),
  ],
  [
    "a grid that is there to be read, on a page with scripts",
    page(
      `<div role="grid" aria-label="Tides" tabindex="0"><div role="row"><span role="gridcell">Mon</span><span role="gridcell">06:10</span></div></div><button>Print</button>`,
      `$("button").onclick = () => print();`,
    ),
  ],
  [
    "a button and a checkbox made of boxes",
    page(
      `<div role="button" tabindex="0" id="b">Start the winch</div><p role="status" id="s"></p><div role="checkbox" tabindex="0" aria-checked="false" id="c">Crane</div>`,
      `const run = () => { $("#s").textContent = $("#s").textContent === "" ? "It runs" : ""; }; const flip = () => { const c = $("#c"); c.classList.toggle("on"); c.setAttribute("aria-checked", c.classList.contains("on")); }; $("#b").onclick = run; $("#c").onclick = flip; $("#b").onkeydown = (e) => { if (e.key === "Enter" || e.key === " ") run(); }; $("#c").onkeydown = (e) => { if (e.key === " ") flip(); };`,
    ),
  ],
  [
    "a switch, a bold button and steps",
    page(
      `<button role="switch" aria-checked="false" id="l">Lights</button><button aria-pressed="false" id="b">Bold</button><ol><li><button class="now" aria-current="step">Boat</button></li><li><button>Berth</button></li></ol>`,
      `const toggle = (e, name) => { e.classList.toggle("on"); e.setAttribute(name, e.classList.contains("on")); }; $("#l").onclick = () => toggle($("#l"), "aria-checked"); $("#b").onclick = () => toggle($("#b"), "aria-pressed"); for (const s of $$("ol button")) s.onclick = () => { for (const one of $$("ol button")) { one.classList.toggle("now", one === s); one.removeAttribute("aria-current"); } s.setAttribute("aria-current", "step"); };`,
    ),
  ],
  [
    "tabs with arrow keys",
    page(
      `<div role="tablist" aria-label="Seasons"><button role="tab" id="s" aria-controls="p" aria-selected="true">Summer</button><button role="tab" id="w" aria-controls="q" aria-selected="false" tabindex="-1">Winter</button></div><div role="tabpanel" id="p" aria-labelledby="s" tabindex="0">From six</div><div role="tabpanel" id="q" aria-labelledby="w" tabindex="0" hidden>From nine</div>`,
      `const tabs = [$("#s"), $("#w")]; const show = (tab) => { for (const one of tabs) { document.getElementById(one.getAttribute("aria-controls")).hidden = one !== tab; one.setAttribute("aria-selected", one === tab); one.tabIndex = one === tab ? 0 : -1; } tab.focus(); }; for (const tab of tabs) tab.onclick = () => show(tab); $("[role=tablist]").onkeydown = (e) => { if (/^Arrow(?:Left|Right)$/.test(e.key)) show(tabs.find((one) => one !== document.activeElement)); };`,
    ),
  ],
  [
    "a list box whose options are active one by one",
    page(
      `<ul role="listbox" tabindex="0" aria-label="Slips" aria-activedescendant="o1"><li role="option" id="o1" class="now" aria-selected="true">Slip 1</li><li role="option" id="o2" aria-selected="false">Slip 2</li><li role="option" id="o3" aria-selected="false">Slip 3</li></ul>`,
      `const list = $("ul"), all = [...list.children]; let at = 0; const go = (to) => { at = Math.max(0, Math.min(all.length - 1, to)); all.forEach((one, i) => { one.classList.toggle("now", i === at); one.setAttribute("aria-selected", i === at); }); list.setAttribute("aria-activedescendant", all[at].id); }; list.onkeydown = (e) => { if (e.key === "ArrowDown") go(at + 1); if (e.key === "ArrowUp") go(at - 1); }; all.forEach((one, i) => { one.onclick = () => go(i); });`,
    ),
  ],
  [
    "a field that says what is wrong beside it, tied to it and heard",
    page(
      `<form novalidate><label for="m">E-mail</label> <input id="m" aria-describedby="e"> <span id="e" role="alert"></span> <button>Send</button></form>`,
      `$("form").onsubmit = (e) => { e.preventDefault(); $("#m").setAttribute("aria-invalid", "true"); $("#e").textContent = "Bitte mit @"; };`,
    ),
  ],
  [
    "a list that is put in order by dragging and by buttons",
    page(
      `<ul><li draggable="true">Scrape <button>Down</button></li><li draggable="true">Paint <button>Down</button></li></ul>`,
      `let held = null; const list = $("ul"); list.ondragstart = (e) => { held = e.target; }; list.ondragover = (e) => e.preventDefault(); list.ondrop = (e) => { const at = e.target.closest("li"); if (at && held) list.insertBefore(held, at); }; for (const b of $$("ul button")) b.onclick = () => { const item = b.parentNode; if (item.nextSibling) { list.insertBefore(item.nextSibling, item); b.focus(); } };`,
    ),
  ],
  [
    "a skip link that the browser follows",
    `<!doctype html><html lang="en"><title>t</title><a href="#c" id="k">Skip to content</a><nav><a href="#f">Fees</a><a href="#t">Tides</a></nav><main id="c"><h1>Yard</h1><p id="f">By the metre</p><p id="t">Noon</p><button>Print</button></main><script>document.querySelector("button").onclick = () => print();</script></html>`,
  ],
  [
    "a field that may be left empty",
    page(
      `<label>Code <input id="c"></label><button>Next</button>`,
      `$("#c").onblur = () => { $("#c").classList.toggle("empty", $("#c").value === ""); };`,
    ),
  ],
  [
    "a combo box that filters, with its list told of",
    page(
      `<label for="h">Harbour</label> <input id="h" role="combobox" aria-autocomplete="list" aria-expanded="false" aria-controls="hl" autocomplete="off"><ul id="hl" role="listbox" aria-label="Harbours" hidden></ul>`,
      `const all = ["Brackwater", "Saltmarsh", "Sandbar"]; const f = $("#h"), l = $("#hl"); let at = -1; function draw() { const fit = all.filter((one) => one.toLowerCase().includes(f.value.toLowerCase())); l.replaceChildren(...fit.map((one, i) => { const li = document.createElement("li"); li.id = "o" + i; li.setAttribute("role", "option"); li.setAttribute("aria-selected", String(i === at)); li.textContent = one; li.addEventListener("mousedown", (e) => { e.preventDefault(); take(one); }); return li; })); l.hidden = fit.length === 0; f.setAttribute("aria-expanded", String(fit.length > 0)); if (at >= 0) f.setAttribute("aria-activedescendant", "o" + at); else f.removeAttribute("aria-activedescendant"); } function shut() { l.hidden = true; at = -1; f.setAttribute("aria-expanded", "false"); f.removeAttribute("aria-activedescendant"); } function take(one) { f.value = one; shut(); } f.addEventListener("input", () => { at = -1; draw(); }); f.addEventListener("blur", shut); f.addEventListener("keydown", (e) => { const n = l.children.length; if (e.key === "ArrowDown") { e.preventDefault(); if (l.hidden) { at = 0; draw(); } else { at = (at + 1) % n; draw(); } } else if (e.key === "ArrowUp" && !l.hidden) { e.preventDefault(); at = (at - 1 + n) % n; draw(); } else if (e.key === "Enter" && at >= 0) { e.preventDefault(); take(l.children[at].textContent); } else if (e.key === "Escape") shut(); });`,
    ),
  ],
  [
    "a spin button of one's own",
    page(
      `<span id="sl">Length</span><button tabindex="-1" aria-hidden="true" class="less">−</button><span id="s" role="spinbutton" tabindex="0" aria-labelledby="sl" aria-valuenow="9" aria-valuemin="4" aria-valuemax="30">9 m</span><button tabindex="-1" aria-hidden="true" class="more">+</button>`,
      `const s = $("#s"); function by(d) { const n = Math.min(30, Math.max(4, Number(s.getAttribute("aria-valuenow")) + d)); s.textContent = n + " m"; s.setAttribute("aria-valuenow", n); } $(".less").onclick = () => by(-1); $(".more").onclick = () => by(1); s.addEventListener("keydown", ({ key }) => { if (key === "ArrowUp" || key === "ArrowRight") by(1); if (key === "ArrowDown" || key === "ArrowLeft") by(-1); });`,
    ),
  ],
  [
    "a toolbar with one stop",
    page(
      `<div role="toolbar" aria-label="Letters"><button aria-pressed="false">Bold</button><button aria-pressed="false" tabindex="-1">Slanted</button><button aria-pressed="false" tabindex="-1">Underlined</button></div>`,
      `const bar = $("[role=toolbar]"); bar.addEventListener("click", (e) => { const b = e.target.closest("button"); if (!b) return; const on = b.getAttribute("aria-pressed") !== "true"; b.setAttribute("aria-pressed", String(on)); b.classList.toggle("on", on); }); bar.addEventListener("keydown", (e) => { const all = [...bar.children]; const at = all.indexOf(document.activeElement); const to = e.key === "ArrowRight" ? all[(at + 1) % 3] : e.key === "ArrowLeft" ? all.at(at - 1) : null; if (!to) return; for (const b of all) b.tabIndex = b === to ? 0 : -1; to.focus(); });`,
    ),
  ],
  [
    "a grid of days that are moved through and chosen",
    page(
      `<table role="grid" aria-label="June"><tbody>${[0, 1].map((week) => `<tr>${[1, 2, 3].map((day) => `<td role="gridcell" aria-selected="false" tabindex="${week + day === 1 ? 0 : -1}">${week * 3 + day}</td>`).join("")}</tr>`).join("")}</tbody></table><p role="status" id="d"></p>`,
      `const cells = $$("td"); function choose(c) { for (const one of cells) one.setAttribute("aria-selected", String(one === c)); $("#d").textContent = "The " + c.textContent + " is chosen."; } $("table").addEventListener("click", (e) => { const c = e.target.closest("td"); if (c) choose(c); }); $("table").addEventListener("keydown", (e) => { const at = cells.indexOf(document.activeElement); const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 3, ArrowUp: -3 }[e.key]; if (step && cells[at + step]) { e.preventDefault(); for (const c of cells) c.tabIndex = -1; cells[at + step].tabIndex = 0; cells[at + step].focus(); } else if (e.key === "Enter" || e.key === " ") { e.preventDefault(); choose(cells[at]); } });`,
    ),
  ],
  [
    "navigation that unfolds, by one script for all of it",
    page(
      `<nav aria-label="Yard"><ul><li><button class="fold" aria-expanded="false">Slips</button><ul hidden><li><a href="#n">North</a></li><li><a href="#s">South</a></li></ul></li><li><button class="fold" aria-expanded="false">Crane</button><ul hidden><li><a href="#c">Book</a></li></ul></li></ul></nav>`,
      `document.addEventListener("click", (e) => { for (const b of document.querySelectorAll(".fold")) { const open = b.contains(e.target) && b.getAttribute("aria-expanded") === "false"; b.setAttribute("aria-expanded", String(open)); b.nextElementSibling.hidden = !open; } }); document.addEventListener("keydown", (e) => { if (e.key !== "Escape") return; const li = document.activeElement.closest("nav > ul > li"); const b = li && li.querySelector(".fold[aria-expanded=true]"); if (!b) return; b.setAttribute("aria-expanded", "false"); b.nextElementSibling.hidden = true; b.focus(); });`,
    ),
  ],
  [
    "a drawer that is modal by a class, built of functions",
    page(
      `<div id="app"><button class="open-drawer">Filter</button><p>Twelve slips</p></div><div class="drawer" role="dialog" aria-modal="true" aria-labelledby="dt" tabindex="-1" hidden><h2 id="dt">Filter</h2><label><input type="checkbox"> With power</label><button class="shut">Done</button></div>`,
      `class Drawer { constructor(el) { this.el = el; this.opener = null; el.addEventListener("keydown", (e) => this.key(e)); el.querySelector(".shut").addEventListener("click", () => this.close()); } open(from) { this.opener = from; this.el.hidden = false; $("#app").inert = true; this.el.focus(); } close() { this.el.hidden = true; $("#app").inert = false; this.opener.focus(); } key(e) { if (e.key === "Escape") this.close(); if (e.key !== "Tab") return; const stops = [...this.el.querySelectorAll("input, button")]; const last = stops[stops.length - 1]; if (e.shiftKey && (document.activeElement === stops[0] || document.activeElement === this.el)) { e.preventDefault(); last.focus(); } else if (!e.shiftKey && document.activeElement === last) { e.preventDefault(); stops[0].focus(); } } } const drawer = new Drawer($(".drawer")); $(".open-drawer").addEventListener("click", (e) => drawer.open(e.currentTarget));`,
      `.drawer { position: fixed }`,
    ),
  ],
  [
    "rows that are taken away, with a note that brings them back",
    page(
      `<ul class="rows"><li>Tystie <button>Remove Tystie</button></li><li>Dovekie <button>Remove Dovekie</button></li></ul><div role="status" class="note"></div><button class="back" hidden>Bring it back</button>`,
      `let gone = null; $(".rows").addEventListener("click", (e) => { const b = e.target.closest("button"); if (!b) return; gone = b.closest("li"); gone.remove(); $(".note").textContent = gone.firstChild.data.trim() + " is removed."; $(".back").hidden = false; $(".back").focus(); }); $(".back").addEventListener("click", () => { $(".rows").append(gone); $(".note").textContent = "It is back."; gone.querySelector("button").focus(); $(".back").hidden = true; });`,
    ),
  ],
  [
    "a menu bar, its menus below",
    page(
      `<div role="menubar" aria-label="Boat"><div role="none"><span role="menuitem" tabindex="0" aria-haspopup="menu" aria-expanded="false">File</span><div role="menu" aria-label="File" hidden><span role="menuitem" tabindex="-1">New</span><span role="menuitem" tabindex="-1">Print</span></div></div><span role="menuitem" tabindex="-1">Help</span></div><p role="status" class="did"></p>`,
      `const bar = $("[role=menubar]"), file = bar.querySelector("[aria-haspopup]"), menu = $("[role=menu]"); const heads = [file, bar.lastElementChild], items = [...menu.children]; const go = (el) => { for (const one of heads) one.tabIndex = one === el ? 0 : -1; el.focus(); }; const show = (open) => { menu.hidden = !open; file.setAttribute("aria-expanded", String(open)); }; const act = (el) => { if (el === file) { show(menu.hidden); if (!menu.hidden) items[0].focus(); } else { const w = el.textContent; show(false); go(el === heads[1] ? el : file); $(".did").textContent = w + ": done"; } }; bar.addEventListener("click", (e) => { const el = e.target.closest("[role=menuitem]"); if (el) act(el); }); bar.addEventListener("keydown", (e) => { const el = document.activeElement, inMenu = items.includes(el), row = inMenu ? items : heads, at = row.indexOf(el); if (e.key === "Enter" || e.key === " ") { e.preventDefault(); act(el); } else if (e.key === "Escape" && inMenu) { show(false); go(file); } else if (inMenu && e.key === "ArrowDown") items[(at + 1) % 2].focus(); else if (inMenu && e.key === "ArrowUp") items[(at + 1) % 2].focus(); else if (!inMenu && (e.key === "ArrowRight" || e.key === "ArrowLeft")) go(heads[(at + 1) % 2]); else if (el === file && e.key === "ArrowDown") { show(true); items[0].focus(); } else if (e.key === "Tab") show(false); });`,
    ),
  ],
];
