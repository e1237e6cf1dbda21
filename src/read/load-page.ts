import path from "node:path";
import { parseSheet } from "../core/css/parse-sheet.ts";
import type { AppliedSheet, ImportRule, Sheet } from "../core/css/sheet.ts";
import type { Document, ElementNode, Node, ShadowRoot } from "../core/document/node.ts";
import { attributeText } from "../core/document/written.ts";
import {
  emptyFile,
  type Problem,
  stylesheetMissing,
  stylesheetOutside,
  stylesheetRemote,
  stylesheetsTooMany,
  stylesheetTooDeep,
  stylesheetUnreadable,
  tooLarge,
  unreadable,
} from "../core/findings/problems.ts";
import { type PageFile, shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { liesWithin } from "../host/project-root.ts";
import type { Workspace } from "../host/workspace.ts";
import { decodeText } from "../readers/html/decode.ts";
import { readHtml } from "../readers/html/read-html.ts";
import type { ReadingPlan } from "../settings/plan.ts";

/** What of a plan says what may be read with a page. */
export type LoadOptions = Pick<ReadingPlan, "roots" | "maxSize" | "stylesheets" | "components">;

/** From where pages are read, and under which rules. */
export interface PageReading {
  readonly host: Host;
  readonly options: LoadOptions;
  /** Keeps the stylesheets of files that were parsed: many pages link the same. */
  readonly workspace: Workspace;
}

/** A page with everything that belongs to it, as read. */
export interface LoadedPage {
  readonly document: Document;
  readonly sheets: readonly AppliedSheet[];
  /** The text of every file read, by the name it is shown with. */
  readonly texts: ReadonlyMap<string, string>;
  /** Whether every stylesheet was read; one that is simply missing styles nothing for anyone. */
  readonly stylesKnown: boolean;
  /** What could not be read beside the page. */
  readonly problems: readonly Problem[];
  /** The pages that frames show: those written in `srcdoc`, and files beside the page. */
  readonly frames: ReadonlyMap<ElementNode, LoadedPage>;
}

const MEGABYTE = 1024 * 1024;

/** How deep stylesheets may import one another, and how many imports of one page are followed. */
const DEEPEST_IMPORT = 16;
const MOST_IMPORTS = 1000;

/** Reads a page and its stylesheets. A problem of the page itself is the result; those of stylesheets come with it. */
export async function loadPage(
  page: PageFile,
  reading: PageReading,
): Promise<
  { readonly ok: true; readonly value: LoadedPage } | { readonly ok: false; readonly problem: Problem }
> {
  const bytes = await pageBytes(page, reading);
  if (!bytes.ok) return bytes;
  const decoded = decodeText(bytes.value, page.name, "html");
  if (!decoded.ok) return decoded;
  const { text } = decoded.value;
  if (text.trim() === "") return { ok: false, problem: emptyFile(page.name) };
  return { ok: true, value: await loadText(page, text, page.name, reading, 0) };
}

/** How deep frames are read in frames: a page may show itself. */
const DEEPEST_FRAME = 3;

/** A page from its text, with its stylesheets and frames. `name` is what its spans call the file. */
async function loadText(
  page: PageFile,
  text: string,
  name: string,
  reading: PageReading,
  depth: number,
): Promise<LoadedPage> {
  const { host, options, workspace } = reading;
  const read = workspace.briefly("page", name, text, () => readHtml(text, name, options.components));
  const loader = new SheetLoader(page, reading, read.baseHref);
  const sheets: AppliedSheet[] = [];
  for (const file of options.stylesheets) {
    const applied = await loader.configured(file, read.document);
    if (applied !== null) sheets.push(applied);
  }
  for (const style of read.styles) {
    const applied =
      style.kind === "text"
        ? await loader.withImports(
            parseSheet({ file: name, text: style.text, start: style.start }),
            style.media,
            style.scope,
            page.path ?? path.join(host.workingDirectory, page.name),
            [],
          )
        : await loader.linked(style.href, style.media, style.scope, null, []);
    if (applied !== null) sheets.push(applied);
  }
  loader.texts.set(name, text);
  return {
    document: read.document,
    sheets,
    texts: loader.texts,
    stylesKnown: !loader.hasUnread,
    problems: loader.problems,
    frames: depth < DEEPEST_FRAME ? await loadFrames(page, read.document, loader, reading, depth) : new Map(),
  };
}

/** What the frames of a page show, as far as it is here: text in `srcdoc`, or a page beside it. */
async function loadFrames(
  page: PageFile,
  document: Document,
  loader: SheetLoader,
  reading: PageReading,
  depth: number,
): Promise<ReadonlyMap<ElementNode, LoadedPage>> {
  const frames = new Map<ElementNode, LoadedPage>();
  for (const [index, frame] of framesIn(document).entries()) {
    const written = attributeText(frame, "srcdoc");
    if (written !== null) {
      const name = `${page.name} frame ${index + 1}`;
      frames.set(frame, asPiece(await loadText(page, written, name, reading, depth + 1)));
      continue;
    }
    const address =
      attributeText(frame, "src")
        ?.trim()
        .replace(/[?#].*$/, "") ?? "";
    const file = await loader.fileAt(address);
    if (file === null) continue;
    const inner = { ...page, path: file, name: shownName(reading.host, file) };
    const bytes = await pageBytes(inner, reading);
    const decoded = bytes.ok ? decodeText(bytes.value, inner.name, "html") : bytes;
    if (decoded.ok)
      frames.set(frame, asPiece(await loadText(inner, decoded.value.text, inner.name, reading, depth + 1)));
  }
  return frames;
}

/** What a frame shows is a piece of the page around it: what only whole pages owe it does not. */
const asPiece = (loaded: LoadedPage): LoadedPage => {
  const document: Document = { ...loaded.document, kind: "fragment" };
  return {
    ...loaded,
    document,
    sheets: loaded.sheets.map((sheet) =>
      sheet.scope === loaded.document ? { ...sheet, scope: document } : sheet,
    ),
  };
};

function framesIn(document: Document): readonly ElementNode[] {
  const found: ElementNode[] = [];
  const stack: Node[] = [...document.children].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind !== "element") continue;
    if (node.tag === "iframe" && node.namespace === "html") found.push(node);
    const below = node.shadow === null ? node.children : [...node.shadow.children, ...node.children];
    for (let i = below.length - 1; i >= 0; i--) stack.push(below[i] as Node);
  }
  return found;
}

/** The bytes of a page, from a file or standard input. */
export async function pageBytes(
  page: PageFile,
  { host, options }: { readonly host: Host; readonly options: Pick<LoadOptions, "maxSize"> },
): Promise<
  { readonly ok: true; readonly value: Uint8Array } | { readonly ok: false; readonly problem: Problem }
> {
  const limit = options.maxSize * MEGABYTE;
  if (page.path === null) {
    const value = await host.standardInput();
    return value.length > limit
      ? { ok: false, problem: tooLarge(page.name, value.length / MEGABYTE, options.maxSize) }
      : { ok: true, value };
  }
  const info = await host.files.info(page.path);
  if (info !== null && info.size > limit)
    return { ok: false, problem: tooLarge(page.name, info.size / MEGABYTE, options.maxSize) };
  const read = await host.files.read(page.path);
  return read.ok
    ? { ok: true, value: read.bytes }
    : { ok: false, problem: unreadable(page.name, read.reason) };
}

/** Finds and parses the stylesheets of one page; each file once, each problem once. */
class SheetLoader {
  readonly texts = new Map<string, string>();
  readonly problems: Problem[] = [];
  /** Whether some stylesheet that may exist was left unread. */
  hasUnread = false;
  readonly #page: PageFile;
  readonly #host: Host;
  readonly #options: LoadOptions;
  readonly #workspace: Workspace;
  readonly #baseHref: string | null;
  readonly #sheets = new Map<string, Sheet | null>();
  #imports = 0;
  readonly #reported = new Set<string>();

  constructor(page: PageFile, { host, options, workspace }: PageReading, baseHref: string | null) {
    this.#page = page;
    this.#host = host;
    this.#options = options;
    this.#workspace = workspace;
    this.#baseHref = baseHref;
  }

  #report(problem: Problem): null {
    this.hasUnread = true;
    if (!this.#reported.has(problem.message)) this.problems.push(problem);
    this.#reported.add(problem.message);
    return null;
  }

  /**
   * A sheet with what it imports. Imports of a sheet by itself, at whatever remove, are dropped.
   * @param within the files that import it, the outermost first
   */
  async withImports(
    sheet: Sheet,
    media: string | null,
    scope: Document | ShadowRoot,
    file: string,
    within: readonly string[],
  ): Promise<AppliedSheet> {
    const imports = new Map<ImportRule, AppliedSheet>();
    if (sheet.isCut === true) this.#report(stylesheetTooDeep(this.#page.name, sheet.file));
    for (const item of sheet.items) {
      if (item.kind !== "import" || within.length >= DEEPEST_IMPORT) continue;
      if (++this.#imports > MOST_IMPORTS) {
        this.#report(stylesheetsTooMany(this.#page.name, MOST_IMPORTS));
        break;
      }
      const imported = await this.linked(item.import.href, null, scope, file, [...within, file]);
      if (imported !== null) imports.set(item.import, imported);
    }
    return { sheet, media, scope, imports };
  }

  /** The sheet an address names: relative to the stylesheet that imports it, else to the page. */
  async linked(
    href: string,
    media: string | null,
    scope: Document | ShadowRoot,
    from: string | null,
    within: readonly string[],
  ): Promise<AppliedSheet | null> {
    const address = from === null && this.#baseHref !== null ? joined(this.#baseHref, href) : href;
    if (/^data:/i.test(address)) return null;
    // An address that asks for font families brings faces of fonts and nothing else that styles.
    if (/^(?:[a-z][a-z0-9+.-]*:)?\/\/[^?]*\?(?:[^#]*&)?family=/i.test(address)) return null;
    if (/^(?:[a-z][a-z0-9+.-]*:)?\/\//i.test(address))
      return this.#report(stylesheetRemote(this.#page.name, href));
    const relative = decoded(address.replace(/[?#].*$/, ""));
    const folder =
      from === null
        ? this.#page.path === null
          ? this.#host.workingDirectory
          : path.dirname(this.#page.path)
        : path.dirname(from);
    // An address from the root of the site: tried from each folder that may be that root.
    const tried = relative.startsWith("/")
      ? [this.#page.tree, this.#host.workingDirectory, ...this.#options.roots].map((root) =>
          path.join(root, relative),
        )
      : [path.resolve(folder, relative)];
    for (const file of tried) {
      const info = await this.#host.files.info(file);
      if (info?.kind !== "file") continue;
      if (!(await this.#isAllowed(file))) return this.#report(stylesheetOutside(this.#page.name, href));
      // CSS Cascade 5 §2: a sheet that imports itself, at whatever remove, adds nothing.
      if (within.includes(file)) return null;
      const sheet = await this.#parsed(file, href, info.size);
      return sheet === null ? null : this.withImports(sheet, media, scope, file, within);
    }
    return this.#report(stylesheetMissing(this.#page.name, href));
  }

  /** A sheet that the configuration names: read wherever it is. */
  async configured(file: string, scope: Document): Promise<AppliedSheet | null> {
    const shown = shownName(this.#host, file);
    const info = await this.#host.files.info(file);
    if (info?.kind !== "file") return this.#report(stylesheetMissing(this.#page.name, shown));
    const sheet = await this.#parsed(file, shown, info.size);
    return sheet === null ? null : this.withImports(sheet, null, scope, file, []);
  }

  /** The page that an address names beside this one, where it may be read; null for none. */
  async fileAt(address: string): Promise<string | null> {
    if (!/\.html?$/i.test(address) || /^(?:[a-z][a-z0-9+.-]*:|\/\/)/i.test(address)) return null;
    const folder = this.#page.path === null ? this.#host.workingDirectory : path.dirname(this.#page.path);
    const file = address.startsWith("/")
      ? path.join(this.#page.tree, decoded(address))
      : path.resolve(folder, decoded(address));
    const info = await this.#host.files.info(file);
    return info?.kind === "file" && (await this.#isAllowed(file)) ? file : null;
  }

  async #parsed(file: string, href: string, size: number): Promise<Sheet | null> {
    const known = this.#sheets.get(file);
    if (known !== undefined) return known;
    const sheet = await this.#read(file, href, size);
    this.#sheets.set(file, sheet);
    return sheet;
  }

  async #read(file: string, href: string, size: number): Promise<Sheet | null> {
    if (size > this.#options.maxSize * MEGABYTE)
      return this.#report(tooLarge(shownName(this.#host, file), size / MEGABYTE, this.#options.maxSize));
    const read = await this.#host.files.read(file);
    if (!read.ok) return this.#report(stylesheetUnreadable(this.#page.name, href, read.reason));
    const name = shownName(this.#host, file);
    const text = decodeText(read.bytes, name, "css");
    if (!text.ok) return this.#report(stylesheetUnreadable(this.#page.name, href, "not a text file"));
    this.texts.set(name, text.value.text);
    const source = { file: name, text: text.value.text, start: 0 };
    return this.#workspace.of("page sheet", name, source.text, () => parseSheet(source));
  }

  /** Below the target's folder, the working directory or a folder named by `--root`, symbolic links followed. */
  #isAllowed(file: string): Promise<boolean> {
    const roots = [this.#page.tree, this.#host.workingDirectory, ...this.#options.roots];
    return liesWithin(file, roots, this.#host.files);
  }
}

const joined = (base: string, href: string): string =>
  /^[a-z][a-z0-9+.-]*:|^\//i.test(href) ? href : base.replace(/[^/]*$/, "") + href;

function decoded(address: string): string {
  try {
    return decodeURIComponent(address);
  } catch {
    return address;
  }
}
