import * as z from "zod";
import { pointerEvents, UNKNOWN_LISTENER } from "../core/document/pointer-handler.ts";
import type { LiveElement } from "../engine/live-element.ts";
import type { Heard } from "./browser-window.ts";
import type { FrameworkMarks } from "./inside/frameworks.ts";
import { below } from "./live-nodes.ts";

const mark = z.object({
  element: z.number(),
  tag: z.string(),
  file: z.string().optional(),
  module: z.string().optional(),
  line: z.number().optional(),
  column: z.number().optional(),
  id: z.string().optional(),
  classes: z.string().optional(),
});

/** What a page may answer of its frameworks: its scripts can answer anything. */
export const frameworkMarks = z.object({
  marks: z.array(mark),
  handlers: z.array(z.tuple([z.number(), z.array(z.tuple([z.string(), z.string()]))])),
});

/** What a page without a framework has. */
export const noMarks: FrameworkMarks = { marks: [], handlers: [] };

const isPointerEvent = (type: string): boolean => (pointerEvents as readonly string[]).includes(type);

/**
 * Gives elements what is listened for on them, as inline handlers have it. Scripts also listen on what is around things, for
 * all that is in it: a listener for the pointer counts where the element asks to be clicked, or is said to be something.
 */
export function giveHandlers(
  live: LiveElement,
  listeners: ReadonlyMap<number, Heard>,
  marks: FrameworkMarks,
): void {
  const byFramework = new Map(marks.handlers);
  for (const element of below(live)) {
    if (element.nodeType !== 1) continue;
    const has = (name: string) =>
      element.attributes.some((one: { readonly name: string }) => one.name === name);
    const heard = listeners.get(element.id);
    const isSomething = heard?.isPointed === true || ["role", "tabindex", "href"].some(has);
    const types = [...(heard?.types ?? [])].filter((type) => isSomething || !isPointerEvent(type));
    const handlers = byFramework.get(element.mark) ?? [];
    const byHandler = handlers.map(([event]) => event);
    element.heard = new Set([...types, ...byHandler]);
    element.heardByAny = new Set([...(heard?.types ?? []), ...byHandler]);
    const told = [
      ...handlers,
      ...(heard?.isPointed === true
        ? types.map((type) => [type, `${UNKNOWN_LISTENER} ${element.id}`] as const)
        : []),
    ];
    for (const [event, code] of told)
      if (isPointerEvent(event) && !has(`on${event}`))
        element.attributes.push({ name: `on${event}`, value: code });
  }
}
