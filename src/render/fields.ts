import type { LivePage } from "./live-page.ts";
import type { Notes, Stop } from "./notes.ts";
import { type Effect, focus, type Move, point, press } from "./trial.ts";

/** A list that opens under a field: a key must reach what is in it. */
export async function tryField(notes: Notes, stop: Stop, byArrow: Effect | null): Promise<void> {
  if (stop.role !== "combobox" || stop.tag === "select") return;
  const optionsShown = (page: LivePage) =>
    page.scene.page.index.elements.filter(
      (node) =>
        page.scene.role(node).role === "option" &&
        node.tag !== "option" &&
        page.isVisible(page.elementOf(node)),
    ).length;
  const typed = await notes.trials.peek((page) => firstLetters(page));
  const ways: Move[][] = [
    [press("ArrowDown")],
    [press("Alt+ArrowDown")],
    [point(stop.at)],
    ...typed.map((one) => [press(one)]),
  ];
  for (const way of ways) {
    const moves = [focus(stop.at), ...way];
    const shown = await notes.trials.after(moves, optionsShown);
    if (shown === 0) continue;
    // Where the arrow that opened it has chosen already, a key does reach it.
    if (
      way.length === 1 &&
      byArrow?.changes.some(({ detail }) => /^aria-(?:activedescendant|selected)/.test(detail))
    )
      return;
    notes.try("keys.pattern-kept");
    const keys = ["ArrowDown", "ArrowDown", "ArrowUp", "Enter"];
    const moved = await notes.movesAnything(moves, keys);
    if (!moved)
      notes.fail(
        "keys.pattern-kept",
        stop.element,
        `A list of ${shown} options is shown for this field, and no arrow key reaches or takes one.`,
        "Let the arrow keys move aria-activedescendant through the options, and Enter take one.",
        notes.keysAt(
          stop,
          [...way.map((move) => (move.kind === "press" ? move.key : "click")), ...keys],
          "nothing",
        ),
      );
    return;
  }
}

const firstLetters = (page: LivePage): readonly string[] => {
  const texts: string[] = [...page.window.document.querySelectorAll("[role=option]")].map((one) =>
    one.textContent.trim(),
  );
  const letters = texts.flatMap((text) => /\p{L}/u.exec(text)?.[0].toLowerCase() ?? []);
  return [...new Set([...letters.slice(0, 2), "a", "e"])];
};
