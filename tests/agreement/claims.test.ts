import { expect, test } from "vitest";
import { falseClaims } from "../readers/claims.ts";
import { falseWays } from "../readers/flows.ts";

/** Other programs than those of the unit tests, in parts, so that one that fails is soon found. */
const parts = Number(process.env.AGREEMENT_CLAIMS ?? 8);

test.each(Array.from({ length: parts }, (_, i) => 10_000 + i * 1000))(
  "claims about the thousand programs from %i hold in Node",
  (from) => {
    expect(falseClaims(from, 1000)).toEqual([]);
  },
);

test.each([10_000, 11_000, 12_000])("whatever the thousand flows from %i are given holds in Node", (from) => {
  expect(falseWays(from, 1000)).toEqual([]);
});
