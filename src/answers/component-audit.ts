import type { Check } from "../core/checks/check.ts";
import { type CheckResult, checkResult, type RunResult, runChecks } from "../core/checks/run.ts";
import type { Sheet } from "../core/css/sheet.ts";
import type { ComponentFrame, ElementNode, Span } from "../core/document/node.ts";
import type { Finding } from "../core/findings/verdict.ts";
import { setAttribute } from "../core/repair/change.ts";
import { ask, askWords, BLANK } from "../core/repair/repair.ts";
import { type Scene, type SceneOptions, sceneFromSource } from "../core/scene/scene.ts";
import { type JudgedFinding, judgeTree } from "../core/worlds/judge.ts";
import type { ComposedTree, TreeElement, TreeNode } from "../core/worlds/tree.ts";
import type { WorldDocument } from "../core/worlds/world.ts";
import { placeKey } from "../readers/components/component-name.ts";
import type { Composed, Composer, FoundComponent } from "../readers/components/compose.ts";
import type { SourceModule } from "../readers/components/source-module.ts";
import type { PageCheckSettings } from "./check-plan.ts";
import { isLeftToSurroundings, type Surroundings } from "./component-context.ts";
import { applied, sheetsReached } from "./component-sheets.ts";
import type { ExceptionBook } from "./exception-book.ts";

/** A finding at the place to change. */
export interface PlacedFinding {
  readonly finding: Finding;
  readonly scene: Scene;
  /** The way to what it points at. */
  readonly components: readonly ComponentFrame[];
  /** In how many other places of the composed trees the same shows. */
  readonly others: number;
}

/** What came of one root with all that it renders. */
export interface RootResult {
  readonly found: FoundComponent;
  readonly elements: number;
  readonly scene: Scene;
  readonly run: RunResult;
  readonly findings: readonly PlacedFinding[];
}

export interface ComponentAuditRequest {
  readonly composer: Composer;
  readonly modules: ReadonlyMap<string, SourceModule>;
  readonly checks: readonly Check[];
  readonly settingsFor: (file: string) => (check: Check) => PageCheckSettings;
  readonly scene: SceneOptions;
  /** Stylesheets that every page has. */
  readonly sheets: readonly Sheet[];
  readonly exceptions: ExceptionBook;
  /** How a place is told in a sentence: `file:line`. */
  readonly told: (span: Span) => string;
}

/** Judges components composed with all that they render, and finds the place to change for each fault. */
export class ComponentAudit {
  readonly #request: ComponentAuditRequest;
  readonly #parsed = new Map<string, Sheet>();
  /** Every element of source that some tree has shown. */
  readonly #reached = new Set<string>();
  /** What a component fails in by itself, and what only where a caller leaves something out, by its definition. */
  readonly #alone = new Map<string, FaultsAlone>();

  constructor(request: ComponentAuditRequest) {
    this.#request = request;
  }

  /** @param told what earlier roots have shown, as `check outcome place`; added to */
  audit(composed: Composed, told: Set<string>): RootResult {
    const { found, tree, islands } = composed;
    const main = this.#judge(found, tree);
    const rest = islands.map((island) => this.#judge(found, island, "something unknown"));
    const placed = this.#placed(
      [tree, ...islands],
      [main, ...rest].flatMap((one) => one.judged),
      told,
    );
    return this.#result(found, main.first, placed);
  }

