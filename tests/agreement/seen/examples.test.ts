import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, expect, test } from "vitest";
import { audit, nodeHost } from "../../../src/api.ts";
import { everyCheck } from "../../../src/core/checks/catalogue.ts";
import type { Example } from "../../../src/core/checks/example.ts";

const folder = mkdtempSync(path.join(os.tmpdir(), "keel-seen-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const seen = everyCheck.flatMap((check) =>
  (check.kind === "site" ? [] : (check.examples as readonly Example[])).flatMap((example, i) =>
    example.isSeen === true && example.html !== undefined
      ? [{ check, html: example.html, finds: example.finds, file: `${check.id}-${i}.html` }]
      : [],
  ),
);
for (const { file, html } of seen) writeFileSync(path.join(folder, file), html);

/** Keys are pressed where keys decide, and nowhere else: that takes long. */
const audited = (kind: "pressed" | "page") =>
  audit(
    seen.flatMap(({ check, file }) => ((check.kind === "pressed") === (kind === "pressed") ? [file] : [])),
    {
      engine: "browser",
      press: kind === "pressed",
      level: "AAA",
      outcomes: ["failed", "cantTell"],
      all: true,
      config: false,
      timeLimit: 60,
    },
    { host: nodeHost({ workingDirectory: folder }) },
  );
const answers = audited("page").then(async (ofPages) => [ofPages, await audited("pressed")]);

/** How large letters are hangs on the fonts of the machine. */
const sizeless = (message: string): string =>
  message.replace(/\d+ pixels/g, "so many pixels").replace(/has \d+\./, "has so many.");

test.each(seen.map(({ check, html, ...rest }) => ({ id: check.id, html, ...rest })))(
  "$id finds in $html what it says, and nothing else",
  async ({ id, file, finds }) => {
    const all = await answers;
    expect(all.flatMap(({ problems }) => problems)).toEqual([]);
    const findings = all.flatMap((one) => one.findings);
    const own = findings.filter(({ subject, check }) => subject === file && check === id);
    expect(own.map(({ outcome, element, message }) => [outcome, element.snippet, sizeless(message)])).toEqual(
      finds.map(([outcome, element, message]) => [outcome, element, sizeless(message)]),
    );
    expect(own.every(({ repair, outcome }) => outcome !== "failed" || (repair?.summary ?? "") !== "")).toBe(
      true,
    );
  },
);
