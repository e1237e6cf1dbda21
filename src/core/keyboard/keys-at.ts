import type { ElementNode } from "../document/node.ts";
import type { FocusDocument } from "../focus/tab-sequence.ts";
import { type DefaultAction, defaultAction } from "./default-action.ts";
import { keyName } from "./named-keys.ts";
import { patternOf } from "./patterns.ts";

/** What one key does at a stop. */
export interface KeyAt {
  readonly key: string;
  readonly does: string;
  /** Whether the browser does it by itself; else the page owes it. */
  readonly native: boolean;
}

/** The keys worth trying at a stop, in the order they are told. */
const tried = ["Enter", " ", "ArrowDown", "ArrowUp", "Home", "End", "Escape"] as const;

/** What keys do at a stop: the browser's own actions there, and those that the pattern of its role owes. */
export function keysAt(document: FocusDocument, element: ElementNode, role: string | null): readonly KeyAt[] {
  const keys = tried.flatMap((key): readonly KeyAt[] => {
    const does = told(defaultAction(document, element, { key }));
    return does === null ? [] : [{ key: keyName(key), does, native: true }];
  });
  const pattern = role === null ? null : patternOf(role);
  const known = new Set(keys.map(({ key }) => key));
  const owed = (pattern?.keys ?? []).filter(({ key }) => !known.has(key));
  // A native control keeps the pattern of its role by itself.
  if (keys.some(({ key }) => key === "Enter" || key === "Space" || key.startsWith("Arrow"))) return keys;
  return [
    ...keys,
    ...owed.map(({ key, effect, when }) => ({
      key,
      does: when === undefined ? effect : `${effect} (${when})`,
      native: false,
    })),
  ];
}

/** An action in words; null where nothing happens that is worth a word. */
function told(action: DefaultAction): string | null {
  switch (action.kind) {
    case "activate":
      return action.element.tag === "a" || action.element.tag === "area" ? "follows the link" : "activates";
    case "toggle":
      return "toggles";
    case "select":
      return action.to === 1
        ? "chooses the next"
        : action.to === -1
          ? "chooses the one before"
          : `chooses the ${action.to}`;
    case "step":
      return action.to === 1 || action.to === -1 ? "changes the value" : `goes to the ${action.to} value`;
    case "open":
      return "opens";
    case "close":
      return "closes";
    case "submit":
      return "sends the form";
    case "type":
      return action.text === "\n" ? "begins a new line" : null;
    default:
      return null;
  }
}
