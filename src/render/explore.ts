import { isToldBefore } from "../core/checks/keys/no-surprise-on-input.ts";
import { elementsAbove } from "../core/document/around.ts";
import type { Role } from "../core/semantics/tables/roles.ts";
import { arrows, tryComposites } from "./composites.ts";
import { tryDialog } from "./dialogs.ts";
import { tryField } from "./fields.ts";
import { tryHovers } from "./hovers.ts";
import { pressed } from "./key-log.ts";
import { focusText, keysText } from "./keys-text.ts";
import { tryLetters } from "./letters.ts";
import type { LivePage, PageSource } from "./live-page.ts";
import { tryMessage } from "./messages.ts";
import { Notes, type Stop } from "./notes.ts";
import { type Change, keyOf } from "./page-state.ts";
import { tryPointed } from "./pointed.ts";
import type {
  RenderedElement,
  RenderedFinding,
  RenderedOpening,
  RenderedStep,
  RenderResult,
  StatePlan,
  StateResults,
} from "./protocol.ts";
import { told, toldNode } from "./rendered-element.ts";
import type { LiveElement } from "./snapshot.ts";
import { StateAudit } from "./state-audit.ts";
import { proveSuspicions } from "./suspicions.ts";
import { tryTrap } from "./traps.ts";
import { didSomething, type Effect, focus, type Move, OutOfTime, point, press, Trials } from "./trial.ts";

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

const NEVER_RESTS = "it never comes to rest: it goes on changing by itself, and no key was pressed";

/**
 * Presses the keys on a page and in what they open, and tells what does not hold.
 * @param patience milliseconds on the clock on the wall
 * @param opened the page, where it was opened before; it is closed
 * @param log whether what is pressed in what keys open is told
 */
export async function explore(
  source: PageSource,
  patience: number,
  plan: StatePlan | null,
  { opened = null, log = false }: { readonly opened?: LivePage | null; readonly log?: boolean } = {},
): Promise<RenderResult> {
  const exploration = new Exploration(source, patience, plan, opened, log);
  const isCutShort = await exploration.run();
  return {
    states: exploration.states,
    steps: exploration.steps,
    openings: exploration.openings,
    script: null,
    findings: exploration.findings,
    tried: exploration.tried,
    problems: [...exploration.trials.problems],
    isCutShort,
  };
}

class Exploration {
  readonly trials: Trials;
  readonly steps: RenderedStep[] = [];
  readonly openings: RenderedOpening[] = [];
  readonly #log: boolean;
  readonly #notes: Notes;
  /** What aria-expanded says on each stop before anything is pressed. */
  readonly #expanded = new Map<string, string | null>();
  /** What keys do, on every stop. */
  readonly #effects: Effect[] = [];

  readonly #audit: StateAudit | null;

  constructor(
    source: PageSource,
    patience: number,
    plan: StatePlan | null,
    opened: LivePage | null,
    log: boolean,
  ) {
    this.#log = log;
    this.#audit = plan === null ? null : new StateAudit(plan);
    const lookAgain = (page: LivePage, moves: readonly Move[]) =>
      this.#audit?.look(page, moves, keysText(this.#notes.keysOf(moves), focusText(page)));
    this.trials = new Trials(source, patience, lookAgain, opened);
    this.#notes = new Notes(this.trials);
  }

