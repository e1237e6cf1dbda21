import { elementsAbove, elementsBelow, firstOf } from "../../document/around.ts";
import { isDisabled } from "../../document/disabled.ts";
import type { ElementNode } from "../../document/node.ts";
import { pointerHandlerOf, UNKNOWN_LISTENER } from "../../document/pointer-handler.ts";
import { isEmptyElement, textContent } from "../../document/text-content.ts";
import { attributeText, attributeToken } from "../../document/written.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { focusCause, isFocusable, isTabbable, tabindexOf } from "../../rendering/focusable.ts";
import { removeAttribute } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import { asButton } from "../as-button.ts";
import type { PageCheck } from "../check.ts";
import { isShown } from "../exposed.ts";
import { scriptListeners } from "../script-listeners.ts";
import { scriptsMay } from "../scripts.ts";
import { handlerText, withHandlers } from "./handlers.ts";

/** Widgets that move focus among their items themselves: an item out of the Tab order is as it should be. */
const composites = new Set<Role>([
  "toolbar",
  "radiogroup",
  "listbox",
  "tree",
  "treegrid",
  "grid",
  "menu",
  "menubar",
  "tablist",
  "combobox",
]);

const withPointerHandlers = (scene: Scene): readonly ElementNode[] => [
  ...withHandlers(scene).filter((element) => {
    const { inert, reason } = scene.presence.of(element);
    return !inert && reason !== "aria-hidden" && pointerHandlerOf(element) !== null;
  }),
  ...scene.page.index.elements.filter(
    (element) =>
      isLeftToComponent(scene, element) || isTakenOut(scene, element) || isClickedByScript(scene, element),
  ),
];

/** What scripts in the page listen for a click on, with what they do then. */
const clickedByScripts = keptForScene(
  (scene: Scene): ReadonlyMap<ElementNode, string> =>
    new Map(
      scriptListeners(scene)
        .filter(({ event }) => event === "click")
        .flatMap(({ on, code }) =>
          typeof on === "string" ? [] : on.map((element) => [element, code] as const),
        ),
    ),
);

/** Whether scripts listen for keys where an element stands, or anywhere that is not known. */
const hearsKeys = (scene: Scene, element: ElementNode): boolean =>
  scriptListeners(scene).some(
    ({ event, on }) =>
      /^key(?:down|up|press)$/.test(event) &&
      (typeof on === "string" ||
        [element, ...elementsAbove(scene.page.index, element)].some((at) => on.includes(at))),
  );

/** Whether a script in the page gives an element a click to do that is no control of its own. */
const isClickedByScript = (scene: Scene, element: ElementNode): boolean =>
  clickedByScripts(scene).has(element) &&
  pointerHandlerOf(element) === null &&
  !/^(?:html|body|main|form|label|dialog)$/.test(element.tag) &&
  focusCause(scene.page.index, element) === null &&
  isShown(scene, element);

/** Whether a link or button is taken out of the order of Tab, and nothing that can be reached leads to the same place. */
function isTakenOut(scene: Scene, element: ElementNode): boolean {
  const isLink = element.tag === "a" && element.attributes.has("href");
  if ((!isLink && element.tag !== "button") || (tabindexOf(element) ?? 0) >= 0) return false;
  const { inert, reason } = scene.presence.of(element);
  // A component may be one of many that its users move the focus among.
  if (scene.document.kind === "component" || attributeToken(element, "aria-disabled") === "true")
    return false;
  if (inert || reason === "aria-hidden" || !isShown(scene, element) || pointerHandlerOf(element) !== null)
    return false;
  return focusCause(scene.page.index, element) !== null && !(isLink && isLinkedElsewhere(scene, element));
}

const isLinkedElsewhere = (scene: Scene, link: ElementNode): boolean =>
  scene.page.index
    .byTag("a")
    .some(
      (other) =>
        other !== link &&
        attributeText(other, "href") === attributeText(link, "href") &&
        isTabbable(scene.page, scene.presence, other) === true,
    );

/** What takes focus in the same element around: the picture beside a field often opens what the field opens too. */
function stopBeside(scene: Scene, element: ElementNode): ElementNode | null {
  const { index } = scene.page;
  const parent = index.flatParent(element);
  if (parent === null || /^(?:body|main|form|section|article)$/.test(parent.tag)) return null;
  return firstOf(
    elementsBelow(index, parent),
    (one) => one !== element && isTabbable(scene.page, scene.presence, one) === true,
  );
}

