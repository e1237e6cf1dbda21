import { parseSheet } from "../core/css/parse-sheet.ts";
import type { Sheet } from "../core/css/sheet.ts";
import { type Problem, sourceBroken } from "../core/findings/problems.ts";
import type { Host } from "../host/host.ts";
import { loadModules } from "../readers/components/load-modules.ts";
import type { SourceModule } from "../readers/components/source-module.ts";
import { decodeText } from "../readers/html/decode.ts";
import { SourceTexts } from "./element-answer.ts";
import type { LoadOptions } from "./load-page.ts";
import { type PageFile, shownName } from "./targets.ts";

/** Component source as read: the files that were asked for, and all that they import. */
export interface LoadedSources {
  readonly entries: readonly PageFile[];
  readonly modules: ReadonlyMap<string, SourceModule>;
  /** Stylesheets of the configuration, which every component has. */
  readonly sheets: readonly Sheet[];
  readonly texts: ReadonlyMap<string, string>;
  /** Absolute paths of every file that had a part in it. */
  readonly files: ReadonlySet<string>;
  /** Absolute paths at which an import looked for a file and found none. */
  readonly missing: readonly string[];
  readonly problems: readonly Problem[];
  /** Whether some file could not be read, or does not parse. */
  readonly unread: boolean;
}

/** Reads component files with everything that they import in the project. */
export async function loadSources(
  entries: readonly PageFile[],
  options: LoadOptions,
  host: Host,
): Promise<LoadedSources> {
  const { modules, problems, unread, consulted, missing } = await loadModules(
    {
      entries: entries.flatMap(({ path }) => path ?? []),
      shownName: (path) => shownName(host, path),
      maxSize: options.maxSize,
    },
    host.files,
  );
  const texts = new Map([...modules.values()].map((module) => [module.file, module.text]));
  const sheets: Sheet[] = [];
  for (const file of options.stylesheets) {
    const read = await host.files.read(file);
    const name = shownName(host, file);
    const decoded = read.ok ? decodeText(read.bytes, name, "css") : null;
    if (decoded?.ok !== true) continue;
    texts.set(name, decoded.value.text);
    sheets.push(parseSheet({ file: name, text: decoded.value.text, start: 0 }));
  }
  const places = new SourceTexts();
  places.add(texts);
  const broken = [...modules.values()].flatMap(({ file, errors }) =>
    errors.slice(0, 1).map(({ message, offset }) => {
      const place = places.place({ file, start: offset, end: offset });
      return sourceBroken(`${file}:${place?.line ?? 1}:${place?.column ?? 1}`, message);
    }),
  );
  return {
    entries,
    modules,
    sheets,
    texts,
    files: new Set([...modules.keys(), ...consulted, ...options.stylesheets]),
    missing,
    problems: [...problems, ...broken],
    unread: unread.size > 0 || broken.length > 0,
  };
}
