import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { everyText, judgeEveryText } from "./judge-text.ts";

export const contrastText = {
  id: "contrast.text",
  kind: "page",
  isHeard: false,
  surroundings: "colours",
  criteria: ["1.4.3"],
  severity: "barrier",
  means: "Text stands out from its ground by at least 4.5:1, large text by 3:1, in every colour scheme.",
  who: "Someone with low vision, or reading in sunlight or on a poor screen, cannot make out the words.",
  mend: "Darken the text or lighten its ground; the nearest colour that passes is named with each finding.",
  looksAt: everyText,
  judge: (element, scene: Scene) => judgeEveryText(scene, element, { large: 3, small: 4.5 }),
  examples: [
    {
      html: `<p style="color: #ccc; background: #fff"><span class="boat-symbols-outlined">sailing</span></p>`,
      finds: [],
    },
    { html: `<p>Slip 4</p>`, finds: [] },
    { html: `<p style="color: #767676">Slip 4</p>`, finds: [] },
    { html: `<h1 style="color: #949494; font-size: 24px">Slip 4</h1>`, finds: [] },
    { html: `<button disabled style="color: #ccc; background: #fff">Slip 4</button>`, finds: [] },
    {
      html: `<a class="btn disabled" href="#" style="color: #ccc; background: #fff; pointer-events: none">Slip 4</a>`,
      finds: [
        [
          "cantTell",
          `<a class="btn disabled" href="#" style="color: #ccc; background: #fff; pointer-events: none">`,
          "Is this text of something that is out of use? Its class and its styles say so, and no attribute does. If it is in use, it needs 4.5:1.",
        ],
      ],
    },
    { html: `<p style="color: #eee; background: #333">Slip 4</p>`, finds: [] },
    { html: `<style>.x { color: #ccc } .x { color: #333 }</style><p class="x">Slip 4</p>`, finds: [] },
    {
      html: `<div style="background: linear-gradient(#000, #333)"><p style="color: #fff">Slip 4</p></div>`,
      finds: [],
    },
    { html: `<p style="color: #ddd; position: absolute; clip-path: inset(50%)">Slip 4</p>`, finds: [] },
    {
      html: `<p style="color: #999">Slip 4</p>`,
      finds: [
        [
          "failed",
          `<p style="color: #999">`,
          "This text has a contrast of 2.84:1, #999999 on #ffffff; it needs 4.5:1.",
        ],
      ],
    },
    { html: `<style>p::before { content: "\\e900"; color: #ccc }</style><p>Slip 4</p>`, finds: [] },
    {
      html: `<style>p::before { content: "New: "; color: #fff; background: #036 }</style><p>Slip 4</p>`,
      finds: [],
    },
    {
      html: `<style>p::before { content: "New: "; color: #999 }</style><p>Slip 4</p>`,
      finds: [
        [
          "failed",
          "<p>",
          "The text of ::before has a contrast of 2.84:1, #999999 on #ffffff; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<style>li::marker { color: #999 }</style><ol><li>Haul out</li></ol><ul><li>Slip 4</li></ul>`,
      finds: [
        [
          "failed",
          "<li>",
          "The marker of this item has a contrast of 2.84:1, #999999 on #ffffff; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<svg width="90" height="30"><text y="20" fill="#999">Slip 4</text></svg>`,
      finds: [
        [
          "failed",
          `<text y="20" fill="#999">`,
          "This text has a contrast of 2.84:1, #999999 on #ffffff; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<svg width="90" height="30"><rect width="90" height="30" fill="#036"/><text y="20" fill="#fff">Slip 4</text></svg>`,
      finds: [
        [
          "cantTell",
          `<text y="20" fill="#fff">`,
          "Does this text reach 4.5:1? Source cannot tell: shapes are drawn under it.",
        ],
      ],
    },
    {
      html: `<style>.hero { position: relative; isolation: isolate; color: #fff } .hero::before { content: ""; position: absolute; inset: 0; z-index: -1; background: #036 }</style><div class="hero">Slip 4</div>`,
      finds: [],
    },
    { html: `<p style="color: #fff; box-shadow: inset 0 0 0 999px #036">Slip 4</p>`, finds: [] },
    {
      html: `<div style="display: contents; background: #036"><p style="color: #fff">Slip 4</p></div>`,
      finds: [
        [
          "failed",
          `<p style="color: #fff">`,
          "This text has a contrast of 1.00:1, #ffffff on #ffffff; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<p style="filter: opacity(.5)">Slip 4</p><style>p { color: #333 }</style>`,
      finds: [
        [
          "failed",
          `<p style="filter: opacity(.5)">`,
          "This text has a contrast of 2.84:1, #999999 on #ffffff; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<p style="opacity: .5">Slip 4</p><style>p { color: #333 }</style>`,
      finds: [
        [
          "failed",
          `<p style="opacity: .5">`,
          "This text has a contrast of 2.84:1, #999999 on #ffffff; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<style>:root { --m: #aaa } p { color: var(--m) }</style><p>Slip 4</p>`,
      finds: [["failed", "<p>", "This text has a contrast of 2.32:1, #aaaaaa on #ffffff; it needs 4.5:1."]],
    },
    {
      html: `<div style="background: linear-gradient(#888, #999)"><p style="color: #fff">Slip 4</p></div>`,
      finds: [
        [
          "failed",
          `<p style="color: #fff">`,
          "This text has a contrast of 2.84:1, #ffffff on #999999; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<style>:root { color-scheme: light dark } p { color: light-dark(#333, #444) }</style><p>Slip 4</p>`,
      finds: [
        [
          "failed",
          "<p>",
          "This text has a contrast of 1.92:1 in the dark scheme, #444444 on #121212; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<div style="background: url(yard.jpg)"><p style="color: #999">Slip 4</p></div>`,
      finds: [
        [
          "cantTell",
          `<p style="color: #999">`,
          "Does this text reach 4.5:1? Source cannot tell: a picture lies behind it.",
        ],
      ],
    },
    {
      html: `<div style="background: linear-gradient(#000, #fff)"><p style="color: #000">Slip 4</p></div>`,
      finds: [
        [
          "cantTell",
          `<p style="color: #000">`,
          "Does this text reach 4.5:1? Source cannot tell: it lies on several colours, and is too pale on some of them.",
        ],
      ],
    },
    {
      html: `<p style="color: #999; text-shadow: 0 0 3px #000">Slip 4</p>`,
      finds: [
        [
          "cantTell",
          `<p style="color: #999; text-shadow: 0 0 3px #000">`,
          "Does this text reach 4.5:1? Source cannot tell: a shadow around the letters may help or harm.",
        ],
      ],
    },
    {
      html: `<div style="height: 3000px"></div><div style="background: linear-gradient(90deg, #000 50%, #ccc 50%); width: 20em"><p style="color: #fff; text-align: right">Slip 4</p></div>`,
      isSeen: true,
      finds: [
        [
          "failed",
          `<p style="color: #fff; text-align: right">`,
          "This text has a contrast of 1.60:1 as it is painted; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<div style="background: linear-gradient(90deg, #000 50%, #ccc 50%); width: 20em"><p style="color: #fff; text-align: right">Slip 4</p></div>`,
      isSeen: true,
      finds: [
        [
          "failed",
          `<p style="color: #fff; text-align: right">`,
          "This text has a contrast of 1.60:1 as it is painted; it needs 4.5:1.",
        ],
      ],
    },
    {
      html: `<div style="background: linear-gradient(90deg, #000 50%, #ccc 50%); width: 20em"><p style="color: #fff">Slip 4</p></div>`,
      isSeen: true,
      finds: [],
    },
  ],
} as const satisfies PageCheck;
