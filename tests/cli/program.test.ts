import { execFile, execFileSync, spawn } from "node:child_process";
import { chmodSync, lstatSync, mkdirSync, readdirSync, readFileSync, statSync, symlinkSync } from "node:fs";
import path from "node:path";
import { promisify } from "node:util";
import { describe, expect, test } from "vitest";
import { auditSchema } from "../../src/report/json/audit-schema.ts";
import { folderWith, page, startKeel } from "./run-keel.ts";

const root = path.resolve(import.meta.dirname, "../..");
const program = path.join(root, "dist/cli.js");
const broken = page(`<img src="crane.jpg">`);

/** What hangs on the process itself: all else is tested without starting one. */
describe("as a program of its own", () => {
  test.each<[string, string[], number, RegExp, RegExp]>([
    ["finds", ["audit"], 1, /1 to mend/, /^$/],
    ["finds nothing of a kind that does not fail", ["audit", "--fail-on", "never"], 0, /1 to mend/, /^$/],
    ["could not", ["audit", "gone.html"], 2, /^$/, /^keel: [^\n]*gone\.html[^\n]*\n$/],
    ["is asked what it is", ["--version"], 0, /^\d+\.\d+\.\d+\n$/, /^$/],
    ["is asked what it does", ["--help"], 0, /keel audit \[targets\.\.\]/, /^$/],
    ["is told nothing", [], 2, /^$/, /keel --help/],
  ])("that %s ends with its status", async (_, args, status, out, err) => {
    const ran = await startKeel(folderWith({ "a.html": broken }), args);
    expect([ran.status, ran.out, ran.err]).toEqual([
      status,
      expect.stringMatching(out),
      expect.stringMatching(err),
    ]);
  });

  test("reads from a pipe and writes into one", async () => {
    const { status, out } = await startKeel(folderWith({}), ["audit", "-", "--format", "json"], broken);
    expect([status, auditSchema.parse(JSON.parse(out)).subjects.map(({ id }) => id)]).toEqual([
      1,
      ["standard-input.html"],
    ]);
  });

  test("takes colour from its environment", async () => {
    const folder = folderWith({ "a.html": broken });
    expect((await startKeel(folder, ["audit"], "", { FORCE_COLOR: "1" })).out).toContain("\u001b[");
    expect((await startKeel(folder, ["audit"])).out).not.toContain("\u001b[");
  });

  test("keeps the status of its work where its reader goes away", async () => {
    const folder = folderWith({ "a.html": page(`<img src="a.jpg">\n`.repeat(1000)) });
    const line = `"${process.execPath}" "${program}" audit --all --no-cache; echo "status $?" >&2`;
    const { stdout, stderr } = await promisify(execFile)("sh", ["-c", `{ ${line}; } | head -1`], {
      cwd: folder,
    });
    expect([stdout.split("\n").length, stderr]).toEqual([2, "status 1\n"]);
  });

  test.each([["audit", "a.html"], ["explain"], ["--help"]])(
    "says in one line that its answer could not be written: keel %s",
    async (...args) => {
      const folder = folderWith({ "a.html": broken });
      const line = `"${process.execPath}" "${program}" ${args.join(" ")} > /dev/full; echo "status $?"`;
      const { stdout, stderr } = await promisify(execFile)("sh", ["-c", line], { cwd: folder });
      expect([stdout, stderr]).toEqual([
        "status 2\n",
        "keel: the answer could not be written (the disk is full).\n",
      ]);
    },
  );

  test.each([
    ["a target", ["a.html", "-o", "./a.html"], "a.html"],
    ["a page of a folder", [".", "-o", "a.html"], "a.html"],
    ["a page by another name", [".", "-o", "link.html"], "a.html"],
    ["a stylesheet of a page", ["a.html", "-o", "a.css"], "a.css"],
  ])("does not write its answer over %s", async (_, args, file) => {
    const files = {
      "a.html": page(`<img src="crane.jpg">`, `<link rel="stylesheet" href="a.css">`),
      "a.css": "p {}",
    };
    const folder = folderWith(files);
    symlinkSync("a.html", path.join(folder, "link.html"));
    const { status, err } = await startKeel(folder, ["audit", ...args]);
    expect([status, err]).toEqual([
      2,
      expect.stringMatching(/^keel: \S+: was read for this answer[^\n]*\n$/),
    ]);
    expect(readFileSync(path.join(folder, file), "utf8")).toBe(files[file as keyof typeof files]);
  });

  test.runIf(process.platform === "linux")("says in one line that its folder is gone", async () => {
    const folder = folderWith({ "a.html": broken });
    const line = `mkdir gone && cd gone && rmdir ../gone && "${process.execPath}" "${program}" audit; echo "status $?"`;
    const { stdout, stderr } = await promisify(execFile)("sh", ["-c", line], { cwd: folder });
    expect([stdout, stderr]).toEqual([
      "status 2\n",
      expect.stringMatching(/^keel: the working directory is gone[^\n]*\n$/),
    ]);
  });

  test("asks on a terminal", async () => {
    const folder = folderWith({ "a.html": broken });
    const line = `"${process.execPath}" "${program}" mend a.html --interactive`;
    const child = spawn("script", ["-qec", line, "/dev/null"], { cwd: folder });
    let out = "";
    child.stdout.setEncoding("utf8").on("data", (text) => {
      out += text;
    });
    child.stdin.end("q\nq\n");
    await new Promise((resolve) => child.on("close", resolve));
    expect(out).toMatch(/names\.image-described[\s\S]*stop here/);
    expect(out).not.toMatch(/fault of Even Keel/);
  });

  test("writes through a link and a pipe, keeps the mode of a file, and leaves one that is read only", async () => {
    const folder = folderWith({ "a.html": broken, "kept.txt": "", "real.txt": "", "fixed.txt": "old" });
    const at = (name: string) => path.join(folder, name);
    chmodSync(at("kept.txt"), 0o640);
    chmodSync(at("fixed.txt"), 0o444);
    symlinkSync("real.txt", at("link.txt"));
    const into = async (name: string) => (await startKeel(folder, ["audit", "a.html", "-o", name])).status;
    expect([await into("kept.txt"), await into("link.txt"), await into("fixed.txt")]).toEqual([1, 1, 2]);
    expect([statSync(at("kept.txt")).mode & 0o777, lstatSync(at("link.txt")).isSymbolicLink()]).toEqual([
      0o640,
      true,
    ]);
    expect([readFileSync(at("real.txt"), "utf8"), readFileSync(at("fixed.txt"), "utf8")]).toEqual([
      expect.stringContaining("1 to mend"),
      "old",
    ]);
    execFileSync("mkfifo", [at("pipe")]);
    const reading = promisify(execFile)("cat", [at("pipe")]);
    expect([await into("pipe"), (await reading).stdout, lstatSync(at("pipe")).isFIFO()]).toEqual([
      1,
      expect.stringContaining("1 to mend"),
      true,
    ]);
  });

  test.each(["SIGINT", "SIGTERM"] as const)(
    "is ended by %s, and leaves no half of a file",
    async (signal) => {
      const folder = folderWith({});
      // It waits for a page on its standard input, which never comes.
      const child = spawn(process.execPath, [program, "audit", "-", "-o", "answer.txt"], { cwd: folder });
      await new Promise((resolve) => child.on("spawn", resolve));
      const ended = new Promise((resolve) => child.on("exit", (_, by) => resolve(by)));
      child.kill(signal);
      expect(await ended).toBe(signal);
      expect(readdirSync(folder)).toEqual([]);
    },
  );

  test("outlives scripts that never end, and audits what is left", async () => {
    const folder = folderWith({ "a.html": page("<script>for (;;);</script>"), "b.html": broken });
    const args = ["audit", "--engine", "render", "--time-limit", "4", "--format", "json"];
    const { status, out, err } = await startKeel(folder, args);
    const { subjects, findings } = auditSchema.parse(JSON.parse(out));
    expect([status, subjects.length, [...new Set(findings.map(({ subject }) => subject))]]).toEqual([
      2,
      2,
      ["b.html"],
    ]);
    expect(err).toMatch(/^keel: a\.html: [^\n]*\n$/);
  });
});

