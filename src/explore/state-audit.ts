import { catalogue, checkWith } from "../core/checks/catalogue.ts";
import { type CheckResult, checkResult, runChecks } from "../core/checks/run.ts";
import { isLeftToSpecimen } from "../core/checks/surroundings.ts";
import type { ElementNode } from "../core/document/node.ts";
import { attributeText } from "../core/document/written.ts";
import { allows, markupExceptions, sheetExceptions } from "../core/findings/exceptions.ts";
import type { Finding } from "../core/findings/verdict.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import type { SeenFinding, StatePlan, StateResults } from "../engine/explored.ts";
import { isVisible } from "./around.ts";
import { stateIn } from "./page-state.ts";
import { seenElement } from "./told-element.ts";
import type { Move } from "./trial.ts";

/** How many states of one window are audited. */
const MOST_STATES = 24;

/** A finding that holds if Tab comes to its element, and rests there, in the state that some moves lead to. */
export interface Suspicion {
  /** The same for the same fault in every state. */
  readonly place: string;
  readonly key: string;
  readonly moves: readonly Move[];
  readonly finding: SeenFinding;
}

/** What is known of a window while its findings are told. */
interface Told {
  readonly isScripted: boolean;
  /** Whether what is found in it is told already. */
  readonly isKnown: boolean;
  /** The key of what has focus; null for nothing. */
  readonly focused: string | null;
}

/** Makes the checks of source of every state that a window comes to, each state once, and tells each fault once. */
export class StateAudit {
  readonly findings: SeenFinding[] = [];
  /** What Tab is to be pressed for before it is told. */
  readonly suspicions: Suspicion[] = [];
  /** What keys that are heard everywhere may do too, in what keys have opened: arrows are to be pressed before it is told. */
  readonly leftToKeys: Suspicion[] = [];
  readonly #plan: StatePlan;
  readonly #seen = new Set<string>();
  readonly #told = new Set<string>();
  #results: StateResults | null = null;
  /** What was there before any key, by key. */
  #opened: ReadonlySet<string> = new Set();

  constructor(plan: StatePlan) {
    this.#plan = plan;
  }

