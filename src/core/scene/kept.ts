import type { Scene } from "./scene.ts";

/** A value worked out once for a scene and kept as long as the scene is. */
export function keptForScene<T>(compute: (scene: Scene) => T): (scene: Scene) => T {
  const values = new WeakMap<Scene, { readonly value: T }>();
  return (scene) => {
    let kept = values.get(scene);
    if (kept === undefined) {
      kept = { value: compute(scene) };
      values.set(scene, kept);
    }
    return kept.value;
  };
}
