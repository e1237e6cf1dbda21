import { patternKept } from "../core/checks/keys/pattern-kept.ts";
import { textContent } from "../core/document/text-content.ts";
import { attributeText } from "../core/document/written.ts";
import type { Driver } from "../engine/driver.ts";
import { isVisible } from "./around.ts";
import { keysText } from "./keys-text.ts";
import type { Notes, Stop } from "./notes.ts";
import { isOfAttribute } from "./page-state.ts";
import { didSomething, type Effect, focus, type Move, point, press } from "./trial.ts";

/** What says which option is chosen, or would be. */
const chosen = new Set(["aria-activedescendant", "aria-selected"]);

/** A list that opens under a field: a key must reach what is in it. */
export async function tryField(notes: Notes, stop: Stop, byArrow: Effect | null): Promise<void> {
  if (stop.role !== "combobox" || stop.tag === "select") return;
  const typed = await notes.trials.peek(firstLetters);
  const ways: Move[][] = [
    [press("ArrowDown")],
    [press("Alt+ArrowDown")],
    [point(stop.key)],
    ...typed.map((one) => [press(one)]),
  ];
  for (const way of ways) {
    const moves = [focus(stop.key), ...way];
    const shown = await notes.trials.after(moves, optionsShown);
    if (shown === 0) continue;
    // Where the arrow that opened it has chosen already, a key does reach it.
    if (way.length === 1 && byArrow?.changes.some((change) => isOfAttribute(change, chosen)))
      return tryTaking(notes, stop, byArrow.moves);
    notes.try(patternKept);
    const keys = ["ArrowDown", "ArrowDown", "ArrowUp", "Enter"];
    if (!(await notes.movesAnything(moves, keys)))
      notes.fail(
        patternKept,
        stop.element,
        `A list of ${shown} options is shown for this field, and no arrow key reaches or takes one.`,
        "Let the arrow keys move aria-activedescendant through the options, and Enter take one.",
        notes.keysFrom(
          stop,
          [...way.map((move) => (move.kind === "press" ? move.key : "click")), ...keys],
          "nothing",
        ),
      );
    else await tryTaking(notes, stop, [...moves, press("ArrowDown")]);
    return;
  }
}

/** The option that is active must be taken by Enter, where a pointer takes it. ARIA Authoring Practices, "combobox". */
async function tryTaking(notes: Notes, stop: Stop, moves: readonly Move[]): Promise<void> {
  const active = await notes.trials.after(moves, activeOption);
  if (active === null) return;
  const byEnter = await notes.trials.effect([...moves, press("Enter")]);
  if (byEnter.asks || didSomething(byEnter)) return;
  const byPointer = await notes.trials.pointed(active, moves);
  if (byPointer.asks || !didSomething(byPointer)) return;
  notes.fail(
    patternKept,
    stop.element,
    "A pointer takes an option of this list, and Enter does not take the one that is active.",
    "Take the active option on Enter, and close the list.",
    keysText([...notes.keysOf(moves), "Enter"], "nothing"),
  );
}

/** What the field says is active, by key. */
async function activeOption(page: Driver): Promise<string | null> {
  const moment = await page.moment();
  const focused = await page.focused();
  const field = focused === null ? null : moment.element(focused);
  const id = field === null ? null : attributeText(field, "aria-activedescendant");
  const option = field === null || id === null ? null : moment.scene.page.index.byId(field, id);
  return option === null ? null : moment.keyOf(option);
}

async function optionsShown(page: Driver): Promise<number> {
  const moment = await page.moment();
  const { scene } = moment;
  return scene.page.index.elements.filter(
    (node) => scene.role(node).role === "option" && node.tag !== "option" && isVisible(moment, node),
  ).length;
}

/** The letters with which options begin, and two that many words begin with. */
async function firstLetters(page: Driver): Promise<readonly string[]> {
  const { scene } = await page.moment();
  const letters = scene.page.index.elements.flatMap((node) =>
    node.attributes.get("role")?.value === "option"
      ? (/\p{L}/u.exec(textContent(node))?.[0].toLowerCase() ?? [])
      : [],
  );
  return [...new Set([...letters.slice(0, 2), "a", "e"])];
}
