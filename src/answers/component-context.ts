import type { AloneComponent } from "../core/checks/surroundings.ts";
import type { FoundComponent } from "../readers/composition/compose.ts";

/** Names of what is shown by itself. */
const wholeNames = /^App(?:Component)?$|(?:Page|Layout|Screen|View|Route)(?:Component)?$/;

/** How a component stands by itself: one that takes no props is shown as it is. */
export const aloneComponent = ({ component }: FoundComponent): AloneComponent => {
  const isPage = wholeNames.test(component.name);
  return { isPage, isWhole: isPage || component.takesProps !== true };
};
