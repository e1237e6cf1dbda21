import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import type { Composition } from "../composition/composition.ts";
import { unknownAt } from "../script/machine.ts";
import { textOf } from "../script/places.ts";
import { absent, known, native, type Value } from "../script/value.ts";
import { anyProps } from "./react-component.ts";

/** `styled.button`, `styled(Card)`: a component that gives all it is given to another, and a style. */
export function styledFunction(composition: Composition): Value {
  const of = (inner: Value): Value => ({
    kind: "native",
    name: "styled",
    call: () => of(inner),
    members: () => native("styled", () => of(inner)),
    tagged: (node, scope) =>
      styledComponent(composition, inner, node, textOf(node.tag, scope), {
        file: scope.module.file,
        start: node.start ?? 0,
        end: node.end ?? 0,
      }),
  });
  return {
    kind: "native",
    name: "styled",
    call: ([inner]) => of(inner ?? absent),
    members: (name) => of(known(name)),
  };
}

function styledComponent(
  composition: Composition,
  inner: Value,
  _node: Ast.TaggedTemplateExpression,
  name: string,
  source: Span,
): Value {
  const style = unknownAt(source, name, `styled ${source.file}:${source.start}`, "string");
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
        const { as, ...others } = Object.fromEntries(call.props.properties);
        // What the style says is not read: nothing is known of how it looks.
        const properties = new Map(Object.entries(others).filter(([key]) => !key.startsWith("$"))).set(
          "style",
          style,
        );
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
          "html",
        );
      },
    },
  };
}
