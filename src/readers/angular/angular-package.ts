import { stateValue } from "../composition/state-value.ts";
import type { Machine } from "../script/machine.ts";
import { absent, native, type Value } from "../script/value.ts";

/** Signals: called without anything they give their value. */
export const signals = (machine: Machine): ReadonlyMap<string, Value> =>
  new Map<string, Value>(
    Object.entries({
      signal: native("signal", ([initial], place) => {
        const state = stateValue(machine, initial ?? absent, place);
        return {
          kind: "native",
          name: "signal",
          call: () => state,
          members: () => native("set", () => absent),
        };
      }),
      computed: native("computed", ([make], place) =>
        native("computed", () => machine.call(make ?? absent, [], place)),
      ),
    }),
  );
