import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeTokens } from "../../document/written.ts";
import { failed, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { type Repair, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, isExposed } from "../exposed.ts";
import { freshId } from "../fresh-id.ts";

/** Attributes that refer to one or several ids. HTML, WAI-ARIA 1.2 §6.2.4. */
const references = [
  "for",
  "headers",
  "list",
  "form",
  "popovertarget",
  "aria-labelledby",
  "aria-describedby",
  "aria-controls",
  "aria-owns",
  "aria-activedescendant",
  "aria-details",
  "aria-errormessage",
  "aria-flowto",
] as const;

/** Every id that something exposed refers to, with the attribute that does. */
const referredIds = keptForScene((scene: Scene): ReadonlyMap<string, string> => {
  const found = new Map<string, string>();
  for (const element of scene.page.index.elements) {
    if (element.attributes.size === 0) continue;
    for (const attribute of references) {
      if (!element.attributes.has(attribute) || (!isExposed(scene, element) && element.tag !== "label"))
        continue;
      for (const id of attributeTokens(element, attribute)) if (!found.has(id)) found.set(id, attribute);
    }
  }
  return found;
});

/** The later ones of elements that share an id which something refers to: references reach only the first. */
function* repeated(scene: Scene): Iterable<ElementNode> {
  const { repeatedIds } = scene.page.index;
  if (repeatedIds.length === 0) return;
  const referred = referredIds(scene);
  for (const { id, elements } of repeatedIds)
    if (referred.has(id))
      yield* elements.slice(1).filter((element) => scene.presence.of(element).rendered !== 0);
}

function judge(element: ElementNode, scene: Scene): Verdict {
  const id = attributeText(element, "id") ?? "";
  const { index } = scene.page;
  const [first] = index.allWithId(index.record(element).root, id);
  const attribute = referredIds(scene).get(id);
  if (first === undefined || attribute === undefined) return passed;
  return failed(
    `The id "${id}" is taken already by a <${first.tag}> before it: ${attribute}="${id}" never reaches this one.`,
    renamed(scene, element, id, first),
    { facts: { id, attribute }, cause: { kind: "id", of: [id] }, ...pointingAt(element, "id") },
  );
}

/** A free id for the later element, and for the references that stand nearer to it than to the first. */
function renamed(scene: Scene, element: ElementNode, id: string, first: ElementNode): Repair {
  const { index } = scene.page;
  const fresh = freshId(scene, element, id);
  const parents = (of: ElementNode) => new Set([of, ...elementsAround(scene, of)]);
  const [mine, theirs] = [parents(element), parents(first)];
  const isMeant = (other: ElementNode) => {
    const shared = [...elementsAround(scene, other)].find((up) => mine.has(up) || theirs.has(up));
    return shared !== undefined && mine.has(shared) && !theirs.has(shared);
  };
  const references_ = index.elements.flatMap((other) => {
    if (other.attributes.size === 0 || other === element) return [];
    const changes = references.flatMap((attribute) => {
      const tokens = attributeTokens(other, attribute);
      return tokens.includes(id)
        ? [setAttribute(other, attribute, tokens.map((token) => (token === id ? fresh : token)).join(" "))]
        : [];
    });
    return changes.length > 0 && isMeant(other) ? changes : [];
  });
  return withChanges(
    "likely",
    "Give this element an id of its own, and use it where this element is meant.",
    [setAttribute(element, "id", fresh), ...references_],
  );
}

export const idsUnique = {
  id: "structure.ids-unique",
  kind: "page",
  criteria: ["4.1.2", "1.3.1"],
  severity: "barrier",
  means: "An id that something refers to occurs once.",
  who: "Someone using assistive technology is told the name or description of another element, because a reference reaches only the first of its id.",
  mend: "Give every element an id of its own.",
  looksAt: repeated,
  judge,
  examples: [
    { html: `<p id="a">x</p><p id="a">y</p>`, finds: [] },
    {
      html: `<label for="a">Beam</label><input id="a"><label for="b">Draught</label><input id="b">`,
      finds: [],
    },
    {
      html: `<label for="a">Beam</label><input id="a"><label for="a">Draught</label><input id="a">`,
      finds: [
        [
          "failed",
          `<input id="a">`,
          `The id "a" is taken already by a <input> before it: for="a" never reaches this one.`,
        ],
      ],
      others: 1,
    },
    {
      html: `<button aria-describedby="n">Haul</button><p id="n">one</p><p id="n">two</p>`,
      finds: [
        [
          "failed",
          `<p id="n">`,
          `The id "n" is taken already by a <p> before it: aria-describedby="n" never reaches this one.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
