import { isOrIsIn } from "../../document/around.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText, hasAttribute } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { renameElement } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { everyText } from "../contrast/judge-text.ts";
import { elementsAround, exposedByTag, isShown } from "../exposed.ts";
import { endlessAnimations } from "./animations.ts";

function* moving(scene: Scene): Iterable<ElementNode> {
  yield* exposedByTag(scene, "marquee");
  for (const video of scene.page.index.byTag("video")) if (isShown(scene, video)) yield video;
  yield* endlessAnimations(scene).keys();
  const { seen } = scene;
  if (seen !== null)
    for (const element of scene.page.index.elements)
      if (seen.blinks(element) && !endlessAnimations(scene).has(element)) yield element;
}

/** What moves to say that one must wait is over when the waiting is. */
const waiting = /^(?:progressbar|status|alert|log|timer)$/;

function judge(element: ElementNode, scene: Scene): Verdict {
  if (element.tag === "marquee") return judgeMarquee(element);
  if (element.tag === "video") return judgeVideo(element);
  const animation = endlessAnimations(scene).get(element)?.[0];
  if (animation === undefined && scene.seen?.blinks(element) !== true) return inapplicable;
  for (const up of [element, ...elementsAround(scene, element)])
    if (waiting.test(scene.role(up).role ?? "") || attributeText(up, "aria-busy") === "true")
      return inapplicable;
  const mend =
    "Let it run once, or add a button that stops it; and stop it under @media (prefers-reduced-motion: reduce).";
  if (animation === undefined)
    return mayBeStopped(scene, element)
      ? cantTell(
          "This looks one way and another in turn, for more than five seconds. Can people stop it?",
          ask(mend),
        )
      : failed(
          "This looks one way and another in turn, for more than five seconds, and nothing on the page stops it.",
          ask(mend),
        );
  if (isSeenBesideOther(scene, element) && !mayBeStopped(scene, element))
    return failed(
      `The animation "${animation.name}" runs here without end, and nothing on the page stops it.`,
      ask(mend),
      { facts: { animation: animation.name }, cause: { kind: "animation", of: [animation.name] } },
    );
  return cantTell(
    `The animation "${animation.name}" runs here without end. Does something beside it move for more than five seconds, and can people stop it?`,
    ask(mend),
    { facts: { animation: animation.name }, cause: { kind: "animation", of: [animation.name] } },
  );
}

/** Words that move while other text stands beside them, as a browser has drawn them. */
function isSeenBesideOther(scene: Scene, element: ElementNode): boolean {
  const usual = scene.seen?.usual;
  if (usual === undefined || !usual.isDrawn(element) || textContent(element).trim() === "") return false;
  return everyText(scene).some(
    (other) => usual.isDrawn(other) && !isOrIsIn(scene.page.index, other, element),
  );
}

/** Whether there is anything on the page that might stop it: a control, or a rule or listener for the pointer over it. */
function mayBeStopped(scene: Scene, element: ElementNode): boolean {
  const { index, styles } = scene.page;
  const around = [element, ...elementsAround(scene, element)];
  return (
    index.elements.some(
      (one) =>
        isShown(scene, one) &&
        (/^(?:button|input|select|summary)$/.test(one.tag) ||
          /^(?:button|switch|checkbox|menuitem|tab)$/.test(scene.role(one).role ?? "") ||
          (one.tag === "a" && /^(?:#|javascript:|$)/.test(attributeText(one, "href") ?? "x"))),
    ) ||
    around.some(
      (one) =>
        one.listeners === "unknown" ||
        one.listeners.size > 0 ||
        styles.mayReact(one, "hover") ||
        styles.mayReact(one, "focus"),
    )
  );
}

function judgeMarquee(marquee: ElementNode): Verdict {
  const rounds = Number.parseInt(attributeText(marquee, "loop") ?? "-1", 10);
  const repair = withChanges("likely", "Write the text as it is, without moving it.", [
    renameElement(marquee, "div"),
  ]);
  return rounds > 0 || hasAttribute(marquee, "onmouseover") || hasAttribute(marquee, "onfocus")
    ? cantTell(
        "This text runs across the page. Is it over within five seconds, or can people stop it?",
        repair,
      )
    : failed("This text runs across the page without end, and nothing stops it.", repair);
}

function judgeVideo(video: ElementNode): Verdict {
  if (!hasAttribute(video, "autoplay")) return passed;
  if (hasAttribute(video, "controls")) return passed;
  return cantTell(
    "This film plays by itself and has no controls. Is it over within five seconds, or can people stop it?",
    ask("Add controls, or a button that stops it."),
  );
}

export const canStop = {
  id: "motion.can-stop",
  kind: "page",
  startsByItself: true,
  criteria: ["2.2.2"],
  severity: "barrier",
  means: "What moves by itself for more than five seconds can be stopped.",
  who: "Someone who is easily distracted, or becomes sick from movement, cannot read what stands beside it.",
  mend: "Let it run once, or give people a way to stop it.",
  looksAt: moving,
  judge,
  examples: [
    { html: `<video src="slip.mp4" controls></video>`, finds: [] },
    { html: `<style>p { animation: glide 1s }</style><p>High water</p>`, finds: [] },
    { html: `<style>p { animation: spin 1s infinite }</style><p role="status">Loading</p>`, finds: [] },
    {
      html: `<marquee>Closed on Sunday</marquee>`,
      finds: [["failed", "<marquee>", "This text runs across the page without end, and nothing stops it."]],
    },
    {
      html: `<style>@keyframes glide { to { left: 9px } } p { animation: glide 1s infinite }</style><p>High water</p>`,
      finds: [
        [
          "cantTell",
          "<p>",
          `The animation "glide" runs here without end. Does something beside it move for more than five seconds, and can people stop it?`,
        ],
      ],
    },
    {
      html: `<video src="slip.mp4" autoplay muted loop></video>`,
      finds: [
        [
          "cantTell",
          `<video src="slip.mp4" autoplay muted loop>`,
          "This film plays by itself and has no controls. Is it over within five seconds, or can people stop it?",
        ],
      ],
    },
    {
      html: `<style>@keyframes sway { to { transform: translateX(60px) } } b { display: inline-block; animation: sway 1s infinite alternate }</style><b>Gale expected</b><p>Double your lines.</p>`,
      isSeen: true,
      finds: [
        ["failed", "<b>", `The animation "sway" runs here without end, and nothing on the page stops it.`],
      ],
    },
    {
      html: `<p id="last">Two berths left</p><p>Entry closes on Friday.</p><script>setInterval(() => { last.hidden = !last.hidden }, 700)</script>`,
      isSeen: true,
      finds: [
        [
          "failed",
          `<p id="last">`,
          "This looks one way and another in turn, for more than five seconds, and nothing on the page stops it.",
        ],
      ],
    },
    {
      html: `<style>@keyframes sway { to { transform: translateX(60px) } } b { display: inline-block; animation: sway 1s infinite alternate }</style><b>Gale expected</b><p>Double your lines. <button>Stop</button></p>`,
      isSeen: true,
      finds: [
        [
          "cantTell",
          "<b>",
          `The animation "sway" runs here without end. Does something beside it move for more than five seconds, and can people stop it?`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
