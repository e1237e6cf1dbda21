import type { PressedCheck } from "../check.ts";

const page = (padding: string) =>
  `<!doctype html><html lang="en"><title>t</title><style>html { scroll-padding-bottom: ${padding} } body { margin: 0 } main { padding-bottom: 300px } a { display: block; width: 60px; line-height: 40px; margin-top: 340px } .bar { position: fixed; left: 0; right: 0; bottom: 0; height: 20px; background: #036 }</style><main><h1>Slips</h1><a href="#1">Slip 1</a><a href="#2">Slip 2</a><a href="#3">Slip 3</a></main><div class="bar"></div></html>`;

export const focusWhollySeen = {
  id: "keys.focus-wholly-seen",
  kind: "pressed",
  isAboutKeys: true,
  isHeard: false,
  isSeen: true,
  criteria: ["2.4.12"],
  severity: "friction",
  means: "All of what has focus is seen: nothing that stays in place lies over a part of it.",
  who: "Someone who magnifies the screen and uses the keyboard sees a piece of what has focus, and not what it is.",
  mend: "Leave room for what stays in place: scroll-padding on the page, as high as the bar.",
  examples: [
    { html: page("30px"), isSeen: true, finds: [] },
    {
      html: page("0"),
      isSeen: true,
      finds: [
        [
          "failed",
          `<a href="#2">`,
          "A part of this is not seen when Tab comes to it: <div> stays in place over it.",
        ],
      ],
    },
  ],
} as const satisfies PressedCheck;
