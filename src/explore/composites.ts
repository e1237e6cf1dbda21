import { patternKept } from "../core/checks/keys/pattern-kept.ts";
import { elementPath } from "../core/document/element-path.ts";
import type { ElementNode } from "../core/document/node.ts";
import { attributeText, attributeToken, hasAttribute } from "../core/document/written.ts";
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
  grid: ["gridcell", "row"],
  treegrid: ["row", "gridcell"],
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

/**
 * Containers of items: where Tab does not reach every item, arrow keys must.
 * @param shown what the moves brought about, by key: a widget among it is entered from where focus is then
 */
export async function tryComposites(
  notes: Notes,
  moves: readonly Move[],
  shown: ReadonlySet<string> = new Set(),
): Promise<void> {
  const look = (page: Driver) => compositesOf(page, shown);
  const found = moves.length === 0 ? await notes.trials.peek(look) : await notes.trials.after(moves, look);
  for (const { entry, isFocused, role, element, missed } of found) {
    notes.try(patternKept);
    const there = isFocused ? moves : [...moves, focus(entry)];
    if (await notes.movesAnything(there, arrows)) {
      await tryEveryItem(notes, there, role, element);
      continue;
    }
    notes.fail(
      patternKept,
      element,
      `The arrow keys do nothing in this ${role}, and Tab passes ${missed} of its items by.`,
      'Let the arrow keys move focus among the items, with tabindex="0" on the one that has it.',
      keysText(arrows, "nothing"),
    );
  }
}

/** Widgets whose items stand in one row, so that arrow keys come past every one. */
const inOneRow = new Set<Role>(["tablist", "listbox", "menu", "tree", "radiogroup"]);

/** More items than this are not all gone through: what was not tried is not known. */
const MOST_ITEMS = 14;

/** Whether the arrow keys come to every item of a widget. */
async function tryEveryItem(
  notes: Notes,
  there: readonly Move[],
  role: Role,
  element: SeenElement,
): Promise<void> {
  if (!inOneRow.has(role)) return;
  const missed = await notes.trials.after(there, async (page) => {
    const items = await itemsIn(page, element);
    if (items.length < 2 || items.length > MOST_ITEMS) return [];
    const reached = new Set<string>(await activeKeys(page));
    for (const key of ["ArrowDown", "ArrowRight", "ArrowUp", "ArrowLeft", "Home", "End"])
      for (let n = 0; n <= items.length; n++) {
        const before = reached.size;
        await page.press(key);
        for (const now of await activeKeys(page)) reached.add(now);
        if (items.every((item) => reached.has(item))) return [];
        // Where a key leads to nothing new it is of no more use.
        if (reached.size === before && n > 1) break;
      }
    return items.filter((item) => !reached.has(item));
  });
  if (missed.length === 0) return;
  notes.fail(
    patternKept,
    element,
    `The arrow keys never reach ${missed.length} of the items of this ${role}.`,
    "Let the arrow keys go on to the last item, and back to the first.",
    keysText(arrows, `${missed.length} never reached`),
  );
}

/** The items of a widget that can be used, by key, where Tab passes some of them by. */
async function itemsIn(page: Driver, { path }: SeenElement): Promise<readonly string[]> {
  const moment = await page.moment();
  const { scene } = moment;
  const container = scene.page.index.elements.find((one) => elementPath(scene.page.index, one) === path);
  if (container === undefined) return [];
  const kinds = itemsOf[scene.role(container).role ?? "generic"] ?? [];
  return scene.page.index.elements
    .filter(
      (item) =>
        kinds.includes(scene.role(item).role as Role) &&
        isInside(moment, item, container) &&
        isVisible(moment, item) &&
        attributeToken(item, "aria-disabled") !== "true" &&
        !hasAttribute(item, "disabled"),
    )
    .map(moment.keyOf);
}

/** What has focus, and what that says is active in it, by key. */
async function activeKeys(page: Driver): Promise<readonly string[]> {
  const focused = await page.focused();
  const moment = await page.moment();
  const node = focused === null ? null : moment.element(focused);
  if (focused === null || node === null) return [];
  const { index } = moment.scene.page;
  const active = attributeText(node, "aria-activedescendant");
  const inside = active === null ? null : index.byId(node, active);
  return [focused, ...(inside === null ? [] : [moment.keyOf(inside)])];
}

async function compositesOf(page: Driver, shown: ReadonlySet<string>): Promise<readonly Composite[]> {
  const focused = await page.focused();
  const moment = await page.moment();
  return moment.scene.page.index.elements.flatMap(
    (container) => compositeOf(moment, container, focused, shown) ?? [],
  );
}

function compositeOf(
  moment: Moment,
  container: ElementNode,
  focused: string | null,
  shown: ReadonlySet<string>,
): Composite | null {
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
      // A cell or a row may be there to be read alone.
      (!role.endsWith("grid") || hasAttribute(item, "tabindex")) &&
      !stops.some((stop) => isInside(moment, stop, item)) &&
      attributeToken(item, "aria-disabled") !== "true" &&
      !hasAttribute(item, "disabled"),
  );
  const entry = [container, ...items].find((one) => stops.includes(one) || moment.keyOf(one) === focused);
  const isOpened = shown.has(moment.keyOf(container)) && missed.length === items.length;
  const key = entry === undefined ? (isOpened ? focused : null) : moment.keyOf(entry);
  if (items.length < 2 || missed.length === 0 || key === null) return null;
  return {
    role,
    element: seenElement(moment, container),
    missed: missed.length,
    entry: key,
    isFocused: key === focused,
  };
}
