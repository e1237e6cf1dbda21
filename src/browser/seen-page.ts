import path from "node:path";
import { type CompiledStyle, compiledSheet } from "../core/css/compiled-sheet.ts";
import { parseSheet } from "../core/css/parse-sheet.ts";
import type { AppliedSheet, Sheet } from "../core/css/sheet.ts";
import type { Document, ElementNode, Span } from "../core/document/node.ts";
import { once } from "../core/document/once.ts";
import { pointerEvents } from "../core/document/pointer-handler.ts";
import { type Scene, type SceneOptions, sceneFromSource } from "../core/scene/scene.ts";
import type { Box, PaintedText, Seen } from "../core/scene/seen.ts";
import type { LiveElement } from "../engine/live-element.ts";
import { type Snapshot, snapshotOf } from "../engine/live-snapshot.ts";
import type { Places } from "../engine/places.ts";
import { addressName, type PageFile, shownName } from "../engine/targets.ts";
import type { BrowserIdentity, UnitDocument } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import { openedScene } from "../read/page-unit.ts";
import { sceneOptions } from "../read/scene-options.ts";
import { textAt } from "../read/text-at.ts";
import { decodeText } from "../readers/html/decode.ts";
import { readHtml } from "../readers/html/read-html.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { alignedPlaces } from "./aligned.ts";
import { textAtAddress } from "./ask-address.ts";
import type { Argument, BrowserWindow, Frame, Heard, ServedText } from "./browser-window.ts";
import { layoutFrom } from "./collected-layout.ts";
import { markedPlaces } from "./development-marks.ts";
import {
  type CollectedDocument,
  type CollectedLayout,
  collectDocument,
  collectLayout,
  type FrameworkMarks,
  readMarks,
} from "./inside.ts";
import type { PageServer } from "./page-server.ts";
import { ServedSheets } from "./served-sheets.ts";
import { compiledFrom, localFile, mapNamedIn } from "./source-maps.ts";

/** What a page is looked at for, and with. */
export interface Looking {
  readonly page: PageFile;
  readonly plan: ReadingPlan;
  readonly host: Host;
  readonly server: PageServer;
  readonly window: BrowserWindow;
  readonly browser: BrowserIdentity;
}

/** A document of a page as the browser has it. */
export interface SeenDocument {
  readonly unit: UnitDocument;
  readonly snapshot: Snapshot;
  /** The frame that it is in, as the protocol names it. */
  readonly frameId: string;
  /** What is under the letters of its texts; filled once pictures were taken. */
  readonly painted: Map<ElementNode, PaintedText>;
  /** Where presses reach its elements; filled once they were tried. */
  readonly pressed: Map<ElementNode, Box>;
}

export interface SeenPage {
  readonly documents: readonly SeenDocument[];
  /** The texts that it was served as, by the names they are shown with. */
  readonly texts: ReadonlyMap<string, string>;
}

/** The number an element was collected by. */
export const numberOf = ({ elementOf }: Snapshot, element: ElementNode): number | null =>
  elementOf.get(element)?.id ?? null;

/** Layouts of the page under other conditions, by the frame they are of. */
export type OtherLayouts = Partial<Record<"narrow" | "doubled" | "spaced" | "turned", CollectedLayout>>;

/**
 * Makes documents of what the browser shows: the page, then those of its frames.
 * @param others lays the page out under other conditions; asked once everything was collected
 */
