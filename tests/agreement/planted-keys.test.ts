import { afterAll, expect, test } from "vitest";
import { explore } from "../../src/explore/explore.ts";
import { liveSource } from "../../src/render/live-driver.ts";
import { everyCheck, everyKey, pageSource } from "../render/pages.ts";
import { widgets } from "../render/widgets.ts";
import { isOfToday } from "./of-today.ts";

/** What is left out of a right widget wherever it stands, by kind: where it was, and what stands there then. */
const kinds: readonly (readonly [kind: string, where: RegExp, instead: string])[] = [
  [
    "a state not set",
    /(?:[\w$]+(?:\([^()]*\))?|\$\("[^"]*"\)|items\[[^\]]*\]|e\.target)\.setAttribute\("aria-(?:expanded|checked|selected|pressed|current|valuenow)", (?:[^();]|\((?:[^()]|\([^()]*\))*\))*\);?/g,
    "",
  ],
  [
    "focus not moved",
    /(?:\$\("[^"]*"\)|(?:this\.)?\w+(?:\[(?:[^[\]]|\[[^\]]*\])*\]|\.at\([^()]*\))?)\??\.focus\(\)/g,
    "void 0",
  ],
  ["a live region taken away", / (?:role="(?:status|alert)"|aria-live="\w+")/g, ""],
  ["a key forgotten", /e\.key === "(?:Escape|Enter| |Arrow\w+)"/g, "false"],
  ["a key handler removed", /\.onkeydown = /g, ".onkeydownx = "],
];

/** What may be left out without anybody being shut out, and why. */
const noFaults: readonly (readonly [widget: RegExp, part: RegExp, why: string])[] = [
  [/^a menu that a button opens/, /items\[|at - 1|Arrow(?:Up|Down)|" "|Escape/, "another key does the same"],
  [/^a menu that a button opens/, /^\.onkeydown/, "the arrow key on the button is one way more to open it"],
  [/^a slider/, /valuenow/, "nothing moves then, to be seen or to be told"],
  [/^radio buttons/, /aria-checked/, "nothing is chosen then, to be seen or to be told"],
  [/^radio buttons/, /" "/, "an arrow key chooses"],
  [/^a tree/, /at - 1|ArrowUp/, "the other way leads round by Tab"],
  [/^a tree/, /Arrow(?:Right|Left)/, "nobody opens or closes the branch then, by pointer or by key"],
  [/^a hint/, /Escape|^\.onkeydown/, "it lies over nothing"],
  [/^a press outside/, /Escape/, "the button that opens it shuts it"],
  [
    /^a form that says what is wrong/,
    /\$\("#n"\)|alert/,
    "either is enough: focus in the field, or what is heard",
  ],
  [/^an editor/, /^\.onkeydown/, "Tab leads out then, as everywhere"],
  [/^a button and a checkbox/, /status/, "it is turned on and off, and no message"],
  [/^a list box whose options/, /ArrowUp/, "the other way reaches every option"],
  [/^a list that is put in order/, /b\.focus/, "the button is not what is moved"],
  [/^a combo box that filters/, /aria-selected/, "which is active is told by the field"],
  [
    /^a combo box that filters/,
    /Arrow|Escape/,
    "the other arrow key reaches every option, and leaving the field shuts it",
  ],
  [/^a toolbar/, /aria-pressed/, "the look does not go back either: it may mean something else"],
  [/^a toolbar/, /Arrow/, "the other way reaches every button"],
  [/^a grid of days/, /aria-selected/, "nothing shows which is chosen"],
  [/^a grid of days/, /status/, "beside a grid it may be a part of the page"],
  [/^a grid of days/, /"Enter"|" "/, "the other key chooses"],
  [/^a menu bar/, /items\[|Arrow|Escape|" "/, "another key does the same, or Tab shuts it"],
  [/^a drawer/, /^(?:last|stops\[0\])/, "Shift+Tab and Tab lead back, and all is reached"],
];

const planted = widgets.flatMap(([widget, html]) =>
  kinds.flatMap(([kind, where, instead]) =>
    [...html.matchAll(where)].flatMap(({ 0: part, index }) =>
      noFaults.some(([name, one]) => name.test(widget) && one.test(part))
        ? []
        : [{ widget, kind, part, wrong: html.slice(0, index) + instead + html.slice(index + part.length) }],
    ),
  ),
);

/** Each part of them has its day. */
const PARTS = 3;
const ofToday = planted.filter((_, turn) => isOfToday(turn, PARTS));

const found = new Map<string, number>();

afterAll(() => {
  const rows = kinds.map(([kind]) => {
    const all = ofToday.filter((one) => one.kind === kind).length;
    return `${String(found.get(kind) ?? 0).padStart(3)} of ${String(all).padStart(3)}  ${kind}`;
  });
  process.stdout.write(`\nplanted in right widgets, and found when keys are pressed\n${rows.join("\n")}\n`);
});

test.each(ofToday)("$kind, in $widget: $part", async ({ kind, wrong }) => {
  const { findings, problems } = await explore(liveSource(pageSource(wrong)), {
    ...everyKey,
    patience: 20_000,
    plan: everyCheck,
  });
  expect(problems).toEqual([]);
  expect(findings.filter(({ outcome }) => outcome === "failed").length).toBeGreaterThan(0);
  found.set(kind, (found.get(kind) ?? 0) + 1);
});

test.each(kinds)("%s is planted somewhere", (kind) => {
  expect(planted.some((one) => one.kind === kind)).toBe(true);
});
