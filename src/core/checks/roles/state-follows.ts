import type { PressedCheck } from "../check.ts";

export const stateFollows = {
  id: "roles.state-follows",
  kind: "pressed",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "What is told as expanded or collapsed changes when the interface does.",
  who: `Someone using a screen reader presses, hears "collapsed" again, and believes that nothing happened.`,
  mend: "Set aria-expanded whenever the part is opened or closed.",
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
  ],
} as const satisfies PressedCheck;
