import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import type { IncomingMessage } from "node:http";
import os from "node:os";
import path from "node:path";
import { gzipSync } from "node:zlib";
import { afterAll, beforeAll, expect, test } from "vitest";
import { audit, nodeHost } from "../../../src/api.ts";
import type { AuditOptions } from "../../../src/settings/options.ts";
import { page, served } from "./served.ts";

const folder = mkdtempSync(path.join(os.tmpdir(), "keel-site-"));
let site: Awaited<ReturnType<typeof served>>;
let elsewhere: Awaited<ReturnType<typeof served>>;
const asked: { readonly path: string; readonly headers: IncomingMessage["headers"] }[] = [];
const heardElsewhere: IncomingMessage["headers"][] = [];

beforeAll(async () => {
  elsewhere = await served({
    "/boat.png": (request, response) => {
      heardElsewhere.push(request.headers);
      response.writeHead(404).end();
    },
  });
  const noted =
    (body: string): Parameters<typeof served>[0][string] =>
    (request, response) => {
      asked.push({ path: request.url ?? "", headers: request.headers });
      response.writeHead(200, { "content-type": "text/html; charset=utf-8" });
      response.end(body);
    };
  const plain =
    (body: string | Buffer): Parameters<typeof served>[0][string] =>
    (_, response) => {
      response.writeHead(200, { "content-type": "text/plain" });
      response.end(body);
    };
  site = await served({
    "/": noted(
      page(
        `<a href="/a?utm_source=mail">Slip A</a> <a href="/b#top">Slip B</a> <a href="/a">Slip A again</a> <a href="/private/x">Office</a> <a href="${"http://localhost:1/"}">Other yard</a> <a href="/plan.pdf">Plan</a><img alt="Boat" src="${elsewhere.base}/boat.png">`,
      ),
    ),
    "/a": noted(page(`<a href="/docs/c">Slip C</a>`)),
    "/b": noted(
      page(`<p>Slip B</p><script>localStorage.setItem("berth", "4"); document.cookie = "crew=ada"</script>`),
    ),
    "/docs/c": noted(page(`<p id="p"></p><script>p.textContent = localStorage.getItem("berth")</script>`)),
    "/private/x": noted(page("<p>Nobody's business</p>")),
    "/robots.txt": plain("User-agent: *\nDisallow: /private/\n"),
    "/more.xml.gz": (_, response) => {
      response.writeHead(200, { "content-type": "application/gzip" });
      response.end(gzipSync(`<urlset><url><loc>${site.base}/b</loc></url></urlset>`));
    },
    "/sitemap.xml": (_, response) => {
      response.writeHead(200, { "content-type": "text/xml" });
      response.end(
        `<?xml version="1.0"?><sitemapindex><sitemap><loc>${site.base}/own.xml</loc></sitemap><sitemap><loc>${site.base}/more.xml.gz</loc></sitemap></sitemapindex>`,
      );
    },
    "/own.xml": (_, response) => {
      response.writeHead(200, { "content-type": "text/xml" });
      response.end(`<urlset><url><loc>${site.base}/a</loc></url></urlset>`);
    },
  });
});
afterAll(() => {
  site.close();
  elsewhere.close();
  rmSync(folder, { recursive: true, force: true });
});

const auditIn = (targets: readonly string[], options: AuditOptions) =>
  audit(
    targets,
    { only: ["structure.title"], press: false, config: false, ...options },
    { host: nodeHost({ workingDirectory: folder }) },
  );

const paths = async (targets: readonly string[], options: AuditOptions) => {
  const { subjects, problems } = await auditIn(targets, options);
  expect(problems).toEqual([]);
  return subjects.map(({ id }) => id.replace(site.base, ""));
};

test("links of the same origin are followed, breadth first, each page once, as robots.txt lets", async () => {
  expect(await paths([`${site.base}/`], { crawl: true })).toEqual(["/", "/a", "/b", "/docs/c"]);
});

test("a crawl keeps to its number and its paths", async () => {
  expect(await paths([`${site.base}/`], { crawl: true, most: 2 })).toEqual(["/", "/a"]);
  expect(await paths([`${site.base}/`], { crawl: true, not: "/a" })).toEqual(["/", "/b"]);
});

test("a sitemap gives its pages, those of the maps it names and of packed ones too", async () => {
  expect(await paths([], { sitemaps: [`${site.base}/sitemap.xml`] })).toEqual(["/a", "/b"]);
  const { problems, incomplete } = await auditIn([], { sitemaps: [`${site.base}/none.xml`] });
  expect(problems.map(({ message }) => message)).toEqual([
    expect.stringMatching(/^No sitemap was found there/),
  ]);
  expect(incomplete).toBe(true);
});

test("a file lists pages", async () => {
  writeFileSync(path.join(folder, "pages.txt"), `# ours\n\n${site.base}/b\n`);
  expect(await paths([], { pageLists: ["pages.txt"] })).toEqual(["/b"]);
});

test("a header goes to the site that it is for, and to nobody else", async () => {
  asked.length = 0;
  await paths([`${site.base}/`], { headers: ["X-Berth-Key: 4711"] });
  expect(asked.map(({ headers }) => headers["x-berth-key"])).toEqual(["4711"]);
  expect(heardElsewhere.length).toBeGreaterThan(0);
  expect(heardElsewhere.filter((headers) => "x-berth-key" in headers)).toEqual([]);
});

test("cookies and storage are kept and given again", async () => {
  await paths([`${site.base}/b`], { keepStorage: "kept.json" });
  const kept = JSON.parse(readFileSync(path.join(folder, "kept.json"), "utf8"));
  expect(kept.origins).toEqual({ [site.base]: { berth: "4" } });
  asked.length = 0;
  await paths([`${site.base}/docs/c`], { storage: "kept.json" });
  expect(asked.map(({ headers }) => headers.cookie)).toEqual(["crew=ada"]);
  const { problems } = await auditIn([`${site.base}/b`], { storage: "pages.txt" });
  expect(problems.map(({ message }) => message)).toEqual([
    expect.stringMatching(/^Holds no storage of a browser/),
  ]);
});

test("a program is started for the pages, and ends with all that it started", async () => {
  const script = `require("node:http").createServer((_, r) => { r.setHeader("content-type", "text/html"); r.end(${JSON.stringify(page("<p>Here</p>"))}) }).listen(process.argv[1], "127.0.0.1")`;
  writeFileSync(path.join(folder, "yard.cjs"), script.replace("process.argv[1]", "process.argv[2]"));
  const probe = await served({});
  const port = new URL(probe.base).port;
  probe.close();
  const address = `http://127.0.0.1:${port}/`;
  const start = `"${process.execPath}" yard.cjs ${port} & wait`;
  const { subjects, problems } = await auditIn([address], { start });
  expect([subjects.map(({ id }) => id), problems]).toEqual([[address], []]);
  await expect(fetch(address)).rejects.toThrow();
});

test("a program that does not start says what it said last", async () => {
  const { problems } = await auditIn(["http://127.0.0.1:1/"], { start: `echo the slip is blocked; exit 3` });
  expect(problems.map(({ message }) => message)).toEqual([
    "Could not be started: it ended with status 3. Its last lines: the slip is blocked",
  ]);
});
