import { cpSync, readFileSync, symlinkSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { auditSchema } from "../../src/report/json/audit-schema.ts";
import { folderWith, keel } from "./run-keel.ts";

const root = path.resolve(import.meta.dirname, "../..");

/** A folder with a part of the demo in it, and the packages of this project. */
function demo(part: string, files: Readonly<Record<string, string>> = {}): string {
  const folder = folderWith({ "package.json": '{"name":"yard"}', ...files });
  symlinkSync(path.join(root, "node_modules"), path.join(folder, "node_modules"));
  cpSync(path.join(root, "demo", part), folder, { recursive: true });
  return folder;
}

/** What is said beside what was run. */
const besideNotice = (err: string): string => err.replace(/^keel: runs the specimens in [^\n]*\n/, "");

describe("keel audit on specimens", () => {
  test("reads the component, mounts the specimen, walks the script beside it, and tells each fault once", async () => {
    const { status, out, err } = await keel(demo("dialog"), [
      "audit",
      ".",
      "--run-specimens",
      "--format",
      "json",
    ]);
    const { findings, subjects } = auditSchema.parse(JSON.parse(out));
    expect([status, besideNotice(err)]).toEqual([1, ""]);
    expect(subjects.map(({ id, engine, specimen }) => [id, engine, specimen])).toEqual([
      ["BookingDialog.tsx", "read", null],
      ["booking-dialog.specimen.tsx#slip booking", "render", "slip booking"],
    ]);
    expect(
      findings.map(({ check, outcome, source }) => `${check} ${outcome} ${source?.file}:${source?.line}`),
    ).toEqual([
      "names.image-described failed BookingDialog.tsx:41",
      "contrast.text failed BookingDialog.tsx:37",
      "keys.reachable cantTell BookingDialog.tsx:41",
      "keys.dialog-takes-focus failed BookingDialog.tsx:33",
      "keys.walk-holds failed booking-dialog.walk:7",
      "roles.state-follows failed BookingDialog.tsx:23",
      "keys.dialog-gives-back failed BookingDialog.tsx:27",
      "roles.change-announced failed BookingDialog.tsx:30",
      "keys.dialog-closes failed BookingDialog.tsx:33",
    ]);
    expect(findings.find(({ check }) => check === "keys.dialog-closes")?.facts.keys).toBe(
      'Tab Tab Enter Escape → focus on "Book Slip 4" button',
    );
  });

  test("has nothing against the mended one", async () => {
    const { status, out } = await keel(demo("dialog-mended"), ["audit", "--run-specimens"]);
    expect([status, out]).toEqual([0, expect.stringContaining("Nothing to mend in 2 components")]);
  });

  test("runs none with --engine read, and says so of one that is named", async () => {
    const folder = demo("dialog");
    const all = await keel(folder, ["audit", ".", "--engine", "read", "--format", "json"]);
    expect(auditSchema.parse(JSON.parse(all.out)).subjects.map(({ engine }) => engine)).toEqual(["read"]);
    const { status, err } = await keel(folder, ["audit", "booking-dialog.specimen.tsx", "--engine", "read"]);
    expect([status, err]).toEqual([2, expect.stringContaining("--engine read runs nothing")]);
  });

  test("tells of those that fail, with places in source, and audits the others", async () => {
    const folder = demo("keys", {
      "bad.specimen.tsx": `import { specimen } from "even-keel/specimen";
import { Gone } from "./gone";
specimen("gone", () => <Gone />);`,
      "loop.specimen.tsx": `import { specimen } from "even-keel/specimen";
specimen("loops", () => { for (;;); });
specimen("throws", () => { throw new Error("no tide"); });
specimen("holds", () => <p>Tide at six</p>);`,
      "none.specimen.ts": "export {};",
    });
    const { status, out, err } = await keel(folder, ["audit", "*.specimen.*", "--time-limit", "6"]);
    expect(status).toBe(2);
    expect(besideNotice(err).trimEnd().split("\n")).toEqual([
      'keel: bad.specimen.tsx:2:22: The specimens could not be built: Could not resolve "./gone".',
      'keel: loop.specimen.tsx:2 "loops": Could not be mounted: it did not come to an end within 6 seconds.',
      'keel: loop.specimen.tsx:3 "throws": Could not be mounted: no tide (loop.specimen.tsx:3:34).',
      'keel: none.specimen.ts: Names no specimen. Write: specimen("a name", () => <Component />).',
    ]);
    expect(out).toContain("Nothing to mend");
  });
});

describe("keel walk on specimens", () => {
  test("tells every key, what opened, and what was said", async () => {
    const folder = demo("dialog-mended");
    const { out } = await keel(folder, ["walk", "booking-dialog.specimen.tsx#slip", "--events"]);
    expect(out).toContain('Enter on "Book Slip 4" button');
    expect(out).toContain('"Book Slip 4" dialog shown');
    expect(out).toMatch(/Escape +→ "Book Slip 4" button/);
    expect(out).toContain("events: keydown keypress");
  });

  test("walks by a script, which says which specimen it begins with", async () => {
    const folder = demo("dialog-mended");
    const walked = await keel(folder, [
      "walk",
      "booking-dialog.specimen.tsx",
      "--script",
      "booking-dialog.walk",
    ]);
    expect([walked.status, walked.out]).toEqual([0, expect.stringContaining("12 of 12 lines hold.")]);
    const { status, err } = await keel(folder, ["walk", "booking-dialog.specimen.tsx#berth"]);
    expect([status, err]).toEqual([2, expect.stringContaining('Has no specimen "berth"')]);
  });
});

test("keel tree gives what assistive technology is given of a specimen", async () => {
  const { out } = await keel(demo("dialog-mended"), ["tree", "booking-dialog.specimen.tsx"]);
  expect(out).toContain('"Book Slip 4" button');
});

test("what is drafted shows a component at work: lists have entries, promises are kept, files may be called as they like", async () => {
  const folder = demo("dialog-mended", {
    "slip-list.tsx": `interface Boat { readonly id: number; readonly name: string; readonly since: Date }
export function SlipList({ boats, load }: { boats: readonly Boat[]; load: () => Promise<string[]> }) {
  return <ul onDoubleClick={load}>{boats.map((boat) => <li key={boat.id}>{boat.name} {boat.since.getFullYear()}</li>)}</ul>;
}
`,
    "slip-card.vue":
      '<script setup lang="ts">\ndefineProps<{ slips: string[] }>();\n</script>\n<template><p v-for="slip in slips" :key="slip">{{ slip }}</p></template>\n',
  });
  expect((await keel(folder, ["init", "--specimens"])).status).toBe(0);
  const drafted = (name: string) => readFileSync(path.join(folder, name), "utf8");
  expect(drafted("slip-list.specimen.tsx")).toContain(
    'specimen("slip list", () => <SlipList boats={[{ id: 1, name: "Name 1", since: new Date(2026, 5, 1) }, { id: 2,',
  );
  expect(drafted("slip-list.specimen.tsx")).toContain('load={async () => ["Load 1", "Load 2", "Load 3"]}');
  expect(drafted("slip-card.specimen.ts")).toContain('import SlipCard from "./slip-card.vue";');
  const { out, err } = await keel(folder, ["audit", "slip-list.specimen.tsx", "slip-card.specimen.ts"]);
  expect([out, err]).toEqual([
    expect.stringMatching(/slip list[\s\S]*slip card|slip card[\s\S]*slip list/),
    expect.not.stringMatching(/Could not be mounted|could not be built|failed/),
  ]);
});

test("keel init --specimens drafts specimens that can be audited, and never writes over one", async () => {
  const folder = demo("dialog-mended", {
    "Badge.tsx": `interface Props { readonly words: string; readonly tone?: "free" | "taken"; readonly onClose: () => void }
export function Badge({ words, tone, onClose }: Props) {
  return <button type="button" className={tone} onClick={onClose}>{words}</button>;
}
`,
  });
  cpSync(path.join(folder, "booking-dialog.specimen.tsx"), path.join(folder, "BookingDialog.specimen.tsx"));
  const { status, out } = await keel(folder, ["init", "--specimens"]);
  expect([status, out]).toEqual([
    0,
    "Wrote Badge.specimen.tsx (3 specimens).\n1 has specimens already.\nLook them over, then:  keel audit Badge.specimen.tsx\n",
  ]);
  expect(readFileSync(path.join(folder, "Badge.specimen.tsx"), "utf8")).toContain(
    'specimen("badge, tone taken", () => <Badge words="Words" onClose={() => {}} tone="taken" />);',
  );
});

test("keel init --specimens puts words into components, and what they ask for around them", async () => {
  const folder = demo("dialog-mended", {
    "src/tabs/Tabs.svelte": `<script>import { setContext } from "svelte"; export let label = "Yard"; setContext("yard:tabs", { label });</script>\n<div><slot /></div>`,
    "src/tabs/Tab.svelte": `<script>import { getContext } from "svelte"; const { label } = getContext("yard:tabs");</script>\n<p>{label}: <slot /></p>`,
    "src/Harbour.tsx": `import { createContext, useContext, type ReactNode } from "react";
const Yard = createContext<string | null>(null);
export const useYard = () => {
  const yard = useContext(Yard);
  if (yard === null) throw new Error("no harbour");
  return yard;
};
export function Harbour({ children }: { children?: ReactNode }) {
  return <Yard.Provider value="Brackwater">{children}</Yard.Provider>;
}
`,
    "src/Slip.tsx": `import { useYard } from "./Harbour";\nexport default function Slip() {\n  return <p>{useYard()}</p>;\n}\n`,
    "src/Panel.vue": `<script setup lang="ts">import { provide } from "vue"; provide("open", true);</script>\n<template><section><slot /></section></template>`,
    "src/Part.vue": `<script setup lang="ts">import { inject } from "vue"; const open = inject("open"); if (!open) throw new Error("shut"); defineProps<{ words: string }>();</script>\n<template><p>{{ words }}</p></template>`,
  });
  expect((await keel(folder, ["init", "--specimens", "src"])).status).toBe(0);
  const drafted = (file: string) =>
    readFileSync(path.join(folder, "src", file), "utf8")
      .trim()
      .split("\n")
      .slice(1);
  expect(drafted("tabs/Tab.specimen.js")).toEqual([
    'import { createRawSnippet } from "svelte";',
    'import Tab from "./Tab.svelte";',
    'import Tabs from "./Tabs.svelte";',
    "",
    expect.stringMatching(/^\/\/ Drafted/),
    'specimen("tab", () => ({ component: Tab, props: { children: createRawSnippet(() => ({ render: () => "<span>tab</span>" })) } }), {',
    "  wrapper: (inside) => ({ component: Tabs, props: { children: inside } }),",
    "});",
  ]);
  expect(drafted("Slip.specimen.tsx").join("\n")).toContain(
    "wrapper: (inside) => <Harbour>{inside}</Harbour>,",
  );
  expect(drafted("Part.specimen.ts").join("\n")).toContain(
    "wrapper: (inside) => h(Panel, null, () => inside),",
  );
  const shown = ["tabs/Tab.specimen.js", "Slip.specimen.tsx", "Part.specimen.ts"].map(
    (file) => `src/${file}`,
  );
  const { status, out } = await keel(folder, ["tree", ...shown]);
  expect([status, out]).toEqual([0, expect.stringMatching(/Yard:[\s\S]*tab[\s\S]*Brackwater[\s\S]*Words/)]);
});

test("a specimen that is named just so is meant alone, and else those whose names begin so", async () => {
  const folder = folderWith({
    "package.json": '{"name":"yard"}',
    "slips.specimen.js": `import { specimen } from "even-keel/specimen";
specimen("slip", () => "<p>Free</p>");
specimen("slip, taken", () => "<p>Taken</p>");
specimen("berth", () => "<p>Berth 2</p>");`,
  });
  const shown = async (name: string) => (await keel(folder, ["hear", `slips.specimen.js#${name}`])).out;
  expect(await shown("slip")).not.toContain("Taken");
  expect(await shown("slip,")).toContain("Taken");
  const both = await shown("sli");
  expect([both.includes("Free"), both.includes("Taken"), both.includes("Berth")]).toEqual([
    true,
    true,
    false,
  ]);
});
