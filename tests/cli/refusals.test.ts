import { existsSync } from "node:fs";
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

/** Ways that scripts try to reach beyond their window; `PORT` is where somebody listens, `MARK` a file that must not come to be. */
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
  [
    "Node's own request",
    `window.constructor.constructor("return fetch")()("http://127.0.0.1:PORT/h").catch(() => {})`,
  ],
  [
    "a module of Node for requests",
    `window.constructor.constructor("return process")().getBuiltinModule("http").get("http://127.0.0.1:PORT/i").on("error", () => {})`,
  ],
  [
    "a module of Node for sockets",
    `window.constructor.constructor("return process")().getBuiltinModule("net").connect(PORT, "127.0.0.1").on("error", () => {}).end("GET /j HTTP/1.0\\r\\n\\r\\n")`,
  ],
  [
    "a program",
    `window.constructor.constructor("return process")().getBuiltinModule("child_process").execSync("touch MARK")`,
  ],
  [
    "a program that outlives it",
    `window.constructor.constructor("return process")().getBuiltinModule("child_process").spawn("touch", ["MARK"], { detached: true })`,
  ],
  [
    "a thread",
    `new (window.constructor.constructor("return process")().getBuiltinModule("worker_threads").Worker)("require('fs').writeFileSync('MARK', '')", { eval: true })`,
  ],
];

describe("scripts reach nothing beyond their window", () => {
  test.each(ways)("by %s", async (_, script) => {
    const folder = folderWith({});
    const mark = path.join(folder, "mark");
    const body = script.replaceAll("PORT", String(port)).replaceAll("MARK", mark);
    const files = folderWith({
      "page.html": `<!doctype html><html lang="en"><title>t</title><main><h1>Yard</h1><button onclick="this.textContent = 'Done'">Book</button></main><script>${body}</script></html>`,
    });
    const before = heard.length;
    const { out, status } = await keel(files, ["audit", "page.html", "--engine", "render"]);
    expect(status).not.toBe(null);
    expect(out).toContain("page.html");
    expect([heard.slice(before), existsSync(mark)]).toEqual([[], false]);
  });
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
