import type { AnyWindow } from "./clock.ts";
import { define } from "./define.ts";

/** Where every window begins to draw its lots. */
const SEED = 0x6b65656c;

/**
 * Lots that fall the same in every window: what is made up by chance in one is found again in the next, and two runs give
 * one answer. ECMAScript `Math.random`, Web Cryptography §10.1.
 */
export function installChance(window: AnyWindow): void {
  let state = SEED;
  /** A whole number below 2^32, by a generator of 32 bits (a Weyl sequence, mixed). */
  const next = (): number => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return (mixed ^ (mixed >>> 14)) >>> 0;
  };
  define(window.Math, "random", () => next() / 2 ** 32);
  const { crypto } = window;
  if (crypto === undefined) return;
  define(crypto, "getRandomValues", (into: Uint8Array) => {
    const bytes = new Uint8Array(into.buffer, into.byteOffset, into.byteLength);
    for (let at = 0; at < bytes.length; at++) bytes[at] = next();
    return into;
  });
  define(crypto, "randomUUID", () => {
    const digits = Array.from({ length: 32 }, () => (next() % 16).toString(16)).join("");
    // The version and the variant of RFC 9562, §5.4.
    return digits.replace(/^(.{8})(.{4}).(.{3}).(.{3})(.{12})$/, "$1-$2-4$3-8$4-$5");
  });
}
