import { describe, expect, test } from "vitest";
import { paletteVisionSchema } from "../../src/report/json/vision-schema.ts";
import { folderWith, keel } from "./run-keel.ts";

const tones = ":root { --free: #4f8a3c; --booked: #c2702f; --ink: #1b2a33 }";

describe("keel vision --palette", () => {
  test("names the pairs that fall together, and for whom", async () => {
    const { status, out } = await keel(folderWith({ "tones.css": tones }), [
      "vision",
      "--palette",
      "tones.css",
    ]);
    expect(status).toBe(0);
    expect(out).toContain("3 colours; 1 pair falls together for some eye");
    expect(out).toContain("--free #4f8a3c and --booked #c2702f");
    expect(out).toMatch(/protanopia +sees no red light +0\.18 to 0\.02/);
  });

  test("tells of the eyes that are asked for alone", async () => {
    const { out } = await keel(folderWith({ "tones.css": tones }), [
      ...["vision", "--palette", "tones.css", "--as", "tritanopia,glare", "--format", "json"],
    ]);
    const document = paletteVisionSchema.parse(JSON.parse(out));
    expect([document.eyes, document.pairs]).toEqual([["tritanopia", "glare"], []]);
    expect(document.colours.map(({ name }) => name)).toEqual(["--free", "--booked", "--ink"]);
  });

  test("draws swatches with their words", async () => {
    const { out } = await keel(folderWith({ "tones.css": tones }), [
      ...["vision", "--palette", "tones.css", "--format", "svg"],
    ]);
    expect(out).toMatch(/^<svg [^>]*role="img"/);
    expect(out).toContain('<title id="vision-title">tones.css as other eyes see it</title>');
    expect(out).toContain("Pairs that fall together: 1");
  });

  test.each([
    [["--as", "protan"], "--as protan: no such eye is known; did you mean protanopia?"],
    [["--acuity", "0"], "--acuity 0: give a number from 0.01 to 2; 1 is usual"],
    [["--distance", "2"], "--distance 2: give centimetres, from 10 to 1000"],
    [["slips.html"], "give pages or --palette, one of them"],
  ])("%j is refused in one line", async (words, message) => {
    const folder = folderWith({ "tones.css": tones, "slips.html": "<p>Slip 4" });
    const { status, err } = await keel(folder, ["vision", "--palette", "tones.css", ...words]);
    expect(status).toBe(2);
    expect(err).toContain(message);
  });

  test("pages are painted by a browser alone", async () => {
    const { status, err } = await keel(folderWith({ "slips.html": "<p>Slip 4" }), [
      ...["vision", "slips.html", "--engine", "read"],
    ]);
    expect([status, err.trim()]).toEqual([2, "keel: only a browser paints pages: leave --engine read away"]);
  });
});
