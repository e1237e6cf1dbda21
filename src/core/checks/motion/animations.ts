import { splitAtCommas } from "../../css/split-value.ts";
import type { ElementNode } from "../../document/node.ts";
import { keptForScene } from "../../scene/kept.ts";
import { isShown } from "../exposed.ts";

/** An animation of styles that runs on an element for ever. */
export interface EndlessAnimation {
  readonly element: ElementNode;
  readonly name: string;
  /** Of one round, in seconds. */
  readonly duration: number;
}

/** Animations without an end on elements that are shown. CSS Animations 1 §4. */
export const endlessAnimations = keptForScene(
  (scene): ReadonlyMap<ElementNode, readonly EndlessAnimation[]> => {
    const { index, styles } = scene.page;
    const found = new Map<ElementNode, readonly EndlessAnimation[]>();
    if (!styles.declares("animation-iteration-count")) return found;
    for (const element of index.elements) {
      const counts = splitAtCommas(styles.keyword(element, "animation-iteration-count") ?? "1");
      if (!counts.includes("infinite") || !isShown(scene, element)) continue;
      const names = splitAtCommas(styles.value(element, "animation-name")?.text ?? "none");
      const durations = splitAtCommas(styles.keyword(element, "animation-duration") ?? "0s");
      const endless = names.flatMap((name, index) => {
        const duration = seconds(durations[index % durations.length] ?? "0s");
        const isEndless = counts[index % counts.length] === "infinite";
        return name.toLowerCase() === "none" || !isEndless || duration === 0
          ? []
          : [{ element, name, duration }];
      });
      if (endless.length > 0) found.set(element, endless);
    }
    return found;
  },
);

const seconds = (text: string): number => Number.parseFloat(text) * (/ms$/i.test(text) ? 0.001 : 1) || 0;
