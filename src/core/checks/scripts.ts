import { NO } from "../css/certainty.ts";
import type { ElementNode } from "../document/node.ts";
import { textContent } from "../document/text-content.ts";
import { attributeText, writtenText } from "../document/written.ts";
import { keptForScene } from "../scene/kept.ts";
import type { Scene } from "../scene/scene.ts";

interface Scripts {
  /** Whether some script is in a file that is not read. */
  readonly elsewhere: boolean;
  readonly text: string;
}

/** Types of script that run. HTML §4.12.1; others are blocks of data. */
const runs = /^(?:|module|(?:text|application)\/(?:x-)?(?:java|ecma)script.*)$/i;

const scriptsOf = keptForScene((scene): Scripts => {
  const scripts = scene.page.index
    .byTag("script")
    .filter((script) => runs.test(attributeText(script, "type")?.trim() ?? ""));
  return {
    elsewhere:
      scripts.some((script) => script.attributes.has("src") || script.attributes.has("href")) ||
      scene.document.kind === "fragment",
    text: scripts.map(textContent).join("\n"),
  };
});

/** The scripts written in the page, one after another. */
export const scriptTextOf = (scene: Scene): string => scriptsOf(scene).text;

/** Whether the page shows nothing until scripts fill it: what it says of itself then is theirs too. */
export const isFilledByScripts = keptForScene((scene): boolean => {
  const { elsewhere, text } = scriptsOf(scene);
  if (!elsewhere && text.trim() === "") return false;
  const shown = scene.page.index.elements.filter((element) => scene.presence.of(element).visible !== NO);
  return !shown.some(
    ({ tag, children }) =>
      showsByItself.has(tag) ||
      (!isCode.has(tag) &&
        children.some((child) => child.kind === "text" && writtenText(child.value).trim() !== "")),
  );
});

const showsByItself = new Set(
  "img svg picture video audio canvas iframe object embed input select textarea".split(" "),
);
const isCode = new Set(["script", "style", "title", "noscript", "template"]);

/**
 * Whether the page does anything as far as source shows: it has handlers, or scripts of its own. One that has neither is
 * perhaps brought to life by something that is not here, and what it lacks proves nothing.
 */
export const isAlive = keptForScene(
  (scene): boolean =>
    scriptsOf(scene).text.trim() !== "" ||
    scene.page.index.elements.some(({ listeners }) => listeners === "unknown" || listeners.size > 0),
);

/** Whether an empty element is one that scripts may fill: they can find it, by its id or by what templates bind. */
export const mayBeFilled = (scene: Scene, element: ElementNode): boolean => {
  const { elsewhere, text } = scriptsOf(scene);
  if (scene.document.kind !== "document" || (!elsewhere && text.trim() === "")) return false;
  if (textContent(element) !== "" || element.children.some(({ kind }) => kind === "element")) return false;
  const id = attributeText(element, "id");
  return (
    (id !== null && (elsewhere || text.includes(id))) ||
    [...element.attributes.keys()].some((name) => /^(?:data-|v-|x-|ng-|:)/.test(name))
  );
};

/** Whether some script of the page may do what the words stand for; source of other files is not known. */
export const scriptsMay = (scene: Scene, words: RegExp): boolean => {
  const { elsewhere, text } = scriptsOf(scene);
  return elsewhere || words.test(text);
};
