import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { askWords, BLANK } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, exposedByRole } from "../exposed.ts";
import { speakable } from "../shown-name.ts";
import { wordsFrom } from "../words-from.ts";
import { linkContext } from "./link-context.ts";

/** Links of one name that lead to different places, by name; the first of each place. */
const sameNames = keptForScene((scene): ReadonlyMap<ElementNode, readonly ElementNode[]> => {
  const byName = new Map<string, Map<string, ElementNode>>();
  for (const link of exposedByRole(scene, "link")) {
    const name = scene.name(link);
    const text = speakable(name.text).toLowerCase();
    const href = attributeText(link, "href")?.trim() ?? "";
    if (!name.certain || (text.match(/\p{L}/gu)?.length ?? 0) < 3) continue;
    // What is done here, or nowhere yet, is not told apart by where it leads.
    if (href === "" || href === "#" || /^(?:javascript|mailto|tel):/i.test(href)) continue;
    const places = byName.get(text) ?? new Map<string, ElementNode>();
    byName.set(text, places);
    if (!places.has(href)) places.set(href, link);
  }
  const found = new Map<ElementNode, readonly ElementNode[]>();
  for (const places of byName.values()) {
    const links = [...places.values()];
    if (links.length > 1) for (const link of links) found.set(link, links);
  }
  return found;
});

/** The heading that stands before each link: the part of the page it is in. */
const partOf = keptForScene((scene): ReadonlyMap<ElementNode, ElementNode> => {
  const { index } = scene.page;
  const headings = exposedByRole(scene, "heading");
  const found = new Map<ElementNode, ElementNode>();
  let before = 0;
  for (const link of exposedByRole(scene, "link")) {
    const { order } = index.record(link);
    while (before < headings.length && index.record(headings[before] as ElementNode).order < order) before++;
    const heading = headings[before - 1];
    if (heading !== undefined) found.set(link, heading);
  }
  return found;
});

/** Links of one name, looked at together. */
interface Namesakes {
  readonly links: readonly ElementNode[];
  /** How many say the same around the link, in the same part of the page; null where source does not give it. */
  readonly alike: ReadonlyMap<ElementNode, number> | null;
  readonly areBare: boolean;
}

const lookedAt = keptForScene((): WeakMap<readonly ElementNode[], Namesakes> => new WeakMap());

function namesakesOf(scene: Scene, links: readonly ElementNode[]): Namesakes {
  const known = lookedAt(scene).get(links);
  if (known !== undefined) return known;
  const contexts = links.map((link) => linkContext(scene, link));
  const keys = links.map((link, index) => {
    const part = partOf(scene).get(link);
    return `${part === undefined ? "" : scene.page.index.record(part).order} ${contexts[index]}`;
  });
  const counts = new Map<string, number>();
  for (const key of keys) counts.set(key, (counts.get(key) ?? 0) + 1);
  const namesakes: Namesakes = {
    links,
    alike: contexts.includes(null)
      ? null
      : new Map(links.map((link, index) => [link, counts.get(keys[index] ?? "") ?? 1])),
    areBare: contexts.every((context) => context === "") && standBare(scene, links),
  };
  lookedAt(scene).set(links, namesakes);
  return namesakes;
}

function judge(link: ElementNode, scene: Scene): Verdict {
  const { links, alike, areBare } = namesakesOf(scene, sameNames(scene).get(link) ?? []);
  if (alike === null) return inapplicable;
  if (alike.get(link) === 1) return passed;
  const name = speakable(scene.name(link).text);
  const repair = askWords(
    `Add what sets it apart: "${name}: …", or aria-label="${name}, …" that begins with the words one sees.`,
    "Name of the link, beginning with the words one sees",
    [name, wordsFrom(attributeText(link, "href"))].filter((words) => words !== "").join(", "),
    [setAttribute(link, "aria-label", BLANK)],
    `${name}, words given here`,
  );
  const href = (of: ElementNode) => attributeText(of, "href") ?? "";
  const details = {
    facts: { name, places: links.slice(0, 4).map(href).join(" ") },
    cause: { kind: "links of one name" as const, of: [name.toLowerCase()] },
  };
  if (areBare)
    return failed(
      `${links.length} links are called "${name}", lead to different places, and nothing beside them tells which is which.`,
      repair,
      details,
    );
  const other = links.find((one) => one !== link);
  return cantTell(
    `Can people tell this "${name}" from the other ${links.length === 2 ? "one" : links.length - 1}, which leads elsewhere (${other === undefined ? "" : href(other)})?`,
    repair,
    details,
  );
}

