import { describe, expect, test } from "vitest";
import { walkSchema } from "../../src/report/json/walk-schema.ts";
import { folderWith, keel, page } from "./run-keel.ts";

const yard = page(
  `<a href="#bookings">Skip to bookings</a>
<nav><a href="a.html">Slips</a> <a href="b.html">Tides</a></nav>
<div onclick="open()">Open the gate</div>
<section id="bookings"><h2>Bookings</h2><button tabindex="2">Book</button> <a href="c.html" style="outline: none"></a></section>`,
);

const walked = async (html: string, ...args: string[]) => {
  const ran = await keel(folderWith({ "a.html": html }), ["walk", "a.html", "--format", "json", ...args]);
  return { ...ran, document: walkSchema.parse(JSON.parse(ran.out)) };
};

describe("keel walk", () => {
  test("draws a bow where the way jumps over another stop, or back", async () => {
    const folder = folderWith({
      "a.html": page(`<a href="#a" tabindex="1">a</a><a href="#b">b</a><a href="#c" tabindex="2">c</a>`),
      "b.html": page(`<a href="#a">a</a><a href="#b">b</a><a href="#c">c</a>`),
    });
    const ways = async (file: string) => {
      const { out } = await keel(folder, ["walk", file, "--format", "svg"]);
      return (out.match(/<path[^>]*>/g) ?? []).map((way) => way.includes("dasharray"));
    };
    expect(await ways("a.html")).toEqual([true, true]);
    expect(await ways("b.html")).toEqual([false, false]);
  });

  test("tells the stops in order, what is odd about them, and what is not reached", async () => {
    const { status, out } = await keel(folderWith({ "a.html": yard }), ["walk", "a.html"]);
    expect(status).toBe(0);
    expect(out).toMatch(/^a\.html {2}5 stops · 3 odd · 1 not reached · Tab/);
    expect(out).toMatch(
      /1 {2}"Book" button .*control, tabindex 2\n +▲ positive tabindex 2; comes before 3 stops that stand earlier/,
    );
    expect(out).toMatch(/▲ has no name; nothing shows that it has focus/);
    expect(out).toMatch(
      /not reached\n +click handler on a <div> that takes no focus\n +<div> "Open the gate" +9:1/,
    );
    expect(out).toContain("next  keel audit a.html --only keys");
  });

  test("writes JSON that its schema accepts", async () => {
    const { document } = await walked(yard);
    expect(document.stops.map(({ announced }) => announced)).toEqual([
      '"Book" button',
      '"Skip to bookings" link',
      '"Slips" link',
      '"Tides" link',
      "link",
    ]);
    expect(document.stops[1]?.keys).toEqual([{ key: "Enter", does: "follows the link", native: true }]);
    expect(document.steps[1]).toMatchObject({
      key: "Tab",
      from: { name: "Book" },
      to: { name: "Skip to bookings" },
    });
    expect(document.unreached.map(({ why }) => why)).toEqual([
      "click handler on a <div> that takes no focus",
    ]);
    expect(document.findings.map(({ check }) => check)).toContain("keys.reachable");
  });

  test("goes back, and starts where it is told to", async () => {
    const names = async (...args: string[]) =>
      (await walked(yard, ...args)).document.stops.map(({ element }) => element.name);
    expect(await names("--back")).toEqual(["", "Tides", "Slips", "Skip to bookings", "Book"]);
    expect(await names("--from", "nav")).toEqual(["Slips", "Tides", "", "Book", "Skip to bookings"]);
    expect(await names("--from", "nav", "--back")).toEqual([
      "Skip to bookings",
      "Book",
      "",
      "Tides",
      "Slips",
    ]);
  });

  test("finds nothing odd in where it is told to start, or which way it goes", async () => {
    const plain = page(`<a href="1">One</a><a href="2" id="two">Two</a><a href="3">Three</a>`);
    const odd = async (...args: string[]) =>
      (await walked(plain, ...args)).document.stops.flatMap((stop) => stop.odd);
    expect(await odd("--from", "#two")).toEqual([]);
    expect(await odd("--from", "#two", "--back")).toEqual([]);
    const count = (...args: string[]) =>
      keel(folderWith({ "a.html": plain }), ["walk", "a.html", "--count", "#two", ...args]);
    expect((await count("--back")).out).toBe((await count()).out);
  });

  test("keeps to what the configuration and comments in the source say of checks", async () => {
    const files = {
      "a.html": page(
        `<div onclick="go()">Go</div><!-- keel: allow keys.reachable because a key does it --><div onclick="stay()">Stay</div>`,
      ),
    };
    const found = async (config: object) => {
      const folder = folderWith({ ...files, "keel.config.json": JSON.stringify(config) });
      const { findings } = walkSchema.parse(
        JSON.parse((await keel(folder, ["walk", "a.html", "--format", "json"])).out),
      );
      return findings.map(({ check, element, severity }) => [check, element.snippet, severity]);
    };
    expect(await found({})).toEqual([["keys.reachable", `<div onclick="go()">`, "blocker"]]);
    expect(await found({ checks: { keys: "friction" } })).toEqual([
      ["keys.reachable", `<div onclick="go()">`, "friction"],
    ]);
    expect(await found({ checks: { "keys.reachable": "off" } })).toEqual([]);
  });

  test("tells widgets that are many stops, menus that only hover shows, and areas that only a pointer scrolls", async () => {
    const html = page(
      `<div role="tablist"><button role="tab" aria-selected="true">Fees</button><button role="tab">Slips</button></div>
<style>.m ul { display: none } .m:hover ul { display: block }</style><div class="m">Yard<ul><li><a href="x">Crew</a></li></ul></div>
<div style="height: 50px; overflow: auto">${"Terms. ".repeat(400)}</div>`,
    );
    const { document } = await walked(html);
    expect(document.stops.map(({ odd }) => odd)).toEqual([
      ["one of 2 stops in one tablist"],
      ["one of 2 stops in one tablist"],
    ]);
    expect(document.unreached.map(({ why }) => why)).toEqual([
      "shown only under the pointer",
      "scrolls, and nothing in it takes focus",
    ]);
  });

  test("counts the keys to a place, with the skip link too", async () => {
    const { out } = await keel(folderWith({ "a.html": yard.replace(' tabindex="2"', "") }), [
      "walk",
      "a.html",
      "--count",
      "#bookings",
    ]);
    expect(out).toBe(
      'a.html  "Book" button\n  4 Tabs from the top\n  2 Shift+Tabs from the end\n  3 keys with "Skip to bookings"\n',
    );
  });

  test("goes through frames that are written here or lie beside the page", async () => {
    const folder = folderWith({
      "a.html": page(
        `<iframe id="f" title="f" srcdoc="<button>In text</button>"></iframe><iframe id="g" title="g" src="in/b.html"></iframe><iframe title="h" src="https://tides.example/"></iframe>`,
      ),
      "in/b.html": page(`<a href="x">In a file</a>`),
    });
    const { out } = await keel(folder, ["walk", "a.html", "--format", "json"]);
    const { stops } = walkSchema.parse(JSON.parse(out));
    expect(
      stops.map(({ element, source, certain }) => [element.name, source?.file, source?.line, certain]),
    ).toEqual([
      ["In text", "a.html", 7, true],
      ["In a file", "in/b.html", 7, true],
      ["h", "a.html", 7, false],
    ]);
    expect(stops[1]?.element.path).toMatch(
      /iframe:nth-child\(3\) >>> html > body:nth-child\(2\) > main:nth-child\(1\) > a/,
    );
  });

  test("shows what keys do, and which a widget of one's own owes", async () => {
    const html = page(
      `<div role="slider" aria-label="Tilt" aria-valuenow="3" tabindex="0"></div><select aria-label="Berth"><option>1</select>`,
    );
    const { out } = await keel(folderWith({ "a.html": html }), ["walk", "a.html", "--keys"]);
    expect(out).toMatch(/ArrowRight owes: raises the value · ArrowUp owes: raises/);
    expect(out).toMatch(/Space opens · ArrowDown chooses the next/);
  });

  test("draws the way as a picture that says what it shows", async () => {
    const html = page(`<button tabindex="1">A &lt; B</button><a href="x">Slips</a>`);
    const { out } = await keel(folderWith({ "a.html": html }), ["walk", "a.html", "--format", "svg"]);
    expect(out).toMatch(
      /^<svg [^>]*viewBox="0 0 1280 \d+" role="img" aria-labelledby="walk-title walk-description"/,
    );
    expect(out).toContain('<desc id="walk-description">2 stops, in order: 1 &quot;A &lt; B&quot; button; 2');
    expect(out).not.toMatch(/A < B/);
  });

  test("says what a page without stops means", async () => {
    const { status, out } = await keel(folderWith({ "a.html": page("<p>Closed.</p>") }), ["walk", "a.html"]);
    expect([status, out]).toEqual([0, expect.stringContaining("Tab stops nowhere on this page")]);
  });

  test("folds the middle of a very long walk, odd stops excepted", async () => {
    const many = Array.from({ length: 300 }, (_, i) => `<a href="${i}">Boat ${i}</a>`);
    many[150] = `<a href="x"></a>`;
    const { out } = await keel(folderWith({ "a.html": page(many.join("\n")) }), ["walk", "a.html"]);
    expect(out).toContain("… 220 more: 220 links  (--all shows them)");
    expect(out).toMatch(/151 {2}link .*\n +▲ has no name/);
    expect(out).not.toContain('"Boat 100"');
  });

  test.each([
    [["--from", "#nowhere"], /nothing matches "#nowhere"/],
    [["--count", "h1"], /Tab reaches nothing at "h1"/],
    [["--from", "a[["], /selector/i],
    [["--format", "svg", "b.html"], /svg draws one page, and the targets name 2/],
    [["--engine", "dream"], /engine/i],
  ])("refuses %j in one line", async (args, message) => {
    const { status, err } = await keel(folderWith({ "a.html": yard, "b.html": yard }), [
      "walk",
      "a.html",
      ...args,
    ]);
    expect(status).toBe(2);
    expect(err).toMatch(/^keel: [^\n]+\n$/);
    expect(err).toMatch(message);
  });
});
