import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type AuditAnswer, audit, nodeHost } from "../../../src/api.ts";
import { everyCheck } from "../../../src/core/checks/catalogue.ts";
import { isOfKind } from "../../../src/core/checks/check.ts";
import { outcomeOf } from "../../../src/core/checks/example.ts";
import { auditJson } from "../../../src/report/json/audit.ts";
import { page, served } from "./served.ts";

const folder = mkdtempSync(path.join(os.tmpdir(), "keel-acting-"));
const host = nodeHost({ workingDirectory: folder });
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** What each check of keys finds by its first example that is broken, told of the simulated window. */
const examples = everyCheck.filter(isOfKind("pressed")).flatMap(({ id, examples: all }) => {
  const broken = all.find(
    (example) => outcomeOf(example) === "broken" && !("isSeen" in example) && example.html !== undefined,
  );
  return broken?.html === undefined ? [] : [{ id, html: broken.html, finds: broken.finds }];
});

describe("the keys of a page in a browser", () => {
  let answer: AuditAnswer;
  beforeAll(async () => {
    for (const { id, html } of examples) writeFileSync(path.join(folder, `${id}.html`), html);
    answer = await audit(
      examples.map(({ id }) => `${id}.html`),
      { engine: "browser", outcomes: ["failed", "cantTell"], all: true, config: false, timeLimit: 90 },
      { host },
    );
  }, 180_000);

  test.each(examples)("$id finds what it finds in the simulated window", ({ id, finds }) => {
    expect(answer.problems).toEqual([]);
    expect(
      answer.findings
        .filter(({ subject, check }) => subject === `${id}.html` && check === id)
        .map(({ outcome, message, keys }) => [outcome, message, / → /.test(keys ?? "")]),
    ).toEqual(finds.map(([outcome, , message]) => [outcome, message, true]));
  });
});

const signIn = page(
  `<form method="post" action="/in"><p><label>Password <input type="password" name="password" autocomplete="current-password"></label></p><button>Sign in</button></form>`,
);
const orders: string[] = [];
let site: Awaited<ReturnType<typeof served>>;
beforeAll(async () => {
  site = await served({
    "/slips": (request, response) => {
      const isIn = request.headers.cookie?.includes("yard=in") === true;
      response.writeHead(200, { "content-type": "text/html" });
      response.end(isIn ? page(`<img src="boat.png">`) : signIn);
    },
    "/signin": signIn,
    "/in": (request, response) => {
      let body = "";
      request.on("data", (data) => {
        body += data;
      });
      request.on("end", () => {
        const isRight = body === "password=Mast-7";
        response.writeHead(303, {
          location: isRight ? "/slips" : "/signin",
          ...(isRight ? { "set-cookie": "yard=in; Path=/" } : {}),
        });
        response.end();
      });
    },
    "/order": page(`<button onclick="fetch('/orders', { method: 'POST' })">Order</button>`),
    "/orders": (request, response) => {
      orders.push(request.method ?? "");
      response.end("ordered");
    },
    "/below": page(
      `<style>input { outline: none; border: 1px solid #555 } .bare { caret-color: transparent } a:focus { outline: none; text-decoration: none }</style><div style="height: 2600px"></div><p><label>Boat <input></label></p><p><a href="#top">Up</a></p><p><label>Length <input class="bare"></label></p>`,
    ),
    "/starts": page(
      `<dialog aria-label="News"><button>Close</button></dialog><p><a href="/slips">Slips</a></p><script>const d = document.querySelector("dialog"); d.showModal(); d.querySelector("button").onclick = () => d.close()</script>`,
    ),
  });
});
afterAll(() => site.close());

const walk = path.join(folder, "signin.walk");

describe("behind a sign-in", () => {
  const signedIn = async (password: string) => {
    process.env.YARD_PASSWORD = password;
    writeFileSync(
      walk,
      'go to /signin\ntype $YARD_PASSWORD into "Password" text box\npress Enter\nwait 2 seconds for image\n',
    );
    try {
      return await audit([`${site.base}/slips`], { before: "signin.walk", config: false }, { host });
    } finally {
      delete process.env.YARD_PASSWORD;
    }
  };

  test("a script is walked once, and its cookies stay; no secret is told", async () => {
    const answer = await signedIn("Mast-7");
    expect(answer.findings.map(({ check }) => check)).toContain("names.image-described");
    expect(JSON.stringify(auditJson(answer, "0.0.0"))).not.toContain("Mast-7");
  });

  test("where a line does not hold nothing is looked at", async () => {
    const { subjects, problems, incomplete } = await signedIn("Oar-3");
    expect(subjects).toEqual([]);
    expect(incomplete).toBe(true);
    expect(problems.map(({ target, message }) => `${target}: ${message}`).join()).toMatch(
      /^signin\.walk:4: image does not come within 2 seconds\..* Nothing was looked at/,
    );
  });
});