export async function seenPage(
  { page, plan, host, server, window }: Looking,
  served: string,
  others: () => Promise<OtherLayouts>,
): Promise<SeenPage> {
  const texts = new Map<string, string>();
  const files = await shownFiles(await window.texts(), server, host);
  const options = sceneOptions(plan);
  // What lies here is written in the page that is served; what a server puts together may be marked.
  const marks = (await window.askAmongScripts<FrameworkMarks>(readMarks)) ?? noMarks;
  const marked = await markedPlaces(
    page.address === undefined ? [] : marks.marks,
    page.address ?? "",
    host,
    textAtAddress,
  );
  for (const [name, text] of marked.texts) texts.set(name, text);
  const compiled = await compiledSheets([...files.values()], host);
  for (const style of compiled.values()) for (const { file, text } of style.sources) texts.set(file, text);
  const collected = await collectFrames(window);
  const layouts = await others();
  const writtenSheets = await writtenStyles(collected.document, collected.document.address, host, texts);
  const documents: SeenDocument[] = [];

  function documentOf(frame: CollectedFrame, around: SeenDocument | null): SeenDocument {
    const { address } = frame.document;
    const file = around === null ? page.name : (files.get(address)?.file ?? addressName(address) ?? address);
    const text = around === null ? served : (files.get(address)?.text ?? "");
    texts.set(file, text);
    const written = readHtml(text, file, plan.components).document;
    const live: LiveElement = frame.document;
    withHandlers(live, frame.listeners, around === null ? marks : noMarks);
    const sheets = new ServedSheets(
      [...files.values()],
      ({ address: at }) => files.get(at)?.file ?? at,
      compiled,
    );
    const modal = modalOf(live);
    const snapshot = snapshotOf(live, {
      file,
      html: text,
      kind: around === null ? written.kind : "fragment",
      quirks: frame.document.quirks,
      // Stylesheets that a configuration names are for source that does not bring them: a browser shows what there is.
      sheets: [],
      places: withMarks(alignedPlaces(written, live), around === null ? marked.places : new Map()),
      listens: (element) => element.heard ?? none,
      isBehind: (element) => modal !== null && !modal.around.has(element) && element.localName !== "head",
      isOpenPopover: (element) => element.isOpenPopover === true,
      parsed: new Map<string, Sheet>(),
      writtenSheet: (css) => writtenSheets.get(css) ?? null,
      linkedSheet: sheets.linked,
    });
    const applied = snapshot.sheets.map((sheet) => withServedImports(sheet, sheets, address));
    for (const [name, sheetText] of sheets.used) texts.set(name, sheetText);
    const number = (element: ElementNode) => numberOf(snapshot, element);
    const other = (name: keyof OtherLayouts) => {
      const layout = around === null ? layouts[name] : undefined;
      return layout === undefined ? null : layoutFrom(layout, number);
    };
    const painted = new Map<ElementNode, PaintedText>();
    const pressed = new Map<ElementNode, Box>();
    const seen: Seen = {
      usual: layoutFrom(frame.layout, number),
      narrow: other("narrow"),
      doubled: other("doubled"),
      spaced: other("spaced"),
      turned: other("turned"),
      painted: (element) => painted.get(element) ?? null,
      pressed: (element) => pressed.get(element) ?? null,
    };
    const inner = new Map<ElementNode, CollectedFrame>();
    for (const child of frame.frames) {
      const element = [...snapshot.nodeOf].find(([one]) => one.id === child.owner)?.[1];
      if (element !== undefined) inner.set(element, child);
    }
    const scenes = new Map<ElementNode, Scene>();
    const own: SeenDocument = {
      unit: {
        ...unitDocument(snapshot.document, applied, { ...options, frames: scenes, seen }),
        ...(page.address === undefined ? {} : { isServed: true as const }),
      },
      snapshot,
      frameId: frame.frameId,
      painted,
      pressed,
    };
    const framed = (element: ElementNode): UnitDocument["frame"] =>
      around === null ? null : { around: around.unit, element };
    documents.push(
      around === null ? own : { ...own, unit: { ...own.unit, frame: framed(frame.element as ElementNode) } },
    );
    for (const [element, child] of inner) {
      const below = documentOf({ ...child, element }, own);
      scenes.set(element, below.unit.scene);
    }
    return own;
  }

  documentOf(collected, null);
  return { documents, texts };
}

