import { readdirSync, symlinkSync, writeFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { auditSchema } from "../../src/report/json/audit-schema.ts";
import { treeSchema } from "../../src/report/json/tree-schema.ts";
import { unknownComponentsSchema } from "../../src/report/json/unknown-components.ts";
import { folderWith, keel } from "./run-keel.ts";

const project = {
  "src/App.tsx": `import { SlipCard } from "./SlipCard";\nimport { Map } from "@yard/kit";\n\nexport default function App() {\n  return (\n    <main>\n      <h1>Slips</h1>\n      <Map />\n      <SlipCard name="South" />\n    </main>\n  );\n}\n`,
  "src/SlipCard.tsx": `import { IconButton } from "./IconButton";\n\nexport const SlipCard = ({ name }: { name: string }) => (\n  <article>\n    <h2>{name}</h2>\n    <IconButton label="Book" />\n    <IconButton />\n  </article>\n);\n`,
  "src/IconButton.tsx": `export const IconButton = ({ label }: { label?: string }) => (\n  <button type="button" aria-label={label}><svg aria-hidden="true" /></button>\n);\n`,
};

const audited = async (folder: string, ...args: string[]) => {
  const ran = await keel(folder, ["audit", ...args, "--format", "json"]);
  return { ...ran, document: auditSchema.parse(JSON.parse(ran.out)) };
};

describe("keel audit on component source", () => {
  test("shows a finding once, at the use that decides it, with the way that leads there", async () => {
    const { status, out, err } = await keel(folderWith(project), ["audit", "src"]);
    expect(err).toBe("");
    expect(status).toBe(1);
    expect(out).toContain("src/App.tsx  component · 8 elements · read");
    expect(out).toContain("src/SlipCard.tsx:7:5 · WCAG 4.1.2 A · names.action-named");
    expect(out).toContain("way   App › SlipCard › IconButton");
    expect(out).toMatch(/7 │ <IconButton \/>\n +│ \^{14} heard as: button/);
    expect(out).toContain("1 component is not in this source (1 use)");
  });

  test("follows imports out of the project by no link and by no path", async () => {
    const folder = folderWith({
      "yard/package.json": "{}",
      "yard/src/App.tsx": `import { Seen } from "./Seen";\nimport { Linked } from "./Linked";\nimport { Above } from "../../Above";\nexport const App = () => <main><Seen /><Linked /><Above /></main>;\n`,
      "yard/Seen.tsx": `export const Seen = () => <img src="seen.png" />;\n`,
      "Above.tsx": `export const Above = () => <img src="above.png" />;\n`,
      "Linked.tsx": `export const Linked = () => <img src="linked.png" />;\n`,
    });
    for (const [from, to] of [
      ["../Seen.tsx", "Seen"],
      ["../../Linked.tsx", "Linked"],
    ] as const)
      symlinkSync(from, path.join(folder, `yard/src/${to}.tsx`));
    const { document } = await audited(path.join(folder, "yard/src"), "App.tsx");
    expect(document.findings.map(({ element }) => element.snippet)).toEqual([`<img src="seen.png" />`]);
  });

  test("tells programs each step of the way, and the kind of the subject", async () => {
    const { document } = await audited(folderWith(project), "src/App.tsx");
    expect(document.subjects.map(({ id, kind }) => [id, kind])).toEqual([["src/App.tsx", "component"]]);
    expect(document.findings.map(({ components }) => components)).toEqual([
      [
        { name: "App", file: "src/App.tsx", line: 4, column: 16 },
        { name: "SlipCard", file: "src/App.tsx", line: 9, column: 7 },
        { name: "IconButton", file: "src/SlipCard.tsx", line: 7, column: 5 },
      ],
    ]);
  });

  test("lists components that are not in source, and takes what the configuration says of them", async () => {
    const folder = folderWith(project);
    const listed = await keel(folder, ["audit", "src", "--unknown-components"]);
    expect(listed.status).toBe(0);
    expect(listed.out).toMatch(/1 × {2}Map {2}src\/App\.tsx:8/);
    const json = await keel(folder, ["audit", "src", "--unknown-components", "--format", "json"]);
    expect(unknownComponentsSchema.parse(JSON.parse(json.out)).components.map(({ name }) => name)).toEqual([
      "Map",
    ]);
    writeFileSync(path.join(folder, "keel.config.json"), `{ "components": { "Map": { "as": "img" } } }`);
    const { document } = await audited(folder, "src");
    expect(document.findings.map(({ check, source }) => [check, source?.file, source?.line])).toEqual([
      ["names.action-named", "src/SlipCard.tsx", 7],
      ["names.image-described", "src/App.tsx", 8],
    ]);
  });

  test("exits with 2 where a file does not parse, says where, and audits the rest", async () => {
    const folder = folderWith({ ...project, "src/Broken.tsx": `export const Broken = () => <p>;\n` });
    const { status, err, document } = await audited(folder, "src");
    expect(status).toBe(2);
    expect(err).toMatch(/^keel: src\/Broken\.tsx:1:\d+: Does not parse: [^\n]+\n$/);
    expect(document.findings.length).toBe(1);
  });

  test("says so where a file holds no component", async () => {
    const { status, err } = await audited(folderWith({ "data.ts": "export const slips = [1];" }), "data.ts");
    expect(status).toBe(2);
    expect(err).toMatch(/^keel: data\.ts: No component was found in it[^\n]*\n$/);
  });

  test("takes a missing import for what it is, and goes on", async () => {
    const folder = folderWith({
      "App.tsx": `import { Gone } from "./Gone";\nexport const App = () => <div><Gone /><img src="a.png" /></div>;\n`,
    });
    const { status, document } = await audited(folder, "App.tsx");
    expect(status).toBe(1);
    expect(document.findings.map(({ check }) => check)).toEqual(["names.image-described"]);
  });

  test("reads what is not UTF-8, and says so of what is no text", async () => {
    const folder = folderWith({
      "Latin.tsx": Buffer.from(
        `export const App = () => <img src="a.png" title="Gr\xfc\xdfe" alt="Gr\xfc\xdfe" />;`,
        "latin1",
      ),
      "Binary.tsx": Uint8Array.from([1, 0, 2, 0]),
    });
    const { status, err } = await audited(folder, "Latin.tsx", "Binary.tsx");
    expect(status).toBe(2);
    expect(err).toMatch(/^keel: Binary\.tsx: Not a text file[^\n]*\n$/);
  });

  test("keeps what it came to, and forgets it when a file changes", async () => {
    const folder = folderWith(project);
    const env = { XDG_CACHE_HOME: folderWith({}) };
    const cache = path.join(env.XDG_CACHE_HOME, "even-keel");
    const audited = async () => {
      const { out } = await keel(folder, ["audit", "src", "--format", "json"], "", env);
      return { document: auditSchema.parse(JSON.parse(out)) };
    };
    const first = await audited();
    const [kept = ""] = readdirSync(cache);
    const second = await audited();
    expect(second.document.findings).toEqual(first.document.findings);
    writeFileSync(
      path.join(folder, "src/SlipCard.tsx"),
      project["src/SlipCard.tsx"].replace("<IconButton />", `<IconButton label="Move" />`),
    );
    expect((await audited()).document.findings).toEqual([]);
    // What is broken is thrown away and made anew.
    for (const broken of ["{}", "[]", '""', '{"files":[],"missing":[],"result":{"findings":[]}}', "{"]) {
      writeFileSync(path.join(cache, kept), broken);
      expect((await audited()).document.findings).toEqual([]);
    }
  });

  test("says in which world a finding was judged, where it is asked to", async () => {
    const folder = folderWith({
      "Go.tsx": `export function Go({ label, busy, more }: { label?: string; busy: boolean; more: object }) {\n  return <main><button aria-label={label}>{busy ? null : <i />}</button><button {...more} /></main>;\n}\n`,
    });
    const { out } = await keel(folder, ["audit", "Go.tsx", "--show-worlds", "--only", "names"]);
    expect(out).toMatch(/^ {4}world +`label` is not given; `busy` is false$/m);
    expect((await keel(folder, ["audit", "Go.tsx", "--only", "names"])).out).not.toContain("world");
  });

  test("keeps nothing where it is told not to", async () => {
    const folder = folderWith({ ...project, "node_modules/here": "" });
    const env = { XDG_CACHE_HOME: folderWith({}) };
    await keel(folder, ["audit", "src", "--no-cache"], "", env);
    expect(readdirSync(env.XDG_CACHE_HOME)).toEqual([]);
    await keel(folder, ["audit", "src", "--cache-dir", "kept"], "", env);
    expect([readdirSync(env.XDG_CACHE_HOME), readdirSync(path.join(folder, "kept"))]).toEqual([
      [],
      [expect.stringMatching(/^[0-9a-f]+\.json$/)],
    ]);
  });
});

test("keel tree, hear and walk take components as they first appear", async () => {
  const folder = folderWith(project);
  const tree = await keel(folder, ["tree", "src/App.tsx", "--format", "json"]);
  expect(treeSchema.parse(JSON.parse(tree.out)).target).toBe("src/App.tsx");
  const heard = await keel(folder, ["hear", "src/App.tsx", "--by", "headings"]);
  expect(heard.out).toContain("src/SlipCard.tsx:5    2  {name}".replace("{name}", "South"));
  const walked = await keel(folder, ["walk", "src/App.tsx"]);
  expect(walked.out).toContain(`1  "Book" button  src/IconButton.tsx:2:3 · control`);
});

test("keel init finds component source, and what it writes audits it", async () => {
  const folder = folderWith({ ...project, "package.json": `{ "dependencies": { "react": "^19.0.0" } }` });
  const { out } = await keel(folder, ["init", "--json"]);
  expect(out).toContain("Wrote keel.config.json (React, 0 pages, 3 component files, no palette).");
  const { document } = await audited(folder);
  expect(document.subjects.map(({ id }) => id)).toEqual(["src/App.tsx"]);
});

test("what one declaration is to blame for is told once for all components that it styles", async () => {
  const part = (name: string, links: string) =>
    `import "./yard.css";\nexport const ${name} = () => <nav aria-label="${name}">${links}</nav>;\n`;
  const folder = folderWith({
    "Slips.tsx": part("Slips", `<a href="#a">North</a><a href="#b">South</a>`),
    "Tides.tsx": part("Tides", `<a href="#c">High</a>`),
    "yard.css": "a:focus { outline: none }\n",
  });
  const { out, status } = await keel(folder, ["audit", "--only", "keys.focus-shows"]);
  expect(status).toBe(1);
  expect(out).toMatch(/^In several components {2}shown once/);
  expect(out).toMatch(
    / on {4}2 components: Slips\.tsx, Tides\.tsx\n +too {3}2 more elements .* here line 2\n/,
  );
  expect(out).toContain("3 to mend in 2 components, by 1 change: 3 barriers");
});
