import type { ElementNode } from "../../document/node.ts";
import { attributeToken, hasAttribute } from "../../document/written.ts";
import { cantTell, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { isShown } from "../exposed.ts";

const media = (scene: Scene): readonly ElementNode[] =>
  ["video", "audio"].flatMap((tag) =>
    scene.page.index
      .byTag(tag)
      .filter((element) => isShown(scene, element) || (tag === "audio" && hasAttribute(element, "autoplay"))),
  );

function judge(element: ElementNode, scene: Scene): Verdict {
  if (element.tag === "audio")
    return cantTell(
      "Is what this sound says to be read somewhere too?",
      ask("Put a transcript beside it, or a link to one."),
      { criteria: ["1.2.1"] },
    );
  const hasCaptions = scene.page.index
    .childElements(element)
    .some(
      (child) =>
        child.tag === "track" &&
        /^(?:captions|subtitles)$/.test(attributeToken(child, "kind") ?? "subtitles") &&
        hasAttribute(child, "src"),
    );
  if (hasCaptions) return passed;
  const isSilent = hasAttribute(element, "muted") && !hasAttribute(element, "controls");
  return cantTell(
    isSilent
      ? "Does this silent film tell anything that the text does not?"
      : "Does this film have captions, in the picture or in its player? It has no captions track.",
    ask(
      isSilent
        ? "Say in text what it shows."
        : 'Add <track kind="captions" src="….vtt" srclang="…" label="…">.',
    ),
    { criteria: isSilent ? ["1.2.1"] : ["1.2.2"] },
  );
}

export const captions = {
  id: "media.captions",
  kind: "page",
  criteria: ["1.2.1", "1.2.2"],
  severity: "blocker",
  means: "Films have captions, and what is only heard can be read.",
  who: "Someone who is deaf, or sits where sound is unwelcome, does not learn what is said.",
  mend: "Add a captions track to films, and a transcript beside sounds.",
  looksAt: media,
  judge,
  examples: [
    { html: `<video src="slip.mp4" controls><track kind="captions" src="slip.vtt"></video>`, finds: [] },
    {
      html: `<video src="slip.mp4" controls></video>`,
      finds: [
        [
          "cantTell",
          `<video src="slip.mp4" controls>`,
          "Does this film have captions, in the picture or in its player? It has no captions track.",
        ],
      ],
    },
    {
      html: `<audio src="horn.mp3" controls></audio>`,
      finds: [
        ["cantTell", `<audio src="horn.mp3" controls>`, "Is what this sound says to be read somewhere too?"],
      ],
    },
    {
      html: `<video src="slip.mp4" muted autoplay></video>`,
      finds: [
        [
          "cantTell",
          `<video src="slip.mp4" muted autoplay>`,
          "Does this silent film tell anything that the text does not?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
