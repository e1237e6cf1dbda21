import type { ElementNode } from "../../document/node.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { isFocusable, tabindexOf } from "../../rendering/focusable.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { spokenRole } from "../../semantics/heard-line.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, elementsInside, exposedByRole } from "../exposed.ts";
import { isAlive, scriptsMay } from "../scripts.ts";
import { listensForKeys } from "./activates.ts";

/** Widgets through which the arrow keys move. */
const composites = [
  "toolbar",
  "tablist",
  "menubar",
  "menu",
  "radiogroup",
  "listbox",
  "tree",
  "grid",
] as const;

function judge(widget: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  const inside = [...elementsInside(scene, widget)];
  const out = inside.filter(
    (element) =>
      (tabindexOf(element) ?? 0) < 0 &&
      element.tag !== "option" &&
      isFocusable(scene.page, scene.presence, element) === true,
  );
  const [first] = out;
  if (first === undefined || widget.tag === "select") return inapplicable;
  if (!isAlive(scene)) return inapplicable;
  const answers = [widget, ...inside, ...elementsAround(scene, widget)].some(listensForKeys);
  // A field beside the widget may move through it and keep the focus.
  if (scene.document.kind === "component" && scene.page.index.elements.some(listensForKeys)) return passed;
  if (answers || scriptsMay(scene, /key(?:down|up|press)/)) return passed;
  const word = spokenRole(scene.role(widget).role as Role, {}, null);
  const names = out.map((element) => scene.name(element).text).filter((name) => name !== "");
  return failed(
    `${names.length === 0 ? `${out.length} items` : names.slice(0, 4).join(", ")} of this ${word} ${out.length === 1 ? "is" : "are"} out of the order of Tab, and no arrow key leads there: nothing here listens for keys.`,
    ask(
      'Let the arrow keys move focus among the items; until they do, take tabindex="-1" away so that Tab reaches them.',
    ),
    { facts: { items: out.length }, cause: { kind: "keys of a widget", of: [index.record(widget).order] } },
  );
}

export const patternKept = {
  id: "keys.pattern-kept",
  kind: "page",
  isAboutKeys: true,
  criteria: ["2.1.1"],
  severity: "blocker",
  means: "What a widget takes out of the order of Tab, its arrow keys reach.",
  who: "Someone who uses the keyboard gets to the first item and to no other.",
  mend: "Answer the keys of the widget's pattern, or leave every item in the order of Tab.",
  looksAt: (scene: Scene) => exposedByRole(scene, ...composites),
  judge,
  examples: [
    {
      html: `<!doctype html><title>t</title><div role="toolbar" aria-label="Text" onkeydown="move(event)"><button>B</button><button tabindex="-1">I</button></div>`,
      finds: [],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><div role="toolbar" aria-label="Text"><button>B</button><button>I</button></div>`,
      finds: [],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><div role="toolbar" aria-label="Text"><button>B</button><button tabindex="-1">I</button></div>`,
      finds: [],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><script src="yard.js"></script><div role="toolbar" aria-label="Text"><button>B</button><button tabindex="-1">I</button></div>`,
      finds: [],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><div role="toolbar" aria-label="Text"><button onclick="bold()">B</button><button onclick="slant()" tabindex="-1">I</button></div>`,
      finds: [
        [
          "failed",
          `<div role="toolbar" aria-label="Text">`,
          "I of this toolbar is out of the order of Tab, and no arrow key leads there: nothing here listens for keys.",
        ],
      ],
      others: 2,
    },
  ],
} as const satisfies PageCheck;
