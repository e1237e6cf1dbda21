import { nearestWord } from "../../document/nearest-word.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { cantTell, failed, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { exposedByRole } from "../exposed.ts";
import { freshId } from "../fresh-id.ts";
import { idOf } from "../names/label-edits.ts";
import { scriptsMay } from "../scripts.ts";
import { mainMarked } from "../structure/main-part.ts";
import { fragmentTarget, saysSo, skipLinks } from "./skip-link.ts";

function judge(link: ElementNode, scene: Scene): Verdict {
  const href = attributeText(link, "href")?.trim() ?? "";
  // A page with landmarks or headings has another way past; the dead link is then no more than that.
  const otherWay = exposedByRole(scene, "main").length > 0 || exposedByRole(scene, "heading").length > 0;
  const details = {
    facts: { href },
    criteria: otherWay ? ([] as const) : (["2.4.1"] as const),
    ...pointingAt(link, "href"),
  };
  const target = fragmentTarget(scene, link);
  if (target === "top" && href === "#")
    return scriptsMay(scene, /\.focus\s*\(/)
      ? cantTell(
          "This skip link has no address of its own. Does a script move focus when it is used?",
          ask('Point it at the content: href="#content".'),
          details,
        )
      : failed(
          "This skip link leads to the top of the page, where one is already.",
          pointedAtMain(scene, link),
          details,
        );
  if (target !== null && target !== "top") {
    const { visible } = scene.presence.of(target);
    return visible === 0 && target.tag !== "a"
      ? cantTell(
          `The skip link leads to "${href.slice(1)}", which is hidden. Is it shown when one gets there?`,
          ask("Point it at content that is shown."),
          details,
        )
      : passed;
  }
  if (target === "top") return passed;
  if (!saysSo(scene, link))
    return cantTell(
      `Is this link meant to lead past what repeats? It names "${href.slice(1)}", and nothing here has that id.`,
      ask(`Give the content that it leads to id="${href.slice(1)}".`),
      details,
    );
  const main = exposedByRole(scene, "main")[0];
  const mainId = main === undefined ? null : attributeText(main, "id");
  const ids = scene.page.index.elements.flatMap((element) => attributeText(element, "id") ?? []);
  const meant = mainId ?? nearestWord(href.slice(1), ids);
  return failed(
    `The skip link leads to "${href.slice(1)}", and nothing here has that id: it does nothing.`,
    meant !== null
      ? withChanges("likely", `Point it at "${meant}".`, [setAttribute(link, "href", `#${meant}`)])
      : main !== undefined
        ? withChanges("likely", `Give the main content id="${href.slice(1)}".`, [
            setAttribute(main, "id", href.slice(1)),
          ])
        : orMain(scene, href.slice(1)),
    details,
  );
}

/** The content is marked as the main part, with the id that the link names. */
function orMain(scene: Scene, id: string): Repair {
  const summary = `Give the start of the content id="${id}".`;
  const changes = mainMarked(scene, id);
  return changes === null ? ask(summary) : withChanges("likely", summary, changes);
}

/** The link is pointed at the main part, which is given an id where it has none. */
function pointedAtMain(scene: Scene, link: ElementNode): Repair {
  const summary = 'Point it at the content: href="#content", and give the content that id.';
  const [main] = exposedByRole(scene, "main");
  if (main === undefined) {
    const id = freshId(scene, link, "content");
    const changes = mainMarked(scene, id);
    return changes === null
      ? ask(summary)
      : withChanges("likely", summary, [setAttribute(link, "href", `#${id}`), ...changes]);
  }
  const { id, changes } = idOf(scene, main, "content");
  return withChanges("likely", summary, [setAttribute(link, "href", `#${id}`), ...changes]);
}

export const skipArrives = {
  id: "keys.skip-arrives",
  kind: "page",
  isAboutKeys: true,
  surroundings: "page",
  criteria: ["2.4.1"],
  severity: "barrier",
  means: "A skip link leads to content that is there.",
  who: "Someone who uses the keyboard presses it, stays where they are, and goes through every link of the menu after all.",
  mend: "Give the content the id that the link names.",
  looksAt: skipLinks,
  judge,
  examples: [
    { html: `<a href="#content">Skip to content</a><main id="content">x</main>`, finds: [] },
    { html: `<a href="#top">Skip to top</a>`, finds: [] },
    {
      html: `<!doctype html><html lang="de"><title>t</title><a href="#inhallt">Zum Inhalt</a><nav><a href="a">Boote</a></nav><main id="inhalt">x</main>`,
      finds: [
        [
          "cantTell",
          `<a href="#inhallt">`,
          `Is this link meant to lead past what repeats? It names "inhallt", and nothing here has that id.`,
        ],
      ],
    },
    { html: `<a href="#here"></a>`, finds: [], others: 1 },
    {
      html: `<!doctype html><title>t</title><a href="#!">Brackwater</a> <a href="#/slips">Slips</a>`,
      finds: [],
      others: 2,
    },
    {
      html: `<a href="#content">Skip to content</a><main id="main">x</main>`,
      finds: [
        [
          "failed",
          `<a href="#content">`,
          `The skip link leads to "content", and nothing here has that id: it does nothing.`,
        ],
      ],
    },
    {
      html: `<!doctype html><title>t</title><a href="#">Skip navigation</a>`,
      finds: [
        ["failed", `<a href="#">`, "This skip link leads to the top of the page, where one is already."],
      ],
      others: 2,
    },
    {
      html: `<a href="#content">Skip to content</a><main>x</main>`,
      finds: [
        [
          "failed",
          `<a href="#content">`,
          `The skip link leads to "content", and nothing here has that id: it does nothing.`,
        ],
      ],
    },
    {
      html: `<a href="#m">Skip to content</a><main id="m" hidden>x</main>`,
      finds: [
        [
          "cantTell",
          `<a href="#m">`,
          `The skip link leads to "m", which is hidden. Is it shown when one gets there?`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
