import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { PNG } from "pngjs";
import { describe, expect, test } from "vitest";
import { nodeHost } from "../../../src/api.ts";
import { painted } from "../../../src/browser/drawn-picture.ts";
import { blurOf, eyes, seenBy } from "../../../src/core/colour/other-eyes.ts";
import { rgba } from "../../../src/core/colour/rgba.ts";
import { visionSheet } from "../../../src/report/svg/vision.ts";
import { folderWith, keel, page } from "../../cli/run-keel.ts";

const SIDE = 40;
const HEAD = 52;

/** A picture of squares in colours that nobody chose. */
function squares(count: number): { readonly png: string; readonly colours: readonly number[][] } {
  const png = new PNG({ width: count * SIDE, height: SIDE });
  const colours = Array.from({ length: count }, (_, n) => [
    (n * 83) % 256,
    (n * 149 + 40) % 256,
    (n * 211 + 90) % 256,
  ]);
  for (let y = 0; y < SIDE; y++)
    for (let x = 0; x < count * SIDE; x++)
      png.data.set([...(colours[Math.floor(x / SIDE)] ?? []), 255], (y * count * SIDE + x) * 4);
  return { png: PNG.sync.write(png).toString("base64"), colours };
}

const pixel = ({ data, width }: PNG, x: number, y: number): number[] => [
  ...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 3),
];

