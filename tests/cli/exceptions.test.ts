import { expect, test } from "vitest";
import { auditSchema } from "../../src/report/json/audit-schema.ts";
import { folderWith, keel, page } from "./run-keel.ts";

const audited = async (files: Record<string, string>, ...args: string[]) => {
  const ran = await keel(folderWith(files), ["audit", "--format", "json", ...args]);
  return { ...ran, document: auditSchema.parse(JSON.parse(ran.out)) };
};

test("a comment with a reason allows the element after it, and no other", async () => {
  const { document, err } = await audited({
    "a.html": page(
      `<!-- keel: allow names.image-described because the picture comes later -->\n<img src="a.jpg">\n<img src="b.jpg">`,
    ),
  });
  expect(document.findings.map(({ element }) => element.snippet)).toEqual([`<img src="b.jpg">`]);
  expect(document.summary.accepted).toBe(1);
  expect(err).toBe("");
});

test("a comment in a stylesheet allows a declaration or a rule", async () => {
  const css = `
    /* keel: allow contrast.text because the brand demands it */
    p { color: #aaa }
    h1 { margin: 0; /* keel: allow contrast.text because it is large */ color: #bbb }
    li { color: #ccc }`;
  const { document, err } = await audited({
    "a.html": page("<p>Free</p><ul><li>Slip</li></ul>", `<link rel="stylesheet" href="a.css">`),
    "a.css": css,
  });
  expect(document.findings.map(({ element }) => element.tag)).toEqual(["li"]);
  expect(document.summary.accepted).toBe(2);
  expect(err).toBe("");
});

test.each([
  [
    "without a reason",
    "allow names.image-described",
    /a\.html:7:1: The exception for names\.image-described gives no reason/,
    1,
  ],
  [
    "for no check",
    "allow names.image-describd because x",
    /there is no such check; did you mean names\.image-described\?/,
    1,
  ],
  [
    "that says something else",
    "ignore this",
    /This comment is addressed to keel and says nothing it knows/,
    1,
  ],
  [
    "that covers nothing any more",
    "allow structure.lists because x",
    /The exception for structure\.lists covers nothing any more/,
    1,
  ],
])("an exception %s is told and allows nothing", async (_, words, message, findings) => {
  const { document, err } = await audited({ "a.html": page(`<!-- keel: ${words} -->\n<img src="a.jpg">`) });
  expect(err).toMatch(message);
  expect(document.problems).toHaveLength(1);
  expect(document.findings).toHaveLength(findings);
});

test("an exception for a check that did not run is left in peace", async () => {
  const { err } = await audited(
    { "a.html": page(`<!-- keel: allow structure.lists because x --><p>Free</p>`) },
    "--only",
    "names",
  );
  expect(err).toBe("");
});
