import { loadedLater } from "../composition/loaded-later.ts";
import { stateValue } from "../composition/state-value.ts";
import { createdMarkup } from "../react/react-package.ts";
import { type Machine, madeId, unknownAt } from "../script/machine.ts";
import { absent, keyOf, known, native, type ObjectValue, type Value } from "../script/value.ts";

/** A value in a box, as templates see it without asking: `ref(x)`. */
export const boxed = (value: () => Value): ObjectValue => ({
  kind: "object",
  properties: new Map(),
  rest: null,
  lazy: (name) => (name === "value" ? value() : null),
  box: value,
});

export const boxes = (machine: Machine): ReadonlyMap<string, Value> => {
  const ref = native("ref", ([initial], place) => {
    const state = stateValue(machine, initial ?? absent, place);
    return boxed(() => state);
  });
  const created = native("created", (args, place) => createdMarkup(machine, args, place));
  const same = native("same", ([value]) => value ?? absent);
  return new Map<string, Value>(
    Object.entries({
      ref,
      shallowRef: ref,
      customRef: native("customRef", (_, place) =>
        boxed(() =>
          unknownAt(place.source, place.text, `ref ${place.source.start}@${machine.state.instance}`),
        ),
      ),
      computed: native("computed", ([make], place) => {
        const memo: { value: Value | null } = { value: null };
        return boxed(() => {
          memo.value ??=
            make?.kind === "object"
              ? machine.call(make.properties.get("get") ?? absent, [], place)
              : machine.call(make ?? absent, [], place);
          return memo.value;
        });
      }),
      reactive: native("reactive", ([value]) => value ?? absent),
      readonly: same,
      toRef: native("toRef", ([object, name], place) =>
        name?.kind === "known"
          ? boxed(() => machine.member(object ?? absent, String(name.value), place))
          : (object ?? absent),
      ),
      toRefs: same,
      unref: native("unref", ([value]) => unboxed(value ?? absent)),
      toValue: native("toValue", ([value]) => unboxed(value ?? absent)),
      useId: native("useId", (_, place) => known(madeId(machine, place.source))),
      useTemplateRef: native("useTemplateRef", (_, place) =>
        boxed(() => unknownAt(place.source, place.text, `ref ${place.source.start}`)),
      ),
      h: created,
      createVNode: created,
      createBlock: created,
      createElementVNode: created,
      createElementBlock: created,
      openBlock: native("openBlock", () => absent),
      defineComponent: same,
      defineAsyncComponent: native("defineAsyncComponent", ([given], place) => {
        const load = given?.kind === "object" ? machine.member(given, "loader", place) : given;
        return loadedLater(machine, load ?? absent, place);
      }),
      inject: givenFromAround(machine),
    }),
  );
};

/** A value that a component around gives under a name; without one in the tree there may be one around the tree. */
export const givenFromAround = (machine: Machine): Value =>
  native("inject", ([name, initial], place) => {
    if (name?.kind === "known")
      for (const [of, value] of machine.state.contexts.toReversed()) if (of === name.value) return value;
    if (machine.state.isWhole) return initial ?? absent;
    const key = `inject ${keyOf(name ?? absent)}`;
    return {
      kind: "either",
      decision: {
        id: key,
        arms: [
          { of: place.text, is: "provided" },
          { of: place.text, is: "not provided" },
        ],
        named: false,
        source: place.source,
      },
      arms: [unknownAt(place.source, place.text, key), initial ?? absent],
    };
  });

export const unboxed = (value: Value): Value =>
  value.kind === "object" && value.box !== undefined ? value.box() : value;
