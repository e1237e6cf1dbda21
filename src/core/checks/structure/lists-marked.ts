import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { writtenText } from "../../document/written.ts";
import { cantTell, failed, inapplicable, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";

/** So many lines with one kind of sign are a list. */
const FEWEST_ITEMS = 3;

/** Signs that nothing but an item of a list begins with, and those that a line of speech may begin with too. */
const bullet = /^[•‣▪◦●○■□➤►✓✔]\s*\p{L}/u;
const dash = /^[-–—*·]\s+\p{L}/u;
const number = /^(\d{1,2})[.)]\s+\p{L}/u;

interface Imitation {
  readonly items: number;
  readonly isSure: boolean;
  readonly isNumbered: boolean;
}

/** Lines that look like a list: in one element between line breaks, or in elements one after the other. */
const imitations = keptForScene((scene): ReadonlyMap<ElementNode, Imitation> => {
  const { index } = scene.page;
  const found = new Map<ElementNode, Imitation>();
  for (const element of index.elements) {
    if (!/^(?:p|div|td|section|dd|span)$/.test(element.tag) || !isExposed(scene, element)) continue;
    const lines = listIn(linesOf(element));
    if (lines !== null) found.set(element, lines);
  }
  const taken = new Set<ElementNode>();
  for (const element of [...index.byTag("p"), ...index.byTag("div")]) {
    if (taken.has(element) || !isExposed(scene, element)) continue;
    const { parent, root } = index.record(element);
    const siblings = index.childElements(parent ?? root);
    const run: ElementNode[] = [];
    for (const next of siblings.slice(siblings.indexOf(element))) {
      if (
        next.tag !== element.tag ||
        signOf(textContent(next)) === null ||
        index.childElements(next).some(({ tag }) => tag === "br")
      )
        break;
      run.push(next);
    }
    const list = listIn(run.map(textContent));
    if (list === null) continue;
    for (const one of run) taken.add(one);
    found.set(element, list);
  }
  return found;
});

const signOf = (line: string): "bullet" | "dash" | "number" | null =>
  bullet.test(line) ? "bullet" : number.test(line) ? "number" : dash.test(line) ? "dash" : null;

/** The first run of lines that begin alike; numbers count up by one. */
function listIn(lines: readonly string[]): Imitation | null {
  let best: Imitation | null = null;
  for (let from = 0; from < lines.length; from++) {
    const sign = signOf(lines[from] ?? "");
    if (sign === null) continue;
    let to = from + 1;
    while (
      to < lines.length &&
      signOf(lines[to] ?? "") === sign &&
      (sign !== "number" || numberOf(lines[to] ?? "") === numberOf(lines[to - 1] ?? "") + 1)
    )
      to++;
    if (to - from >= FEWEST_ITEMS && to - from > (best?.items ?? 0))
      best = { items: to - from, isSure: sign !== "dash", isNumbered: sign === "number" };
    from = to - 1;
  }
  return best;
}

const numberOf = (line: string): number => Number(number.exec(line)?.[1]);

/** The lines of an element's own text, as line breaks part them. */
function linesOf(element: ElementNode): readonly string[] {
  const lines = [""];
  for (const child of element.children) {
    if (child.kind === "element" && child.tag === "br") lines.push("");
    else if (child.kind === "text") lines.push((lines.pop() ?? "") + writtenText(child.value));
    else if (child.kind === "element") lines.push((lines.pop() ?? "") + textContent(child));
  }
  return lines.length < FEWEST_ITEMS ? [] : lines.map((line) => line.replace(/\s+/g, " ").trim());
}

function judge(element: ElementNode, scene: Scene): Verdict {
  const list = imitations(scene).get(element);
  if (list === undefined) return inapplicable;
  const tag = list.isNumbered ? "ol" : "ul";
  const repair = ask(`Make it a <${tag}> with an <li> for each line, without the signs.`);
  return list.isSure
    ? failed(`These ${list.items} lines look like a list, but are plain text.`, repair, {
        facts: { items: list.items },
      })
    : cantTell(`Are these ${list.items} lines, each after a dash, a list? Then they must be one.`, repair, {
        facts: { items: list.items },
      });
}

export const listsMarked = {
  id: "structure.lists-marked",
  kind: "page",
  criteria: ["1.3.1"],
  severity: "barrier",
  means: "What looks like a list is one.",
  who: "Someone using a screen reader does not hear that a list begins, nor how many items it has.",
  mend: "Use <ul> or <ol> with an <li> for each item.",
  looksAt: (scene: Scene) => imitations(scene).keys(),
  judge,
  examples: [
    { html: `<p>Open 6 – 9<br>Closed 9 – 12<br>Open 12 – 18</p>`, finds: [] },
    { html: `<p>• Tern<br>• Gull</p>`, finds: [] },
    { html: `<p>1) Haul out</p><p>3) Paint</p><p>7) Launch</p>`, finds: [] },
    { html: `<ul><li>Tern</li><li>Gull</li><li>Auk</li></ul>`, finds: [] },
    {
      html: `<p>• Tern<br>• Gull<br>• Auk</p>`,
      finds: [["failed", "<p>", "These 3 lines look like a list, but are plain text."]],
    },
    {
      html: `<p>1) Haul out</p><p>2) Paint</p><p>3) Launch</p>`,
      finds: [["failed", "<p>", "These 3 lines look like a list, but are plain text."]],
    },
    {
      html: `<div>- Tern<br>- Gull<br>- Auk</div>`,
      finds: [["cantTell", "<div>", "Are these 3 lines, each after a dash, a list? Then they must be one."]],
    },
  ],
} as const satisfies PageCheck;
