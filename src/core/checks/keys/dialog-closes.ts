import type { PressedCheck } from "../check.ts";

export const dialogCloses = {
  id: "keys.dialog-closes",
  kind: "pressed",
  isAboutKeys: true,
  criteria: ["2.1.2"],
  severity: "barrier",
  means: "Escape closes a modal dialog.",
  who: "Someone who uses the keyboard must go through the whole dialog to find the way out, if there is one.",
  mend: "Close it on Escape; a <dialog> opened with showModal() does so by itself.",
  examples: [
    {
      html: `<!doctype html><title>t</title><button id="open">Book</button><div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1"><button id="close">Close</button></div><a href="#open">Fees</a><script>const d = document.getElementById("dialog"), o = document.getElementById("open"), c = document.getElementById("close"); o.onclick = () => { d.hidden = false; c.focus(); }; const shut = () => { d.hidden = true; o.focus(); }; c.onclick = shut; d.onkeydown = (e) => { if (e.key === "Escape") shut(); if (e.key === "Tab") { e.preventDefault(); c.focus(); } };</script>`,
      finds: [],
    },
    {
      html: `<!doctype html><title>t</title><button onclick="document.querySelector('dialog').showModal()">Book</button><dialog aria-label="Book slip 4"><form method="dialog"><button>Close</button></form></dialog>`,
      finds: [],
    },
    {
      html: `<!doctype html><title>t</title><button id="open">Book</button><div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1"><button id="close">Close</button></div><a href="#open">Fees</a><script>const d = document.getElementById("dialog"), o = document.getElementById("open"), c = document.getElementById("close"); o.onclick = () => { d.hidden = false; c.focus(); }; const shut = () => { d.hidden = true; o.focus(); }; c.onclick = shut; d.onkeydown = (e) => { if (e.key === "Tab") { e.preventDefault(); c.focus(); } };</script>`,
      finds: [
        [
          "failed",
          `<div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1">`,
          "Escape does not close this dialog.",
        ],
      ],
    },
  ],
} as const satisfies PressedCheck;
