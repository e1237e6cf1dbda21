import { catalogue } from "../core/checks/catalogue.ts";
import { type CheckResult, checkResult, runChecks } from "../core/checks/run.ts";
import { isLeftToSpecimen } from "../core/checks/surroundings.ts";
import { allows, markupExceptions, sheetExceptions } from "../core/findings/exceptions.ts";
import type { Finding } from "../core/findings/verdict.ts";
import type { LivePage } from "./live-page.ts";
import { stateOf } from "./page-state.ts";
import type { RenderedFinding, StatePlan, StateResults } from "./protocol.ts";
import { toldNode } from "./rendered-element.ts";
import type { Move } from "./trial.ts";

/** How many states of one window are audited. */
const MOST_STATES = 24;

/** Checks of what Tab stops at: scripts may lead focus on from there, or keep it elsewhere, so that it is to be tried. */
const restsOnStop = new Set(["roles.hidden-holds-no-focus", "keys.focus-shows", "keys.one-stop-per-widget"]);

/** A finding that holds if Tab comes to its element, and rests there, in the state that some moves lead to. */
interface Suspicion {
  readonly at: string;
  readonly moves: readonly Move[];
  readonly finding: RenderedFinding;
}

/** Makes the checks of source of every state that a window comes to, each state once, and tells each fault once. */
export class StateAudit {
  readonly findings: RenderedFinding[] = [];
  /** What Tab is to be pressed for before it is told. */
  readonly suspicions: Suspicion[] = [];
  readonly #plan: StatePlan;
  readonly #seen = new Set<string>();
  readonly #told = new Set<string>();
  #results: StateResults | null = null;

  constructor(plan: StatePlan) {
    this.#plan = plan;
  }

  /**
   * @param moves how the window came to its state
   * @param keys the same as people are told, and what came of it; null for the window as it was opened
   */
  look(page: LivePage, moves: readonly Move[], keys: string | null): void {
    if (this.#seen.size >= MOST_STATES) return;
    const state = [...stateOf(page)].map(([at, { visible, attributes, text }]) =>
      visible ? `${at} ${[...attributes].join(" ")} ${text}` : "",
    );
    const signature = state.join("\n");
    if (this.#seen.has(signature)) return;
    this.#seen.add(signature);
    const { settings } = this.#plan;
    const { scene } = page;
    const checks = catalogue.filter(({ id }) => settings.has(id));
    const exceptions = [
      ...markupExceptions(scene.document),
      ...page.sheets.flatMap(({ sheet }) => sheetExceptions(sheet.remarks)),
    ];
    const run = runChecks(
      scene,
      checks,
      ["failed", "cantTell"],
      ({ id }) => settings.get(id) ?? { words: [], severity: null },
      (finding) => exceptions.some((exception) => allows(exception, finding)),
    );
    const shown = new Set(page.shown());
    const isFirst = this.#results === null;
    for (const finding of run.findings) {
      // A component answers for what it renders, not for the window that it is shown in.
      if (!shown.has(finding.element)) continue;
      const isAtTop = page.isAtTop(finding.element);
      if (scene.document.kind === "component" && isLeftToSpecimen(scene, finding, isAtTop)) continue;
      this.#tell(page, finding, moves, keys);
    }
    if (isFirst)
      this.#results = {
        elements: shown.size,
        checks: run.checks.map((result) => counted(result, this.findings)),
        criteria: run.criteria,
        allowed: run.allowed,
      };
  }

  #tell(page: LivePage, finding: Finding, moves: readonly Move[], keys: string | null): void {
    const element = toldNode(page, finding.element);
    const source = finding.source ?? element.nearest;
    const { check, outcome, message, repair, facts, origins, criteria } = finding;
    const place = source === null ? element.path : `${source.file} ${source.start}`;
    const key = `${check} ${outcome} ${place} ${element.span === null ? element.tag : ""}`;
    if (this.#told.has(key)) return;
    this.#told.add(key);
    const mend = repair?.summary ?? null;
    const told: RenderedFinding = {
      check,
      outcome: outcome as "failed" | "cantTell",
      element,
      source,
      message,
      mend,
      keys,
      facts,
      origins,
      criteria,
    };
    if (restsOnStop.has(check) && page.isScripted)
      this.suspicions.push({ at: page.keyOf(finding.element), moves, finding: told });
    else this.findings.push(told);
  }

  get results(): StateResults | null {
    return this.#results;
  }
}

/** How a check went once it is known which of its findings are told. */
function counted(
  { id, targets, failed, cantTell }: CheckResult,
  told: readonly RenderedFinding[],
): CheckResult {
  const of = (outcome: string) => told.filter((one) => one.check === id && one.outcome === outcome).length;
  return checkResult(id, {
    failed: of("failed"),
    cantTell: of("cantTell"),
    passed: Math.max(0, targets - failed - cantTell),
  });
}
