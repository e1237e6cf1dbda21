import { stateFollows } from "../core/checks/roles/state-follows.ts";
import { elementsBelow } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import { attributeText, attributeTokens, writtenText } from "../core/document/written.ts";
import type { Role } from "../core/semantics/tables/roles.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import type { Notes, Stop } from "./notes.ts";
import { seenElement } from "./told-element.ts";
import { focus } from "./trial.ts";

/** What is said of something that a press turns on and off, by its role. WAI-ARIA 1.2 §6.6. */
const toggled: Readonly<Partial<Record<Role, readonly string[]>>> = {
  checkbox: ["aria-checked"],
  switch: ["aria-checked"],
  menuitemcheckbox: ["aria-checked"],
  button: ["aria-pressed"],
};

/** What is said of a value that arrow keys change. */
const values = ["aria-valuenow", "aria-valuetext"];

/** What is said of the one in a row that is chosen, or where one is. */
const marks = ["aria-selected", "aria-current", "aria-checked"];

/** Whether the states that are told follow what keys change to look at. WCAG 2.2, 4.1.2. */
export async function tryStates(notes: Notes, stop: Stop, keys: readonly string[]): Promise<void> {
  if (stop.tag === "input" || stop.tag === "select" || stop.tag === "textarea") return;
  const toggles = (stop.role === null ? undefined : toggled[stop.role]) ?? [];
  const { saysSo, hasRows } = await notes.trials.peek(async (page) => ({
    saysSo: (await lookOf(page, stop.key, toggles))?.said !== "",
    hasRows: rowsIn(await page.moment()).some(hasOneChosen),
  }));
  if (saysSo) for (const key of keys) await tryToggle(notes, stop, key, toggles);
  if (stop.role === "slider" || stop.role === "spinbutton")
    for (const key of ["ArrowRight", "ArrowUp"]) await tryValue(notes, stop, key);
  if (hasRows) for (const key of [...keys, "ArrowDown", "ArrowRight"]) await tryMark(notes, stop, key);
}

/** What changes to look at with one press and back with the next is on or off: it must be said. */
async function tryToggle(notes: Notes, stop: Stop, key: string, names: readonly string[]): Promise<void> {
  const seen = await notes.trials.after([focus(stop.key)], async (page) => {
    const looks: (Look | null)[] = [];
    // What it looks like before any key may only tell that none was pressed.
    for (let n = 0; n < 3; n++) {
      await page.press(key);
      await page.settle();
      looks.push(await lookOf(page, stop.key, names));
    }
    return looks;
  });
  const [first, second, third] = seen;
  if (first == null || second == null || third == null || first.said === "") return;
  notes.try(stateFollows);
  if (first.look === second.look || first.look !== third.look) return;
  if (first.said !== second.said || first.said !== third.said) return;
  notes.fail(
    stateFollows,
    stop.element,
    `${first.said} stays the same, though ${key} changes how this looks, and back.`,
    `Set ${names[0]} whenever it is turned on or off.`,
    notes.keysFrom(stop, [key], first.said),
  );
}

/** A value that moves to look at is told in numbers. */
async function tryValue(notes: Notes, stop: Stop, key: string): Promise<void> {
  const [before, after] = await notes.trials.after([focus(stop.key)], async (page) => {
    const was = await lookOf(page, stop.key, values, true);
    await page.press(key);
    await page.settle();
    return [was, await lookOf(page, stop.key, values, true)];
  });
  if (before == null || after == null || before.said === "") return;
  notes.try(stateFollows);
  if (before.look === after.look || before.said !== after.said) return;
  notes.fail(
    stateFollows,
    stop.element,
    `${after.said} stays the same, though ${key} moves this ${stop.role}.`,
    "Set aria-valuenow whenever the value changes, and aria-valuetext where a number says too little.",
    notes.keysFrom(stop, [key], after.said),
  );
}

interface Look {
  /** Classes, styles, data and words of the element and of what is in it. */
  readonly look: string;
  /** What it says of its state; empty where it says nothing. */
  readonly said: string;
}

/** @param withBox whether the box right around it belongs to its look: what moves is often moved with its box */
async function lookOf(
  page: Driver,
  key: string,
  names: readonly string[],
  withBox = false,
): Promise<Look | null> {
  const moment = await page.moment();
  const element = moment.element(key);
  if (element === null) return null;
  const { index } = moment.scene.page;
  const box = withBox ? index.parent(element) : null;
  const own = [...(box === null ? [] : [box]), element, ...elementsBelow(index, element)];
  return {
    look: own.map((one) => [one.tag, ...looks(one), textOf(one)].join(" ")).join("\n"),
    said: names
      .flatMap((name) => {
        const value = attributeText(element, name);
        return value === null ? [] : [`${name}="${value}"`];
      })
      .join(" "),
  };
}

