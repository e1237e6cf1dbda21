import type { CheckText } from "../check.ts";

/** A check that keys decide; its examples are pages with scripts. */
export interface PressedCheck extends CheckText {
  readonly examples: {
    readonly kept: readonly string[];
    readonly broken: readonly string[];
    /** What must stay a question. */
    readonly asked?: readonly string[];
  };
}

/** Checks that source alone never decides: keys must be pressed for them, in a window where scripts run. */
export const pressedCatalogue = [
  {
    id: "keys.dialog-keeps-focus",
    criteria: ["2.4.3", "2.1.2"],
    severity: "blocker",
    means: "A modal dialog keeps focus inside while it is open, both ways round.",
    who: "Someone using a screen reader or the keyboard wanders off behind the dialog, through a page that does not answer.",
    mend: "Open it with showModal(), or make what is behind it inert.",
    examples: {
      kept: [
        `<!doctype html><title>t</title><button id="open">Book</button><div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1"><button id="close">Close</button></div><a href="#open">Fees</a><script>const d = document.getElementById("dialog"), o = document.getElementById("open"), c = document.getElementById("close"); o.onclick = () => { d.hidden = false; c.focus(); }; const shut = () => { d.hidden = true; o.focus(); }; c.onclick = shut; d.onkeydown = (e) => { if (e.key === "Escape") shut(); if (e.key === "Tab") { e.preventDefault(); c.focus(); } };</script>`,
        `<!doctype html><title>t</title><button onclick="document.querySelector('dialog').showModal()">Book</button><dialog aria-label="Book slip 4"><form method="dialog"><button>Close</button></form></dialog>`,
      ],
      broken: [
        `<!doctype html><title>t</title><button id="open">Book</button><div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1"><button id="close">Close</button></div><a href="#open">Fees</a><script>const d = document.getElementById("dialog"), o = document.getElementById("open"), c = document.getElementById("close"); o.onclick = () => { d.hidden = false; c.focus(); }; const shut = () => { d.hidden = true; o.focus(); }; c.onclick = shut; d.onkeydown = (e) => { if (e.key === "Escape") shut(); };</script>`,
      ],
    },
  },
  {
    id: "keys.dialog-closes",
    criteria: ["2.1.2"],
    severity: "barrier",
    means: "Escape closes a modal dialog.",
    who: "Someone who uses the keyboard must go through the whole dialog to find the way out, if there is one.",
    mend: "Close it on Escape; a <dialog> opened with showModal() does so by itself.",
    examples: {
      kept: [
        `<!doctype html><title>t</title><button id="open">Book</button><div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1"><button id="close">Close</button></div><a href="#open">Fees</a><script>const d = document.getElementById("dialog"), o = document.getElementById("open"), c = document.getElementById("close"); o.onclick = () => { d.hidden = false; c.focus(); }; const shut = () => { d.hidden = true; o.focus(); }; c.onclick = shut; d.onkeydown = (e) => { if (e.key === "Escape") shut(); if (e.key === "Tab") { e.preventDefault(); c.focus(); } };</script>`,
        `<!doctype html><title>t</title><button onclick="document.querySelector('dialog').showModal()">Book</button><dialog aria-label="Book slip 4"><form method="dialog"><button>Close</button></form></dialog>`,
      ],
      broken: [
        `<!doctype html><title>t</title><button id="open">Book</button><div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1"><button id="close">Close</button></div><a href="#open">Fees</a><script>const d = document.getElementById("dialog"), o = document.getElementById("open"), c = document.getElementById("close"); o.onclick = () => { d.hidden = false; c.focus(); }; const shut = () => { d.hidden = true; o.focus(); }; c.onclick = shut; d.onkeydown = (e) => { if (e.key === "Tab") { e.preventDefault(); c.focus(); } };</script>`,
      ],
    },
  },
  {
    id: "keys.dialog-gives-back",
    criteria: ["2.4.3"],
    severity: "barrier",
    means: "Closing a dialog gives focus back to what opened it.",
    who: "Someone using a screen reader or the keyboard is put back to the top of the page, and must find the place again.",
    mend: "Move focus to the opener when the dialog closes.",
    examples: {
      kept: [
        `<!doctype html><title>t</title><button id="open">Book</button><div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1"><button id="close">Close</button></div><a href="#open">Fees</a><script>const d = document.getElementById("dialog"), o = document.getElementById("open"), c = document.getElementById("close"); o.onclick = () => { d.hidden = false; c.focus(); }; const shut = () => { d.hidden = true; o.focus(); }; c.onclick = shut; d.onkeydown = (e) => { if (e.key === "Escape") shut(); if (e.key === "Tab") { e.preventDefault(); c.focus(); } };</script>`,
        `<!doctype html><title>t</title><button onclick="document.querySelector('dialog').showModal()">Book</button><dialog aria-label="Book slip 4"><form method="dialog"><button>Close</button></form></dialog>`,
      ],
      broken: [
        `<!doctype html><title>t</title><button id="open">Book</button><div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1"><button id="close">Close</button></div><a href="#open">Fees</a><script>const d = document.getElementById("dialog"), o = document.getElementById("open"), c = document.getElementById("close"); o.onclick = () => { d.hidden = false; c.focus(); }; const shut = () => { d.hidden = true;  }; c.onclick = shut; d.onkeydown = (e) => { if (e.key === "Escape") shut(); if (e.key === "Tab") { e.preventDefault(); c.focus(); } };</script>`,
      ],
    },
  },
  {
    id: "keys.focus-not-lost",
    criteria: ["2.4.3"],
    severity: "barrier",
    means: "Removing or hiding what has focus leaves focus somewhere sensible.",
    who: "Someone who uses the keyboard starts again at the top of the page after every row they delete.",
    mend: "Move focus to what comes next, or to the list it was in.",
    examples: {
      kept: [
        `<!doctype html><title>t</title><h1 tabindex="-1">Boats</h1><ul><li>Tystie <button onclick="document.querySelector('h1').focus(); this.parentNode.remove()">Delete Tystie</button></li></ul>`,
      ],
      broken: [
        `<!doctype html><title>t</title><ul><li>Tystie <button onclick="this.parentNode.remove()">Delete Tystie</button></li><li>Dovekie <button onclick="this.parentNode.remove()">Delete Dovekie</button></li></ul>`,
      ],
    },
  },
  {
    id: "keys.no-letter-shortcuts",
    criteria: ["2.1.4"],
    severity: "barrier",
    means: "A letter alone does nothing wherever one is, or it can be turned off or given another key.",
    who: "Someone who speaks to the computer says a word, and every letter of it is a command; a hand that trembles hits keys beside the one it means.",
    mend: "Let it be turned off, ask for Ctrl, Alt or Meta with it, or listen for it only where something has focus.",
    examples: {
      kept: [
        `<!doctype html><title>t</title><button>Delete</button><p hidden>Gone</p><script>document.addEventListener("keydown", (e) => { if (e.key === "d" && e.ctrlKey) document.querySelector("p").hidden = false; });</script>`,
      ],
      broken: [],
      asked: [
        `<!doctype html><title>t</title><button>Delete</button><p hidden>Gone</p><script>document.addEventListener("keydown", (e) => { if (e.key === "d") document.querySelector("p").hidden = false; });</script>`,
      ],
    },
  },
  {
    id: "roles.change-announced",
    criteria: ["4.1.3"],
    severity: "barrier",
    means: "A message that appears without taking focus stands in a live region.",
    who: "Someone using a screen reader presses, hears nothing, and does not know whether it was done.",
    mend: 'Let it appear in an element with role="status", or role="alert" where it cannot wait, that was there before.',
    examples: {
      kept: [
        `<!doctype html><title>t</title><button>Book</button><p role="status"></p><script>document.querySelector("button").onclick = () => { document.querySelector("p").textContent = "Slip 4 is booked."; };</script>`,
        `<!doctype html><title>t</title><button>Rules</button><p hidden>Dogs are required to stay ashore.</p><script>document.querySelector("button").onclick = () => { const p = document.querySelector("p"); p.hidden = !p.hidden; };</script>`,
        `<!doctype html><title>t</title><label>Boat <input aria-describedby="e"></label><button>Book</button><p id="e"></p><script>document.querySelector("button").onclick = () => { document.querySelector("p").textContent = "A name is required."; document.querySelector("input").focus(); };</script>`,
      ],
      broken: [
        `<!doctype html><title>t</title><button>Book</button><p></p><script>document.querySelector("button").onclick = () => { document.querySelector("p").textContent = "Slip 4 is booked."; };</script>`,
        `<!doctype html><title>t</title><button>Book</button><div class="toast" hidden>Slip 4 is booked.</div><script>document.querySelector("button").onclick = () => { document.querySelector("div").hidden = false; };</script>`,
      ],
    },
  },
  {
    id: "roles.state-follows",
    criteria: ["4.1.2"],
    severity: "barrier",
    means: "What is told as expanded or collapsed changes when the interface does.",
    who: 'Someone using a screen reader presses, hears "collapsed" again, and believes that nothing happened.',
    mend: "Set aria-expanded whenever the part is opened or closed.",
    examples: {
      kept: [
        `<!doctype html><title>t</title><button aria-expanded="false" onclick="const p = document.querySelector('p'); p.hidden = !p.hidden; this.setAttribute('aria-expanded', !p.hidden)">Fees</button><p hidden>By the metre.</p>`,
      ],
      broken: [
        `<!doctype html><title>t</title><button aria-expanded="false" onclick="const p = document.querySelector('p'); p.hidden = !p.hidden">Fees</button><p hidden>By the metre.</p>`,
      ],
    },
  },
] as const satisfies readonly PressedCheck[];