/** Whether a click does something on an element that takes no focus of its own, and a component may give it more. */
const isLeftToComponent = (scene: Scene, element: ElementNode): boolean =>
  element.spread?.besideClick !== undefined &&
  isShown(scene, element) &&
  focusCause(scene.page.index, element) === null &&
  !["role", "tabindex"].some((name) => element.attributes.has(name)) &&
  stopInside(scene, element) === null &&
  element.tag !== "label";

function judge(element: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  const { besideClick } = element.spread ?? {};
  if (besideClick !== undefined)
    return cantTell(
      `A click on this <${element.tag}> does something. Does ${besideClick} around it give it a role, focus and keys? It is not in source.`,
      ask('If not, make it a <button type="button">: it takes focus and answers Enter and Space by itself.'),
    );
  if (isTabbable(scene.page, scene.presence, element) !== false) return passed;
  // A disabled control does nothing for anyone; a label passes the click on to its control.
  if (element.tag === "label" || element.tag === "option" || element.tag === "html" || element.tag === "body")
    return passed;
  if (focusCause(index, element) === "control" && isFocusable(scene.page, scene.presence, element) === false)
    return passed;
  if (pointerHandlerOf(element) === null)
    return focusCause(index, element) === null
      ? judgeScripted(element, scene)
      : judgeTakenOut(element, scene);
  const handler = pointerHandlerOf(element)?.code ?? "";
  if (reachableHandlers(scene).has(handler) || isDoneWithoutPressing(element, handler)) return passed;
  if (isDoneByKey(scene, element)) return passed;
  // A widget of many items answers a click on any of them in one place.
  if (composites.has(scene.role(element).role ?? "generic")) return passed;
  for (let up = index.flatParent(element); up !== null; up = index.flatParent(up)) {
    const { role } = scene.role(up);
    if (role !== null && composites.has(role)) return passed;
    // A click on something inside a control is a click on the control: pressing the control does the same.
    if (up.tag !== "body" && isTabbable(scene.page, scene.presence, up) === true) return passed;
  }
  const beside = handler.startsWith(UNKNOWN_LISTENER) ? stopBeside(scene, element) : null;
  if (beside !== null)
    return cantTell(
      `A click on this <${element.tag}> does something. Does ${describe(beside)} beside it do the same from the keyboard?`,
    );
  const inside = stopInside(scene, element);
  if (inside !== null) {
    return cantTell(
      `A click anywhere on this <${element.tag}> does something. Does ${describe(inside)} inside it do the same from the keyboard?`,
    );
  }
  if (firstOf(elementsBelow(index, element), (one) => isDisabled(index, one) === true) !== null)
    return cantTell(
      `A click on this <${element.tag}> does something. Can the control inside it do the same once it is no longer disabled?`,
    );
  // Pressing without a click may begin to drag, or keep the focus where it is.
  if (pointerHandlerOf(element)?.event.endsWith("click") !== true)
    return cantTell(
      `Pressing this <${element.tag}> does something. Can the same be done with a key?`,
      ask("Give people a control that does the same, or let keys do it."),
    );
  // What is drawn in it, and whether that is to be pressed, only pixels show.
  if (element.tag === "canvas")
    return cantTell(
      "A click on this <canvas> does something. Can the same be done with a key?",
      ask("Give people a button that does the same, or elements in the canvas that take focus."),
    );
  // Nothing is there to press: a veil behind a dialog, a strip to drag.
  if (
    isEmptyElement(element) &&
    !/^(?:input|button|a)$/.test(element.tag) &&
    !(element.tag === "img" && scene.name(element).text !== "")
  )
    return cantTell(
      `A click on this empty <${element.tag}> does something. Can the same be done with a key?`,
      ask("Give people a button that does the same."),
    );
  const name = scene.name(element).text;
  if (tabindexOf(element) !== null) {
    // What a pointer presses beside such a field, the arrow keys and Escape do in it. ARIA APG, "Spinbutton", "Combobox".
    if (isBesideFieldWithKeys(scene, element)) return passed;
    if (isEmptyElement(element) && name === "")
      return cantTell(
        `A click on this empty <${element.tag}> does something, and Tab passes it by. Can the same be done with a key?`,
        ask("Give people a button that does the same."),
      );
    return failed(
      "This can be clicked, but Tab never stops at it: tabindex takes it out of the order.",
      withChanges("likely", 'Take tabindex="-1" away, unless a script moves focus here.', [
        removeAttribute(element, "tabindex"),
      ]),
      { facts: { handler } },
    );
  }
  if (element.tag === "a")
    return failed(
      "This link has no address: it can be clicked, but Tab passes it by.",
      orButton(
        scene,
        element,
        "Give it href where it leads, or make it a <button> if it does something here.",
      ),
      { facts: { handler } },
    );
  const called = name === "" ? "" : ` "${name}"`;
  return failed(
    `This <${element.tag}>${called} can be clicked, but takes no focus.`,
    orButton(
      scene,
      element,
      'Make it a <button type="button">: it takes focus and answers Enter and Space by itself.',
    ),
    { facts: { handler }, cause: { kind: "element without focus", of: [index.record(element).order] } },
  );
}