describe("what is drawn over pictures of pages", () => {
  test("the filters of a browser make of colours what is reckoned", async () => {
    const count = 12;
    const { png, colours } = squares(count);
    const width = count * SIDE;
    const picture = { pieces: [{ top: 0, height: SIDE, png }], width, height: SIDE, isCut: false };
    const asked = eyes.filter(({ isBlurred }) => !isBlurred);
    const drawings = asked.map((eye) =>
      visionSheet({ target: "slips", eyes: [eye], picture, pairs: [] }, picture, blurOf(0.1, 60)),
    );
    const pictures = await painted(drawings, null, nodeHost({ workingDirectory: process.cwd() }));
    if (typeof pictures === "string") throw new Error(pictures);
    for (const [n, eye] of asked.entries()) {
      const drawn = PNG.sync.read(Buffer.from(pictures[n] ?? new Uint8Array()));
      for (const [index, [r = 0, g = 0, b = 0]] of colours.entries()) {
        const seen = seenBy(eye, rgba(r / 255, g / 255, b / 255));
        const shown = pixel(drawn, index * SIDE + SIDE / 2, HEAD + SIDE / 2);
        const reckoned = [seen.r, seen.g, seen.b].map((c) => Math.round(c * 255));
        for (const [at, channel] of shown.entries())
          expect(Math.abs(channel - (reckoned[at] ?? 0)), `${eye.id} of ${r} ${g} ${b}`).toBeLessThanOrEqual(
            4,
          );
      }
    }
  }, 60_000);

  test("a page is pictured as it was opened: no script has seen its window change", async () => {
    const folder = folderWith({
      "tide.html": `<!doctype html><html lang="en"><title>Tides</title><style>body { margin: 0 } .low { background: #f00 }</style>
<h1>Tides</h1><p><a href="#a">High water</a></p><div id="plan" style="height: 2000px">Berths</div>
<script>addEventListener("resize", () => document.body.classList.add("low"))</script>`,
    });
    const { status, err } = await keel(folder, [
      ...["walk", "tide.html", "--engine", "browser", "--no-press", "--format", "png", "-o", "way.png"],
    ]);
    expect([status, err]).toEqual([0, expect.stringContaining("drawn in 2 parts: way-1.png, way-2.png")]);
    const { readFileSync } = await import("node:fs");
    const drawn = PNG.sync.read(readFileSync(path.join(folder, "way-1.png")));
    expect([drawn.width, pixel(drawn, 900, 300)]).toEqual([1280, [255, 255, 255]]);
  }, 60_000);

  test.each([
    ['"Free slips" heading', 0],
    ["#free li", 0],
    ['"Taken slips" heading', 2],
  ])(
    "a page is looked at once it shows %s",
    async (sign, expected) => {
      const folder = folderWith({
        "slips.html": `<!doctype html><html lang="en"><title>Slips</title><h1>Slips</h1><div id="free"></div>
<script>setTimeout(() => { document.querySelector("#free").innerHTML = "<h2>Free slips</h2><ul><li>Slip 4 <img src=x></ul>" }, 3500)</script>`,
      });
      const { status, out, err } = await keel(folder, [
        ...["tree", "slips.html", "--engine", "browser", "--ready-when", sign, "--time-limit", "6"],
      ]);
      expect(status).toBe(expected);
      if (expected === 0) expect(out).toContain('"Free slips"');
      else expect(err).toContain('slips.html: Did not show "Taken slips" heading within 6 seconds');
    },
    60_000,
  );

  test("stops that nobody sees are told and not drawn over what is seen", async () => {
    const folder = folderWith({
      "berths.html": `<!doctype html><html lang="en"><title>Berths</title><h1>Berths</h1>
<nav style="max-height: 0; overflow: hidden"><a href="#a">Pier A</a> <a href="#b">Pier B</a></nav><p><a href="#all">All berths</a></p>`,
    });
    const { out } = await keel(folder, [
      ...["walk", "berths.html", "--engine", "browser", "--no-press", "--format", "svg"],
    ]);
    expect(out).toContain(
      "3 stops · 0 odd · 0 not reached · 2 not seen and not drawn. 3 &quot;All berths&quot; link; not seen: 1 &quot;Pier A&quot; link; not seen: 2",
    );
    expect(out.match(/<circle /g)).toHaveLength(1);
  }, 60_000);

  test("links whose colour some do not tell from that of the text are named", async () => {
    const folder = folderWith({});
    writeFileSync(
      path.join(folder, "notice.html"),
      `<!doctype html><html lang="en"><title>Notice</title><style>p { color: #4f8a3c } a { color: #c2702f; text-decoration: none }</style>
<h1>Notice</h1><p>The crane is out until Tuesday; ask the <a href="/office">yard office</a> before you haul out.</p>`,
    );
    const { status, out } = await keel(folder, ["vision", "notice.html"]);
    expect(status).toBe(0);
    expect(out).toContain("1 pair of colours falls together");
    expect(out).toMatch(/link #c2702f and text #4f8a3c\n +protanopia/);
    expect(out).toContain("notice.html:2");
  }, 60_000);

  test("what is found is pictured where it stands, in frames too", async () => {
    const folder = folderWith({
      "index.html": page(
        `<p style="margin-top:600px"><img src="none.png" width="60" height="40"></p><iframe title="Tides" src="tides.html" width="400" height="200" style="border:0"></iframe>`,
      ),
      "tides.html": page(`<p style="color:#ddd;background:#fff">High at noon</p>`),
    });
    const audit = ["audit", "index.html", "--engine", "browser", "--no-press", "--shots", "shots"];
    const { out, err } = await keel(folder, [
      ...audit,
      "--format",
      "json",
      "--only",
      "names.image-described",
      "contrast.text",
    ]);
    const { findings } = JSON.parse(out) as { findings: { check: string; facts: { shot?: string } }[] };
    expect(findings.map(({ check }) => check).sort()).toEqual(["contrast.text", "names.image-described"]);
    for (const { check, facts } of findings) {
      const picture = PNG.sync.read(readFileSync(path.join(folder, facts.shot ?? "")));
      const reds = Array.from({ length: picture.width * picture.height }, (_, at) => [
        at % picture.width,
        Math.floor(at / picture.width),
      ]).filter(([x = 0, y = 0]) => `${pixel(picture, x, y)}` === "179,38,30");
      const across = reds.map(([x = 0]) => x);
      // The frame runs five pixels out of the box, which is 60 wide.
      const width = Math.max(...across) - Math.min(...across) + 1;
      expect([check, check === "contrast.text" ? width > 100 : width === 70]).toEqual([check, true]);
    }
    expect(err).not.toMatch(/no pictures/);
    const read = await keel(folder, ["audit", "index.html", "--shots", "shots"]);
    expect(read.err).toMatch(/no pictures were taken: nothing was opened in a browser/);
    writeFileSync(path.join(folder, "taken"), "");
    const refused = await keel(folder, [...audit.slice(0, -1), "taken"]);
    expect([refused.status, refused.err]).toEqual([
      2,
      expect.stringMatching(/taken\/.*could not be written/),
    ]);
  });
});
