import { inputType } from "../document/form-controls.ts";
import { textContent } from "../document/text-content.ts";
import { attributeText, attributeToken, hasAttribute } from "../document/written.ts";
import type { Scene } from "../scene/scene.ts";
import { exposedByRole, exposedByTag, isShown, sureStops } from "./exposed.ts";
import { endlessAnimations } from "./motion/animations.ts";
import { scriptsMay } from "./scripts.ts";

const factNames = [
  "pages",
  "describedImages",
  "decorativeImages",
  "videos",
  "videosWithoutCaptions",
  "videosWithDescriptions",
  "audios",
  "fields",
  "personalFields",
  "forms",
  "links",
  "headings",
  "stops",
  "tables",
  "texts",
  "frames",
  "scripted",
  "animated",
  "draggable",
  "passwords",
  "liveRegions",
  "stickyParts",
  "withLanguage",
] as const;

export type FactName = (typeof factNames)[number];

/** How much there is on a page of what only a person can judge. Counts, so that those of several pages add up. */
export type PageFacts = Readonly<Record<FactName, number>>;

/** A page that has one of everything. */
export const oneOfEach = Object.fromEntries(factNames.map((name) => [name, 1])) as PageFacts;

/** Words in names of fields that ask about the person who fills them in. WCAG 2.2 §7, "input purposes". */
const personal =
  /\b(?:first ?name|last ?name|surname|full ?name|your name|e-?mail|phone|telephone|mobile|address|street|post ?code|postal|zip|city|town|country|birthday|date of birth|card number|username)\b/i;

/** Counts on one page what questions for a person are about. */
export function pageFacts(scene: Scene): PageFacts {
  const { index, styles } = scene.page;
  const images = exposedByRole(scene, "image", "graphics-document", "graphics-symbol");
  const videos = index.byTag("video").filter((video) => isShown(scene, video));
  const hasTrack = (kind: RegExp) => (video: (typeof videos)[number]) =>
    index
      .childElements(video)
      .some((child) => child.tag === "track" && kind.test(attributeToken(child, "kind") ?? "subtitles"));
  const fields = exposedByRole(
    scene,
    "textbox",
    "searchbox",
    "combobox",
    "listbox",
    "spinbutton",
    "checkbox",
    "radio",
    "slider",
    "switch",
  );
  const pinned = styles.declares("position")
    ? index.elements.filter(
        (element) =>
          /^(?:fixed|sticky)$/.test(styles.keyword(element, "position") ?? "") &&
          isShown(scene, element) &&
          textContent(element) !== "",
      ).length
    : 0;
  return {
    pages: scene.document.kind === "document" ? 1 : 0,
    describedImages: images.filter((image) => scene.name(image).text !== "").length,
    decorativeImages: index
      .byTag("img")
      .filter((image) => attributeText(image, "alt") === "" && isShown(scene, image)).length,
    videos: videos.length,
    videosWithoutCaptions: videos.filter((video) => !hasTrack(/^(?:captions|subtitles)$/)(video)).length,
    videosWithDescriptions: videos.filter(hasTrack(/^descriptions$/)).length,
    audios: index.byTag("audio").length,
    fields: fields.length,
    personalFields: fields.filter(
      (field) => !hasAttribute(field, "autocomplete") && personal.test(scene.name(field).text),
    ).length,
    forms: [...exposedByTag(scene, "form")].length,
    links: exposedByRole(scene, "link").length,
    headings: exposedByRole(scene, "heading").length,
    stops: sureStops(scene).length,
    tables: exposedByRole(scene, "table", "grid", "treegrid").length,
    texts: index.byTag("body").some((body) => textContent(body) !== "") ? 1 : 0,
    frames: index.byTag("iframe").filter((frame) => isShown(scene, frame)).length,
    scripted:
      scriptsMay(scene, /\S/) ||
      index.elements.some((element) => element.listeners !== "unknown" && element.listeners.size > 0)
        ? 1
        : 0,
    animated: endlessAnimations(scene).size,
    draggable: index.elements.filter((element) => attributeToken(element, "draggable") === "true").length,
    passwords: index.byTag("input").filter((input) => inputType(input) === "password").length,
    liveRegions: exposedByRole(scene, "alert", "status", "log", "timer").length,
    stickyParts: pinned,
    withLanguage: index.byTag("html").filter((html) => hasAttribute(html, "lang")).length,
  };
}

/** The facts of several pages together. */
export const addFacts = (a: PageFacts, b: PageFacts): PageFacts =>
  Object.fromEntries(
    (Object.keys(a) as (keyof PageFacts)[]).map((key) => [key, a[key] + b[key]]),
  ) as unknown as PageFacts;
