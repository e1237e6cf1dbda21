import { navigationOrder } from "./navigation-order.ts";
import { samePlaceSameName } from "./same-place-same-name.ts";
import type { SiteCheck } from "./site-check.ts";
import { titlesDiffer } from "./titles-differ.ts";

/** Every check across pages, in the order in which they are told. */
export const siteCatalogue: readonly SiteCheck[] = [samePlaceSameName, titlesDiffer, navigationOrder];
