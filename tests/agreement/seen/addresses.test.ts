import { mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type AuditAnswer, audit, nodeHost } from "../../../src/api.ts";
import { page, served } from "./served.ts";

const bare = `<img src="boat.png">`;
const pages = {
  "/bare": page(bare),
  "/late": page(
    `<script>setTimeout(() => document.querySelector("main").insertAdjacentHTML("beforeend", '${bare}'), 1200)</script>`,
  ),
  "/scrolled": page(
    `<div style="height: 3000px"></div><div id="end"></div><script>new IntersectionObserver((seen, o) => { if (seen[0].isIntersecting) { o.disconnect(); document.getElementById("end").innerHTML = '${bare}' } }).observe(document.getElementById("end"))</script>`,
  ),
  "/closed": page(
    `<div id="h"></div><script>document.getElementById("h").attachShadow({ mode: "closed" }).innerHTML = '${bare}'</script>`,
  ),
  "/removed": page(`${bare}<script>document.querySelector("img").remove()</script>`),
  "/frame": page(`<iframe title="Tides" src="/bare"></iframe>`),
  "/fooled": page(
    `${bare}<script>document.querySelector = () => { throw 1 }; Array.prototype.map = () => { throw 2 }; JSON.stringify = () => "{}"; Element.prototype.getBoundingClientRect = () => ({})</script>`,
  ),
  "/dialogs": page(
    `${bare}<script>alert(1); confirm("x"); prompt("y"); window.onbeforeunload = () => "no"; open("/dialogs2")</script>`,
  ),
  "/dialogs2": page(`<script>alert(2)</script>`),
  "/deep": page(`${"<div>".repeat(3000)}${bare}`),
  "/moves": page(`<script>setTimeout(() => { location.href = "/bare" }, 200)</script>`),
  "/refreshed": page(`${bare}<meta http-equiv="refresh" content="0; url=/gone">`),
  "/modal": page(
    `${bare}<dialog id="d"><p>Cast off?</p><button>Yes</button></dialog><script>d.showModal()</script>`,
  ),
  "/busy": page(
    `<p id="c">0</p><script>setInterval(() => { c.textContent = +c.textContent + 1 }, 40)</script>`,
  ),
  "/film": ((_, response) => {
    response.writeHead(200, { "content-type": "application/pdf" });
    response.end("%PDF-1.4");
  }) satisfies Parameters<typeof served>[0][string],
  "/round": ((_, response) => {
    response.writeHead(302, { location: "/round" });
    response.end();
  }) satisfies Parameters<typeof served>[0][string],
  "/empty": "",
};

let site: Awaited<ReturnType<typeof served>>;
let answer: AuditAnswer;
const folder = mkdtempSync(path.join(os.tmpdir(), "keel-address-"));
const elsewhere = process.env.TMPDIR;

beforeAll(async () => {
  site = await served(pages);
  // A temporary folder of its own: what stays in it is ours.
  process.env.TMPDIR = mkdtempSync(path.join(folder, "temporary-"));
  answer = await audit(
    [...Object.keys(pages), "/gone"].map((name) => `${site.base}${name}`),
    { outcomes: ["failed"], press: false, config: false, timeLimit: 20 },
    { host: nodeHost({ workingDirectory: folder }) },
  );
}, 120_000);
afterAll(() => {
  site.close();
  if (elsewhere === undefined) delete process.env.TMPDIR;
  else process.env.TMPDIR = elsewhere;
  rmSync(folder, { recursive: true, force: true });
});

const found = (name: string) =>
  answer.findings.filter(({ subject }) => subject === `${site.base}${name}`).map(({ check }) => check);
const problem = (name: string) =>
  answer.problems.find(({ target }) => target === `${site.base}${name}`)?.message ?? "";

describe("what is there when a page has come to rest", () => {
  test.each([
    "/bare",
    "/late",
    "/scrolled",
    "/closed",
    "/fooled",
    "/dialogs",
    "/deep",
    "/moves",
    "/refreshed",
  ])("a picture without a text is found in %s", (name) =>
    expect([...found(name), problem(name)]).toContain("names.image-described"),
  );

  test("what a script took away is not found", () =>
    expect(found("/removed")).not.toContain("names.image-described"));

  test("what a modal dialog shuts away is not found", () =>
    expect(found("/modal")).not.toContain("names.image-described"));

  test("the page in a frame is looked at, at its own address", () => {
    const inFrame = answer.findings.filter(({ subject }) => subject === `${site.base}/frame`);
    expect(inFrame.map(({ check, source }) => [check, source?.file])).toContainEqual([
      "names.image-described",
      `${site.base}/bare`,
    ]);
  });

  test("a page that never rests is judged as it stands, and says so", () => {
    expect(problem("/busy")).toMatch(/^Goes on changing by itself/);
    expect(answer.subjects.map(({ id }) => id)).toContain(`${site.base}/busy`);
  });
});

test.each([
  ["/gone", /^Answered with status 404/],
  ["/film", /^Was served as application\/pdf/],
  ["/round", /leads from one address to the next without end/],
  ["/empty", /^The file is empty/],
])("%s is a problem in one line, and the rest is judged", (name, words) => {
  expect(problem(name)).toMatch(words);
  expect(answer.incomplete).toBe(true);
});

test("a subject is a page, by its address, as the browser has it", () => {
  const subject = answer.subjects.find(({ id }) => id === `${site.base}/bare`);
  expect(subject).toMatchObject({
    kind: "page",
    engine: "browser",
    target: `${site.base}/bare`,
    state: "as loaded",
  });
});

test("no profile stays behind", () => expect(readdirSync(process.env.TMPDIR ?? "")).toEqual([]));

test("a page of one's own is found in its file, with an edit that was tried", async () => {
  writeFileSync(path.join(folder, "own.html"), page(`<p style="color: #999">Slip 4 is free.</p>`));
  const { findings } = await audit(
    "own.html",
    { engine: "browser", press: false, outcomes: ["failed"], config: false },
    { host: nodeHost({ workingDirectory: folder }) },
  );
  expect(findings.map(({ check, source }) => [check, source?.file, source?.line])).toEqual([
    ["contrast.text", "own.html", 1],
  ]);
  expect(findings[0]?.repair?.edits.map(({ file }) => file)).toEqual(["own.html"]);
});

test("nothing answers, and what to do is said", async () => {
  const { problems } = await audit(
    "http://127.0.0.1:1/",
    { press: false, config: false },
    { host: nodeHost({ workingDirectory: folder }) },
  );
  expect(problems.map(({ message }) => message)).toEqual([
    expect.stringMatching(/^Could not be opened in the browser: /),
  ]);
});
