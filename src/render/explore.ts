import { pointerEvents } from "../core/document/pointer-handler.ts";
import type { Role } from "../core/semantics/tables/roles.ts";
import type { LivePage, PageSource } from "./live-page.ts";
import { type Change, elementWith, includesAll, keyOf, stateOf } from "./page-state.ts";
import type { RenderedElement, RenderedFinding, RenderedStep, RenderResult } from "./protocol.ts";
import { told, toldNode } from "./rendered-element.ts";
import type { LiveElement } from "./snapshot.ts";
import { didSomething, type Effect, type Move, OutOfTime, Trials } from "./trial.ts";

/** How many stops are tried, and how many elements that only a pointer uses. */
const MOST_STOPS = 30;
const MOST_POINTED = 30;

/** How many items of a widget arrow keys are followed through. */
const MOST_ITEMS = 8;

/** A stop of the walk. */
interface Stop {
  readonly at: string;
  readonly element: RenderedElement;
  readonly role: Role | null;
  readonly tag: string;
}

const press = (key: string): Move => ({ kind: "press", key });
const focus = (at: string): Move => ({ kind: "focus", at });
const point = (at: string): Move => ({ kind: "point", at });

/** Widgets whose own key is the space bar. ARIA Authoring Practices, "checkbox", "switch", "radio group". */
const takesSpace = new Set<Role>(["checkbox", "switch", "radio", "menuitemcheckbox", "menuitemradio"]);

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
const arrows = ["ArrowRight", "ArrowDown", "ArrowLeft", "ArrowUp", "Home", "End"];

/** Keys that pages take for shortcuts. */
const letters = [..."abcdefghijklmnopqrstuvwxyz/?"];

/** The checks that pressing decides. */
type PressedId =
  | "keys.activates"
  | "keys.dialog-closes"
  | "keys.dialog-gives-back"
  | "keys.dialog-keeps-focus"
  | "keys.dialog-takes-focus"
  | "keys.focus-not-lost"
  | "keys.no-surprise-on-focus"
  | "keys.no-trap"
  | "keys.pattern-kept"
  | "keys.reachable"
  | "roles.state-follows";

