import path from "node:path";
import { getNodeValue, type Node, parseTree } from "jsonc-parser";
import { declarationToMend, paletteOf } from "../core/checks/contrast/suggest-colour.ts";
import { resolveColour } from "../core/colour/resolve-colour.ts";
import { type Rgba, toHex } from "../core/colour/rgba.ts";
import type { Declared } from "../core/css/declared.ts";
import { parseSheet } from "../core/css/parse-sheet.ts";
import type { Sheet } from "../core/css/sheet.ts";
import type { Span } from "../core/document/node.ts";
import { noColours, type Result, unreadable } from "../core/findings/problems.ts";
import { type NamedColour, sceneFromSource } from "../core/scene/scene.ts";
import type { SchemeView, Theme } from "../core/scene/schemes.ts";
import { shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { decodeText } from "../readers/html/decode.ts";
import { readHtml } from "../readers/html/read-html.ts";
import { readColour } from "./contrast.ts";

/** A colour of a palette, and where it is written by itself. */
export interface PlacedColour extends NamedColour {
  /** What would be replaced to change it; null where it is worked out of others. */
  readonly place: Span | null;
  /** The name that stands at its place: another than its own where it refers to that. */
  readonly writtenAs: string;
}

/** The colours of a palette in one colour scheme or theme. */
export interface PaletteScheme {
  readonly scheme: string;
  readonly colours: readonly PlacedColour[];
}

/** A file of colours as text. */
export interface PaletteText {
  /** As it is shown. */
  readonly file: string;
  readonly text: string;
  readonly bytes: Uint8Array;
}

/** The colours of a palette: custom properties of a stylesheet, or the members of a JSON object. */
export async function readPalette(file: string, host: Host): Promise<Result<readonly NamedColour[]>> {
  const read = await readPaletteText(file, host);
  if (!read.ok) return read;
  const colours = isJson(file) ? jsonColours(read.value) : paletteOf(sceneOf(read.value, []));
  return colours.length === 0 ? { ok: false, problem: noColours(file) } : { ok: true, value: colours };
}

export async function readPaletteText(file: string, host: Host): Promise<Result<PaletteText>> {
  const full = path.resolve(host.workingDirectory, file);
  const read = await host.files.read(full);
  if (!read.ok) return { ok: false, problem: unreadable(file, read.reason) };
  const decoded = decodeText(read.bytes, file, "css");
  if (!decoded.ok) return decoded;
  return { ok: true, value: { file: shownName(host, full), text: decoded.value.text, bytes: read.bytes } };
}

/** The colours of a palette in every scheme and theme that it has others for, with their places; none where it has no colour. */
export function schemesOf(palette: PaletteText): readonly PaletteScheme[] {
  if (isJson(palette.file)) return [{ scheme: "light", colours: jsonColours(palette) }];
  const { sheet } = appliedSheet(palette);
  const themes = themesOf(sheet);
  const views = sceneOf(palette, themes).schemes().map(schemeOf);
  // A theme that changes none of the colours is none.
  return views.filter(
    ({ colours }, at) => views.findIndex((other) => placesOf(other.colours) === placesOf(colours)) === at,
  );
}

/** A block in which utility classes get their colours: what it declares ends up on the root. */
const themeBlock = /@theme(?:\s+(?:inline|static|default|reference))*(?=\s*\{)/g;

/** As long as what it stands for, so that places stay. */
const asRoot = (written: string): string => ":root".padEnd(written.length);

const placesOf = (colours: readonly PlacedColour[]): string =>
  JSON.stringify(colours.map(({ name, colour, place }) => [name, toHex(colour), place?.start]));

const isJson = (file: string): boolean => file.toLowerCase().endsWith(".json");

function appliedSheet({ file, text }: PaletteText) {
  const { document } = readHtml("<!doctype html><html>", file);
  const sheet = parseSheet({ file, text: text.replace(themeBlock, asRoot), start: 0 });
  return { sheet, document, applied: { sheet, media: null, scope: document, imports: new Map() } };
}

function sceneOf(palette: PaletteText, themes: readonly Theme[]) {
  const { document, applied } = appliedSheet(palette);
  return sceneFromSource(document, [applied], { themes });
}

/** The attributes and classes of a root for which the sheet declares custom properties: `[data-theme="dark"]`, `.night`. */
function themesOf({ items }: Sheet): readonly Theme[] {
  const themes = new Map<string, Theme>();
  for (const item of items) {
    if (item.kind !== "rule" || ![...item.rule.normal.keys()].some((name) => name.startsWith("--"))) continue;
    for (const selector of item.rule.selectorText.split(",")) {
      const [, attribute, value, name] =
        /^(?::root|html)?(?:\[([\w-]+)=["']?([\w-]+)["']?\]|\.([\w-]+))$/i.exec(selector.trim()) ?? [];
      const theme: Theme | null =
        attribute !== undefined && value !== undefined
          ? { attribute: attribute.toLowerCase(), value }
          : name !== undefined
            ? { attribute: "class", value: name }
            : null;
      if (theme !== null) themes.set(JSON.stringify(theme), theme);
    }
  }
  return [...themes.values()];
}

function schemeOf({ scheme, page }: SchemeView): PaletteScheme {
  const root = page.index.byTag("html")[0];
  if (root === undefined) return { scheme, colours: [] };
  const colours = page.styles.customProperties(root).flatMap((name): readonly PlacedColour[] => {
    const value = page.styles.value(root, name);
    const text = value?.text ?? "";
    const colour = text === "" ? null : page.styles.colourWithin({ element: root }, text);
    if (value === null || colour === null || colour.alpha < 1) return [];
    const toMend = declarationToMend(value);
    const place = toMend === null ? null : placeOf(toMend.declared, colour, page.styles.scheme(root));
    return [{ name, colour, place, writtenAs: toMend?.property ?? name }];
  });
  return { scheme, colours };
}

/** Where a colour is written in a declaration: all of its value, or the half of `light-dark()` for the scheme. */
function placeOf(declared: Declared, colour: Rgba, scheme: "light" | "dark"): Span | null {
  const { text, valueSource, replaceable } = declared;
  const { file, start, end } = valueSource;
  if (!replaceable || end - start !== text.length) return null;
  const [, before = "", light = "", between = "", dark = ""] =
    /^(light-dark\(\s*)((?:[^(),]|\([^()]*\))+?)(\s*,\s*)((?:[^(),]|\([^()]*\))+?)\s*\)$/i.exec(text) ?? [];
  const [from, written] =
    before === ""
      ? [0, text]
      : scheme === "light"
        ? [before.length, light]
        : [before.length + light.length + between.length, dark];
  const own = readsAs(written);
  return own !== null && toHex(own) === toHex(colour)
    ? { file, start: start + from, end: start + from + written.length }
    : null;
}

/** The colour that a text is by itself, without a function that works it out of others. */
function readsAs(text: string): Rgba | null {
  if (/\b(?:var|calc|from|color-mix|light-dark)\b/i.test(text)) return null;
  return resolveColour(text, { current: null, scheme: "light" });
}

/** The colours of a JSON object, those of objects in it named by their way: `yard.ink`. The last `$value` or `value` is no part of a name. */
function jsonColours({ file, text }: PaletteText): readonly PlacedColour[] {
  const colours: PlacedColour[] = [];
  const root = parseTree(text);
  const walk = (node: Node, way: readonly string[]): void => {
    if (node.type === "property") {
      const [key, value] = node.children ?? [];
      if (key !== undefined && value !== undefined) walk(value, [...way, String(getNodeValue(key))]);
      return;
    }
    if (node.type === "object") {
      for (const child of node.children ?? []) walk(child, way);
      return;
    }
    if (node.type !== "string") return;
    const colour = readColour(String(getNodeValue(node)));
    if (!colour.ok || colour.value.alpha < 1) return;
    const name = (/^\$?value$/.test(way.at(-1) ?? "") ? way.slice(0, -1) : way).join(".");
    // Without its quotation marks.
    const place = { file, start: node.offset + 1, end: node.offset + node.length - 1 };
    colours.push({ name, colour: colour.value, place, writtenAs: name });
  };
  if (root?.type === "object") walk(root, []);
  return colours;
}
