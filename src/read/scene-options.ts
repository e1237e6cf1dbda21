import type { SceneOptions } from "../core/scene/scene.ts";
import type { ReadingPlan } from "../settings/plan.ts";

/** What of a plan decides how a page looks: the same for every scene that is made of it. */
export const sceneOptions = ({
  device,
  themes,
  colourSchemes,
  palette,
}: Pick<ReadingPlan, "device" | "themes" | "colourSchemes" | "palette">): SceneOptions => ({
  device,
  themes,
  colourSchemes,
  palette,
});
