import { patternKept } from "../core/checks/keys/pattern-kept.ts";
import type { ElementNode } from "../core/document/node.ts";
import { attributeToken, hasAttribute } from "../core/document/written.ts";
import type { Role } from "../core/semantics/tables/roles.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import type { SeenElement } from "../engine/explored.ts";
import { isInside, isVisible } from "./around.ts";
import { keysText } from "./keys-text.ts";
import type { Notes } from "./notes.ts";
import { seenElement } from "./told-element.ts";
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

/** A widget of which Tab misses items. */
interface Composite {
  readonly role: Role;
  readonly element: SeenElement;
  /** How many items Tab passes by. */
  readonly missed: number;
  /** The key of what one enters it by, and whether that has focus already. */
  readonly entry: string;
  readonly isFocused: boolean;
}

/** Containers of items: where Tab does not reach every item, arrow keys must. */
export async function tryComposites(notes: Notes, moves: readonly Move[]): Promise<void> {
  const found =
    moves.length === 0
      ? await notes.trials.peek(compositesOf)
      : await notes.trials.after(moves, compositesOf);
  for (const { entry, isFocused, role, element, missed } of found) {
    notes.try(patternKept);
    const there = isFocused ? moves : [...moves, focus(entry)];
    if (await notes.movesAnything(there, arrows)) continue;
    notes.fail(
      patternKept,
      element,
      `The arrow keys do nothing in this ${role}, and Tab passes ${missed} of its items by.`,
      'Let the arrow keys move focus among the items, with tabindex="0" on the one that has it.',
      keysText(arrows, "nothing"),
    );
  }
}

async function compositesOf(page: Driver): Promise<readonly Composite[]> {
  const focused = await page.focused();
  const moment = await page.moment();
  return moment.scene.page.index.elements.flatMap(
    (container) => compositeOf(moment, container, focused) ?? [],
  );
}

function compositeOf(moment: Moment, container: ElementNode, focused: string | null): Composite | null {
  const { scene } = moment;
  const { role, from } = scene.role(container);
  const kinds = role === null ? undefined : itemsOf[role];
  if (role === null || kinds === undefined || from !== "role attribute" || !isVisible(moment, container))
    return null;
  const stops = moment.stops();
  const items = scene.page.index.elements.filter(
    (item) =>
      item !== container &&
      kinds.includes(scene.role(item).role as Role) &&
      isInside(moment, item, container) &&
      isVisible(moment, item),
  );
  const missed = items.filter(
    (item) =>
      // A cell may be there to be read alone.
      (role !== "grid" || hasAttribute(item, "tabindex")) &&
      !stops.some((stop) => isInside(moment, stop, item)) &&
      attributeToken(item, "aria-disabled") !== "true" &&
      !hasAttribute(item, "disabled"),
  );
  const entry = [container, ...items].find((one) => stops.includes(one) || moment.keyOf(one) === focused);
  if (items.length < 2 || missed.length === 0 || entry === undefined) return null;
  const key = moment.keyOf(entry);
  return {
    role,
    element: seenElement(moment, container),
    missed: missed.length,
    entry: key,
    isFocused: key === focused,
  };
}
