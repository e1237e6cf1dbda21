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
import { sampleOf, statesOf } from "../readers/composition/sample-props.ts";
import type { SourceModule } from "../readers/composition/source-module.ts";
import type { ReadingPlan } from "../settings/plan.ts";

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
  const drafted: SpecimenDraft[] = [];
  let there = 0;
  for (const { path: file } of entries) {
    const module = file === null ? undefined : sources.modules.get(file);
    if (file === null || module === undefined) continue;
    const format = drafts[isDecorated(module) ? "angular" : (componentFormatOf(file) ?? "jsx")];
    const components = composing.componentsOf(module).filter((found) => exportOf(found, format) !== null);
    if (components.length === 0) continue;
    const base = file.replace(/\.[^.]+$/, "");
    const known = await Promise.all(endings.map((ending) => host.files.info(`${base}.specimen.${ending}`)));
    // Two components of one name in one folder have one file of specimens.
    if (
      known.some((info) => info !== null) ||
      drafted.some((one) => one.path.startsWith(`${base}.specimen.`))
    ) {
      there++;
      continue;
    }
    const target = `${base}.specimen.${format.ending(file, module.text)}`;
    const { text, specimens } = draft(module, components, format);
    drafted.push({ path: target, name: shownName(host, target), text, specimens });
  }
  return { drafts: drafted, there, problems: [...problems, ...sources.problems] };
}

/** How specimens of each format are drafted. */
const drafts: Readonly<Record<ComponentFormatName, DraftedFormat>> = {
  jsx: {
    isWhole: false,
    imports: [],
    ending: (file) => (/\.[cm]?tsx?$/.test(file) ? "tsx" : "jsx"),
    shown: markup,
  },
  vue: {
    isWhole: true,
    imports: ['import { h } from "vue";'],
    ending: (_, text) => (/<script[^>]*lang="ts"/.test(text) ? "ts" : "js"),
    shown: (name, given) => `h(${name}${given.length === 0 ? "" : `, ${objectText(given)}`})`,
  },
  svelte: {
    isWhole: true,
    imports: [],
    ending: (_, text) => (/<script[^>]*lang="ts"/.test(text) ? "ts" : "js"),
    shown: (name, given) =>
      `({ component: ${name}, props: ${given.length === 0 ? "{}" : objectText(given)} })`,
  },
  angular: {
    isWhole: false,
    imports: [],
    ending: () => "ts",
    shown: (name, given) =>
      `({ component: ${name}${given.length === 0 ? "" : `, inputs: ${objectText(given)}`} })`,
  },
};

type Given = readonly (readonly [prop: string, sample: string])[];

interface DraftedFormat {
  /** Whether a file is one component, exported as the default. */
  readonly isWhole: boolean;
  /** What a file of specimens imports beside its components. */
  readonly imports: readonly string[];
  /** What the name of a file of specimens ends in. */
  readonly ending: (file: string, text: string) => string;
  /** What a specimen returns. */
  readonly shown: (name: string, given: Given) => string;
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
): { readonly text: string; readonly specimens: number } {
  const file = path.basename(module.path);
  const from = `./${format.isWhole ? file : file.replace(/\.[^.]+$/, "")}`;
  const byDefault = components.find((found) => exportOf(found, format) === "default");
  const nameOf = (found: FoundComponent) => (found === byDefault ? identifierOf(found.name) : found.name);
  const named = components.filter((found) => exportOf(found, format) === "named").map(({ name }) => name);
  const imports = [
    byDefault && nameOf(byDefault),
    named.length === 0 ? undefined : `{ ${named.join(", ")} }`,
  ].filter((part) => part !== undefined);
  const lines = components.flatMap((found) =>
    statesOf(found.component.openProps()).map(({ state, props }) => {
      const label = [inWords(found.name), ...(state === null ? [] : [state])].join(", ");
      const given = [...props].map(([prop, value]) => [prop, sampleOf(value, prop)] as const);
      return `specimen(${JSON.stringify(label)}, () => ${format.shown(nameOf(found), given)});`;
    }),
  );
  const text = [
    'import { specimen } from "even-keel/specimen";',
    ...format.imports,
    `import ${imports.join(", ")} from ${JSON.stringify(from)};`,
    "",
    "// Drafted from the props: give them words as people will read them, and name the states that matter.",
    ...lines,
    "",
  ].join("\n");
  return { text, specimens: lines.length };
}

const objectText = (given: Given): string =>
  `{ ${given.map(([prop, sample]) => `${key(prop)}: ${sample}`).join(", ")} }`;

function markup(name: string, given: Given): string {
  const content = given.find(([prop]) => prop === "children")?.[1];
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
