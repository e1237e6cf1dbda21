import { expect, test } from "vitest";
import { falseClaims } from "../readers/claims.ts";
import { falseWays } from "../readers/flows.ts";
import { isOfToday } from "./of-today.ts";

/** Other programs than those of the unit tests, in parts, so that one that fails is soon found. */
const parts = Number(process.env.AGREEMENT_CLAIMS ?? 9);
const PARTS = 3;
const ofToday = (count: number) =>
  Array.from({ length: count }, (_, i) => 10_000 + i * 1000).filter((_, i) => isOfToday(i, PARTS));

test.each(ofToday(parts))("claims about the thousand programs from %i hold in Node", (from) => {
  expect(falseClaims(from, 1000)).toEqual([]);
});

test.each(ofToday(3))("whatever the thousand flows from %i are given holds in Node", (from) => {
  expect(falseWays(from, 1000)).toEqual([]);
});
