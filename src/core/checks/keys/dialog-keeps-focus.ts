import type { PressedCheck } from "../check.ts";

export const dialogKeepsFocus = {
  id: "keys.dialog-keeps-focus",
  kind: "pressed",
  isAboutKeys: true,
  criteria: ["2.4.3", "2.1.2"],
  severity: "blocker",
  means: "A modal dialog keeps focus inside while it is open, both ways round.",
  who: "Someone using a screen reader or the keyboard wanders off behind the dialog, through a page that does not answer.",
  mend: "Open it with showModal(), or make what is behind it inert.",
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
      html: `<!doctype html><title>t</title><button id="open">Book</button><div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1"><button id="close">Close</button></div><a href="#open">Fees</a><script>const d = document.getElementById("dialog"), o = document.getElementById("open"), c = document.getElementById("close"); o.onclick = () => { d.hidden = false; c.focus(); }; const shut = () => { d.hidden = true; o.focus(); }; c.onclick = shut; d.onkeydown = (e) => { if (e.key === "Escape") shut(); };</script>`,
      finds: [
        [
          "failed",
          `<div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden tabindex="-1">`,
          `Tab leaves this dialog while it is open, for "Fees" behind it.`,
        ],
      ],
    },
  ],
} as const satisfies PressedCheck;
