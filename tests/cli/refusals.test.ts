import { type ChildProcess, execFileSync, spawn } from "node:child_process";
import { cpSync, mkdirSync, readFileSync, symlinkSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import path from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { folderWith, keel } from "./run-keel.ts";

let server: Server;
let port = 0;
const heard: string[] = [];

beforeAll(async () => {
  server = createServer((request, response) => {
    heard.push(`${request.method} ${request.url}`);
    response.end("heard");
  });
  server.on("upgrade", (request, socket) => {
    heard.push(`UPGRADE ${request.url}`);
    socket.destroy();
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  port = (server.address() as AddressInfo).port;
});

afterAll(() => void server.close());

/** Ways that scripts try to reach beyond their window; `PORT` is where somebody listens. */
const ways: readonly (readonly [name: string, script: string])[] = [
  ["a request", `fetch("http://127.0.0.1:PORT/a").catch(() => {})`],
  [
    "a request of the older kind",
    `const x = new XMLHttpRequest(); x.open("GET", "http://127.0.0.1:PORT/b"); x.send()`,
  ],
  [
    "a request of a frame",
    `const w = document.body.appendChild(document.createElement("iframe")).contentWindow; const x = new w.XMLHttpRequest(); x.open("GET", "http://127.0.0.1:PORT/c"); x.send()`,
  ],
  [
    "a request of a frame that is waited for",
    `const w = document.body.appendChild(document.createElement("iframe")).contentWindow; const x = new w.XMLHttpRequest(); x.open("GET", "http://127.0.0.1:PORT/d", false); x.send()`,
  ],
  [
    "a socket of a frame",
    `const w = document.body.appendChild(document.createElement("iframe")).contentWindow; new w.WebSocket("ws://127.0.0.1:PORT/e")`,
  ],
  [
    "a picture and a script",
    `document.body.append(Object.assign(new Image(), { src: "http://127.0.0.1:PORT/f" }), Object.assign(document.createElement("script"), { src: "http://127.0.0.1:PORT/g" }))`,
  ],
];

describe("scripts reach nothing beyond their window", () => {
  test.each(ways)("by %s", async (_, script) => {
    const body = script.replaceAll("PORT", String(port));
    const files = folderWith({
      "page.html": `<!doctype html><html lang="en"><title>t</title><main><h1>Yard</h1><button onclick="this.textContent = 'Done'">Book</button></main><script>${body}</script></html>`,
    });
    const before = heard.length;
    const { out } = await keel(files, ["audit", "page.html", "--engine", "render"]);
    expect(out).toContain("page.html");
    expect(heard.slice(before)).toEqual([]);
  });
});

/** What of a window may lead to the constructor of functions of the program around it, and so to all that it may do. */
const waysOut: readonly string[] = [
  "window.constructor",
  "window.fetch",
  "window.matchMedia",
  "window.setTimeout",
  "window.structuredClone",
  "window.requestAnimationFrame",
  "window.getComputedStyle",
  "getComputedStyle(document.body).getPropertyValue",
  "document.querySelector",
  "document.body.focus",
  "document.body.appendChild",
  "document.body.attachInternals",
  "document.body.animate([], 1).cancel",
  "document.body.onclick",
  "new MutationObserver(() => {}).observe",
  "window.IntersectionObserver",
  "window.ResizeObserver",
  "navigator.clipboard.writeText",
  "navigator.sendBeacon",
  "history.pushState",
  "crypto.getRandomValues",
  "localStorage.getItem",
  "performance.now",
  "customElements.define",
  "window.Image",
  "window.WebSocket",
  "window.XMLHttpRequest.prototype.open",
  "document.createElement('iframe').constructor",
  "(await fetch('/x').catch((error) => error))",
  "fetch('/x').catch(() => {})",
  "document.createRange().getClientRects",
  "getSelection().addRange",
  "(() => { try { document.querySelector('['); } catch (error) { return error; } })()",
  "(() => { try { structuredClone(() => {}); } catch (error) { return error; } })()",
  "(() => { let found; Error.prepareStackTrace = (_, calls) => { found = calls.map((call) => call.getFunction() ?? call.getThis()).find(Boolean); }; try { document.querySelector('['); } catch (error) { void error.stack; } return found; })()",
];

test("no constructor of a window leads out of it", async () => {
  const tried = waysOut.map(
    (
      way,
    ) => `await (async () => { const at = ${way}; for (const make of [at.constructor, at.constructor.constructor])
      try { const found = make("return typeof process === 'object' && process.versions !== undefined")();
        tell(found === true ? "out" : "kept"); } catch { tell("kept"); } })().catch(() => tell("not there"));`,
  );
  const folder = folderWith({
    "page.html": `<!doctype html><html lang="en"><title>t</title><main><h1>Yard</h1><p></p></main><script>
      const told = []; const tell = (word) => { told.push(word); document.querySelector("p").textContent = told.length + " tried: " + [...new Set(told)].sort().join(" "); };
      (async () => { ${tried.join("\n")} })();</script></html>`,
  });
  const { out } = await keel(folder, ["hear", "page.html", "--engine", "render"]);
  expect(out).toMatch(/(?:6\d|7\d) tried: kept(?: not there)?$/m);
});

/** What a process was started with; empty where there is none. Linux. */
const wordsOf = (pid: string): string => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, "utf8");
  } catch {
    return "";
  }
};

