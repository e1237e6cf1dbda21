import type { Scene } from "../../scene/scene.ts";
import type { Check } from "../check.ts";
import { judgeText, textElements } from "./judge-text.ts";

export const contrastTextActedOn = {
  id: "contrast.text-acted-on",
  criteria: ["1.4.3"],
  severity: "barrier",
  means:
    "Text still stands out by 4.5:1, large text by 3:1, while it is under the pointer, focused or pressed.",
  who: "Someone with low vision loses the words at the moment they reach them.",
  mend: "Give the :hover, :focus or :active rule a colour with enough contrast.",
  looksAt: textElements,
  judge: (element, scene: Scene) =>
    judgeText(scene, element, { large: 3, small: 4.5 }, { states: "acted on" }),
  examples: {
    kept: [
      `<style>a { color: #036 } a:hover { color: #a00 }</style><a href="x">Slip 4</a>`,
      `<a href="x" style="color: #999">Slip 4</a>`,
    ],
    broken: [
      `<style>a { color: #036 } a:hover { color: #9cf }</style><a href="x">Slip 4</a>`,
      `<style>button:focus { background: #ccc; color: #aaa }</style><button>Haul out</button>`,
      `<style>tr:hover { background: #333 }</style><table><tr><td>Slip 4</td></tr></table>`,
    ],
    asked: [`<style>a:hover { background: url(x.png) }</style><a href="x">Slip 4</a>`],
  },
} as const satisfies Check;
