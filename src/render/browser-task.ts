import { setFlagsFromString } from "node:v8";
import { compileFunction } from "node:vm";
import type { LiveElement } from "../engine/live-element.ts";

/** Node.js has no name for it: V8 tells it only to code of its own. */
function nativeCheckpoint(): () => void {
  setFlagsFromString("--allow-natives-syntax");
  try {
    const checkpoint = compileFunction("%PerformMicrotaskCheckpoint()") as () => void;
    checkpoint();
    return checkpoint;
  } catch {
    return () => undefined;
  } finally {
    setFlagsFromString("--no-allow-natives-syntax");
  }
}

let native: (() => void) | null = null;

/**
 * Does what promises have waiting, as a browser does after each listener that it calls itself. HTML §8.1.4.3, "perform
 * a microtask checkpoint".
 */
export function microtaskCheckpoint(): void {
  native ??= nativeCheckpoint();
  try {
    native();
  } catch (error) {
    // V8 let go of the compiled form to save memory, and what it is compiled from is no language of everybody's.
    if (!(error instanceof SyntaxError)) throw error;
    native = nativeCheckpoint();
  }
}

/** Runs something as a task of its own: only with nothing under it on the stack do promises go on in between. */
export const inTask = <T>(run: () => T): Promise<T> =>
  new Promise((resolve, reject) => {
    setImmediate(() => {
      try {
        resolve(run());
      } catch (error) {
        reject(error);
      }
    });
  });

/** An event as one that the browser sends itself. DOM §2.2, `isTrusted`. */
export function trusted(event: LiveElement): LiveElement {
  const inner = Object.getOwnPropertySymbols(event).find(({ description }) => description === "impl");
  if (inner !== undefined)
    Object.defineProperty(event[inner], "isTrusted", { get: () => true, set: () => undefined });
  return event;
}