/** Presses the keys on a page and in what they open, and tells what does not hold. */
export async function explore(source: PageSource, patience: number): Promise<RenderResult> {
  const exploration = new Exploration(source, patience);
  const isCutShort = await exploration.run();
  return {
    steps: exploration.steps,
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
  readonly findings: RenderedFinding[] = [];
  readonly tried = new Map<string, number>();
  readonly #told = new Set<string>();
  #stops: readonly Stop[] = [];
  /** What aria-expanded says on each stop before anything is pressed. */
  readonly #expanded = new Map<string, string | null>();
  /** What keys do, on every stop. */
  readonly #effects: Effect[] = [];

  constructor(source: PageSource, patience: number) {
    this.trials = new Trials(source, patience);
  }

  async run(): Promise<boolean> {
    try {
      const isAlive = await this.trials.after([], (page) => page.isAlive);
      await this.trials.lookIdle();
      await this.#walk();
      if (!isAlive) return false;
      await this.#noteExpanded();
      await this.#trapIn([], "");
      await this.#composites([]);
      for (const stop of this.#stops.slice(0, MOST_STOPS)) await this.#tryStop(stop);
      for (const stop of this.#stops.slice(0, MOST_STOPS)) await this.#tryArrows(stop);
      await this.#pointed();
      return false;
    } catch (error) {
      if (error instanceof OutOfTime) return true;
      throw error;
    }
  }

  /** Notes that a check was tried on something. */
  #try(check: PressedId): void {
    this.tried.set(check, (this.tried.get(check) ?? 0) + 1);
  }

  #fail(
    check: PressedId,
    element: RenderedElement | null,
    message: string,
    mend: string,
    keys: string,
  ): void {
    if (element === null) return;
    const key = `${check} ${element.path}`;
    if (this.#told.has(key)) return;
    this.#told.add(key);
    this.findings.push({ check, outcome: "failed", element, message, mend, keys });
  }

  /** The keys from the top of the page to a stop and on, and what came of the last. */
  #keysAt({ at }: Stop, keys: readonly string[], then: string): string {
    const tabs = this.#stops.findIndex((stop) => stop.at === at) + 1;
    return keysText([...Array(tabs).fill("Tab"), ...keys], then);
  }

  /** Tab, once around, and what happens on the way. */
  async #walk(): Promise<void> {
    await this.trials.after([], async (page) => {
      const stops: Stop[] = [];
      const most = page.stops().length * 2 + 10;
      for (let n = 0; n < most; n++) {
        const before = stateOf(page);
        const from = told(page, page.focused());
        const leftBefore = page.left.length;
        await page.press("Tab");
        const now = page.focused();
        const to = told(page, now);
        this.steps.push({
          key: "Tab",
          from,
          to,
          changes: this.trials.changes(before, stateOf(page)).map(changeText),
        });
        this.#try("keys.no-surprise-on-focus");
        if (page.left.length > leftBefore && !this.trials.leavesByItself)
          this.#fail(
            "keys.no-surprise-on-focus",
            to,
            `Coming here with Tab alone ${page.left[leftBefore]}, before anything is pressed.`,
            "Do it when the element is activated, not when it is reached.",
            keysText([...Array(n + 1).fill("Tab")], page.left[leftBefore] ?? ""),
          );
        if (now === null || to === null) break;
        const at = keyOf(page, now);
        if (stops.some((stop) => stop.at === at)) break;
        stops.push({ at, element: to, role: (to.role as Role) ?? null, tag: to.tag });
      }
      this.#stops = stops;
    });
  }

  /** Keys and a pointer on one stop, and what opens by them. */
  async #tryStop(stop: Stop): Promise<void> {
    const { at, role, tag } = stop;
    const isText = /^(?:textbox|searchbox|combobox|spinbutton)$/.test(role ?? "") && tag !== "button";
    const tried = isText ? ["ArrowDown"] : ["Enter", "Space"];
    const byKey = new Map<string, Effect>();
    for (const key of tried) byKey.set(key, await this.#effect([focus(at), press(key)]));
    const byPointer = await this.trials.effect([focus(at), point(at)]);
    if (!isText) this.#try("keys.activates");
    const acts = [...byKey.values()].some((effect) => didSomething(effect) || effect.asks);
    // Sliders, lists and trees are moved through, not pressed; native fields have keys of the browser's own.
    const isPressed = didSomething(byPointer) && !byPointer.asks && !acts && !hasOwnKeys(stop);
    if (isText) await this.#tryField(stop, byKey.get("ArrowDown") ?? null);
    else if (isPressed && !(await this.#movesAnything([focus(at)], arrows)))
      this.#fail(
        "keys.activates",
        stop.element,
        "A pointer does something here, and neither Enter nor Space does.",
        'Make it a <button type="button">, or do the same on Enter and Space.',
        this.#keysAt(stop, ["Enter", "Space"], "nothing"),
      );
    else if (
      role !== null &&
      takesSpace.has(role) &&
      tag !== "input" &&
      byPointer.changes.some(isOwnState(at)) &&
      byKey.get("Space")?.asks === false &&
      byKey.get("Space")?.changes.length === 0
    )
      this.#fail(
        "keys.activates",
        stop.element,
        `A click changes this ${role}, and the space bar, its own key, does not.`,
        "Change it on Space too, or use the native control.",
        this.#keysAt(stop, ["Space"], "nothing"),
      );
    for (const [key, effect] of byKey) {
      if (effect.asks) continue;
      this.#lost(stop, key, effect);
      if (didSomething(effect)) this.#follows(stop, key, effect);
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
    const mayMove = await this.trials.after([], (page) => {
      const element = elementWith(page, stop.at);
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

  #lost(stop: Stop, key: string, effect: Effect): void {
    if (didSomething(effect)) this.#try("keys.focus-not-lost");
    if (!effect.isGone || effect.left.length > 0) return;
    this.#fail(
      "keys.focus-not-lost",
      stop.element,
      `${key} here takes away what has focus, and focus falls to the page.`,
      "Move focus to what comes next, or to the list it was in.",
      this.#keysAt(stop, [key], "focus on nothing"),
    );
  }

  /** A state that is told must change with what it is about. */
  #follows(stop: Stop, key: string, effect: Effect): void {
    if (this.#expanded.get(stop.at) != null) this.#try("roles.state-follows");
    const own = effect.changes.filter((change) => change.at === stop.at);
    const toggles = effect.changes.some(
      ({ what, at }) => (what === "shown" || what === "hidden") && at !== stop.at,
    );
    if (!toggles || own.some(({ detail }) => detail.startsWith("aria-expanded")) || effect.isGone) return;
    const isTold = this.#expanded.get(stop.at) ?? null;
    if (isTold === null) return;
    this.#fail(
      "roles.state-follows",
      stop.element,
      `What this opens and closes changes, and aria-expanded stays "${isTold}".`,
      "Set aria-expanded whenever the part is opened or closed.",
      this.#keysAt(stop, [key], `aria-expanded="${isTold}"`),
    );
  }

  /** What opens a dialog, a list or a menu. */
  async #opened(stop: Stop, key: string, effect: Effect): Promise<void> {
    const moves = effect.moves;
    const shown = new Set(effect.changes.filter(({ what }) => what === "shown").map((change) => change.at));
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
    for (const dialog of dialogs) if (dialog.isModal) await this.#dialog(stop, key, moves, dialog);
    if (dialogs.length === 0) await this.#trapIn(moves, key);
    await this.#composites(moves);
  }

  async #dialog(
    stop: Stop,
    key: string,
    moves: readonly Move[],
    { at, element }: { readonly at: string; readonly element: RenderedElement },
  ): Promise<void> {
    this.#try("keys.dialog-takes-focus");
    await this.trials.after(moves, async (page) => {
      const dialog = elementWith(page, at);
      const isIn = () => dialog?.contains(page.focused()) === true;
      if (dialog === null) return;
      if (!isIn())
        return this.#fail(
          "keys.dialog-takes-focus",
          element,
          "This dialog opens, and focus stays outside.",
          "Move focus into it when it opens: to its first field, or to its heading.",
          this.#keysAt(stop, [key], focusText(page)),
        );
      this.#try("keys.dialog-keeps-focus");
      const most = page.stops().length + 3;
      for (const way of ["Tab", "Shift+Tab"])
        for (let n = 1; n <= most; n++) {
          await page.press(way);
          const now = page.focused();
          // Out of the page and back is the browser's own way.
          if (now === null || isIn()) continue;
          return this.#fail(
            "keys.dialog-keeps-focus",
            element,
            `${way} leaves this dialog while it is open, for "${told(page, now)?.name ?? ""}" behind it.`,
            "Open it with showModal(), or make what is behind it inert.",
            this.#keysAt(stop, [key, ...Array(n).fill(way)], focusText(page)),
          );
        }
    });
    this.#try("keys.dialog-closes");
    const closed = await this.trials.after(moves, async (page) => {
      await page.press("Escape");
      const dialog = elementWith(page, at);
      return {
        isOpen: dialog !== null && page.isVisible(dialog),
        focus: focusText(page),
        isLost: page.focused() === null,
      };
    });
    if (!closed.isOpen) this.#try("keys.dialog-gives-back");
    if (closed.isOpen)
      this.#fail(
        "keys.dialog-closes",
        element,
        "Escape does not close this dialog.",
        "Close it on Escape: <dialog> with showModal() does so by itself.",
        this.#keysAt(stop, [key, "Escape"], closed.focus),
      );
    else if (closed.isLost)
      this.#fail(
        "keys.dialog-gives-back",
        stop.element,
        "Escape closes the dialog that this opens, and focus falls to the page.",
        "Give focus back to what opened it.",
        this.#keysAt(stop, [key, "Escape"], "focus on nothing"),
      );
  }

  /** A list that opens under a field: a key must reach what is in it. */
  async #tryField(stop: Stop, byArrow: Effect | null): Promise<void> {
    if (stop.role !== "combobox" || stop.tag === "select") return;
    const optionsShown = (page: LivePage) =>
      page.scene.page.index.elements.filter(
        (node) =>
          page.scene.role(node).role === "option" &&
          node.tag !== "option" &&
          page.isVisible(page.elementOf(node)),
      ).length;
    const typed = await this.trials.after([], (page) => firstLetters(page));
    const ways: Move[][] = [
      [press("ArrowDown")],
      [press("Alt+ArrowDown")],
      [point(stop.at)],
      ...typed.map((one) => [press(one)]),
    ];
    for (const way of ways) {
      const moves = [focus(stop.at), ...way];
      const shown = await this.trials.after(moves, optionsShown);
      if (shown === 0) continue;
      // Where the arrow that opened it has chosen already, a key does reach it.
      if (
        way.length === 1 &&
        byArrow?.changes.some(({ detail }) => /^aria-(?:activedescendant|selected)/.test(detail))
      )
        return;
      this.#try("keys.pattern-kept");
      const keys = ["ArrowDown", "ArrowDown", "ArrowUp", "Enter"];
      const moved = await this.#movesAnything(moves, keys);
      if (!moved)
        this.#fail(
          "keys.pattern-kept",
          stop.element,
          `A list of ${shown} options is shown for this field, and no arrow key reaches or takes one.`,
          "Let the arrow keys move aria-activedescendant through the options, and Enter take one.",
          this.#keysAt(
            stop,
            [...way.map((move) => (move.kind === "press" ? move.key : "click")), ...keys],
            "nothing",
          ),
        );
      return;
    }
  }

  /** Whether any of some keys changes or moves something. */
  async #movesAnything(moves: readonly Move[], keys: readonly string[]): Promise<boolean> {
    return this.trials.after(moves, async (page) => {
      for (const key of keys) {
        const before = stateOf(page);
        const from = page.focused();
        await page.press(key);
        if (page.focused() !== from || this.trials.changes(before, stateOf(page)).length > 0) return true;
      }
      return false;
    });
  }

  /** Containers of items: where Tab does not reach every item, arrow keys must. */
  async #composites(moves: readonly Move[]): Promise<void> {
    const found = await this.trials.after(moves, (page) => {
      const stops = new Set(page.stops());
      return page.scene.page.index.elements.flatMap((node) => {
        const role = page.scene.role(node).role;
        const kinds = role === null ? undefined : itemsOf[role];
        const container = page.elementOf(node);
        if (kinds === undefined || container === null || !page.isVisible(container)) return [];
        if (page.scene.role(node).from !== "role attribute") return [];
        const items = page.scene.page.index.elements
          .filter((other) => kinds.includes(page.scene.role(other).role as Role))
          .map((other) => page.elementOf(other))
          .filter(
            (item) => item !== null && item !== container && container.contains(item) && page.isVisible(item),
          );
        const isReached = (item: LiveElement) =>
          stops.has(item) || [...stops].some((stop) => item.contains(stop));
        const missed = items.filter(
          (item) =>
            // A cell may be there to be read alone.
            (role !== "grid" || item.hasAttribute("tabindex")) &&
            !isReached(item) &&
            item.getAttribute("aria-disabled") !== "true" &&
            item.disabled !== true,
        );
        const focused = page.focused();
        const entry = [container, ...items].find((one) => stops.has(one) || one === focused) ?? null;
        if (items.length < 2 || missed.length === 0 || entry === null) return [];
        return [
          {
            at: keyOf(page, container),
            entry: keyOf(page, entry),
            isFocused: entry === focused,
            role,
            element: toldNode(page, node),
            missed: missed.length,
          },
        ];
      });
    });
    for (const { entry, isFocused, role, element, missed } of found) {
      this.#try("keys.pattern-kept");
      const there = isFocused ? moves : [...moves, focus(entry)];
      if (await this.#movesAnything(there, arrows)) continue;
      this.#fail(
        "keys.pattern-kept",
        element,
        `The arrow keys do nothing in this ${role}, and Tab passes ${missed} of its items by.`,
        'Let the arrow keys move focus among the items, with tabindex="0" on the one that has it.',
        keysText(arrows, "nothing"),
      );
    }
  }

  /** A part that Tab goes round in, that is no modal dialog, and that no key leaves. */
  async #trapIn(moves: readonly Move[], key: string): Promise<void> {
    this.#try("keys.no-trap");
    const ring = await this.trials.after(moves, async (page) => {
      const most = page.stops().length + 4;
      const seen: LiveElement[] = [];
      for (let n = 0; n < most; n++) {
        await page.press("Tab");
        const now = page.focused();
        if (now === null) return null;
        const at = seen.indexOf(now);
        if (at >= 0) return ringOf(page, seen.slice(at));
        seen.push(now);
      }
      return null;
    });
    // An editor that keeps Tab for itself may tell of another way out.
    if (ring === null || ring.missed === 0 || ring.isModal || ring.isText) return;
    const enter: readonly Move[] = [...moves, focus(ring.stops[0] ?? "")];
    const tries: Move[][] = [[press("Escape")], ...ring.stops.map((at) => [focus(at), press("Enter")])];
    for (const way of tries) {
      const isOut = await this.trials.after([...enter, ...way], async (page) => {
        for (let n = 0; n < ring.stops.length + 2; n++) {
          const now = page.focused();
          if (now === null || !ring.stops.includes(keyOf(page, now))) return true;
          await page.press(n % 2 === 0 ? "Tab" : "Shift+Tab");
        }
        return false;
      });
      if (isOut) return;
    }
    this.#fail(
      "keys.no-trap",
      ring.element,
      `Tab goes round in here (${ring.stops.length} stops) and passes ${ring.missed} others by; Escape and Enter lead out of it in no place.`,
      "Let Tab go on to what follows, and Escape close it.",
      keysText(
        [...(key === "" ? [] : [key]), ...Array(ring.stops.length + 1).fill("Tab"), "Escape"],
        "still inside",
      ),
    );
  }

  /** What a pointer does where no key does the same, anywhere. */
  async #pointed(): Promise<void> {
    const stops = new Set(this.#stops.map(({ at }) => at));
    const candidates = await this.trials.after([], (page) =>
      page.scene.page.index.elements.flatMap((node) => {
        const element = page.elementOf(node);
        if (element === null || /^(?:html|body|label|option|input|select|textarea)$/.test(node.tag))
          return [];
        const at = keyOf(page, element);
        if (stops.has(at) || !page.isVisible(element) || page.scene.presence.of(node).inert) return [];
        const own = pointerEvents.some((type) => page.listens(element).has(type));
        const parent = element.parentElement;
        const isRow = /^(?:li|tr|td|div|span|p|article|img)$/.test(node.tag);
        const around =
          isRow &&
          parent !== null &&
          [parent, parent.parentElement].some(
            (up) =>
              up !== null &&
              !/^(?:html|body)$/.test(up.localName) &&
              pointerEvents.some((type) => page.listens(up).has(type)),
          );
        return own || around
          ? [
              {
                at,
                element: toldNode(page, node),
                isOwn: own,
                holds: page.stops().some((stop) => element.contains(stop)),
              },
            ]
          : [];
      }),
    );
    // Only where every stop was tried can no key be said to do it; a letter may be a way to anything.
    if (this.#stops.length > MOST_STOPS || this.#effects.some(({ asks }) => asks)) return;
    if (await this.#movesAnything([], letters)) return;
    const reported: Effect[] = [];
    for (const { at, element, isOwn, holds } of candidates.slice(0, MOST_POINTED)) {
      const effect = await this.trials.effect([point(at)]);
      if (!didSomething(effect) || effect.asks) continue;
      this.#try("keys.reachable");
      if (
        this.#effects.some((known) => includesAll(known.total, effect.total) && includesLeft(known, effect))
      )
        continue;
      // A press on a part is a press on the whole, which is told already.
      if (reported.some((known) => includesAll(known.total, effect.total) && includesLeft(known, effect)))
        continue;
      // A box around something to press may only pass the press on.
      if (holds && !isOwn) continue;
      reported.push(effect);
      this.#fail(
        "keys.reachable",
        element,
        `A pointer does something on this <${element.tag}>, and no key anywhere does the same.`,
        'Make it a <button type="button">: it takes focus and answers Enter and Space by itself.',
        `click → ${effect.changes.slice(0, 2).map(changeText).join(", ") || effect.left.join(", ")}`,
      );
    }
  }

  /** Notes what each stop says of itself before anything is pressed. */
  async #noteExpanded(): Promise<void> {
    await this.trials.after([], (page) => {
      for (const { at } of this.#stops)
        this.#expanded.set(at, elementWith(page, at)?.getAttribute("aria-expanded") ?? null);
    });
  }
}

