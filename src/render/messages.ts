import { messageWords } from "../core/checks/pressed/message-words.ts";
import { elementsAbove, elementsBelow, firstOf } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import { textContent } from "../core/document/text-content.ts";
import { keysText } from "./keys-text.ts";
import type { LivePage } from "./live-page.ts";
import type { Notes } from "./notes.ts";
import { toldNode } from "./rendered-element.ts";
import { type Effect, make, press } from "./trial.ts";

/** The longest text that is a message rather than a part of the page, and how many may come at once. */
const LONGEST = 160;
const MOST_AT_ONCE = 2;

/** Roles whose change of content is told by other means than a live region. */
const toldOtherwise = new Set([
  "dialog",
  "alertdialog",
  "tooltip",
  "tabpanel",
  "listbox",
  "menu",
  "option",
  "row",
]);

/**
 * Whether a message that a key brings about is told to those who do not see it. WCAG 2.2, 4.1.3: what takes focus, and what a
 * second press hides again, is no such message.
 */
export async function tryMessage(
  notes: Notes,
  effect: Effect,
  key: string,
  before: readonly string[],
): Promise<void> {
  const { moves, changes, left, asks } = effect;
  // A word in place of another may be a state that people look up, and no message.
  const candidates = changes.filter(({ what, was }) => what === "shown" || (what === "text" && was === ""));
  if (asks || left.length > 0 || candidates.length === 0) return;
  // What says that it opens something is not about a message.
  if (changes.some(({ detail }) => /^aria-(?:expanded|selected|checked|pressed)=/.test(detail))) return;
  await notes.trials.after(moves, async (page) => {
    const outermost = candidates.flatMap(({ at }) => page.nodeWith(at) ?? []);
    const nodes = outermost.filter(
      (node) => firstOf(elementsAbove(page.scene.page.index, node), (up) => outermost.includes(up)) === null,
    );
    if (nodes.length === 0 || nodes.length > MOST_AT_ONCE) return;
    const message = nodes.find((node) => isMessage(page, node));
    if (message === undefined) return;
    notes.try("roles.change-announced");
    const text = textContent(message);
    if (effect.said.some((said) => said.includes(text)) || isHeardWithFocus(page, message)) return;
    const element = toldNode(page, message);
    const told = keysText(before, `"${text}" shows, and nothing is heard`);
    const at = page.keyOf(message);
    // What a second press takes away again is shown and hidden, not said.
    await make(page, press(key));
    const again = page.nodeWith(at);
    if (again === null || textContent(again) !== text || !page.isVisible(page.elementOf(again))) return;
    notes.fail(
      "roles.change-announced",
      element,
      `"${text}" appears when this is done, takes no focus and stands in no live region.`,
      'Let it appear in an element with role="status", or role="alert" where it cannot wait, that was there before.',
      told,
    );
  });
}

function isMessage(page: LivePage, node: ElementNode): boolean {
  const { scene } = page;
  const text = textContent(node);
  if (text.length > LONGEST || !messageWords.test(text)) return false;
  const isPart = (one: ElementNode) =>
    /^(?:h[1-6]|a|button|input|select|textarea|li|tr|td|dt|dd|option|label|legend|title)$/.test(one.tag);
  return (
    !isPart(node) &&
    firstOf(elementsBelow(scene.page.index, node), isPart) === null &&
    firstOf(
      elementsAbove(scene.page.index, node),
      (up) => toldOtherwise.has(scene.role(up).role ?? "") || /^(?:li|tr|dl|button|a|label)$/.test(up.tag),
    ) === null
  );
}

/** Whether focus is in it, or on something that it names or describes. */
function isHeardWithFocus(page: LivePage, message: ElementNode): boolean {
  const focused = page.focused();
  const node = focused === null ? null : page.nodeOf(focused);
  if (focused === null || node === null) return false;
  if (page.elementOf(message).contains(focused)) return true;
  const text = textContent(message);
  const { scene } = page;
  return scene.name(node).text.includes(text) || scene.description(node).text.includes(text);
}
