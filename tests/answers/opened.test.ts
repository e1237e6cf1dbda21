import { expect, test } from "vitest";
import { auditFiles } from "./component-project.ts";

const page = (body: string) =>
  `<!doctype html><html lang="en"><head><title>Slips</title></head><body><main><h1>Slips</h1>${body}</main></body></html>`;

const image = `<img src="tern.png">`;
const nameless = "failed names.image-described This image has no text alternative.";

test.each<[what: string, body: string, expected: readonly string[]]>([
  [
    "a closed details is judged as it is once it is open",
    `<details><summary>Tern</summary>${image}</details>`,
    [`${nameless} It shows once the <details> around it is open.`],
  ],
  ["an open one as it stands", `<details open><summary>Tern</summary>${image}</details>`, [nameless]],
  ["its summary once", `<details><summary>Tern ${image}</summary></details>`, [nameless]],
  [
    "one in another once",
    `<details><summary>Boats</summary><details><summary>Tern</summary>${image}</details></details>`,
    [`${nameless} It shows once the <details> around it is open.`],
  ],
  [
    "a popover that a button opens",
    `<button popovertarget="t">Tern</button><div id="t" popover>${image}</div>`,
    [`${nameless} It shows once its popover is open.`],
  ],
  [
    "a dialog that a button opens",
    `<button command="show-modal" commandfor="t">Tern</button><dialog id="t" aria-label="Tern">${image}</dialog>`,
    [`${nameless} It shows once its dialog is open.`],
  ],
  [
    "what is hidden until it is found",
    `<div hidden="until-found">${image}</div>`,
    [`${nameless} It shows once a search in the page finds it.`],
  ],
  [
    "and nothing that only a script opens",
    `<div popover>${image}</div><dialog>${image}</dialog><p hidden>${image}</p>`,
    [],
  ],
])("%s", async (_, body, expected) => {
  const { findings } = await auditFiles({ "slips.html": page(body) }, "slips.html", {
    checks: ["names.image-described"],
  });
  expect(findings.map(({ outcome, check, message }) => `${outcome} ${check} ${message}`)).toEqual(expected);
});
