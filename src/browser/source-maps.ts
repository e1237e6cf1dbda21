import path from "node:path";
import { originalPositionFor, type SourceMapInput, TraceMap } from "@jridgewell/trace-mapping";
import type { CompiledStyle, WrittenSource } from "../core/css/compiled-sheet.ts";
import { shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { mappingsIn, marksOf } from "../read/styles/marks.ts";
import { textAt } from "../read/text-at.ts";
import { addressFrom } from "./served-sheets.ts";

/** A source map with the address that its sources are told from. Source Map v3. */
export interface ServedMap {
  readonly map: SourceMapInput;
  readonly base: string;
}

/**
 * The source map that a served text names at its end, inline or beside it; null for none.
 * @param ask gives the text at an address; null for none
 */
export async function mapNamedIn(
  text: string,
  address: string,
  ask: (address: string) => Promise<string | null>,
): Promise<ServedMap | null> {
  const named = [...text.matchAll(/[#@]\s*sourceMappingURL=([^\s*'"]+)/g)].at(-1)?.[1];
  if (named === undefined) return null;
  const inline = /^data:[^,]*?(;base64)?,(.*)$/s.exec(named);
  const at = inline === null ? addressFrom(named, address) : null;
  const json =
    inline === null
      ? at === null
        ? null
        : await ask(at)
      : inline[1] === undefined
        ? decodeURIComponent(inline[2] ?? "")
        : Buffer.from(inline[2] ?? "", "base64").toString("utf8");
  try {
    const map = JSON.parse(json ?? "") as SourceMapInput;
    return { map, base: at ?? address };
  } catch {
    return null;
  }
}

/** A place in a file here: lines from 1, columns from 0. */
export interface LocalPlace {
  /** Absolute. */
  readonly file: string;
  readonly line: number;
  readonly column: number;
}

/** Where a place of a served text was written, as far as that lies here. */
export async function writtenPlace(
  { map, base }: ServedMap,
  line: number,
  column: number,
  host: Host,
): Promise<LocalPlace | null> {
  const found = originalPositionFor(new TraceMap(map), { line, column });
  if (found.source === null) return null;
  const file = await localFile(found.source, base, host);
  return file === null ? null : { file, line: found.line, column: found.column };
}

/** The file here that a source map or a development build names: by its whole path, or by where it is served. */
export async function localFile(named: string, base: string, host: Host): Promise<string | null> {
  const { workingDirectory, files } = host;
  const full = addressFrom(named, base);
  const served = full === null || !/^https?:/.test(full) ? null : decodeURIComponent(new URL(full).pathname);
  const plain = named.replace(/^(?:file|webpack):\/\/(?:\/?\.\/)?/, "").replace(/[?#].*$/, "");
  const tried = [
    ...(path.isAbsolute(plain) ? [plain] : [path.join(workingDirectory, plain)]),
    ...(served === null
      ? []
      : [path.join(workingDirectory, served.replace(/^\/@fs/, "")), served.replace(/^\/@fs/, "")]),
  ];
  for (const file of tried) {
    const within = path.relative(workingDirectory, file);
    if (within.startsWith("..") || path.isAbsolute(within) || within.split(path.sep).includes("node_modules"))
      continue;
    if ((await files.info(file))?.kind === "file") return file;
  }
  return null;
}

/** A served stylesheet as what it was compiled from, where that lies here; null where it does not. */
export async function compiledFrom(
  css: string,
  { map, base }: ServedMap,
  host: Host,
): Promise<CompiledStyle | null> {
  const mappings = mappingsIn(map);
  const sources = new Map<string, WrittenSource>();
  for (const name of new Set(mappings.flatMap(({ from }) => from?.source ?? []))) {
    const file = await localFile(name, base, host);
    const text = file === null ? null : await textAt(file, host.files);
    if (file !== null && text !== null)
      sources.set(name, {
        file: shownName(host, file),
        text,
        start: 0,
        isIndented: /\.sass$/i.test(file),
        isForeign: false,
      });
  }
  const [entry] = sources.values();
  return entry === undefined
    ? null
    : { css, ...marksOf(css, mappings, entry, (name) => sources.get(name) ?? null) };
}
