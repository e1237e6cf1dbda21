import { catalogue } from "../core/checks/catalogue.ts";
import { familyOf } from "../core/checks/check.ts";

/** What stands beside a walk: all that is about the keyboard. */
export const keyChecks = catalogue.filter(
  ({ id }) =>
    familyOf(id) === "keys" ||
    id === "roles.promise-kept" ||
    id === "roles.hidden-holds-no-focus" ||
    id === "roles.flattened-holds-no-focus",
);
