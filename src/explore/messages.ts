import { changeAnnounced } from "../core/checks/roles/change-announced.ts";
import { messageWords } from "../core/checks/roles/message-words.ts";
import { elementsAbove, elementsBelow, firstOf } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import { textContent } from "../core/document/text-content.ts";
import { attributeText, writtenText } from "../core/document/written.ts";
import type { Moment } from "../engine/driver.ts";
import { isInside, visibleElement } from "./around.ts";
import { keysText } from "./keys-text.ts";
import type { Notes } from "./notes.ts";
import type { Change } from "./page-state.ts";
import { seenElement } from "./told-element.ts";
import { type Effect, make, press } from "./trial.ts";

const turned = new Set(["aria-expanded", "aria-selected", "aria-checked", "aria-pressed"]);

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
  const candidates = changes.filter(
    (change) => change.what === "shown" || (change.what === "text" && change.was === ""),
  );
  if (asks || left.length > 0 || candidates.length === 0) return;
  if (changes.some(turnsOn)) return;
  await notes.trials.after(moves, async (page) => {
    const moment = await page.moment();
    const shown = candidates.flatMap((change) => moment.element(change.key) ?? []);
    const nodes = shown.filter(
      (node) => firstOf(elementsAbove(moment.scene.page.index, node), (up) => shown.includes(up)) === null,
    );
    if (nodes.length === 0 || nodes.length > MOST_AT_ONCE) return;
    const from = effect.from === null ? null : moment.element(effect.from);
    const isPressed = from !== null && moment.scene.role(from).role === "button";
    const focused = await page.focused();
    const message = nodes
      .flatMap((node) => messageIn(moment, node, focused) ?? [])
      .find((node) => messageWords.test(textContent(node)) || (isPressed && isBesideField(moment, node)));
    if (message === undefined) return;
    notes.try(changeAnnounced);
    const text = textContent(message);
    const isHeard = effect.said.some((said) => said.includes(text));
    if (isHeard || isHeardWithFocus(moment, message, focused)) return;
    // What a second press takes away again is shown and hidden, not said.
    if (focused === effect.from) {
      await make(page, press(key));
      const again = visibleElement(await page.moment(), moment.keyOf(message));
      if (again === null || textContent(again) !== text) return;
    }
    notes.fail(
      changeAnnounced,
      seenElement(moment, message),
      `"${text}" appears when this is done, takes no focus and stands in no live region.`,
      'Let it appear in an element with role="status", or role="alert" where it cannot wait, that was there before.',
      keysText(before, `"${text}" shows, and nothing is heard`),
    );
  });
}

/** What says that it opens or chooses something is not about a message; what closes may leave one behind. */
const turnsOn = (change: Change): boolean =>
  change.what === "attribute" &&
  turned.has(change.name) &&
  change.value !== null &&
  !(change.name === "aria-expanded" && change.value === "false");

/** The message that something shown is, or that a note over the page holds beside the button that closes it. */
function messageIn(moment: Moment, node: ElementNode, focused: string | null): ElementNode | null {
  if (isMessage(moment, node)) return node;
  const { index, styles } = moment.scene.page;
  const all = [node, ...elementsBelow(index, node)];
  const isOver = all.some(
    (one) => styles.keyword(one, "position") === "fixed" || isPassingDialog(moment, one, focused),
  );
  const controls = all.filter(({ tag }) => /^(?:a|button|input|select|textarea)$/.test(tag));
  if (!isOver || controls.some(({ tag }) => tag !== "button") || controls.length > MOST_BUTTONS) return null;
  const words = all.filter(
    (one) =>
      one.children.some((child) => child.kind === "text" && /\p{L}/u.test(writtenText(child.value))) &&
      !controls.some((control) => isInside(moment, one, control)),
  );
  return words.find((one) => textContent(one).length <= LONGEST) ?? null;
}

/** How many buttons a note over the page has: one that undoes, and one that closes it. */
const MOST_BUTTONS = 2;

/** A dialog that takes no focus, and is over before anybody comes to it. */
function isPassingDialog(moment: Moment, element: ElementNode, focused: string | null): boolean {
  if (!/^(?:alert)?dialog$/.test(moment.scene.role(element).role ?? "")) return false;
  const at = focused === null ? null : moment.element(focused);
  return (
    !moment.isModal(element) &&
    attributeText(element, "aria-modal") !== "true" &&
    (at === null || !isInside(moment, at, element))
  );
}

function isMessage({ scene }: Moment, node: ElementNode): boolean {
  const text = textContent(node);
  if (text.length > LONGEST || !/\p{L}/u.test(text)) return false;
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

/** How far around a message its field stands. */
const FARTHEST_FIELD = 2;

/** Whether it stands with one field, and so is about what was filled in there, in any language. */
function isBesideField({ scene }: Moment, node: ElementNode): boolean {
  const { index } = scene.page;
  let around = index.flatParent(node);
  for (let step = 0; step < FARTHEST_FIELD && around !== null && around.tag !== "body"; step++) {
    const fields = [...elementsBelow(index, around)].filter(
      (one) =>
        /^(?:input|select|textarea)$/.test(one.tag) &&
        !/^(?:hidden|button|submit)$/.test(attributeText(one, "type") ?? ""),
    );
    if (fields.length > 0) return fields.length === 1;
    around = index.flatParent(around);
  }
  return false;
}

/** Whether focus is in it, or on something that it names or describes. */
function isHeardWithFocus(moment: Moment, message: ElementNode, focused: string | null): boolean {
  const node = focused === null ? null : moment.element(focused);
  if (node === null) return false;
  if (isInside(moment, node, message)) return true;
  const text = textContent(message);
  const { scene } = moment;
  return scene.name(node).text.includes(text) || scene.description(node).text.includes(text);
}