/** Fields whose keys are the browser's: a simulated window knows not all of them. */
const hasOwnKeys = ({ tag, role }: Stop): boolean =>
  /^(?:select|textarea|video|audio|iframe)$/.test(tag) ||
  (tag === "input" && !/^(?:button|checkbox|radio|switch)$/.test(role ?? ""));

const includesLeft = (known: Effect, effect: Effect): boolean =>
  effect.left.every((what) => known.left.includes(what));

const isOwnState =
  (at: string) =>
  (change: Change): boolean =>
    change.at === at &&
    change.what === "attribute" &&
    /^aria-(?:checked|pressed|selected)/.test(change.detail);

const firstLetters = (page: LivePage): readonly string[] => {
  const texts: string[] = [...page.window.document.querySelectorAll("[role=option]")].map((one) =>
    one.textContent.trim(),
  );
  const letters = texts.flatMap((text) => /\p{L}/u.exec(text)?.[0].toLowerCase() ?? []);
  return [...new Set([...letters.slice(0, 2), "a", "e"])];
};

interface Ring {
  readonly stops: readonly string[];
  readonly missed: number;
  readonly isModal: boolean;
  /** Whether it is one field for text. */
  readonly isText: boolean;
  readonly element: RenderedElement | null;
}

/** The stops that Tab goes round in, the box around them, and how many stops it passes by. */
function ringOf(page: LivePage, ring: readonly LiveElement[]): Ring {
  const missed = page.stops().filter((stop) => !ring.includes(stop)).length;
  let box: LiveElement = ring[0];
  while (box?.parentElement != null && !ring.every((stop) => box.contains(stop))) box = box.parentElement;
  const isModal = box?.closest("dialog[open], [aria-modal=true]") != null;
  const isPage = /^(?:html|body|main)$/.test(box?.localName ?? "");
  return {
    stops: ring.map((stop) => keyOf(page, stop)),
    missed,
    isModal,
    isText:
      ring.length === 1 && (/^(?:textarea|input)$/.test(box?.localName) || box?.isContentEditable === true),
    element: told(page, isPage ? ring[0] : box),
  };
}

const focusText = (page: LivePage): string => {
  const element = told(page, page.focused());
  return element === null ? "focus on nothing" : `focus on ${element.heard}`;
};

/** Keys one after the other, the same several times as a number, and what came of the last. */
function keysText(keys: readonly string[], then: string): string {
  const runs: { key: string; times: number }[] = [];
  for (const key of keys) {
    const last = runs.at(-1);
    if (last?.key === key) last.times++;
    else runs.push({ key, times: 1 });
  }
  const told = runs.map(({ key, times }) =>
    times > 3 ? `${key} ×${times}` : Array(times).fill(key).join(" "),
  );
  return `${told.join(" ")} → ${then}`;
}

const changeText = ({ at, what, detail }: Change): string =>
  `${at.startsWith("@") ? "" : at} ${what}${detail === "" ? "" : ` ${detail}`}`.trim();