  /**
   * @param moves how the window came to its state
   * @param keys the same as people are told, and what came of it; null for the window as it was opened
   */
  async look(page: Driver, moves: readonly Move[], keys: string | null): Promise<void> {
    if (this.#seen.size >= MOST_STATES) return;
    const moment = await page.moment();
    const signature = [...stateIn(moment)]
      .map(([key, { visible, attributes, text }]) =>
        visible ? `${key} ${[...attributes].join(" ")} ${text}` : "",
      )
      .join("\n");
    if (this.#seen.has(signature)) return;
    this.#seen.add(signature);
    const { settings } = this.#plan;
    const { scene } = moment;
    // What lies behind a dialog is not gone: what a page as a whole must have is looked for where the page shows.
    const isCovered = moves.length > 0 && covers(moment);
    const checks = catalogue.filter(
      (check) =>
        settings.has(check.id) &&
        !(isCovered && ofWholePage.test(check.id)) &&
        !(moves.length > 0 && ofLastingParts.test(check.id)),
    );
    const exceptions = [
      ...markupExceptions(scene.document),
      ...moment.sheets.flatMap(({ sheet }) => sheetExceptions(sheet.remarks)),
    ];
    const run = runChecks(
      scene,
      checks,
      ["failed", "cantTell"],
      ({ id }) => settings.get(id) ?? { words: [], severity: null },
      (finding) => exceptions.some((exception) => allows(exception, finding)),
    );
    const shown = new Set(moment.shown());
    const focused = await page.focused();
    const isFirst = this.#results === null;
    if (isFirst) this.#opened = new Set([...shown].map(moment.keyOf));
    for (const finding of run.findings) {
      // A component answers for what it renders, not for the window that it is shown in.
      if (!shown.has(finding.element)) continue;
      const { isForItsAuthor = false, startsByItself = false } = checkWith(finding.check) ?? {};
      const isForOthers =
        isForItsAuthor === true || (isForItsAuthor === "questions" && finding.outcome === "cantTell");
      if (isForOthers && isByOthers(finding.element)) continue;
      if (startsByItself && !isFirst && !this.#opened.has(moment.keyOf(finding.element))) continue;
      const isAtTop = moment.isAtTop(finding.element);
      if (scene.document.kind === "component" && isLeftToSpecimen(scene, finding, isAtTop)) continue;
      // Where it is drawn, it was looked at closely as it was loaded: what holds there is told already.
      const isKnown = isFirst && page.eyes !== null;
      this.#tell(moment, { isScripted: page.isScripted, isKnown, focused }, finding, moves, keys);
    }
    if (isFirst)
      this.#results = {
        elements: shown.size,
        checks: run.checks.map((result) => countedAsTold(result, this.findings)),
        criteria: run.criteria,
        allowed: run.allowed,
      };
  }

  #tell(
    moment: Moment,
    { isScripted, isKnown, focused }: Told,
    finding: Finding,
    moves: readonly Move[],
    keys: string | null,
  ): void {
    const element = seenElement(moment, finding.element);
    const source = finding.source ?? element.nearest;
    const { check, outcome, message, repair, facts, origins, criteria } = finding;
    const place = source === null ? element.path : `${source.file} ${source.start}`;
    const key = `${check} ${outcome} ${place} ${element.span === null ? element.tag : ""}`;
    const known = checkWith(check);
    const isSuspicion = known?.kind === "page" && known.restsOnStop === true && isScripted;
    // What Tab did not prove in one state may hold where focus came to rest on it in another.
    if (this.#told.has(key) && !(isSuspicion && moment.keyOf(finding.element) === focused)) return;
    this.#told.add(key);
    if (isKnown) return;
    const seen: SeenFinding = {
      check,
      outcome: outcome as "failed" | "cantTell",
      element,
      source,
      message,
      mend: repair?.summary ?? null,
      keys,
      facts,
      origins,
      criteria,
    };
    const suspicion = { place: key, key: moment.keyOf(finding.element), moves, finding: seen };
    const mayBeByKeys = known?.kind === "page" && known.mayBeDoneByKeys === true && outcome === "failed";
    if (isSuspicion) this.suspicions.push(suspicion);
    else if (mayBeByKeys && moves.length > 0 && moment.answersKeys(null)) this.leftToKeys.push(suspicion);
    else this.findings.push(seen);
  }

  get results(): StateResults | null {
    return this.#results;
  }
}

/** Whether a component that is not in one's own source rendered an element, or put on it what it is to assistive technology. */
const isByOthers = ({ source, components, isPlainTag }: ElementNode): boolean =>
  (source === null && components.length > 0) || isPlainTag === true;

/** Checks that ask where the lasting parts of a page stand: what a key has opened is gone again. */
const ofLastingParts = /^structure\.in-landmarks$/;

/** Checks that ask what a page as a whole has. */
const ofWholePage = /^(?:structure\.|keys\.(?:way-past-repeats|skip-arrives)$)/;

/** Whether a dialog lies over the page, or a part of it is inert. */
const covers = (moment: Moment): boolean =>
  moment.scene.page.index.elements.some(
    (element) =>
      element.attributes.has("inert") ||
      ((element.tag === "dialog" || /^(?:alert)?dialog$/.test(moment.scene.role(element).role ?? "")) &&
        isVisible(moment, element) &&
        (moment.isModal(element) || attributeText(element, "aria-modal") === "true")),
  );

/** How a check went once it is known which of its findings are told. */
function countedAsTold(
  { id, targets, failed, cantTell }: CheckResult,
  reported: readonly SeenFinding[],
): CheckResult {
  const count = (outcome: string) =>
    reported.filter((one) => one.check === id && one.outcome === outcome).length;
  return checkResult(id, {
    failed: count("failed"),
    cantTell: count("cantTell"),
    passed: Math.max(0, targets - failed - cantTell),
  });
}
