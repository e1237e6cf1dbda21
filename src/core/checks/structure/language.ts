import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeUnknown } from "../../document/written.ts";
import { failed, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { askWords, BLANK, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { isLanguageTag, meantLanguages } from "../../standards/language-subtags.ts";
import type { PageCheck } from "../check.ts";

const askForLanguage = (root: ElementNode): Repair =>
  askWords(
    'Say on <html> in which language the page is written, as in lang="en".',
    "Language of the page, as in en, de or pt-BR",
    "",
    [setAttribute(root, "lang", BLANK)],
    "en",
  );

function judge(root: ElementNode): Verdict {
  if (attributeUnknown(root, "lang")) return passed;
  const written = attributeText(root, "lang");
  const tag = written?.trim() ?? "";
  const details = pointingAt(root, "lang");
  if (tag === "") {
    const xml = attributeText(root, "xml:lang")?.trim() ?? "";
    if (xml !== "" && isLanguageTag(xml) !== false) {
      return failed(
        `This page names its language in xml:lang only, which counts for nothing in HTML.`,
        withChanges("safe", `Write lang="${xml}" too.`, [setAttribute(root, "lang", xml)]),
        details,
      );
    }
    return failed(
      written === null
        ? "This page does not say in which language it is written."
        : "The lang of this page is empty.",
      askForLanguage(root),
      details,
    );
  }
  if (isLanguageTag(tag) !== false) return passed;
  const underscored = tag.replace(/_/g, "-");
  const meant = isLanguageTag(underscored) === true ? underscored : meantLanguages[tag.toLowerCase()];
  return failed(
    `"${tag}" is no language tag.`,
    meant === undefined
      ? askForLanguage(root)
      : withChanges("likely", `Write lang="${meant}".`, [setAttribute(root, "lang", meant)]),
    details,
  );
}

export const language = {
  id: "structure.language",
  kind: "page",
  criteria: ["3.1.1"],
  severity: "barrier",
  means: "A page says in which language it is written, with a tag that exists.",
  who: "Someone using a screen reader hears the page in the voice of another language, which can make it impossible to follow.",
  mend: 'Write the language on the root: <html lang="en">.',
  pageOnly: true,
  looksAt: (scene: Scene) => scene.page.index.byTag("html").slice(0, 1),
  judge,
  examples: [
    { html: `<!doctype html><html lang="en"><title>t</title>`, finds: [] },
    { html: `<!doctype html><html lang="pt-BR"><title>t</title>`, finds: [] },
    { html: `<!doctype html><html lang="gsw-CH"><title>t</title>`, finds: [] },
    {
      html: `<!doctype html><html><title>t</title>`,
      finds: [["failed", "<html>", "This page does not say in which language it is written."]],
    },
    {
      html: `<!doctype html><html lang=""><title>t</title>`,
      finds: [["failed", `<html lang="">`, "The lang of this page is empty."]],
    },
    {
      html: `<!doctype html><html lang="english"><title>t</title>`,
      finds: [["failed", `<html lang="english">`, `"english" is no language tag.`]],
    },
    {
      html: `<!doctype html><html xml:lang="en"><title>t</title>`,
      finds: [
        [
          "failed",
          `<html xml:lang="en">`,
          "This page names its language in xml:lang only, which counts for nothing in HTML.",
        ],
      ],
    },
    {
      html: `<!doctype html><html lang="qq"><title>t</title>`,
      finds: [["failed", `<html lang="qq">`, `"qq" is no language tag.`]],
    },
  ],
} as const satisfies PageCheck;
