import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText, attributeUnknown, hasAttribute } from "../../document/written.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { askWords, BLANK, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { attributeAlternativeText } from "../../semantics/text-alternative.ts";
import { isTold } from "../../semantics/tree.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";
import { isUnnamed } from "../shown-name.ts";
import { wordsFrom } from "../words-from.ts";
import { pictureCause } from "./picture-cause.ts";

/** Everything that is told as a picture: by its kind or by its role. */
function* images(scene: Scene): Iterable<ElementNode> {
  for (const element of scene.page.index.elements) {
    const isArea = element.tag === "area" && hasAttribute(element, "href");
    if (!isArea && !isExposed(scene, element)) continue;
    if (element.tag === "img" || (element.tag === "input" && inputType(element) === "image")) yield element;
    else if (isArea && isUsed(scene, element)) yield element;
    else if (isDrawnElsewhere(element)) yield element;
    else if (element.attributes.has("role") && element.tag !== "img" && isPictureRole(scene, element))
      yield element;
  }
}

/** Whether an element shows a picture from elsewhere, or one that a script draws, in the place of its content. */
const isDrawnElsewhere = (element: ElementNode): boolean =>
  element.namespace === "html" &&
  !element.attributes.has("role") &&
  (element.tag === "canvas" ||
    (/^(?:object|embed)$/.test(element.tag) &&
      (/^image\//i.test(attributeText(element, "type") ?? "") ||
        /\.(?:svg|png|jpe?g|gif|webp|avif)(?:[?#]|$)/i.test(
          attributeText(element, element.tag === "object" ? "data" : "src") ?? "",
        ))));

const isUsed = (scene: Scene, area: ElementNode): boolean => {
  const map = scene.page.index.parent(area);
  const name = map === null ? undefined : map.attributes.get("name")?.value;
  return scene.page.index
    .byTag("img")
    .some((image) => isExposed(scene, image) && image.attributes.get("usemap")?.value === `#${name}`);
};

const isPictureRole = (scene: Scene, element: ElementNode): boolean => {
  const { role } = scene.role(element);
  return role === "image" || role === "graphics-symbol";
};

/** The nameless link or button that the picture is in; null for none. */
function unnamedActionAround(scene: Scene, image: ElementNode): ElementNode | null {
  for (let up = scene.page.index.parent(image); up !== null; up = scene.page.index.parent(up)) {
    const { role } = scene.role(up);
    if ((role === "link" || role === "button") && isUnnamed(scene, up)) return up;
  }
  return null;
}

/** The picture's link or button may be what needs the words. */
function repairFor(scene: Scene, image: ElementNode): Repair {
  for (let up = scene.page.index.parent(image); up !== null; up = scene.page.index.parent(up)) {
    const { role } = scene.role(up);
    if (role === "link" && isUnnamed(scene, up))
      return altWords(image, "Say in alt where the link leads: the picture is all the link has.");
    if (role === "button" && isUnnamed(scene, up))
      return altWords(image, "Say in alt what the button does: the picture is all the button has.");
    if ((role === "link" || role === "button") && isTold(scene, up)) {
      return withChanges(
        "likely",
        `The ${role} is already called "${scene.name(up).text}": if the picture only decorates it, write alt="".`,
        [setAttribute(image, "alt", "")],
      );
    }
  }
  return altWords(image, 'Describe what the picture tells the reader, or mark it decorative with alt="".');
}

/** A text alternative that a person gives; the name of the file is where to begin. */
const altWords = (image: ElementNode, summary: string): Repair =>
  askWords(summary, 'Text alternative, or "" for decoration', wordsFrom(attributeText(image, "src")), [
    setAttribute(image, "alt", BLANK),
  ]);

function judge(image: ElementNode, scene: Scene): Verdict {
  if (image.tag === "input") return judgeInput(image);
  if (scene.role(image).role === "none") return passed;
  if (!isUnnamed(scene, image)) return passed;
  if (image.tag === "area")
    return failed(
      "This part of an image map has no text alternative.",
      askWords(
        "Say in alt where this part leads.",
        "Where it leads",
        wordsFrom(attributeText(image, "href")),
        [setAttribute(image, "alt", BLANK)],
      ),
    );
  if (isDrawnElsewhere(image)) return judgeDrawn(image, scene);
  if (image.tag !== "img")
    return failed(
      "This element is told as an image but has no text alternative.",
      askWords(
        "Say in aria-label what the picture tells the reader, or take the role away and hide it with aria-hidden.",
        "Text alternative",
        "",
        [setAttribute(image, "aria-label", BLANK)],
      ),
    );
  if (/^\s+$/.test(attributeText(image, "alt") ?? ""))
    return failed(
      "The text alternative of this image is white space: it is exposed as an image without a name.",
      repairFor(scene, image),
    );
  if (hasAttribute(image, "alt") || attributeUnknown(image, "alt")) return passed;
  if (!hasAttribute(image, "src") && !hasAttribute(image, "srcset") && !attributeUnknown(image, "src")) {
    return cantTell(
      "This image has neither an address nor a text alternative yet. When a script shows a picture here, does it set alt too?",
      repairFor(scene, image),
    );
  }
  const cause = unnamedActionAround(scene, image);
  return failed(
    "This image has no text alternative.",
    repairFor(scene, image),
    cause === null ? {} : { cause: pictureCause(scene, image) },
  );
}

/** What stands in such an element is its alternative. HTML §4.8.7, §4.12.5. */
function judgeDrawn(image: ElementNode, scene: Scene): Verdict {
  if (textContent(image) !== "" || scene.page.index.childElements(image).length > 0) return passed;
  const repair = askWords(
    `Say what it shows: in its content${image.tag === "embed" ? "" : `, <${image.tag}>…</${image.tag}>,`} or in aria-label; hide it with aria-hidden if it only decorates.`,
    "Text alternative",
    "",
    [setAttribute(image, "aria-label", BLANK)],
  );
  return image.tag === "canvas"
    ? cantTell("Does this canvas show something? It has no text alternative.", repair)
    : failed(`The picture in this <${image.tag}> has no text alternative.`, repair);
}

/** A picture that sends a form needs words of its own: the browser's "Submit" says nothing of it. */
function judgeInput(input: ElementNode): Verdict {
  const named = ["aria-label", "aria-labelledby", "alt", "title", "value"].some(
    (name) =>
      hasAttribute(input, name) &&
      (attributeUnknown(input, name) || attributeAlternativeText(input, name) !== ""),
  );
  return named
    ? passed
    : failed(
        "This image button has no text alternative.",
        altWords(input, "Say in alt what the button does."),
      );
}

export const imageDescribed = {
  id: "names.image-described",
  kind: "page",
  criteria: ["1.1.1"],
  severity: "blocker",
  means: "Every image has a text alternative, or is marked as decoration.",
  who: 'Someone using a screen reader hears "image", or a file name, and nothing of what it shows.',
  mend: 'Write in alt what the picture tells the reader where it stands. If it tells nothing that the text beside it does not, write alt="".',
  looksAt: images,
  judge,
  examples: [
    { html: `<img src="hull-07.jpg" alt="Hull 07 on slip 4, port side scraped">`, finds: [] },
    { html: `<img src="wave.svg" alt="">`, finds: [] },
    { html: `<img src="rope.png" aria-label="Coiled mooring rope">`, finds: [] },
    { html: `<img src="dot.gif" role="presentation">`, finds: [] },
    { html: `<div hidden><img src="later.jpg"></div>`, finds: [] },
    { html: `<svg role="img"><title>Slip open</title><path d="M0 0h9v6z"/></svg>`, finds: [] },
    { html: `<input type="image" src="go.png" alt="Book the slip">`, finds: [] },
    {
      html: `<img src="hull-07.jpg">`,
      finds: [["failed", `<img src="hull-07.jpg">`, "This image has no text alternative."]],
    },
    {
      html: `<img src="hull-07.jpg" aria-label="">`,
      finds: [["failed", `<img src="hull-07.jpg" aria-label="">`, "This image has no text alternative."]],
    },
    {
      html: `<div role="img" style="background: url(yard.jpg)"></div>`,
      finds: [
        [
          "failed",
          `<div role="img" style="background: url(yard.jpg)">`,
          "This element is told as an image but has no text alternative.",
        ],
      ],
    },
    {
      html: `<svg role="img"><path d="M0 0h9v6z"/></svg>`,
      finds: [
        ["failed", `<svg role="img">`, "This element is told as an image but has no text alternative."],
      ],
    },
    {
      html: `<input type="image" src="go.png">`,
      finds: [["failed", `<input type="image" src="go.png">`, "This image button has no text alternative."]],
    },
    {
      html: `<img src="plan.png" alt="Plan of the yard" usemap="#plan"><map name="plan"><area href="slips.html" coords="0,0,9,9"></map>`,
      finds: [
        [
          "failed",
          `<area href="slips.html" coords="0,0,9,9">`,
          "This part of an image map has no text alternative.",
        ],
      ],
    },
    {
      html: `<img id="preview">`,
      finds: [
        [
          "cantTell",
          `<img id="preview">`,
          "This image has neither an address nor a text alternative yet. When a script shows a picture here, does it set alt too?",
        ],
      ],
    },
    {
      html: `<object data="tides.svg" type="image/svg+xml"></object>`,
      finds: [
        [
          "failed",
          `<object data="tides.svg" type="image/svg+xml">`,
          "The picture in this <object> has no text alternative.",
        ],
      ],
    },
    { html: `<object data="tides.svg" type="image/svg+xml">High water at six</object>`, finds: [] },
    { html: `<canvas>High water at six</canvas>`, finds: [] },
    {
      html: `<canvas></canvas>`,
      finds: [["cantTell", "<canvas>", "Does this canvas show something? It has no text alternative."]],
    },
    {
      html: `<img src="tide.png" alt="  ">`,
      finds: [
        [
          "failed",
          `<img src="tide.png" alt="  ">`,
          "The text alternative of this image is white space: it is exposed as an image without a name.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
