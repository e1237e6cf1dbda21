import { type Problem, templateAlone } from "../core/findings/problems.ts";
import type { Engine, Workplace } from "../engine/engine.ts";
import type { LoadedSources } from "../engine/sources.ts";
import { isComponentFile, type PageFile } from "../engine/targets.ts";
import type { Collected, SourceTargets, Unit } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { type LoadedPage, loadPage } from "./load-page.ts";
import { pageUnit } from "./page-unit.ts";

/** Makes a unit of a page that was read. */
export type UnitOfPage = (page: PageFile, loaded: LoadedPage, plan: ReadingPlan, host: Host) => Unit;

/** Pages and component source, read alone: nothing is executed. */
export const readEngine: Engine = {
  takes: () => true,
  collect: (targets, plan, workplace) => collectRead(targets, plan, workplace, pageUnit),
};

/** Reads pages and components, one after the other; `unitOf` says what a page becomes. */
export async function* collectRead(
  targets: readonly PageFile[],
  plan: ReadingPlan,
  workplace: Workplace,
  unitOf: UnitOfPage,
): AsyncIterable<Collected> {
  const components = targets.filter(({ path }) => path !== null && isComponentFile(path));
  const named = new Set<string>();
  if (components.length > 0) {
    const sources = new Sources(components, plan, workplace);
    yield { kind: "sources", targets: sources };
    for (const path of await sources.paths()) named.add(path);
    for (const { problem, isUnread } of await sources.problems())
      yield { kind: "problem", problem, isUnread };
  }
  // The template of a component is part of it and no page.
  const { host, onPage, signal, workspace } = workplace;
  const pages = targets.filter(({ path }) => path === null || (!isComponentFile(path) && !named.has(path)));
  for (const [done, page] of pages.entries()) {
    signal?.throwIfAborted();
    onPage(page, done, pages.length);
    const loaded = await loadPage(page, { host, options: plan, workspace });
    if (!loaded.ok) {
      yield { kind: "problem", problem: loaded.problem, isUnread: true };
      continue;
    }
    if (isTemplate(loaded.value.texts.get(page.name) ?? "")) {
      yield { kind: "problem", problem: templateAlone(page.name), isUnread: false };
      continue;
    }
    for (const problem of loaded.value.problems) yield { kind: "problem", problem, isUnread: false };
    yield {
      kind: "unit",
      unit: unitOf(page, loaded.value, plan, host),
      isOneOfSeveral: pages.length > 1,
    };
  }
}

/** Whether markup binds what a component gives it: `*ngIf`, `[value]`, `(click)`, `@if (…)`. */
export const isTemplate = (text: string): boolean =>
  /\s\*ng[A-Z]\w*=|<[a-z][^<>]*\s(?:\[[\w.-]+\]|\([\w.-]+\)|\[\([\w.-]+\)\])=["']|<ng-(?:template|container|content)\b|^\s*@(?:if|for|switch|defer)\s*\(.*\{\s*$/m.test(
    text,
  );

/** Component source, read when it is first wanted. */
class Sources implements SourceTargets {
  readonly entries: readonly PageFile[];
  readonly #plan: ReadingPlan;
  readonly #at: Workplace;
  #loading: Promise<LoadedSources> | null = null;
  #reused: ReadonlySet<string> | null = null;

  constructor(entries: readonly PageFile[], plan: ReadingPlan, workplace: Workplace) {
    this.entries = entries;
    this.#plan = plan;
    this.#at = workplace;
  }

  load(): Promise<LoadedSources> {
    // Parsers of scripts are loaded where there are scripts.
    this.#loading ??= import("./load-sources.ts").then(({ loadSources }) =>
      loadSources(this.entries, this.#plan, this.#at.host, this.#at.workspace),
    );
    return this.#loading;
  }

  async units(): Promise<readonly Unit[]> {
    const { componentUnits } = await import("./component-units.ts");
    return componentUnits(await this.load(), this.#plan);
  }

  reuse(paths: ReadonlySet<string>): void {
    this.#reused = paths;
  }

  /** The files that belong to components. */
  async paths(): Promise<Iterable<string>> {
    return this.#reused ?? (await this.load()).modules.keys();
  }

  async problems(): Promise<readonly { readonly problem: Problem; readonly isUnread: boolean }[]> {
    if (this.#reused !== null) return [];
    const { problems, unread } = await this.load();
    return problems.map((problem) => ({ problem, isUnread: unread }));
  }
}
