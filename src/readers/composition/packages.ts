import { signals } from "../angular/angular-package.ts";
import { jsxRuntimeExport, reactExport } from "../react/react-package.ts";
import { styledFunction, styleFunction } from "../react/styled-package.ts";
import type { Machine } from "../script/machine.ts";
import type { Value } from "../script/value.ts";
import { boxes, givenFromAround } from "../vue/vue-package.ts";
import { classNames } from "./class-names.ts";
import type { Composition } from "./composition.ts";
/** What well-known packages give, as far as a tree hangs on it; null for what stays unknown. */
export function packageExport(composition: Composition, specifier: string, name: string): Value | null {
  const { machine } = composition;
  const bare = specifier.replace(/^npm:/, "");
  if (/^(?:react|preact|preact\/(?:hooks|compat)|react-dom)$/.test(bare))
    return reactExport(composition, name);
  if (/^(?:react|preact)\/jsx(?:-dev)?-runtime$/.test(bare)) return jsxRuntimeExport(composition, name);
  if (/^(?:clsx|classnames|clsx\/lite|tailwind-merge)$/.test(bare)) return joinsClasses(machine);
  if (
    /^(?:styled-components|@emotion\/styled|@emotion\/styled\/base)$/.test(bare) &&
    (name === "default" || name === "styled")
  )
    return styledFunction(composition);
  if (name === "css" && /^(?:styled-components|@emotion\/react)$/.test(bare))
    return styleFunction(composition, "text");
  if (name === "css" && /^(?:@emotion\/css|@linaria\/core)$/.test(bare))
    return styleFunction(composition, "class");
  if (bare === "svelte" && name === "getContext") return givenFromAround(machine);
  if (bare === "vue") return boxes(machine).get(name) ?? null;
  if (bare === "@angular/core") return signals(machine).get(name) ?? null;
  return null;
}

const joinsClasses = (machine: Machine): Value => ({
  kind: "native",
  name: "clsx",
  call: (args, place) => classNames(machine, args, place),
  members: (name) => (name === "default" ? joinsClasses(machine) : null),
});
