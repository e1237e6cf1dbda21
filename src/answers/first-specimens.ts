import path from "node:path";
import { type ComponentFormatName, componentFormatOf } from "../core/document/component-formats.ts";
import type { Problem } from "../core/findings/problems.ts";
import {
  componentExtensions,
  findPages,
  isComponentFile,
  isSpecimenFile,
  shownName,
} from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { Workspace } from "../host/workspace.ts";
import { loadSources } from "../read/load-sources.ts";
import { isDecorated } from "../readers/composition/component-styles.ts";
import { composer, type FoundComponent } from "../readers/composition/compose.ts";
import { type PropsOfState, sampleOf, statesOf } from "../readers/composition/sample-props.ts";
import type { SourceModule } from "../readers/composition/source-module.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { Surroundings } from "./draft-surroundings.ts";

/** A file of specimens as a first draft. */
export interface SpecimenDraft {
  /** Absolute. */
  readonly path: string;
  /** As it is shown. */
  readonly name: string;
  readonly text: string;
  readonly specimens: number;
}

export interface DraftsAnswer {
  readonly drafts: readonly SpecimenDraft[];
  /** How many files with components have specimens already. */
  readonly there: number;
  readonly problems: readonly Problem[];
}

/** Files of specimens of this name, whatever their language, stand for a component. */
const endings = ["tsx", "ts", "jsx", "js"];

/** Drafts specimens for the components of some files that have none, from the props that they declare. */
export async function draftSpecimens(plan: ReadingPlan, host: Host): Promise<DraftsAnswer> {
  const { pages, problems } = await findPages(plan, host, componentExtensions);
  const entries = pages.filter(
    ({ path: file }) => file !== null && isComponentFile(file) && !isSpecimenFile(file),
  );
  const sources = await loadSources(entries, plan, host, new Workspace());
  const composing = composer({ modules: sources.modules, standsFor: plan.components });
  const formatIn = (module: SourceModule): ComponentFormatName =>
    isDecorated(module) ? "angular" : (componentFormatOf(module.path) ?? "jsx");
  const modules = entries.flatMap(({ path: file }) =>
    file === null ? [] : (sources.modules.get(file) ?? []),
  );
  const found = new Map(
    modules.map((module) => [
      module,
      composing.componentsOf(module).filter((one) => exportOf(one, drafts[formatIn(module)]) !== null),
    ]),
  );
  const surroundings = new Surroundings(
    [...found.values()].flat(),
    [...sources.modules.values()].map(({ text }) => text),
    ({ module }) => formatIn(module),
    ({ module }) => markupOf(module, sources.modules),
  );
  const drafted: SpecimenDraft[] = [];
  let there = 0;
  for (const [module, components] of found) {
    if (components.length === 0) continue;
    const format = drafts[formatIn(module)];
    const base = module.path.replace(/\.[^.]+$/, "");
    const known = await Promise.all(endings.map((ending) => host.files.info(`${base}.specimen.${ending}`)));
    // Two components of one name in one folder have one file of specimens.
    if (
      known.some((info) => info !== null) ||
      drafted.some((one) => one.path.startsWith(`${base}.specimen.`))
    ) {
      there++;
      continue;
    }
    const target = `${base}.specimen.${format.ending(module.path, module.text)}`;
    const { text, specimens } = draft(module, components, format, surroundings);
    drafted.push({ path: target, name: shownName(host, target), text, specimens });
  }
  return { drafts: drafted, there, problems: [...problems, ...sources.problems] };
}

/** The template of a module, where it is in a file of its own; else the module itself. */
function markupOf(module: SourceModule, modules: ReadonlyMap<string, SourceModule>): string {
  const own = [...module.imports.values()].flatMap((file) =>
    file === null ? [] : (modules.get(file) ?? []),
  );
  return own.find(({ content }) => content.kind === "markup")?.text ?? module.text;
}

