import type { ElementNode } from "../../document/node.ts";
import { failed, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { renameAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { exposedByRole } from "../exposed.ts";

function judge(action: ElementNode, scene: Scene): Verdict {
  const name = scene.name(action);
  if (name.from !== "title attribute" || name.text === "") return passed;
  return failed(
    `"${name.text}" is said only by a tooltip, which needs a mouse to be seen.`,
    withChanges("likely", "Say it in aria-label, or better in text that everybody sees.", [
      renameAttribute(action, "title", "aria-label"),
    ]),
    { facts: { name: name.text }, ...pointingAt(action, "title") },
  );
}

export const fromTooltipOnly = {
  id: "names.from-tooltip-only",
  kind: "page",
  criteria: [],
  severity: "friction",
  means: "The name of something to press does not rest on its title attribute alone.",
  who: "Someone who uses the keyboard or a finger never sees the tooltip; some assistive technology leaves it out.",
  mend: "Use text, or aria-label where there is only an icon.",
  looksAt: (scene: Scene) => exposedByRole(scene, "link", "button", "tab", "menuitem"),
  judge,
  examples: [
    { html: `<button aria-label="Close" title="Close this">×</button>`, finds: [] },
    { html: `<button title="Shuts the gate">Close</button>`, finds: [] },
    { html: `<iframe title="Tide map" src="map.html"></iframe>`, finds: [] },
    {
      html: `<button title="Close"><svg></svg></button>`,
      finds: [
        [
          "failed",
          `<button title="Close">`,
          `"Close" is said only by a tooltip, which needs a mouse to be seen.`,
        ],
      ],
    },
    {
      html: `<a href="x" title="Tides"><i></i></a>`,
      finds: [
        [
          "failed",
          `<a href="x" title="Tides">`,
          `"Tides" is said only by a tooltip, which needs a mouse to be seen.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