/** The windows that a program has started. Linux. */
const windowsOf = (program: ChildProcess): readonly string[] => {
  const children = readFileSync(`/proc/${program.pid}/task/${program.pid}/children`, "utf8")
    .trim()
    .split(" ");
  return children.filter((pid) => wordsOf(pid).includes("window-process.js"));
};

test.runIf(process.platform === "linux")(
  "a window is confined, and ends with the program that is killed",
  async () => {
    const folder = folderWith({
      "page.html": `<!doctype html><html lang="en"><title>t</title><main><h1>Yard</h1><button onclick="go()">Book</button></main><script>for (;;);</script></html>`,
    });
    const program = spawn(
      process.execPath,
      [path.resolve("dist/cli.js"), "audit", ".", "--engine", "render"],
      {
        cwd: folder,
      },
    );
    await expect.poll(() => windowsOf(program), { timeout: 20_000 }).toHaveLength(1);
    const [pid = ""] = windowsOf(program);
    const words = wordsOf(pid);
    expect(words).toMatch(/--(?:experimental-)?permission\0/);
    expect(words).not.toMatch(/--allow-(?:fs-write|child-process|worker|addons|net|wasi)/);
    program.kill("SIGKILL");
    await expect.poll(() => wordsOf(pid), { timeout: 20_000 }).toBe("");
  },
);

test("a window finds the packages of the program where they are linked from elsewhere", () => {
  const folder = folderWith({
    "page.html": `<!doctype html><html lang="en"><title>t</title><main><h1>Yard</h1><p id="p"></p></main><script>p.textContent = "as run"</script></html>`,
  });
  const installed = path.join(folder, "kept/even-keel");
  for (const part of ["dist", "package.json"])
    cpSync(path.resolve(part), path.join(installed, part), { recursive: true });
  const linked = (name: string) => {
    mkdirSync(path.dirname(path.join(installed, "node_modules", name)), { recursive: true });
    symlinkSync(path.resolve("node_modules", name), path.join(installed, "node_modules", name));
  };
  for (const name of Object.keys(JSON.parse(readFileSync("package.json", "utf8")).dependencies)) linked(name);
  const out = execFileSync(
    process.execPath,
    [path.join(installed, "dist/cli.js"), "hear", "page.html", "--engine", "render"],
    { cwd: folder, encoding: "utf8" },
  );
  expect(out).toContain("as run");
});

describe("what goes wrong in a page in an odd way is told of it alone", () => {
  test.each([
    ["a throw without words", "throw Object.create(null)"],
    ["a throw whose words throw", "throw { toString() { throw 2; } }"],
    ["a window that closes itself", "window.close()"],
  ])("%s", async (_, script) => {
    const folder = folderWith({
      "page.html": `<!doctype html><html lang="en"><title>t</title><main><h1>Yard</h1><button onclick="this.textContent = 'Done'">Book</button></main><script>${script}</script></html>`,
    });
    const { out, err, status } = await keel(folder, ["audit", "page.html", "--engine", "render"]);
    expect([status, out, err]).toEqual([
      0,
      expect.stringContaining("page.html"),
      expect.not.stringMatching(/could not be run|fault of Even Keel/),
    ]);
  });
});
