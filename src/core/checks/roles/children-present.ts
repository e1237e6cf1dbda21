import type { ElementNode } from "../../document/node.ts";
import { attributeToken } from "../../document/written.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute, setAttribute } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { contentRoles } from "../../semantics/required-context.ts";
import { type Role, roleRow } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { exposedWithRole, isExposed } from "../exposed.ts";
import { runOf, wrapRun } from "../run-of-siblings.ts";
import { holdsUnknownContent } from "../shown-name.ts";
import { visibleText } from "../visible-text.ts";

function judge(container: ElementNode, scene: Scene): Verdict {
  const { role, from } = scene.role(container);
  if (role === null || from !== "role attribute") return inapplicable;
  const { owns, mayOwn, doubtful } = roleRow(role);
  if (
    owns === undefined ||
    doubtful?.includes("owns") === true ||
    attributeToken(container, "aria-busy") === "true"
  )
    return inapplicable;
  const inside = contentRoles(scene, container).filter((element) => isExposed(scene, element));
  if (holdsUnknownContent(scene, container) !== null) return inapplicable;
  const needed = [...new Set(owns.map((path) => path.split("/").at(-1) ?? path))].join(" or ");
  if (inside.length === 0) {
    // Nothing in it yet: a script may fill it. What a component writes between its own tags may be a part of a sentence.
    const text = visibleText(scene, container) ?? "";
    const holdsBoxes = scene.page.index.childElements(container).length > 0;
    if (text === "" || (scene.document.kind === "component" && !holdsBoxes)) return inapplicable;
    return failed(
      `role="${role}" promises ${needed}, but holds only plain text.`,
      ask(
        `Give its items role="${needed.split(" or ")[0]}" and the keys that go with it, or take role="${role}" away.`,
      ),
      { facts: { role, needed } },
    );
  }
  const allowed = new Set([...owns, ...(mayOwn ?? [])].map((path) => path.split("/")[0]));
  if (inside.some((element) => allowed.has(scene.role(element).role ?? ""))) return passed;
  const found = [...new Set(inside.map((element) => scene.role(element).role))].slice(0, 3).join(", ");
  return failed(
    `role="${role}" promises ${needed}, but holds only ${found}.`,
    withoutRole(
      scene,
      container,
      role,
      found,
      `Give its items role="${needed.split(" or ")[0]}" and the keys that go with it, or take role="${role}" away: a list of links needs no ${role}.`,
    ),
    { facts: { role, needed, found } },
  );
}

/** Links and buttons are what they are without a container that promises more. */
function withoutRole(
  scene: Scene,
  container: ElementNode,
  role: Role,
  found: string,
  summary: string,
): Repair {
  const [first] = scene.page.index.childElements(container);
  // Cells of one row, which lack only the row.
  if (/^(?:table|grid|treegrid)$/.test(role) && first !== undefined && /^(?:cell|gridcell)$/.test(found))
    return withChanges("likely", summary, [
      wrapRun(
        runOf(scene, first, (other) => scene.role(other).role === scene.role(first).role),
        { tag: "div", attributes: { role: "row" } },
      ),
    ]);
  if (!/^(?:(?:link|button|listitem)(?:, |$))+$/.test(found)) return ask(summary);
  const isNamedBox = /^(?:div|span)$/.test(container.tag) && scene.name(container).text !== "";
  return withChanges("likely", summary, [
    isNamedBox ? setAttribute(container, "role", "group") : removeAttribute(container, "role"),
  ]);
}

export const childrenPresent = {
  id: "roles.children-present",
  kind: "page",
  criteria: ["1.3.1", "4.1.2"],
  severity: "barrier",
  means: "A container holds the items that its role promises.",
  who: "Someone using a screen reader is told of a menu or a list of tabs that has nothing in it, and switched to keys that do nothing.",
  mend: "Give the items their role, or take the container's away.",
  looksAt: exposedWithRole,
  judge,
  examples: [
    { html: `<ul role="menu"><li role="none"><a role="menuitem" href="x">Slips</a></li></ul>`, finds: [] },
    { html: `<div role="listbox" aria-label="Slips"></div>`, finds: [] },
    {
      html: `<div role="grid" aria-label="Tides"><div role="rowgroup"><div role="row"><div role="gridcell">1</div></div></div></div>`,
      finds: [],
    },
    { html: `<div role="list" aria-busy="true"><p>Loading</p></div>`, finds: [] },
    {
      html: `<ul role="menu"><li><a href="x">Slips</a></li></ul>`,
      finds: [
        [
          "failed",
          `<ul role="menu">`,
          `role="menu" promises menuitem or menuitemcheckbox or menuitemradio, but holds only link.`,
        ],
      ],
    },
    {
      html: `<div role="tablist"><a href="x">Slips</a> <a href="y">Tides</a></div>`,
      finds: [["failed", `<div role="tablist">`, `role="tablist" promises tab, but holds only link.`]],
    },
    {
      html: `<div role="menu" aria-label="Slips"><div>Slip 4</div></div>`,
      finds: [
        [
          "failed",
          `<div role="menu" aria-label="Slips">`,
          `role="menu" promises menuitem or menuitemcheckbox or menuitemradio, but holds only plain text.`,
        ],
      ],
    },
    { html: `<div role="menu" aria-label="Slips"></div>`, finds: [] },
  ],
} as const satisfies PageCheck;
