/** One key a pattern owes, and what it does; `when` in words, where it is not always. */
export interface OwedKey {
  readonly key: string;
  readonly effect: string;
  readonly when?: string;
}

/** What the keys of a widget must do. */
export interface KeyboardPattern {
  /** The role of the widget, then those of its parts. */
  readonly roles: readonly string[];
  readonly keys: readonly OwedKey[];
}

const owes = (key: string, effect: string, when?: string): OwedKey =>
  when === undefined ? { key, effect } : { key, effect, when };

const alongAxis: readonly OwedKey[] = [
  owes("ArrowRight", "moves to the next", "horizontal"),
  owes("ArrowLeft", "moves to the one before", "horizontal"),
  owes("ArrowDown", "moves to the next", "vertical"),
  owes("ArrowUp", "moves to the one before", "vertical"),
];
const toTheEnds: readonly OwedKey[] = [
  owes("Home", "moves to the first", "arrows do not wrap"),
  owes("End", "moves to the last", "arrows do not wrap"),
];
const upAndDown: readonly OwedKey[] = [owes("ArrowDown", "moves down"), owes("ArrowUp", "moves up")];
const toTheCorners: readonly OwedKey[] = [
  owes("Control+Home", "moves to the first"),
  owes("Control+End", "moves to the last"),
];

/** The keys that each pattern of the ARIA Authoring Practices requires; Tab leaves every one of them. */
export const keyboardPatterns: readonly KeyboardPattern[] = [
  { roles: ["button"], keys: [owes("Enter", "activates"), owes("Space", "activates")] },
  { roles: ["link"], keys: [owes("Enter", "follows the link")] },
  { roles: ["checkbox"], keys: [owes("Space", "toggles")] },
  { roles: ["switch"], keys: [owes("Space", "toggles")] },
  {
    roles: ["radiogroup", "radio"],
    keys: [
      owes("Space", "chooses it", "the focused radio is not checked"),
      owes("ArrowRight", "chooses the next"),
      owes("ArrowDown", "chooses the next"),
      owes("ArrowLeft", "chooses the one before"),
      owes("ArrowUp", "chooses the one before"),
    ],
  },
  {
    roles: ["tablist", "tab", "tabpanel"],
    keys: [
      ...alongAxis,
      owes("Enter", "shows it", "focus does not select by itself"),
      owes("Space", "shows it", "focus does not select by itself"),
      owes("Shift+F10", "opens its menu", "the tab has aria-haspopup"),
    ],
  },
  {
    roles: ["menu", "menuitem", "menuitemcheckbox", "menuitemradio"],
    keys: [
      owes("ArrowDown", "moves to the next"),
      owes("ArrowUp", "moves to the one before"),
      owes("ArrowRight", "opens the submenu", "item has a submenu"),
      owes("ArrowRight", "moves to the next menu", "item has no submenu and the menu hangs from a menubar"),
      owes("ArrowLeft", "closes the submenu", "in a submenu of a menu item in a menu"),
      owes("ArrowLeft", "moves to the menu before", "in a submenu of a menubar item"),
      owes("Enter", "activates it and closes", "item has no submenu"),
      owes("Enter", "opens the submenu", "item has a submenu"),
      ...toTheEnds,
      owes("Escape", "closes"),
    ],
  },
  {
    roles: ["menubar", "menuitem", "menuitemcheckbox", "menuitemradio"],
    keys: [
      ...alongAxis,
      owes("ArrowDown", "opens the submenu", "item has a submenu, horizontal"),
      owes("ArrowRight", "opens the submenu", "item has a submenu, vertical"),
      owes("Enter", "opens the submenu", "item has a submenu"),
      owes("Enter", "activates", "item has no submenu"),
      ...toTheEnds,
    ],
  },
  {
    roles: ["listbox", "option"],
    keys: [
      ...alongAxis,
      owes("Space", "selects or deselects", "several can be selected, plain arrows leave the selection"),
    ],
  },
  {
    roles: ["combobox", "listbox", "tree", "grid", "dialog"],
    keys: [
      owes("ArrowDown", "moves into the list", "popup open or can open"),
      owes("Escape", "closes", "popup open"),
      owes("Enter", "takes the suggestion", "a suggestion is active"),
      owes("a letter", "types", "editable"),
      owes("a letter", "moves to the match", "not editable"),
      owes("Enter", "opens", "not editable and closed"),
      owes("Space", "opens", "not editable and closed"),
    ],
  },
  {
    roles: ["tree", "treeitem", "group"],
    keys: [
      owes("ArrowRight", "opens it", "item is closed"),
      owes("ArrowRight", "moves to its first child", "item is open"),
      owes("ArrowLeft", "closes it", "item is open"),
      owes("ArrowLeft", "moves to its parent", "item is closed or has no children, and has a parent"),
      owes("ArrowDown", "moves to the next"),
      owes("ArrowUp", "moves to the one before"),
      owes("Home", "moves to the first"),
      owes("End", "moves to the last"),
      owes("Enter", "activates"),
      owes("Space", "selects or deselects", "several can be selected"),
    ],
  },
  {
    roles: ["grid", "row", "gridcell", "columnheader", "rowheader"],
    keys: [
      owes("ArrowRight", "moves right"),
      owes("ArrowLeft", "moves left"),
      ...upAndDown,
      owes("Home", "moves to the first cell of the row"),
      owes("End", "moves to the last cell of the row"),
      ...toTheCorners,
      owes("Enter", "goes into the cell", "cells hold editable or several widgets"),
      owes("Escape", "comes out of the cell", "inside a cell"),
    ],
  },
  {
    roles: ["treegrid", "row", "gridcell", "columnheader", "rowheader"],
    keys: [
      owes("Enter", "activates", "cells can hold focus but rows cannot and the cell has aria-expanded"),
      owes("ArrowRight", "opens it", "row focused and closed"),
      owes("ArrowRight", "moves to the first cell", "row focused, open or without children"),
      owes("ArrowRight", "moves right", "cell focused"),
      owes("ArrowLeft", "closes it", "row focused and open"),
      owes("ArrowLeft", "moves to its parent", "row focused and closed"),
      owes("ArrowLeft", "moves left, or to the row", "cell focused"),
      ...upAndDown,
      owes("Home", "moves to the first row or cell"),
      owes("End", "moves to the last row or cell"),
      ...toTheCorners,
    ],
  },
  { roles: ["toolbar"], keys: alongAxis },
  {
    roles: ["slider"],
    keys: [
      owes("ArrowRight", "raises the value"),
      owes("ArrowUp", "raises the value"),
      owes("ArrowLeft", "lowers the value"),
      owes("ArrowDown", "lowers the value"),
      owes("Home", "sets the least value"),
      owes("End", "sets the greatest value"),
    ],
  },
  {
    roles: ["spinbutton"],
    keys: [
      owes("ArrowUp", "raises the value"),
      owes("ArrowDown", "lowers the value"),
      owes("Home", "sets the least value", "there is a minimum"),
      owes("End", "sets the greatest value", "there is a maximum"),
      owes("a letter", "types", "editable"),
    ],
  },
];

/** The pattern a role is the widget or a part of; the part's own where it has one. Null for roles that owe no keys. */
export const patternOf = (role: string): KeyboardPattern | null =>
  keyboardPatterns.find(({ roles }) => roles[0] === role) ??
  keyboardPatterns.find(({ roles }) => roles.includes(role)) ??
  null;
