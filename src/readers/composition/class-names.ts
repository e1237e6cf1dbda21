import { lift, type Machine, unknownAt } from "../script/machine.ts";
import { type CallPlace, keyOf, known, truthOf, type Value } from "../script/value.ts";

/** Joins class names: texts, lists, and objects whose true keys count. */
export function classNames(machine: Machine, values: readonly Value[], place: CallPlace): Value {
  const step = (left: readonly Value[], so: readonly string[]): Value => {
    const [first, ...rest] = left;
    if (first === undefined) return known(so.join(" "));
    return lift(machine, first, (one) => {
      if (one.kind === "known")
        return step(rest, one.value && typeof one.value !== "boolean" ? [...so, String(one.value)] : so);
      if (one.kind === "list") return step([...one.items, ...rest], so);
      if (one.kind === "object" && one.rest === null) {
        const held = [...one.properties].map(([name, test]) =>
          lift(machine, test, (value) => {
            const truth = truthOf(value);
            return truth === null
              ? unknownAt(place.source, place.text, `class ${name} ${keyOf(value)}`, "string")
              : known(truth ? name : "");
          }),
        );
        return step([...held, ...rest], so);
      }
      return unknownAt(place.source, place.text, `classes ${keyOf(one)} ${place.source.start}`, "string");
    });
  };
  return step(values, []);
}
