import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import type { Scene } from "../../scene/scene.ts";

/** Pseudo-elements that show text, each with what its text is called. CSS Pseudo-Elements 4. */
const pseudoTexts: readonly {
  readonly pseudo: string;
  readonly called: string;
  /** Whether it shows words at an element; `hasWords` tells whether the element has words of its own. */
  readonly shows: (scene: Scene, element: ElementNode, hasWords: boolean) => boolean;
}[] = [
  {
    pseudo: "before",
    called: "the text of ::before",
    shows: (scene, element) => adds(scene, element, "before"),
  },
  {
    pseudo: "after",
    called: "the text of ::after",
    shows: (scene, element) => adds(scene, element, "after"),
  },
  { pseudo: "marker", called: "the marker of this item", shows: isNumbered },
  { pseudo: "first-line", called: "the first line of this text", shows: isBlockOfWords },
  { pseudo: "first-letter", called: "the first letter of this text", shows: isBlockOfWords },
  { pseudo: "selection", called: "this text, while selected,", shows: (_, __, hasWords) => hasWords },
];

/** The pseudo-elements that a rule of the page styles at an element, and that show words there. */
export const pseudoTextsOf = (scene: Scene, element: ElementNode, hasWords: boolean) =>
  element.namespace !== "html"
    ? []
    : pseudoTexts.filter(
        ({ pseudo, shows }) =>
          scene.page.styles.likeness({ element, pseudo }) !== null && shows(scene, element, hasWords),
      );

const keywordOf = ({ page }: Scene, element: ElementNode, pseudo: string, property: string): string =>
  page.styles.pseudoValue(element, pseudo, property)?.text ?? "";

/** Whether `content` puts words beside those of the element. CSS Generated Content 3 §2. */
function adds(scene: Scene, element: ElementNode, pseudo: string): boolean {
  const value = (property: string) => keywordOf(scene, element, pseudo, property);
  if (value("display") === "none" || value("visibility") === "hidden" || value("font-size").startsWith("0"))
    return false;
  // Letters of a font of pictures are pictures.
  if (/icon|symbol|glyph|awesome/i.test(value("font-family"))) return false;
  const content = value("content").replace(/\battr\(\s*([\w-]+)[^)]*\)/gi, (_, name: string) =>
    JSON.stringify(attributeText(element, name) ?? ""),
  );
  return [...content.matchAll(/"((?:[^"\\]|\\.)*)"|'((?:[^'\\]|\\.)*)'/g)].some(([, double, single]) =>
    /[\p{L}\p{N}]{2}/u.test((double ?? single ?? "").replace(/\\[0-9a-f]{1,6}\s?|\\./gi, "")),
  );
}

function isNumbered(scene: Scene, element: ElementNode): boolean {
  const { styles } = scene.page;
  if (styles.keyword(element, "display") !== "list-item") return false;
  const content = keywordOf(scene, element, "marker", "content");
  if (content !== "" && content !== "normal") return /["'][^"']*[\p{L}\p{N}]/u.test(content);
  const type = styles.keyword(element, "list-style-type") ?? "disc";
  return !/^(?:none|disc|circle|square|disclosure-\w+)$/.test(type);
}

function isBlockOfWords(scene: Scene, element: ElementNode, hasWords: boolean): boolean {
  return hasWords && !/^(?:inline|contents)$/.test(scene.page.styles.keyword(element, "display") ?? "inline");
}
