import type { Scene } from "../../scene/scene.ts";
import type { Check } from "../check.ts";
import { judgeText, textElements } from "./judge-text.ts";

export const contrastText = {
  id: "contrast.text",
  criteria: ["1.4.3"],
  severity: "barrier",
  means: "Text stands out from its ground by at least 4.5:1, large text by 3:1, in every colour scheme.",
  who: "Someone with low vision, or reading in sunlight or on a poor screen, cannot make out the words.",
  mend: "Darken the text or lighten its ground; the nearest colour that passes is named with each finding.",
  looksAt: textElements,
  judge: (element, scene: Scene) => judgeText(scene, element, { large: 3, small: 4.5 }),
  examples: {
    kept: [
      `<p>Slip 4</p>`,
      `<p style="color: #767676">Slip 4</p>`,
      `<h1 style="color: #949494; font-size: 24px">Slip 4</h1>`,
      `<button disabled style="color: #ccc; background: #fff">Slip 4</button>`,
      `<p style="color: #eee; background: #333">Slip 4</p>`,
      `<style>.x { color: #ccc } .x { color: #333 }</style><p class="x">Slip 4</p>`,
      `<div style="background: linear-gradient(#000, #333)"><p style="color: #fff">Slip 4</p></div>`,
      `<p style="color: #ddd; position: absolute; clip-path: inset(50%)">Slip 4</p>`,
    ],
    broken: [
      `<p style="color: #999">Slip 4</p>`,
      `<p style="opacity: .5">Slip 4</p><style>p { color: #333 }</style>`,
      `<style>:root { --m: #aaa } p { color: var(--m) }</style><p>Slip 4</p>`,
      `<div style="background: linear-gradient(#888, #999)"><p style="color: #fff">Slip 4</p></div>`,
      `<style>:root { color-scheme: light dark } p { color: light-dark(#333, #444) }</style><p>Slip 4</p>`,
    ],
    asked: [
      `<div style="background: url(yard.jpg)"><p style="color: #999">Slip 4</p></div>`,
      `<div style="background: linear-gradient(#000, #fff)"><p style="color: #000">Slip 4</p></div>`,
      `<p style="color: #999; text-shadow: 0 0 3px #000">Slip 4</p>`,
    ],
  },
} as const satisfies Check;
