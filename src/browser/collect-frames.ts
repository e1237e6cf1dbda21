import type { Argument, BrowserWindow, Frame, Heard } from "./browser-window.ts";
import {
  type CollectedDocument,
  type CollectedLayout,
  collectDocument,
  collectLayout,
} from "./inside/collect.ts";

/** A frame with what is in it. */
export interface CollectedFrame {
  readonly frameId: string;
  readonly document: CollectedDocument;
  readonly layout: CollectedLayout;
  readonly listeners: ReadonlyMap<number, Heard>;
  /** What is listened for around everything, on the document and its window. */
  readonly heardAround: ReadonlySet<string>;
  /** The number of the element that shows it, in the document around it. */
  readonly owner: number;
  readonly frames: readonly CollectedFrame[];
}

const noneHeard = { listeners: new Map<number, Heard>(), around: new Set<string>() };

/** Collects the page with its frames, each with those in it. */
export async function collectFrames(window: BrowserWindow): Promise<CollectedFrame> {
  const collect = async (
    { id, children }: Frame,
    isMain: boolean,
    owner: number,
  ): Promise<CollectedFrame> => {
    const args: Argument[] = [];
    for (const node of isMain ? await window.closedRoots() : []) args.push(await window.argument(id, node));
    const document = await window.ask<CollectedDocument>(id, collectDocument, args);
    const [layout, { listeners, around }] = await Promise.all([
      window.ask<CollectedLayout>(id, collectLayout),
      isMain ? window.listeners(id) : noneHeard,
    ]);
    const frames: CollectedFrame[] = [];
    for (const child of children) {
      const number = await window.ownerOf(child.id, id);
      if (number !== null) frames.push(await collect(child, false, number));
    }
    return { frameId: id, document, layout, listeners, heardAround: around, owner, frames };
  };
  return collect(await window.frames(), true, -1);
}
