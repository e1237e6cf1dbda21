import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { failed, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { exposedByRole } from "../exposed.ts";

/** How a name repeats the word that is heard with it anyway, and what is left without it. */
const repeats: readonly (readonly [roles: readonly Role[], word: RegExp, said: string])[] = [
  [["button"], /(?<!\b(?:radio|push|menu|toggle|panic|start|stop|power))[\s-]+button$/i, "button"],
  [["link"], /^link\s*(?:to\b|:)\s*|\s+link$/i, "link"],
  [["image"], /^(?:an?\s+)?(?:image|picture|graphic)\s+of\s+/i, "image"],
  [["navigation"], /\s+navigation(?:\s+(?:menu|bar))?$/i, "navigation"],
  [["heading"], /\s+heading$/i, "heading"],
];

const attributes = ["aria-label", "alt", "value", "title"] as const;

function judge(element: ElementNode, scene: Scene): Verdict {
  const { role } = scene.role(element);
  const name = scene.name(element);
  const row = repeats.find(([roles]) => role !== null && roles.includes(role));
  // What one sees written is for the eye, which hears no role: only names that are given by attribute are judged.
  const attribute = attributes.find(
    (a) => attributeText(element, a)?.trim() === name.text && name.text !== "",
  );
  if (row === undefined || attribute === undefined || attribute === "value" || !name.certain) return passed;
  const [, word, said] = row;
  const shorter = name.text.replace(word, "").trim();
  if (shorter === name.text || shorter === "") return passed;
  const written = shorter.charAt(0).toUpperCase() + shorter.slice(1);
  return failed(
    `The name says "${said}", and so does the role: both are heard.`,
    attribute === "title"
      ? ask(`Call it "${written}".`)
      : withChanges("likely", `Call it "${written}".`, [setAttribute(element, attribute, written)]),
    { facts: { name: name.text }, ...pointingAt(element, attribute) },
  );
}

export const saysItOnce = {
  id: "names.says-it-once",
  kind: "page",
  criteria: [],
  severity: "friction",
  means: "A name does not repeat the role that is heard with it.",
  who: 'Someone using a screen reader hears "close button button" all day long.',
  mend: "Leave the word for the role out of the name.",
  looksAt: (scene: Scene) => exposedByRole(scene, "button", "link", "image", "navigation", "heading"),
  judge,
  examples: [
    { html: `<button aria-label="Close">×</button>`, finds: [] },
    { html: `<button>Close button</button>`, finds: [] },
    { html: `<button aria-label="Radio button">Kinds</button>`, finds: [], others: 1 },
    { html: `<img src="a.jpg" alt="Petrel on the cradle">`, finds: [] },
    { html: `<nav aria-label="Yard"></nav>`, finds: [] },
    {
      html: `<button aria-label="Close button">×</button>`,
      finds: [
        [
          "failed",
          `<button aria-label="Close button">`,
          `The name says "button", and so does the role: both are heard.`,
        ],
      ],
    },
    {
      html: `<img src="a.jpg" alt="Image of the slipway">`,
      finds: [
        [
          "failed",
          `<img src="a.jpg" alt="Image of the slipway">`,
          `The name says "image", and so does the role: both are heard.`,
        ],
      ],
    },
    {
      html: `<nav aria-label="Main navigation"></nav>`,
      finds: [
        [
          "failed",
          `<nav aria-label="Main navigation">`,
          `The name says "navigation", and so does the role: both are heard.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
