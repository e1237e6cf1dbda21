import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeTokens } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, askWords, BLANK, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { spokenRole } from "../../semantics/heard-line.ts";
import { type Role, roleRow } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { elementsInside, exposedByRole, isExposed } from "../exposed.ts";
import { freshId } from "../fresh-id.ts";
import { isUnnamed } from "../shown-name.ts";
import { wordsFrom } from "../words-from.ts";
import { lostNameCause } from "./lost-name.ts";

/** Areas and gauges that WAI-ARIA 1.2 wants named. Controls, actions and pictures have checks of their own. */
const areas = (
  [
    "dialog",
    "alertdialog",
    "tabpanel",
    "tree",
    "treegrid",
    "grid",
    "meter",
    "progressbar",
    "listbox",
  ] as const
).filter((role) => {
  const row = roleRow(role);
  return row.nameRequired === true && row.doubtful?.includes("nameRequired") !== true;
});

function* namedAreas(scene: Scene): Iterable<ElementNode> {
  // A native list to choose from is a control.
  for (const element of exposedByRole(scene, ...areas)) if (element.tag !== "select") yield element;
  for (const frame of scene.page.index.byTag("iframe")) if (isExposed(scene, frame)) yield frame;
}

function judge(area: ElementNode, scene: Scene): Verdict {
  if (area.tag === "iframe") return judgeFrame(area, scene);
  if (!isUnnamed(scene, area)) return passed;
  if (area.spread !== null || isPopupOfCombobox(scene, area)) return passed;
  const role = scene.role(area).role as Role;
  const word = spokenRole(role, {}, null);
  return failed(`This ${word} has no name.`, repairFor(scene, area, role, word), {
    facts: { role },
    ...lostNameCause(scene, area),
  });
}

/** What a combo box opens is known by the combo box: focus stays there, and its name is heard. WAI-ARIA 1.2, `combobox`. */
function isPopupOfCombobox(scene: Scene, area: ElementNode): boolean {
  const id = attributeText(area, "id");
  return (
    id !== null &&
    /^(?:listbox|tree|grid)$/.test(scene.role(area).role ?? "") &&
    scene.page.index.elements.some(
      (element) =>
        scene.role(element).role === "combobox" &&
        ["aria-controls", "aria-owns"].some((name) => attributeTokens(element, name).includes(id)),
    )
  );
}

function repairFor(scene: Scene, area: ElementNode, role: Role, word: string): Repair {
  const { index } = scene.page;
  if (role === "tabpanel") {
    const id = attributeText(area, "id");
    const tab =
      id === null
        ? undefined
        : exposedByRole(scene, "tab").find((t) => attributeText(t, "aria-controls") === id);
    const tabId = tab === undefined ? null : attributeText(tab, "id");
    if (tab !== undefined && tabId !== null)
      return withChanges(
        "likely",
        `Name it by its tab "${scene.name(tab).text}": aria-labelledby="${tabId}".`,
        [setAttribute(area, "aria-labelledby", tabId)],
      );
    const fresh = tab === undefined ? null : freshId(scene, tab, scene.name(tab).text);
    return tab === undefined || fresh === null
      ? ask("Name it by its tab: aria-labelledby with the id of the tab.")
      : withChanges("likely", "Name it by its tab: aria-labelledby with the id of the tab.", [
          setAttribute(tab, "id", fresh),
          setAttribute(area, "aria-labelledby", fresh),
        ]);
  }
  for (const inside of elementsInside(scene, area)) {
    if (scene.role(inside).role !== "heading" || scene.name(inside).text === "") continue;
    const text = scene.name(inside).text;
    const id = attributeText(inside, "id");
    if (id !== null && index.byId(area, id) === inside)
      return withChanges("likely", `Name it by its heading "${text}": aria-labelledby="${id}".`, [
        setAttribute(area, "aria-labelledby", id),
      ]);
    const fresh = freshId(scene, inside, text);
    return withChanges(
      "likely",
      `Name it by its heading "${text}": give the heading an id, and the ${word} aria-labelledby.`,
      [setAttribute(inside, "id", fresh), setAttribute(area, "aria-labelledby", fresh)],
    );
  }
  return askWords(`Say in aria-label what this ${word} is about.`, `Name of the ${word}`, "", [
    setAttribute(area, "aria-label", BLANK),
  ]);
}

function judgeFrame(frame: ElementNode, scene: Scene): Verdict {
  if (!isUnnamed(scene, frame)) return passed;
  const { styles } = scene.page;
  const size = (side: "width" | "height") =>
    styles.pixels({ element: frame }, side) ?? Number.parseFloat(attributeText(frame, side) ?? "150");
  // A frame that nobody can see does technical work.
  if (size("width") <= 2 || size("height") <= 2) return inapplicable;
  const repair = askWords(
    'Say in title what the frame shows: <iframe title="…">.',
    "What the frame shows",
    wordsFrom(attributeText(frame, "src")),
    [setAttribute(frame, "title", BLANK)],
  );
  const outOfTab = attributeText(frame, "tabindex")?.trim().startsWith("-") === true;
  const isEmpty = !frame.attributes.has("src") && !frame.attributes.has("srcdoc");
  if (outOfTab || isEmpty)
    return cantTell("Will this frame hold anything for people? Then it needs a title.", repair);
  return failed("This frame has no name.", repair);
}

export const areaNamed = {
  id: "names.area-named",
  kind: "page",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "Dialogs, frames, tab panels, trees, grids and gauges have the name their role needs.",
  who: 'Someone using a screen reader hears "dialog" or "frame" and must explore it to learn what it is about.',
  mend: "Name it by its heading with aria-labelledby, or with aria-label; a frame with title.",
  looksAt: namedAreas,
  judge,
  examples: [
    { html: `<dialog open aria-labelledby="h"><h2 id="h">Book slip 4</h2></dialog>`, finds: [] },
    { html: `<iframe src="map.html" title="Tide map"></iframe>`, finds: [] },
    { html: `<iframe src="count.html" width="1" height="1"></iframe>`, finds: [] },
    { html: `<div role="progressbar" aria-label="Haul-out" aria-valuenow="3"></div>`, finds: [] },
    { html: `<label>Fuel <meter value="0.4"></meter></label>`, finds: [] },
    {
      html: `<dialog open><h2 id="h">Book slip 4</h2></dialog>`,
      finds: [["failed", "<dialog open>", "This dialog has no name."]],
    },
    {
      html: `<div role="dialog"><p>Really?</p></div>`,
      finds: [["failed", `<div role="dialog">`, "This dialog has no name."]],
    },
    {
      html: `<iframe src="map.html"></iframe>`,
      finds: [["failed", `<iframe src="map.html">`, "This frame has no name."]],
    },
    {
      html: `<div role="progressbar" aria-valuenow="3"></div>`,
      finds: [["failed", `<div role="progressbar" aria-valuenow="3">`, "This progress bar has no name."]],
    },
    {
      html: `<div role="tablist"><button role="tab" id="t" aria-controls="p" aria-selected="true">Fees</button></div><div role="tabpanel" id="p">By the metre.</div>`,
      finds: [["failed", `<div role="tabpanel" id="p">`, "This tab panel has no name."]],
    },
    {
      html: `<iframe></iframe>`,
      finds: [["cantTell", "<iframe>", "Will this frame hold anything for people? Then it needs a title."]],
    },
    {
      html: `<input role="combobox" aria-label="Slip" aria-expanded="true" aria-controls="slips"><ul role="listbox" id="slips"><li role="option">Slip 4</li></ul>`,
      finds: [],
    },
  ],
} as const satisfies PageCheck;
