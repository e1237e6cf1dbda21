import path from "node:path";
import { isComponentTemplate } from "../core/document/component-formats.ts";
import { componentExtensions, isComponentFile, pageExtensions, shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { readPalette } from "./palette-file.ts";

/** What a project is made of, as far as a first configuration needs it. Paths relative, forward slashes. */
export interface Project {
  readonly framework: string | null;
  readonly pages: readonly string[];
  /** Files of component source. */
  readonly components: readonly string[];
  /** Globs and folders that find both. */
  readonly targets: readonly string[];
  /** Where built pages lie, which are read from their sources. */
  readonly skip: readonly string[];
  readonly palette: string | null;
}

/** Frameworks by the package that brings them; the first that is there is named. */
const frameworks = [
  ["next", "Next.js"],
  ["nuxt", "Nuxt"],
  ["@sveltejs/kit", "SvelteKit"],
  ["@angular/core", "Angular"],
  ["astro", "Astro"],
  ["react", "React"],
  ["vue", "Vue"],
  ["svelte", "Svelte"],
] as const;

const builtFolders = ["dist", "build", "out", "coverage", "public/build"];

/** Fewer colours than this are no palette. */
const FEWEST_COLOURS = 3;

export async function lookAtProject(host: Host): Promise<Project> {
  const here = host.workingDirectory;
  const found = (
    await host.files.find(
      [...pageExtensions, ...componentExtensions].map((extension) => `**/*${extension}`),
      here,
    )
  ).map((file) => shownName(host, file));
  const folders = [...new Set(found.map((file) => file.split("/")[0] ?? ""))];
  const skip = builtFolders.filter((folder) => folders.includes(folder.split("/")[0] ?? ""));
  const kept = found.filter((file) => !skip.some((folder) => file.startsWith(`${folder}/`)));
  const components = kept.filter(isComponentFile);
  // The template of an Angular component is part of it.
  const pages = kept.filter((file) => !isComponentFile(file) && !isComponentTemplate(file));
  return {
    framework: await frameworkOf(host),
    pages,
    components,
    targets: [...targetsFor(pages), ...componentTargets(components)],
    skip: skip.map((folder) => `${folder}/**`),
    palette: await paletteOf(host),
  };
}

/** One glob for each folder at the top that holds pages, and one for pages that lie at the top. */
function targetsFor(pages: readonly string[]): readonly string[] {
  const tops = [...new Set(pages.map((page) => (page.includes("/") ? (page.split("/")[0] ?? "") : "")))];
  return tops.sort().map((top) => (top === "" ? "*.html" : `${top}/**/*.html`));
}

/** Each folder at the top that holds components: what nobody uses is found in all of it together. */
function componentTargets(components: readonly string[]): readonly string[] {
  const tops = new Set(components.map((file) => (file.includes("/") ? (file.split("/")[0] ?? "") : "")));
  const endings = [...new Set(components.map((file) => file.slice(file.lastIndexOf("."))))].sort();
  return [...tops].sort().flatMap((top) => (top === "" ? endings.map((ending) => `*${ending}`) : [top]));
}

async function frameworkOf(host: Host): Promise<string | null> {
  const read = await host.files.read(path.join(host.workingDirectory, "package.json"));
  if (!read.ok) return null;
  try {
    const { dependencies = {}, devDependencies = {} } = JSON.parse(new TextDecoder().decode(read.bytes));
    const names = new Set([...Object.keys(dependencies), ...Object.keys(devDependencies)]);
    return frameworks.find(([name]) => names.has(name))?.[1] ?? null;
  } catch {
    return null;
  }
}

/** The stylesheet that names the most colours as custom properties. */
async function paletteOf(host: Host): Promise<string | null> {
  let best: { readonly file: string; readonly colours: number } | null = null;
  for (const file of await host.files.find(["**/*.css"], host.workingDirectory)) {
    const name = shownName(host, file);
    const colours = await readPalette(name, host);
    const count = colours.ok ? colours.value.length : 0;
    if (count >= FEWEST_COLOURS && count > (best?.colours ?? 0)) best = { file: name, colours: count };
  }
  return best?.file ?? null;
}

/** What was found, in a line. */
const projectText = ({ framework, pages, components }: Project): string =>
  `${framework === null ? "" : `${framework}. `}Found here: ${pages.length} pages, ${components.length} files of components.`;

/** The configuration as text: small, and in TypeScript with a word beside what one may want to change. */
export function configText(project: Project, json: boolean): string {
  const targets = project.targets.length === 0 ? ["."] : project.targets;
  if (json) {
    const config = {
      targets,
      ...(project.skip.length === 0 ? {} : { skip: project.skip }),
      conformance: { wcag: "2.2", level: "AA" },
      failOn: "barrier",
      specimens: "run",
      ...(project.palette === null ? {} : { palette: project.palette }),
    };
    return `${JSON.stringify(config, null, 2)}\n`;
  }
  const lines = [
    'import { defineConfig } from "even-keel";',
    "",
    `// ${projectText(project)} keel audit --show-config tells what is in force.`,
    "export default defineConfig({",
    "  // What is read when no target is named.",
    `  targets: ${JSON.stringify(targets)},`,
    ...(project.skip.length === 0
      ? []
      : ["  // Built pages: mend their sources.", `  skip: ${JSON.stringify(project.skip)},`]),
    '  conformance: { wcag: "2.2", level: "AA" },',
    '  // The least severity that makes keel audit fail: "blocker", "barrier", "friction" or "never".',
    '  failOn: "barrier",',
    "  // Specimens are mounted: they and what they import are run. Leave it out, and they are counted.",
    '  specimens: "run",',
    ...(project.palette === null
      ? []
      : [
          "  // Your own colours: repairs suggest the nearest that passes.",
          `  palette: ${JSON.stringify(project.palette)},`,
        ]),
    '  // Per check: "off", a severity, or { severity, words }. keel explain lists them.',
    "  checks: {},",
    "});",
    "",
  ];
  return lines.join("\n");
}