/** Attributes by which styles are chosen. */
const looks = ({ attributes }: ElementNode): readonly string[] =>
  [...attributes].flatMap(([name, { value }]) =>
    name === "class" || name === "style" || name.startsWith("data-") ? [`${name}=${writtenText(value)}`] : [],
  );

const textOf = ({ children }: ElementNode): string =>
  children.map((child) => (child.kind === "text" ? JSON.stringify(child.value) : "")).join("");

/** One of several alike: what marks it to look at, and what it says of itself. */
interface Item {
  readonly key: string;
  readonly classes: ReadonlySet<string>;
  readonly said: ReadonlyMap<string, string>;
}

/** A class that marks the one element that says it is chosen, and goes over to another without that saying so. */
async function tryMark(notes: Notes, stop: Stop, key: string): Promise<void> {
  const found = await notes.trials.after([], async (page) => {
    // Before anything has focus: a class that shows focus goes with it, and is no mark of what is chosen.
    const before = rowsIn(await page.moment()).filter(hasOneChosen);
    if (before.length === 0) return null;
    await page.focus(stop.key);
    await page.press(key);
    await page.settle();
    const moment = await page.moment();
    const after = new Map(rowsIn(moment).flatMap((row) => row.map((item) => [item.key, item] as const)));
    const moved = before.map((row) => movedTo(row, after)).find((one) => one !== null);
    if (moved === undefined || moved === null) return null;
    const element = moment.element(moved.key);
    return element === null ? null : { ...moved, element: seenElement(moment, element) };
  });
  if (found === null) return;
  notes.fail(
    stateFollows,
    found.element,
    `${found.state} ${found.stays ? "stays on another one" : "is on none of them"}, though ${key} marks this one.`,
    `Move ${found.state} together with what one sees.`,
    notes.keysFrom(stop, [key], `${found.state} elsewhere`),
  );
}

/** Elements of one role side by side. */
function rowsIn(moment: Moment): readonly (readonly Item[])[] {
  const { index } = moment.scene.page;
  const rows = new Map<string, Item[]>();
  for (const element of index.elements) {
    const { role } = moment.scene.role(element);
    if (role === null || role === "generic" || role === "listitem") continue;
    // Items of a list stand in boxes of their own.
    const parent = index.parent(element);
    const box = parent?.tag === "li" ? index.parent(parent) : parent;
    if (box === null) continue;
    const said = new Map(
      marks.flatMap((name) => {
        const value = attributeText(element, name);
        return value === null || value === "false" ? [] : [[name, value] as const];
      }),
    );
    const place = `${moment.keyOf(box)} ${role}`;
    const item = { key: moment.keyOf(element), classes: new Set(attributeTokens(element, "class")), said };
    rows.set(place, [...(rows.get(place) ?? []), item]);
  }
  return [...rows.values()];
}

const hasOneChosen = (row: readonly Item[]): boolean =>
  row.length > 1 && row.filter(({ said }) => said.size > 0).length === 1;

/** Where the class of the chosen one went, while what it says did not go along; null where nothing of the kind happened. */
function movedTo(
  row: readonly Item[],
  after: ReadonlyMap<string, Item>,
): { readonly key: string; readonly state: string; readonly stays: boolean } | null {
  const chosen = row.find(({ said }) => said.size > 0);
  const stays = chosen === undefined ? undefined : after.get(chosen.key);
  const [state] = chosen?.said.keys() ?? [];
  if (chosen === undefined || stays === undefined || state === undefined) return null;
  // It went on to another, as it should.
  if (!stays.said.has(state) && row.some(({ key }) => after.get(key)?.said.has(state) === true)) return null;
  const others = row.filter((item) => item !== chosen);
  for (const name of chosen.classes) {
    if (stays.classes.has(name) || others.some(({ classes }) => classes.has(name))) continue;
    const now = others.filter(({ key }) => after.get(key)?.classes.has(name) === true);
    const [to] = now;
    if (to !== undefined && now.length === 1 && after.get(to.key)?.said.has(state) === false)
      return { key: to.key, state, stays: stays.said.has(state) };
  }
  return null;
}
