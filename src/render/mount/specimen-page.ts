import type { Device } from "../../core/css/device.ts";
import type { ComponentFrame, Span } from "../../core/document/node.ts";
import { thrownWords } from "../../core/findings/thrown-words.ts";
import type { LiveElement } from "../../engine/live-element.ts";
import { STAMP } from "../../engine/live-snapshot.ts";
import type { Places } from "../../engine/places.ts";
import type { Specimen } from "../../specimen.ts";
import type { AnyWindow } from "../clock.ts";
import type { LivePage, PageSource } from "../live-page.ts";
import type { SourceRemark } from "../protocol.ts";
import {
  angularOrigin,
  type Origin,
  type OriginOf,
  reactOrigin,
  svelteOrigin,
  vueOrigin,
} from "./origins.ts";
import type { Program } from "./program.ts";
import { STAGE } from "./window-code.ts";

const SHELF = Symbol.for("even-keel.specimens");

/** What a window with specimens holds for us. */
export interface Stage {
  readonly files: Readonly<Record<string, () => unknown>>;
  readonly mounts: Readonly<Record<string, () => Mount | Promise<Mount>>>;
  /** Where markup was written. */
  readonly sites: WeakMap<object, string>;
  /** The stylesheets of the modules that ran, in order. */
  readonly styles: string[];
  /** Where scripts made elements, by the errors that stand for their places. */
  readonly made: WeakMap<LiveElement, Error>;
  /** Where scripts filled elements with text that is markup. */
  readonly filled: WeakMap<LiveElement, Error>;
  /** Where elements come from, settled when they are first seen: what renders them again may know less. */
  readonly origins: WeakMap<LiveElement, SettledOrigin>;
  /** Names of environment variables that were asked for and are not set. */
  readonly unset: Set<string>;
}

interface SettledOrigin {
  readonly origin: Origin;
  /** Its own stamp: a framework may take an element over for markup that stands elsewhere. */
  readonly stamp: string | null;
}

interface Mount {
  mount(
    content: unknown,
    container: LiveElement,
    report: (error: unknown, info?: unknown) => void,
    options: Specimen["options"],
  ): Promise<void> | undefined;
  /** Content in the form in which a wrapper takes it. */
  inside?(content: unknown): unknown;
}

/** The page in which one specimen is mounted. */
export function specimenPage(
  program: Program,
  file: { readonly path: string; readonly name: string },
  specimen: { readonly name: string; readonly index: number; readonly place: SourceRemark | null },
  device: Device,
): PageSource {
  return {
    file: file.name,
    kind: "component",
    quirks: false,
    html: `<!doctype html><html lang="en"><head><title>${escaped(specimen.name)}</title></head><body><div></div></body></html>`,
    device,
    stylesKnown: program.stylesKnown,
    sheets: (window) =>
      (window[STAGE] as Stage).styles.flatMap((id) => {
        const sheet = program.sheet(id);
        return sheet === null ? [] : [{ sheet, media: null }];
      }),
    parsed: new Map(),
    writtenSheet: (text) => program.writtenSheet(text),
    places: ({ window }) => placesOf(window, program, specimen.place),
    start: async (page) => {
      const shelf = await specimensIn(page, program, file.path);
      const found = shelf[specimen.index];
      if (found !== undefined) await mountSpecimen(page, found);
    },
    tellError: (error) => toldError(error, program),
  };
}

const escaped = (text: string): string => text.replace(/[&<]/g, (c) => (c === "&" ? "&amp;" : "&lt;"));

/** Runs a file of specimens in a window, and gives those that it names. */
export async function specimensIn(
  page: LivePage,
  program: Program,
  file: string,
): Promise<readonly Specimen[]> {
  const { window } = page;
  const shelf: Specimen[] = [];
  const stage = {
    sites: new WeakMap<object, string>(),
    styles: [],
    made: new WeakMap<LiveElement, Error>(),
    filled: new WeakMap<LiveElement, Error>(),
    origins: new WeakMap<LiveElement, SettledOrigin>(),
    unset: new Set<string>(),
  };
  noteMaking(window, stage);
  window[STAGE] = stage;
  window[SHELF] = shelf;
  page.run(program.script);
  await (stage as unknown as Stage).files[file]?.();
  return shelf;
}

/** Notes where scripts make elements: by name, or from text. */
function noteMaking(
  { Document, Element }: AnyWindow,
  { made, filled }: Pick<Stage, "made" | "filled">,
): void {
  for (const name of ["createElement", "createElementNS"]) {
    const native = Document.prototype[name];
    Document.prototype[name] = function (this: LiveElement, ...named: unknown[]) {
      const element = native.apply(this, named);
      made.set(element, new Error());
      return element;
    };
  }
  const text = Object.getOwnPropertyDescriptor(Element.prototype, "innerHTML");
  Object.defineProperty(Element.prototype, "innerHTML", {
    ...text,
    set(this: LiveElement, html: string) {
      text?.set?.call(this, html);
      filled.set(this, new Error());
    },
  });
}

async function mountSpecimen(page: LivePage, { render, options }: Specimen): Promise<void> {
  const { window } = page;
  const { mounts } = window[STAGE] as Stage;
  const container = window.document.body.firstElementChild;
  const content = await render();
  const kind = frameworkOf(content, mounts);
  const mount = kind === null ? null : ((await mounts[kind]?.()) ?? null);
  if (kind !== null && mount === null) throw new Error(`the project has no ${kind} to mount this with`);
  const { wrapper } = options as { wrapper?: (inside: unknown) => unknown };
  const shown = wrapper === undefined ? content : await wrapper(mount?.inside?.(content) ?? content);
  const report = (error: unknown, info?: unknown) => page.report(withStack(error, info));
  // Nobody waits for a mount that takes its time: only the clock of the window would bring it on.
  if (mount !== null) mount.mount(shown, container, report, options)?.catch(report);
  else if (typeof shown === "string") container.innerHTML = shown;
  else container.append(...(isNode(shown) ? [shown] : [...(shown as Iterable<LiveElement>)]));
}

