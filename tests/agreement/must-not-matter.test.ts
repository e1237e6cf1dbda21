import { describe, expect, test } from "vitest";
import { catalogue } from "../../src/core/checks/catalogue.ts";
import { runChecks } from "../../src/core/checks/run.ts";
import { sceneOf } from "../page.ts";

/** Every page that some check shows as an example: what is right and what is wrong in it is known. */
const pages = [
  ...new Set(
    catalogue.flatMap(({ examples }) => examples.flatMap(({ html }) => (html === undefined ? [] : [html]))),
  ),
];

const attribute = /\s+([^\s=>/"']+)(?:\s*=\s*("[^"]*"|'[^']*'|[^\s>"']+))?/g;
const startTag = /<([a-z][\w-]*)((?:\s+[^\s=>/"']+(?:\s*=\s*(?:"[^"]*"|'[^']*'|[^\s>"']+))?)*)\s*(\/?)>/gi;
const rawText = /(<(style|script|textarea|title)\b[^>]*>)([\s\S]*?)(<\/\2>)/gi;

/** Does something to markup, and leaves what is no markup as it is. */
function outsideRawText(html: string, change: (markup: string) => string): string {
  const kept: string[] = [];
  const masked = html.replace(rawText, (_, start: string, __, text: string, end: string) => {
    kept.push(text);
    return `${start}\u0000${end}`;
  });
  return change(masked).replace(/\u0000/g, () => kept.shift() ?? "");
}

const withAttributes = (
  html: string,
  change: (all: (readonly [string, string | undefined])[]) => string,
): string =>
  outsideRawText(html, (markup) =>
    markup.replace(startTag, (_, tag: string, written: string, slash: string) => {
      const all = [...written.matchAll(attribute)].map(([, name = "", value]) => [name, value] as const);
      return `<${tag}${change(all)}${slash === "" ? "" : " /"}>`;
    }),
  );

const joined = (all: readonly (readonly [string, string | undefined])[]): string =>
  all.map(([name, value]) => ` ${name}${value === undefined ? "" : `=${value}`}`).join("");

/** The first of two attributes of one name counts: such a page is another one when they are turned round. */
const isRepeated = (all: readonly (readonly [string, string | undefined])[]): boolean =>
  new Set(all.map(([name]) => name.toLowerCase())).size < all.length;

/** Colours of values in another notation; an id before a block is none. */
const inRgb = (css: string): string =>
  css.replace(/#([0-9a-f]{3}|[0-9a-f]{6})\b(?![^;{}"']*\{)/gi, (_, digits: string) => {
    const six = digits.length === 3 ? [...digits].map((digit) => digit + digit).join("") : digits;
    const [r, g, b] = [0, 2, 4].map((at) => Number.parseInt(six.slice(at, at + 2), 16));
    return `rgb(${r} ${g} ${b})`;
  });

/** References by id, and where ids are written. */
const references =
  /^(?:id|for|headers|list|form|aria-(?:labelledby|describedby|controls|owns|activedescendant|details|errormessage|flowto)|popovertarget|commandfor)$/i;

const ways: Readonly<Record<string, (html: string) => string>> = {
  "the order of attributes": (html) =>
    withAttributes(html, (all) => joined(isRepeated(all) ? all : [...all].reverse())),
  "the case of names": (html) =>
    outsideRawText(html, (markup) =>
      markup.replace(startTag, (_, tag: string, written: string, slash: string) => {
        const shouted = written.replace(
          attribute,
          (__, name: string, value?: string) =>
            ` ${name.toUpperCase()}${value === undefined ? "" : `=${value}`}`,
        );
        return `<${tag.toUpperCase()}${shouted}${slash === "" ? "" : " /"}>`;
      }),
    ),
  "the kind of quotes": (html) =>
    withAttributes(html, (all) =>
      joined(
        all.map(([name, value]) => [
          name,
          value?.startsWith('"') === true && !value.includes("'") ? `'${value.slice(1, -1)}'` : value,
        ]),
      ),
    ),
  comments: (html) =>
    outsideRawText(html, (markup) =>
      markup.replace(/<\/(?!style|script|textarea|title|option)/gi, "<!-- Slip --></"),
    ),
  "entities for letters": (html) =>
    outsideRawText(html, (markup) =>
      markup.replace(
        />([^<\u0000]*)</g,
        (_, text: string) =>
          `>${text.replace(/[b-y]/g, (letter) => (/[aeiou]/.test(letter) ? `&#${letter.charCodeAt(0)};` : letter))}<`,
      ),
    ),
  "the notation of colours": (html) =>
    withAttributes(html, (all) =>
      joined(
        all.map(([name, value]) => [name, name === "style" && value !== undefined ? inRgb(value) : value]),
      ),
    ).replace(
      /(<style[^>]*>)([\s\S]*?)(<\/style>)/gi,
      (_, start: string, css: string, end: string) => `${start}${inRgb(css)}${end}`,
    ),
  "other ids": (html) => {
    if (/<script|\bon\w+=|href="?#/i.test(html)) return html;
    const renamed = withAttributes(html, (all) =>
      joined(
        all.map(([name, value]) => [
          name,
          references.test(name) && value !== undefined && !/^["']?\s*["']?$/.test(value)
            ? `"${value
                .replace(/^["']|["']$/g, "")
                .split(/\s+/)
                .map((id) => (id === "" ? id : `${id}${id}`))
                .join(" ")}"`
            : value,
        ]),
      ),
    );
    return renamed.replace(
      /(<style[^>]*>)([\s\S]*?)(<\/style>)/gi,
      (_, start: string, css: string, end: string) =>
        `${start}${css.replace(/#([a-z][\w-]*)(?=[^;{}]*\{)/gi, "#$1$1")}${end}`,
    );
  },
};

/** What is found, apart from words and places: the check, how sure it is, and the element among all. */
const found = (html: string): readonly string[] => {
  const scene = sceneOf(html);
  return runChecks(scene, catalogue, ["failed", "cantTell"]).findings.map(
    ({ check, outcome, element }) =>
      `${outcome} ${check} ${element.tag} ${scene.page.index.elements.indexOf(element)}`,
  );
};

describe.each(Object.entries(ways))("%s must not matter", (_, change) => {
  test("on any page that shows a check", () => {
    const differing = pages.flatMap((html) => {
      const changed = change(html);
      const [before, after] = [found(html), changed === html ? null : found(changed)];
      return after === null || before.join("\n") === after.join("\n")
        ? []
        : [{ html, changed, before, after }];
    });
    expect(differing).toEqual([]);
  });
});
