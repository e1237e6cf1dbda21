import { execFileSync } from "node:child_process";
import {
  chmodSync,
  cpSync,
  existsSync,
  readdirSync,
  readFileSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { nodeHost } from "../../src/host/node.ts";
import { mendSchema } from "../../src/report/json/mend-schema.ts";
import { folderWith, keel, page } from "./run-keel.ts";

const demo = path.resolve(import.meta.dirname, "../../demo");

/** A page that a safe edit mends, and one that wants a look. */
const zoom = `<meta name="viewport" content="width=device-width, user-scalable=no">`;
const faulty = page(`<div onclick="go()">Show the dates</div>`, zoom);
const text = (folder: string, file: string) => readFileSync(path.join(folder, file), "utf8");
const git = (folder: string, ...args: string[]) =>
  execFileSync("git", args, { cwd: folder, encoding: "utf8" });

function committed(files: Parameters<typeof folderWith>[0]): string {
  const folder = folderWith(files);
  git(folder, "init", "-q");
  git(folder, "add", "-A");
  git(folder, "-c", "user.name=Yard", "-c", "user.email=yard@example.org", "commit", "-qm", "Slips");
  return folder;
}

describe("keel mend prints a patch", () => {
  test("of the safe edits, with a reason, and says what is left", async () => {
    const folder = folderWith({ "a.html": faulty });
    const { status, out, err } = await keel(folder, ["mend", "a.html"]);
    expect(status).toBe(0);
    expect(out.split("\n").slice(0, 3)).toEqual([
      `# a.html:3:71 zoom.not-blocked (safe): Leave it out: content="width=device-width".`,
      "--- a/a.html",
      "+++ b/a.html",
    ]);
    expect(out).not.toContain("<button");
    expect(err).toBe("1 of 2 findings mended in 1 file · 1 has an edit that is not made (--also likely).\n");
    expect(text(folder, "a.html")).toBe(faulty);
  });

  test.each([
    ["mixed line ends and no last one", faulty.replace("\n", "\r\n").trimEnd()],
    ["windows-1252", Buffer.from(faulty.replace("dates", "datés"), "latin1")],
    ["a byte-order mark", `\ufeff${faulty}`],
  ])("that git applies to a page with %s, to the same bytes that --write makes", async (_, content) => {
    const files = { "my pages/a.html": content };
    const [patched, written] = [committed(files), committed(files)];
    expect((await keel(patched, ["mend", "my pages", "--also", "likely", "-o", "mend.patch"])).status).toBe(
      0,
    );
    expect(text(patched, "mend.patch")).toContain("+++ b/my pages/a.html\t\n");
    git(patched, "apply", "mend.patch");
    expect((await keel(written, ["mend", "my pages", "--also", "likely", "--write"])).status).toBe(0);
    const bytes = (folder: string) => readFileSync(path.join(folder, "my pages/a.html"));
    expect(bytes(patched).equals(bytes(written))).toBe(true);
    expect(bytes(written).includes("<button onclick")).toBe(true);
  });

  test("of some checks only, while all of them watch", async () => {
    const folder = folderWith({ "a.html": faulty });
    const { out } = await keel(folder, ["mend", "--also", "likely", "--only", "keys", "a.html"]);
    expect(out).toContain("<button");
    expect(out).not.toContain("zoom.not-blocked");
  });

  test("nothing, where there is nothing to mend", async () => {
    expect(await keel(folderWith({ "a.html": page("<p>Tides</p>") }), ["mend", "a.html"])).toEqual({
      status: 0,
      out: "",
      err: "Nothing to mend.\n",
    });
  });

  test("as JSON that keeps its schema", async () => {
    const folder = folderWith({ "a.html": faulty });
    const { out } = await keel(folder, ["mend", "--also", "likely", "--format", "json"]);
    const { summary, mended, written } = mendSchema.parse(JSON.parse(out));
    expect(written).toBe(false);
    expect(summary).toEqual({ before: 2, after: null, likely: 0, words: 0, look: 0 });
    expect(mended.map(({ check, confidence }) => [check, confidence])).toEqual([
      ["keys.reachable", "likely"],
      ["zoom.not-blocked", "safe"],
    ]);
  });
});

describe("keel mend --write", () => {
  test("makes the edits, audits again and tells what is left", async () => {
    const folder = committed({ "a.html": faulty });
    const { status, out } = await keel(folder, ["mend", "--write"]);
    expect(status).toBe(1);
    expect(out).toContain("2 → 1: 1 mended · 1 has an edit that is not made (--also likely)");
    expect(git(folder, "status", "--short")).toBe(" M a.html\n");
    const again = await keel(folder, ["mend", "--write", "--also", "likely", "--format", "json"]);
    expect([again.status, mendSchema.parse(JSON.parse(again.out)).summary.after]).toEqual([0, 0]);
  });

  test("tells what it hid before", async () => {
    const styles = "<style>a { color: #aaa } a:hover { color: #bbb }</style>";
    const folder = folderWith({ "a.html": page(`<p><a href="x">Tides</a></p>`, styles) });
    const { out } = await keel(folder, [
      "mend",
      "a.html",
      "--write",
      "--also",
      "likely",
      "--only",
      "contrast",
    ]);
    expect(out).toContain("1 → 1: 1 mended · 1 hidden before is told now");
  });

  test("says of each edit on which line the fault was", async () => {
    const folder = committed({
      "a.html": `<!doctype html>\n<html lang="en"><title>Yard</title>\n<body style="background: #fff">\n<p style="color: #999">Pale</p></html>\n`,
    });
    const { out } = await keel(folder, ["mend", "--write", "--also", "likely", "--only", "contrast.text"]);
    expect(out).toMatch(/^a\.html\n {5}4 {2}The nearest shade that passes is #767676/m);
  });

  test("takes what only says what to do for no edit", async () => {
    const folder = committed({ "a.html": page(`<ul><ul><li>North</li></ul><li>South</li></ul>`) });
    const { status, out, err } = await keel(folder, ["mend", "--only", "structure.lists"]);
    expect([status, out, err]).toEqual([0, "", "No edit to be made among 1 finding · 1 needs a look.\n"]);
  });

  test("keeps a patch that undoes it where git could not, and warns of what is not committed", async () => {
    const folder = committed({ "a.html": faulty });
    writeFileSync(path.join(folder, "b.txt"), "not committed");
    const { err, out } = await keel(folder, ["mend", "--write", "--also", "likely"]);
    expect(err).toContain("not committed; keel-undo.patch undoes");
    expect(out).toContain("undo  keel mend --undo, or git apply keel-undo.patch");
    expect(text(folder, "a.html")).not.toBe(faulty);
    git(folder, "apply", "keel-undo.patch");
    expect(text(folder, "a.html")).toBe(faulty);
    await keel(folder, ["mend", "--write"]);
    expect(readdirSync(folder)).toContain("keel-undo-2.patch");
  });

  test("takes it back file by file, also where only some files were written", async () => {
    const wide = Buffer.from(`\ufeff${faulty}`, "utf16le");
    const before: Readonly<Record<string, Uint8Array>> = {
      "a.html": Buffer.from(faulty),
      'pages/b "b" \u00e4.html': Buffer.from(faulty.replaceAll("\n", "\r\n")),
      "c.html": wide,
      "d.html": Buffer.from(faulty),
    };
    const folder = folderWith(before);
    expect((await keel(folder, ["mend", "--undo"])).err).toContain("there is no keel-undo.patch here");
    await keel(folder, ["mend", "--write", "--also", "likely"]);
    for (const [name, bytes] of Object.entries(before))
      expect(readFileSync(path.join(folder, name)).equals(bytes)).toBe(false);
    // As a run leaves it that was killed before it came to these.
    writeFileSync(path.join(folder, "c.html"), wide);
    writeFileSync(path.join(folder, "d.html"), "<p>Written anew</p>");
    writeFileSync(path.join(folder, "d.html.keel-00c0ffee.part"), "");
    const { status, out, err } = await keel(folder, ["mend", "--undo"]);
    expect([status, out, err]).toEqual([
      2,
      'a.html  taken back\nc.html  as it was already\npages/b "b" \u00e4.html  taken back\n2 files were taken back, 1 left. keel-undo.patch was kept.\n',
      "keel: d.html.keel-00c0ffee.part: was left by a run that was killed, and may be deleted.\nkeel: d.html: was changed after it was mended; it was left as it is.\n",
    ]);
    for (const name of ["a.html", 'pages/b "b" \u00e4.html', "c.html"])
      expect(readFileSync(path.join(folder, name)).equals(before[name] as Uint8Array)).toBe(true);
    const other = folderWith({
      "in/keel-undo.patch": "--- a/../a.html\n+++ b/../a.html\n@@ -1,1 +1,1 @@\n-<p>a\n+<p>b\n",
      "a.html": "<p>a\n",
    });
    expect((await keel(path.join(other, "in"), ["mend", "--undo"])).err).toContain(
      "lies outside this folder",
    );
    expect(text(other, "a.html")).toBe("<p>a\n");
    expect((await keel(other, ["mend", "--undo", "a.html"])).err).toContain("is no patch for undoing");
  });

  test("two at once keep two patches for undoing", async () => {
    const folder = folderWith({ "a.html": faulty, "b.html": faulty });
    await Promise.all(["a.html", "b.html"].map((name) => keel(folder, ["mend", name, "--write"])));
    expect(readdirSync(folder).filter((name) => name.startsWith("keel-undo"))).toHaveLength(2);
  });

  test("keeps such a patch for a file that git does not have, and runs no program of the repository", async () => {
    const folder = committed({ "a.html": faulty, "ignored.html": faulty, ".gitignore": "ignored.html\n" });
    const ran = path.join(folder, ".git/ran");
    git(folder, "config", "filter.yard.clean", `sh -c 'touch "${ran}"; cat'`);
    writeFileSync(path.join(folder, ".git/info/attributes"), "*.html filter=yard\n");
    utimesSync(path.join(folder, "a.html"), 1, 1);
    await keel(folder, ["mend", "ignored.html", "--write", "--also", "likely"]);
    expect(readdirSync(folder)).toContain("keel-undo.patch");
    expect(existsSync(ran)).toBe(false);
  });

  test("leaves alone what may not be changed, says why and mends the rest", async () => {
    const folder = committed({
      "a.html": faulty,
      "read-only.html": faulty,
      "made.html": `<!-- Generated by the tide press, do not edit -->\n${faulty}`,
      "node_modules/kit/x.txt": "",
    });
    const elsewhere = folderWith({ "far.html": faulty });
    chmodSync(path.join(folder, "read-only.html"), 0o444);
    symlinkSync(path.join(elsewhere, "far.html"), path.join(folder, "link.html"));
    const files = ["a.html", "read-only.html", "made.html", "link.html"];
    const { status, err } = await keel(folder, ["mend", ...files, "--write"]);
    expect(status).toBe(2);
    expect(err).toContain("read-only.html cannot be written: it is read only");
    expect(err).toContain("made.html says it is generated: mend what it is made from");
    expect(err).toContain("link.html lies outside the working directory");
    expect(files.map((file) => text(folder, file).includes("user-scalable"))).toEqual([
      false,
      true,
      true,
      true,
    ]);
    expect(readdirSync(folder).filter((file) => file.endsWith(".part"))).toEqual([]);
  });

  test("makes two edits in one line, and leaves a third that changes the same text for the next run", async () => {
    const folder = committed({
      "a.html": page(
        `<img src="a.png" alt="" role="imge" aria-lable="Slip" aria-labeled="Slip"><div role="navigation"><a href="b">Fees</a></div>`,
      ),
    });
    await keel(folder, ["mend", "--write", "--also", "likely"]);
    const once = text(folder, "a.html");
    expect(once).toContain(`<nav><a href="b">Fees</a></nav>`);
    await keel(folder, ["mend", "--write", "--also", "likely"]);
    expect(text(folder, "a.html").replace(/<img[^>]*>/, "")).toBe(once.replace(/<img[^>]*>/, ""));
  });
});

describe("files are replaced whole, or not at all", () => {
  const { files } = nodeHost();
  const bytes = (content: string) => new TextEncoder().encode(content);
  const replacement = (folder: string, file: string, expected: string) => ({
    path: path.join(folder, file),
    expected: bytes(expected),
    bytes: bytes("new"),
  });

  test("none is, where the content of one finds no room", async () => {
    const folder = folderWith({ "a.txt": "a" });
    const { written, failed } = await files.replaceWhole([
      replacement(folder, "a.txt", "a"),
      replacement(folder, "gone/b.txt", "b"),
    ]);
    expect([written, failed?.reason]).toEqual([[], "no such file"]);
    expect([text(folder, "a.txt"), readdirSync(folder)]).toEqual(["a", ["a.txt"]]);
  });

  test("none is, where one was changed meanwhile", async () => {
    const folder = folderWith({ "a.txt": "a", "b.txt": "another hand was here" });
    const { failed } = await files.replaceWhole([
      replacement(folder, "a.txt", "a"),
      replacement(folder, "b.txt", "b"),
    ]);
    expect(failed?.reason).toBe("it was changed meanwhile");
    expect([text(folder, "a.txt"), readdirSync(folder)]).toEqual(["a", ["a.txt", "b.txt"]]);
  });

  test("with the permissions they had", async () => {
    const folder = folderWith({ "a.txt": "a" });
    chmodSync(path.join(folder, "a.txt"), 0o640);
    await files.replaceWhole([replacement(folder, "a.txt", "a")]);
    expect(execFileSync("stat", ["-c", "%a", "a.txt"], { cwd: folder, encoding: "utf8" })).toBe("640\n");
  });
});

describe("standard input", () => {
  test("is printed mended, in its own encoding", async () => {
    const folder = folderWith({});
    const { status, out, err } = await keel(folder, ["mend", "-"], `\ufeff${faulty}`);
    expect(status).toBe(0);
    expect(out).toBe(`\ufeff${faulty.replace(", user-scalable=no", "")}`);
    expect(err).toContain("1 of 2 findings mended");
  });

  test.each([
    [["mend", "-", "--write"], "- cannot go with --write: there is no file to write"],
    [["mend", "-", "a.html"], "- is mended alone"],
    [["mend", "--write", "--interactive", "a.html"], "mutually exclusive"],
    [["mend", "a.html", "--only", "nmaes"], "did you mean names?"],
    [["mend", "b.html"], "b.html: No such file or folder"],
  ])("%s is refused in one line", async (args, message) => {
    const { status, out, err } = await keel(folderWith({ "a.html": faulty }), args);
    expect([status, out]).toEqual([2, ""]);
    expect(err.trimEnd().split("\n")).toEqual([expect.stringContaining(message)]);
  });
});

describe("keel mend --interactive", () => {
  const ask = (folder: string, answers: readonly string[]) =>
    keel(folder, ["mend", "a.html", "--interactive"], answers.map((line) => `${line}\n`).join(""));

  test("takes, asks for words, skips; and makes the edits at the end", async () => {
    const folder = committed({
      "a.html": page(`<div onclick="go()">Dates</div>\n<img src="hull-07.jpg">\n<h4>Fees</h4>`),
    });
    const { out } = await ask(folder, ["t", "w", `Hull 07, "port" side`, "s", "y"]);
    expect(out).toContain("Text alternative");
    expect(out).toContain("3 → 1: 2 mended");
    expect(text(folder, "a.html")).toContain(`<img src="hull-07.jpg" alt="Hull 07, &quot;port&quot; side">`);
    expect(text(folder, "a.html")).toContain("<h4>Fees</h4>");
  });

  test("asks again where the words do not mend it", async () => {
    const folder = committed({ "a.html": page(`<img src="a.jpg" alt="image">`) });
    const { out } = await ask(folder, ["w", "IMG_2041.jpg", "w", "The crane at low water", "y"]);
    expect(out).toContain("Tried: it is still found");
    expect(text(folder, "a.html")).toContain(`alt="The crane at low water"`);
  });

  test.each([
    ["at once", ["q"]],
    ["with no as the last answer", ["t", "n"]],
  ])("stopped %s changes nothing", async (_, answers) => {
    const folder = committed({ "a.html": page(`<div onclick="go()">Dates</div>\n<img src="a.jpg">`) });
    const before = text(folder, "a.html");
    await ask(folder, answers);
    expect(text(folder, "a.html")).toBe(before);
    expect(git(folder, "status", "--short")).toBe("");
  });
});

test("the mistakes of the demo are mended by what is likely and the words", async () => {
  const folder = folderWith({});
  cpSync(path.join(demo, "mistakes"), folder, { recursive: true });
  const { status, out } = await keel(folder, ["mend", "--write", "--also", "likely"]);
  expect([status, /\d+ → 7: \d+ mended · 7 need words only you know/.test(out)]).toEqual([1, true]);
  const words = [
    "Brackwater Boatyard, home",
    "Search",
    "The hull of the Petrel on slip 4",
    "en",
    "Slip 5 at low water, empty",
    "Back to the slips",
  ];
  const { out: asked } = await keel(
    folder,
    ["mend", "--interactive"],
    `${words.flatMap((line) => ["w", line]).join("\n")}\ny\n`,
  );
  expect(asked).toContain("7 → 0: 7 mended");
  expect((await keel(folder, ["audit"])).status).toBe(0);
});

test("colours of the demo are mended where they are written: in Sass, in a class, in a script", async () => {
  const folder = folderWith({});
  cpSync(path.join(demo, "styles"), folder, { recursive: true });
  const { out } = await keel(folder, ["mend", "--write", "--also", "likely"]);
  expect(out).toContain("4 → 0: 4 mended");
  const written = ["_tones.scss", "yard.css", "Berths.tsx", "Notice.jsx"].map((file) =>
    readFileSync(path.join(folder, file), "utf8"),
  );
  expect(written.join("\n")).toMatch(
    /\$fog: #677983;[\s\S]*--color-tide: #557c89;[\s\S]*free: "text-slate-500"[\s\S]*pale = "#817562";/,
  );
});
