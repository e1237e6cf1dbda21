import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText } from "../../document/written.ts";
import { failed, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute, setAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, exposedByRole } from "../exposed.ts";

/** What is heard in one breath: a picture in it and its words are one after the other. */
const inOneBreath = new Set<Role>(["link", "button", "heading", "figure"]);

const folded = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();

function judge(element: ElementNode, scene: Scene): Verdict {
  const { role } = scene.role(element);
  return role === "image" ? judgePicture(element, scene) : judgeTooltip(element, scene);
}

function judgePicture(image: ElementNode, scene: Scene): Verdict {
  const name = scene.name(image);
  if (image.tag !== "img" || name.from !== "alt" || folded(name.text) === "") return passed;
  for (const up of elementsAround(scene, image)) {
    const { role } = scene.role(up);
    if (role === null || !inOneBreath.has(role)) continue;
    if (folded(textContent(up)) !== folded(name.text)) return passed;
    return failed(
      `"${name.text}" is heard twice: as the picture, and as the text beside it.`,
      withChanges("likely", 'Mark the picture as decoration: the text beside it says the same (alt="").', [
        setAttribute(image, "alt", ""),
      ]),
      { facts: { name: name.text }, ...pointingAt(image, "alt") },
    );
  }
  return passed;
}

function judgeTooltip(element: ElementNode, scene: Scene): Verdict {
  const tooltip = attributeText(element, "title");
  const name = scene.name(element);
  if (tooltip === null || folded(tooltip) === "" || name.from !== "contents" || !name.certain) return passed;
  if (folded(tooltip) !== folded(name.text)) return passed;
  return failed(
    `The tooltip repeats the text "${name.text}": some hear it twice.`,
    withChanges("safe", "Take the title away: it says nothing that the text does not say.", [
      removeAttribute(element, "title"),
    ]),
    { facts: { name: name.text }, ...pointingAt(element, "title") },
  );
}

function* picturesAndTooltips(scene: Scene): Iterable<ElementNode> {
  yield* exposedByRole(scene, "image");
  for (const element of exposedByRole(scene, "link", "button", "heading"))
    if (element.attributes.has("title")) yield element;
}

export const notHeardTwice = {
  id: "names.not-heard-twice",
  kind: "page",
  criteria: [],
  severity: "friction",
  means: "A picture or a tooltip does not repeat the text beside it.",
  who: "Someone using a screen reader hears the same words twice in a row, on every such link.",
  mend: 'Give the picture alt="" where the text beside it says the same; leave out a title that adds nothing.',
  looksAt: picturesAndTooltips,
  judge,
  examples: [
    { html: `<a href="x"><img src="a.jpg" alt="Petrel"> Book a haul-out</a>`, finds: [] },
    { html: `<a href="x"><img src="a.jpg" alt="Petrel"></a> Petrel`, finds: [] },
    { html: `<a href="x" title="Opens the tide table">Tides</a>`, finds: [] },
    { html: `<a href="x" title="Tides"><svg></svg></a>`, finds: [], others: 1 },
    {
      html: `<a href="x"><img src="a.jpg" alt="Tide table"> Tide table</a>`,
      finds: [
        [
          "failed",
          `<img src="a.jpg" alt="Tide table">`,
          `"Tide table" is heard twice: as the picture, and as the text beside it.`,
        ],
      ],
    },
    {
      html: `<a href="x" title="Tides">Tides</a>`,
      finds: [
        ["failed", `<a href="x" title="Tides">`, `The tooltip repeats the text "Tides": some hear it twice.`],
      ],
    },
    {
      html: `<figure><img src="a.jpg" alt="Petrel, 2031"><figcaption>Petrel, 2031</figcaption></figure>`,
      finds: [
        [
          "failed",
          `<img src="a.jpg" alt="Petrel, 2031">`,
          `"Petrel, 2031" is heard twice: as the picture, and as the text beside it.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
