import path from "node:path";
import * as z from "zod";
import { notMounted, type Problem, scriptFailed } from "../core/findings/problems.ts";
import type { LiveElement } from "../engine/live-element.ts";
import type { Places } from "../engine/places.ts";
import type { Host } from "../host/host.ts";
import { type FoundSpecimen, idOf, placeOf } from "../render/collect/specimens.ts";
import { mountedPlaces } from "../render/mounted/places.ts";
import { PROGRAM, Program } from "../render/mounted/program.ts";
import { SHOWING } from "../render/mounted/showing.ts";
import { specimenHtml } from "../render/mounted/specimen-html.ts";
import { styleMark } from "../render/mounted/style-mark.ts";
import { toldError, unsetText } from "../render/mounted/told-error.ts";
import type { Bundle, BundledStyle } from "../render/protocol.ts";
import type { BrowserWindow } from "./browser-window.ts";
import type { PageServer } from "./page-server.ts";
import { textForPage } from "./style-in-page.ts";

/** The folder below a package that sites are served from beside it. */
const PUBLIC = "public";

const told = z.object({
  errors: z.array(
    z.object({
      name: z.string(),
      message: z.string(),
      stack: z.string().optional(),
      componentStack: z.string().optional(),
    }),
  ),
  unset: z.array(z.string()),
  elements: z.array(
    z.tuple([
      z.number(),
      z
        .object({
          at: z.string().nullable(),
          isOwn: z.boolean(),
          frames: z.array(z.object({ name: z.string(), at: z.string() })),
          keys: z.string(),
        })
        .nullable(),
      z.string().nullable(),
    ]),
  ),
});
/** What a page may answer of its specimen: its scripts can answer anything. */
type Told = z.infer<typeof told>;
const nothingTold: Told = { errors: [], unset: [], elements: [] };

/** What a page of a specimen says of itself at one moment. */
export interface Showing {
  readonly places: Places;
  readonly problems: readonly Problem[];
  /** What is said where nothing shows; null where nothing failed. */
  readonly failure: Problem | null;
}

/** One specimen as a page that a browser opens. */
export class MountedSpecimen {
  readonly found: FoundSpecimen;
  readonly program: Program;
  /** Where its page is served. */
  readonly address: string;

  constructor(found: FoundSpecimen, program: Program, address: string) {
    this.found = found;
    this.program = program;
    this.address = address;
  }

  get id(): string {
    return idOf(this.found.page, this.found.listed.name);
  }

  /** Where it stands in source, as problems tell it. */
  get place(): string {
    return placeOf(this.found);
  }

  /** An error of its scripts in words. */
  tellError(error: unknown): string {
    return toldError(error, this.program);
  }

  async shown(window: BrowserWindow): Promise<Showing> {
    const answer = await window.askAmongScripts(toldInPage).catch(() => null);
    const { data: { errors, unset, elements } = nothingTold } = told.safeParse(answer);
    const byMark = new Map(elements.map(([mark, origin, making]) => [mark, { origin, making }]));
    const of = ({ mark }: LiveElement) => byMark.get(mark);
    const [first] = errors;
    return {
      places: mountedPlaces(
        {
          originOf: (element) => of(element)?.origin ?? null,
          makingOf: (element) => of(element)?.making ?? null,
        },
        this.program,
        this.found.listed.place,
      ),
      problems: errors.map((error) => scriptFailed(this.place, this.tellError(error))),
      failure:
        first === undefined ? null : notMounted(this.place, `${this.tellError(first)}${unsetText(unset)}`),
    };
  }
}

/** What a page of a specimen tells, as JSON. It runs among the scripts of the page, and stands alone. */
function toldInPage(): string {
  return (
    (globalThis as { __evenKeelShowing?: { told?: () => string } }).__evenKeelShowing?.told?.() ?? "null"
  );
}

/** Makes pages of specimens, and has them served; what those of one package share is served once. */
export class SpecimenPages {
  readonly #server: PageServer;
  readonly #host: Host;
  readonly #shared = new Map<Bundle, Promise<Shared>>();
  #count = 0;

  constructor(server: PageServer, host: Host) {
    this.#server = server;
    this.#host = host;
  }

  async page(found: FoundSpecimen): Promise<MountedSpecimen> {
    const { bundle, page, index, listed } = found;
    let shared = this.#shared.get(bundle);
    if (shared === undefined) {
      shared = this.#share(bundle);
      this.#shared.set(bundle, shared);
    }
    const { program, scripts } = await shared;
    const shows = `${SHOWING}.show(${inScript(page.path ?? "")}, ${index});`;
    const address = await this.#serve(
      bundle,
      `specimen-${++this.#count}.html`,
      specimenHtml(
        listed.name,
        `<meta charset="utf-8">${scripts}`,
        `<script type="module">${shows}</script>`,
      ),
    );
    return new MountedSpecimen(found, program, address);
  }

  async #share(bundle: Bundle): Promise<Shared> {
    const { root, styles, code } = bundle;
    this.#server.takeRoot(root);
    this.#server.takeRoot(path.join(root, PUBLIC));
    const texts: Record<string, string> = {};
    for (const [id, style] of styles) texts[id] = await this.#styleText(id, style, bundle);
    const stage = await this.#host.programText("specimen-stage");
    const before = `globalThis.${SHOWING} = { styles: ${inScript(texts)} };\n`;
    const named = `keel-${this.#shared.size}`;
    const addresses = [
      await this.#serve(bundle, `${named}-stage.js`, before + stage),
      // Stacks call it as those of simulated windows do.
      await this.#serve(
        bundle,
        `${named}-program.js`,
        `${new TextDecoder().decode(code)}\n//# sourceURL=${PROGRAM}`,
      ),
    ];
    const scripts = addresses.map((address) => `<script defer src="${address}"></script>`).join("");
    return { program: new Program(bundle), scripts };
  }

  async #styleText(id: string, style: BundledStyle, bundle: Bundle): Promise<string> {
    const folder = path.dirname(path.resolve(bundle.workingDirectory, style.file));
    const text = await textForPage(style.compiled ?? style.text, async (address) => {
      const [file = "", after = ""] = address.split(/(?=[?#])/);
      const served = await this.#server.address({ file: path.resolve(folder, file), tree: bundle.root });
      return `${served}${after}`;
    });
    return `${text}${styleMark(id, "stage")}`;
  }

  async #serve({ root }: Bundle, name: string, text: string): Promise<string> {
    const file = path.join(root, name);
    this.#server.put(file, new TextEncoder().encode(text));
    return this.#server.address({ file, tree: root });
  }
}

/** What the pages of one package share. */
interface Shared {
  readonly program: Program;
  /** The scripts that each of them begins with. */
  readonly scripts: string;
}

/** A value as a script in a page may have it. */
const inScript = (value: unknown): string => JSON.stringify(value).replace(/</g, "\\u003c");
