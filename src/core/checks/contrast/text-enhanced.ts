import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { judgeText, textElements } from "./judge-text.ts";

export const contrastTextEnhanced = {
  id: "contrast.text-enhanced",
  kind: "page",
  isHeard: false,
  surroundings: "colours",
  criteria: ["1.4.6"],
  severity: "friction",
  means: "Text stands out from its ground by at least 7:1, large text by 4.5:1.",
  who: "Someone with much reduced sight, who uses no magnifier, tires quickly or gives up.",
  mend: "Darken the text or lighten its ground; the nearest colour that passes is named with each finding.",
  looksAt: textElements,
  judge: (element, scene: Scene) => judgeText(scene, element, { large: 4.5, small: 7 }),
  examples: [
    { html: `<p style="color: #595959">Slip 4</p>`, finds: [] },
    {
      html: `<p style="color: #767676">Slip 4</p>`,
      finds: [
        [
          "failed",
          `<p style="color: #767676">`,
          "This text has a contrast of 4.54:1, #767676 on #ffffff; it needs 7:1.",
        ],
      ],
    },
    {
      html: `<div style="background: url(yard.jpg)"><p>Slip 4</p></div>`,
      finds: [["cantTell", "<p>", "Does this text reach 7:1? Source cannot tell: a picture lies behind it."]],
    },
  ],
} as const satisfies PageCheck;
