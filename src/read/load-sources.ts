import { parseSheet } from "../core/css/parse-sheet.ts";
import type { Sheet } from "../core/css/sheet.ts";
import { lineMap } from "../core/document/line-map.ts";
import { sourceBroken } from "../core/findings/problems.ts";
import type { LoadedSources } from "../engine/sources.ts";
import { type PageFile, shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import type { Workspace } from "../host/workspace.ts";
import { InstalledPackages } from "../readers/composition/installed-packages.ts";
import { loadModules } from "../readers/composition/load-modules.ts";
import { withRegistered } from "../readers/vue/vue-registered.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { compileStyles } from "./styles/compile-styles.ts";
import { textAt } from "./text-at.ts";

/** Reads component files with everything that they import in the project. */
export async function loadSources(
  entries: readonly PageFile[],
  { maxSize, stylesheets }: Pick<ReadingPlan, "maxSize" | "stylesheets">,
  host: Host,
  workspace: Workspace,
): Promise<LoadedSources> {
  const named = (path: string) => shownName(host, path);
  const request = {
    entries: entries.flatMap(({ path }) => path ?? []),
    shownName: named,
    maxSize,
    roots: [...new Set([host.workingDirectory, ...entries.map(({ tree }) => tree)])],
  };
  const loaded = await loadModules(request, host.files, workspace);
  const { aliases, unread } = loaded;
  const { files, packageText } = host;
  const styles = { files, packageText, workspace, shownName: named, aliases };
  const packages = new InstalledPackages(files, workspace);
  const linked = await packages.linked(withRegistered(loaded.modules));
  const { modules, everywhere, ...compiled } = await compileStyles(linked, styles);
  const texts = new Map([
    ...compiled.texts,
    ...[...modules.values()].map(({ file, text }) => [file, text] as const),
  ]);
  const sheets: Sheet[] = [];
  for (const file of stylesheets) {
    const text = await textAt(file, files);
    if (text === null) continue;
    texts.set(named(file), text);
    sheets.push(parseSheet({ file: named(file), text, start: 0 }));
  }
  const broken = [...modules.values()].flatMap(({ file, text, errors }) =>
    errors.slice(0, 1).map(({ message, offset }) => {
      const { line, column } = lineMap(text).position(offset);
      return sourceBroken(`${file}:${line}:${column}`, message);
    }),
  );
  return {
    entries,
    modules: new Map([...modules, ...packages.modules]),
    sheets,
    everywhere,
    texts,
    files: new Set([
      ...modules.keys(),
      ...loaded.consulted,
      ...packages.consulted,
      ...compiled.read,
      ...stylesheets,
    ]),
    missing: [...loaded.missing, ...compiled.missing],
    problems: [...loaded.problems, ...compiled.problems, ...broken],
    unread: unread.size > 0 || broken.length > 0,
  };
}