  #result(
    found: FoundComponent,
    { scene, run }: { readonly scene: Scene; readonly run: RunResult },
    findings: readonly PlacedFinding[],
  ): RootResult {
    return {
      found,
      elements: scene.page.index.elements.filter((element) => element.source !== null).length,
      scene,
      run: { ...run, checks: run.checks.map((result) => counted(result, findings)) },
      findings,
    };
  }

  /**
   * What a component shows by itself and in none of the trees that were audited: a branch that no caller comes to. Null
   * where there is nothing of the kind.
   */
  auditUnreached(found: FoundComponent, told: Set<string>): RootResult | null {
    const composed = this.#request.composer.compose(found);
    const unreached = new Set(
      [...usesOf([composed.tree]).keys()].filter((place) => !this.#reached.has(place)),
    );
    if (unreached.size === 0) return null;
    const { judged, first } = this.#judge(found, composed.tree, "something unknown");
    const sure = judged.filter(
      ({ element, outcome, isLeftToCalls }) =>
        outcome === "failed" &&
        !isLeftToCalls &&
        element.source !== null &&
        unreached.has(placeKey(element.source)) &&
        element.components.length === 1,
    );
    if (sure.length === 0) return null;
    return this.#result(found, first, this.#placed([composed.tree], sure, told));
  }

  #judge(found: FoundComponent, tree: ComposedTree, within: Surroundings = "page") {
    const { checks, settingsFor, scene: options, sheets: shared, modules, exceptions } = this.#request;
    const settings = settingsFor(found.module.file);
    const running = checks.filter((check) => !settings(check).off);
    const { sheets, known } = sheetsReached(found.module, modules, this.#parsed);
    const scenes = new Map<WorldDocument, Scene>();
    let first: { readonly scene: Scene; readonly run: RunResult } | null = null;
    const audit = (world: WorldDocument, only?: ReadonlySet<string>): readonly Finding[] => {
      const styles = applied([...shared, ...sheets], world.document);
      const scene = sceneFromSource(world.document, styles, {
        ...options,
        stylesKnown: known,
      });
      scenes.set(world, scene);
      const chosen = only === undefined ? running : running.filter((check) => only.has(check.id));
      const { allows } = exceptions.ofPage(world.document, styles);
      const run = runChecks(scene, chosen, ["failed", "cantTell"], settings, allows);
      first ??= { scene, run };
      return run.findings.filter((finding) => !isLeftToSurroundings(found, scene, finding, within));
    };
    const judged = judgeTree(tree, audit)
      .filter(({ element }) => element.source !== null)
      .map((one) => ({ ...one, scene: scenes.get(one.world) as Scene }));
    return { judged, first: first as unknown as { readonly scene: Scene; readonly run: RunResult } };
  }

  #faultsAlone(definition: Span): FaultsAlone {
    const key = placeKey(definition);
    const known = this.#alone.get(key);
    if (known !== undefined) return known;
    // A component inside itself is not looked at again.
    this.#alone.set(key, { own: new Set(), leftOut: new Map() });
    const found = this.#request.composer.definedAt(definition);
    const faults: FaultsAlone = { own: new Set(), leftOut: new Map() };
    if (found !== null) {
      const { judged } = this.#judge(found, this.#request.composer.compose(found).tree, "its callers");
      for (const { finding, element, outcome, isLeftToCalls, mayBeMended, when } of judged) {
        const fault = faultKey(finding, element);
        if ((outcome === "failed" && !isLeftToCalls) || mayBeMended) faults.own.add(fault);
        const prop = when.length === 1 ? /^`([\w-]+)` is not given$/.exec(when[0] ?? "")?.[1] : undefined;
        if (isLeftToCalls && prop !== undefined) faults.leftOut.set(fault, prop);
      }
    }
    this.#alone.set(key, faults);
    return faults;
  }

  #placed(
    trees: readonly ComposedTree[],
    judged: readonly (JudgedFinding & { readonly scene: Scene })[],
    told: Set<string>,
  ): readonly PlacedFinding[] {
    const uses = usesOf(trees);
    for (const place of uses.keys()) this.#reached.add(place);
    const placed = judged.map((one) => ({ one, level: this.#levelOf(one) }));
    // Where every use of a component goes wrong in the same way, it is the component that is to be changed.
    const wrongUses = new Map<string, Set<string>>();
    for (const { one, level } of placed) {
      if (level === null || one.outcome !== "failed") continue;
      const key = faultKey(one.finding, one.element);
      wrongUses.set(key, (wrongUses.get(key) ?? new Set()).add(useKey(one.element)));
    }
    const merged = new Map<string, PlacedFinding & { others: number }>();
    for (const { one, level } of placed) {
      const { finding, element, outcome, scene } = one;
      const wrong = wrongUses.get(faultKey(finding, element))?.size ?? 0;
      const all = element.source === null ? 0 : (uses.get(placeKey(element.source))?.size ?? 0);
      const at = level === null || (wrong > 1 && wrong === all) ? null : level;
      const call = at === null ? null : (element.components[at] ?? null);
      const source = call?.source ?? finding.source;
      const key = `${finding.check} ${outcome} ${source === null ? "" : placeKey(source)}`;
      const known = merged.get(key);
      if (known !== undefined) {
        known.others++;
        continue;
      }
      if (told.has(key)) continue;
      told.add(key);
      merged.set(key, {
        finding: {
          ...finding,
          outcome,
          source,
          message: this.#message(one, call),
          repair: call === null ? withoutIds(finding.repair) : this.#repairAt(call, one),
        },
        scene,
        components: call === null ? pointedAt(scene, finding).components : element.components,
        others: 0,
      });
    }
    return [...merged.values()];
  }

  /** The call that decides a fault, as its place in the chain; null where the component itself is to be changed. */
  #levelOf({ finding, element, outcome }: JudgedFinding): number | null {
    if (outcome !== "failed" || element.overwrites === true) return null;
    const frames = element.components;
    const key = faultKey(finding, element);
    let level: number | null = null;
    for (let at = frames.length - 1; at > 0; at--) {
      const frame = frames[at];
      if (frame === undefined || this.#faultsAlone(frame.definition).own.has(key)) break;
      // Who gives nothing decides nothing.
      if (this.#request.composer.definedAt(frame.definition)?.component.takesProps === false) break;
      level = at;
    }
    return level;
  }

  /** What is wrong at a use is mended there, and not where the element is written: by giving what was left out. */
  #repairAt(call: ComponentFrame, { finding, element }: JudgedFinding): Finding["repair"] {
    const { repair } = finding;
    if (repair === null) return null;
    const prop = this.#faultsAlone(call.definition).leftOut.get(faultKey(finding, element));
    const [given] = repair.words?.changes ?? [];
    const name = prop ?? (given?.kind === "set attribute" ? given.name : null);
    if (name === null || repair.words === null) return ask(repair.summary);
    const use: ElementNode = { ...finding.element, source: call.source, endTag: null, attributes: new Map() };
    const { what, start, sample } = repair.words;
    return askWords(repair.summary, what, start, [setAttribute(use, name, BLANK)], sample);
  }

  #message(
    { finding, element, outcome, when, mayBeMended }: JudgedFinding,
    call: { readonly name: string } | null,
  ): string {
    const so = when.length === 0 ? "" : ` It is so when ${when.join(" and ")}.`;
    const where =
      call === null || element.source === null
        ? ""
        : ` This use of ${call.name} decides it: the <${element.tag}> stands at ${this.#request.told(element.source)}.`;
    if (outcome === "cantTell" && finding.outcome === "failed")
      return mayBeMended
        ? `Does what is not in this source mend it? If not: ${finding.message}`
        : `Can it be that ${when.length === 0 ? "nothing is given here" : when.join(" and ")}? Then: ${finding.message}`;
    return `${finding.message}${so}${where}`;
  }
}

/** An id that is written in a component is there as often as the component: a person must bind one. */
function withoutIds(repair: Finding["repair"]): Finding["repair"] {
  const setsId = [...(repair?.changes ?? []), ...(repair?.words?.changes ?? [])].some(
    (change) => change.kind === "set attribute" && change.name === "id",
  );
  return repair === null || !setsId ? repair : ask(repair.summary);
}

/** What a component fails in when composed alone. */
interface FaultsAlone {
  /** Faults that it has whoever calls it, as `check place`. */
  readonly own: Set<string>;
  /** Faults that show where one prop is not given, with its name. */
  readonly leftOut: Map<string, string>;
}

/** The element that a finding points at: not always the one that it is about. */
const pointedAt = (scene: Scene, { element, source }: Finding): ElementNode =>
  source === null || source === element.source
    ? element
    : (scene.page.index.elements.find((other) => other.source === source) ?? element);

const faultKey = ({ check }: Finding, { source }: TreeElement): string =>
  `${check} ${source === null ? "" : placeKey(source)}`;

/** The use of the component that wrote an element, or the root. */
const useKey = ({ components }: TreeElement): string =>
  components
    .slice(1)
    .map(({ source }) => placeKey(source))
    .slice(-1)
    .join("");

/** From how many uses each element of source comes. */
function usesOf(trees: readonly ComposedTree[]): ReadonlyMap<string, ReadonlySet<string>> {
  const uses = new Map<string, Set<string>>();
  const visit = (node: TreeNode): void => {
    if (node.kind === "either") for (const arm of node.arms) arm.forEach(visit);
    else if (node.kind === "element") {
      if (node.source !== null) {
        const key = placeKey(node.source);
        uses.set(key, (uses.get(key) ?? new Set()).add(useKey(node)));
      }
      node.children.forEach(visit);
    }
  };
  for (const tree of trees) tree.children.forEach(visit);
  return uses;
}

/** How a check went once every finding has its place. */
function counted(result: CheckResult, placed: readonly PlacedFinding[]): CheckResult {
  const of = (outcome: string) =>
    placed.filter(({ finding }) => finding.check === result.id && finding.outcome === outcome).length;
  const [failed, cantTell] = [of("failed"), of("cantTell")];
  return checkResult(result.id, {
    failed,
    cantTell,
    passed: Math.max(0, result.targets - result.failed - result.cantTell),
  });
}
