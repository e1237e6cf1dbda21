import type { PressedCheck } from "../check.ts";

const page = (bar: string) =>
  `<!doctype html><html lang="en"><title>t</title><style>body { margin: 0 } main { padding-bottom: 300px } a { display: block; width: 60px; line-height: 40px; margin-top: 340px } .bar { position: fixed; left: 0; right: 0; bottom: 0; height: ${bar}; background: #036 }</style><main><h1>Slips</h1><a href="#1">Slip 1</a><a href="#2">Slip 2</a><a href="#3">Slip 3</a></main><div class="bar"></div></html>`;

export const focusNotCovered = {
  id: "keys.focus-not-covered",
  kind: "pressed",
  isAboutKeys: true,
  isHeard: false,
  isSeen: true,
  criteria: ["2.4.11"],
  severity: "barrier",
  means: "Something of what has focus is seen: nothing that stays in place lies over all of it.",
  who: "Someone who sees and uses the keyboard loses sight of where they are, and presses Enter on what they cannot read.",
  mend: "Leave room for what stays in place: scroll-padding on the page, as high as the bar.",
  examples: [
    { html: page("40px"), isSeen: true, finds: [] },
    {
      html: page("120px"),
      isSeen: true,
      finds: [
        [
          "failed",
          `<a href="#2">`,
          "Nothing is seen of this when Tab comes to it: <div> stays in place over it.",
        ],
      ],
    },
  ],
} as const satisfies PressedCheck;
