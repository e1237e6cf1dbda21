import type { PressedCheck } from "../check.ts";

export const noLetterShortcuts = {
  id: "keys.no-letter-shortcuts",
  kind: "pressed",
  isAboutKeys: true,
  criteria: ["2.1.4"],
  severity: "barrier",
  means: "A letter alone does nothing wherever one is, or it can be turned off or given another key.",
  who: "Someone who speaks to the computer says a word, and every letter of it is a command; a hand that trembles hits keys beside the one it means.",
  mend: "Let it be turned off, ask for Ctrl, Alt or Meta with it, or listen for it only where something has focus.",
  examples: [
    {
      html: `<!doctype html><title>t</title><button>Delete</button><p hidden>Gone</p><script>document.addEventListener("keydown", (e) => { if (e.key === "d" && e.ctrlKey) document.querySelector("p").hidden = false; });</script>`,
      finds: [],
    },
    {
      html: `<!doctype html><title>t</title><button>Delete</button><p hidden>Gone</p><script>document.addEventListener("keydown", (e) => { if (e.key === "d") document.querySelector("p").hidden = false; });</script>`,
      finds: [
        [
          "cantTell",
          "<p hidden>",
          `The key "d" does something wherever one is. Can that be turned off, or given another key?`,
        ],
      ],
    },
  ],
} as const satisfies PressedCheck;