/** How specimens of each format are drafted. */
const drafts: Readonly<Record<ComponentFormatName, DraftedFormat>> = {
  jsx: {
    isWhole: false,
    nests: true,
    imports: () => [],
    ending: (file) => (/\.[cm]?tsx?$/.test(file) ? "tsx" : "jsx"),
    shown: markup,
    around: (name, given, inside) => markup(name, [...given, ["children", inside]], null),
  },
  vue: {
    isWhole: true,
    nests: true,
    imports: () => ['import { h } from "vue";'],
    ending: (_, text) => (/<script[^>]*lang="ts"/.test(text) ? "ts" : "js"),
    shown: (name, given, content) =>
      `h(${[name, ...propsOf(given, content !== null), ...(content === null ? [] : [`() => ${JSON.stringify(content)}`])].join(", ")})`,
    around: (name, given, inside) => `h(${[name, ...propsOf(given, true), `() => ${inside}`].join(", ")})`,
  },
  svelte: {
    isWhole: true,
    nests: false,
    imports: (lines) =>
      lines.some((line) => line.includes("createRawSnippet("))
        ? ['import { createRawSnippet } from "svelte";']
        : [],
    ending: (_, text) => (/<script[^>]*lang="ts"/.test(text) ? "ts" : "js"),
    shown: (name, given, content) =>
      inBraces(name, [
        ...given,
        ...(content === null
          ? []
          : ([
              ["children", `createRawSnippet(() => ({ render: () => "<span>${content}</span>" }))`],
            ] as const)),
      ]),
    around: (name, given, inside) => inBraces(name, [...given, ["children", inside]]),
  },
  angular: {
    isWhole: false,
    nests: true,
    imports: () => [],
    ending: () => "ts",
    shown: (name, given, content) =>
      `({ component: ${name}${given.length === 0 ? "" : `, inputs: ${objectText(given)}`}${content === null ? "" : `, content: ${JSON.stringify(content)}`} })`,
    around: (name, given, inside) =>
      `({ component: ${name}${given.length === 0 ? "" : `, inputs: ${objectText(given)}`}, content: ${inside} })`,
  },
};

const propsOf = (given: Given, isHeld: boolean): readonly string[] =>
  given.length > 0 ? [objectText(given)] : isHeld ? ["null"] : [];

const inBraces = (name: string, given: Given): string =>
  `({ component: ${name}, props: ${given.length === 0 ? "{}" : objectText(given)} })`;

type Given = readonly (readonly [prop: string, sample: string])[];

interface DraftedFormat {
  /** Whether a file is one component, exported as the default. */
  readonly isWhole: boolean;
  /** What a file of specimens imports beside its components. */
  readonly imports: (lines: readonly string[]) => readonly string[];
  /** What the name of a file of specimens ends in. */
  readonly ending: (file: string, text: string) => string;
  /** What a specimen returns; with words in it where the component shows them. */
  readonly shown: (name: string, given: Given, content: string | null) => string;
  /** Whether what a wrapper returns may be put into another. */
  readonly nests: boolean;
  /** What a wrapper returns, for what is called `inside`. */
  readonly around: (name: string, given: Given, inside: string) => string;
}

/** How a component is exported: by its name, or as the default; null where it is not. */
function exportOf(
  { module: { text }, name }: FoundComponent,
  format: DraftedFormat,
): "named" | "default" | null {
  if (format.isWhole) return "default";
  const isDefault = new RegExp(
    `\\bexport\\s+default\\s+(?:(?:async\\s+)?function\\s+|class\\s+|\\w+\\()?${name}\\b`,
  );
  if (isDefault.test(text)) return "default";
  const isNamed = new RegExp(
    `\\bexport\\s+(?:(?:async\\s+)?function|const|let|class)\\s+${name}\\b|\\bexport\\s*\\{[^}]*\\b${name}\\b`,
  );
  return isNamed.test(text) ? "named" : null;
}

function draft(
  module: SourceModule,
  components: readonly FoundComponent[],
  format: DraftedFormat,
  surroundings: Surroundings,
): { readonly text: string; readonly specimens: number } {
  const imported = new Imports(module, format);
  for (const found of components) imported.nameOf(found);
  const lines = components.flatMap((found) => {
    const name = imported.nameOf(found);
    const around = surroundings.around(found);
    const wrapper = (format.nests ? around : around.slice(-1)).reduceRight<string | null>(
      (inside, one) => format.around(imported.nameOf(one), plainProps(one), inside ?? "inside"),
      null,
    );
    const options = wrapper === null ? "" : `, {\n  wrapper: (inside) => ${wrapper},\n}`;
    const content = surroundings.takesContent(found) ? inWords(found.name) : null;
    return statesOf(found.component).map(({ state, props }) => {
      const label = [inWords(found.name), ...(state === null ? [] : [state])].join(", ");
      return `specimen(${JSON.stringify(label)}, () => ${format.shown(name, givenIn(props), content)}${options});`;
    });
  });
  const text = [
    'import { specimen } from "even-keel/specimen";',
    ...format.imports(lines),
    ...imported.lines(),
    "",
    "// Drafted from the props: give them words as people will read them, and name the states that matter.",
    ...lines,
    "",
  ].join("\n");
  return { text, specimens: lines.length };
}

