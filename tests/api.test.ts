import { writeFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { type AuditAnswer, audit, auditJson, auditSchema, nodeHost, Workspace } from "../src/api.ts";
import type { AuditOptions } from "../src/settings/options.ts";
import { auditPlan } from "../src/settings/plan.ts";
import { folderWith, page } from "./cli/run-keel.ts";

const hostIn = (folder: string) => nodeHost({ workingDirectory: folder });
const checks = ({ findings }: AuditAnswer) => findings.map(({ check, source }) => `${check} ${source?.file}`);

describe("audit() of the package", () => {
  test("goes by the configuration and defaults of the command, and by short options over them", async () => {
    const folder = folderWith({
      "keel.config.json": JSON.stringify({ targets: ["pages"], checks: { structure: "off" } }),
      "pages/a.html": page(`<img src="a.jpg"><h4>Fees</h4>`),
      "b.html": page(`<img src="b.jpg">`),
    });
    const host = hostIn(folder);
    expect(checks(await audit([], {}, { host }))).toEqual(["names.image-described pages/a.html"]);
    expect(checks(await audit("b.html", {}, { host }))).toEqual(["names.image-described b.html"]);
    const whole = await audit("pages", { config: false, only: ["structure"] }, { host });
    expect(checks(whole)).toEqual(["structure.headings-step pages/a.html"]);
  });

  test("answers with what its schema says", async () => {
    const host = hostIn(folderWith({ "a.html": page(`<img src="a.jpg">`) }));
    const answer = await audit("a.html", {}, { host });
    expect(auditSchema.parse(JSON.parse(auditJson(answer, "0.0.0"))).findings).toHaveLength(1);
  });

  test.each<[string, AuditOptions, RegExp]>([
    ["a check that there is not", { only: ["names.image-describd"] }, /did you mean names\.image-described/],
    ["a configuration that is not there", { config: "gone.json" }, /gone\.json/],
    ["a window that is none", { window: "wide" }, /window/i],
  ])("says in one line what is wrong with %s", async (_, options, message) => {
    const host = hostIn(folderWith({ "a.html": page("") }));
    const refused = audit("a.html", options, { host });
    await expect(refused).rejects.toThrow(message);
    await expect(refused).rejects.toThrow(/^[^\n]+$/);
  });

  test("tells of a target that is not there, and is incomplete", async () => {
    const { problems, incomplete } = await audit("gone.html", {}, { host: hostIn(folderWith({})) });
    expect([problems.map(({ target }) => target), incomplete]).toEqual([["gone.html"], true]);
  });

  test("ends when its signal does", async () => {
    const host = hostIn(folderWith({ "a.html": page(""), "b.html": page("") }));
    await expect(audit(".", {}, { host, signal: AbortSignal.abort(new Error("enough")) })).rejects.toThrow(
      "enough",
    );
  });
});

describe("a workspace", () => {
  const files = {
    "App.tsx": `import { Tile } from "./Tile";\nexport const App = () => <main><h1>Slips</h1><Tile name="North" /></main>;\n`,
    "Tile.tsx": `import { Pic } from "./Pic";\nexport const Tile = ({ name }: { name: string }) => <section aria-label={name}><Pic /></section>;\n`,
    "Pic.tsx": `export const Pic = () => <img src="a.png" alt="The crane" />;\n`,
    "Other.tsx": `export const Other = () => <button />;\n`,
  };
  const withoutTimes = ({ startedAt, elapsedMs, ...rest }: AuditAnswer) => rest;

  test.each([
    ["nothing", "Pic.tsx", files["Pic.tsx"]],
    ["a leaf", "Pic.tsx", `export const Pic = () => <img src="a.png" />;\n`],
    ["what stands between", "Tile.tsx", `export const Tile = () => <button />;\n`],
    ["a root", "App.tsx", `export const App = () => <main><h1>Slips</h1></main>;\n`],
    ["what does not parse", "Tile.tsx", `export const Tile = () => <p;\n`],
  ])("gives, after a change of %s, what an audit from nothing gives", async (_, file, text) => {
    const folder = folderWith(files);
    const host = hostIn(folder);
    const workspace = new Workspace();
    const options = { cache: false };
    await audit(".", options, { host, workspace });
    writeFileSync(path.join(folder, file), text);
    const again = await audit(".", options, { host, workspace });
    const anew = await audit(".", options, { host });
    expect(withoutTimes(again)).toEqual(withoutTimes(anew));
    writeFileSync(path.join(folder, file), files[file as keyof typeof files]);
    expect(checks(await audit(".", options, { host, workspace }))).toEqual(["names.action-named Other.tsx"]);
  });

  test("makes again only what is made of something else", () => {
    const workspace = new Workspace();
    let made = 0;
    const ask = (key: string, within = workspace) => within.of("sheet", "a.css", key, () => ++made);
    expect([ask("1"), ask("1"), ask("2"), ask("2"), ask("1")]).toEqual([1, 1, 2, 2, 3]);
    const fork = workspace.fork();
    expect([ask("1", fork), ask("9", fork), ask("1", workspace)]).toEqual([3, 4, 3]);
    expect(workspace.of("module", "a.css", "1", () => "another kind")).toBe("another kind");
  });
});

describe("what results hang on beside the files", () => {
  const keyOf = (
    options: AuditOptions,
    build = "a",
    palette: readonly { name: string; colour: never }[] = [],
  ) => {
    const planned = auditPlan(["a.html"], options, {
      loaded: null,
      workingDirectory: "/yard",
      palette,
      build,
    });
    if (!planned.ok) throw new Error(planned.problem.message);
    return planned.value.plan.key;
  };
  const usual = keyOf({});
  test("is the same for the same settings", () => {
    expect(keyOf({ window: "1280x800", failOn: "blocker" })).toBe(usual);
  });
  test.each<[string, string]>([
    ["another program", keyOf({}, "b")],
    ["a palette", keyOf({}, "a", [{ name: "--tide", colour: { red: 0 } as never }])],
    ["a window", keyOf({ window: "320x800" })],
    ["a level", keyOf({ level: "AAA" })],
    ["some checks", keyOf({ only: ["names"] })],
    ["a theme", keyOf({ themes: ["data-theme=dark"] })],
    ["a pointer", keyOf({ pointer: "coarse" })],
  ])("is another with %s", (_, key) => {
    expect(key).not.toBe(usual);
  });
});

describe("threads", () => {
  const boats = Array.from({ length: 210 }, (_, i) => [
    `Boat${i}.tsx`,
    `import { Pic } from "./Pic${i % 7}";
export const Boat${i} = ({ isIn = false }) => <section><Pic />{isIn && <img src="${i}.png" />}<div onClick={() => {}}>Moor ${i}</div></section>;
`,
  ]);
  const pictures = Array.from({ length: 7 }, (_, i) => [
    `Pic${i}.tsx`,
    `export const Pic = ({ words }: { words?: string }) => <img src="p.png" alt={words} />;\n`,
  ]);
  const files = Object.fromEntries([...boats, ...pictures]);
  const told = (answer: AuditAnswer) => ({
    ...JSON.parse(auditJson(answer, "0.0.0")),
    startedAt: "",
    elapsedMs: 0,
  });

  test("judge component source together as one does alone, and find all of it", async () => {
    const host = hostIn(folderWith(files));
    const taken: unknown[] = [];
    const { threads } = host;
    const watched = {
      ...host,
      threads: threads && {
        ...threads,
        start: (...given: Parameters<typeof threads.start>) => {
          const thread = threads.start(...given);
          const received = () => {
            const answers = thread.received();
            taken.push(...answers);
            return answers;
          };
          return { ...thread, received };
        },
      },
    };
    const [alone, together] = [
      await audit(".", { cache: false, workers: 1 }, { host }),
      await audit(".", { cache: false, workers: 2 }, { host: watched }),
    ];
    expect(told(together)).toEqual(told(alone));
    expect(alone.findings.filter(({ outcome }) => outcome === "failed").length).toBeGreaterThan(400);
    expect(taken.length).toBeGreaterThan(0);
  });

  test("are not started where an earlier audit knows the answer", async () => {
    const host = hostIn(folderWith(files));
    const { threads } = host;
    const started: string[] = [];
    const counting = {
      ...host,
      threads: threads && {
        ...threads,
        start: (...given: Parameters<typeof threads.start>) => {
          started.push(given[0]);
          return threads.start(...given);
        },
      },
    };
    const workspace = new Workspace();
    await audit(".", { cache: false, workers: 2 }, { host: counting, workspace });
    await audit(".", { cache: false, workers: 2 }, { host: counting, workspace });
    expect(started).toEqual(["sources-worker"]);
  });

  test("that end early leave their work to the others", async () => {
    const host = hostIn(folderWith(files));
    const ended = { post: () => {}, received: () => [], speaks: async () => false, end: () => {} };
    const taking = {
      cores: 3,
      start: (_: string, { claims }: { claims: { root: SharedArrayBuffer } }) => {
        new Uint8Array(claims.root).fill(1, 3, 9);
        return ended;
      },
    };
    const broken = { ...host, threads: taking as NonNullable<typeof host.threads> };
    const alone = await audit(".", { cache: false, workers: 1 }, { host });
    expect(told(await audit(".", { cache: false }, { host: broken }))).toEqual(told(alone));
  });

  test("are asked for in whole numbers", async () => {
    await expect(audit(".", { workers: 1.5 }, { host: hostIn(folderWith({})) })).rejects.toThrow(/--workers/);
  });
});
