import type { ElementNode } from "../../document/node.ts";
import { failed, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { spokenRole } from "../../semantics/heard-line.ts";
import { isLandmarkRole } from "../../semantics/lists-by-kind.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, exposedByRole } from "../exposed.ts";

const outermost = ["banner", "contentinfo", "main"] as const satisfies readonly Role[];

function judge(landmark: ElementNode, scene: Scene): Verdict {
  const role = scene.role(landmark).role as Role;
  const word = spokenRole(role, {}, null);
  for (const up of elementsAround(scene, landmark)) {
    const around = scene.role(up).role;
    if (around === null || !isLandmarkRole(around)) continue;
    return failed(
      `This ${word} landmark is inside another: ${spokenRole(around, {}, null)}.`,
      ask(`Put it beside the ${spokenRole(around, {}, null)}, not inside.`),
      { facts: { inside: around } },
    );
  }
  const same = exposedByRole(scene, role);
  return role !== "main" && same.length > 1 && same[0] !== landmark
    ? failed(
        `There is a ${word} landmark already: a page has one.`,
        ask("Put both into one, or put this one into the part that it is the head or foot of."),
        { facts: { count: same.length } },
      )
    : passed;
}

export const landmarkPlace = {
  id: "structure.landmark-place",
  kind: "page",
  surroundings: "page",
  criteria: [],
  severity: "friction",
  means: "The head, the foot and the main part of a page stand beside one another, each once.",
  who: "Someone who moves by landmarks finds the head of the page somewhere in the middle.",
  mend: "Move it out of the other landmark.",
  pageOnly: true,
  looksAt: (scene: Scene) => exposedByRole(scene, ...outermost),
  judge,
  examples: [
    {
      html: `<!doctype html><title>t</title><header>Yard</header><main><article><header>Tides</header></article></main><footer>x</footer>`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><div role="complementary"><main>x</main></div>`,
      finds: [["failed", "<main>", "This main landmark landmark is inside another: complementary landmark."]],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><header>Yard</header><header>Tides</header>`,
      finds: [["failed", "<header>", "There is a banner landmark landmark already: a page has one."]],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
