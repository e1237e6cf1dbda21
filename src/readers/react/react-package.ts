import type { Span } from "../../core/document/node.ts";
import type { Composition } from "../composition/composition.ts";
import { stateValue } from "../composition/state-value.ts";
import { importedUnknown, lift, type Machine, madeId, unknownAt } from "../script/machine.ts";
import type { Shape } from "../script/type-shape.ts";
import {
  absent,
  type CallPlace,
  type Component,
  isNullish,
  keyOf,
  known,
  listOf,
  type MarkupValue,
  native,
  type ObjectValue,
  objectOf,
  type Value,
} from "../script/value.ts";
import { anyProps } from "./react-component.ts";

/** A component that shows nothing but what it is given. */
const passThrough = (composition: Composition, name: string): Value => ({
  kind: "component",
  component: {
    name,
    source: nowhere,
    statics: new Map(),
    takesProps: true,
    isTransparent: true,
    openProps: () => anyProps(nowhere),
    render: ({ props }) => composition.toNodes(props.properties.get("children") ?? absent, "html"),
  },
});

const nowhere: Span = { file: "", start: 0, end: 0 };

/** What React and its relatives give under a name; null for what stays unknown. */
export function reactExport(composition: Composition, name: string): Value | null {
  const { machine } = composition;
  const hook = Object.hasOwn(hooks, name) ? hooks[name] : undefined;
  if (hook !== undefined)
    return native(name, (args, at) => {
      const [type] = at.types?.nodes ?? [];
      const shape =
        type === undefined || at.types === undefined ? null : composition.shapeIn(type, at.types.scope);
      return hook(machine, args, at, shape);
    });
  switch (name) {
    case "Fragment":
    case "StrictMode":
    case "Suspense":
    case "Profiler":
    case "Activity":
      return passThrough(composition, name);
    case "createContext":
      return native(name, ([initial], at) => contextOf(composition, initial ?? absent, at));
    case "useContext":
    case "use":
      return native(name, ([context], at) => contextValue(machine, context ?? absent, at));
    case "memo":
    case "observer":
      return native(name, ([inner]) => inner ?? absent);
    case "forwardRef":
      return native(name, ([inner]) => inner ?? absent);
    case "lazy":
      return native(name, (_, at) =>
        importedUnknown(at.source, at.text, `lazy ${at.source.file}:${at.source.start}`),
      );
    case "createPortal":
      return native(name, ([content]) => content ?? absent);
    case "createElement":
    case "h":
    case "jsx":
      return native(name, (args, at) => createdMarkup(machine, args, at));
    case "cloneElement":
      return native(name, ([element, props, ...children], at) =>
        cloned(machine, element ?? absent, props ?? absent, children, at),
      );
    case "Children":
      return objectOf([
        ["map", native("map", ([list, fn], at) => eachChild(machine, list ?? absent, fn ?? absent, at))],
        [
          "toArray",
          native("toArray", ([list]) =>
            list?.kind === "list" ? list : listOf(list === undefined || isNullish(list) ? [] : [list]),
          ),
        ],
        ["only", native("only", ([one]) => one ?? absent)],
        [
          "count",
          native("count", ([list], at) =>
            list?.kind === "list"
              ? known(list.items.length)
              : unknownAt(at.source, at.text, `count ${keyOf(list ?? absent)}`, "number"),
          ),
        ],
      ]);
    case "isValidElement":
      return native(name, ([one], at) =>
        one?.kind === "markup"
          ? known(true)
          : one?.kind === "known"
            ? known(false)
            : unknownAt(at.source, at.text, `isValidElement ${keyOf(one ?? absent)}`, "boolean"),
      );
    case "default":
      return {
        kind: "native",
        name: "React",
        call: () => absent,
        members: (member) => reactExport(composition, member),
      };
    default:
      return null;
  }
}

type Hook = (machine: Machine, args: readonly Value[], at: CallPlace, shape: Shape | null) => Value;

const hooks: Readonly<Record<string, Hook>> = {
  useState: (machine, [initial], at, shape) => {
    const first = initial?.kind === "function" ? machine.call(initial, [], at) : (initial ?? absent);
    return listOf([stateValue(machine, first, at, shape), native("setter", () => absent)]);
  },
  useReducer: (machine, [, initial], at) =>
    listOf([stateValue(machine, initial ?? absent, at), native("dispatch", () => absent)]),
  useMemo: (machine, [make], at) => machine.call(make ?? absent, [], at),
  useCallback: (_, [fn]) => fn ?? absent,
  useEffectEvent: (_, [fn]) => fn ?? absent,
  useId: (machine, _, at) => known(madeId(machine, at.source)),
  useRef: (_, __, at) =>
    objectOf([["current", unknownAt(at.source, at.text, `ref ${at.source.file}:${at.source.start}`)]]),
  useDeferredValue: (_, [value]) => value ?? absent,
  useTransition: (machine, _, at) =>
    listOf([stateValue(machine, known(false), at), native("start", () => absent)]),
  useEffect: () => absent,
  useLayoutEffect: () => absent,
  useInsertionEffect: () => absent,
  useImperativeHandle: () => absent,
  useDebugValue: () => absent,
};

