import { checkWith } from "../core/checks/catalogue.ts";
import type { PageCheck } from "../core/checks/check.ts";
import { type Given, givenIn } from "../core/checks/given.ts";
import { type CheckResult, checkResult, type RunResult, runChecks } from "../core/checks/run.ts";
import { type Around, isLeftToSurroundings } from "../core/checks/surroundings.ts";
import type { Sheet } from "../core/css/sheet.ts";
import type { ComponentFrame, ElementNode, Span } from "../core/document/node.ts";
import { onceFor } from "../core/document/once.ts";
import type { Facts, Finding } from "../core/findings/verdict.ts";
import { setAttribute } from "../core/repair/change.ts";
import { ask, askWords, BLANK } from "../core/repair/repair.ts";
import { type Scene, type SceneOptions, sceneFromSource } from "../core/scene/scene.ts";
import { conditionText } from "../core/worlds/condition.ts";
import { type JudgedFinding, judgeTree } from "../core/worlds/judge.ts";
import type { Patience } from "../core/worlds/patience.ts";
import type { ComposedTree, TreeElement, TreeNode } from "../core/worlds/tree.ts";
import type { WorldDocument } from "../core/worlds/world.ts";
import { applied, ComponentStyles, ScriptSheets } from "../read/component-sheets.ts";
import { placeKey } from "../readers/composition/component-name.ts";
import type { Composed, Composer, FoundComponent } from "../readers/composition/compose.ts";
import type { SourceModule } from "../readers/composition/source-module.ts";
import type { SettingsOfChecks } from "../settings/check-plan.ts";
import { aloneComponent } from "./component-context.ts";
import { ExceptionBook } from "./exception-book.ts";

/** A finding at the place to change. */
export interface PlacedFinding {
  /** The same for what several roots show: it is told once. */
  readonly key: string;
  readonly finding: Finding;
  readonly scene: Scene;
  /** The way to what it points at. */
  readonly components: readonly ComponentFrame[];
}

/** What came of one component with all that it renders. */
export interface JudgedRoot {
  /** Places of all elements of source that it shows. */
  readonly shown: readonly string[];
  readonly elements: number;
  readonly run: RunResult;
  readonly findings: readonly PlacedFinding[];
  /** Whether not everything that is open in it was looked at. */
  readonly isCutShort: boolean;
  /** What is given of its elements with every first arm and with every last one, where an edit is to be tried on it. */
  readonly given: readonly Given[];
}

export interface ComponentAuditRequest {
  readonly composer: Composer;
  readonly modules: ReadonlyMap<string, SourceModule>;
  readonly checks: readonly PageCheck[];
  readonly settingsFor: (file: string) => SettingsOfChecks;
  readonly scene: SceneOptions;
  /** Whether it is audited to try an edit. */
  readonly isTrial: boolean;
  /** Stylesheets that every page has, and a module of such. */
  readonly sheets: readonly Sheet[];
  readonly everywhere: SourceModule | null;
  /** How a place is told in a sentence: `file:line`. */
  readonly told: (span: Span) => string;
  /** How long one root may take. */
  readonly patience: Patience;
  /** Whether findings say in which world they were judged. */
  readonly showsWorlds: boolean;
  /** What a component fails in by itself, kept as long as it does not change. */
  readonly keepAlone: (found: FoundComponent, make: () => FaultsAlone) => FaultsAlone;
}

/** What a composed tree shows in one world, in the page that it is in. */
interface Look {
  readonly scene: Scene;
  readonly run: RunResult;
}

