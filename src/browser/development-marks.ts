import { lineMap } from "../core/document/line-map.ts";
import type { Span } from "../core/document/node.ts";
import { shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { textAt } from "../read/text-at.ts";
import type { ElementMark } from "./inside/frameworks.ts";
import { type LocalPlace, localFile, mapNamedIn, type ServedMap, writtenPlace } from "./source-maps.ts";

/** Where elements were written, as the development build that made them says. */
export interface MarkedPlaces {
  readonly places: ReadonlyMap<number, Span>;
  /** The texts of the files that they lie in, by the names these are shown with. */
  readonly texts: ReadonlyMap<string, string>;
}

/**
 * Follows the marks of development builds to files of the working directory.
 * @param ask gives the text at an address; null for none
 */
export async function markedPlaces(
  marks: readonly ElementMark[],
  address: string,
  host: Host,
  ask: (address: string) => Promise<string | null>,
): Promise<MarkedPlaces> {
  const places = new Map<number, Span>();
  const texts = new Map<string, string>();
  const maps = new Map<string, Promise<ServedMap | null>>();
  const files = new Map<string, string | null>();
  const mapOf = (module: string) => {
    let map = maps.get(module);
    if (map === undefined) {
      map = ask(module).then((text) => (text === null ? null : mapNamedIn(text, module, ask)));
      maps.set(module, map);
    }
    return map;
  };
  const textOf = async (file: string) => {
    if (!files.has(file)) files.set(file, await textAt(file, host.files));
    return files.get(file) ?? null;
  };
  const placeOf = async (
    mark: ElementMark,
  ): Promise<(Pick<LocalPlace, "file"> & Partial<LocalPlace>) | null> => {
    const { module, line, column = 0 } = mark;
    if (module === undefined) {
      const file = await localFile(mark.file ?? "", address, host);
      return file === null ? null : { file, ...(line === undefined ? {} : { line, column }) };
    }
    const map = await mapOf(module);
    return map === null || line === undefined ? null : writtenPlace(map, line, column, host);
  };
  for (const mark of marks) {
    const place = await placeOf(mark);
    const text = place === null ? null : await textOf(place.file);
    if (place === null || text === null) continue;
    const start =
      place.line === undefined
        ? onlyTag(text, mark)
        : tagStart(text, lineMap(text).offset(place.line, (place.column ?? 0) + 1), mark.tag);
    if (start === null) continue;
    const name = shownName(host, place.file);
    texts.set(name, text);
    places.set(mark.element, { file: name, start, end: tagEnd(text, start) });
  }
  return { places, texts };
}

/** The start tag at a place, or right before it: marks point at its bracket, or at its name. */
function tagStart(text: string, offset: number | null, tag: string): number | null {
  if (offset === null) return null;
  for (const start of [offset, offset - 1])
    if (
      text[start] === "<" &&
      text.startsWith(tag, start + 1) &&
      !/[\w.-]/.test(text[start + 1 + tag.length] ?? "")
    )
      return start;
  return null;
}

/** The one start tag of a file that an element may have come from, by its id and classes; null where several may. */
function onlyTag(text: string, { tag, id = "", classes = "" }: ElementMark): number | null {
  const starts = [...text.matchAll(new RegExp(`<${tag}(?=[\\s/>])`, "g"))].map(({ index }) => index);
  const fits = (start: number) => {
    const written = text.slice(start, tagEnd(text, start));
    const has = (name: string) => new RegExp(`\\s${name}="([^"]*)"`).exec(written)?.[1] ?? null;
    const words = has("class")?.split(/\s+/) ?? [];
    const isFree = /\s(?::|v-bind[:=])/.test(written);
    return (
      (has("id") ?? (isFree ? id : "")) === id &&
      words.every((word) => classes.split(/\s+/).includes(word)) &&
      (isFree ||
        words.filter((word) => word !== "").length ===
          classes.split(/\s+/).filter((word) => word !== "").length)
    );
  };
  const found = starts.filter(fits);
  return found.length === 1 ? (found[0] ?? null) : null;
}

/** The end of a start tag, past what stands in quotes and braces. */
function tagEnd(text: string, start: number): number {
  let depth = 0;
  let quote: string | null = null;
  for (let at = start; at < text.length; at++) {
    const letter = text[at] as string;
    if (quote !== null) {
      if (letter === quote) quote = null;
    } else if (/["'`]/.test(letter)) quote = letter;
    else if (letter === "{") depth++;
    else if (letter === "}") depth--;
    else if (letter === ">" && depth === 0 && text[at - 1] !== "=") return at + 1;
  }
  return text.length;
}
