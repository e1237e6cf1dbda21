import type { Span } from "../../core/document/node.ts";
import type { Composition } from "../composition/composition.ts";
import { concat } from "../script/concat.ts";
import { lift, unknownAt } from "../script/machine.ts";
import { spanOf, textOf } from "../script/places.ts";
import { absent, isNullish, known, native, type ObjectValue, type Value } from "../script/value.ts";
import { anyProps } from "./react-component.ts";
import { objectStyle, type ScriptStyle, styleClass, styleText, templateStyle } from "./script-style.ts";

/** `styled.button`, `styled(Card)`: a component that gives all it is given to another, and a style. */
export function styledFunction(composition: Composition): Value {
  const of = (inner: Value): Value => ({
    kind: "native",
    name: "styled",
    call: ([style], { source, text }) =>
      styledComponent(composition, inner, text, source, (props) => {
        const given = givenProps(composition, style ?? absent, props, source);
        return objectStyle(composition, given, source);
      }),
    members: () => native("styled", () => of(inner)),
    tagged: (node, scope) => {
      const source = spanOf(node, scope);
      const style = templateStyle(composition, node, scope, source);
      return styledComponent(composition, inner, textOf(node.tag, scope), source, (props) => ({
        ...style,
        parts: style.parts.map(({ value, written }) => ({
          value: givenProps(composition, value, props, source),
          written,
        })),
      }));
    },
  });
  return {
    kind: "native",
    name: "styled",
    call: ([inner]) => of(inner ?? absent),
    members: (name) => of(known(name)),
  };
}

/** `css`: a style to be put into others, or one that a class of its own stands for. */
export function styleFunction(composition: Composition, gives: "text" | "class"): Value {
  const told = (style: ScriptStyle | null, source: Span): Value => {
    if (style === null) return unknownAt(source, "css", `css ${source.file}:${source.start}`, "string");
    return gives === "text" ? styleText(composition, style) : styleClass(composition, style);
  };
  return {
    kind: "native",
    name: "css",
    call: ([style], { source }) => told(objectStyle(composition, style ?? absent, source), source),
    tagged: (node, scope) => {
      const source = spanOf(node, scope);
      return told(templateStyle(composition, node, scope, source), source);
    },
  };
}

/** What a part of a style comes to for some props: functions are called with them. */
const givenProps = ({ machine }: Composition, value: Value, props: ObjectValue, source: Span): Value =>
  lift(machine, value, (one) =>
    one.kind === "function" ? machine.call(one, [props], { source, text: one.name, self: null }) : one,
  );

function styledComponent(
  composition: Composition,
  inner: Value,
  name: string,
  source: Span,
  styleFor: (props: ObjectValue) => ScriptStyle | null,
): Value {
  const { machine } = composition;
  const open = unknownAt(source, name, `styled ${source.file}:${source.start}`, "string");
  return {
    kind: "component",
    component: {
      name,
      source,
      statics: new Map(),
      takesProps: true,
      isTransparent: true,
      openProps: () => anyProps(source),
      render: (call) => {
        const {
          as,
          style = absent,
          className = absent,
          ...others
        } = Object.fromEntries(call.props.properties);
        const written = styleFor(call.props);
        const made = written === null ? open : styleClass(composition, written);
        const properties = new Map(Object.entries(others).filter(([key]) => !key.startsWith("$")))
          // Where it is not known what the style says, nothing is known of how it looks.
          .set(
            "style",
            lift(machine, made, (one) => (one.kind === "known" ? style : open)),
          )
          .set("className", withClass(composition, className, made));
        return composition.renderMarkup(
          {
            kind: "markup",
            type: as ?? inner,
            name,
            props: { ...call.props, properties },
            places: call.places,
            source: call.source,
            endTag: call.endTag,
            owner: call.frames,
            instance: call.instance,
            overwrites: false,
          },
          call.namespace,
        );
      },
    },
  };
}

/** One more class where it is known, before those that are given: what is around has the last word. */
const withClass = ({ machine }: Composition, given: Value, made: Value): Value =>
  lift(machine, made, (one) =>
    one.kind !== "known"
      ? given
      : lift(machine, given, (classes) =>
          isNullish(classes) ? one : concat(machine, [one, known(" "), classes], () => classes),
        ),
  );