const isNode = (content: unknown): boolean =>
  typeof (content as { nodeType?: unknown })?.nodeType === "number";

/** Which framework shows what a specimen renders; null for elements and HTML. */
function frameworkOf(content: unknown, mounts: Stage["mounts"]): string | null {
  if (typeof content === "string" || isNode(content)) return null;
  const parts = (typeof content === "object" && content !== null ? content : {}) as Record<string, unknown>;
  if (isOfAngular(content) || isOfAngular(parts.component)) return "angular";
  if (typeof content === "function") return "svelte" in mounts ? "svelte" : "vue";
  if ("$$typeof" in parts) return "react";
  if (typeof parts.component === "function")
    return "angular" in mounts && !("svelte" in mounts) ? "angular" : "svelte";
  if (parts.__v_isVNode === true || "setup" in parts || "render" in parts || "template" in parts)
    return "vue";
  if (Array.isArray(content)) return isNode(content[0]) ? null : "react";
  throw new Error(
    "this specimen renders nothing that can be shown: return a React element, a Vue component or virtual node, a Svelte component with its props, an Angular component with its inputs, an element or HTML",
  );
}

/** Angular keeps what it makes of a component on its class, under a name with a letter that nobody types. */
const isOfAngular = (type: unknown): boolean => typeof type === "function" && "\u0275cmp" in type;

/** An error, and the stack of components that React tells with it. */
const withStack = (error: unknown, info: unknown): unknown => {
  const stack = (info as { componentStack?: unknown } | undefined)?.componentStack;
  if (typeof stack === "string" && typeof error === "object" && error !== null)
    Object.defineProperty(error, "componentStack", { value: stack, configurable: true });
  return error;
};

/** How many places of a stack are told. */
const MOST_PLACES = 3;

/** An error with the places in source that it comes from. */
export function toldError(error: unknown, program: Program): string {
  const { name, message, stack, componentStack } = (error ?? {}) as Partial<Error> & {
    componentStack?: string;
  };
  const words =
    typeof message === "string"
      ? `${typeof name !== "string" || name === "Error" ? "" : `${name}: `}${message}`
      : thrownWords(error);
  const [first = ""] = words.split("\n");
  const frames = [...program.framesOf(stack ?? ""), ...program.framesOf(componentStack ?? "")];
  const places = [
    ...new Set(
      frames.map(
        ({ name: caller, at }) => `${caller === null ? "" : `${caller}, `}${at.file}:${at.line}:${at.column}`,
      ),
    ),
  ].slice(0, MOST_PLACES);
  return places.length === 0 ? first : `${first} (${places.join(" ← ")})`;
}

function placesOf(window: AnyWindow, program: Program, place: SourceRemark | null): Places {
  const stage = window[STAGE] as Stage;
  const stamp = (element: LiveElement): string | null => element.getAttribute(STAMP);
  const ways: readonly OriginOf[] = [
    reactOrigin(stamp, stage.sites),
    vueOrigin(stamp),
    svelteOrigin,
    angularOrigin(stamp, stage.sites, window.ng),
  ];
  const known = new Map<LiveElement, Origin | null>();
  const originOf = (element: LiveElement): Origin | null => {
    let origin = known.get(element);
    if (origin !== undefined) return origin;
    const settled = stage.origins.get(element);
    origin = settled !== undefined && settled.stamp === stamp(element) ? settled.origin : null;
    if (origin === null) {
      for (const way of ways) origin ??= way(element);
      if (origin !== null) stage.origins.set(element, { origin, stamp: stamp(element) });
    }
    // What was written as text, or put there by a script, stands in what it was put into.
    if (origin === null && element.parentElement !== null) {
      const around = originOf(element.parentElement);
      origin = around === null ? null : { ...around, isOwn: false };
    }
    known.set(element, origin);
    return origin;
  };
  const tag = (element: LiveElement): Span | null => {
    const origin = originOf(element);
    const span = origin?.at == null || !origin.isOwn ? null : program.tagAt(origin.at);
    return span;
  };
  const frame = ({ name, at }: { readonly name: string; readonly at: string }): readonly ComponentFrame[] => {
    const source = program.tagAt(at) ?? program.lineAt(at);
    return source === null ? [] : [{ name, source, definition: source }];
  };
  return {
    tag,
    isPlainTag: (element) => {
      const span = tag(element);
      return span !== null && !/role|aria-/i.test(program.textOf(span));
    },
    endTag: () => null,
    attribute: () => null,
    components: (element) => originOf(element)?.frames.flatMap(frame) ?? [],
    nearest: (element) => {
      const site = originOf(element)?.at;
      if (site != null) return program.tagAt(site) ?? program.lineAt(site);
      let creation = stage.made.get(element);
      for (let up = element; creation === undefined && up !== null; up = up.parentElement)
        creation = stage.filled.get(up);
      const making = program.framesOf(creation?.stack ?? "")[0]?.at ?? place;
      return making === null ? null : program.spanAt(making);
    },
    comment: () => null,
    remarks: (element) => {
      const span = tag(element);
      return span === null ? [] : program.remarksBefore(span);
    },
    // Never by the way down: what a kit puts beside something else would give that another.
    identity: (element) => {
      const { at = null, isOwn = false, keys = "" } = originOf(element) ?? {};
      return `${isOwn ? "" : element.localName}@${at ?? element.id} ${keys}`.trim();
    },
  };
}