describe("what belongs to somebody", () => {
  test("a request that a key would make is held and told", async () => {
    const { problems } = await audit([`${site.base}/order`], { config: false }, { host });
    expect(orders).toEqual([]);
    expect(problems.map(({ message }) => message)).toEqual([
      'Enter on "Order" button would POST /orders. It was held, and what would come of it is not known; --let-send lets it go.',
    ]);
  });

  test("it is made where that is allowed", async () => {
    await audit([`${site.base}/order`], { config: false, letSend: true }, { host });
    expect(orders).toContain("POST");
  });

  test("no key is pressed on a page of another machine unless that is asked for", async () => {
    const elsewhere = site.base.replace("127.0.0.1", "[::ffff:127.0.0.1]");
    const { problems } = await audit([`${elsewhere}/order`], { config: false }, { host });
    expect(problems.map(({ message }) => message)).toEqual([
      "Is not on this machine: no key was pressed. --press presses them all the same.",
    ]);
    const pressed = await audit([`${elsewhere}/order`], { config: false, press: true }, { host });
    expect(pressed.problems.map(({ message }) => message).join()).toMatch(/would POST/);
  });
});

test("Tab goes on round a page that gives focus as it opens, and what closes then has nothing to give back to", async () => {
  const { findings } = await audit(
    [`${site.base}/starts`],
    { config: false, outcomes: ["failed"] },
    { host },
  );
  expect(findings.filter(({ check }) => check.startsWith("keys."))).toEqual([]);
});

test("what is below the first window is pictured where it is", async () => {
  const { findings } = await audit([`${site.base}/below`], { config: false, outcomes: ["failed"] }, { host });
  expect(
    findings.filter(({ check }) => check === "keys.focus-shows").map(({ element }) => element.snippet),
  ).toEqual([`<input class="bare">`]);
});

test("nothing is said of a dialog that waits for what nobody answers", async () => {
  // It takes focus and hears Escape once its picture is there; one that has no picture shows that it is judged at all.
  const dialog = (picture: string) =>
    `<button id="open">Show</button>
<div id="asks" role="dialog" aria-modal="true" aria-label="Slip 4" tabindex="-1" hidden><img id="view" alt="Slip 4"></div>
<script>
  open.onclick = () => { asks.hidden = false; ${picture} };
  view.onload = () => { asks.focus(); asks.onkeydown = (e) => { if (e.key === "Escape") asks.hidden = true; }; };
</script>`.replace("open.onclick", 'document.getElementById("open").onclick');
  writeFileSync(path.join(folder, "waits.html"), page(dialog('view.src = "http://127.0.0.1:9/boat.png";')));
  writeFileSync(path.join(folder, "none.html"), page(dialog("")));
  const { findings } = await audit(
    ["waits.html", "none.html"],
    { engine: "browser", only: ["keys"], outcomes: ["failed"], config: false },
    { host },
  );
  expect([...new Set(findings.map(({ subject }) => subject))]).toEqual(["none.html"]);
});

test("what glides, or answers late, in another window is looked at where it comes to rest", async () => {
  writeFileSync(
    path.join(folder, "late.html"),
    page(`<div id="box" style="width: 900px; overflow: hidden"><p id="text" style="width: 900px; white-space: nowrap">Slip 4 is free from Monday to Friday</p></div>
<script>
  let timer;
  addEventListener("resize", () => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      box.style.width = text.style.width = innerWidth - 40 + "px";
      text.style.whiteSpace = "normal";
    }, 200);
    box.style.width = "100px";
  });
</script>`),
  );
  const { findings } = await audit(
    ["late.html"],
    { engine: "browser", only: ["zoom"], press: false, outcomes: ["failed"], config: false },
    { host },
  );
  expect(findings.map(({ message }) => message)).toEqual([]);
});
