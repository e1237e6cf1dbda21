import { NO } from "../../css/certainty.ts";
import type { ElementNode } from "../../document/node.ts";
import { hasAttribute } from "../../document/written.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute, setAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";

const media = (scene: Scene): readonly ElementNode[] =>
  ["audio", "video"]
    .flatMap((tag) => scene.page.index.byTag(tag))
    .filter(
      (element) =>
        hasAttribute(element, "autoplay") &&
        (element.tag === "audio" || scene.presence.of(element).rendered !== NO),
    );

function judge(element: ElementNode): Verdict {
  if (hasAttribute(element, "muted")) return passed;
  const repair = withChanges(
    "likely",
    "Take autoplay away, or add muted and let people turn the sound on.",
    // Without autoplay there must be a way to start it.
    hasAttribute(element, "controls")
      ? [removeAttribute(element, "autoplay")]
      : [removeAttribute(element, "autoplay"), setAttribute(element, "controls", null)],
  );
  if (hasAttribute(element, "controls"))
    return cantTell(
      "This plays by itself. Is its sound over within three seconds, or is the way to stop it the first thing on the page?",
      repair,
    );
  // Without an end and without controls, nothing stops the sound.
  if (element.tag === "audio" && hasAttribute(element, "loop"))
    return failed("This sound plays by itself, over and over, and nothing stops it.", repair);
  return cantTell(
    "This plays by itself and has no controls. Does it sound for more than three seconds?",
    repair,
  );
}

export const noAutoplay = {
  id: "media.no-autoplay",
  kind: "page",
  criteria: ["1.4.2"],
  severity: "barrier",
  means: "Nothing sounds by itself for more than three seconds unless it can be stopped.",
  who: "Someone using a screen reader cannot hear it over the sound.",
  mend: "Let people start it.",
  looksAt: media,
  judge,
  examples: [
    { html: `<video autoplay muted loop src="slip.mp4"></video>`, finds: [] },
    { html: `<audio controls src="horn.mp3"></audio>`, finds: [] },
    {
      html: `<audio autoplay loop src="horn.mp3"></audio>`,
      finds: [
        [
          "failed",
          `<audio autoplay loop src="horn.mp3">`,
          "This sound plays by itself, over and over, and nothing stops it.",
        ],
      ],
    },
    {
      html: `<audio autoplay controls src="horn.mp3"></audio>`,
      finds: [
        [
          "cantTell",
          `<audio autoplay controls src="horn.mp3">`,
          "This plays by itself. Is its sound over within three seconds, or is the way to stop it the first thing on the page?",
        ],
      ],
    },
    {
      html: `<video autoplay src="slip.mp4"></video>`,
      finds: [
        [
          "cantTell",
          `<video autoplay src="slip.mp4">`,
          "This plays by itself and has no controls. Does it sound for more than three seconds?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