/** A context: rendering its provider makes a value known to all that is inside. */
function contextOf(composition: Composition, initial: Value, at: CallPlace): Value {
  const { machine } = composition;
  const id = `${at.source.file}:${at.source.start}`;
  const provider: Component = {
    name: "Provider",
    source: at.source,
    statics: new Map(),
    takesProps: true,
    isTransparent: true,
    openProps: () => anyProps(at.source),
    render: ({ props }) => {
      const { state } = machine;
      const before = state.contexts;
      state.contexts = [...before, [id, props.properties.get("value") ?? absent]];
      try {
        return composition.toNodes(props.properties.get("children") ?? absent, "html");
      } finally {
        state.contexts = before;
      }
    },
  };
  const consumer: Component = {
    ...provider,
    name: "Consumer",
    render: ({ props }) =>
      composition.toNodes(
        machine.call(props.properties.get("children") ?? absent, [contextById(machine, id, initial, at)], at),
        "html",
      ),
  };
  provider.statics.set("Provider", { kind: "component", component: provider });
  provider.statics.set("Consumer", { kind: "component", component: consumer });
  provider.statics.set(CONTEXT, known(id));
  provider.statics.set(INITIAL, initial);
  return { kind: "component", component: provider };
}

const CONTEXT = "(context)";
const INITIAL = "(initial)";

function contextValue(machine: Machine, context: Value, at: CallPlace): Value {
  if (context.kind !== "component") return perhaps(machine, `context ${keyOf(context)}`, at);
  const id = context.component.statics.get(CONTEXT);
  return id?.kind === "known"
    ? contextById(machine, String(id.value), context.component.statics.get(INITIAL) ?? absent, at)
    : perhaps(machine, "context", at);
}

/** The value of the nearest provider; without one in the tree, there may be one around the tree. */
function contextById(machine: Machine, id: string, initial: Value, at: CallPlace): Value {
  for (const [of, value] of machine.state.contexts.toReversed()) if (of === id) return value;
  return {
    kind: "either",
    decision: {
      id: `provided ${id}`,
      arms: [
        { of: at.text, is: "provided" },
        { of: at.text, is: "not provided" },
      ],
      named: false,
      source: at.source,
    },
    arms: [unknownAt(at.source, at.text, `context ${id}`), initial],
  };
}

const perhaps = (machine: Machine, id: string, at: CallPlace): Value =>
  unknownAt(at.source, at.text, `${id}@${machine.state.instance}`);

function createdMarkup(machine: Machine, [type, props, ...children]: readonly Value[], at: CallPlace): Value {
  const given: ObjectValue =
    props?.kind === "object" ? props : objectOf([], props?.kind === "unknown" ? props : null);
  const content =
    children.length === 0 ? null : children.length === 1 ? (children[0] ?? absent) : listOf(children);
  return {
    kind: "markup",
    type: type ?? absent,
    name: at.text,
    props:
      content === null ? given : { ...given, properties: new Map(given.properties).set("children", content) },
    places: new Map(),
    source: at.source,
    endTag: null,
    owner: machine.state.frames,
    instance: machine.state.instance,
    overwrites: false,
  };
}

/** An element with other props: `cloneElement`. */
function cloned(
  machine: Machine,
  element: Value,
  props: Value,
  children: readonly Value[],
  at: CallPlace,
): Value {
  return lift(machine, element, (one) =>
    lift(machine, props, (more) => {
      if (one.kind !== "markup")
        return one.kind === "known" ? one : unknownAt(at.source, at.text, `clone ${keyOf(one)}`);
      const properties = new Map(one.props.properties);
      if (more.kind === "object") for (const [name, value] of more.properties) properties.set(name, value);
      if (children.length > 0)
        properties.set("children", children.length === 1 ? (children[0] ?? absent) : listOf(children));
      const markup: MarkupValue = {
        ...one,
        props: {
          ...one.props,
          properties,
          rest:
            more.kind === "object"
              ? (more.rest ?? one.props.rest)
              : more.kind === "unknown"
                ? more
                : one.props.rest,
        },
      };
      return markup;
    }),
  );
}

function eachChild(machine: Machine, list: Value, fn: Value, at: CallPlace): Value {
  if (list.kind === "list")
    return listOf(list.items.map((item, i) => machine.call(fn, [item, known(i)], at)));
  if (isNullish(list)) return list;
  if (list.kind === "markup") return machine.call(fn, [list, known(0)], at);
  return unknownAt(at.source, at.text, `children ${keyOf(list)} ${at.source.start}`);
}
