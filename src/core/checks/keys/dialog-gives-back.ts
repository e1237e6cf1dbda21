import type { PressedCheck } from "../check.ts";

export const dialogGivesBack = {
  id: "keys.dialog-gives-back",
  kind: "pressed",
  isAboutKeys: true,
  criteria: ["2.4.3"],
  severity: "barrier",
  means: "Closing a dialog gives focus back to what opened it.",
  who: "Someone using a screen reader or the keyboard is put back to the top of the page, and must find the place again.",
  mend: "Move focus to the opener when the dialog closes.",
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
      html: `<!doctype html><title>t</title><button id="open">Book</button><div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1"><button id="close">Close</button></div><a href="#open">Fees</a><script>const d = document.getElementById("dialog"), o = document.getElementById("open"), c = document.getElementById("close"); o.onclick = () => { d.hidden = false; c.focus(); }; const shut = () => { d.hidden = true;  }; c.onclick = shut; d.onkeydown = (e) => { if (e.key === "Escape") shut(); if (e.key === "Tab") { e.preventDefault(); c.focus(); } };</script>`,
      finds: [
        [
          "failed",
          `<button id="open">`,
          "Escape closes the dialog that this opens, and focus falls to the page.",
        ],
      ],
    },
  ],
} as const satisfies PressedCheck;
