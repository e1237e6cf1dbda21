import type { ElementNode } from "../../document/node.ts";
import { pointerHandlerOf } from "../../document/pointer-handler.ts";
import { attributeText } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { focusCause, isTabbable } from "../../rendering/focusable.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { asButton } from "../as-button.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround } from "../exposed.ts";
import { isAction } from "../roles/no-nested-actions.ts";
import { scriptsMay } from "../scripts.ts";
import { withHandlers } from "./handlers.ts";

const keyEvents = ["keydown", "keyup", "keypress"];

/** Whether the element itself listens for keys, or may. */
export const listensForKeys = (element: ElementNode): boolean =>
  element.listeners === "unknown" ||
  keyEvents.some((event) => (element.listeners as ReadonlySet<string>).has(event));

/** Words for the two keys that press, or for an event that is handed on to code that is not here. */
const looksAtKeys =
  /Enter|ENTER|Space|SPACE|["'`] ["'`]|\b(?:13|32)\b|\bclick\b|\(\s*(?:event|e|ev|evt|\$event)\s*[,)]|^\s*[\w.$]+\s*$|\barguments\b|\.\.\./;

/** The code of key handlers that are wholly here and look at neither Enter nor Space; null where some other is there. */
function deafToKeys(element: ElementNode): string | null {
  if (element.listeners === "unknown") return null;
  const events = keyEvents.filter((event) => (element.listeners as ReadonlySet<string>).has(event));
  const codes = events.map((event) => attributeText(element, `on${event}`) ?? "");
  if (codes.length === 0 || !codes.every((code) => /\bkey(?:Code)?\b|\bcode\b|\bwhich\b/.test(code)))
    return null;
  return codes.some((code) => looksAtKeys.test(code)) ? null : codes.join("; ");
}

const isClick = new Set(["click", "dblclick"]);

function judge(element: ElementNode, scene: Scene): Verdict {
  const pointer = pointerHandlerOf(element);
  const handler = pointer?.code ?? null;
  if (pointer === null || isTabbable(scene.page, scene.presence, element) !== true) return inapplicable;
  const cause = focusCause(scene.page.index, element);
  // Links, controls and summaries turn Enter and Space into a click by themselves.
  if (cause !== "tabindex") return passed;
  if (element.tag === "label") return passed;
  const deaf = deafToKeys(element);
  if (deaf !== null && ![...elementsAround(scene, element)].some(listensForKeys)) {
    // Something that is dragged about may have its keys, which are not those that press.
    if (!isClick.has(pointer.event) && !isAction(scene, element))
      return cantTell(
        "A pointer does something here, and keys do other things. Do some of them do the same?",
        ask("Let keys do all that a pointer does here."),
        { facts: { handler, keys: deaf } },
      );
    return scriptsMay(scene, /key(?:down|up|press)/)
      ? passed
      : failed(
          "A click does something here, and a key handler is there, but it never looks at Enter or Space.",
          ask('Make it a <button type="button">, or call the same code on Enter and Space.'),
          { facts: { handler, keys: deaf } },
        );
  }
  if (listensForKeys(element)) return passed;
  for (const up of elementsAround(scene, element)) if (listensForKeys(up)) return passed;
  const changes = asButton(scene, element);
  const summary = 'Make it a <button type="button">, or call the same code on Enter and Space.';
  const repair = changes === null ? ask(summary) : withChanges("likely", summary, changes);
  const details = { facts: { handler } };
  return scriptsMay(scene, /key(?:down|up|press)/)
    ? cantTell("A click does something here. Do Enter and Space do the same?", repair, details)
    : failed("Tab stops here and a click does something, but no key does.", repair, details);
}

export const activates = {
  id: "keys.activates",
  kind: "page",
  isAboutKeys: true,
  criteria: ["2.1.1"],
  severity: "blocker",
  means: "Enter and Space do what a click does.",
  who: "Someone who uses the keyboard comes to it and presses in vain.",
  mend: "Use a <button>; it answers both keys by itself.",
  looksAt: withHandlers,
  judge,
  examples: [
    { html: `<!doctype html><title>t</title><button onclick="go()">Go</button>`, finds: [], others: 2 },
    {
      html: `<!doctype html><title>t</title><div tabindex="0" role="button" onclick="go()" onkeydown="keys(event)">Go</div>`,
      finds: [],
      others: 3,
    },
    { html: `<!doctype html><title>t</title><a href="x" onclick="go()">Go</a>`, finds: [], others: 2 },
    {
      html: `<!doctype html><title>t</title><div tabindex="0" role="button" onclick="go()">Go</div>`,
      finds: [
        [
          "failed",
          `<div tabindex="0" role="button" onclick="go()">`,
          "Tab stops here and a click does something, but no key does.",
        ],
      ],
      others: 3,
    },
    {
      html: `<!doctype html><title>t</title><div tabindex="0" role="button" onclick="go()" onkeydown="if (ENTER === event.keyCode) go()">Go</div>`,
      finds: [],
      others: 3,
    },
    {
      html: `<!doctype html><title>t</title><div tabindex="0" role="button" onclick="go()" onkeydown="if (event.key === 'Escape') shut()">Go</div>`,
      finds: [
        [
          "failed",
          `<div tabindex="0" role="button" onclick="go()" onkeydown="if (event.key === 'Escape') shut()">`,
          "A click does something here, and a key handler is there, but it never looks at Enter or Space.",
        ],
      ],
      others: 3,
    },
    {
      html: `<!doctype html><title>t</title><div tabindex="0" onmousedown="drag()" onkeydown="if (event.key === 'ArrowLeft') move(-1)">Chart</div>`,
      finds: [
        [
          "cantTell",
          `<div tabindex="0" onmousedown="drag()" onkeydown="if (event.key === 'ArrowLeft') move(-1)">`,
          "A pointer does something here, and keys do other things. Do some of them do the same?",
        ],
      ],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><script src="yard.js"></script><div tabindex="0" role="button" onclick="go()">Go</div>`,
      finds: [
        [
          "cantTell",
          `<div tabindex="0" role="button" onclick="go()">`,
          "A click does something here. Do Enter and Space do the same?",
        ],
      ],
      others: 3,
    },
  ],
} as const satisfies PageCheck;
