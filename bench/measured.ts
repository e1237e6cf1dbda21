import { parse as parseCss } from "css-tree";
import { parse } from "parse5";
import { catalogue } from "../src/core/checks/catalogue.ts";
import { runChecks } from "../src/core/checks/run.ts";
import { tabSequence } from "../src/core/focus/tab-sequence.ts";
import { accessibilityTree } from "../src/core/semantics/tree.ts";
import { nodeHost } from "../src/host/node.ts";
import { Workspace } from "../src/host/workspace.ts";
import { composedRoots } from "../src/read/component-roots.ts";
import { loadSources } from "../src/read/load-sources.ts";
import { composer } from "../src/readers/composition/compose.ts";
import { parseScript } from "../src/readers/script/parse-script.ts";
import { checksFor } from "../src/settings/check-plan.ts";
import { sceneOf } from "../tests/page.ts";

const styleText = (html: string): string =>
  [...html.matchAll(/<style>([\s\S]*?)<\/style>/g)].map((m) => m[1] ?? "").join("\n");

/** What we are measured against: markup with locations and stylesheets, parsed and no more. */
export function parseOnly(html: string): void {
  parse(html, { sourceCodeLocationInfo: true });
  parseCss(styleText(html), { positions: true });
}

export function parseBoth(html: string, css: string): void {
  parse(html, { sourceCodeLocationInfo: true });
  parseCss(css, { positions: true });
}

/** What `keel audit` runs when nothing else is asked for. */
const usual = checksFor(catalogue, { wcag: "2.2", level: "AA" });

export const auditText = (html: string) => runChecks(sceneOf(html), usual, ["failed", "cantTell"]);
/** What a walk costs beside what any question about the page costs: the scene is made before. */
export const walkOf = (scene: ReturnType<typeof sceneOf>) => tabSequence(scene);
export const sceneFor = (html: string) => sceneOf(html);
export const treeOf = (html: string) => accessibilityTree(sceneOf(html));

export function styleAll(html: string, css: string): number {
  const { page } = sceneOf(html, { css });
  let known = 0;
  for (const element of page.index.elements) if (page.styles.keyword(element, "color") !== null) known++;
  return known;
}

function heldBy(make: () => unknown): number {
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  const held = make();
  globalThis.gc?.();
  const after = process.memoryUsage().heapUsed;
  return held === null ? 0 : after - before;
}

export const parseTreeBytes = (html: string): number =>
  heldBy(() => parse(html, { sourceCodeLocationInfo: true }));

export function treeBytes(html: string): number {
  return heldBy(() => {
    const whole = sceneOf(html);
    return { whole, tree: accessibilityTree(whole) };
  });
}

/** What composing is measured against: component files read and parsed, and no more. */
export async function parseFiles(files: readonly string[]): Promise<void> {
  const { files: disk } = nodeHost();
  await Promise.all(
    files.map(async (file) => {
      const read = await disk.read(file);
      if (read.ok)
        parseScript(new TextDecoder().decode(read.bytes), { start: 0, typescript: true, jsx: true });
    }),
  );
}

/** Every root of the files, composed with all that it renders; how many there were. */
export async function composeFiles(files: readonly string[]): Promise<number> {
  const entries = files.map((file) => ({ target: file, path: file, name: file, tree: "/" }));
  const host = nodeHost();
  const options = { maxSize: 20, stylesheets: [], components: new Map<string, string>() };
  const sources = await loadSources(entries, options, host, new Workspace());
  const composing = composer({ modules: sources.modules, standsFor: options.components });
  let roots = 0;
  for (const _ of composedRoots(composing, sources)) roots++;
  return roots;
}
