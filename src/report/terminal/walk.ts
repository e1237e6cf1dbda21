import type { StepAnswer } from "../../answers/seen-answer.ts";
import type { KeyCount, PageWalk, StopAnswer, UnreachedAnswer } from "../../answers/walk.ts";
import { countOf } from "../../core/document/count-of.ts";
import type { Paint } from "./paint.ts";
import { placeText } from "./place-text.ts";
import { printable } from "./printable.ts";
import { cut } from "./source-frame.ts";

export interface WalkView {
  readonly paint: Paint;
  /** Every stop, however many there are. */
  readonly all: boolean;
  /** What keys do at each stop. */
  readonly keys: boolean;
  /** Which events each key that was pressed brought about. */
  readonly events: boolean;
}

/** How many stops are shown before the middle of a long walk is folded. */
const MOST_STOPS = 200;
const AT_THE_ENDS = 40;
/** How many elements of one reason are named. */
const MOST_UNREACHED = 10;

/** The stops in order with what is odd about each, and below them what is not reached, and why. */
export function walkText(walk: PageWalk, view: WalkView): string {
  const { paint, all, keys } = view;
  const { colours } = paint;
  const key = walk.direction === "forwards" ? "Tab" : "Shift+Tab";
  const { stops, unreached } = walk;
  const file = walk.target.replace(/#.*$/, "");
  const odd = stops.filter((stop) => stop.odd.length > 0).length;
  const lines = [
    `${colours.bold(printable(walk.target))}  ${colours.dim(
      [
        stopsText(walk),
        ...(odd > 0 ? [`${odd} odd`] : []),
        ...(unreached.length > 0 ? [`${unreached.length} not reached`] : []),
        key,
      ].join(" · "),
    )}`,
    "",
  ];
  if (stops.length === 0) lines.push(paint.paragraph("  ", noStopsText(walk, key), 2));
  const width = String(stops.length).length;
  const isLong = stops.length > MOST_STOPS && !all;
  const shown = isLong ? [...stops.slice(0, AT_THE_ENDS), ...stops.slice(-AT_THE_ENDS)] : stops;
  for (const [index, stop] of shown.entries()) {
    if (isLong && index === AT_THE_ENDS)
      lines.push(...folded(stops.slice(AT_THE_ENDS, -AT_THE_ENDS), file, width, keys, paint));
    lines.push(...stopLines(stop, file, width, keys, paint));
  }
  if (unreached.length > 0) lines.push("", ...unreachedLines(unreached, file, paint, all));
  if (walk.steps !== null) lines.push("", ...pressedLines(walk, walk.steps, file, view));
  lines.push("", ...closing(walk, paint));
  return `${lines.join("\n")}\n`;
}

/** The stops that Tab came to in a window; null where none was opened. */
const stopsPressed = ({ steps }: PageWalk): number | null =>
  steps === null ? null : new Set(steps.flatMap(({ to }) => to?.path ?? [])).size;

/** How many stops there are: those of the window too, where scripts make others than source has. */
function stopsText(walk: PageWalk): string {
  const [inSource, inWindow] = [walk.stops.length, stopsPressed(walk)];
  return inWindow === null || inWindow === inSource || walk.direction === "backwards"
    ? countOf(inSource, "stop")
    : `${countOf(inWindow, "stop")} with scripts run, ${inSource} in source`;
}

/** Why source shows no stop, and what else may. */
function noStopsText(walk: PageWalk, key: string): string {
  if ((stopsPressed(walk) ?? 0) > 0) return "Source has no stop: scripts make those that are pressed below.";
  const nowhere = `${key} stops nowhere on this page: it holds no link, no control and nothing else that takes focus.`;
  return walk.steps === null && walk.scene.page.index.byTag("script").length > 0
    ? `${nowhere} Its scripts may make some: --engine render runs them.`
    : `${nowhere} Whoever uses the keyboard can only read it.`;
}

function stopLines(
  stop: StopAnswer,
  file: string,
  width: number,
  keys: boolean,
  paint: Paint,
): readonly string[] {
  const { colours } = paint;
  const place = placeText(stop.source, file);
  const note = [place, stop.because, ...(stop.certain ? [] : ["not sure"])]
    .filter((text) => text !== "")
    .join(" · ");
  const number = String(stop.index).padStart(width + 2);
  const heard = cut(printable(stop.announced), Math.max(20, paint.width - width - 8 - note.length));
  const tint = stop.odd.length > 0 ? colours.yellow : (text: string) => text;
  return [
    `${colours.dim(number)}  ${tint(heard)}  ${colours.dim(printable(note))}`,
    ...(stop.odd.length === 0
      ? []
      : [`${" ".repeat(width + 4)}${colours.yellow("▲")} ${stop.odd.join("; ")}`]),
    ...(keys && stop.keys.length > 0
      ? [
          paint.paragraph(
            " ".repeat(width + 4),
            colours.dim(
              stop.keys
                .map(({ key, does, native }) => `${key} ${native ? does : `owes: ${does}`}`)
                .join(" · "),
            ),
            width + 4,
          ),
        ]
      : []),
  ];
}

/** The middle of a long walk: how much of what, and the odd ones all the same. */
function folded(
  stops: readonly StopAnswer[],
  file: string,
  width: number,
  keys: boolean,
  paint: Paint,
): readonly string[] {
  const { colours } = paint;
  const kinds = new Map<string, number>();
  for (const { element } of stops) kinds.set(element.role, (kinds.get(element.role) ?? 0) + 1);
  const phrases = [...kinds]
    .sort(([a, m], [b, n]) => n - m || (a < b ? -1 : 1))
    .slice(0, 5)
    .map(([role, n]) => countOf(n, role));
  const odd = stops.filter((stop) => stop.odd.length > 0);
  return [
    `${" ".repeat(width + 4)}${colours.dim(`… ${stops.length} more: ${phrases.join(", ")}  (--all shows them)`)}`,
    ...odd.slice(0, AT_THE_ENDS).flatMap((stop) => stopLines(stop, file, width, keys, paint)),
  ];
}

function unreachedLines(
  unreached: readonly UnreachedAnswer[],
  file: string,
  paint: Paint,
  all: boolean,
): readonly string[] {
  const { colours } = paint;
  const byReason = new Map<string, UnreachedAnswer[]>();
  for (const item of unreached) {
    const same = byReason.get(item.why);
    if (same === undefined) byReason.set(item.why, [item]);
    else same.push(item);
  }
  const lines = [`  ${colours.bold("not reached")}`];
  for (const [why, items] of byReason) {
    lines.push(`    ${colours.yellow(printable(why))}`);
    const shown = all ? items : items.slice(0, MOST_UNREACHED);
    for (const { source, heard } of shown) {
      const place = placeText(source, file);
      lines.push(`      ${cut(printable(heard), paint.width - 10 - place.length)}  ${colours.dim(place)}`);
    }
    if (items.length > shown.length)
      lines.push(`      ${colours.dim(`and ${items.length - shown.length} more`)}`);
  }
  return lines;
}

/** Changes of one key that are told. */
const MOST_CHANGES = 3;

/** What was pressed, and what it brought about; then what does not hold, with the keys that show it. */
function pressedLines(
  { findings, openings }: PageWalk,
  steps: readonly StepAnswer[],
  file: string,
  view: WalkView,
): readonly string[] {
  const { paint } = view;
  const { colours } = paint;
  const lines = [`  ${colours.bold("keys pressed, with its scripts run")}`, ...stepLines(steps, file, view)];
  for (const { at, key, steps: inside } of openings)
    lines.push(
      "",
      `  ${colours.bold(`${printable(key)} on ${cut(printable(at), paint.width - key.length - 8)}`)}`,
      ...stepLines(inside, file, view),
    );
  for (const { message, keys, source, check, outcome } of findings) {
    if (outcome !== "failed" || keys === null) continue;
    lines.push(
      "",
      paint.paragraph(`    ${colours.red("■")} `, colours.bold(printable(message)), 6),
      paint.paragraph("      ", printable(keys), 6),
      `      ${colours.dim(`${placeText(source, file)} · ${check}`)}`,
    );
  }
  return lines;
}

/** One line for each key: where focus went, and below it what changed and what was said. */
function stepLines(
  steps: readonly StepAnswer[],
  file: string,
  { paint, events: withEvents }: WalkView,
): readonly string[] {
  const { colours } = paint;
  const width = Math.max(...steps.map(({ key }) => key.length), 3);
  return steps.flatMap(({ key, from, to, heard, source, events, changes, said }) => {
    const stays = from !== null && to !== null && from.path === to.path;
    const went =
      heard === null ? (from === null ? "nothing has focus" : "out of the page") : printable(heard);
    const note = heard === null || stays ? "" : placeText(source, file);
    const shown = changes.slice(0, MOST_CHANGES);
    const more = changes.length - shown.length;
    const below = (text: string) => `${" ".repeat(width + 7)}${text}`;
    const room = paint.width - width - 9;
    return [
      `    ${colours.cyan(key.padEnd(width))} → ${stays || heard === null ? colours.dim(stays ? `stays on ${went}` : went) : went}  ${colours.dim(note)}`.trimEnd(),
      ...(withEvents && events.length > 0
        ? [below(colours.dim(cut(`events: ${events.join(" ")}`, room)))]
        : []),
      ...shown.map((change) => below(colours.dim(cut(printable(change), room)))),
      ...(more > 0 ? [below(colours.dim(`and ${countOf(more, "more change", "more changes")}`))] : []),
      ...said.map((text) => below(colours.green(cut(`heard: "${printable(text)}"`, room)))),
    ];
  });
}

/** A target as a shell takes it. */
const quoted = (target: string): string =>
  /[\s#']/.test(target) ? `'${printable(target).replaceAll("'", "'\\''")}'` : printable(target);

function closing(
  { target, findings, direction, stops, unreached }: PageWalk,
  paint: Paint,
): readonly string[] {
  const { colours } = paint;
  const failed = findings.filter(({ outcome }) => outcome === "failed").length;
  const asked = findings.length - failed;
  const parts = [
    ...(failed > 0 ? [`${failed} to mend`] : []),
    ...(asked > 0 ? [countOf(asked, "question for a person", "questions for a person")] : []),
  ];
  const odd = stops.filter((stop) => stop.odd.length > 0).length;
  const marked = [
    ...(odd > 0 ? [`${countOf(odd, "stop is", "stops are")} marked above`] : []),
    ...(unreached.length > 0
      ? [`${countOf(unreached.length, "element is", "elements are")} not reached`]
      : []),
  ];
  const summary =
    parts.length > 0
      ? `The checks of the keyboard: ${parts.join(", ")}.`
      : marked.length === 0
        ? "No check of the keyboard has anything against this walk."
        : `No check of the keyboard fails; ${marked.join(", and ")}.`;
  return [
    paint.paragraph("", summary, 0),
    colours.dim(
      parts.length > 0
        ? `next  keel audit ${quoted(target)} --only keys`
        : marked.length > 0
          ? `next  keel audit ${quoted(target)}`
          : `next  keel walk ${quoted(target)} ${direction === "forwards" ? "--back" : ""}`.trimEnd(),
    ),
  ];
}

/** The lines of a walk script, what came of each, and where one does not hold what was there instead. */
export function scriptText(
  { target }: PageWalk,
  script: NonNullable<PageWalk["script"]>,
  paint: Paint,
): string {
  const { colours } = paint;
  const held = script.filter(({ outcome }) => outcome === "held").length;
  const lines = [colours.bold(printable(target)), ""];
  for (const { line, written, outcome, message, instead } of script) {
    const mark =
      outcome === "held" ? colours.green("✓") : outcome === "failed" ? colours.red("✗") : colours.dim("·");
    const shown = outcome === "not reached" ? colours.dim(printable(written)) : printable(written);
    lines.push(`  ${mark} ${colours.dim(String(line).padStart(3))}  ${shown}`);
    if (message === null) continue;
    lines.push(paint.paragraph("         ", colours.bold(printable(message)), 9));
    for (const [index, there] of instead.entries())
      lines.push(
        `         ${colours.dim(index === 0 ? "there is" : "        ")} ${cut(printable(there), paint.width - 20)}`,
      );
  }
  const summary =
    held === script.length
      ? colours.green(`${held} of ${script.length} lines hold.`)
      : `${held} of ${script.length} lines hold.`;
  return `${[...lines, "", summary].join("\n")}\n`;
}

/** How many keys lead somewhere. */
export function countText(target: string, count: KeyCount, paint: Paint): string {
  const { colours } = paint;
  return [
    `${colours.bold(printable(target))}  ${printable(count.announced)}`,
    `  ${countOf(count.forwards, "Tab")} from the top`,
    `  ${countOf(count.backwards, "Shift+Tab")} from the end`,
    ...count.skips.map(({ name, keys }) => `  ${countOf(keys, "key")} with "${printable(name)}"`),
    "",
  ].join("\n");
}
