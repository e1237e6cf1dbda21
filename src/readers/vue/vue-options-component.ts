import type * as Ast from "@babel/types";
import { once } from "../../core/document/once.ts";
import { baseName } from "../composition/component-name.ts";
import type { Composition } from "../composition/composition.ts";
import type { ScopeMaking } from "../composition/module-scopes.ts";
import type { SourceModule, TemplateParts } from "../composition/source-module.ts";
import { stateValue } from "../composition/state-value.ts";
import { hasOutlet, wholeOf } from "../composition/template-file.ts";
import { functionValue, named, propertyName } from "../script/evaluate.ts";
import { unknownAt } from "../script/machine.ts";
import { everyNode } from "../script/parse-script.ts";
import { nameNode, placeOf } from "../script/places.ts";
import { bindLater, innerScope } from "../script/scope.ts";
import { absent, type Component, type ObjectValue, type Value } from "../script/value.ts";
import { bindCommon, rendered } from "./template-meaning.ts";
import { listedEmits } from "./vue-emits.ts";
import { hasInheritOff, takesAttributes } from "./vue-fallthrough.ts";
import { pascalCase } from "./vue-names.ts";
import { unboxed } from "./vue-package.ts";
import { defaulted, divided, fromOptions, openProps } from "./vue-props.ts";

/** A component that is an object of options: `export default { props, data, computed … }`. */
export function vueOptionsComponent(
  composition: Composition,
  making: ScopeMaking,
  module: SourceModule,
  parts: TemplateParts,
): Component {
  const { machine } = composition;
  const source = wholeOf(module);
  const options = once(() => optionsOf(parts.script));
  const section = (name: string): Ast.Node | null => {
    for (const property of options()) {
      if (
        property.type === "SpreadElement" ||
        property.key.type !== "Identifier" ||
        property.key.name !== name
      )
        continue;
      return property.type === "ObjectMethod" ? property : property.value;
    }
    return null;
  };
  const emits = once(() => listedEmits(section("emits")));
  const declared = once(() => fromOptions(composition, section("props"), making.scopeOf(module)));
  const takesProps = once(
    () =>
      declared().members.size > 0 ||
      hasOutlet(parts) ||
      (takesAttributes(module, inherits()) && ("as attributes" as const)),
  );
  const inherits = once(() => parts.script === null || !hasInheritOff(parts.script));
  return {
    name: baseName(module.file),
    source,
    statics: new Map(),
    get takesProps() {
      return takesProps();
    },
    openProps: () => openProps(declared(), source),
    render: (call) => {
      const scope = making.scopeOf(module);
      const { props, attrs } = divided(declared(), call, emits());
      const given = defaulted(composition, props, declared(), scope);
      const template = innerScope(scope);
      const self: ObjectValue = {
        kind: "object",
        properties: new Map(),
        rest: unknownAt(source, "this", `this ${call.instance}`),
        lazy: (name) => {
          const binding = template.bindings.get(name);
          return binding === undefined ? null : machine.evaluate(nameNode(name), template);
        },
      };
      const state = once(() => returned(section("data")));
      const setup = once(() => returned(section("setup")));
      const returned = (node: Ast.Node | null): Value =>
        node === null || !/Function|Method/.test(node.type)
          ? absent
          : machine.call(
              functionValue(node as Ast.Function, scope, self),
              [given],
              placeOf(node, scope, self),
            );
      for (const name of declared().members.keys())
        bindLater(template, name, () => machine.member(given, name, { source, text: name, self: null }));
      for (const [node, make, changes] of [
        [section("data"), state, true],
        [section("setup"), setup, false],
      ] as const)
        for (const name of returnedNames(node))
          bindLater(template, name, () => {
            const place = { source: { ...source, start: node?.start ?? 0 }, text: name, self: null };
            const value = unboxed(machine.member(make(), name, place));
            // What `data` returns is there to change.
            return changes
              ? stateValue(machine, value, {
                  ...place,
                  source: { ...place.source, end: place.source.start + name.length },
                })
              : value;
          });
      for (const kind of ["computed", "methods"]) {
        const table = section(kind);
        if (table?.type !== "ObjectExpression") continue;
        for (const property of table.properties) {
          if (property.type === "SpreadElement" || property.key.type !== "Identifier") continue;
          const fn = property.type === "ObjectMethod" ? property : property.value;
          const { name } = property.key;
          const value = () => named(functionValue(fn as Ast.Function, scope, self), name);
          if (!/Function|Method/.test(fn.type)) continue;
          bindLater(template, name, () =>
            kind === "methods" ? value() : machine.call(value(), [], placeOf(fn, scope, self)),
          );
        }
      }
      bindCommon(template, call, attrs, () => given);
      const table = section("components");
      const registered = (name: string): Component | null => {
        if (table?.type !== "ObjectExpression") return null;
        for (const property of table.properties) {
          if (property.type !== "ObjectProperty") continue;
          const key = propertyName(machine, property, scope);
          if (key === null || pascalCase(key) !== pascalCase(name)) continue;
          return composition.componentOf(machine.evaluate(property.value, scope));
        }
        return null;
      };
      return rendered(composition, module, parts, template, call, attrs, inherits(), registered);
    },
  };
}

/** The object that a script exports, bare or in `defineComponent`. */
function optionsOf(script: Ast.Program | null): Ast.ObjectExpression["properties"] {
  for (const statement of script?.body ?? []) {
    if (statement.type !== "ExportDefaultDeclaration") continue;
    const { declaration } = statement;
    const object = declaration.type === "CallExpression" ? declaration.arguments[0] : declaration;
    if (object?.type === "ObjectExpression") return object.properties;
  }
  return [];
}

/** The names that a function returns in an object. */
function returnedNames(node: Ast.Node | null): readonly string[] {
  if (node === null) return [];
  const names: string[] = [];
  everyNode(node, (current) => {
    const object =
      current.type === "ReturnStatement"
        ? current.argument
        : current.type === "ArrowFunctionExpression" && current.body.type === "ObjectExpression"
          ? current.body
          : null;
    if (object?.type === "ObjectExpression")
      for (const property of object.properties)
        if (property.type !== "SpreadElement" && property.key.type === "Identifier")
          names.push(property.key.name);
    return (
      current === node || !/Function|Method/.test(current.type) || current.type === "ArrowFunctionExpression"
    );
  });
  return names;
}
