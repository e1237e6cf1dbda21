import { NO } from "../../css/certainty.ts";
import { inputType, textTypes } from "../../document/form-controls.ts";
import { attributeText } from "../../document/written.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { judgeText } from "./judge-text.ts";

export const contrastPlaceholder = {
  id: "contrast.placeholder",
  kind: "page",
  isHeard: false,
  surroundings: "colours",
  criteria: ["1.4.3"],
  severity: "barrier",
  means: "Placeholder text stands out from its field by at least 4.5:1.",
  who: "Someone with low vision cannot read the hint in the field.",
  mend: "Give ::placeholder a darker colour.",
  looksAt: (scene: Scene) =>
    [...scene.page.index.byTag("input"), ...scene.page.index.byTag("textarea")].filter(
      (field) =>
        (field.tag === "textarea" || textTypes.has(inputType(field)) || inputType(field) === "number") &&
        /[\p{L}\p{N}]/u.test(attributeText(field, "placeholder") ?? "") &&
        (attributeText(field, "value") ?? "") === "" &&
        scene.presence.of(field).visible !== NO,
    ),
  judge: (element, scene: Scene) =>
    judgeText(scene, element, { large: 3, small: 4.5 }, { what: "this placeholder", pseudo: "placeholder" }),
  examples: [
    { html: `<input aria-label="Boat" placeholder="Petrel">`, finds: [] },
    {
      html: `<input aria-label="Boat" value="Petrel" placeholder="Petrel"><style>::placeholder { color: #ccc }</style>`,
      finds: [],
    },
    {
      html: `<input aria-label="Boat" placeholder="Petrel"><style>::placeholder { color: #bbb }</style>`,
      finds: [
        [
          "failed",
          `<input aria-label="Boat" placeholder="Petrel">`,
          "This placeholder has a contrast of 1.91:1, #bbbbbb on #ffffff; it needs 4.5:1.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