const givenIn = (props: PropsOfState["props"]): Given =>
  [...props].map(([prop, value]) => [prop, sampleOf(value, prop)] as const);

/** What must be given to a component, beside what is in it. */
const plainProps = ({ component }: FoundComponent): Given =>
  givenIn(statesOf(component)[0]?.props ?? new Map()).filter(([prop]) => prop !== "children");

/** What a file of specimens imports of components, each by a name of its own. */
class Imports {
  readonly #module: SourceModule;
  readonly #format: DraftedFormat;
  readonly #names = new Map<FoundComponent, string>();

  constructor(module: SourceModule, format: DraftedFormat) {
    this.#module = module;
    this.#format = format;
  }

  nameOf(found: FoundComponent): string {
    const isDefault = exportOf(found, this.#format) === "default";
    const name = this.#names.get(found) ?? (isDefault ? identifierOf(found.name) : found.name);
    this.#names.set(found, name);
    return name;
  }

  lines(): readonly string[] {
    const modules = new Set([...this.#names.keys()].map(({ module }) => module));
    return [...modules].map((module) => {
      const found = [...this.#names].filter(([one]) => one.module === module);
      const isDefault = ([one]: (typeof found)[number]) => exportOf(one, this.#format) === "default";
      const named = found.filter((one) => !isDefault(one)).map(([, name]) => name);
      const imports = [
        found.find(isDefault)?.[1],
        named.length === 0 ? undefined : `{ ${named.join(", ")} }`,
      ].filter((part) => part !== undefined);
      return `import ${imports.join(", ")} from ${JSON.stringify(this.#pathTo(module))};`;
    });
  }

  #pathTo({ path: file }: SourceModule): string {
    const to = path.relative(path.dirname(this.#module.path), file).split(path.sep).join("/");
    const shown = to.startsWith(".") ? to : `./${to}`;
    return this.#format.isWhole ? shown : shown.replace(/\.[^./]+$/, "");
  }
}

const objectText = (given: Given): string =>
  `{ ${given.map(([prop, sample]) => `${key(prop)}: ${sample}`).join(", ")} }`;

function markup(name: string, given: Given, words: string | null): string {
  const content =
    given.find(([prop]) => prop === "children")?.[1] ?? (words === null ? undefined : JSON.stringify(words));
  const props = given
    .filter(([prop]) => prop !== "children")
    .map(([prop, sample]) => ` ${jsxProp(prop, sample)}`);
  if (content === undefined) return `<${name}${props.join("")} />`;
  return `<${name}${props.join("")}>${content.startsWith('"') ? JSON.parse(content) : `{${content}}`}</${name}>`;
}

const key = (prop: string): string => (/^[A-Za-z_$][\w$]*$/.test(prop) ? prop : JSON.stringify(prop));

const jsxProp = (prop: string, sample: string): string =>
  sample === "true" ? prop : sample.startsWith('"') ? `${prop}=${sample}` : `${prop}={${sample}}`;

/** What a component is called where it is imported: a file may have a name that is none in a program, as `slot-card`. */
const identifierOf = (name: string): string => {
  const parts = name.split(/[^\p{L}\p{N}_$]+/u).filter((part) => part !== "");
  if (parts.length === 1 && /^[\p{L}_$]/u.test(name)) return name;
  const joined = parts.map((part) => part.charAt(0).toUpperCase() + part.slice(1)).join("");
  return /^[\p{L}_$]/u.test(joined) ? joined : `C${joined}`;
};

/** `SlotCard` as people say it: slot card. */
const inWords = (name: string): string =>
  name
    .replace(/([a-z0-9])([A-Z])/g, "$1 $2")
    .replace(/[-_]+/g, " ")
    .toLowerCase();
