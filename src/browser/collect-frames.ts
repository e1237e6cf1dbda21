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
  /** The number of the element that shows it, in the document around it. */
  readonly owner: number;
  readonly frames: readonly CollectedFrame[];
}

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
