/** How focus lives in a widget. ARIA Authoring Practices, "keyboard navigation inside components". */
export type FocusModel = "own-stop" | "roving" | "activedescendant" | "roving-or-activedescendant";

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
  readonly model: FocusModel;
  readonly keys: readonly OwedKey[];
}

/** The keys that each pattern of the ARIA Authoring Practices requires; Tab leaves every one of them. */
export const keyboardPatterns: readonly KeyboardPattern[] = [
  {
    roles: ["button"],
    model: "own-stop",
    keys: [
      { key: "Enter", effect: "activates" },
      { key: "Space", effect: "activates" },
    ],
  },
  {
    roles: ["link"],
    model: "own-stop",
    keys: [{ key: "Enter", effect: "follows the link" }],
  },
  {
    roles: ["checkbox"],
    model: "own-stop",
    keys: [{ key: "Space", effect: "toggles" }],
  },
  {
    roles: ["radiogroup", "radio"],
    model: "roving",
    keys: [
      { key: "Space", effect: "chooses it", when: "the focused radio is not checked" },
      { key: "ArrowRight", effect: "chooses the next" },
      { key: "ArrowDown", effect: "chooses the next" },
      { key: "ArrowLeft", effect: "chooses the one before" },
      { key: "ArrowUp", effect: "chooses the one before" },
    ],
  },
  {
    roles: ["switch"],
    model: "own-stop",
    keys: [{ key: "Space", effect: "toggles" }],
  },
  {
    roles: ["tablist", "tab", "tabpanel"],
    model: "roving",
    keys: [
      { key: "ArrowRight", effect: "moves to the next", when: "horizontal" },
      { key: "ArrowLeft", effect: "moves to the one before", when: "horizontal" },
      { key: "ArrowDown", effect: "moves to the next", when: "vertical" },
      { key: "ArrowUp", effect: "moves to the one before", when: "vertical" },
      { key: "Enter", effect: "shows it", when: "focus does not select by itself" },
      { key: "Space", effect: "shows it", when: "focus does not select by itself" },
      { key: "Shift+F10", effect: "opens its menu", when: "the tab has aria-haspopup" },
    ],
  },
  {
    roles: ["menu", "menuitem", "menuitemcheckbox", "menuitemradio"],
    model: "roving-or-activedescendant",
    keys: [
      { key: "ArrowDown", effect: "moves to the next" },
      { key: "ArrowUp", effect: "moves to the one before" },
      { key: "ArrowRight", effect: "opens the submenu", when: "item has a submenu" },
      {
        key: "ArrowRight",
        effect: "moves to the next menu",
        when: "item has no submenu and the menu hangs from a menubar",
      },
      { key: "ArrowLeft", effect: "closes the submenu", when: "in a submenu of a menu item in a menu" },
      { key: "ArrowLeft", effect: "moves to the menu before", when: "in a submenu of a menubar item" },
      { key: "Enter", effect: "activates it and closes", when: "item has no submenu" },
      { key: "Enter", effect: "opens the submenu", when: "item has a submenu" },
      { key: "Home", effect: "moves to the first", when: "arrows do not wrap" },
      { key: "End", effect: "moves to the last", when: "arrows do not wrap" },
      { key: "Escape", effect: "closes" },
    ],
  },
  {
    roles: ["menubar", "menuitem", "menuitemcheckbox", "menuitemradio"],
    model: "roving-or-activedescendant",
    keys: [
      { key: "ArrowRight", effect: "moves to the next", when: "horizontal" },
      { key: "ArrowLeft", effect: "moves to the one before", when: "horizontal" },
      { key: "ArrowDown", effect: "opens the submenu", when: "item has a submenu, horizontal" },
      { key: "ArrowDown", effect: "moves to the next", when: "vertical" },
      { key: "ArrowUp", effect: "moves to the one before", when: "vertical" },
      { key: "ArrowRight", effect: "opens the submenu", when: "item has a submenu, vertical" },
      { key: "Enter", effect: "opens the submenu", when: "item has a submenu" },
      { key: "Enter", effect: "activates", when: "item has no submenu" },
      { key: "Home", effect: "moves to the first", when: "arrows do not wrap" },
      { key: "End", effect: "moves to the last", when: "arrows do not wrap" },
    ],
  },
  {
    roles: ["listbox", "option"],
    model: "roving-or-activedescendant",
    keys: [
      { key: "ArrowDown", effect: "moves to the next", when: "vertical" },
      { key: "ArrowUp", effect: "moves to the one before", when: "vertical" },
      { key: "ArrowRight", effect: "moves to the next", when: "horizontal" },
      { key: "ArrowLeft", effect: "moves to the one before", when: "horizontal" },
      {
        key: "Space",
        effect: "selects or deselects",
        when: "several can be selected, plain arrows leave the selection",
      },
    ],
  },
  {
    roles: ["combobox", "listbox", "tree", "grid", "dialog"],
    model: "activedescendant",
    keys: [
      { key: "ArrowDown", effect: "moves into the list", when: "popup open or can open" },
      { key: "Escape", effect: "closes", when: "popup open" },
      { key: "Enter", effect: "takes the suggestion", when: "a suggestion is active" },
      { key: "a letter", effect: "types", when: "editable" },
      { key: "a letter", effect: "moves to the match", when: "not editable" },
      { key: "Enter", effect: "opens", when: "not editable and closed" },
      { key: "Space", effect: "opens", when: "not editable and closed" },
    ],
  },
  {
    roles: ["tree", "treeitem", "group"],
    model: "roving-or-activedescendant",
    keys: [
      { key: "ArrowRight", effect: "opens it", when: "item is closed" },
      { key: "ArrowRight", effect: "moves to its first child", when: "item is open" },
      { key: "ArrowRight", effect: "does nothing", when: "item has no children" },
      { key: "ArrowLeft", effect: "closes it", when: "item is open" },
      {
        key: "ArrowLeft",
        effect: "moves to its parent",
        when: "item is closed or has no children, and has a parent",
      },
      { key: "ArrowLeft", effect: "does nothing", when: "root item, closed or without children" },
      { key: "ArrowDown", effect: "moves to the next" },
      { key: "ArrowUp", effect: "moves to the one before" },
      { key: "Home", effect: "moves to the first" },
      { key: "End", effect: "moves to the last" },
      { key: "Enter", effect: "activates" },
      { key: "Space", effect: "selects or deselects", when: "several can be selected" },
    ],
  },
  {
    roles: ["grid", "row", "gridcell", "columnheader", "rowheader"],
    model: "roving-or-activedescendant",
    keys: [
      { key: "ArrowRight", effect: "moves right" },
      { key: "ArrowLeft", effect: "moves left" },
      { key: "ArrowDown", effect: "moves down" },
      { key: "ArrowUp", effect: "moves up" },
      { key: "Home", effect: "moves to the first cell of the row" },
      { key: "End", effect: "moves to the last cell of the row" },
      { key: "Control+Home", effect: "moves to the first" },
      { key: "Control+End", effect: "moves to the last" },
      { key: "Enter", effect: "goes into the cell", when: "cells hold editable or several widgets" },
      { key: "Escape", effect: "comes out of the cell", when: "inside a cell" },
    ],
  },
  {
    roles: ["treegrid", "row", "gridcell", "columnheader", "rowheader"],
    model: "roving-or-activedescendant",
    keys: [
      {
        key: "Enter",
        effect: "activates",
        when: "cells can hold focus but rows cannot and the cell has aria-expanded",
      },
      { key: "ArrowRight", effect: "opens it", when: "row focused and closed" },
      { key: "ArrowRight", effect: "moves to the first cell", when: "row focused, open or without children" },
      { key: "ArrowRight", effect: "moves right", when: "cell focused" },
      { key: "ArrowLeft", effect: "closes it", when: "row focused and open" },
      { key: "ArrowLeft", effect: "moves to its parent", when: "row focused and closed" },
      { key: "ArrowLeft", effect: "moves left, or to the row", when: "cell focused" },
      { key: "ArrowDown", effect: "moves down" },
      { key: "ArrowUp", effect: "moves up" },
      { key: "Home", effect: "moves to the first row or cell" },
      { key: "End", effect: "moves to the last row or cell" },
      { key: "Control+Home", effect: "moves to the first" },
      { key: "Control+End", effect: "moves to the last" },
    ],
  },
  {
    roles: ["toolbar"],
    model: "roving",
    keys: [
      { key: "ArrowRight", effect: "moves to the next", when: "horizontal" },
      { key: "ArrowLeft", effect: "moves to the one before", when: "horizontal" },
      { key: "ArrowDown", effect: "moves to the next", when: "vertical" },
      { key: "ArrowUp", effect: "moves to the one before", when: "vertical" },
    ],
  },
  {
    roles: ["slider"],
    model: "own-stop",
    keys: [
      { key: "ArrowRight", effect: "raises the value" },
      { key: "ArrowUp", effect: "raises the value" },
      { key: "ArrowLeft", effect: "lowers the value" },
      { key: "ArrowDown", effect: "lowers the value" },
      { key: "Home", effect: "sets the least value" },
      { key: "End", effect: "sets the greatest value" },
    ],
  },
  {
    roles: ["spinbutton"],
    model: "own-stop",
    keys: [
      { key: "ArrowUp", effect: "raises the value" },
      { key: "ArrowDown", effect: "lowers the value" },
      { key: "Home", effect: "sets the least value", when: "there is a minimum" },
      { key: "End", effect: "sets the greatest value", when: "there is a maximum" },
      { key: "a letter", effect: "types", when: "editable" },
    ],
  },
];

/** The pattern a role is the widget or a part of; the part's own where it has one. Null for roles that owe no keys. */
export const patternOf = (role: string): KeyboardPattern | null =>
  keyboardPatterns.find(({ roles }) => roles[0] === role) ??
  keyboardPatterns.find(({ roles }) => roles.includes(role)) ??
  null;
