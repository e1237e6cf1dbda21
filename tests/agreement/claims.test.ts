import { expect, test } from "vitest";
import { falseClaims } from "../readers/claims.ts";

/** Other programs than those of the unit tests, in parts, so that one that fails is soon found. */
test.each(Array.from({ length: 20 }, (_, i) => 10_000 + i * 1000))(
  "claims about the thousand programs from %i hold in Node",
  (from) => {
    expect(falseClaims(from, 1000)).toEqual([]);
  },
);
