import { elementsBelow, firstOf } from "../../document/around.ts";
import { isLabelable } from "../../document/document-index.ts";
import { inputType } from "../../document/form-controls.ts";
import { type ElementNode, type Hole, isUndefinedElement, type Written } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText } from "../../document/written.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { type Change, setAttribute, setWords } from "../../repair/change.ts";
import { askWords, BLANK, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { spokenRole } from "../../semantics/heard-line.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import type { CriterionNumber } from "../../standards/criteria.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";
import { mayBeFilled } from "../scripts.ts";
import { holdsUnknownContent, isUnnamed } from "../shown-name.ts";
import { wordsFrom } from "../words-from.ts";
import { lostNameCause } from "./lost-name.ts";
import { openLabel } from "./meant-label.ts";
import { pictureCause } from "./picture-cause.ts";

const actions = new Set<Role>([
  "link",
  "button",
  "tab",
  "menuitem",
  "menuitemcheckbox",
  "menuitemradio",
  "option",
  "treeitem",
  "doc-backlink",
  "doc-biblioref",
  "doc-glossref",
  "doc-noteref",
]);

function* namedActions(scene: Scene): Iterable<ElementNode> {
  for (const element of scene.page.index.elements) {
    // Areas and image buttons are images, what takes files is a field; an empty native option is the usual "nothing chosen".
    if (
      element.tag === "area" ||
      element.tag === "option" ||
      (element.tag === "input" && /^(?:image|file)$/.test(inputType(element)))
    )
      continue;
    const { role } = scene.role(element);
    if (role !== null && actions.has(role) && isExposed(scene, element)) yield element;
  }
}

function repairFor(scene: Scene, action: ElementNode, word: string): Repair {
  const { index } = scene.page;
  const what = word === "link" ? "Where the link leads" : `What the ${word} does`;
  const whatInside = what[0]?.toLowerCase() + what.slice(1);
  const wanted = (summary: string, start: string, change: Change) => askWords(summary, what, start, [change]);
  const image = firstInside(scene, action, (e) => e.tag === "img");
  if (image !== null)
    return wanted(
      `Its picture ${image.attributes.has("alt") ? "is marked as decoration" : "has no alternative"}: say in the picture's alt ${whatInside}.`,
      startFor(scene, action) || wordsFrom(attributeText(image, "src")),
      setAttribute(image, "alt", BLANK),
    );
  const label = setAttribute(action, "aria-label", BLANK);
  const svg = firstInside(scene, action, (e) => e.tag === "svg");
  if (svg !== null)
    return wanted(
      `Its drawing says nothing: add aria-label="…" to the ${word}${svg.isTagGiven === true ? "" : ", or a <title> to the drawing"}.`,
      startFor(scene, action),
      label,
    );
  if (action.tag === "input")
    return wanted(
      "Write in value what the button does.",
      startFor(scene, action),
      setAttribute(action, "value", BLANK),
    );
  if (index.childElements(action).length > 0)
    return wanted(
      `Nothing in it is text that is read: add aria-label="…", or text that is hidden only from view.`,
      textContent(action) || startFor(scene, action),
      label,
    );
  return wanted(`Write inside it what the ${word} does.`, startFor(scene, action), setWords(action, BLANK));
}

/** Words that the source has for it: of its address, its name for programs, or the drawing in it. */
function startFor(scene: Scene, action: ElementNode): string {
  const uses = [...elementsBelow(scene.page.index, action)].map(
    (inside) => attributeText(inside, "href") ?? attributeText(inside, "class"),
  );
  const written = [attributeText(action, "href"), attributeText(action, "id"), attributeText(action, "name")];
  return [...written, ...uses].map(wordsFrom).find((words) => words !== "") ?? "";
}

const naming = ["aria-label", "aria-labelledby", "alt", "title", "value"];

/** Whether neither an element nor anything in it has words, or may have. */
const saysNothing = (scene: Scene, action: ElementNode): boolean =>
  textContent(action) === "" &&
  isMute(action) &&
  firstInside(scene, action, (inside) => !isMute(inside)) === null;

/** Whether no attribute of an element names it, or may. */
const isMute = (element: ElementNode): boolean =>
  !naming.some((name) => element.attributes.has(name) && attributeText(element, name)?.trim() !== "");

const firstInside = (
  scene: Scene,
  element: ElementNode,
  fits: (e: ElementNode) => boolean,
): ElementNode | null => firstOf(elementsBelow(scene.page.index, element), fits);

/** What an element shows where that is one picture of a package and nothing else; null where it is more, or other. */
function onlyPicture(scene: Scene, action: ElementNode): Hole | null {
  const all = [action, ...elementsBelow(scene.page.index, action)];
  const nodes = all.flatMap(({ children }) => children);
  const isSilent = nodes.every((node) => node.kind !== "text" || isBlank(node.value)) && all.every(isMute);
  const [only, ...more] = nodes.flatMap((node) => (node.kind === "hole" ? [node.hole] : []));
  return isSilent && more.length === 0 && only?.isPicture === true ? only : null;
}

const isBlank = (value: Written): boolean => typeof value === "string" && value.trim() === "";

function judge(action: ElementNode, scene: Scene): Verdict {
  // What a spread may bring, every use must bring.
  const isLeftToUses = action.spread !== null && scene.name(action).text === "" && saysNothing(scene, action);
  const picture = isLeftToUses ? null : onlyPicture(scene, action);
  if (!isLeftToUses && picture === null && !isUnnamed(scene, action)) return passed;
  const role = scene.role(action).role ?? "button";
  const word = spokenRole(role, {}, null);
  const criteria: readonly CriterionNumber[] = role === "link" ? ["4.1.2", "2.4.4"] : ["4.1.2"];
  if (picture !== null)
    return cantTell(
      `Does ${picture.hole} bring words of its own? It is not in source, and without them this ${word} has no name.`,
      askWords(`If not, say in aria-label what the ${word} does.`, `What the ${word} does`, "", [
        setAttribute(action, "aria-label", BLANK),
      ]),
      { criteria },
    );
  if (isLeftToUses)
    return cantTell(
      `Nothing in this ${word} names it. Does every use of it give it a name?`,
      repairFor(scene, action, word),
      { criteria },
    );
  const unknown = isUndefinedElement(action) ? action : holdsUnknownContent(scene, action);
  if (unknown !== null) {
    return cantTell(
      `Does <${unknown.tag}> bring text of its own? Without it this ${word} has no name.`,
      repairFor(scene, action, word),
      { criteria },
    );
  }
  const label = isLabelable(action) && action.attributes.has("id") ? openLabel(scene) : null;
  if (label !== null)
    return cantTell(
      `This ${word} has no name. Is the label "${textContent(label)}" for it? Source does not tell.`,
      repairFor(scene, action, word),
      { criteria },
    );
  const titled = firstInside(scene, action, (e) => (attributeText(e, "title")?.trim() ?? "") !== "");
  if (titled !== null) {
    return cantTell(
      `Only a tooltip inside this ${word} says what it does, and browsers differ on whether that names it. Is there a name elsewhere?`,
      withChanges("likely", `Write the words of the tooltip in aria-label on the ${word}.`, [
        setAttribute(action, "aria-label", attributeText(titled, "title")?.trim() ?? ""),
      ]),
      { criteria },
    );
  }
  const image = firstInside(scene, action, (e) => e.tag === "img" && !e.attributes.has("alt"));
  if (mayBeFilled(scene, action))
    return cantTell(
      `Does a script write words into this ${word}? Without them it has no name.`,
      repairFor(scene, action, word),
      { criteria },
    );
  return failed(`This ${word} has no name.`, repairFor(scene, action, word), {
    criteria,
    ...(image === null ? lostNameCause(scene, action) : { cause: pictureCause(scene, image) }),
  });
}

export const actionNamed = {
  id: "names.action-named",
  kind: "page",
  criteria: ["4.1.2", "2.4.4"],
  severity: "blocker",
  means: "Everything that can be activated has a name.",
  who: 'Someone using a screen reader hears "button" or "link" and must press it to find out what it does; speech input cannot address it.',
  mend: "Give it text, or an aria-label where there is only an icon.",
  looksAt: namedActions,
  judge,
  examples: [
    { html: `<button>Haul out</button>`, finds: [] },
    { html: `<a href="slips.html"><img src="boat.png" alt="Slips"></a>`, finds: [] },
    { html: `<button aria-label="Close"><svg></svg></button>`, finds: [] },
    { html: `<a id="top"></a>`, finds: [] },
    { html: `<input type="submit">`, finds: [] },
    { html: `<details><summary>Fees</summary>By the metre.</details>`, finds: [] },
    { html: `<select><option></option></select>`, finds: [], others: 1 },
    { html: `<button></button>`, finds: [["failed", "<button>", "This button has no name."]] },
    {
      html: `<a href="slips.html"><img src="boat.png" alt=""></a>`,
      finds: [["failed", `<a href="slips.html">`, "This link has no name."]],
    },
    {
      html: `<button><svg viewBox="0 0 9 9"><path d="M0 0h9"/></svg></button>`,
      finds: [["failed", "<button>", "This button has no name."]],
    },
    {
      html: `<a href="tel:1"><span style="display: none">Call</span></a>`,
      finds: [["failed", `<a href="tel:1">`, "This link has no name."]],
    },
    {
      html: `<input type="button">`,
      finds: [["failed", `<input type="button">`, "This button has no name."]],
    },
    {
      html: `<a href="x.html"><i class="f"></i></a><style>.f::before { content: "\\f015" }</style>`,
      finds: [["failed", `<a href="x.html">`, "This link has no name."]],
    },
    {
      html: `<button><yard-icon></yard-icon></button>`,
      finds: [
        [
          "cantTell",
          "<button>",
          "Does <yard-icon> bring text of its own? Without it this button has no name.",
        ],
      ],
    },
    {
      html: `<!doctype html><html lang="en"><title>Slips – Brackwater Boatyard</title><main><h1>Slips</h1><a href="slips.html" id="next"></a></main><script>next.textContent = "Slip 5";</script></html>`,
      finds: [
        [
          "cantTell",
          `<a href="slips.html" id="next">`,
          "Does a script write words into this link? Without them it has no name.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
