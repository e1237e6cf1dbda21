import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeToken, attributeTokens, attributeUnknown } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";
import { lostNameCause } from "./lost-name.ts";

/** What is lost when the element that an attribute names is not there. `for` and `headers` have checks of their own. */
const references: Readonly<Record<string, string>> = {
  "aria-labelledby": "its name",
  "aria-describedby": "its description",
  "aria-owns": "what belongs to it",
  "aria-activedescendant": "which item is the current one",
  "aria-details": "where more is said about it",
  "aria-errormessage": "what is wrong with it",
  list: "its suggestions",
  form: "the form it belongs to",
};

/** References that scripts often make whole later: a dead one proves nothing. */
const madeLater = new Set([
  "aria-describedby",
  "aria-owns",
  "aria-activedescendant",
  "aria-details",
  "aria-errormessage",
]);

const referring = keptForScene((scene): readonly ElementNode[] =>
  scene.page.index.elements.filter((element) => {
    if (element.attributes.size < 1) return false;
    for (const name of element.attributes.keys())
      if (Object.hasOwn(references, name)) return isExposed(scene, element);
    return false;
  }),
);

/** The ids of the page by the digits in them: a typing error changes letters. */
const idsByDigits = keptForScene((scene): ReadonlyMap<string, readonly string[]> => {
  const found = new Map<string, string[]>();
  for (const element of scene.page.index.elements) {
    const id = attributeText(element, "id");
    if (id === null) continue;
    const same = found.get(digitsOf(id));
    if (same === undefined) found.set(digitsOf(id), [id]);
    else same.push(id);
  }
  return found;
});

const digitsOf = (id: string): string => id.replace(/\D/g, "");

/** The id that was meant, where the one written differs as a typing error does. */
const meantBy = (scene: Scene, missing: string): string | null =>
  (idsByDigits(scene).get(digitsOf(missing)) ?? []).find((id) => id.length > 3 && isSlip(missing, id)) ??
  null;

function judge(element: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  let seen = false;
  for (const attribute of Object.keys(references)) {
    if (!element.attributes.has(attribute) || attributeUnknown(element, attribute)) continue;
    const ids = attributeTokens(element, attribute);
    if (ids.length === 0) continue;
    seen = true;
    const missing = ids.filter((id) => index.byId(element, id) === null);
    const [first] = missing;
    if (first === undefined) continue;
    // An error message is asked for only while there is an error.
    if (attribute === "aria-errormessage" && attributeText(element, "aria-invalid") !== "true") continue;
    // What is shut has no current item.
    if (attribute === "aria-activedescendant" && attributeToken(element, "aria-expanded") === "false")
      continue;
    return verdictOf(element, scene, attribute, ids, first);
  }
  return seen ? passed : inapplicable;
}

function verdictOf(
  element: ElementNode,
  scene: Scene,
  attribute: string,
  ids: readonly string[],
  missing: string,
): Verdict {
  const meant = meantBy(scene, missing);
  const details = {
    facts: { attribute, missing },
    ...pointingAt(element, attribute),
    ...(attribute === "aria-labelledby" ? lostNameCause(scene, element) : {}),
  };
  const repair: Repair =
    meant !== null
      ? withChanges("likely", `Write ${attribute}="${swapped(ids, missing, meant)}".`, [
          setAttribute(element, attribute, swapped(ids, missing, meant)),
        ])
      : ask(`Give the element that is meant id="${missing}", or take the reference away.`);
  const lost = references[attribute] ?? "";
  const name = scene.name(element);
  if (attribute === "aria-labelledby" && name.certain && name.text !== "" && meant === null)
    return cantTell(
      `aria-labelledby names "${missing}", which is not here. Is "${name.text}", which names it now, all of its name?`,
      repair,
      { facts: details.facts, ...pointingAt(element, attribute) },
    );
  if (scene.document.kind === "fragment" || (madeLater.has(attribute) && meant === null))
    return cantTell(
      `${attribute} names "${missing}", which is not here. Is it there when ${lost} is needed?`,
      repair,
      details,
    );
  return failed(
    `${attribute} names "${missing}", and nothing here has that id: ${lost} is lost.`,
    repair,
    details,
  );
}

const swapped = (ids: readonly string[], from: string, to: string): string =>
  ids.map((id) => (id === from ? to : id)).join(" ");

/** Whether two ids of the same digits differ as a typing error does: by a sign, or by letters the wrong way round. */
function isSlip(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1) return false;
  const letters = (text: string) => [...text.toLowerCase()].sort().join("");
  if (a.toLowerCase() === b.toLowerCase() || letters(a) === letters(b)) return true;
  let shared = 0;
  while (shared < a.length && shared < b.length && a[shared] === b[shared]) shared++;
  const [restA, restB] = [a.slice(shared), b.slice(shared)];
  return restA.slice(1) === restB || restA === restB.slice(1) || restA.slice(1) === restB.slice(1);
}

export const referencesFound = {
  id: "names.references-found",
  kind: "page",
  isForItsAuthor: "questions",
  surroundings: "references",
  criteria: ["1.3.1", "4.1.2"],
  severity: "barrier",
  means: "What an attribute names by id is there.",
  who: "Someone using a screen reader does not hear the name or the hint that was meant for them.",
  mend: "Write the id of the element that is meant, and keep both when one of them changes.",
  looksAt: referring,
  judge,
  examples: [
    {
      html: `<!doctype html><title>t</title><h2 id="h">Fees</h2><section aria-labelledby="h">x</section>`,
      finds: [],
      others: 3,
    },
    {
      html: `<!doctype html><title>t</title><button aria-controls="later" aria-expanded="false">Fees</button>`,
      finds: [],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><input aria-label="Beam" aria-errormessage="later">`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><p hidden id="hint">In metres</p><input aria-label="Beam" aria-describedby="hint">`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><h2 id="fees">Fees</h2><section aria-labelledby="feess">x</section>`,
      finds: [
        [
          "failed",
          `<section aria-labelledby="feess">`,
          `aria-labelledby names "feess", and nothing here has that id: its name is lost.`,
        ],
      ],
      others: 3,
    },
    {
      html: `<!doctype html><title>t</title><p id="beam-hint">In metres</p><input aria-label="Beam" aria-describedby="baem-hint">`,
      finds: [
        [
          "failed",
          `<input aria-label="Beam" aria-describedby="baem-hint">`,
          `aria-describedby names "baem-hint", and nothing here has that id: its description is lost.`,
        ],
      ],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><button aria-labelledby="gone">Haul</button>`,
      finds: [
        [
          "cantTell",
          `<button aria-labelledby="gone">`,
          `aria-labelledby names "gone", which is not here. Is "Haul", which names it now, all of its name?`,
        ],
      ],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><b id="slip">Slip 4</b><button aria-labelledby="gone slip"></button>`,
      finds: [
        [
          "cantTell",
          `<button aria-labelledby="gone slip">`,
          `aria-labelledby names "gone", which is not here. Is "Slip 4", which names it now, all of its name?`,
        ],
      ],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><input aria-label="Beam" aria-describedby="beam-error">`,
      finds: [
        [
          "cantTell",
          `<input aria-label="Beam" aria-describedby="beam-error">`,
          `aria-describedby names "beam-error", which is not here. Is it there when its description is needed?`,
        ],
      ],
      others: 1,
    },
    {
      html: `<input role="combobox" aria-label="Slip" aria-expanded="false" aria-activedescendant="slip-4">`,
      finds: [],
    },
  ],
} as const satisfies PageCheck;
