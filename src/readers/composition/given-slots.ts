import { unknownAt } from "../script/machine.ts";
import { absent, type ComponentCall, native, objectOf, type Value } from "../script/value.ts";

/** The slots that a caller fills, as a component sees them; anything where nobody calls it. */
export const slotsOf = (call: ComponentCall): Value =>
  call.isAlone
    ? objectOf([], unknownAt(call.source, "$slots", `slots ${call.instance}`))
    : objectOf([...call.slots.keys()].map((name) => [name, native(name, () => absent)] as const));
