import type { Span } from "../../core/document/node.ts";
import type { Composition } from "../composition/composition.ts";
import { loadedLater } from "../composition/loaded-later.ts";
import { stateValue } from "../composition/state-value.ts";
import { lift, type Machine, madeId, unknownAt } from "../script/machine.ts";
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
    render: ({ props, namespace }) =>
      composition.toNodes(props.properties.get("children") ?? absent, namespace),
  },
});

const nowhere: Span = { file: "", start: 0, end: 0 };

/** What React and its relatives give under a name; null for what stays unknown. */
export function reactExport(composition: Composition, name: string): Value | null {
  const { machine } = composition;
  const hook = Object.hasOwn(hooks, name) ? hooks[name] : undefined;
  if (hook !== undefined)
    return native(name, (args, place) => {
      const [type] = place.types?.nodes ?? [];
      const shape =
        type === undefined || place.types === undefined ? null : composition.shapeIn(type, place.types.scope);
      return hook(machine, args, place, shape);
    });
  switch (name) {
    case "Fragment":
    case "StrictMode":
    case "Suspense":
    case "Profiler":
    case "Activity":
      return passThrough(composition, name);
    case "createContext":
      return native(name, ([initial], place) => contextOf(composition, initial ?? absent, place));
    case "useContext":
    case "use":
      return native(name, ([context], place) => contextValue(machine, context ?? absent, place));
    case "memo":
    case "observer":
      return native(name, ([inner]) => inner ?? absent);
    case "forwardRef":
      return native(name, ([inner]) => inner ?? absent);
    case "lazy":
      return native(name, ([load], place) => loadedLater(machine, load ?? absent, place));
    case "createPortal":
      return native(name, ([content]) => content ?? absent);
    case "createElement":
    case "h":
    case "jsx":
      return native(name, (args, place) => createdMarkup(machine, args, place));
    case "cloneElement":
      return native(name, ([element, props, ...children], place) =>
        cloned(machine, element ?? absent, props ?? absent, children, place),
      );
    case "Children":
      return objectOf([
        [
          "map",
          native("map", ([list, fn], place) => eachChild(machine, list ?? absent, fn ?? absent, place)),
        ],
        [
          "toArray",
          native("toArray", ([list]) =>
            list?.kind === "list" ? list : listOf(list === undefined || isNullish(list) ? [] : [list]),
          ),
        ],
        ["only", native("only", ([one]) => one ?? absent)],
        [
          "count",
          native("count", ([list], place) =>
            list?.kind === "list"
              ? known(list.items.length)
              : unknownAt(place.source, place.text, `count ${keyOf(list ?? absent)}`, "number"),
          ),
        ],
      ]);
    case "isValidElement":
      return native(name, ([one], place) =>
        one?.kind === "markup"
          ? known(true)
          : one?.kind === "known"
            ? known(false)
            : unknownAt(place.source, place.text, `isValidElement ${keyOf(one ?? absent)}`, "boolean"),
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

/** What compiled JSX calls: as `createElement`, but for the content, which is one of the props. */
export function jsxRuntimeExport(composition: Composition, name: string): Value | null {
  if (name === "Fragment") return reactExport(composition, name);
  return /^jsx(?:s|DEV)?$/.test(name)
    ? native(name, ([type, props], place) =>
        createdMarkup(composition.machine, [type ?? absent, props ?? absent], place),
      )
    : null;
}

type Hook = (machine: Machine, args: readonly Value[], place: CallPlace, shape: Shape | null) => Value;

const hooks: Readonly<Record<string, Hook>> = {
  useState: (machine, [initial], place, shape) => {
    const first = initial?.kind === "function" ? machine.call(initial, [], place) : (initial ?? absent);
    return listOf([stateValue(machine, first, place, shape), native("setter", () => absent)]);
  },
  useReducer: (machine, [, initial], place) =>
    listOf([stateValue(machine, initial ?? absent, place), native("dispatch", () => absent)]),
  useMemo: (machine, [make], place) => machine.call(make ?? absent, [], place),
  useCallback: (_, [fn]) => fn ?? absent,
  useEffectEvent: (_, [fn]) => fn ?? absent,
  useId: (machine, _, place) => known(madeId(machine, place.source)),
  useRef: (_, __, place) =>
    objectOf([
      ["current", unknownAt(place.source, place.text, `ref ${place.source.file}:${place.source.start}`)],
    ]),
  useDeferredValue: (_, [value]) => value ?? absent,
  useTransition: (machine, _, place) =>
    listOf([stateValue(machine, known(false), place), native("start", () => absent)]),
  useEffect: () => absent,
  useLayoutEffect: () => absent,
  useInsertionEffect: () => absent,
  useImperativeHandle: () => absent,
  useDebugValue: () => absent,
};

/** A context: rendering its provider makes a value known to all that is inside. */
function contextOf(composition: Composition, initial: Value, place: CallPlace): Value {
  const { machine } = composition;
  const id = `${place.source.file}:${place.source.start}`;
  const provider: Component = {
    name: "Provider",
    source: place.source,
    statics: new Map(),
    takesProps: true,
    isTransparent: true,
    openProps: () => anyProps(place.source),
    render: ({ props, namespace }) => {
      const { state } = machine;
      const before = state.contexts;
      state.contexts = [...before, [id, props.properties.get("value") ?? absent]];
      try {
        return composition.toNodes(props.properties.get("children") ?? absent, namespace);
      } finally {
        state.contexts = before;
      }
    },
  };
  const consumer: Component = {
    ...provider,
    name: "Consumer",
    render: ({ props, namespace }) =>
      composition.toNodes(
        machine.call(
          props.properties.get("children") ?? absent,
          [contextById(machine, id, initial, place)],
          place,
        ),
        namespace,
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

function contextValue(machine: Machine, context: Value, place: CallPlace): Value {
  if (context.kind !== "component") return perhaps(machine, `context ${keyOf(context)}`, place);
  const id = context.component.statics.get(CONTEXT);
  return id?.kind === "known"
    ? contextById(machine, String(id.value), context.component.statics.get(INITIAL) ?? absent, place)
    : perhaps(machine, "context", place);
}

/** The value of the nearest provider; without one in the tree, there may be one around the tree. */
function contextById(machine: Machine, id: string, initial: Value, place: CallPlace): Value {
  for (const [of, value] of machine.state.contexts.toReversed()) if (of === id) return value;
  if (machine.state.isWhole) return initial;
  return {
    kind: "either",
    decision: {
      id: `provided ${id}`,
      arms: [
        { of: place.text, is: "provided" },
        { of: place.text, is: "not provided" },
      ],
      named: false,
      source: place.source,
    },
    arms: [unknownAt(place.source, place.text, `context ${id}`), initial],
  };
}

const perhaps = (machine: Machine, id: string, place: CallPlace): Value =>
  unknownAt(place.source, place.text, `${id}@${machine.state.instance}`);

/** What `createElement` and its like make: markup of a type with props, and content beside them. */
export function createdMarkup(
  machine: Machine,
  [type = absent, props = absent, ...children]: readonly Value[],
  place: CallPlace,
): Value {
  const content =
    children.length === 0 ? null : children.length === 1 ? (children[0] ?? absent) : listOf(children);
  return lift(machine, props, (one): Value => {
    const given = givenProps(one, place);
    const markup: MarkupValue = {
      kind: "markup",
      type,
      name: place.text,
      props:
        content === null
          ? given
          : { ...given, properties: new Map(given.properties).set("children", content) },
      places: new Map(),
      source: place.source,
      endTag: null,
      owner: machine.state.frames,
      instance: machine.state.instance,
      overwrites: false,
    };
    return markup;
  });
}

/** Props as an object: none where there are none, any where nobody knows which. */
function givenProps(props: Exclude<Value, { readonly kind: "either" }>, place: CallPlace): ObjectValue {
  if (props.kind === "object") return props;
  if (props.kind === "known") return objectOf([]);
  return objectOf(
    [],
    props.kind === "unknown" ? props : unknownAt(place.source, place.text, `props ${keyOf(props)}`),
  );
}

/** An element with other props: `cloneElement`. */
function cloned(
  machine: Machine,
  element: Value,
  props: Value,
  children: readonly Value[],
  place: CallPlace,
): Value {
  return lift(machine, element, (one) =>
    lift(machine, props, (more) => {
      if (one.kind !== "markup")
        return one.kind === "known" ? one : unknownAt(place.source, place.text, `clone ${keyOf(one)}`);
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

function eachChild(machine: Machine, list: Value, fn: Value, place: CallPlace): Value {
  if (list.kind === "list")
    return listOf(list.items.map((item, i) => machine.call(fn, [item, known(i)], place)));
  if (isNullish(list)) return list;
  if (list.kind === "markup") return machine.call(fn, [list, known(0)], place);
  return unknownAt(place.source, place.text, `children ${keyOf(list)} ${place.source.start}`);
}
