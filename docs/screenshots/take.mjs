// Draws the pictures of docs/screenshots/: each command runs in a real terminal window, which is then photographed.
// Needs Xvfb, xterm, xdotool, ImageMagick's `import` and Chromium
// (Debian: apt-get install xvfb xterm xdotool imagemagick chromium).
import { execFileSync, spawn } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";

const here = path.dirname(fileURLToPath(import.meta.url));
const root = path.resolve(here, "../..");
const demo = path.join(root, "demo");

/** What each picture shows: a command run in demo/, which of its lines where they do not all fit, and what is typed. */
const shots = JSON.parse(readFileSync(path.join(here, "shots.json"), "utf8"));

for (const tool of ["Xvfb", "xterm", "xdotool", "import"]) {
  try {
    execFileSync("sh", ["-c", `command -v ${tool}`], { stdio: "ignore" });
  } catch {
    console.error(`${tool} is missing: apt-get install xvfb xterm xdotool imagemagick`);
    process.exit(2);
  }
}

/** The words of a command as a shell takes them: what stands in quotes is one. */
const words = (command) =>
  [...command.matchAll(/'([^']*)'|(\S+)/g)].map(([, quoted, plain]) => quoted ?? plain);

/** A picture that a command draws is opened in Chromium, as a reader would. */
async function drawPicture(name, command) {
  const svg = execFileSync(process.execPath, [path.join(root, "dist/cli.js"), ...words(command).slice(1)], {
    cwd: demo,
  });
  const { launch } = await import("puppeteer-core");
  const browser = await launch({
    executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
    args: ["--no-sandbox"],
    defaultViewport: { width: 1280, height: 800 },
  });
  const page = await browser.newPage();
  await page.goto(`data:image/svg+xml;base64,${svg.toString("base64")}`);
  await page.screenshot({ path: path.join(here, `${name}.png`) });
  await browser.close();
  console.log(`docs/screenshots/${name}.png`);
}

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const screen = ":97";
const server = spawn("Xvfb", [screen, "-screen", "0", "1300x820x24", "-nolisten", "tcp"], {
  stdio: "ignore",
});
const folder = mkdtempSync(path.join(tmpdir(), "keel-shots-"));
const env = { ...process.env, DISPLAY: screen };
await wait(1500);

try {
  const chosen = process.argv.slice(2);
  for (const { name, command, lines, typed = [] } of shots) {
    if (chosen.length > 0 && !chosen.includes(name)) continue;
    if (command.includes("--format svg")) {
      await drawPicture(name, command);
      continue;
    }
    const script = path.join(folder, "show.sh");
    const part = lines === undefined ? "" : ` | sed -n '${lines}p'`;
    const program = command.replace(/^keel /, `node ${path.join(root, "dist/cli.js")} `);
    // The prompt and the command as typed, then what it prints; colour is forced only where a pipe cuts lines out.
    writeFileSync(
      script,
      `cd ${demo}\nprintf '\\033[2m$\\033[0m %s\\n\\n' ${JSON.stringify(command.replaceAll("\\", "\\\\"))}\n${lines === undefined ? "" : "export FORCE_COLOR=1\n"}${program} 2>&1${part}\ntouch ${folder}/done\nsleep 30\n`,
    );
    rmSync(path.join(folder, "done"), { force: true });
    const terminal = spawn(
      "xterm",
      [
        "-geometry",
        "140x42+0+0",
        "-fa",
        "DejaVu Sans Mono",
        "-fs",
        "11",
        "-bg",
        "#10171c",
        "-fg",
        "#e8eef1",
        "-xrm",
        "XTerm*color4: #7aa7ff",
        "-xrm",
        "XTerm*color1: #ff7b72",
        "-xrm",
        "XTerm*color12: #7aa7ff",
        "+sb",
        "-e",
        "bash",
        script,
      ],
      { env, stdio: "ignore" },
    );
    if (typed.length > 0) await wait(2500);
    for (const line of typed) {
      // What stands on the line to begin with gives way.
      execFileSync("xdotool", ["key", "ctrl+u"], { env });
      execFileSync("xdotool", ["type", "--delay", "15", `${line}\n`], { env });
      await wait(700);
    }
    const isDone = () => typed.length > 0 || existsSync(path.join(folder, "done"));
    for (let i = 0; !isDone(); i++) {
      if (i === 900) throw new Error(`${command} did not end within 90 seconds`);
      await wait(100);
    }
    await wait(500);
    execFileSync(
      "import",
      [
        "-window",
        "root",
        "-crop",
        "1280x800+0+0",
        "+repage",
        "-depth",
        "8",
        "-dither",
        "None",
        "-colors",
        "64",
        path.join(here, `${name}.png`),
      ],
      { env },
    );
    terminal.kill();
    await wait(200);
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
