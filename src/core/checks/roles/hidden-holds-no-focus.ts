import type { ElementNode } from "../../document/node.ts";
import { isEmptyElement } from "../../document/text-content.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { isTabbable } from "../../rendering/focusable.ts";
import { removeAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";

function judge(element: ElementNode, scene: Scene): Verdict {
  const { reason, because } = scene.presence.of(element);
  if (reason !== "aria-hidden" || because === null) return inapplicable;
  if (isTabbable(scene.page, scene.presence, element) !== true) return passed;
  // An empty stop that listens for focus passes it on at once: it keeps focus inside a dialog.
  if (
    isEmptyElement(element) &&
    (element.listeners === "unknown" || element.listeners.has("focus") || element.listeners.has("focusin"))
  )
    return passed;
  const where = because === element ? "It is hidden" : `The <${because.tag}> around it is hidden`;
  const summary =
    "Take aria-hidden away, or take this out of the Tab order too: the inert attribute does both.";
  // What is shown later is often hidden for everyone until then, by a rule of the same class.
  if (!scene.stylesKnown && because.attributes.has("class"))
    return cantTell(
      `Tab stops here if this is shown, but nothing is said: ${where.charAt(0).toLowerCase()}${where.slice(1)} with aria-hidden="true". Is it hidden for everyone by styles that are not here?`,
      ask(summary),
    );
  return failed(
    `Tab stops here, but nothing is said. ${where} from assistive technology with aria-hidden="true".`,
    because === element
      ? withChanges("likely", summary, [removeAttribute(element, "aria-hidden")])
      : ask(summary),
  );
}

export const hiddenHoldsNoFocus = {
  id: "roles.hidden-holds-no-focus",
  kind: "page",
  restsOnStop: true,
  isAboutKeys: true,
  criteria: ["4.1.2"],
  severity: "blocker",
  means: "Nothing that takes focus is hidden from assistive technology.",
  who: "Someone using a screen reader comes to a place that does not exist for them: silence, and no way to know what Enter will do.",
  mend: "Hide a part for everyone (hidden, inert) or for nobody.",
  looksAt: (scene: Scene) =>
    scene.page.index.elements.filter((element) => scene.presence.of(element).reason === "aria-hidden"),
  judge,
  examples: [
    { html: `<div aria-hidden="true"><svg></svg></div>`, finds: [] },
    { html: `<div aria-hidden="true"><a href="x" tabindex="-1">x</a></div>`, finds: [] },
    { html: `<div aria-hidden="true" inert><button>x</button></div>`, finds: [] },
    { html: `<div aria-hidden="true" style="display: none"><button>x</button></div>`, finds: [] },
    { html: `<span aria-hidden="true" tabindex="0" onfocus="first.focus()"></span>`, finds: [] },
    {
      html: `<div aria-hidden="true"><a href="x">Slips</a></div>`,
      finds: [
        [
          "failed",
          `<a href="x">`,
          `Tab stops here, but nothing is said. The <div> around it is hidden from assistive technology with aria-hidden="true".`,
        ],
      ],
    },
    {
      html: `<button aria-hidden="true">Haul</button>`,
      finds: [
        [
          "failed",
          `<button aria-hidden="true">`,
          `Tab stops here, but nothing is said. It is hidden from assistive technology with aria-hidden="true".`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
