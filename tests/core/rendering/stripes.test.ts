import { expect, test } from "vitest";
import { Stripes } from "../../../src/core/scene/stripes.ts";
import { randomFrom } from "../../readers/programs.ts";

test("all that lies between two heights is found, and nothing that is far", () => {
  const random = randomFrom(7);
  const things = Array.from({ length: 300 }, () => ({
    box: { left: 0, top: Math.round(random() * 5000) - 500, width: 10, height: Math.round(random() * 400) },
  }));
  const stripes = new Stripes(things);
  for (let turn = 0; turn < 100; turn++) {
    const top = random() * 5000 - 500;
    const bottom = top + random() * 200;
    const found = stripes.between(top, bottom);
    for (const thing of things) {
      const { box } = thing;
      const beside = Math.max(0, box.top - bottom, top - box.top - box.height);
      if (beside === 0) expect(found.has(thing)).toBe(true);
      if (beside > 128) expect(found.has(thing)).toBe(false);
    }
  }
});
