import { activates } from "../core/checks/keys/activates.ts";
import { dialogGivesBack } from "../core/checks/keys/dialog-gives-back.ts";
import { focusNotLost } from "../core/checks/keys/focus-not-lost.ts";
import { noSurpriseOnFocus } from "../core/checks/keys/no-surprise-on-focus.ts";
import { isToldBefore, noSurpriseOnInput } from "../core/checks/keys/no-surprise-on-input.ts";
import { patternKept } from "../core/checks/keys/pattern-kept.ts";
import { stateFollows } from "../core/checks/roles/state-follows.ts";
import { elementsAbove } from "../core/document/around.ts";
import { attributeText, attributeToken } from "../core/document/written.ts";
import type { Role } from "../core/semantics/tables/roles.ts";
import type { Driver, DriverSource } from "../engine/driver.ts";
import {
  type Exploration,
  type Explored,
  nothingTried,
  type SeenAnswer,
  type SeenElement,
  type SeenFinding,
  type SeenOpening,
  type SeenStep,
} from "../engine/explored.ts";
import { arrows, tryComposites } from "./composites.ts";
import { keepsFocus, type OpenedDialog, tryCovering, tryDialog } from "./dialogs.ts";
import { tryDrags } from "./drags.ts";
import { tryField } from "./fields.ts";
import { tryFleeting } from "./fleeting.ts";
import { tryHovers } from "./hovers.ts";
import { pressed } from "./key-log.ts";
import { focusText, keysText } from "./keys-text.ts";
import { tryLetters } from "./letters.ts";
import { tryMessage } from "./messages.ts";
import { Notes, type Stop } from "./notes.ts";
import { tryOpenedPlace } from "./opened-place.ts";
import { type Change, isOfAddress, isOfAttribute } from "./page-state.ts";
import { tryPointed } from "./pointed.ts";
import { runScript } from "./run-script.ts";
import { trySeenFocus } from "./seen-focus.ts";
import { skipLinkKeys, trySkipping } from "./skipping.ts";
import { StateAudit } from "./state-audit.ts";
import { tryStates } from "./states.ts";
import { proveSuspicions, tryArrows } from "./suspicions.ts";
import { seenElement } from "./told-element.ts";
import { tryTrap } from "./traps.ts";
import { didSomething, type Effect, focus, type Move, OutOfTime, press, Trials } from "./trial.ts";
import { tryTyping } from "./typing.ts";

/** How many stops are tried. */
const MOST_STOPS = 30;

/** How often Tab is pressed in what a key opened, for the log. */
const MOST_TABS = 12;

/** How many stops are tried in what a key opened. */
const MOST_INSIDE = 8;

/** How many items of a widget arrow keys are followed through. */
const MOST_ITEMS = 8;

/** Widgets whose own key is the space bar. ARIA Authoring Practices, "checkbox", "switch", "radio group". */
const takesSpace = new Set<Role>(["checkbox", "switch", "radio", "menuitemcheckbox", "menuitemradio"]);

/** The keys that press what has a role. */
const ownKeys = (role: Role | null): readonly string[] =>
  role !== null && takesSpace.has(role) ? ["Space"] : role === "link" ? ["Enter"] : ["Enter", "Space"];

/** Whether a key was seen to do something. */
const isAnswer = (effect: Effect | undefined): boolean =>
  effect !== undefined && !effect.asks && didSomething(effect);

const NEVER_RESTS = "it never comes to rest: it goes on changing by itself, and no key was pressed";

/**
 * Presses the keys on a page and in what they open, or walks it by a script, and tells what does not hold.
 * @param opened the page, where it was opened before and nobody has touched it; it is closed
 */
export async function explore(
  source: DriverSource,
  exploration: Exploration,
  opened: Driver | null = null,
): Promise<Explored> {
  const { script } = exploration;
  if (script === null) return new Explorer(source, exploration, opened).explored();
  await opened?.close();
  const { lines, steps, problems } = await runScript(source, script);
  return { ...nothingTried, steps, script: lines, problems };
}

