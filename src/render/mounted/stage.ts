// What a window with specimens in it holds for us, whether it is simulated or a browser's: it uses nothing but that window.
import type { LiveElement } from "../../engine/live-element.ts";
import { STAMP } from "../../engine/stamp.ts";
import type { Specimen } from "../../specimen.ts";
import {
  angularOrigin,
  type Origin,
  type OriginOf,
  reactOrigin,
  svelteOrigin,
  vueOrigin,
} from "./origins.ts";

/** The name that the stage of a window stands under. */
export const STAGE = "__evenKeel";

const SHELF = Symbol.for("even-keel.specimens");

/** A window, of whatever kind. */
// biome-ignore lint/suspicious/noExplicitAny: windows have more on them than their types say
type AnyWindow = any;

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

/**
 * Readies a window for a program of specimens.
 * @param styles takes the stylesheets of modules as these run
 * @returns the specimens that files name, once these have run
 */
export function readyStage(window: AnyWindow, styles: Stage["styles"]): readonly Specimen[] {
  const shelf: Specimen[] = [];
  const stage = {
    sites: new WeakMap<object, string>(),
    styles,
    made: new WeakMap<LiveElement, Error>(),
    filled: new WeakMap<LiveElement, Error>(),
    origins: new WeakMap<LiveElement, SettledOrigin>(),
    unset: new Set<string>(),
  };
  noteMaking(window, stage);
  window[STAGE] = stage;
  window[SHELF] = shelf;
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

/** Mounts a specimen in the first element of the body of its window. */
export async function mountSpecimen(
  window: AnyWindow,
  { render, options }: Specimen,
  onError: (error: unknown) => void,
): Promise<void> {
  const { mounts } = window[STAGE] as Stage;
  const container = window.document.body.firstElementChild;
  const content = await render();
  const kind = frameworkOf(content, mounts);
  const mount = kind === null ? null : ((await mounts[kind]?.()) ?? null);
  if (kind !== null && mount === null) throw new Error(`the project has no ${kind} to mount this with`);
  const { wrapper } = options as { wrapper?: (inside: unknown) => unknown };
  const shown = wrapper === undefined ? content : await wrapper(mount?.inside?.(content) ?? content);
  const report = (error: unknown, info?: unknown) => onError(withStack(error, info));
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

/** What a window tells of where its elements come from. */
export interface OriginsInWindow {
  originOf(element: LiveElement): Origin | null;
  /** The stack of the script that made an element, or filled one around it; null where no script did. */
  makingOf(element: LiveElement): string | null;
}

/** Reads where the elements of a window come from, as it stands. */
export function originsIn(window: AnyWindow): OriginsInWindow {
  const { sites, made, filled, origins } = window[STAGE] as Stage;
  const stamp = (element: LiveElement): string | null => element.getAttribute(STAMP);
  const ways: readonly OriginOf[] = [
    reactOrigin(stamp, sites),
    vueOrigin(stamp),
    svelteOrigin,
    angularOrigin(stamp, sites, window.ng),
  ];
  const known = new Map<LiveElement, Origin | null>();
  const originOf = (element: LiveElement): Origin | null => {
    let origin = known.get(element);
    if (origin !== undefined) return origin;
    const settled = origins.get(element);
    origin = settled !== undefined && settled.stamp === stamp(element) ? settled.origin : null;
    if (origin === null) {
      for (const way of ways) origin ??= way(element);
      if (origin !== null) origins.set(element, { origin, stamp: stamp(element) });
    }
    // What was written as text, or put there by a script, stands in what it was put into.
    if (origin === null && element.parentElement !== null) {
      const around = originOf(element.parentElement);
      origin = around === null ? null : { ...around, isOwn: false };
    }
    known.set(element, origin);
    return origin;
  };
  const makingOf = (element: LiveElement): string | null => {
    let making = made.get(element);
    for (let up = element; making === undefined && up !== null; up = up.parentElement)
      making = filled.get(up);
    return making?.stack ?? null;
  };
  return { originOf, makingOf };
}
