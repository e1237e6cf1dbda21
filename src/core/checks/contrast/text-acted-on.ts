import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { judgeText, textElements } from "./judge-text.ts";
import { contrastText } from "./text.ts";

export const contrastTextActedOn = {
  id: "contrast.text-acted-on",
  kind: "page",
  isHeard: false,
  surroundings: "colours",
  asksAfter: contrastText.id,
  criteria: ["1.4.3"],
  severity: "barrier",
  means:
    "Text still stands out by 4.5:1, large text by 3:1, while it is under the pointer, focused or pressed.",
  who: "Someone with low vision loses the words at the moment they reach them.",
  mend: "Give the :hover, :focus or :active rule a colour with enough contrast.",
  looksAt: textElements,
  judge: (element, scene: Scene) =>
    judgeText(scene, element, { large: 3, small: 4.5 }, { states: "acted on" }),
  examples: [
    { html: `<style>a { color: #036 } a:hover { color: #a00 }</style><a href="x">Slip 4</a>`, finds: [] },
    { html: `<a href="x" style="color: #999">Slip 4</a>`, finds: [], others: 1 },
    {
      html: `<style>a { color: #036 } a:hover { color: #9cf }</style><a href="x">Slip 4</a>`,
      finds: [
        [
          "failed",
          `<a href="x">`,
          "This text has a contrast of 1.68:1 under the pointer, #99ccff on #ffffff; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<style>button:focus { background: #ccc; color: #aaa }</style><button>Haul out</button>`,
      finds: [
        [
          "failed",
          "<button>",
          "This text has a contrast of 1.44:1 while focused, #aaaaaa on #cccccc; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<style>tr:hover { background: #333 }</style><table><tr><td>Slip 4</td></tr></table>`,
      finds: [
        [
          "failed",
          "<td>",
          "This text has a contrast of 1.66:1 under the pointer, #000000 on #333333; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<style>a:hover { background: url(x.png) }</style><a href="x">Slip 4</a>`,
      finds: [
        [
          "cantTell",
          `<a href="x">`,
          "Does this text reach 4.5:1 under the pointer? Source cannot tell: a picture lies behind it.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