describe("as a package", () => {
  const manifest = JSON.parse(readFileSync(path.join(root, "package.json"), "utf8")) as {
    readonly dependencies: Readonly<Record<string, string>>;
  };
  /** A project that has installed what would be published, with what it depends on and nothing else. */
  function installed(): string {
    const folder = folderWith({ "package.json": '{"name":"yard","type":"module"}', "index.html": broken });
    const [packed] = JSON.parse(
      execFileSync("npm", ["pack", "--json", "--ignore-scripts", "--pack-destination", folder], {
        cwd: root,
        stdio: ["ignore", "pipe", "ignore"],
      }).toString(),
    ) as { readonly filename: string }[];
    const modules = path.join(folder, "node_modules");
    mkdirSync(path.join(modules, "even-keel"), { recursive: true });
    execFileSync("tar", [
      "-xzf",
      path.join(folder, packed?.filename ?? ""),
      "-C",
      path.join(modules, "even-keel"),
      "--strip-components=1",
    ]);
    for (const name of Object.keys(manifest.dependencies)) {
      mkdirSync(path.dirname(path.join(modules, name)), { recursive: true });
      symlinkSync(path.join(root, "node_modules", name), path.join(modules, name));
    }
    return folder;
  }

  test("does what the README begins with, and lends itself to programs", async () => {
    const folder = installed();
    const readme = readFileSync(path.join(root, "README.md"), "utf8");
    const commands = [
      ...readme.slice(0, readme.indexOf("## What it answers")).matchAll(/^npx keel (.+)$/gm),
    ].map(([, args = ""]) => args.split(" "));
    expect(commands.length).toBeGreaterThan(4);
    const keel = path.join(folder, "node_modules/even-keel/dist/cli.js");
    const told: string[] = [];
    for (const args of commands) {
      const { code, stdout, stderr } = await ended(process.execPath, [keel, ...args], folder);
      told.push(
        `${args.join(" ")} → ${code}${code === 2 ? ` ${stderr}` : ""}${stdout === "" ? " nothing" : ""}`,
      );
    }
    expect(told).toEqual([
      "audit → 1",
      "demo --copy yard → 0",
      "audit yard/mistakes/tides.html → 1",
      "hear yard/mistakes/tides.html → 0",
      "walk yard/mistakes/slipway.html → 0",
      "mend yard/mistakes --also likely → 0",
    ]);
    const script = `import { audit, auditJson, auditSchema } from "even-keel";
      const answer = await audit(["yard/mistakes/tides.html"], { engine: "read" });
      console.log(answer.findings.length > 0, typeof auditJson, typeof auditSchema.parse);`;
    const { stdout } = await ended(process.execPath, ["--input-type=module", "-e", script], folder);
    expect(stdout).toBe("true function function\n");
  });
});

/** Runs a program to its end. */
function ended(file: string, args: readonly string[], cwd: string) {
  return new Promise<{ code: number; stdout: string; stderr: string }>((resolve) => {
    execFile(file, args, { cwd }, (error, stdout, stderr) =>
      resolve({ code: error === null ? 0 : Number(error.code), stdout, stderr }),
    );
  });
}
