import type { ElementNode, Node } from "../../document/node.ts";
import { attributeText, writtenText } from "../../document/written.ts";
import { type Change, renameElement, setAttribute, wrap } from "../../repair/change.ts";
import type { Scene } from "../../scene/scene.ts";
import { elementsInside } from "../exposed.ts";
import { skipLinks } from "../keys/skip-link.ts";

/** Words in class or id by which authors call the main part. */
const calledMain = /^(?:main|content|page|maincontent|main-content|primary|wrapper|container)$/i;

/** The element that is called the main part; null for none. */
export const calledMainIn = (scene: Scene, body: ElementNode): ElementNode | null =>
  [...elementsInside(scene, body)].find((e) =>
    calledMain.test(attributeText(e, "id") ?? attributeText(e, "class")?.split(/\s+/)[0] ?? ""),
  ) ?? null;

/** What stands before and after the main part. */
const before = new Set(["banner", "navigation", "search", "complementary"]);
const after = new Set(["contentinfo", "navigation", "complementary", "dialog", "alertdialog"]);
const unseen = new Set(["script", "style", "template", "noscript", "link"]);

/** The changes that mark the main part of a page; null where it does not stand together. */
export function mainMarked(scene: Scene, id: string | null): readonly Change[] | null {
  const body = scene.page.index.byTag("body")[0];
  if (body === undefined) return null;
  const holdsFrame = (element: ElementNode) =>
    [...elementsInside(scene, element)].some((inside) =>
      /^(?:banner|contentinfo|navigation)$/.test(scene.role(inside).role ?? ""),
    );
  const meant = calledMainIn(scene, body);
  if (meant?.tag === "div" && !meant.attributes.has("role") && !holdsFrame(meant)) {
    const isNamed = id === null || attributeText(meant, "id") === id;
    if (isNamed || attributeText(meant, "id") === null)
      return [
        renameElement(meant, "main"),
        ...(isNamed || id === null ? [] : [setAttribute(meant, "id", id)]),
      ];
  }
  const skips = new Set<Node>(skipLinks(scene));
  const nodes = body.children.filter(
    (node) => node.kind === "element" || (node.kind === "text" && writtenText(node.value).trim() !== ""),
  );
  const isRole = (node: Node, roles: ReadonlySet<string>) =>
    node.kind === "element" && (unseen.has(node.tag) || roles.has(scene.role(node).role ?? ""));
  const isOutside = (node: Node) => skips.has(node) || [...skips].some((skip) => isIn(scene, skip, node));
  let from = 0;
  let to = nodes.length - 1;
  while (
    from <= to &&
    (isRole(nodes[from] as Node, before) || isOutside(nodes[from] as Node) || isMenu(nodes[from] as Node))
  )
    from++;
  while (to >= from && isRole(nodes[to] as Node, after)) to--;
  const middle = nodes.slice(from, to + 1);
  const [first, last] = [middle[0], middle.at(-1)];
  const isPlain = middle.every((node) =>
    node.kind === "element"
      ? !/^(?:banner|contentinfo)$/.test(scene.role(node).role ?? "") && !isOutside(node)
      : true,
  );
  if (first === undefined || last === undefined || !isPlain) return null;
  if (
    (first.kind !== "element" && first.kind !== "text") ||
    (last.kind !== "element" && last.kind !== "text")
  )
    return null;
  // A menu that is only called one would stand in no landmark then.
  const menus = nodes
    .slice(0, from)
    .filter((node): node is ElementNode => node.kind === "element" && node.tag === "div" && isMenu(node));
  return [
    wrap(first, last, { tag: "main", attributes: id === null ? {} : { id } }),
    ...menus.filter((menu) => !menu.attributes.has("role")).map((menu) => renameElement(menu, "nav")),
  ];
}

const isIn = (scene: Scene, inside: Node, around: Node): boolean => {
  if (inside.kind !== "element") return false;
  for (let up = scene.page.index.parent(inside); up !== null; up = scene.page.index.parent(up))
    if (up === around) return true;
  return false;
};

const calledMenu = /\b(?:nav|navi|navbar|navigation|menu|topnav|sidebar|header|masthead|breadcrumbs?)\b/i;

/** A box that is called a menu, and is not told as one. */
const isMenu = (node: Node): boolean =>
  node.kind === "element" &&
  calledMenu.test(`${attributeText(node, "class") ?? ""} ${attributeText(node, "id") ?? ""}`);
