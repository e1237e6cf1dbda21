import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText, writtenText } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { isLanguageTag, meantLanguages } from "../../standards/language-subtags.ts";
import { foreignScript } from "../../standards/scripts-of-languages.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";

function judge(part: ElementNode, scene: Scene): Verdict {
  if (!part.attributes.has("lang")) {
    const tag = languageAround(part, scene);
    const script = tag === null ? null : foreignScript(ownText(part), tag);
    return script === null
      ? inapplicable
      : cantTell(
          `Is this text in another language? Its letters are ${script}, and its language is "${tag}".`,
          ask('Name the language of this part, as in lang="el".'),
        );
  }
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

const ownText = ({ children }: ElementNode): string =>
  children.map((child) => (child.kind === "text" ? writtenText(child.value) : "")).join(" ");

/** The language of an element that names none: that of the nearest that does. HTML §3.2.6.2. */
function languageAround(part: ElementNode, { page: { index } }: Scene): string | null {
  for (let up = index.flatParent(part); up !== null; up = index.flatParent(up))
    if (up.attributes.has("lang")) return attributeText(up, "lang");
  return null;
}

/** Whether a text may be in letters that are not Latin: most are not, and need no further look. */
const hasOtherLetters = (part: ElementNode): boolean => /[\u0370-\u1fff\u3040-\uffdc]{4}/.test(ownText(part));

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
        !/^(?:html|script|style)$/.test(element.tag) &&
        (element.attributes.has("lang") || hasOtherLetters(element)) &&
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
    { html: `<div lang="en"><p lang="el">Καλημέρα στο ναυπηγείο</p><p>Slip Ω</p></div>`, finds: [] },
    { html: `<div lang="zh-Latn"><p>Slip 4</p></div>`, finds: [] },
    {
      html: `<div lang="en"><p>Καλημέρα στο ναυπηγείο</p></div>`,
      finds: [
        [
          "cantTell",
          "<p>",
          `Is this text in another language? Its letters are Greek, and its language is "en".`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
