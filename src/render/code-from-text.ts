import { compileFunction } from "node:vm";

/**
 * Gives what windows are made with its own constructor of functions. Node.js is started so that text becomes code in
 * windows alone: what leads from there to the constructor of our own realm finds one that refuses.
 */
export function codeFromTextOnlyInWindows(): void {
  function Compiled(...words: readonly string[]): unknown {
    return compileFunction(words.at(-1) ?? "", words.slice(0, -1));
  }
  Compiled.prototype = Function.prototype;
  globalThis.Function = Compiled as unknown as FunctionConstructor;
}
