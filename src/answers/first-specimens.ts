import path from "node:path";
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
import { composer, type FoundComponent } from "../readers/components/compose.ts";
import { sampleOf, statesOf } from "../readers/components/sample-props.ts";
import type { SourceModule } from "../readers/components/source-module.ts";
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
  const drafts: SpecimenDraft[] = [];
  let there = 0;
  for (const { path: file } of entries) {
    const module = file === null ? undefined : sources.modules.get(file);
    if (file === null || module === undefined || /\.component\.ts$/.test(file)) continue;
    const components = composing.componentsOf(module).filter((found) => exportOf(found) !== null);
    if (components.length === 0) continue;
    const base = file.replace(/\.[^.]+$/, "");
    const known = await Promise.all(endings.map((ending) => host.files.info(`${base}.specimen.${ending}`)));
    // Two components of one name in one folder have one file of specimens.
    if (
      known.some((info) => info !== null) ||
      drafts.some((one) => one.path.startsWith(`${base}.specimen.`))
    ) {
      there++;
      continue;
    }
    const target = `${base}.specimen.${endingFor(module)}`;
    const { text, specimens } = draft(module, components);
    drafts.push({ path: target, name: shownName(host, target), text, specimens });
  }
  return { drafts, there, problems: [...problems, ...sources.problems] };
}

function endingFor({ path: file, text }: SourceModule): string {
  if (/\.(?:vue|svelte)$/.test(file)) return /<script[^>]*lang="ts"/.test(text) ? "ts" : "js";
  return /\.[cm]?tsx?$/.test(file) ? "tsx" : "jsx";
}

/** How a component is exported: by its name, or as the default; null where it is not. */
function exportOf({ module: { path: file, text }, name }: FoundComponent): "named" | "default" | null {
  if (/\.(?:vue|svelte)$/.test(file)) return "default";
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
): { readonly text: string; readonly specimens: number } {
  const file = path.basename(module.path);
  const isVue = file.endsWith(".vue");
  const isSvelte = file.endsWith(".svelte");
  const from = `./${isVue || isSvelte ? file : file.replace(/\.[^.]+$/, "")}`;
  const byDefault = components.find((found) => exportOf(found) === "default");
  const named = components.filter((found) => exportOf(found) === "named").map(({ name }) => name);
  const imports = [byDefault?.name, named.length === 0 ? undefined : `{ ${named.join(", ")} }`].filter(
    (part) => part !== undefined,
  );
  const lines = components.flatMap(({ name, component }) =>
    statesOf(component.openProps()).map(({ state, props }) => {
      const label = [inWords(name), ...(state === null ? [] : [state])].join(", ");
      const given = [...props].map(([prop, value]) => [prop, sampleOf(value, prop)] as const);
      const object = `{ ${given.map(([prop, sample]) => `${key(prop)}: ${sample}`).join(", ")} }`;
      const shown = isVue
        ? `h(${name}${given.length === 0 ? "" : `, ${object}`})`
        : isSvelte
          ? `({ component: ${name}, props: ${given.length === 0 ? "{}" : object} })`
          : markup(name, given);
      return `specimen(${JSON.stringify(label)}, () => ${shown});`;
    }),
  );
  const text = [
    'import { specimen } from "even-keel/specimen";',
    ...(isVue ? ['import { h } from "vue";'] : []),
    `import ${imports.join(", ")} from ${JSON.stringify(from)};`,
    "",
    "// Drafted from the props: give them words as people will read them, and name the states that matter.",
    ...lines,
    "",
  ].join("\n");
  return { text, specimens: lines.length };
}

function markup(name: string, given: readonly (readonly [string, string])[]): string {
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

/** `SlotCard` as people say it: slot card. */
const inWords = (name: string): string =>
  name
    .replace(/([a-z0-9])([A-Z])/g, "$1 $2")
    .replace(/[-_]+/g, " ")
    .toLowerCase();
