import fc from "fast-check";
import { JSDOM } from "jsdom";
import { describe, expect, test } from "vitest";
import { alignedPlaces } from "../../src/browser/aligned.ts";
import type { LiveElement } from "../../src/engine/live-element.ts";
import { readHtml } from "../../src/readers/html/read-html.ts";

/** What of a page is found in its source once a script has run: the start tag of each element, null for those it made. */
function found(
  html: string,
  change: (document: Document) => void,
): readonly (readonly [string, string | null])[] {
  const { document } = new JSDOM(html).window;
  change(document as unknown as Document);
  const live = document as unknown as LiveElement;
  const places = alignedPlaces(readHtml(html, "p.html").document, live);
  return [...document.body.querySelectorAll("*")].map((element) => {
    const span = places.tag(element);
    return [element.outerHTML.replace(/>.*$/s, ">"), span === null ? null : html.slice(span.start, span.end)];
  });
}

const list = `<!DOCTYPE html><body><ul><li id="a">A</li><li id="b">B</li><li id="c">C</li></ul><p class="x">P</p>`;

describe("elements of a served page after scripts", () => {
  test("what is as it was has its place", () => {
    for (const [now, written] of found(list, () => undefined)) expect(written).toBe(now);
  });

  test("what a script put between has none, and those around it keep theirs", () => {
    const seen = found(list, (document) =>
      document.getElementById("b")?.insertAdjacentHTML("beforebegin", '<li class="new">N</li>'),
    );
    expect(seen.filter(([now]) => now.startsWith("<li"))).toEqual([
      [`<li id="a">`, `<li id="a">`],
      [`<li class="new">`, null],
      [`<li id="b">`, `<li id="b">`],
      [`<li id="c">`, `<li id="c">`],
    ]);
  });

  test("what a script took away is passed over", () => {
    const seen = found(list, (document) => document.getElementById("a")?.remove());
    expect(seen.map(([, written]) => written)).toEqual([
      "<ul>",
      `<li id="b">`,
      `<li id="c">`,
      `<p class="x">`,
    ]);
  });

  test("an attribute that a script gave another value has no place any more", () => {
    const { document } = new JSDOM(list).window;
    const p = document.querySelector("p") as unknown as Element;
    const places = alignedPlaces(readHtml(list, "p.html").document, document as unknown as LiveElement);
    expect(places.attribute(p, "class")).not.toBeNull();
    p.className = "y";
    expect(places.attribute(p, "class")).toBeNull();
  });

  test("whatever is put in and taken away, elements with an id are never taken for another", () => {
    const ids = ["a", "b", "c", "d", "e"];
    const html = `<!DOCTYPE html><body>${ids.map((id) => `<p id="${id}">x</p>`).join("")}`;
    fc.assert(
      fc.property(fc.shuffledSubarray(ids), fc.array(fc.integer({ min: 0, max: 5 })), (kept, puts) => {
        const seen = found(html, (document) => {
          for (const id of ids) if (!kept.includes(id)) document.getElementById(id)?.remove();
          for (const at of puts)
            document.body.insertBefore(document.createElement("p"), document.body.children[at] ?? null);
        });
        for (const [now, written] of seen) {
          if (now === "<p>") expect(written).toBeNull();
          else expect(written).toBe(now);
        }
      }),
      { numRuns: 60 },
    );
  });
});
