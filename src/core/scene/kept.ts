import { onceFor } from "../document/once.ts";
import type { Scene } from "./scene.ts";

/** A value worked out once for a scene and kept as long as the scene is. */
export const keptForScene: <T>(compute: (scene: Scene) => T) => (scene: Scene) => T = onceFor;
