import { describe, expect, test } from "vitest";
import { collide, type Edit, originalPlaces, withEdits } from "../../../src/core/repair/edit.ts";
import { firstChangeBeside, marksIn } from "../../../src/core/repair/untouched.ts";
import { readHtml } from "../../../src/readers/html/read-html.ts";

const edit = (start: number, end: number, text: string, file = "a.html"): Edit => ({
  file,
  start,
  end,
  text,
});

describe("edits", () => {
  test("are made in the order of their places, each once", () => {
    const twice = [edit(4, 5, "E"), edit(0, 1, "A"), edit(4, 5, "E")];
    expect(withEdits("abcdef", twice)).toBe("AbcdEf");
  });

  test("put in at one place stand in the order they came in", () => {
    expect(withEdits("ab", [edit(1, 1, "1"), edit(1, 1, "2"), edit(1, 2, "B")])).toBe("a12B");
  });

  test.each([
    ["overlap", edit(0, 3, "x"), edit(2, 4, "y"), true],
    ["one inside the other", edit(0, 9, "x"), edit(4, 4, "y"), true],
    ["side by side", edit(0, 2, "x"), edit(2, 4, "y"), false],
    ["put in at the edge", edit(2, 4, "x"), edit(2, 2, "y"), false],
    ["put in at one place", edit(2, 2, "x"), edit(2, 2, "y"), false],
    ["the same", edit(0, 3, "x"), edit(0, 3, "x"), false],
    ["in two files", edit(0, 3, "x"), edit(0, 3, "y", "b.html"), false],
  ])("that %s collide: %s, %s: %s", (_, a, b, expected) => {
    expect(collide(a, b)).toBe(expected);
    expect(collide(b, a)).toBe(expected);
  });

  test("lead every place of the edited text back to where it was", () => {
    const edits = [edit(1, 3, "XYZ"), edit(5, 5, "++")];
    expect(withEdits("abcdefg", edits)).toBe("aXYZde++fg");
    const original = originalPlaces(edits);
    expect([0, 4, 5, 8, 9].map((at) => original(at).offset)).toEqual([0, 3, 4, 5, 6]);
    expect([1, 2, 6, 7].map((at) => original(at))).toEqual([
      { offset: 1, isNew: true },
      { offset: 1, isNew: true },
      { offset: 5, isNew: true },
      { offset: 5, isNew: true },
    ]);
  });

  test("lead an end back to what stands before it, where something was taken out", () => {
    const original = originalPlaces([edit(2, 4, "")]);
    expect(original(2).offset).toBe(4);
    expect(original(2, true).offset).toBe(2);
  });
});

describe("a file is untouched apart from its edits", () => {
  const isUntouched = (html: string, edits: readonly Edit[]) =>
    firstChangeBeside(
      marksIn(readHtml(html, "a.html")),
      marksIn(readHtml(withEdits(html, edits), "a.html")),
      edits,
    ) === null;
  const html = `<p title="a">Slip <b>4</b></p><p>Tide</p>`;

  test.each([
    ["an attribute is set", [edit(2, 2, ` lang="en"`)]],
    ["an attribute is taken away", [edit(2, 12, "")]],
    ["a value is replaced", [edit(10, 11, "b")]],
    ["an element is renamed", [edit(19, 20, "i"), edit(24, 25, "i")]],
    ["text is put into an element", [edit(13, 13, "<span>"), edit(18, 18, "</span>")]],
    ["an element is taken away", [edit(30, 41, "")]],
  ])("when %s", (_, edits) => {
    expect(isUntouched(html, edits)).toBe(true);
  });

  test.each([
    ["a quote is left open", [edit(11, 12, "")]],
    ["an end tag is lost", [edit(22, 26, "")]],
    ["a block ends the paragraph around it", [edit(18, 26, "<div>4</div>")]],
    ["a comment swallows what follows", [edit(13, 13, "<!--")]],
  ])("but not when %s", (_, edits) => {
    expect(isUntouched(html, edits)).toBe(false);
  });
});
