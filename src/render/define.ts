import type { LiveElement } from "../engine/live-element.ts";

/** Puts a value where the window has one of its own. */
export const define = (target: object, name: string, value: unknown): void => {
  Object.defineProperty(target, name, { value, configurable: true, writable: true });
};

/** Puts a property in front of the window's own. */
export const getter = (
  target: object,
  name: string,
  get: (this: LiveElement) => unknown,
  set?: (v: never) => void,
): void => {
  Object.defineProperty(target, name, { get, ...(set === undefined ? {} : { set }), configurable: true });
};
