import { expect, test } from "vitest";
import type { FindingAnswer } from "../../src/answers/finding-answer.ts";
import { mergedWithSeen } from "../../src/answers/seen-answer.ts";
import { auditFiles } from "./component-project.ts";

/** A fault that source shows, and the same as a window sees it from another place: `components` lead to it. */
async function fault(): Promise<FindingAnswer> {
  const { findings } = await auditFiles({
    "App.jsx": `import { Icon } from "./Icon";\nexport const App = () => <p><Icon /></p>;\n`,
    "Icon.jsx": `export const Icon = () => <button></button>;\n`,
  });
  const [finding] = findings;
  if (finding === undefined) throw new Error("no fault to see");
  return finding;
}

const elsewhere = (
  finding: FindingAnswer,
  from: { readonly line: number; readonly column: number },
): FindingAnswer => ({
  ...finding,
  keys: "Tab → nothing",
  source: { ...finding.source, file: "App.jsx", line: 2, column: 31 } as FindingAnswer["source"],
  span: { file: "App.jsx", start: 60, end: 70 },
  components: [{ name: "Icon", file: "Icon.jsx", ...from }] as FindingAnswer["components"],
});

test("a fault that source and window show is told once, with the keys", async () => {
  const read = await fault();
  const { line = 0, column = 0 } = read.source ?? {};
  const merged = mergedWithSeen([read], [elsewhere(read, { line, column })], []);
  expect(merged).toEqual([{ ...read, keys: "Tab → nothing" }]);
});

test.each([
  ["line", 1, 0],
  ["column", 0, 1],
])("one that came by another %s is another", async (_, lines, columns) => {
  const read = await fault();
  const { line = 0, column = 0 } = read.source ?? {};
  const other = elsewhere(read, { line: line + lines, column: column + columns });
  expect(mergedWithSeen([read], [other], [])).toEqual([read, other]);
});

test("what source asks gives way to what the window saw there, and goes where all was well", async () => {
  const read = { ...(await fault()), outcome: "cantTell" as const };
  const seen = { ...read, outcome: "failed" as const };
  expect(mergedWithSeen([read], [seen], [])).toEqual([seen]);
  const answered = { check: read.check, element: { span: read.span } } as Parameters<
    typeof mergedWithSeen
  >[2][0];
  expect(mergedWithSeen([read], [], [answered])).toEqual([]);
  expect(mergedWithSeen([read], [], [{ ...answered, check: "names.other" }])).toEqual([read]);
});
