import type { CheckText } from "../check.ts";

/** What a team has written down of the keys of a component: a walk script beside its specimen. */
export const scriptCheck = {
  id: "keys.walk-holds",
  criteria: [],
  severity: "barrier",
  means: "Every line of a walk script that lies beside a specimen holds.",
  who: "Someone who uses the keyboard or a screen reader relies on what the script says: where focus goes, what is seen and heard.",
  mend: "Make the component do what the line says, or change the line where what it says is no longer wanted.",
} as const satisfies CheckText;