/** The place of an element that is not in the served page: where a development build says that it was written. */
const withMarks = (places: Places, marked: ReadonlyMap<number, Span>): Places => {
  const tag = (element: LiveElement) => places.tag(element) ?? marked.get(element.mark) ?? null;
  return { ...places, tag, nearest: tag };
};

/** The stylesheets that come with a source map, as what they were compiled from. */
async function compiledSheets(
  served: readonly (ServedText & { readonly file: string })[],
  host: Host,
): Promise<ReadonlyMap<string, CompiledStyle>> {
  const found = new Map<string, CompiledStyle>();
  for (const { address, text } of served) {
    if (!text.includes("sourceMappingURL=") || !/^https?:/.test(address)) continue;
    const map = await mapNamedIn(text, address, textAtAddress);
    const style = map === null ? null : await compiledFrom(text, map, host);
    if (style !== null) found.set(address, style);
  }
  return found;
}

/**
 * Style elements that a development build has put there, as the files they come from: their text is that of a file that they
 * name, or brings a source map.
 */
async function writtenStyles(
  live: LiveElement,
  address: string,
  host: Host,
  texts: Map<string, string>,
): Promise<ReadonlyMap<string, Sheet>> {
  const found = new Map<string, Sheet>();
  for (const node of below(live)) {
    if (node.localName !== "style" || typeof node.textContent !== "string") continue;
    const css: string = node.textContent;
    const map = css.includes("sourceMappingURL=") ? await mapNamedIn(css, address, textAtAddress) : null;
    const style = map === null ? null : await compiledFrom(css, map, host);
    if (style !== null) {
      for (const { file, text } of style.sources) texts.set(file, text);
      found.set(css, compiledSheet(style, style.sources[0]?.file ?? ""));
      continue;
    }
    for (const { name, value } of node.attributes) {
      const file = name.startsWith("data-") ? await localFile(value, address, host) : null;
      const text = file === null ? null : await textAt(file, host.files);
      if (file === null || text !== css) continue;
      const shown = shownName(host, file);
      texts.set(shown, text);
      found.set(css, parseSheet({ file: shown, text, start: 0 }));
    }
  }
  return found;
}

const none: ReadonlySet<string> = new Set();

const noMarks: FrameworkMarks = { marks: [], handlers: [] };

const isPointerEvent = (type: string): boolean => (pointerEvents as readonly string[]).includes(type);

/**
 * Gives elements what is listened for on them, as inline handlers have it. Scripts also listen on what is around things, for
 * all that is in it: a listener for the pointer counts where the element asks to be clicked, or is said to be something.
 */
function withHandlers(live: LiveElement, listeners: ReadonlyMap<number, Heard>, marks: FrameworkMarks): void {
  const byFramework = new Map(marks.handlers);
  for (const element of below(live)) {
    if (element.nodeType !== 1) continue;
    const has = (name: string) =>
      element.attributes.some((one: { readonly name: string }) => one.name === name);
    const heard = listeners.get(element.id);
    const isSomething = heard?.isPointed === true || ["role", "tabindex", "href"].some(has);
    const types = [...(heard?.types ?? [])].filter((type) => isSomething || !isPointerEvent(type));
    const handlers = byFramework.get(element.mark) ?? [];
    element.heard = new Set([...types, ...handlers.map(([event]) => event)]);
    const told = [
      ...handlers,
      ...(heard?.isPointed === true ? types.map((type) => [type, `listener ${element.id}`] as const) : []),
    ];
    for (const [event, code] of told)
      if (isPointerEvent(event) && !has(`on${event}`))
        element.attributes.push({ name: `on${event}`, value: code });
  }
}

function unitDocument(
  document: Document,
  sheets: readonly AppliedSheet[],
  options: SceneOptions,
): UnitDocument {
  return {
    scene: sceneFromSource(document, sheets, options),
    sheets,
    // What opens is laid out anew, and was not seen.
    opened: once(() => openedScene({ document, sheets, stylesKnown: true }, { ...options, seen: null })),
    frame: null,
  };
}

