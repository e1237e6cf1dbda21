import type { ElementNode } from "../../document/node.ts";
import { attributeText, hasAttribute } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { renameElement } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, exposedByTag, isShown } from "../exposed.ts";
import { endlessAnimations } from "./animations.ts";

function* moving(scene: Scene): Iterable<ElementNode> {
  yield* exposedByTag(scene, "marquee");
  for (const video of scene.page.index.byTag("video")) if (isShown(scene, video)) yield video;
  yield* endlessAnimations(scene).keys();
}

/** What moves to say that one must wait is over when the waiting is. */
const waiting = /^(?:progressbar|status|alert|log|timer)$/;

function judge(element: ElementNode, scene: Scene): Verdict {
  if (element.tag === "marquee") return judgeMarquee(element);
  if (element.tag === "video") return judgeVideo(element);
  const animation = endlessAnimations(scene).get(element)?.[0];
  if (animation === undefined) return inapplicable;
  for (const up of [element, ...elementsAround(scene, element)])
    if (waiting.test(scene.role(up).role ?? "") || attributeText(up, "aria-busy") === "true")
      return inapplicable;
  return cantTell(
    `The animation "${animation.name}" runs here without end. Does something beside it move for more than five seconds, and can people stop it?`,
    ask(
      "Let it run once, or add a button that stops it; and stop it under @media (prefers-reduced-motion: reduce).",
    ),
    { facts: { animation: animation.name }, cause: { kind: "animation", of: [animation.name] } },
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
  ],
} as const satisfies PageCheck;