class Explorer {
  readonly #trials: Trials;
  readonly #steps: SeenStep[] = [];
  readonly #openings: SeenOpening[] = [];
  readonly #log: boolean;
  readonly #notes: Notes;
  /** What aria-expanded says on each stop before anything is pressed, by key. */
  readonly #expanded = new Map<string, string | null>();
  /** Stops whose items go on beyond what was tried, by key. */
  readonly #cutShort = new Set<string>();
  /** What the page gives focus to as it opens, by key. */
  #focusedAtFirst: string | null = null;
  #skipLinks: ReadonlySet<string> = new Set();
  /** What keys do, on every stop. */
  readonly #effects: Effect[] = [];
  readonly #audit: StateAudit | null;

  constructor(source: DriverSource, { patience, plan, log }: Exploration, opened: Driver | null) {
    this.#log = log;
    this.#audit = plan === null ? null : new StateAudit(plan);
    const lookAgain = async (page: Driver, moves: readonly Move[]) =>
      this.#audit?.look(page, moves, keysText(this.#notes.keysOf(moves), await focusText(page)));
    this.#trials = new Trials(source, patience, lookAgain, opened);
    this.#notes = new Notes(this.#trials);
  }

  async explored(): Promise<Explored> {
    const isCutShort = await this.#run();
    return {
      states: this.#audit?.results ?? null,
      steps: this.#steps,
      openings: this.#openings,
      script: null,
      findings: this.#findings,
      tried: this.#notes.tried,
      answered: this.#notes.answered,
      held: [...this.#trials.held.values()],
      problems: [...this.#trials.problems],
      isCutShort,
    };
  }

  /** What pressing shows, and what the checks of source find in the states it came to. */
  get #findings(): readonly SeenFinding[] {
    const { findings, answered } = this.#notes;
    const keyOf = ({ check, element }: SeenAnswer): string => `${check} ${element.path}`;
    const pressed = new Set(findings.map(keyOf));
    const known = new Set(answered.map(keyOf));
    const refuted = new Set(answered.filter(({ isSure }) => isSure === true).map(keyOf));
    const states = (this.#audit?.findings ?? []).filter(
      (one) =>
        !pressed.has(keyOf(one)) &&
        !refuted.has(keyOf(one)) &&
        !(one.outcome === "cantTell" && known.has(keyOf(one))),
    );
    return [...findings, ...states];
  }

  /** Whether time ran out. */
  async #run(): Promise<boolean> {
    try {
      const { isAlive, rests } = await this.#trials.peek(async (page) => {
        await this.#audit?.look(page, [], null);
        return { isAlive: page.isAlive, rests: page.rests };
      });
      if (!rests) {
        this.#trials.problems.add(NEVER_RESTS);
        return false;
      }
      await this.#trials.lookIdle();
      await this.#walk();
      await trySeenFocus(this.#notes);
      if (!isAlive) {
        await proveSuspicions(this.#audit, this.#trials);
        return false;
      }
      await this.#noteExpanded();
      await tryTrap(this.#notes, [], "");
      await tryComposites(this.#notes, []);
      for (const stop of this.#notes.stops.slice(0, MOST_STOPS)) await this.#tryStop(stop);
      for (const stop of this.#notes.stops.slice(0, MOST_STOPS)) await this.#tryArrows(stop);
      const hasLetters = await tryLetters(this.#notes);
      await tryHovers(this.#notes, this.#effects);
      // Only where every stop was tried can no key be said to do it; a letter may be a way to anything.
      const isAllTried = this.#notes.stops.length <= MOST_STOPS && !this.#effects.some(({ asks }) => asks);
      if (isAllTried && !hasLetters) {
        await tryPointed(this.#notes, this.#effects, this.#cutShort);
        await tryDrags(this.#notes, this.#effects);
      }
      await proveSuspicions(this.#audit, this.#trials);
      await tryArrows(this.#audit, this.#trials);
      return false;
    } catch (error) {
      if (error instanceof OutOfTime) return true;
      throw error;
    } finally {
      await this.#trials.close();
    }
  }

  /** Tab, once around, and what happens on the way. */
  async #walk(): Promise<void> {
    await this.#trials.after([], async (page) => {
      const stops: Stop[] = [];
      const most = (await page.moment()).stops().length * 2 + 10;
      // Where a page gives focus itself, what stands before comes once Tab has gone out of the page.
      this.#focusedAtFirst = await page.focused();
      let goesRound = this.#focusedAtFirst !== null;
      for (let n = 0; n < most; n++) {
        const before = (await page.happenings()).left.length;
        this.#steps.push(await pressed(page, "Tab", (changes) => this.#trials.restful(changes)));
        const key = await page.focused();
        const moment = await page.moment();
        const node = key === null ? null : moment.element(key);
        const element = node === null ? null : seenElement(moment, node);
        this.#notes.try(noSurpriseOnFocus);
        const left = (await page.happenings()).left[before];
        if (left !== undefined && !this.#trials.leavesByItself)
          this.#notes.fail(
            noSurpriseOnFocus,
            element,
            `Coming here with Tab alone ${left}, before anything is pressed.`,
            "Do it when the element is activated, not when it is reached.",
            keysText([...Array(n + 1).fill("Tab")], left),
          );
        if (key === null && goesRound) {
          goesRound = false;
          continue;
        }
        if (key === null || node === null || element === null) break;
        if (stops.some((stop) => stop.key === key)) break;
        const { role } = moment.scene.role(node);
        const isWarned = isToldBefore(moment.scene, node);
        stops.push({ key, element, role, tag: node.tag, tabs: n + 1, isWarned });
      }
      this.#notes.stops = stops;
    });
  }

  /** Keys and a pointer on one stop, and what opens by them. */
  async #tryStop(stop: Stop): Promise<void> {
    const { key: element, role, tag } = stop;
    const isText = /^(?:textbox|searchbox|combobox|spinbutton)$/.test(role ?? "") && tag !== "button";
    // What Enter does on a link of the browser's own a press does too, and Space only scrolls.
    const isPlainLink = tag === "a" && role === "link" && (await this.#trials.peek(hearsNoPress(element)));
    const tried = isText || tag === "select" ? ["ArrowDown"] : isPlainLink ? ["Enter"] : ["Enter", "Space"];
    const byKey = new Map<string, Effect>();
    for (const key of tried) byKey.set(key, await this.#effect([focus(element), press(key)]));
    // Where one arrow key changes a value the other does too.
    if (isText && isAnswer(byKey.get("ArrowDown")))
      byKey.set("ArrowUp", await this.#effect([focus(element), press("ArrowUp")]));
    const byPointer =
      (isPlainLink ? byKey.get("Enter") : undefined) ??
      (await this.#trials.pointed(element, [focus(element)]));
    if (!isText) this.#notes.try(activates);
    const acts = [...byKey.values()].some((effect) => didSomething(effect) || effect.asks);
    // Sliders, lists and trees are moved through, not pressed; native fields have keys of the browser's own.
    const isPressed = didSomething(byPointer) && !byPointer.asks && !acts && !hasOwnKeys(stop);
    this.#surprise(stop, byKey);
    if (this.#skipLinks.has(element)) await trySkipping(this.#notes, stop);
    if (isText) await tryTyping(this.#notes, stop);
    if (isText) await tryField(this.#notes, stop, byKey.get("ArrowDown") ?? null);
    else if (
      isPressed &&
      (isPressedAlone(role) || !(await this.#notes.movesAnything([focus(element)], arrows)))
    )
      this.#notes.fail(
        activates,
        stop.element,
        "A pointer does something here, and neither Enter nor Space does.",
        'Make it a <button type="button">, or do the same on Enter and Space.',
        this.#notes.keysFrom(stop, ["Enter", "Space"], "nothing"),
      );
    else if (
      role !== null &&
      takesSpace.has(role) &&
      tag !== "input" &&
      byPointer.changes.some(isOwnState(element)) &&
      byKey.get("Space")?.asks === false &&
      byKey.get("Space")?.changes.length === 0
    )
      this.#notes.fail(
        activates,
        stop.element,
        `A click changes this ${role}, and the space bar, its own key, does not.`,
        "Change it on Space too, or use the native control.",
        this.#notes.keysFrom(stop, ["Space"], "nothing"),
      );
    else if (ownKeys(role).every((key) => isAnswer(byKey.get(key))))
      this.#notes.answer(activates, stop.element);
    else if (isMade(stop) && didSomething(byPointer) && !byPointer.asks) this.#deadKey(stop, byKey);
    if (!isText || role === "spinbutton") await tryStates(this.#notes, stop, ownKeys(role));
    for (const [key, effect] of byKey) {
      if (effect.asks) continue;
      this.#lost(stop.element, effect);
      if (didSomething(effect)) this.#follows(stop, key, effect);
      await tryMessage(this.#notes, effect, key, this.#notes.keysOf(effect.moves));
      if (effect.to !== null && effect.to !== effect.from) await tryFleeting(this.#notes, stop, effect);
    }
    const opening = [...byKey.entries()].find(
      ([, effect]) =>
        !effect.isUnanswered && effect.changes.some(({ what, isBare }) => what === "shown" && !isBare),
    );
    if (opening !== undefined) await this.#opened(stop, opening[0], opening[1]);
  }

  /** Of the keys that press something of its role, one that does nothing while another works. */
  #deadKey(stop: Stop, byKey: ReadonlyMap<string, Effect>): void {
    const dead = ownKeys(stop.role).find((key) => {
      const effect = byKey.get(key);
      return effect !== undefined && isNothing(effect);
    });
    const works = [...byKey].find(([, effect]) => isAnswer(effect))?.[0];
    if (dead === undefined || works === undefined) return;
    this.#notes.fail(
      activates,
      stop.element,
      `${dead} does nothing on this ${stop.role}, and ${works} does what a click does.`,
      stop.role === "link"
        ? "Make it a link with an address."
        : 'Make it a <button type="button">, or do the same on both keys.',
      this.#notes.keysFrom(stop, [dead], "nothing"),
    );
  }

  /** What arrow keys lead to from a stop, and what Enter and Space do there. */
  async #tryArrows(stop: Stop): Promise<void> {
    if (/^(?:textbox|searchbox|spinbutton)$/.test(stop.role ?? "")) return;
    // Without a handler arrow keys move only what browsers move: radio buttons, whose group is one stop.
    const { mayMove, isStuck } = await this.#trials.peek(async (page) => {
      const moment = await page.moment();
      const element = moment.element(stop.key);
      const answers = element !== null && (stop.tag === "input" || moment.answersKeys(element));
      const isFixed = ["aria-disabled", "aria-readonly"].some(
        (name) => element !== null && attributeToken(element, name) === "true",
      );
      return {
        mayMove: answers,
        isStuck: element !== null && !answers && stop.role === "slider" && !isFixed,
      };
    });
    if (isStuck) this.#stuck(stop);
    if (!mayMove) return;
    // Some move what is active in them, and keep focus themselves.
    const isMoved = ({ from, to, changes }: Effect) =>
      to !== null && (to === from ? changes.length > 0 : to !== stop.key);
    const pressed = new Set<string>();
    for (const key of ["ArrowRight", "ArrowDown"]) {
      const effects = await this.#trials.repeated([focus(stop.key)], key, MOST_ITEMS, isMoved);
      const [first] = effects;
      if (stop.role === "treeitem" && first !== undefined && first.to === stop.key)
        await this.#branch(stop, key, first);
      this.#effects.push(...effects);
      if (effects.length === MOST_ITEMS && effects.every(isMoved)) this.#cutShort.add(stop.key);
      for (const { moves, from, to, changes } of effects.filter(isMoved)) {
        // Both arrow keys may lead to one item, with nothing else done on the way.
        const item = from === to || changes.length > 0 ? null : to;
        if (item !== null && pressed.has(item)) continue;
        if (item !== null) pressed.add(item);
        for (const last of ["Enter", "Space"]) await this.#effect([...moves, press(last)]);
      }
    }
  }

  /** A value of one's own that nothing moves by key. */
  #stuck(stop: Stop): void {
    this.#notes.fail(
      patternKept,
      stop.element,
      "No key moves this slider: nothing here listens for one.",
      'Move it with the arrow keys, or use <input type="range">, which does so by itself.',
      this.#notes.keysFrom(stop, ["ArrowRight", "ArrowUp"], "nothing"),
    );
  }

  /** A branch of a tree that an arrow key opens, and the opposite one closes. */
  async #branch(stop: Stop, key: string, effect: Effect): Promise<void> {
    if (effect.asks || !didSomething(effect)) return;
    this.#follows(stop, key, effect);
    const shown = shownBy(effect);
    if (shown.size > 0)
      this.#followsBack(stop, shown, await this.#effect([...effect.moves, press("ArrowLeft")]));
  }

  async #effect(moves: readonly Move[]): Promise<Effect> {
    const effect = await this.#trials.effect(moves);
    this.#effects.push(effect);
    return effect;
  }

  #lost(element: SeenElement, effect: Effect): void {
    if (didSomething(effect)) this.#notes.try(focusNotLost);
    if (!effect.isGone || effect.left.length > 0) return;
    // What had focus when the page opened was led to by nothing that focus could go back to.
    if (effect.moves.length === 2 && effect.from === this.#focusedAtFirst) return;
    // A link within the page leads focus on: Tab goes on from what it names.
    if (effect.changes.some(isOfAddress)) return;
    const keys = this.#notes.keysOf(effect.moves);
    this.#notes.fail(
      focusNotLost,
      element,
      `${keys.at(-1)} here takes away what has focus, and focus falls to the page.`,
      "Move focus to what comes next, or to the list it was in.",
      keysText(keys, "focus on nothing"),
    );
  }

  /** A value that changes must not change where one is. WCAG 2.2, 3.2.2. */
  #surprise(stop: Stop, byKey: ReadonlyMap<string, Effect>): void {
    const changing = changedBy(stop);
    const effect = changing === null ? undefined : byKey.get(changing);
    if (effect === undefined || changing === null) return;
    this.#notes.try(noSurpriseOnInput);
    const [leaves] = effect.left;
    if (leaves === undefined || stop.isWarned || this.#trials.leavesByItself) return;
    this.#notes.fail(
      noSurpriseOnInput,
      stop.element,
      `Changing this alone ${leaves}, and nothing says so before.`,
      "Leave it to a button, or say beforehand what choosing does.",
      keysText(this.#notes.keysOf(effect.moves), leaves),
    );
  }

  /** A state that is told must change with what it is about. */
  #follows(stop: Stop, key: string, effect: Effect): void {
    if (this.#expanded.get(stop.key) != null) this.#notes.try(stateFollows);
    const stopChanges = effect.changes.filter((change) => change.key === stop.key);
    // What it shows in itself is its value, but for a branch, and what is only announced opens nothing.
    const toggles = effect.changes.some(
      ({ what, key: changed, isBare, isLive, inside }) =>
        (what === "shown" || what === "hidden") &&
        changed !== stop.key &&
        (stop.role === "treeitem" || !inside.includes(stop.key)) &&
        !isBare &&
        !isLive,
    );
    if (!toggles || stopChanges.some((change) => isOfAttribute(change, expanded)) || effect.isGone) return;
    const isTold = this.#expanded.get(stop.key) ?? null;
    if (isTold === null) return;
    this.#notes.fail(
      stateFollows,
      stop.element,
      `What this opens and closes changes, and aria-expanded stays "${isTold}".`,
      "Set aria-expanded whenever the part is opened or closed.",
      this.#notes.keysFrom(stop, [key], `aria-expanded="${isTold}"`),
    );
  }

  /** What tells that it is open must not go on telling it once what it opened is closed. */
  #followsBack(stop: Stop, shown: ReadonlySet<string>, effect: Effect): void {
    const { total, changes, asks, isGone, moves } = effect;
    const isTold = total.some(
      (change) =>
        change.key === stop.key &&
        isOfAttribute(change, expanded) &&
        "value" in change &&
        change.value === "true",
    );
    const isClosed =
      changes.some(({ key, what }) => what === "hidden" && shown.has(key)) &&
      !total.some(({ what, isBare }) => what === "shown" && !isBare);
    if (!isTold || !isClosed || asks || isGone) return;
    const keys = this.#notes.keysOf(moves);
    this.#notes.fail(
      stateFollows,
      stop.element,
      `${keys.at(-1)} closes what this opens, and aria-expanded stays "true".`,
      "Set aria-expanded whenever the part is opened or closed.",
      keysText(keys, 'aria-expanded="true"'),
    );
  }

  /** What opens a dialog, a list or a menu. */
  async #opened(stop: Stop, key: string, effect: Effect): Promise<void> {
    const moves = effect.moves;
    const shown = shownBy(effect);
    if (this.#log) await this.#tellOpening(stop, key);
    const dialogs = await this.#trials.after(moves, (page) => dialogsAmong(page, shown));
    let isAnyModal = false;
    for (const dialog of dialogs) {
      const isMadeModal = !dialog.isModal && (await keepsFocus(this.#trials, moves, dialog));
      if (dialog.isModal || isMadeModal) await tryDialog(this.#notes, stop, key, moves, dialog);
      if (isMadeModal) await tryCovering(this.#notes, stop, key, moves, dialog);
      isAnyModal ||= dialog.isModal || isMadeModal;
    }
    if (dialogs.length === 0) await tryTrap(this.#notes, moves, key);
    if (!isAnyModal) await this.#leavingKeys(stop, effect, shown);
    if (!isAnyModal) await tryOpenedPlace(this.#notes, stop, key, moves, shown);
    if (effect.to === stop.key && this.#expanded.get(stop.key) != null)
      for (const again of [key, "Escape"])
        this.#followsBack(stop, shown, await this.#effect([...moves, press(again)]));
    await tryComposites(this.#notes, moves, shown);
    await this.#inside(
      stop,
      moves,
      shown,
      dialogs.map((dialog) => dialog.key),
    );
  }

  /** Escape and Enter on what focus went to in a list or a menu that was opened. */
  async #leavingKeys(stop: Stop, { moves, to }: Effect, shown: ReadonlySet<string>): Promise<void> {
    const inShown = await this.#trials.after(moves, async (page) => {
      const moment = await page.moment();
      const node = to === null ? null : moment.element(to);
      return node !== null &&
        [node, ...elementsAbove(moment.scene.page.index, node)].some((up) => shown.has(moment.keyOf(up)))
        ? seenElement(moment, node)
        : null;
    });
    if (inShown === null || to === null) return;
    for (const key of ["Escape", "Enter", "Tab"]) {
      const effect = await this.#effect([...moves, press(key)]);
      if (key !== "Tab" && !effect.asks) this.#lost(stop.element, effect);
      this.#followsBack(stop, shown, effect);
      if (key !== "Enter") continue;
      if (isNothing(effect) && inShown.role === "menuitem") await this.#deadItem(inShown, to, moves);
      else await tryMessage(this.#notes, effect, key, this.#notes.keysOf(effect.moves));
    }
  }

  /** An item of a menu on which Enter does nothing, and a click does something. ARIA Authoring Practices, "menu". */
  async #deadItem(item: SeenElement, key: string, moves: readonly Move[]): Promise<void> {
    const byPointer = await this.#trials.pointed(key, moves);
    if (!didSomething(byPointer) || byPointer.asks) return;
    this.#notes.fail(
      activates,
      item,
      "A pointer does something here, and Enter does not.",
      'Make it a <button type="button">, or do the same on Enter.',
      keysText([...this.#notes.keysOf(moves), "Enter"], "nothing"),
    );
  }

  /** What Enter does in what was opened. */
  async #inside(
    opener: Stop,
    moves: readonly Move[],
    shown: ReadonlySet<string>,
    dialogs: readonly string[],
  ): Promise<void> {
    const stops = await this.#trials.after(moves, (page) => stopsAmong(page, shown));
    for (const { key, element } of stops.slice(0, MOST_INSIDE)) {
      const there = [...moves, focus(key, element.heard), press("Enter")];
      const effect = await this.#effect(there);
      if (effect.asks) continue;
      const closes = effect.changes.some(
        (change) => change.what === "hidden" && dialogs.includes(change.key),
      );
      if (!closes) this.#lost(element, effect);
      else if (effect.isGone && effect.left.length === 0)
        this.#notes.fail(
          dialogGivesBack,
          opener.element,
          "A button closes the dialog that this opens, and focus falls to the page.",
          "Give focus back to what opened it.",
          keysText(this.#notes.keysOf(there), "focus on nothing"),
        );
      await tryMessage(this.#notes, effect, "Enter", this.#notes.keysOf(there));
    }
    const [first] = stops;
    if (first === undefined || dialogs.length > 0) return;
    const effect = await this.#effect([...moves, focus(first.key, first.element.heard), press("Escape")]);
    if (!effect.asks) this.#lost(first.element, effect);
    this.#followsBack(opener, shown, effect);
  }

  /** Tab through what a key opened, and Escape. */
  async #tellOpening(stop: Stop, key: string): Promise<void> {
    await this.#trials.after([focus(stop.key)], async (page) => {
      const next = (one: string) => pressed(page, one, (changes) => this.#trials.restful(changes));
      const steps = [await next(key)];
      const seen = new Set<string | null>([await page.focused()]);
      for (let n = 0; n < MOST_TABS; n++) {
        steps.push(await next("Tab"));
        const now = await page.focused();
        if (now === null || seen.has(now)) break;
        seen.add(now);
      }
      steps.push(await next("Escape"));
      this.#openings.push({ at: stop.element, key, steps });
    });
  }

  /** Notes what each stop says of itself before anything is pressed, and which are skip links with stops to lead past. */
  async #noteExpanded(): Promise<void> {
    await this.#trials.peek(async (page) => {
      const moment = await page.moment();
      this.#skipLinks = skipLinkKeys(moment);
      for (const { key } of this.#notes.stops) {
        const element = moment.element(key);
        this.#expanded.set(key, element === null ? null : attributeText(element, "aria-expanded"));
      }
    });
  }
}

/** Whether an element has an address, and nothing listens on it for what a pointer or a key does. */
const hearsNoPress =
  (key: string) =>
  async (page: Driver): Promise<boolean> => {
    const moment = await page.moment();
    const element = moment.element(key);
    return (
      element?.attributes.has("href") === true &&
      ![...moment.listens(element)].some((type) => /^(?:click|mouse|pointer|touch|key)/.test(type))
    );
  };

/** The keys of what came to be seen. */
const shownBy = ({ changes }: Effect): ReadonlySet<string> =>
  new Set(changes.filter(({ what }) => what === "shown").map(({ key }) => key));

/** Whether a key did nothing at all, as far as anybody can see. */
const isNothing = (effect: Effect): boolean =>
  !effect.asks && !didSomething(effect) && effect.to === effect.from;

/** The dialogs among what was shown. */
async function dialogsAmong(page: Driver, shown: ReadonlySet<string>): Promise<readonly OpenedDialog[]> {
  const moment = await page.moment();
  return moment.scene.page.index.elements.flatMap((node) => {
    const { role } = moment.scene.role(node);
    const key = moment.keyOf(node);
    if ((role !== "dialog" && role !== "alertdialog") || !shown.has(key)) return [];
    const isModal = attributeText(node, "aria-modal") === "true" || moment.isModal(node);
    return [{ key, isModal, element: seenElement(moment, node) }];
  });
}

/** The stops in what was shown, but for fields. */
async function stopsAmong(
  page: Driver,
  shown: ReadonlySet<string>,
): Promise<readonly { readonly key: string; readonly element: SeenElement }[]> {
  const moment = await page.moment();
  return moment.stops().flatMap((node) => {
    const isNew = [node, ...elementsAbove(moment.scene.page.index, node)].some((up) =>
      shown.has(moment.keyOf(up)),
    );
    if (!isNew || /^(?:input|textarea|select)$/.test(node.tag)) return [];
    return [{ key: moment.keyOf(node), element: seenElement(moment, node) }];
  });
}

/** Fields whose keys are the browser's: a simulated window knows not all of them. */
const hasOwnKeys = ({ tag, role }: Stop): boolean =>
  /^(?:select|textarea|video|audio|iframe)$/.test(tag) ||
  (tag === "input" && !/^(?:button|checkbox|radio|switch)$/.test(role ?? ""));

/** What is pressed and nothing else: arrow keys may lead on from it, and do not do its work. */
const isPressedAlone = (role: Role | null): boolean =>
  role === "button" || role === "link" || role === "checkbox" || role === "switch";

/** Made to be pressed by a role alone, where the browser has no keys for it. */
const isMade = ({ tag, role }: Stop): boolean =>
  (role === "button" || role === "link") && !/^(?:button|a|input|summary|area)$/.test(tag);

/** The key by which people change the value of a field; null for what has none, or a button to send it. */
function changedBy({ tag, role }: Stop): string | null {
  if (tag === "select") return "ArrowDown";
  return tag === "input" && /^(?:checkbox|radio|switch)$/.test(role ?? "") ? "Space" : null;
}

const expanded = new Set(["aria-expanded"]);
const turned = new Set(["aria-checked", "aria-pressed", "aria-selected"]);

const isOwnState =
  (element: string) =>
  (change: Change): boolean =>
    change.key === element && isOfAttribute(change, turned);
