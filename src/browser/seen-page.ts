import type { Device } from "../core/css/device.ts";
import type { AppliedSheet, Sheet } from "../core/css/sheet.ts";
import type { Document, ElementNode, Span } from "../core/document/node.ts";
import { once } from "../core/document/once.ts";
import { type Scene, type SceneOptions, sceneFromSource } from "../core/scene/scene.ts";
import type { Box, Layout, PaintedText, Seen } from "../core/scene/seen.ts";
import type { LiveElement } from "../engine/live-element.ts";
import { type Snapshot, snapshotOf } from "../engine/live-snapshot.ts";
import type { Places } from "../engine/places.ts";
import { addressName, type PageFile } from "../engine/targets.ts";
import type { BrowserIdentity, UnitDocument } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import { openedScene } from "../read/page-unit.ts";
import { sceneOptions } from "../read/scene-options.ts";
import { readHtml } from "../readers/html/read-html.ts";
import type { ReadingPlan, ReadySign } from "../settings/plan.ts";
import { alignedPlaces } from "./aligned.ts";
import { textAtAddress } from "./ask-address.ts";
import type { BrowserWindow } from "./browser-window.ts";
import { type CollectedFrame, collectFrames } from "./collect-frames.ts";
import { layoutFrom } from "./collected-layout.ts";
import { markedPlaces } from "./development-marks.ts";
import { compiledSheets, writtenStyles } from "./development-styles.ts";
import { frameworkMarks, giveHandlers, noMarks } from "./heard-on.ts";
import type { CollectedLayout } from "./inside/collect.ts";
import { type FrameworkMarks, readMarks } from "./inside/frameworks.ts";
import { below } from "./live-nodes.ts";
import type { MountedSpecimen, Showing } from "./mounted-specimen.ts";
import type { PageServer } from "./page-server.ts";
import { ServedSheets } from "./served-sheets.ts";
import { shownFiles } from "./shown-files.ts";

/** What a page is looked at for, and with. */
export interface Looking {
  readonly page: PageFile;
  readonly plan: ReadingPlan;
  readonly host: Host;
  readonly server: PageServer;
  readonly window: BrowserWindow;
  readonly browser: BrowserIdentity;
  /** The specimen that the page was made for; null for pages of people's own. */
  readonly mounted: MountedSpecimen | null;
}

/** What a target is called where problems are told of it. */
export const calledIn = ({ page, mounted }: Pick<Looking, "page" | "mounted">): string =>
  mounted?.place ?? page.name;

/** A document of a page as the browser has it. */
export interface SeenDocument {
  readonly unit: UnitDocument;
  readonly snapshot: Snapshot;
  readonly places: Places;
  /** The kinds of events that are listened for around all of it: on the document, or on its window. */
  readonly heardAround: ReadonlySet<string>;
  /** The frame that it is in, as the protocol names it. */
  readonly frameId: string;
  /** What is under the letters of its texts; filled once pictures were taken. */
  readonly painted: Map<ElementNode, PaintedText>;
  /** How far what is drawn of its elements stands out; filled once pictures were taken. */
  readonly drawn: Map<ElementNode, number>;
  /** Where presses reach its elements; filled once they were tried. */
  readonly pressed: Map<ElementNode, Box>;
}

export interface SeenPage {
  readonly documents: readonly SeenDocument[];
  /** What a specimen says of itself; null for a page that is none. */
  readonly showing: Showing | null;
  /** The texts that it was served as, by the names they are shown with. */
  readonly texts: ReadonlyMap<string, string>;
  /** Says how it is laid out under other conditions; nothing is known of that before. */
  laidOut(others: OtherLayouts): void;
}

/** The number an element was collected by. */
export const numberOf = ({ elementOf }: Snapshot, element: ElementNode): number | null =>
  elementOf.get(element)?.id ?? null;

/** Layouts of the page under other conditions, by the frame they are of. */
export type OtherLayouts = Partial<Record<"narrow" | "doubled" | "spaced" | "turned", CollectedLayout>>;

