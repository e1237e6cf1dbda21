import type { ElementNode } from "../../document/node.ts";
import { writtenText } from "../../document/written.ts";
import { failed, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { type Change, insert, setWords } from "../../repair/change.ts";
import { askWords, BLANK, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { foldSpaces } from "../../semantics/text-collector.ts";
import type { PageCheck } from "../check.ts";
import { exposedByRole } from "../exposed.ts";
import { speakable } from "../shown-name.ts";

/** What editors and templates put there until somebody writes a title. */
const leftOver = new Set([
  "untitled",
  "untitled document",
  "document",
  "new page",
  "page title",
  "title",
  "insert title here",
  "enter title here",
]);

function judge(_root: ElementNode, scene: Scene): Verdict {
  const title = scene.page.index.byTag("title").find((element) => element.namespace === "html");
  const repair = titled(scene, title ?? null);
  if (title === undefined) return failed("This page has no title.", repair);
  const details = pointingAt(title);
  const text = foldSpaces(
    title.children.map((child) => (child.kind === "text" ? writtenText(child.value) : "")).join(""),
  );
  if (text === "") return failed("The title of this page is empty.", repair, details);
  if (leftOver.has(text.toLowerCase()) || /\.html?$/i.test(text))
    return failed(`The title of this page is "${text}", which says nothing of it.`, repair, details);
  return passed;
}

/** The title is the first heading; where there is none, a person gives the words. */
function titled(scene: Scene, title: ElementNode | null): Repair {
  const summary = "Name the page in <title>: first what is particular to it, then the site.";
  const [head] = scene.page.index.byTag("head");
  const changeTo = (words: string): readonly Change[] =>
    title !== null
      ? [setWords(title, words)]
      : head === undefined
        ? []
        : [insert("last", head, { tag: "title", text: words })];
  const heading = exposedByRole(scene, "heading").map((one) => speakable(scene.name(one).text))[0] ?? "";
  return heading === ""
    ? askWords(summary, "Title of the page", "", changeTo(BLANK))
    : withChanges("likely", summary, changeTo(heading), {
        what: "Title of the page",
        start: heading,
        sample: heading,
        changes: changeTo(BLANK),
      });
}

export const title = {
  id: "structure.title",
  kind: "page",
  surroundings: "head",
  criteria: ["2.4.2"],
  severity: "barrier",
  means: "A page has a title that says what it is.",
  who: "Someone using a screen reader hears the title first and whenever they change windows; without it they must read the page to know where they are.",
  mend: "Write a <title> that tells this page from the others.",
  pageOnly: true,
  looksAt: (scene: Scene) => scene.page.index.byTag("html").slice(0, 1),
  judge,
  examples: [
    {
      html: `<!doctype html><html lang="en"><title>Slipway bookings – Brackwater Boatyard</title><h1>Slips</h1>`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><html lang="en"><h1>Slips</h1>`,
      finds: [["failed", `<html lang="en">`, "This page has no title."]],
      others: 1,
    },
    {
      html: `<!doctype html><html lang="en"><title> </title><h1>Slips</h1>`,
      finds: [["failed", `<html lang="en">`, "The title of this page is empty."]],
      others: 1,
    },
    {
      html: `<!doctype html><html lang="en"><title>Untitled Document</title>`,
      finds: [
        [
          "failed",
          `<html lang="en">`,
          `The title of this page is "Untitled Document", which says nothing of it.`,
        ],
      ],
    },
    {
      html: `<!doctype html><html lang="en"><body><svg><title>Flag</title></svg>`,
      finds: [["failed", `<html lang="en">`, "This page has no title."]],
    },
  ],
} as const satisfies PageCheck;
