import { importedUnknown, type Machine } from "../script/machine.ts";
import { settled } from "../script/promise.ts";
import type { CallPlace, Value } from "../script/value.ts";

/** A component that is loaded when it is first wanted: the default export of the module that a function promises. */
export function loadedLater(machine: Machine, load: Value, place: CallPlace): Value {
  const module = settled(machine.call(load, [], place));
  const component = module.kind === "object" ? machine.member(module, "default", place) : module;
  return component.kind === "function" || component.kind === "class" || component.kind === "component"
    ? component
    : importedUnknown(place.source, place.text, `lazy ${place.source.file}:${place.source.start}`);
}