/** Whether a module listens to keys on the whole window, and to such as do something: Enter, Space, arrows. */
const listensToAllKeys = onceFor(
  ({ text }: SourceModule): boolean =>
    /addEventListener\(\s*["'`]key(?:down|up|press)|<svelte:(?:window|document|body)\b[^>]*\bon:?key(?:down|up|press)|HostListener\(\s*["'`](?:window|document):key/.test(
      text,
    ) && /["'`](?:Enter| |Space|Arrow\w+)["'`]/.test(text),
);

/** Judges components composed with all that they render, and finds the place to change for each fault. */
export class ComponentAudit {
  readonly #request: ComponentAuditRequest;
  readonly #styles: ComponentStyles;
  readonly #scriptSheets: ScriptSheets;
  readonly #alone = new Map<string, FaultsAlone>();

  constructor(request: ComponentAuditRequest) {
    this.#request = request;
    this.#styles = new ComponentStyles(request.modules, request.everywhere);
    this.#scriptSheets = new ScriptSheets(request.composer.scriptStyles);
  }

  /** @param exceptions what comments in its source allow */
  audit({ found, tree, islands, isCutShort }: Composed, exceptions: ExceptionBook): JudgedRoot {
    const main = this.#judge(found, tree, "page", exceptions);
    const rest = islands.map((island) => this.#judge(found, island, "something unknown", exceptions));
    const trees = [tree, ...islands];
    const all = [main, ...rest];
    return {
      ...judgedRoot(
        trees,
        main.first,
        this.#placed(
          trees,
          all.flatMap((one) => one.judged),
        ),
      ),
      isCutShort: isCutShort || all.some((one) => one.unseenArms > 0),
      given: all.flatMap((one) => one.given),
    };
  }

  /**
   * What a component shows by itself and in none of the trees that were audited: a branch that no caller comes to. Null
   * where there is nothing of the kind.
   * @param unreached places of the elements that no tree shows
   */
  auditUnreached(
    { found, tree }: Composed,
    unreached: ReadonlySet<string>,
    exceptions: ExceptionBook,
  ): JudgedRoot | null {
    const { judged, first } = this.#judge(found, tree, "something unknown", exceptions);
    const sure = judged.filter(
      ({ element, outcome, isLeftToCalls }) =>
        outcome === "failed" &&
        !isLeftToCalls &&
        element.source !== null &&
        unreached.has(placeKey(element.source)) &&
        element.components.length === 1,
    );
    return sure.length === 0 ? null : judgedRoot([tree], first, this.#placed([tree], sure));
  }

  #judge(found: FoundComponent, tree: ComposedTree, around: Around, exceptions: ExceptionBook) {
    const { checks, settingsFor, scene: options, sheets: shared, patience } = this.#request;
    const settings = settingsFor(found.module.file);
    const alone = aloneComponent(found);
    const running = checks.filter((check) => !settings(check).off);
    const { sheets, known } = this.#styles.of(found.module);
    const looks = new Map<WorldDocument, Look>();
    const audit = (world: WorldDocument, only?: ReadonlySet<string>): readonly Finding[] => {
      patience.check();
      const styles = applied(
        [...shared, ...sheets, ...this.#scriptSheets.of(world.origins.keys())],
        world.document,
      );
      const scene = sceneFromSource(world.document, styles, { ...options, stylesKnown: known });
      const chosen = only === undefined ? running : running.filter((check) => only.has(check.id));
      const { allows } = exceptions.ofPage(world.document, styles);
      const run = runChecks(scene, chosen, ["failed", "cantTell"], settings, allows);
      looks.set(world, { scene, run });
      return run.findings
        .filter((finding) => !isLeftToSurroundings(alone, scene, finding, around))
        .map((finding) => this.#askedOfKeys(finding));
    };
    const { findings, unseenArms } = judgeTree(tree, audit);
    const judged = findings.flatMap((one) => {
      const look = looks.get(one.world);
      return one.element.source === null || look === undefined ? [] : [{ ...one, scene: look.scene }];
    });
    const [first, last] = looks.values();
    // A tree is looked at in one world at least.
    if (first === undefined) throw new Error("a tree was not looked at");
    const isTried =
      this.#request.isTrial || judged.some(({ finding }) => (finding.repair?.changes.length ?? 0) > 0);
    const given = isTried
      ? [first, last].flatMap((one) => (one === undefined ? [] : givenIn(one.scene)))
      : [];
    return { judged, first, unseenArms, given };
  }

  /** What fails for the keyboard, as a question where a component around it listens to keys wherever focus is. */
  #askedOfKeys(finding: Finding): Finding {
    const check = checkWith(finding.check);
    if (finding.outcome !== "failed" || check?.kind !== "page" || check.mayBeDoneByKeys !== true)
      return finding;
    const { composer } = this.#request;
    const isAsked = finding.element.components.some(({ definition }) => {
      const module = composer.definedAt(definition)?.module;
      return module !== undefined && listensToAllKeys(module);
    });
    return isAsked
      ? {
          ...finding,
          outcome: "cantTell",
          message: `This component listens for keys on the whole page. Does one of them do the same? If not: ${finding.message}`,
        }
      : finding;
  }

  #faultsAlone(definition: Span): FaultsAlone {
    const key = placeKey(definition);
    const known = this.#alone.get(key);
    if (known !== undefined) return known;
    // A component inside itself is not looked at again.
    this.#alone.set(key, { own: new Set(), leftOut: new Map() });
    const found = this.#request.composer.definedAt(definition);
    const faults =
      found === null
        ? { own: new Set<string>(), leftOut: new Map<string, string>() }
        : this.#request.keepAlone(found, () => this.#judgeAlone(found));
    this.#alone.set(key, faults);
    return faults;
  }

  #judgeAlone(found: FoundComponent): FaultsAlone {
    const faults = { own: new Set<string>(), leftOut: new Map<string, string>() };
    const { tree } = this.#request.composer.compose(found);
    // What is allowed in place is told of where the component is used.
    const { judged } = this.#judge(found, tree, "its callers", new ExceptionBook([]));
    for (const { finding, element, outcome, isLeftToCalls, mayBeMended, when } of judged) {
      const fault = faultKey(finding, element);
      if ((outcome === "failed" && !isLeftToCalls) || mayBeMended) faults.own.add(fault);
      const [condition] = when;
      if (isLeftToCalls && when.length === 1 && condition?.is === "not given")
        faults.leftOut.set(fault, condition.of);
    }
    return faults;
  }

  /** Whether a use gives attributes alone, which nobody writes who does not know the element that takes them. */
  #takesOnlyAttributes({ definition }: ComponentFrame): boolean {
    return this.#request.composer.definedAt(definition)?.component.takesProps === "as attributes";
  }

  #placed(
    trees: readonly ComposedTree[],
    judged: readonly (JudgedFinding & { readonly scene: Scene })[],
  ): readonly PlacedFinding[] {
    const [uses, ways] = [usesOf(trees, useKey), usesOf(trees, wayKey)];
    const placed = judged.map((one) => ({ one, level: this.#levelOf(one) }));
    // Where every use of a component goes wrong in the same way, it is the component that is to be changed.
    const wrongUses = new Map<string, Set<string>>();
    const wrongWays = new Map<string, Set<string>>();
    for (const { one, level } of placed) {
      if (level === null || one.outcome !== "failed") continue;
      const key = faultKey(one.finding, one.element);
      wrongUses.set(key, (wrongUses.get(key) ?? new Set()).add(useKey(one.element)));
      wrongWays.set(key, (wrongWays.get(key) ?? new Set()).add(wayKey(one.element)));
    }
    const merged = new Map<string, PlacedFinding>();
    for (const { one, level } of placed) {
      const { finding, element, outcome, scene } = one;
      const isWrongInAll = (of: PlacesOf, wrong: PlacesOf, least: number): boolean => {
        const count = wrong.get(faultKey(finding, element))?.size ?? 0;
        const all = element.source === null ? 0 : (of.get(placeKey(element.source))?.size ?? 0);
        return count >= least && count === all;
      };
      const decides = level === null ? null : (element.components[level] ?? null);
      const isOwn =
        decides === null ||
        isWrongInAll(uses, wrongUses, 2) ||
        (this.#takesOnlyAttributes(decides) && isWrongInAll(ways, wrongWays, 1));
      const call = isOwn ? null : decides;
      const source = call?.source ?? finding.source;
      const key = `${finding.check} ${outcome} ${source === null ? "" : placeKey(source)}`;
      if (merged.has(key)) continue;
      merged.set(key, {
        key,
        finding: {
          ...finding,
          outcome,
          source,
          message: this.#message(one, call),
          repair: call === null ? withoutIds(finding.repair) : this.#repairAt(call, one),
          facts: this.#request.showsWorlds ? { ...finding.facts, ...worldFacts(one) } : finding.facts,
        },
        scene,
        components: call === null ? pointedAt(scene, finding).components : element.components,
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
    for (let index = frames.length - 1; index > 0; index--) {
      const frame = frames[index];
      if (frame === undefined || this.#faultsAlone(frame.definition).own.has(key)) break;
      // Who gives nothing decides nothing.
      if (this.#request.composer.definedAt(frame.definition)?.component.takesProps === false) break;
      level = index;
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
    const conditions = when.map(conditionText).join(" and ");
    const so = conditions === "" ? "" : ` It is so when ${conditions}.`;
    const where =
      call === null || element.source === null
        ? ""
        : ` This use of ${call.name} decides it: the <${element.tag}> stands at ${this.#request.told(element.source)}.`;
    if (outcome === "cantTell" && finding.outcome === "failed")
      return mayBeMended
        ? `Does what is not in this source mend it? If not: ${finding.message}`
        : `Can it be that ${conditions === "" ? "nothing is given here" : conditions}? Then: ${finding.message}`;
    return `${finding.message}${so}${where}`;
  }
}

/** The world in which a finding was judged, and what may stand where source leaves something out. */
const worldFacts = ({ fell, mendedBy }: JudgedFinding): Facts => ({
  world: fell.length === 0 ? "nothing is open" : fell.map(conditionText).join("; "),
  ...(mendedBy.length === 0 ? {} : { mendedBy: mendedBy.join(", ") }),
});

/** An id that is written in a component is there as often as the component: a person must bind one. */
function withoutIds(repair: Finding["repair"]): Finding["repair"] {
  const setsId = [...(repair?.changes ?? []), ...(repair?.words?.changes ?? [])].some(
    (change) => change.kind === "set attribute" && change.name === "id",
  );
  return repair === null || !setsId ? repair : ask(repair.summary);
}

/** What a component fails in when composed alone. */
export interface FaultsAlone {
  /** Faults that it has whoever calls it, as `check place`. */
  readonly own: ReadonlySet<string>;
  /** Faults that show where one prop is not given, with its name. */
  readonly leftOut: ReadonlyMap<string, string>;
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

/** The whole way to an element, as a key. */
const wayKey = ({ components }: TreeElement): string =>
  components.map(({ source }) => placeKey(source)).join();

type PlacesOf = ReadonlyMap<string, ReadonlySet<string>>;

/** From how many uses, or by how many ways, each element of source comes. */
function usesOf(trees: readonly ComposedTree[], keyOf: typeof wayKey): PlacesOf {
  const uses = new Map<string, Set<string>>();
  const visit = (node: TreeNode): void => {
    if (node.kind === "either") for (const arm of node.arms) arm.forEach(visit);
    else if (node.kind === "element") {
      if (node.source !== null) {
        const key = placeKey(node.source);
        uses.set(key, (uses.get(key) ?? new Set()).add(keyOf(node)));
      }
      node.children.forEach(visit);
    }
  };
  for (const tree of trees) tree.children.forEach(visit);
  return uses;
}

const judgedRoot = (
  trees: readonly ComposedTree[],
  { scene, run }: Look,
  findings: readonly PlacedFinding[],
): JudgedRoot => ({
  shown: placesShown(trees),
  elements: scene.page.index.elements.filter((element) => element.source !== null).length,
  run,
  findings,
  isCutShort: false,
  given: [],
});

/** Places of all elements of source that trees show, in any of their arms. */
export const placesShown = (trees: readonly ComposedTree[]): readonly string[] => [
  ...usesOf(trees, useKey).keys(),
];

/** How a check went once it is known which of its findings are told. */
export function countedAsTold(
  result: CheckResult,
  findings: readonly { readonly check: string; readonly outcome: string }[],
): CheckResult {
  const count = (outcome: string) =>
    findings.filter((finding) => finding.check === result.id && finding.outcome === outcome).length;
  return checkResult(result.id, {
    failed: count("failed"),
    cantTell: count("cantTell"),
    passed: Math.max(0, result.targets - result.failed - result.cantTell),
  });
}