  /** What pressing shows, and what the checks of source find in the states it came to. */
  get findings(): readonly RenderedFinding[] {
    const pressed = new Set(this.#notes.findings.map((one) => `${one.check} ${one.element.path}`));
    const states = this.#audit?.findings.filter((one) => !pressed.has(`${one.check} ${one.element.path}`));
    return [...this.#notes.findings, ...(states ?? [])];
  }

  get states(): StateResults | null {
    return this.#audit?.results ?? null;
  }

  get tried(): ReadonlyMap<string, number> {
    return this.#notes.tried;
  }

  async run(): Promise<boolean> {
    try {
      const { isAlive, rests } = await this.trials.peek((page) => {
        this.#audit?.look(page, [], null);
        return { isAlive: page.isAlive, rests: page.rests };
      });
      if (!rests) {
        this.trials.problems.add(NEVER_RESTS);
        return false;
      }
      await this.trials.lookIdle();
      await this.#walk();
      if (!isAlive) {
        await proveSuspicions(this.#audit, this.trials);
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
      if (isAllTried && !hasLetters) await tryPointed(this.#notes, this.#effects);
      await proveSuspicions(this.#audit, this.trials);
      return false;
    } catch (error) {
      if (error instanceof OutOfTime) return true;
      throw error;
    } finally {
      this.trials.close();
    }
  }

  /** Tab, once around, and what happens on the way. */
  async #walk(): Promise<void> {
    await this.trials.after([], async (page) => {
      const stops: Stop[] = [];
      const most = page.stops().length * 2 + 10;
      for (let n = 0; n < most; n++) {
        const leftBefore = page.left.length;
        this.steps.push(await pressed(page, "Tab", (changes) => this.trials.restful(changes)));
        const now = page.focused();
        const to = told(page, now);
        this.#notes.try("keys.no-surprise-on-focus");
        if (page.left.length > leftBefore && !this.trials.leavesByItself)
          this.#notes.fail(
            "keys.no-surprise-on-focus",
            to,
            `Coming here with Tab alone ${page.left[leftBefore]}, before anything is pressed.`,
            "Do it when the element is activated, not when it is reached.",
            keysText([...Array(n + 1).fill("Tab")], page.left[leftBefore] ?? ""),
          );
        if (now === null || to === null) break;
        const at = keyOf(page, now);
        if (stops.some((stop) => stop.at === at)) break;
        const node = page.nodeOf(now);
        const isWarned = node !== null && isToldBefore(page.scene, node);
        stops.push({ at, element: to, role: (to.role as Role) ?? null, tag: to.tag, isWarned });
      }
      this.#notes.stops = stops;
    });
  }

  /** Keys and a pointer on one stop, and what opens by them. */
  async #tryStop(stop: Stop): Promise<void> {
    const { at, role, tag } = stop;
    const isText = /^(?:textbox|searchbox|combobox|spinbutton)$/.test(role ?? "") && tag !== "button";
    const tried = isText || tag === "select" ? ["ArrowDown"] : ["Enter", "Space"];
    const byKey = new Map<string, Effect>();
    for (const key of tried) byKey.set(key, await this.#effect([focus(at), press(key)]));
    const byPointer = await this.trials.effect([focus(at), point(at)]);
    if (!isText) this.#notes.try("keys.activates");
    const acts = [...byKey.values()].some((effect) => didSomething(effect) || effect.asks);
    // Sliders, lists and trees are moved through, not pressed; native fields have keys of the browser's own.
    const isPressed = didSomething(byPointer) && !byPointer.asks && !acts && !hasOwnKeys(stop);
    this.#surprise(stop, byKey);
    if (isText) await tryField(this.#notes, stop, byKey.get("ArrowDown") ?? null);
    else if (isPressed && !(await this.#notes.movesAnything([focus(at)], arrows)))
      this.#notes.fail(
        "keys.activates",
        stop.element,
        "A pointer does something here, and neither Enter nor Space does.",
        'Make it a <button type="button">, or do the same on Enter and Space.',
        this.#notes.keysAt(stop, ["Enter", "Space"], "nothing"),
      );
    else if (
      role !== null &&
      takesSpace.has(role) &&
      tag !== "input" &&
      byPointer.changes.some(isOwnState(at)) &&
      byKey.get("Space")?.asks === false &&
      byKey.get("Space")?.changes.length === 0
    )
      this.#notes.fail(
        "keys.activates",
        stop.element,
        `A click changes this ${role}, and the space bar, its own key, does not.`,
        "Change it on Space too, or use the native control.",
        this.#notes.keysAt(stop, ["Space"], "nothing"),
      );
    for (const [key, effect] of byKey) {
      if (effect.asks) continue;
      this.#lost(stop.element, effect);
      if (didSomething(effect)) this.#follows(stop, key, effect);
      await tryMessage(this.#notes, effect, key, this.#notes.keysOf(effect.moves));
    }
    const opening = [...byKey.entries()].find(([, effect]) =>
      effect.changes.some(({ what }) => what === "shown"),
    );
    if (opening !== undefined) await this.#opened(stop, opening[0], opening[1]);
  }

  /** What arrow keys lead to from a stop, and what Enter and Space do there. */
  async #tryArrows(stop: Stop): Promise<void> {
    if (/^(?:textbox|searchbox|spinbutton)$/.test(stop.role ?? "")) return;
    // Without a handler arrow keys move only what browsers move: radio buttons, whose group is one stop.
    const mayMove = await this.trials.peek((page) => {
      const element = page.elementWith(stop.at);
      return element !== null && (stop.tag === "input" || page.answersKeys(element));
    });
    if (!mayMove) return;
    for (const key of ["ArrowRight", "ArrowDown"]) {
      const moves: Move[] = [focus(stop.at)];
      let at: string | null = stop.at;
      for (let n = 0; n < MOST_ITEMS; n++) {
        moves.push(press(key));
        const effect = await this.#effect([...moves]);
        if (effect.to === null || effect.to === at || effect.to === stop.at) break;
        at = effect.to;
        for (const last of ["Enter", "Space"]) await this.#effect([...moves, press(last)]);
      }
    }
  }

  async #effect(moves: readonly Move[]): Promise<Effect> {
    const effect = await this.trials.effect(moves);
    this.#effects.push(effect);
    return effect;
  }

  #lost(element: RenderedElement, effect: Effect): void {
    if (didSomething(effect)) this.#notes.try("keys.focus-not-lost");
    if (!effect.isGone || effect.left.length > 0) return;
    const keys = this.#notes.keysOf(effect.moves);
    this.#notes.fail(
      "keys.focus-not-lost",
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
    this.#notes.try("keys.no-surprise-on-input");
    const [leaves] = effect.left;
    if (leaves === undefined || stop.isWarned || this.trials.leavesByItself) return;
    this.#notes.fail(
      "keys.no-surprise-on-input",
      stop.element,
      `Changing this alone ${leaves}, and nothing says so before.`,
      "Leave it to a button, or say beforehand what choosing does.",
      keysText(this.#notes.keysOf(effect.moves), leaves),
    );
  }

  /** A state that is told must change with what it is about. */
  #follows(stop: Stop, key: string, effect: Effect): void {
    if (this.#expanded.get(stop.at) != null) this.#notes.try("roles.state-follows");
    const own = effect.changes.filter((change) => change.at === stop.at);
    const toggles = effect.changes.some(
      ({ what, at }) => (what === "shown" || what === "hidden") && at !== stop.at,
    );
    if (!toggles || own.some(({ detail }) => detail.startsWith("aria-expanded")) || effect.isGone) return;
    const isTold = this.#expanded.get(stop.at) ?? null;
    if (isTold === null) return;
    this.#notes.fail(
      "roles.state-follows",
      stop.element,
      `What this opens and closes changes, and aria-expanded stays "${isTold}".`,
      "Set aria-expanded whenever the part is opened or closed.",
      this.#notes.keysAt(stop, [key], `aria-expanded="${isTold}"`),
    );
  }

  /** What opens a dialog, a list or a menu. */
  async #opened(stop: Stop, key: string, effect: Effect): Promise<void> {
    const moves = effect.moves;
    const shown = new Set(effect.changes.filter(({ what }) => what === "shown").map((change) => change.at));
    if (this.#log) await this.#tellOpening(stop, key);
    const dialogs = await this.trials.after(moves, (page) =>
      page.scene.page.index.elements.flatMap((node) => {
        const role = page.scene.role(node).role;
        const element = page.elementOf(node);
        const isDialog = (role === "dialog" || role === "alertdialog") && shown.has(keyOf(page, element));
        if (!isDialog) return [];
        const isModal = node.attributes.get("aria-modal")?.value === "true" || page.isModal(element);
        return [{ at: keyOf(page, element), isModal, element: toldNode(page, node) }];
      }),
    );
    for (const dialog of dialogs) if (dialog.isModal) await tryDialog(this.#notes, stop, key, moves, dialog);
    if (dialogs.length === 0) await tryTrap(this.#notes, moves, key);
    await tryComposites(this.#notes, moves);
    await this.#inside(
      stop,
      moves,
      shown,
      dialogs.map((dialog) => dialog.at),
    );
  }

  /** What Enter does in what was opened. */
  async #inside(
    opener: Stop,
    moves: readonly Move[],
    shown: ReadonlySet<string>,
    dialogs: readonly string[],
  ): Promise<void> {
    const stops = await this.trials.after(moves, (page) =>
      page.stops().flatMap((element) => {
        const node = page.nodeOf(element);
        const isNew =
          node !== null &&
          [node, ...elementsAbove(page.scene.page.index, node)].some((up) => shown.has(page.keyOf(up)));
        const isText = /^(?:input|textarea|select)$/.test(element.localName);
        return node !== null && isNew && !isText
          ? [{ at: page.keyOf(node), element: toldNode(page, node) }]
          : [];
      }),
    );
    for (const { at, element } of stops.slice(0, MOST_INSIDE)) {
      const there = [...moves, focus(at, element.heard), press("Enter")];
      const effect = await this.#effect(there);
      if (effect.asks) continue;
      const closes = effect.changes.some((change) => change.what === "hidden" && dialogs.includes(change.at));
      if (!closes) this.#lost(element, effect);
      else if (effect.isGone && effect.left.length === 0)
        this.#notes.fail(
          "keys.dialog-gives-back",
          opener.element,
          "A button closes the dialog that this opens, and focus falls to the page.",
          "Give focus back to what opened it.",
          keysText(this.#notes.keysOf(there), "focus on nothing"),
        );
      await tryMessage(this.#notes, effect, "Enter", this.#notes.keysOf(there));
    }
  }

  /** Tab through what a key opened, and Escape. */
  async #tellOpening({ at, element }: Stop, key: string): Promise<void> {
    await this.trials.after([focus(at)], async (page) => {
      const next = (one: string) => pressed(page, one, (changes) => this.trials.restful(changes));
      const steps = [await next(key)];
      const seen = new Set<LiveElement>([page.focused()]);
      for (let n = 0; n < MOST_TABS; n++) {
        steps.push(await next("Tab"));
        const now = page.focused();
        if (now === null || seen.has(now)) break;
        seen.add(now);
      }
      steps.push(await next("Escape"));
      this.openings.push({ at: element, key, steps });
    });
  }

  /** Notes what each stop says of itself before anything is pressed. */
  async #noteExpanded(): Promise<void> {
    await this.trials.peek((page) => {
      for (const { at } of this.#notes.stops)
        this.#expanded.set(at, page.elementWith(at)?.getAttribute("aria-expanded") ?? null);
    });
  }
}

/** Fields whose keys are the browser's: a simulated window knows not all of them. */
const hasOwnKeys = ({ tag, role }: Stop): boolean =>
  /^(?:select|textarea|video|audio|iframe)$/.test(tag) ||
  (tag === "input" && !/^(?:button|checkbox|radio|switch)$/.test(role ?? ""));

/** The key by which people change the value of a field; null for what has none, or a button to send it. */
function changedBy({ tag, role }: Stop): string | null {
  if (tag === "select") return "ArrowDown";
  return tag === "input" && /^(?:checkbox|radio|switch)$/.test(role ?? "") ? "Space" : null;
}

const isOwnState =
  (at: string) =>
  (change: Change): boolean =>
    change.at === at &&
    change.what === "attribute" &&
    /^aria-(?:checked|pressed|selected)/.test(change.detail);
