import { elementsMatching } from "../css/elements-matching.ts";
import type { ElementNode } from "../document/node.ts";
import { keptForScene } from "../scene/kept.ts";
import type { Scene } from "../scene/scene.ts";
import { scriptTextOf } from "./scripts.ts";

/** Something that a script in the page does when an event happens. */
export interface ScriptListener {
  readonly event: string;
  /** Where it listens; `unknown` where the script finds the place in another way. */
  readonly on: readonly ElementNode[] | "page" | "unknown";
  /** What it does, as written; functions by name are looked up. */
  readonly code: string;
}

const FIND = String.raw`\bdocument\s*\.\s*(getElementById|querySelector|querySelectorAll)\(\s*(["'])((?:(?!\2).)+)\2\s*\)`;
const LISTEN = /(?:\?\.|\.)\s*(?:on([a-z]+)\s*=(?!=)\s*|addEventListener\(\s*["']([a-z]+)["']\s*,\s*)/g;
const NAME = /(?<![\w$.\])])([\w$]+)\s*$/;

/** The listeners that the scripts written in the page add to it: to what they find by id or selector, and call by a name. */
export const scriptListeners = keptForScene((scene: Scene): readonly ScriptListener[] => {
  const text = scriptTextOf(scene);
  if (text.trim() === "") return [];
  return [...text.matchAll(LISTEN)].map((match) => {
    const before = text.slice(0, match.index).trimEnd();
    return {
      event: match[1] ?? match[2] ?? "",
      on: placeOf(scene, text, before),
      code: codeFrom(text, match.index + match[0].length),
    };
  });
});

function placeOf(scene: Scene, text: string, before: string): ScriptListener["on"] {
  const found = new RegExp(`${FIND}$`).exec(before);
  if (found !== null) return foundBy(scene, found);
  const name = NAME.exec(before)?.[1];
  if (name === undefined) return "unknown";
  if (/^(?:document|window|globalThis|self|body)$/.test(name)) return "page";
  const written = name.replaceAll("$", String.raw`\$`);
  const declared = [
    ...text.matchAll(new RegExp(String.raw`\b(?:const|let|var)\s+${written}\s*=\s*${FIND}`, "g")),
    ...text.matchAll(new RegExp(String.raw`\bfor\s*\(\s*(?:const|let|var)\s+${written}\s+of\s+${FIND}`, "g")),
    ...text.matchAll(
      new RegExp(String.raw`${FIND}\s*\.\s*forEach\(\s*(?:function\s*)?\(?\s*${written}\s*[,)=]`, "g"),
    ),
  ];
  // A list's own name, and names that are given twice, may stand for anything.
  const [only] = declared;
  return only === undefined || declared.length > 1 ? "unknown" : foundBy(scene, only);
}

function foundBy(scene: Scene, [, way = "", , words = ""]: RegExpMatchArray): ScriptListener["on"] {
  const { index } = scene.page;
  const selector = way === "getElementById" ? `[id="${words.replaceAll('"', String.raw`\"`)}"]` : words;
  const elements = elementsMatching(index, [scene.document], selector);
  if (elements === null) return "unknown";
  return way === "querySelectorAll" ? elements : elements.slice(0, 1);
}

/** What stands from a place to the end of its argument or statement; of a function called by name, that function. */
function codeFrom(text: string, start: number): string {
  const code = balanced(text, start);
  const name = /^[\w$]+$/.exec(code.trim())?.[0];
  if (name === undefined) return code;
  const written = name.replaceAll("$", String.raw`\$`);
  const definition = new RegExp(
    String.raw`\bfunction\s+${written}\s*\(|\b(?:const|let|var)\s+${written}\s*=`,
  ).exec(text);
  return definition === null ? code : balanced(text, definition.index, "}");
}

/** The text up to where its brackets close: at a comma, semicolon or line end outside all of them, or after a last bracket. */
function balanced(text: string, start: number, last = ""): string {
  let depth = 0;
  for (let i = start; i < text.length; i++) {
    const c = text.charAt(i);
    if ("([{".includes(c)) depth++;
    else if (")]}".includes(c)) {
      if (depth === 0) return text.slice(start, i);
      depth--;
      if (depth === 0 && c === last) return text.slice(start, i + 1);
    } else if (depth === 0 && (c === ";" || c === "," || (c === "\n" && last === "")))
      return text.slice(start, i);
  }
  return text.slice(start);
}
