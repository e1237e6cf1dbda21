import type { ElementNode } from "../../document/node.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import { exposedByRole } from "../exposed.ts";

export interface Heading {
  readonly element: ElementNode;
  readonly level: number;
}

/** The headings that are told, in document order, with their levels. */
export const headingsOf = keptForScene((scene: Scene): readonly Heading[] =>
  exposedByRole(scene, "heading").map((element) => {
    const { level } = scene.states(element);
    return { element, level: typeof level === "number" ? level : 2 };
  }),
);
