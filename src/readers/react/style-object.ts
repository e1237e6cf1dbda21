import { concat } from "../script/concat.ts";
import { lift, type Machine, unknownAt } from "../script/machine.ts";
import { type CallPlace, isNullish, keyOf, known, type Value } from "../script/value.ts";

/** Properties whose numbers are no lengths. CSS property definitions: those that take a bare number. */
const unitless = new Set(
  "animationIterationCount aspectRatio borderImageOutset borderImageSlice borderImageWidth columnCount columns fillOpacity flex flexGrow flexShrink floodOpacity fontWeight gridArea gridColumn gridColumnEnd gridColumnStart gridRow gridRowEnd gridRowStart lineClamp lineHeight opacity order orphans scale stopOpacity strokeDasharray strokeDashoffset strokeMiterlimit strokeOpacity strokeWidth tabSize widows zIndex zoom".split(
    " ",
  ),
);

/** A style written as an object, as the text of a `style` attribute. */
export function styleText(machine: Machine, value: Value, place: CallPlace): Value {
  return lift(machine, value, (one) => {
    if (one.kind !== "object") return one;
    if (one.rest !== null) return unknownAt(place.source, place.text, `style ${keyOf(one)}`, "string");
    const step = (left: readonly (readonly [string, Value])[], so: readonly Value[]): Value => {
      const [first, ...rest] = left;
      if (first === undefined)
        return concat(machine, so, () => unknownAt(place.source, place.text, "style", "string"));
      const [name, written] = first;
      return lift(machine, written, (given) => {
        if (isNullish(given) || given.kind === "object") return step(rest, so);
        return step(rest, [...so, known(`${hyphenated(name)}: `), withUnit(name, given), known("; ")]);
      });
    };
    return step([...one.properties], []);
  });
}

/** A number that is a length is one in pixels. */
export const withUnit = (name: string, given: Value): Value =>
  given.kind === "known" &&
  typeof given.value === "number" &&
  given.value !== 0 &&
  !unitless.has(name) &&
  !name.startsWith("--")
    ? known(`${given.value}px`)
    : given;

export const hyphenated = (name: string): string =>
  name.startsWith("--") ? name : name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`).replace(/^ms-/, "-ms-");
