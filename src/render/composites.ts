import type { Role } from "../core/semantics/tables/roles.ts";
import { keysText } from "./keys-text.ts";
import type { LivePage } from "./live-page.ts";
import type { Notes } from "./notes.ts";
import { keyOf } from "./page-state.ts";
import { toldNode } from "./rendered-element.ts";
import type { LiveElement } from "./snapshot.ts";
import { focus, type Move } from "./trial.ts";

/** Containers through which arrow keys move, and what they move to. ARIA Authoring Practices. */
const itemsOf: Readonly<Partial<Record<Role, readonly Role[]>>> = {
  tablist: ["tab"],
  listbox: ["option"],
  menu: ["menuitem", "menuitemcheckbox", "menuitemradio"],
  menubar: ["menuitem", "menuitemcheckbox", "menuitemradio"],
  radiogroup: ["radio"],
  tree: ["treeitem"],
  toolbar: ["button", "checkbox", "link", "radio"],
  grid: ["gridcell"],
};

/** The keys that move through a widget. */
export const arrows = ["ArrowRight", "ArrowDown", "ArrowLeft", "ArrowUp", "Home", "End"];

/** Containers of items: where Tab does not reach every item, arrow keys must. */
export async function tryComposites(notes: Notes, moves: readonly Move[]): Promise<void> {
  const look = (page: LivePage) => {
    const stops = new Set(page.stops());
    return page.scene.page.index.elements.flatMap((node) => {
      const role = page.scene.role(node).role;
      const kinds = role === null ? undefined : itemsOf[role];
      const container = page.elementOf(node);
      if (kinds === undefined || container === null || !page.isVisible(container)) return [];
      if (page.scene.role(node).from !== "role attribute") return [];
      const items = page.scene.page.index.elements
        .filter((other) => kinds.includes(page.scene.role(other).role as Role))
        .map((other) => page.elementOf(other))
        .filter(
          (item) => item !== null && item !== container && container.contains(item) && page.isVisible(item),
        );
      const isReached = (item: LiveElement) =>
        stops.has(item) || [...stops].some((stop) => item.contains(stop));
      const missed = items.filter(
        (item) =>
          // A cell may be there to be read alone.
          (role !== "grid" || item.hasAttribute("tabindex")) &&
          !isReached(item) &&
          item.getAttribute("aria-disabled") !== "true" &&
          item.disabled !== true,
      );
      const focused = page.focused();
      const entry = [container, ...items].find((one) => stops.has(one) || one === focused) ?? null;
      if (items.length < 2 || missed.length === 0 || entry === null) return [];
      return [
        {
          at: keyOf(page, container),
          entry: keyOf(page, entry),
          isFocused: entry === focused,
          role,
          element: toldNode(page, node),
          missed: missed.length,
        },
      ];
    });
  };
  const found = moves.length === 0 ? await notes.trials.peek(look) : await notes.trials.after(moves, look);
  for (const { entry, isFocused, role, element, missed } of found) {
    notes.try("keys.pattern-kept");
    const there = isFocused ? moves : [...moves, focus(entry)];
    if (await notes.movesAnything(there, arrows)) continue;
    notes.fail(
      "keys.pattern-kept",
      element,
      `The arrow keys do nothing in this ${role}, and Tab passes ${missed} of its items by.`,
      'Let the arrow keys move focus among the items, with tabindex="0" on the one that has it.',
      keysText(arrows, "nothing"),
    );
  }
}
