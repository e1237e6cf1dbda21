import type { PressedCheck } from "../check.ts";

export const stateFollows = {
  id: "roles.state-follows",
  kind: "pressed",
  criteria: ["4.1.2"],
  severity: "barrier",
  means:
    "An exposed state (expanded, checked, pressed, selected, current, a value) changes when the interface does.",
  who: "Someone using a screen reader presses, hears the same state again, and believes that nothing happened.",
  mend: "Set the aria- attribute whenever what one sees changes.",
  examples: [
    {
      html: `<!doctype html><title>t</title><button aria-expanded="false" onclick="const p = document.querySelector('p'); p.hidden = !p.hidden; this.setAttribute('aria-expanded', !p.hidden)">Fees</button><p hidden>By the metre.</p>`,
      finds: [],
    },
    {
      html: `<!doctype html><title>t</title><button aria-expanded="false" onclick="const p = document.querySelector('p'); p.hidden = !p.hidden">Fees</button><p hidden>By the metre.</p>`,
      finds: [
        [
          "failed",
          `<button aria-expanded="false" onclick="const p = document.querySelector('p'); p.hidden = !p.hidden">`,
          `What this opens and closes changes, and aria-expanded stays "false".`,
        ],
      ],
    },
    {
      html: `<!doctype html><title>t</title><button role="switch" aria-checked="false" onclick="this.classList.toggle('on')">Lights</button>`,
      finds: [
        [
          "failed",
          `<button role="switch" aria-checked="false" onclick="this.classList.toggle('on')">`,
          `aria-checked="false" stays the same, though Space changes how this looks, and back.`,
        ],
      ],
    },
  ],
} as const satisfies PressedCheck;
