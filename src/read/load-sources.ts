import { parseSheet } from "../core/css/parse-sheet.ts";
import type { Sheet } from "../core/css/sheet.ts";
import { lineMap } from "../core/document/line-map.ts";
import { sourceBroken } from "../core/findings/problems.ts";
import type { LoadedSources } from "../engine/sources.ts";
import { type PageFile, shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import type { Workspace } from "../host/workspace.ts";
import { loadModules } from "../readers/composition/load-modules.ts";
import { decodeText } from "../readers/html/decode.ts";
import type { ReadingPlan } from "../settings/plan.ts";

/** Reads component files with everything that they import in the project. */
export async function loadSources(
  entries: readonly PageFile[],
  { maxSize, stylesheets }: Pick<ReadingPlan, "maxSize" | "stylesheets">,
  host: Host,
  workspace: Workspace,
): Promise<LoadedSources> {
  const { modules, problems, unread, consulted, missing } = await loadModules(
    {
      entries: entries.flatMap(({ path }) => path ?? []),
      shownName: (path) => shownName(host, path),
      maxSize,
    },
    host.files,
    workspace,
  );
  const texts = new Map([...modules.values()].map((module) => [module.file, module.text]));
  const sheets: Sheet[] = [];
  for (const file of stylesheets) {
    const read = await host.files.read(file);
    const name = shownName(host, file);
    const decoded = read.ok ? decodeText(read.bytes, name, "css") : null;
    if (decoded?.ok !== true) continue;
    texts.set(name, decoded.value.text);
    sheets.push(parseSheet({ file: name, text: decoded.value.text, start: 0 }));
  }
  const broken = [...modules.values()].flatMap(({ file, text, errors }) =>
    errors.slice(0, 1).map(({ message, offset }) => {
      const { line, column } = lineMap(text).position(offset);
      return sourceBroken(`${file}:${line}:${column}`, message);
    }),
  );
  return {
    entries,
    modules,
    sheets,
    texts,
    files: new Set([...modules.keys(), ...consulted, ...stylesheets]),
    missing,
    problems: [...problems, ...broken],
    unread: unread.size > 0 || broken.length > 0,
  };
}
