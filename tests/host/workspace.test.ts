import { expect, test } from "vitest";
import { Workspace } from "../../src/host/workspace.ts";

test("what was made of a text is kept until the text is another", () => {
  const workspace = new Workspace();
  const made: string[] = [];
  const sheet = (text: string) =>
    workspace.of("sheet", "yard.css", text, () => {
      made.push(text);
      return text.length;
    });
  expect([sheet("a {}"), sheet("a {}"), sheet("a { x: y }"), sheet("a {}")]).toEqual([4, 4, 10, 4]);
  expect(made).toEqual(["a {}", "a { x: y }", "a {}"]);
});

test("kinds and names are kept apart, and a workspace above another sees what that keeps", () => {
  const below = new Workspace();
  below.put("sheet", "a", "1", "below");
  const above = new Workspace(() => {}, below);
  expect(above.of("sheet", "a", "1", () => "anew")).toBe("below");
  expect(above.of("module", "a", "1", () => "module")).toBe("module");
  expect(above.of("sheet", "b", "1", () => "b")).toBe("b");
  expect([above.knows("sheet"), above.knows("page"), below.knows("module")]).toEqual([true, false, false]);
});
