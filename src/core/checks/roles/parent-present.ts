import { type ElementNode, isUndefinedElement } from "../../document/node.ts";
import { attributeUnknown } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import { containerOf, isInRequiredContext, ownersOf } from "../../semantics/required-context.ts";
import { type Role, roleRow } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { exposedWithRole } from "../exposed.ts";
import { isWholeContent, runOf, wrapRun } from "../run-of-siblings.ts";

const owners = keptForScene(ownersOf);

function judge(item: ElementNode, scene: Scene): Verdict {
  const { role, from } = scene.role(item);
  if (role === null || from !== "role attribute") return inapplicable;
  const { parents, doubtful } = roleRow(role);
  if (parents === undefined || doubtful?.includes("parents") === true) return inapplicable;
  if (isInRequiredContext(scene, item, role, owners(scene))) return passed;
  const needed = [...new Set(parents.map((path) => path.split("/").at(-1) ?? path))].join(" or ");
  const container = containerOf(scene, item, owners(scene));
  // Where the container may be something else than source shows, nothing is sure.
  if (container !== null && (attributeUnknown(container, "role") || isUndefinedElement(container)))
    return inapplicable;
  if (
    scene.document.kind === "fragment" &&
    (container === null || container.tag === "html" || container.tag === "body")
  ) {
    return cantTell(
      `role="${role}" must be in a ${needed}. Is it, where this piece is used?`,
      ask(`Put it in an element with role="${needed.split(" or ")[0]}".`),
    );
  }
  const around = container === null || container.tag === "html" ? null : scene.role(container).role;
  const outer = parents.find((path) => path.endsWith(`/${around}`))?.split("/")[0];
  const where =
    around === null ? "in none" : `in a ${around}${outer === undefined ? "" : ` that is in no ${outer}`}`;
  return failed(
    `role="${role}" must be in a ${needed}, but is ${where}.`,
    contained(scene, item, role, needed.split(" or ")[0] ?? needed),
    { facts: { role, needed } },
  );
}

/** Its parent is given the role where it holds nothing else, else a box around it and its neighbours of the same role. */
function contained(scene: Scene, item: ElementNode, role: Role, container: string): Repair {
  const summary = `Put it in an element with role="${container}", or use the native element.`;
  const run = runOf(scene, item, (other) => scene.role(other).role === role);
  const parent = scene.page.index.parent(item);
  if (
    parent !== null &&
    /^(?:div|span)$/.test(parent.tag) &&
    !parent.attributes.has("role") &&
    isWholeContent(parent, run)
  )
    return withChanges("likely", summary, [setAttribute(parent, "role", container)]);
  return withChanges("likely", summary, [wrapRun(run, { tag: "div", attributes: { role: container } })]);
}

export const parentPresent = {
  id: "roles.parent-present",
  kind: "page",
  surroundings: "container",
  criteria: ["1.3.1", "4.1.2"],
  severity: "barrier",
  means: "An item stands in the container that its role belongs to.",
  who: "Someone using a screen reader is not told how many items there are or which this is, and the keys of the container do not work.",
  mend: "Give the container its role, or use native lists, tables and buttons.",
  looksAt: exposedWithRole,
  judge,
  examples: [
    {
      html: `<div role="group"><div role="option" aria-selected="false">Slip 4</div></div>`,
      finds: [
        [
          "failed",
          `<div role="option" aria-selected="false">`,
          `role="option" must be in a listbox or group, but is in a group that is in no listbox.`,
        ],
      ],
    },
    { html: `<div role="list"><div><div role="listitem">One</div></div></div>`, finds: [] },
    { html: `<div role="tablist"><button role="tab" aria-selected="true">Slips</button></div>`, finds: [] },
    {
      html: `<div role="listbox" aria-label="Slips"><div role="group" aria-label="North"><div role="option" aria-selected="false">1</div></div></div>`,
      finds: [],
    },
    { html: `<div role="list" aria-owns="x"></div><div id="x" role="listitem">One</div>`, finds: [] },
    { html: `<table><tr role="row"><td role="cell">One</td></tr></table>`, finds: [] },
    {
      html: `<!doctype html><title>t</title><div role="listitem">One</div>`,
      finds: [
        [
          "failed",
          `<div role="listitem">`,
          `role="listitem" must be in a list or directory, but is in none.`,
        ],
      ],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><main><button role="tab" aria-selected="true">Slips</button></main>`,
      finds: [
        [
          "failed",
          `<button role="tab" aria-selected="true">`,
          `role="tab" must be in a tablist, but is in a main.`,
        ],
      ],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><nav><a href="x" role="menuitem">Slips</a></nav>`,
      finds: [
        [
          "failed",
          `<a href="x" role="menuitem">`,
          `role="menuitem" must be in a menu or menubar or group, but is in a navigation.`,
        ],
      ],
      others: 1,
    },
    {
      html: `<div role="option" aria-selected="false">One</div>`,
      finds: [
        [
          "cantTell",
          `<div role="option" aria-selected="false">`,
          `role="option" must be in a listbox or group. Is it, where this piece is used?`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
