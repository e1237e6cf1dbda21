import { expect, test } from "vitest";
import { classExports } from "../../src/render/mount/class-exports.ts";

/** What a module of classes gives, run as the window runs it; imports left out. */
async function exportsOf(css: string): Promise<Record<string, unknown>> {
  const code = classExports(css, "_yard", true).replace(/^import .*$/gm, "");
  return { ...(await import(`data:text/javascript,${encodeURIComponent(code)}`)) };
}

test("classes are exported by name, and all in one", async () => {
  expect(await exportsOf(".slip { color: red } .slip:hover, .tide .crane { color: blue }")).toEqual({
    default: { slip: "slip_yard", tide: "tide_yard", crane: "crane_yard" },
    slip: "slip_yard",
    tide: "tide_yard",
    crane: "crane_yard",
  });
});

test("names that a script cannot have are in the whole alone", async () => {
  expect(await exportsOf(".slip-north {} .default {} .new {} .names {}")).toEqual({
    default: {
      "slip-north": "slip-north_yard",
      default: "default_yard",
      new: "new_yard",
      names: "names_yard",
    },
  });
});

test("what a class is composed of comes with it", async () => {
  const { default: names } = await exportsOf(".base {} .slip { composes: base; }");
  expect(names).toEqual({ base: "base_yard", slip: "slip_yard base_yard" });
});

test("a sheet of no module exports nothing, and brings what it imports", () => {
  expect(classExports(`@import "./base.css"; @import url(https://x.example/far.css); .a {}`, "", false)).toBe(
    `import "./base.css";\nexport {};`,
  );
});
