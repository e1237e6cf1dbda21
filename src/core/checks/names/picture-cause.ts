import type { ElementNode } from "../../document/node.ts";
import type { Cause } from "../../findings/cause.ts";
import type { Scene } from "../../scene/scene.ts";

/** What a picture without an alternative and the link or button it is in share: one change mends both. */
export const pictureCause = (scene: Scene, image: ElementNode): Cause => ({
  kind: "picture",
  of: [scene.page.index.record(image).order],
});