/** Whether all that is to be read around each link, up to where the others come in, is the link itself. */
function standBare(scene: Scene, links: readonly ElementNode[]): boolean {
  const inLinks = links.reduce((sum, link) => sum + textContent(link).split(/\s+/).length, 0);
  const holders = new Map<ElementNode, number>();
  const wordCounts = new Map<ElementNode, number>();
  const wordsIn = (holder: ElementNode): number => {
    const known = wordCounts.get(holder) ?? textContent(holder).split(/\s+/).length;
    wordCounts.set(holder, known);
    return known;
  };
  for (const link of links)
    for (const up of elementsAround(scene, link)) holders.set(up, (holders.get(up) ?? 0) + 1);
  return links.every((link) => {
    for (const up of elementsAround(scene, link)) {
      if (holders.get(up) === 1) {
        if (textContent(up) !== textContent(link)) return false;
        continue;
      }
      // What the holder of them all says beside them would have to be about each.
      return /^(?:main|body)$/.test(up.tag) || wordsIn(up) <= inLinks;
    }
    return true;
  });
}

export const linksToldApart = {
  id: "names.links-told-apart",
  kind: "page",
  criteria: ["2.4.4"],
  severity: "friction",
  means: "Links of one name lead to one place, or what stands beside them tells them apart.",
  who: "Someone who has the links listed, or hears them one by one, cannot tell which is which.",
  mend: "Say in each what sets it apart.",
  looksAt: (scene: Scene) => sameNames(scene).keys(),
  judge,
  examples: [
    { html: `<a href="a.pdf">Plan</a> <a href="a.pdf">Plan</a>`, finds: [] },
    {
      html: `<ul><li>Crane: <a href="a.pdf">Plan</a></li><li>Fire: <a href="b.pdf">Plan</a></li></ul>`,
      finds: [],
    },
    {
      html: `<table><tr><th>Crane</th><td><a href="a">Plan</a></td></tr><tr><th>Fire</th><td><a href="b">Plan</a></td></tr></table>`,
      finds: [],
    },
    { html: `<h2>Crane</h2><h2>Fire <a href="b">Plan</a></h2><h2>Ice <a href="c">Plan</a></h2>`, finds: [] },
    {
      html: `<div><h3>Crane</h3><a href="a.pdf">Plan</a></div><div><h3>Fire</h3><a href="b.pdf">Plan</a></div>`,
      finds: [],
    },
    {
      html: `<div><div><a href="a.pdf">Plan</a></div><div><a href="b.pdf">Plan</a></div></div>`,
      finds: [
        [
          "failed",
          `<a href="a.pdf">`,
          `2 links are called "Plan", lead to different places, and nothing beside them tells which is which.`,
        ],
        [
          "failed",
          `<a href="b.pdf">`,
          `2 links are called "Plan", lead to different places, and nothing beside them tells which is which.`,
        ],
      ],
    },
    {
      html: `<p>There is a <a href="a.pdf">plan</a> of the crane, and a <a href="b.pdf">plan</a> for fires.</p>`,
      finds: [
        [
          "cantTell",
          `<a href="a.pdf">`,
          `Can people tell this "plan" from the other one, which leads elsewhere (b.pdf)?`,
        ],
        [
          "cantTell",
          `<a href="b.pdf">`,
          `Can people tell this "plan" from the other one, which leads elsewhere (a.pdf)?`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
