import { NO } from "../../css/certainty.ts";
import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { whyUnseen } from "../../rendering/unseen.ts";
import { removeAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import { foldSpaces } from "../../semantics/text-collector.ts";
import type { PageCheck } from "../check.ts";
import { exposedWithAria } from "../exposed.ts";
import { visibleText } from "../visible-text.ts";

const byContents = new Set<Role>([
  "button",
  "link",
  "tab",
  "menuitem",
  "menuitemcheckbox",
  "menuitemradio",
  "option",
  "switch",
  "checkbox",
  "radio",
  "treeitem",
]);
const byLabel = new Set(["input", "select", "textarea", "meter", "progress", "output"]);

const namedByAttribute = (scene: Scene): readonly ElementNode[] =>
  exposedWithAria(scene).filter(
    (element) => element.attributes.has("aria-label") || element.attributes.has("aria-labelledby"),
  );

const words = (text: string): string =>
  ` ${text
    .toLowerCase()
    .normalize("NFKC")
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim()} `;

/** A button made of an `input` shows its value. */
const isCaptioned = (element: ElementNode): boolean =>
  element.tag === "input" && /^(?:submit|reset|button)$/.test(inputType(element));

/** What a tree item opens is no part of what one reads on it. */
function isBranch(scene: Scene, element: ElementNode): boolean {
  const { role } = scene.role(element);
  return role === "group" || role === "tree" || role === "treeitem";
}

function judge(element: ElementNode, scene: Scene): Verdict {
  const name = scene.name(element);
  if (!name.certain || (name.from !== "aria-label" && name.from !== "aria-labelledby")) return inapplicable;
  const { role } = scene.role(element);
  const isLabelled = element.namespace === "html" && byLabel.has(element.tag) && !isCaptioned(element);
  if (!isLabelled && (role === null || !byContents.has(role))) return inapplicable;
  const labels = isLabelled
    ? scene.page.index
        .labels(element)
        .filter((label) => scene.presence.of(label).visible !== NO && whyUnseen(scene.page, label) === null)
    : [element];
  const seen = isCaptioned(element)
    ? [attributeText(element, "value")]
    : labels.map((label) => visibleText(scene, label, (inside) => isBranch(scene, inside)));
  if (seen.length === 0 || seen.some((text) => text === null)) return inapplicable;
  const text = foldSpaces(seen.join(" "));
  // A lone sign or letter is a picture made of type.
  if ((text.match(/\p{L}/gu)?.length ?? 0) < 2) return inapplicable;
  if (words(name.text).includes(words(text))) return passed;
  // A number before the words is a mark beside them.
  if (words(name.text) === words(text.replace(/^\d+\s/, ""))) return passed;
  const attribute = element.attributes.get(name.from)?.source;
  return failed(
    `One reads "${text}" here, but it is called "${name.text}": the words one sees are not in the name.`,
    withChanges("likely", `Begin the name with the words one sees, or take ${name.from} away.`, [
      ...["aria-labelledby", "aria-label"]
        .filter((attribute) => element.attributes.has(attribute))
        .map((attribute) => removeAttribute(element, attribute)),
    ]),
    {
      facts: { visible: text, name: name.text },
      ...(attribute == null ? {} : { source: attribute }),
    },
  );
}

export const visibleWordsInName = {
  id: "names.visible-words-in-name",
  kind: "page",
  surroundings: "unread classes",
  criteria: ["2.5.3"],
  severity: "barrier",
  means: "The words one sees on a control are part of its name.",
  who: "Someone using speech input says the words they see, and nothing happens; someone who sees and listens hears something else than they read.",
  mend: "Start the name with the visible words, in their order.",
  looksAt: namedByAttribute,
  judge,
  examples: [
    {
      html: `<button aria-label="Remove the slip"><i class="boat-icons">delete</i></button>`,
      finds: [],
    },
    {
      html: `<button aria-label="Remove the slip"><boat-label>delete</boat-label></button>`,
      finds: [],
    },
    { html: `<button aria-label="Book slip 4, free from Tuesday">Book slip 4</button>`, finds: [] },
    { html: `<button aria-label="Close">×</button>`, finds: [] },
    { html: `<a href="x" aria-label="Slip 4: more…">More</a>`, finds: [] },
    { html: `<button aria-label="Search"><svg></svg></button>`, finds: [] },
    { html: `<label for="b">Beam</label><input id="b" aria-label="Beam in metres">`, finds: [] },
    {
      html: `<button aria-label="Delete rates"><span style="display: none">Remove</span></button>`,
      finds: [],
    },
    {
      html: `<button aria-label="Reserve a berth">Book slip 4</button>`,
      finds: [
        [
          "failed",
          `<button aria-label="Reserve a berth">`,
          `One reads "Book slip 4" here, but it is called "Reserve a berth": the words one sees are not in the name.`,
        ],
      ],
    },
    {
      html: `<label for="b">Beam</label><input id="b" aria-label="Width">`,
      finds: [
        [
          "failed",
          `<input id="b" aria-label="Width">`,
          `One reads "Beam" here, but it is called "Width": the words one sees are not in the name.`,
        ],
      ],
    },
    {
      html: `<input type="submit" value="Save boat" aria-label="Continue">`,
      finds: [
        [
          "failed",
          `<input type="submit" value="Save boat" aria-label="Continue">`,
          `One reads "Save boat" here, but it is called "Continue": the words one sees are not in the name.`,
        ],
      ],
    },
    {
      html: `<h2 id="h">Slips</h2><a href="x" aria-labelledby="h">Read more</a>`,
      finds: [
        [
          "failed",
          `<a href="x" aria-labelledby="h">`,
          `One reads "Read more" here, but it is called "Slips": the words one sees are not in the name.`,
        ],
      ],
    },
    {
      html: `<ul role="tree" aria-label="Boats"><li role="treeitem" tabindex="0" aria-label="Quay" aria-expanded="true"><span>Quay</span><ul role="group"><li role="treeitem" tabindex="-1">Petrel</li></ul></li></ul>`,
      finds: [],
    },
    {
      html: `<button aria-labelledby="t"><span>1</span> <span id="t">Choose a slip</span></button>`,
      finds: [],
    },
  ],
} as const satisfies PageCheck;
