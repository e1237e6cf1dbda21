import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { failed, passed, type Verdict } from "../../findings/verdict.ts";
import { type Change, setAttribute } from "../../repair/change.ts";
import { askWords, BLANK, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import { spokenRole } from "../../semantics/heard-line.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { elementsInside, exposedByRole } from "../exposed.ts";
import { idOf } from "./label-edits.ts";

/** Landmarks of which a page may well have several; of the others one is enough, which is for other checks to say. */
const severalOf = [
  "navigation",
  "complementary",
  "region",
  "search",
  "form",
] as const satisfies readonly Role[];

function* severalOfARole(scene: Scene): Iterable<ElementNode> {
  for (const role of severalOf) {
    const same = exposedByRole(scene, role).filter(
      (element) => role !== "form" || scene.name(element).text !== "",
    );
    if (same.length > 1) yield* same;
  }
}

/** The first landmark of each role and name. */
const firstOfName = keptForScene((scene): ReadonlyMap<string, ElementNode> => {
  const found = new Map<string, ElementNode>();
  for (const landmark of severalOfARole(scene)) {
    const key = keyOf(scene, landmark);
    if (key !== null && !found.has(key)) found.set(key, landmark);
  }
  return found;
});

/** Role and name; null where the name is not sure. */
function keyOf(scene: Scene, landmark: ElementNode): string | null {
  const name = scene.name(landmark);
  return name.certain ? `${scene.role(landmark).role} ${name.text.toLowerCase()}` : null;
}

function judge(landmark: ElementNode, scene: Scene): Verdict {
  const role = scene.role(landmark).role as Role;
  const name = scene.name(landmark);
  const key = keyOf(scene, landmark);
  const earlier = key === null ? undefined : firstOfName(scene).get(key);
  if (earlier === undefined || earlier === landmark || sameContent(scene, earlier, landmark)) return passed;
  const word = spokenRole(role, {}, null);
  const heading = [...elementsInside(scene, landmark)].find((e) => scene.role(e).role === "heading");
  const hint = heading === undefined ? "" : `: its heading says "${scene.name(heading).text}"`;
  return failed(
    name.text === ""
      ? `There are several ${word}s, and this one has no name.`
      : `Another ${word} is called "${name.text}" too.`,
    heading === undefined
      ? askWords("Say in aria-label what sets this one apart.", `Name of this ${word}`, "", [
          setAttribute(landmark, "aria-label", BLANK),
        ])
      : withChanges(
          "likely",
          `Say in aria-label what sets this one apart${hint}.`,
          namedBy(scene, landmark, heading),
        ),
    { facts: { role, name: name.text } },
  );
}

/** The landmark is called by its heading. */
function namedBy(scene: Scene, landmark: ElementNode, heading: ElementNode): readonly Change[] {
  const { text } = scene.name(heading);
  // In a component an id is there as often as the component.
  if (scene.document.kind === "component" && !heading.attributes.has("id"))
    return [setAttribute(landmark, "aria-label", text)];
  const { id, changes } = idOf(scene, heading, text);
  return [...changes, setAttribute(landmark, "aria-labelledby", id)];
}

const sameContent = (scene: Scene, a: ElementNode, b: ElementNode): boolean =>
  textContent(a) === textContent(b) &&
  [...elementsInside(scene, a)].filter((e) => e.tag === "a").length ===
    [...elementsInside(scene, b)].filter((e) => e.tag === "a").length;

export const landmarksToldApart = {
  id: "names.landmarks-told-apart",
  kind: "page",
  criteria: [],
  severity: "friction",
  means: "Landmarks of one role have different names, unless they hold the same.",
  who: 'Someone who moves by landmarks hears "navigation, navigation" and must enter each to find the one they want.',
  mend: "Name each with aria-label, or by its heading with aria-labelledby.",
  looksAt: severalOfARole,
  judge,
  examples: [
    {
      html: `<nav aria-label="Yard"><a href="a">Slips</a></nav><nav aria-label="Page"><a href="b">Fees</a></nav>`,
      finds: [],
    },
    { html: `<nav><a href="a">Slips</a></nav><nav><a href="a">Slips</a></nav>`, finds: [] },
    { html: `<nav><a href="a">Slips</a></nav>`, finds: [] },
    {
      html: `<nav><a href="a">Slips</a></nav><nav><a href="b">Fees</a></nav>`,
      finds: [["failed", "<nav>", "There are several navigation landmarks, and this one has no name."]],
    },
    {
      html: `<section aria-label="Tides">1</section><section aria-label="Tides">2</section>`,
      finds: [["failed", `<section aria-label="Tides">`, `Another region landmark is called "Tides" too.`]],
    },
  ],
} as const satisfies PageCheck;