/** A page as it was served: all that says where what its window shows at some time comes from. */
export class ServedPage {
  /** The texts that it was served as, by the names they are shown with. */
  readonly texts = new Map<string, string>();
  readonly #looking: Looking;
  readonly #served: string;
  readonly #files: Awaited<ReturnType<typeof shownFiles>>;
  readonly #sheets: ServedSheets;
  readonly #written = new Map<string, Document>();
  readonly #parsed = new Map<string, Sheet>();

  private constructor(
    looking: Looking,
    served: string,
    files: Awaited<ReturnType<typeof shownFiles>>,
    compiled: Awaited<ReturnType<typeof compiledSheets>>,
  ) {
    this.#looking = looking;
    this.#served = served;
    this.#files = files;
    this.#sheets = new ServedSheets(
      [...files.values()],
      ({ address: at }) => files.get(at)?.file ?? at,
      compiled,
    );
    for (const style of compiled.values())
      for (const { file, text } of style.sources) this.texts.set(file, text);
  }

  /** @param served the text of the page itself */
  static async of(looking: Looking, served: string): Promise<ServedPage> {
    const { window, server, host } = looking;
    const files = await shownFiles(await window.texts(), server, host);
    return new ServedPage(looking, served, files, await compiledSheets([...files.values()], host));
  }

  /** The page that its window has gone to since. */
  async elsewhere(window: BrowserWindow): Promise<ServedPage> {
    const address = window.page.url();
    const page = { ...this.#looking.page, path: null, address, name: addressName(address) ?? address };
    return ServedPage.of({ ...this.#looking, page, window, mounted: null }, window.opened().text);
  }

  /** What a page must show before it is looked at; null where rest is enough. */
  get readyWhen(): ReadySign | null {
    return this.#looking.plan.browser.readyWhen;
  }

  /** What it is shown on. */
  get device(): Device {
    return this.#looking.plan.device;
  }

  /**
   * Makes documents of what the browser shows: the page, then those of its frames.
   * @param window where it is open
   */
  async shown(window: BrowserWindow): Promise<SeenPage> {
    const { page, host, mounted } = this.#looking;
    // What lies here is written in the page that is served; what a server puts together may be marked.
    const answered = frameworkMarks.safeParse(await window.askAmongScripts(readMarks));
    const marks: FrameworkMarks = answered.success ? (answered.data as FrameworkMarks) : noMarks;
    const marked = await markedPlaces(
      page.address === undefined ? [] : marks.marks,
      page.address ?? "",
      host,
      textAtAddress,
    );
    for (const [name, text] of marked.texts) this.texts.set(name, text);
    const showing = (await mounted?.shown(window)) ?? null;
    const collected = await collectFrames(window);
    let layouts: OtherLayouts = {};
    const { document } = collected;
    const writtenSheets = await writtenStyles(document, document.address, host, this.texts);
    const documents: SeenDocument[] = [];
    this.#documentOf(collected, null, {
      marks,
      marked: marked.places,
      layout: (name) => layouts[name],
      writtenSheets,
      showing,
      documents,
    });
    for (const [name, text] of mounted?.program.sourceTexts() ?? []) this.texts.set(name, text);
    return {
      documents,
      showing,
      texts: this.texts,
      laidOut(others) {
        layouts = others;
      },
    };
  }

  #documentOf(
    frame: CollectedFrame,
    around: { readonly document: SeenDocument; readonly element: ElementNode } | null,
    known: KnownOfPage,
  ): SeenDocument {
    const { page, plan, mounted } = this.#looking;
    const { marks, marked, writtenSheets, showing, documents } = known;
    const files = this.#files;
    const options = sceneOptions(plan);
    const { address } = frame.document;
    const isLocal = around === null && page.address === undefined;
    const file = isLocal ? page.name : (files.get(address)?.file ?? addressName(address) ?? address);
    const text = around === null ? this.#served : (files.get(address)?.text ?? "");
    // A page that was made for a specimen is nobody's source.
    const isMade = mounted !== null && around === null;
    if (!isMade) this.texts.set(file, text);
    const written = this.#written.get(file) ?? readHtml(isMade ? "" : text, file, plan.components).document;
    this.#written.set(file, written);
    const live: LiveElement = frame.document;
    giveHandlers(live, frame.listeners, around === null ? marks : noMarks);
    const sheets = this.#sheets;
    const modal = modalOf(live);
    const places =
      isMade && showing !== null
        ? showing.places
        : withMarks(alignedPlaces(written, live), around === null ? marked : new Map());
    const snapshot = snapshotOf(live, {
      file,
      html: text,
      kind: isMade ? "component" : around === null ? written.kind : "fragment",
      quirks: frame.document.quirks,
      // Stylesheets that a configuration names are for source that does not bring them: a browser shows what there is.
      sheets: [],
      places,
      listens: (element) => element.heard ?? none,
      isBehind: (element) => modal !== null && !modal.around.has(element) && element.localName !== "head",
      isOpenPopover: (element) => element.isOpenPopover === true,
      parsed: this.#parsed,
      writtenSheet: (css) => writtenSheets.get(css) ?? mounted?.program.writtenSheet(css) ?? null,
      linkedSheet: sheets.linked,
    });
    const applied = snapshot.sheets.map((sheet) => withServedImports(sheet, sheets, address));
    for (const [name, sheetText] of sheets.used) this.texts.set(name, sheetText);
    const number = (element: ElementNode) => numberOf(snapshot, element);
    const laid = new Map<CollectedLayout, Layout>();
    const other = (name: keyof OtherLayouts): Layout | null => {
      const collected = around === null ? known.layout(name) : undefined;
      if (collected === undefined) return null;
      const layout = laid.get(collected) ?? layoutFrom(collected, number);
      laid.set(collected, layout);
      return layout;
    };
    const painted = new Map<ElementNode, PaintedText>();
    const drawn = new Map<ElementNode, number>();
    const pressed = new Map<ElementNode, Box>();
    const { unserved, missing } = this.#looking.window;
    const seen: Seen = {
      lacksParts: unserved.size + missing.size > 0,
      usual: layoutFrom(frame.layout, number),
      get narrow() {
        return other("narrow");
      },
      get doubled() {
        return other("doubled");
      },
      get spaced() {
        return other("spaced");
      },
      get turned() {
        return other("turned");
      },
      blinks: (element) => snapshot.elementOf.get(element)?.blinks === true,
      painted: (element) => painted.get(element) ?? null,
      drawn: (element) => drawn.get(element) ?? null,
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
        ...unitDocument(snapshot.document, applied, {
          ...options,
          ...(mounted === null ? {} : { stylesKnown: mounted.program.stylesKnown }),
          frames: scenes,
          seen,
        }),
        frame: around === null ? null : { around: around.document.unit, element: around.element },
        ...(page.address === undefined && mounted === null ? {} : { isServed: true as const }),
      },
      snapshot,
      places,
      heardAround: frame.heardAround,
      frameId: frame.frameId,
      painted,
      drawn,
      pressed,
    };
    documents.push(own);
    for (const [element, child] of inner)
      scenes.set(element, this.#documentOf(child, { document: own, element }, known).unit.scene);
    return own;
  }
}

/** What is known of a page at one moment beside its documents. */
interface KnownOfPage {
  readonly marks: FrameworkMarks;
  readonly marked: ReadonlyMap<number, Span>;
  readonly layout: (name: keyof OtherLayouts) => CollectedLayout | undefined;
  readonly writtenSheets: ReadonlyMap<string, Sheet>;
  readonly showing: Showing | null;
  /** Filled with the documents, those around first. */
  readonly documents: SeenDocument[];
}

/** The place of an element that is not in the served page: where a development build says that it was written. */
const withMarks = (places: Places, marked: ReadonlyMap<number, Span>): Places => {
  const tag = (element: LiveElement) => places.tag(element) ?? marked.get(element.mark) ?? null;
  return { ...places, tag, nearest: tag };
};

const none: ReadonlySet<string> = new Set();

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