/** What a script does on a click it may do for keys too, or for something inside: then it is a question. */
function judgeScripted(element: ElementNode, scene: Scene): Verdict {
  for (let up: ElementNode | null = element; up !== null; up = scene.page.index.flatParent(up)) {
    if (composites.has(scene.role(up).role ?? "generic")) return passed;
    if (up.tag !== "body" && isTabbable(scene.page, scene.presence, up) === true) return passed;
  }
  const name = scene.name(element).text;
  const called = name === "" ? "" : ` "${name}"`;
  const isOpen =
    stopInside(scene, element) !== null ||
    textContent(element) === "" ||
    hearsKeys(scene, element) ||
    /\.target\b|closest\(|matches\(/i.test(clickedByScripts(scene).get(element) ?? "") ||
    scriptsMay(scene, /tabindex|\bon:?key/i);
  return isOpen
    ? cantTell(
        `A script does something when this <${element.tag}>${called} is clicked. Can the same be done with a key?`,
        ask("Give people a button that does the same."),
      )
    : failed(
        `This <${element.tag}>${called} can be clicked, but takes no focus.`,
        orButton(
          scene,
          element,
          'Make it a <button type="button">: it takes focus and answers Enter and Space by itself.',
        ),
      );
}

/** Where a script may move the focus there, as in a toolbar, it is a question. */
function judgeTakenOut(element: ElementNode, scene: Scene): Verdict {
  for (let up: ElementNode | null = element; up !== null; up = scene.page.index.flatParent(up))
    if (composites.has(scene.role(up).role ?? "generic")) return passed;
  if (isBesideFieldWithKeys(scene, element)) return passed;
  const word = element.tag === "a" ? "link" : "button";
  const repair = withChanges("likely", 'Take tabindex="-1" away, unless a script moves focus here.', [
    removeAttribute(element, "tabindex"),
  ]);
  return element.tag === "a" && !scriptsMay(scene, /tabindex|\.focus\s*\(/i)
    ? failed(
        "Tab never stops at this link: tabindex takes it out of the order, and nothing else leads there.",
        repair,
      )
    : cantTell(
        `Tab never stops at this ${word}. Can what it does be done from the keyboard elsewhere?`,
        repair,
      );
}

/** How far out a field may stand with its buttons. */
const FARTHEST_FIELD = 4;

/** Whether the one field that stands with an element is moved by keys of its own. */
function isBesideFieldWithKeys(scene: Scene, element: ElementNode): boolean {
  const { index } = scene.page;
  let around = index.flatParent(element);
  for (let step = 0; step < FARTHEST_FIELD && around !== null && around.tag !== "body"; step++) {
    const fields = [...elementsBelow(index, around)].filter((inside) =>
      fieldRoles.has(scene.role(inside).role ?? "generic"),
    );
    const [field, ...more] = fields;
    if (field !== undefined) return more.length === 0 && keyedFields.has(scene.role(field).role ?? "generic");
    around = index.flatParent(around);
  }
  return false;
}

const keyedFields = new Set<Role>(["spinbutton", "combobox"]);
const fieldRoles = new Set<Role>([...keyedFields, "textbox", "searchbox", "slider", "checkbox", "radio"]);

/** What happens without a press too: when the pointer or focus goes on, or a key is pressed. */
const withoutPressing = ["mouseleave", "mouseout", "pointerleave", "blur", "focusout", "keydown", "keyup"];

const isDoneWithoutPressing = (element: ElementNode, handler: string): boolean =>
  withoutPressing.some((event) => attributeText(element, `on${event}`)?.trim() === handler);

const keyEvents = ["keydown", "keyup", "keypress"] as const;

/** What keys do at the stops of Tab, and at controls that are disabled now: the elements with the code of their handlers. */
const keyHandlers = keptForScene((scene: Scene): readonly (readonly [at: ElementNode, code: string])[] =>
  withHandlers(scene)
    .filter(
      (element) =>
        isTabbable(scene.page, scene.presence, element) !== false ||
        focusCause(scene.page.index, element) === "control",
    )
    .flatMap((element) =>
      keyEvents.flatMap((event) => {
        const code = handlerText(element, event);
        return code === null ? [] : [[element, code] as const];
      }),
    ),
);

/** Where an element is written: two that have the same come from one component. */
const writtenIn = ({ components }: ElementNode): string => components.at(-1)?.definition.file ?? "";

/** Whether a key at a stop of the same component calls the very function that a click calls: arrows in a field of numbers. */
function isDoneByKey(scene: Scene, element: ElementNode): boolean {
  const { event, code } = pointerHandlerOf(element) ?? { event: "click", code: "" };
  const called =
    element.attributes.get(`on${event}`)?.handler ?? /^(?:this\.)?([\w$]+)\s*\([^()]*\);?$/.exec(code)?.[1];
  if (called === undefined) return false;
  const calls = new RegExp(`(?:^|[^\\w$.]|\\bthis\\.)${called.replaceAll("$", "\\$")}\\s*\\(`);
  return keyHandlers(scene).some(
    ([at, keys]) => at !== element && writtenIn(at) === writtenIn(element) && calls.test(keys),
  );
}

/** Made a button where it can be one. */
function orButton(scene: Scene, element: ElementNode, summary: string): Repair {
  const changes = asButton(scene, element);
  return changes === null ? ask(summary) : withChanges("likely", summary, changes);
}

/** What can be done from some place that Tab reaches. */
const reachableHandlers = keptForScene(
  (scene: Scene): ReadonlySet<string> =>
    new Set(
      withHandlers(scene)
        .filter((element) => isTabbable(scene.page, scene.presence, element) === true)
        .flatMap((element) => pointerHandlerOf(element)?.code ?? []),
    ),
);

const stopInside = (scene: Scene, element: ElementNode): ElementNode | null =>
  firstOf(
    elementsBelow(scene.page.index, element),
    (inside) => isTabbable(scene.page, scene.presence, inside) !== false,
  );

const describe = (element: ElementNode): string => `the <${element.tag}>`;

export const reachable = {
  id: "keys.reachable",
  kind: "page",
  isAboutKeys: true,
  mayBeDoneByKeys: true,
  criteria: ["2.1.1"],
  severity: "blocker",
  means: "Everything that a pointer can use takes focus.",
  who: "Someone who uses the keyboard, a switch or speech cannot get there at all.",
  mend: "Use a <button> or a link with an address; they take focus and answer the keys by themselves.",
  looksAt: withPointerHandlers,
  judge,
  examples: [
    {
      html: `<div><label>Beam <input type="number"></label><button tabindex="-1" onclick="up()">+</button></div>`,
      finds: [],
    },
    {
      html: `<div><label>Word <input type="password"></label><button tabindex="-1" onclick="show()">Show</button></div>`,
      finds: [
        [
          "failed",
          `<button tabindex="-1" onclick="show()">`,
          "This can be clicked, but Tab never stops at it: tabindex takes it out of the order.",
        ],
      ],
    },
    { html: `<button type="button" onclick="openGate()">Open</button>`, finds: [] },
    {
      html: `<div role="button" tabindex="0" onclick="openGate()" onkeydown="keys(event)">Open</div>`,
      finds: [],
      others: 1,
    },
    { html: `<a href="hire.html" onclick="log()">Hire</a>`, finds: [] },
    {
      html: `<!doctype html><title>t</title><button id="go">Launch</button><script>document.getElementById("go").onclick = go;</script>`,
      finds: [],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><div id="go">Launch</div><script>const lift = document.querySelector("#go"); lift.addEventListener("click", launch);</script>`,
      finds: [["failed", `<div id="go">`, "This <div> can be clicked, but takes no focus."]],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><div id="go">Launch</div><script>document.getElementById("go").onclick = go; document.getElementById("go").onkeydown = go;</script>`,
      finds: [
        [
          "cantTell",
          `<div id="go">`,
          "A script does something when this <div> is clicked. Can the same be done with a key?",
        ],
      ],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><a href="hire.html" tabindex="-1"><img src="a.png" alt=""></a><a href="hire.html">Hire</a>`,
      finds: [],
      others: 3,
    },
    {
      html: `<!doctype html><title>t</title><a href="hire.html" tabindex="-1">Hire</a>`,
      finds: [
        [
          "failed",
          `<a href="hire.html" tabindex="-1">`,
          "Tab never stops at this link: tabindex takes it out of the order, and nothing else leads there.",
        ],
      ],
      others: 2,
    },
    {
      html: `<button tabindex="-1">Launch</button>`,
      finds: [
        [
          "cantTell",
          `<button tabindex="-1">`,
          "Tab never stops at this button. Can what it does be done from the keyboard elsewhere?",
        ],
      ],
    },
    {
      html: `<img src="yard.png" alt="Map of the yard" onclick="zoom()">`,
      finds: [
        [
          "failed",
          `<img src="yard.png" alt="Map of the yard" onclick="zoom()">`,
          `This <img> "Map of the yard" can be clicked, but takes no focus.`,
        ],
      ],
    },
    {
      html: `<div onclick="pick()"><input disabled aria-label="Beam"></div>`,
      finds: [
        [
          "cantTell",
          `<div onclick="pick()">`,
          "A click on this <div> does something. Can the control inside it do the same once it is no longer disabled?",
        ],
      ],
    },
    { html: `<div onclick="event.stopPropagation()">Slip 4</div>`, finds: [] },
    {
      html: `<canvas onclick="pick(event)">Slips</canvas>`,
      finds: [
        [
          "cantTell",
          `<canvas onclick="pick(event)">`,
          "A click on this <canvas> does something. Can the same be done with a key?",
        ],
      ],
    },
    { html: `<div onmouseleave="hide()" onfocusout="hide()" onclick="hide()">Slip 4</div>`, finds: [] },
    { html: `<button onclick="shut()">Close</button><div class="veil" onclick="shut()"></div>`, finds: [] },
    {
      html: `<label>Metres <input onkeydown="if (event.key === 'ArrowUp') more()"></label><span onclick="more()">+</span>`,
      finds: [],
    },
    {
      html: `<label>Metres <input onkeydown="tide.more()"></label><span onclick="more()">+</span>`,
      finds: [["failed", `<span onclick="more()">`, "This <span> can be clicked, but takes no focus."]],
    },
    { html: `<button onclick="go()"><span onclick="go2()">Go</span></button>`, finds: [] },
    {
      html: `<div role="tablist"><button role="tab" tabindex="-1" onclick="show(2)">Rates</button></div>`,
      finds: [],
    },
    { html: `<button disabled tabindex="-1" onclick="go()">Go</button>`, finds: [] },
    {
      html: `<div onclick="openGate()">Open the gate</div>`,
      finds: [["failed", `<div onclick="openGate()">`, "This <div> can be clicked, but takes no focus."]],
    },
    {
      html: `<a onclick="hire('pump')">Hire this pump</a>`,
      finds: [
        [
          "failed",
          `<a onclick="hire('pump')">`,
          "This link has no address: it can be clicked, but Tab passes it by.",
        ],
      ],
    },
    {
      html: `<button tabindex="-1" onclick="send()">Send</button>`,
      finds: [
        [
          "failed",
          `<button tabindex="-1" onclick="send()">`,
          "This can be clicked, but Tab never stops at it: tabindex takes it out of the order.",
        ],
      ],
    },
    {
      html: `<li onclick="openSlip(4)"><a href="slip-4.html">Slip 4</a> free until noon</li>`,
      finds: [
        [
          "cantTell",
          `<li onclick="openSlip(4)">`,
          "A click anywhere on this <li> does something. Does the <a> inside it do the same from the keyboard?",
        ],
      ],
    },
    {
      html: `<!doctype html><title>t</title><p class="slip">Slip 4</p><script>document.querySelectorAll("p.slip").forEach((slip) => slip.addEventListener("click", show)); function show() { document.title = "Slip 4" }</script>`,
      finds: [["failed", `<p class="slip">`, "This <p> can be clicked, but takes no focus."]],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><ul class="slips"><li>Slip 4</li></ul><script>const slips = document.querySelector(".slips"); slips.addEventListener("click", (e) => open(e.target.textContent));</script>`,
      finds: [
        [
          "cantTell",
          `<ul class="slips">`,
          "A script does something when this <ul> is clicked. Can the same be done with a key?",
        ],
      ],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
