import { expect, test } from "vitest";
import { focus, point, press, Trials } from "../../src/explore/trial.ts";
import { liveSource } from "../../src/render/live-driver.ts";
import { pageSource } from "../render/pages.ts";

const html = `<!doctype html><title>t</title><button id="a">Tides</button><button id="b">Slips</button><p hidden>High water</p><script>b.onclick = () => { document.querySelector("p").hidden = false; };</script>`;

async function trials() {
  let opened = 0;
  const source = liveSource(pageSource(html));
  const made = new Trials(
    {
      ...source,
      open: () => {
        opened++;
        return source.open();
      },
    },
    20_000,
  );
  const keys = await made.peek(async (page) => {
    const moment = await page.moment();
    return moment.stops().map(moment.keyOf);
  });
  return { made, keys, opened: () => opened };
}

test("each trial begins with the page as nobody has touched it", async () => {
  const { made, keys, opened } = await trials();
  const [, slips = ""] = keys;
  const first = await made.effect([point(slips)]);
  const second = await made.effect([focus(slips), press("Enter")]);
  expect(
    [first, second].map(({ changes }) => changes.some(({ what, tag }) => tag === "p" && what === "shown")),
  ).toEqual([true, true]);
  expect(opened()).toBe(2);
  await made.close();
});

test("a page on which nothing came of anything is used again", async () => {
  const { made, keys, opened } = await trials();
  const [tides = ""] = keys;
  const effects = [await made.effect([press("x")]), await made.effect([press("y")])];
  expect(effects.map(({ changes, left }) => [changes, left])).toEqual([
    [[], []],
    [[], []],
  ]);
  const { to } = await made.effect([focus(tides)]);
  expect([to, opened()]).toEqual([tides, 1]);
  await made.close();
});
