import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { askWords, BLANK } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { CheckSettings, PageCheck } from "../check.ts";
import { exposedByTag } from "../exposed.ts";

/** Words that say only that there is a picture. */
const saysNothing = new Set(
  "image images img picture pic photo photograph photos graphic icon figure spacer placeholder alt alttext untitled blank null undefined todo tbd thumbnail banner"
    .split(" ")
    .concat([
      "alt text",
      "image description",
      "description of image",
      "insert alt text",
      "add alt text",
      "alternative text",
    ]),
);

const fileName = /^[^\s]*\.(?:jpe?g|png|gif|svg|webp|avif|bmp|tiff?|ico|heic)$/i;
const spacedFileName = /^[\w ()-]+\.(?:jpe?g|png|gif|svg|webp|avif|bmp|tiff?|ico|heic)$/i;
const cameraName =
  /^(?:dsc[fn]?|img|dcim|pict|p|screenshot|screen shot|scan|image)[-_ ]?\d{3,}(?:[-_ ]\d+)*$/i;

function judge(image: ElementNode, scene: Scene, { words }: CheckSettings): Verdict {
  const name = scene.name(image);
  if (
    name.text === "" ||
    !name.certain ||
    (name.from !== "alt" && name.from !== "aria-label" && name.from !== "title attribute")
  )
    return inapplicable;
  const details = {
    facts: { name: name.text },
    ...pointingAt(image, name.from === "title attribute" ? "title" : name.from),
  };
  const repair = askWords(
    "Say what the picture shows or does here, in the words you would use on the telephone.",
    "Text alternative",
    "",
    [setAttribute(image, name.from === "title attribute" ? "title" : name.from, BLANK)],
  );
  if (fileName.test(name.text) || spacedFileName.test(name.text) || cameraName.test(name.text)) {
    return failed(`The text alternative is a file name: "${name.text}".`, repair, details);
  }
  const said = name.text.toLowerCase().replace(/[.:!]+$/, "");
  if (saysNothing.has(said) || words.some((word) => word.toLowerCase() === said)) {
    return failed(`The text alternative says only "${name.text}".`, repair, details);
  }
  return passed;
}

export const noFileName = {
  id: "names.no-file-name",
  kind: "page",
  criteria: ["1.1.1"],
  severity: "barrier",
  means: 'A text alternative is not a file name, a bare "image" or left-over placeholder text.',
  who: "Someone using a screen reader hears letters and numbers that mean nothing, in place of the picture.",
  mend: "Replace it with what the picture tells the reader.",
  takesWords: "further alternatives that say nothing, such as those your tools fill in",
  looksAt: (scene: Scene) =>
    [...exposedByTag(scene, "img", "area")].filter(
      (image) => attributeText(image, "alt") !== "" && scene.role(image).role !== "none",
    ),
  judge,
  examples: [
    { html: `<img src="hull-07.jpg" alt="Hull 07">`, finds: [] },
    { html: `<img src="petrel.jpg" alt="petrel">`, finds: [] },
    { html: `<img src="logo.svg" alt="Brackwater Boatyard">`, finds: [] },
    { html: `<img src="icon.svg" alt="">`, finds: [] },
    { html: `<img src="plan.png" alt="Picture of the yard from the air, 1931">`, finds: [], others: 1 },
    {
      html: `<img src="hull-07.jpg" alt="hull-07.jpg">`,
      finds: [
        [
          "failed",
          `<img src="hull-07.jpg" alt="hull-07.jpg">`,
          `The text alternative is a file name: "hull-07.jpg".`,
        ],
      ],
    },
    {
      html: `<img src="a.jpg" alt="image">`,
      finds: [["failed", `<img src="a.jpg" alt="image">`, `The text alternative says only "image".`]],
    },
    {
      html: `<img src="a.jpg" alt="IMG_2041">`,
      finds: [
        ["failed", `<img src="a.jpg" alt="IMG_2041">`, `The text alternative is a file name: "IMG_2041".`],
      ],
    },
    {
      html: `<img src="a.jpg" alt="Alt text">`,
      finds: [["failed", `<img src="a.jpg" alt="Alt text">`, `The text alternative says only "Alt text".`]],
    },
  ],
} as const satisfies PageCheck;
