import { byPeople } from "../../engine/events-by-people.ts";
import type { LiveElement } from "../../engine/live-element.ts";

/** One component on the way to an element, and where it is used, as `file:line:column`. */
export interface OriginFrame {
  readonly name: string;
  readonly at: string;
}

/** Where an element of a mounted component comes from. */
export interface Origin {
  /** Where it was written, else where the nearest component around it is used; null where neither is known. */
  readonly at: string | null;
  /** Whether the element itself is written there. */
  readonly isOwn: boolean;
  /** The components whose source wrote it, the outermost first. */
  readonly frames: readonly OriginFrame[];
  /** Keys of list items on the way to it. */
  readonly keys: string;
}

/** What a framework keeps of where its elements come from; null for an element it knows nothing of. */
export type OriginOf = (element: LiveElement) => Origin | null;

/** What frameworks keep has no types: these are their private fields, in development builds. */
// biome-ignore lint/suspicious/noExplicitAny: see above
type Private = any;

const MOST_FRAMES = 60;

/**
 * React 18 and 19: the fiber behind an element; `_debugOwner` is the component whose source wrote it, `return` what is
 * around it.
 * @param sites where markup was written, by its props or what React keeps of its making
 */
export const reactOrigin =
  (stamp: (element: LiveElement) => string | null, sites: WeakMap<object, string>): OriginOf =>
  (element) => {
    const name = Object.keys(element).find((key) => key.startsWith("__reactFiber$"));
    if (name === undefined) return null;
    const fiber: Private = element[name];
    const siteOf = (one: Private): string | null => {
      for (const held of [one.memoizedProps, one._debugStack, one._debugSource])
        if (held !== null && typeof held === "object") {
          const site = sites.get(held);
          if (site !== undefined) return site;
        }
      return null;
    };
    const keys: string[] = [];
    let nearest: Private = null;
    for (let up = fiber; up != null; up = up.return) {
      if (up.key != null) keys.push(String(up.key));
      if (nearest === null && up !== fiber && siteOf(up) !== null) nearest = up;
    }
    const stamped = stamp(element) ?? siteOf(fiber);
    const frames: OriginFrame[] = [];
    const start = stamped === null ? nearest : fiber._debugOwner;
    for (let owner = start, n = 0; owner != null && n < MOST_FRAMES; owner = owner._debugOwner, n++) {
      const site = siteOf(owner);
      if (site !== null) frames.unshift({ name: reactName(owner.type), at: site });
    }
    const site = stamped ?? (nearest === null ? null : siteOf(nearest));
    return { at: site, isOwn: stamped !== null, frames, keys: keys.join(" ") };
  };

const reactName = (type: Private): string => {
  for (const one of [type, type?.render, type?.type, type?.type?.render]) {
    const name = one?.displayName ?? one?.name;
    if (typeof name === "string" && name !== "") return name;
  }
  return "component";
};

/** Vue 3: the virtual node of an element; its `ctx` is the component whose template wrote it. */
export const vueOrigin =
  (stamp: (element: LiveElement) => string | null): OriginOf =>
  (element) => {
    const vnode: Private = element.__vnode;
    if (vnode == null) return null;
    const siteOf = (instance: Private): string | null => {
      const hooks = [instance?.vnode?.props?.onVnodeBeforeMount].flat();
      return hooks.find((hook) => typeof hook?.at === "string")?.at ?? null;
    };
    const frames: OriginFrame[] = [];
    for (let one = vnode.ctx, n = 0; one != null && n < MOST_FRAMES; one = one.vnode?.ctx, n++) {
      const file: unknown = one.type?.__file;
      // A root is told by where it is defined.
      const site = siteOf(one) ?? (typeof file === "string" ? `${file}:1:1` : null);
      if (site !== null)
        frames.unshift({ name: one.type?.name ?? one.type?.__name ?? fileName(file), at: site });
    }
    const keys: string[] = [];
    if (vnode.key != null) keys.push(String(vnode.key));
    for (let one = element.__vueParentComponent; one != null; one = one.parent)
      if (one.vnode?.key != null) keys.push(String(one.vnode.key));
    const stamped = stamp(element) ?? vnode.props?.onVnodeBeforeMount?.at ?? null;
    const site = stamped ?? frames.at(-1)?.at ?? null;
    return {
      at: site,
      isOwn: stamped !== null,
      frames: stamped === null ? frames.slice(0, -1) : frames,
      keys: keys.join(" "),
    };
  };

/** What a component is called that has no name but that of its file. */
const fileName = (file: unknown): string =>
  typeof file === "string" ? file.replace(/^.*\/|\.\w+$/g, "") : "component";

