import { expect, test } from "vitest";
import { parseWalkScript } from "../../src/core/walk-script/parse.ts";
import { runScript } from "../../src/explore/run-script.ts";
import { liveSource } from "../../src/render/live-driver.ts";
import { pageSource } from "../render/pages.ts";

const page = `<!doctype html><title>Slips</title>
<button onclick="fees.textContent = '18 a day'; said.textContent = 'Fees are shown'">Fees</button>
<p id="fees"></p><p id="said" role="status"></p>
<label>Boat <input value="Petrel"></label>
<a href="#t" onmouseover="fees.textContent = 'over'">Tides</a>
<button onclick="missing.call()">Sell</button>
<script>document.addEventListener("scroll", () => { fees.textContent = "scrolled"; });</script>`;

/** How each line of a script went, with what is told where one does not hold. */
async function run(script: string) {
  const parsed = parseWalkScript(script);
  if (!parsed.ok) throw new Error(parsed.message);
  const { lines } = await runScript(liveSource(pageSource(page)), parsed.steps);
  return lines.map(({ outcome, message }) => (message === null ? outcome : `${outcome}: ${message}`));
}

test("a walk script clicks, hovers, scrolls, and asks for words and values", async () => {
  const script = `see no text "18 a day"
click "Fees" button
hear "Fees are shown"
see text "18 a day"
see "Boat" text box, "Petrel"
type "!" into "Boat" text box
see "Boat" text box, "Petrel!"
hover "Tides" link
see text "over"
scroll to "Boat" text box
see text "scrolled"`;
  expect(new Set(await run(script))).toEqual(new Set(["held"]));
});

test.each([
  [`see text "20 a day"`, `failed: The text "20 a day" is not there.`],
  [`see no text "Fees"`, `failed: The text "Fees" is there.`],
  [`see "Boat" text box, "Tern"`, `failed: "Boat" text box, "Tern" is not there.`],
  [`click "Fee" button`, `failed: "Fee" button is not there.`],
  [`click "Sell" button`, expect.stringMatching(/^failed: An error in the page: .*missing/)],
])("%s does not hold, and the rest is not reached", async (line, told) => {
  expect(await run(`${line}\npress Tab`)).toEqual([told, "not reached"]);
});
