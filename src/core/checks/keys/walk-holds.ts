import type { ScriptCheck } from "../check.ts";

const opening = `<!doctype html><title>t</title><button onclick="document.querySelector('p').hidden = false">Fees</button><p role="note" hidden>By the metre.</p>`;

/** What a team has written down of the keys of a component: a walk script beside its specimen. */
export const walkHolds = {
  id: "keys.walk-holds",
  kind: "script",
  isAboutKeys: true,
  criteria: [],
  severity: "barrier",
  means: "Every line of a walk script that lies beside a specimen holds.",
  who: "Someone who uses the keyboard or a screen reader relies on what the script says: where focus goes, what is seen and heard.",
  mend: "Make the component do what the line says, or change the line where what it says is no longer wanted.",
  examples: [
    { html: opening, script: `press Tab\nfocus on "Fees" button\npress Enter\nsee note`, finds: [] },
    {
      html: opening,
      script: `press Tab\npress Enter\nsee "Fees" dialog`,
      finds: [["failed", `see "Fees" dialog`, `"Fees" dialog is not there.`]],
    },
  ],
} as const satisfies ScriptCheck;