/** Svelte 5: what its development build writes on every element. Columns count from 0 there. */
export const svelteOrigin: OriginOf = (element) => {
  const meta: Private = element.__svelte_meta;
  if (meta?.loc == null) return null;
  const frames: OriginFrame[] = [];
  for (let up = meta.parent, n = 0; up != null && n < MOST_FRAMES; up = up.parent, n++)
    if (up.type === "component" && up.file !== undefined && !isOfPackage(up.file))
      frames.unshift({ name: up.componentTag ?? "component", at: `${up.file}:${up.line}:${up.column + 1}` });
  const { file, line, column } = meta.loc;
  const [outermost] = frames;
  const root = outermost === undefined ? file : outermost.at.replace(/:\d+:\d+$/, "");
  // What a package renders stands where it is used.
  const use = isOfPackage(file) ? (frames.pop() ?? null) : null;
  frames.unshift({ name: fileName(root), at: `${root}:1:1` });
  return use === null
    ? { at: `${file}:${line}:${column + 1}`, isOwn: !isOfPackage(file), frames, keys: "" }
    : { at: use.at, isOwn: false, frames, keys: "" };
};

/**
 * Angular in development: what it gives to look into pages (`ng`) tells the component whose template wrote an element,
 * and its element, whose stamp is where it is used. What a package renders stands where it is used.
 * @param sites where classes were written
 */
export const angularOrigin =
  (stamp: (element: LiveElement) => string | null, sites: WeakMap<object, string>, ng: Private): OriginOf =>
  (element) => {
    if (typeof ng?.getOwningComponent !== "function") return null;
    const frames: OriginFrame[] = [];
    let at = stamp(element);
    const isOwn = at !== null;
    if (ng.getContext(element) === null && !isOwn) return null;
    for (let host = element, n = 0; n < MOST_FRAMES; n++) {
      const owner: Private = ng.getOwningComponent(host);
      if (owner === null) break;
      host = ng.getHostElement(owner);
      const type = owner.constructor;
      // What is at the top is told by where it is defined.
      const used = stamp(host) ?? (ng.getOwningComponent(host) === null ? (sites.get(type) ?? null) : null);
      if (used === null) continue;
      at ??= used;
      frames.unshift({ name: type.name.replace(/^_/, ""), at: used });
    }
    if (at === null && frames.length === 0) return null;
    return { at, isOwn, frames: isOwn ? frames : frames.slice(0, -1), keys: "" };
  };

const isOfPackage = (file: string): boolean => /(?:^|\/)node_modules\//.test(file);

/** Events whose names are not those of the props that handle them. */
const renamed: Readonly<Record<string, string>> = { doubleclick: "dblclick" };

/**
 * Events that frameworks handle for an element from the top of the page, where no listener stands on it. They keep the
 * handlers in a table on the element, under a name or a symbol that differs between versions: it is known by what it
 * holds. React's has them by props (`onClick`), Svelte's by events (`click`); Svelte once kept each by itself (`__click`).
 */
export function delegatedEvents(element: LiveElement): readonly string[] {
  return [...Object.keys(element), ...Object.getOwnPropertySymbols(element)].flatMap((key) => {
    const held: unknown = element[key];
    if (isHandler(held)) return /^__(\w+)$/.exec(String(key))?.[1] ?? [];
    if (!isTable(held)) return [];
    return Object.entries(held).flatMap(([name, value]) =>
      isHandler(value) ? (eventNamed(name) ?? []) : [],
    );
  });
}

/** A function; in a list of its own where it is called with what belongs to it. */
const isHandler = (held: unknown): boolean =>
  typeof held === "function" || (Array.isArray(held) && typeof held[0] === "function");

const isTable = (held: unknown): held is Readonly<Record<string, unknown>> =>
  typeof held === "object" && held !== null && /^(?:Object|)$/.test(held.constructor?.name ?? "");

/** The event that a table of handlers means by a name; null for what is no event of people's doing. */
function eventNamed(name: string): string | null {
  const event = /^on[A-Z]/.test(name)
    ? name
        .slice(2)
        .replace(/Capture$/, "")
        .toLowerCase()
    : name;
  const known = renamed[event] ?? event;
  return byPeople.test(known) ? known : null;
}

/** Listeners by which frameworks hear of every event at the top of what they mount: they say nothing of any element. */
export const isOfFramework = (listener: unknown): boolean =>
  isHandingOut(listener) ||
  (typeof listener === "function" &&
    /^(?:bound )?dispatch(?:Discrete|Continuous)?Event$/.test(listener.name));

/** Svelte's, which it has only for events that some element handles. */
export const isHandingOut = (listener: unknown): boolean =>
  typeof listener === "function" && /^(?:bound )?handle_event_propagation$/.test(listener.name);
