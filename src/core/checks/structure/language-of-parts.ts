import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { isLanguageTag, meantLanguages } from "../../standards/language-subtags.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";

function judge(part: ElementNode): Verdict {
  const tag = attributeText(part, "lang")?.trim() ?? "";
  // An empty tag says that the language is not known: allowed.
  if (tag === "") return inapplicable;
  if (isLanguageTag(tag) !== false) return passed;
  const underscored = tag.replace(/_/g, "-");
  const meant = isLanguageTag(underscored) === true ? underscored : meantLanguages[tag.toLowerCase()];
  return failed(
    `"${tag}" is no language tag: this part is read in the voice of the rest.`,
    meant === undefined
      ? ask('Name the language of this part, as in lang="fr".')
      : withChanges("likely", `Write lang="${meant}".`, [setAttribute(part, "lang", meant)]),
    pointingAt(part, "lang"),
  );
}

export const languageOfParts = {
  id: "structure.language-of-parts",
  kind: "page",
  criteria: ["3.1.2"],
  severity: "barrier",
  means: "Where a part names its language, the tag exists.",
  who: "Someone using a screen reader hears foreign words in the wrong voice.",
  mend: "Write a language tag that exists.",
  looksAt: (scene: Scene) =>
    scene.page.index.elements.filter(
      (element) =>
        element.tag !== "html" &&
        element.attributes.has("lang") &&
        isExposed(scene, element) &&
        textContent(element) !== "",
    ),
  judge,
  examples: [
    { html: `<p lang="fr">Bonjour</p>`, finds: [] },
    { html: `<p lang="">x</p>`, finds: [] },
    { html: `<p lang="gsw">Grüezi</p>`, finds: [] },
    {
      html: `<p lang="french">Bonjour</p>`,
      finds: [
        [
          "failed",
          `<p lang="french">`,
          `"french" is no language tag: this part is read in the voice of the rest.`,
        ],
      ],
    },
    {
      html: `<p lang="de_CH">Guten Tag</p>`,
      finds: [
        [
          "failed",
          `<p lang="de_CH">`,
          `"de_CH" is no language tag: this part is read in the voice of the rest.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
