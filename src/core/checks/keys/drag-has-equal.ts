import type { ElementNode } from "../../document/node.ts";
import { attributeToken } from "../../document/written.ts";
import { cantTell, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { isShown } from "../exposed.ts";

const draggable = (scene: Scene): readonly ElementNode[] =>
  scene.page.index.elements.filter(
    (element) =>
      (attributeToken(element, "draggable") === "true" ||
        element.attributes.has("ondragstart") ||
        element.attributes.has("ondrag")) &&
      isShown(scene, element),
  );

const judge = (_: ElementNode, __: Scene): Verdict =>
  cantTell(
    "This can be dragged. Can the same be done without dragging, with single clicks and with keys?",
    ask('Add buttons that do it, such as "Move up" and "Move down".'),
    { cause: { kind: "dragging", of: [] } },
  );

export const dragHasEqual = {
  id: "keys.drag-has-equal",
  kind: "page",
  isAboutKeys: true,
  criteria: ["2.5.7"],
  severity: "barrier",
  means: "What is done by dragging can be done another way.",
  who: "Someone whose hand trembles, or who uses a switch, speech or the keyboard, cannot hold and move at once.",
  mend: "Add buttons, or a menu, that do the same.",
  looksAt: draggable,
  judge,
  examples: [
    { html: `<li>Petrel</li>`, finds: [] },
    { html: `<img src="a.jpg" alt="Petrel" draggable="false">`, finds: [] },
    {
      html: `<li draggable="true">Petrel</li>`,
      finds: [
        [
          "cantTell",
          `<li draggable="true">`,
          "This can be dragged. Can the same be done without dragging, with single clicks and with keys?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