const withServedImports = (applied: AppliedSheet, sheets: ServedSheets, base: string): AppliedSheet =>
  applied.imports.size === 0 && applied.sheet.items.some(({ kind }) => kind === "import")
    ? sheets.withImports(applied.sheet, base, applied.media, applied.scope)
    : applied;

/** The modal dialog on top, and what is around it or in it; null without one. */
function modalOf(live: LiveElement): { readonly around: ReadonlySet<LiveElement> } | null {
  const way: LiveElement[] = [];
  let found: Set<LiveElement> | null = null;
  const visit = (node: LiveElement) => {
    way.push(node);
    if (node.isModal === true) found = new Set([...way, ...below(node)]);
    for (const child of [...(node.childNodes ?? []), ...(node.shadowRoot?.childNodes ?? [])]) visit(child);
    way.pop();
  };
  for (const child of live.childNodes) visit(child);
  return found === null ? null : { around: found };
}

function* below(node: LiveElement): Iterable<LiveElement> {
  for (const child of [...(node.childNodes ?? []), ...(node.shadowRoot?.childNodes ?? [])]) {
    yield child;
    yield* below(child);
  }
}

/** A frame with what is in it. */
interface CollectedFrame {
  readonly frameId: string;
  readonly document: CollectedDocument;
  readonly layout: CollectedLayout;
  readonly listeners: ReadonlyMap<number, Heard>;
  /** The number of the element that shows it, in the document around it. */
  readonly owner: number;
  readonly element?: ElementNode;
  readonly frames: readonly CollectedFrame[];
}

async function collectFrames(window: BrowserWindow): Promise<CollectedFrame> {
  const collect = async (
    { id, children }: Frame,
    isMain: boolean,
    owner: number,
  ): Promise<CollectedFrame> => {
    const args: Argument[] = [];
    for (const node of isMain ? await window.closedRoots() : []) args.push(await window.argument(id, node));
    const document = await window.ask<CollectedDocument>(id, collectDocument, args);
    const layout = await window.ask<CollectedLayout>(id, collectLayout);
    const listeners = isMain ? await window.listeners(id) : new Map<number, Heard>();
    const frames: CollectedFrame[] = [];
    for (const child of children) {
      const number = await window.ownerOf(child.id, id);
      if (number !== null) frames.push(await collect(child, false, number));
    }
    return { frameId: id, document, layout, listeners, owner, frames };
  };
  return collect(await window.frames(), true, -1);
}

/** What each text that was served is shown as: the file here that it is, else its address. */
async function shownFiles(
  served: readonly ServedText[],
  server: PageServer,
  host: Host,
): Promise<ReadonlyMap<string, ServedText & { readonly file: string }>> {
  const files = new Map<string, ServedText & { readonly file: string }>();
  for (const one of served) {
    const own = await server.fileOf(one.address);
    const here = own ?? (await sameHere(one, host));
    const text = own === null ? null : await textOf(own, host);
    files.set(one.address, {
      ...one,
      text: text ?? one.text,
      file: here === null ? (addressName(one.address) ?? one.address) : shownName(host, here),
    });
  }
  return files;
}

/** Folders that a site is often served from. */
const siteFolders = ["", "public", "src", "dist", "build", "static"];

/** The file of the working directory that was served: at its path, with the same text. */
async function sameHere({ address, text }: ServedText, host: Host): Promise<string | null> {
  const parts = decodeURIComponent(new URL(address).pathname).split("/");
  if (parts.includes("..")) return null;
  for (const folder of siteFolders) {
    const file = path.join(host.workingDirectory, folder, ...parts);
    if ((await host.files.info(file))?.kind === "file" && (await textOf(file, host)) === text) return file;
  }
  return null;
}

async function textOf(file: string, host: Host): Promise<string | null> {
  const read = await host.files.read(file);
  const decoded = read.ok ? decodeText(read.bytes, file, /\.css$/i.test(file) ? "css" : "html") : null;
  return decoded?.ok === true ? decoded.value.text : null;
}
