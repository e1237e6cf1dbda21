import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { cantTell, failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround } from "../exposed.ts";
import { speakable } from "../shown-name.ts";
import { changesContext, handlerText, isConditional, withHandlers } from "./handlers.ts";

/** Words by which people are told beforehand. */
const warning =
  /\b(?:page|list|form|table|view|site|results?|prices?)\b[^.]{0,60}\b(?:change|update|reload|refresh|load|open|sen[dt]|submit|switch)|\b(?:choosing|selecting|picking|changing)\b|\b(?:when|if|once|after) (?:you|one) (?:choose|select|pick|change|tick|check)|\bas soon as\b|\bautomatically\b|\bimmediately\b|\bat once\b|\bstraight ?away\b/i;

const isSetting = (element: ElementNode): boolean =>
  element.tag === "select" || element.tag === "textarea" || element.tag === "input";

function judge(element: ElementNode, scene: Scene): Verdict {
  if (!isSetting(element)) return inapplicable;
  const events = /^(?:checkbox|radio)$/.test(element.tag === "input" ? inputType(element) : "")
    ? ["change", "input", "click"]
    : ["change", "input"];
  if (element.tag === "input" && /^(?:submit|button|reset|image)$/.test(inputType(element)))
    return inapplicable;
  for (const event of events) {
    const code = handlerText(element, event);
    if (code === null || !changesContext.test(code)) continue;
    const details = {
      facts: { handler: code },
      cause: { kind: "handler" as const, of: [event, code] },
      ...pointingAt(element, `on${event}`),
    };
    const repair = ask("Add a button that does it, or say before the field what changing it does.");
    if (isToldBefore(scene, element)) return passed;
    return isConditional(code)
      ? cantTell(
          "Changing this may leave the page or send the form. Are people told before?",
          repair,
          details,
        )
      : failed(
          "Changing this leaves the page or sends the form at once, and nothing says so before.",
          repair,
          details,
        );
  }
  return passed;
}

/** Whether something that is read before, or belongs to the control, says what happens. */
export function isToldBefore(scene: Scene, control: ElementNode): boolean {
  const words = [speakable(scene.name(control).text), scene.description(control).text];
  const { index } = scene.page;
  for (const up of elementsAround(scene, control)) {
    if (up.tag === "fieldset") words.push(scene.name(up).text);
    for (const child of index.childElements(up)) {
      if (index.record(child).order >= index.record(control).order) break;
      if (/^(?:p|div|span|label|legend|small)$/.test(child.tag)) words.push(textContent(child));
    }
    if (up.tag === "form" || up.tag === "main" || up.tag === "body") break;
  }
  return words.some((text) => warning.test(text));
}

export const noSurpriseOnInput = {
  id: "keys.no-surprise-on-input",
  kind: "page",
  isAboutKeys: true,
  criteria: ["3.2.2"],
  severity: "barrier",
  means: "Changing a setting alone changes no context, unless people are told before.",
  who: "Someone who uses the arrow keys to read the choices is sent away by the first of them.",
  mend: "Add a button, or say beforehand what happens.",
  looksAt: withHandlers,
  judge,
  examples: [
    { html: `<select aria-label="Berth" onchange="show(this.value)"><option>A</option></select>`, finds: [] },
    {
      html: `<form><p>Choosing a berth opens its page.</p><select aria-label="Berth" onchange="location = this.value"><option>A</option></select></form>`,
      finds: [],
    },
    { html: `<input type="submit" value="Go" onclick="location = 'x'">`, finds: [] },
    {
      html: `<select aria-label="Berth" onchange="this.form.submit()"><option>A</option></select>`,
      finds: [
        [
          "failed",
          `<select aria-label="Berth" onchange="this.form.submit()">`,
          "Changing this leaves the page or sends the form at once, and nothing says so before.",
        ],
      ],
    },
    {
      html: `<input type="radio" aria-label="Euro" onclick="location.href = 'eur.html'">`,
      finds: [
        [
          "failed",
          `<input type="radio" aria-label="Euro" onclick="location.href = 'eur.html'">`,
          "Changing this leaves the page or sends the form at once, and nothing says so before.",
        ],
      ],
    },
    {
      html: `<select aria-label="Berth" onchange="if (this.value) location = this.value"><option>A</option></select>`,
      finds: [
        [
          "cantTell",
          `<select aria-label="Berth" onchange="if (this.value) location = this.value">`,
          "Changing this may leave the page or send the form. Are people told before?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
