import type { InForce } from "../../settings/in-force.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";

/** What is in force, a line each, with where it comes from. */
export function settingsText(settings: readonly InForce[], paint: Paint): string {
  const { colours } = paint;
  const nameWidth = Math.max(...settings.map(({ name }) => name.length));
  const valueWidth = Math.min(60, Math.max(...settings.map(({ value }) => value.length)));
  return settings
    .map(({ name, value, from }) => {
      const origin = from === "usual" ? colours.dim(from) : colours.cyan(printable(from));
      return `${printable(name).padEnd(nameWidth)}  ${printable(value).padEnd(valueWidth)}  ${origin}\n`;
    })
    .join("");
}
