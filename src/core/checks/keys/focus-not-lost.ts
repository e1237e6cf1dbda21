import type { PressedCheck } from "../check.ts";

export const focusNotLost = {
  id: "keys.focus-not-lost",
  kind: "pressed",
  isAboutKeys: true,
  criteria: ["2.4.3"],
  severity: "barrier",
  means: "Removing or hiding what has focus leaves focus somewhere sensible.",
  who: "Someone who uses the keyboard starts again at the top of the page after every row they delete.",
  mend: "Move focus to what comes next, or to the list it was in.",
  examples: [
    {
      html: `<!doctype html><title>t</title><h1 tabindex="-1">Boats</h1><ul><li>Tystie <button onclick="document.querySelector('h1').focus(); this.parentNode.remove()">Delete Tystie</button></li></ul>`,
      finds: [],
    },
    {
      html: `<!doctype html><title>t</title><ul><li>Tystie <button onclick="this.parentNode.remove()">Delete Tystie</button></li><li>Dovekie <button onclick="this.parentNode.remove()">Delete Dovekie</button></li></ul>`,
      finds: [
        [
          "failed",
          `<button onclick="this.parentNode.remove()">`,
          "Enter here takes away what has focus, and focus falls to the page.",
        ],
        [
          "failed",
          `<button onclick="this.parentNode.remove()">`,
          "Enter here takes away what has focus, and focus falls to the page.",
        ],
      ],
    },
  ],
} as const satisfies PressedCheck;
