import { execFileSync, spawn } from "node:child_process";
import { once } from "node:events";
import { readFileSync } from "node:fs";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { expect, test } from "vitest";
import { folderWith, page, startKeel } from "../../cli/run-keel.ts";

const program = path.resolve(import.meta.dirname, "../../../dist/cli.js");

const booking = page(
  `<label>Boat <input></label> <label>Password <input type="password"></label> <button id="book">Book slip 4</button>
<p role="status" id="said"></p>
<dialog id="asks" aria-labelledby="t"><h2 id="t">Book slip 4</h2><button id="close">Close</button></dialog>
<script>
  book.onclick = () => asks.showModal();
  close.onclick = () => { asks.close(); said.textContent = "Booking cancelled"; };
</script>`.replace("close.onclick", 'document.getElementById("close").onclick'),
);

/** A screen that nobody sees, with keys that come from outside of the browser as those of a keyboard do. */
async function screen() {
  const server = spawn("Xvfb", ["-displayfd", "1", "-screen", "0", "1300x900x24", "-nolisten", "tcp"], {
    stdio: ["ignore", "pipe", "ignore"],
  });
  const [number] = await once(server.stdout, "data");
  const env = { ...process.env, DISPLAY: `:${String(number).trim()}` };
  const run = (...words: readonly string[]) =>
    execFileSync("xdotool", [...words], { env, stdio: ["ignore", "pipe", "ignore"] });
  return { env, run, end: () => server.kill() };
}

test("what a person does in a window is told, and written as a script that holds at once", async () => {
  const folder = folderWith({ "index.html": booking });
  const { env, run, end } = await screen();
  const words = ["walk", "index.html", "--follow", "--events", "focus,said,page", "--record", "made.walk"];
  const keeping = spawn(process.execPath, [program, ...words], { cwd: folder, env });
  let out = "";
  let err = "";
  keeping.stdout.on("data", (text) => {
    out += text;
  });
  keeping.stderr.on("data", (text) => {
    err += text;
  });
  const told = async (line: string) => {
    for (let turn = 0; turn < 200 && !`${out}${err}`.includes(line); turn++) await wait(50);
    expect(`${out}${err}`).toContain(line);
  };
  try {
    await told("page ");
    const shown = String(run("search", "--sync", "--onlyvisible", "--class", "chrom"))
      .trim()
      .split("\n")
      .at(-1);
    run("windowfocus", "--sync", shown ?? "");
    run("key", "Tab");
    await told('"Boat" text box');
    run("type", "--delay", "40", "Petrel");
    run("key", "Tab");
    await told('"Password" text box');
    run("type", "--delay", "40", "pier 9");
    run("key", "Tab");
    await told('"Book slip 4" button');
    run("key", "Return");
    await told('"Close" button');
    run("key", "Return");
    await told('said     "Booking cancelled"');
    run("key", "ctrl+w");
    await once(keeping, "close");
    expect([keeping.exitCode, err]).toEqual([0, expect.stringContaining("made.walk: 15 lines written")]);
    const script = readFileSync(path.join(folder, "made.walk"), "utf8");
    expect(script).toContain(
      'see no "Book slip 4" dialog\nfocus on "Book slip 4" button\nhear "Booking cancelled"',
    );
    expect(`${script}${out}${err}`).not.toContain("pier 9");
    const walk = ["walk", "index.html", "--engine", "browser", "--script", "made.walk"];
    const again = await startKeel(folder, walk, "", { PASSWORD: "pier 9" });
    expect([again.status, again.out]).toEqual([0, expect.stringMatching(/\d+ of \d+ lines hold/)]);
  } finally {
    keeping.kill();
    end();
  }
});

test("without a screen it says so in one line", async () => {
  const { status, err } = await startKeel(folderWith({ "index.html": booking }), [
    "walk",
    "index.html",
    "--follow",
  ]);
  const component = await startKeel(folderWith({ "Slip.tsx": "export const Slip = () => <p>4</p>;" }), [
    "walk",
    "Slip.tsx",
    "--follow",
  ]);
  expect([component.status, component.err]).toEqual([2, expect.stringMatching(/Slip\.tsx: is no page/)]);
  expect([status, err.split("\n")]).toEqual([
    2,
    [expect.stringMatching(/no screen to open a window on/), ""],
  ]);
});
