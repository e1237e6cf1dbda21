import type { PressedCheck } from "../check.ts";

const page = (mark: string) =>
  `<!doctype html><html lang="en"><title>t</title><style>a { display: inline-block; padding: 10px } a:focus-visible { outline: none; ${mark} }</style><main><h1>Slips</h1><a href="#1">Slip 1</a></main></html>`;

export const contrastFocusMarkEnhanced = {
  id: "contrast.focus-mark-enhanced",
  kind: "pressed",
  isHeard: false,
  isSeen: true,
  criteria: ["2.4.13"],
  severity: "friction",
  means:
    "The mark of focus is as large as a line of two pixels around what has it, and stands out by 3:1 from what was there.",
  who: "Someone with low vision who uses the keyboard looks for a thin or pale mark, and does not find it.",
  mend: "Draw a line of two pixels or more around it, in a strong colour.",
  examples: [
    { html: page("outline: 3px solid #036"), isSeen: true, finds: [] },
    {
      html: `<!doctype html><html lang="en"><title>t</title><main><h1>Slips</h1><a href="#1">Slip 1</a></main></html>`,
      isSeen: true,
      finds: [],
    },
    {
      html: page("text-decoration: none"),
      isSeen: true,
      finds: [
        [
          "failed",
          `<a href="#1">`,
          "The mark of focus changes so many pixels by 3:1 or more; a line of two pixels around this has so many.",
        ],
      ],
    },
  ],
} as const satisfies PressedCheck;
