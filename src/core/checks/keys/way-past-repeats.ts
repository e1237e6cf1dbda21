import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, elementsInside, exposedByRole, sureStops } from "../exposed.ts";
import { mainMarked } from "../structure/main-part.ts";
import { fragmentTarget, skipLinks } from "./skip-link.ts";

/** How many links in one place make a menu that it is worth to have a way past. */
const MENU = 5;

/** Words in class or id by which authors call what stands on every page. */
const calledMenu = /\b(?:nav|navi|navbar|navigation|menu|topnav|sidebar|header|masthead|breadcrumbs?)\b/i;

const judgedAt = (scene: Scene): readonly ElementNode[] => scene.page.index.byTag("body").slice(0, 1);

function judge(_: ElementNode, scene: Scene): Verdict {
  if (exposedByRole(scene, "heading").length > 0) return passed;
  const landmarks = exposedByRole(scene, "main", "navigation", "complementary", "region", "search");
  if (landmarks.length > 0) return passed;
  const skips = skipLinks(scene);
  if (skips.some((link) => arrives(scene, link))) return passed;
  const stops = sureStops(scene);
  const menu = menuAtTop(
    scene,
    stops.filter((stop) => !skips.includes(stop)),
  );
  if (menu === null) return inapplicable;
  const links = [...elementsInside(scene, menu)].filter((e) => e.tag === "a").length;
  const summary =
    "Put the content into <main>, and give it headings; a skip link at the top helps those who see and use the keyboard.";
  const lost = skips
    .map((link) => attributeText(link, "href")?.trim().slice(1) ?? "")
    .find((id) => id !== "");
  const changes = mainMarked(scene, lost ?? null);
  const repair = changes === null ? ask(summary) : withChanges("likely", summary, changes);
  const details = { facts: { links } };
  const isNamedMenu = calledMenu.test(
    `${attributeText(menu, "class") ?? ""} ${attributeText(menu, "id") ?? ""}`,
  );
  return isNamedMenu || skips.length > 0
    ? failed(
        `Nothing leads past the ${links} links at the top: no skip link that arrives, no heading, no landmark.`,
        repair,
        details,
      )
    : cantTell(
        `Do the ${links} links at the top stand on other pages too? Nothing leads past them: no skip link, no heading, no landmark.`,
        repair,
        details,
      );
}

const arrives = (scene: Scene, link: ElementNode): boolean => {
  const target = fragmentTarget(scene, link);
  return target !== null && target !== "top";
};

/** The nearest element around the first stops of the page that holds enough links to be a menu, and not the whole page. */
function menuAtTop(scene: Scene, stops: readonly ElementNode[]): ElementNode | null {
  const first = stops.slice(0, MENU);
  if (first.length < MENU || first.some((stop) => stop.tag !== "a")) return null;
  const [start] = first;
  if (start === undefined) return null;
  for (const up of elementsAround(scene, start)) {
    if (up.tag === "body") return null;
    const around = new Set(elementsInside(scene, up));
    if (first.every((stop) => around.has(stop))) return hasMoreAfter(scene, up) ? up : null;
  }
  return null;
}

/** Whether more content follows: a page that is nothing but links has nothing to skip to. */
function hasMoreAfter(scene: Scene, element: ElementNode): boolean {
  const { parent, root } = scene.page.index.record(element);
  return scene.page.index.childElements(parent ?? root).at(-1) !== element;
}

export const wayPastRepeats = {
  id: "keys.way-past-repeats",
  kind: "page",
  isAboutKeys: true,
  criteria: ["2.4.1"],
  severity: "barrier",
  means: "A skip link, a landmark or a heading leads past what stands on every page.",
  who: "Someone who uses the keyboard or a screen reader goes through the whole menu again on every page.",
  mend: "Mark the content with <main> and headings, and begin the page with a link to it.",
  pageOnly: true,
  looksAt: judgedAt,
  judge,
  examples: [
    {
      html: `<!doctype html><title>t</title><div class="menu"><a href="a">A</a><a href="b">B</a><a href="c">C</a><a href="d">D</a><a href="e">E</a></div><main>x</main>`,
      finds: [],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><div class="menu"><a href="a">A</a><a href="b">B</a></div><p>x</p>`,
      finds: [],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><a href="#c">Skip</a><div class="menu"><a href="a">A</a><a href="b">B</a><a href="c">C</a><a href="d">D</a><a href="e">E</a></div><p id="c">x</p>`,
      finds: [],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><div class="menu"><a href="a">A</a><a href="b">B</a><a href="c">C</a><a href="d">D</a><a href="e">E</a></div><p>x</p>`,
      finds: [
        [
          "failed",
          "<body>",
          "Nothing leads past the 5 links at the top: no skip link that arrives, no heading, no landmark.",
        ],
      ],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><p><a href="a">A</a><a href="b">B</a><a href="c">C</a><a href="d">D</a><a href="e">E</a></p><p>x</p>`,
      finds: [
        [
          "cantTell",
          "<body>",
          "Do the 5 links at the top stand on other pages too? Nothing leads past them: no skip link, no heading, no landmark.",
        ],
      ],
      others: 2,
    },
  ],
} as const satisfies PageCheck;
