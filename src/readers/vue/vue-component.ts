import type * as Ast from "@babel/types";
import { once } from "../../core/document/once.ts";
import { baseName } from "../composition/component-name.ts";
import type { Composition } from "../composition/composition.ts";
import { emitter } from "../composition/emitter.ts";
import { slotsOf } from "../composition/given-slots.ts";
import { bindProgram, providedBy, type ScopeMaking, withProvided } from "../composition/module-scopes.ts";
import type { SourceModule, TemplateParts } from "../composition/source-module.ts";
import { hasOutlet, wholeOf } from "../composition/template-file.ts";
import { unknownAt } from "../script/machine.ts";
import { everyNode } from "../script/parse-script.ts";
import { nameNode } from "../script/places.ts";
import { bind, bindLater, innerScope } from "../script/scope.ts";
import type { TypeNames } from "../script/type-shape.ts";
import type { Scope } from "../script/value.ts";
import {
  absent,
  type Component,
  type ComponentCall,
  native,
  type ObjectValue,
  type Value,
} from "../script/value.ts";
import { bindCommon, rendered } from "./template-meaning.ts";
import { definedEmits } from "./vue-emits.ts";
import { hasInheritOff, takesAttributes } from "./vue-fallthrough.ts";
import { boxed, unboxed } from "./vue-package.ts";
import { type DeclaredProps, declaredProps, defaulted, divided, isCallOf, openProps } from "./vue-props.ts";

/** A component with `<script setup>`, or with no script at all. */
export function vueComponent(
  composition: Composition,
  making: ScopeMaking,
  module: SourceModule,
  parts: TemplateParts,
  types: TypeNames<SourceModule>,
): Component {
  const source = wholeOf(module);
  const { script } = parts;
  const emits = once(() => definedEmits(module, script, types));
  const declared = once(() => declaredProps(composition, making, module, script, types));
  const inherits = !(script !== null && hasInheritOff(script));
  return {
    name: baseName(module.file),
    source,
    statics: new Map(),
    takesProps:
      (script === null
        ? hasOutlet(parts)
        : declared().members.size > 0 || declared().open || hasOutlet(parts) || usesModel(script)) ||
      (takesAttributes(module, inherits) && "as attributes"),
    openProps: () => openProps(declared(), source),
    render: (call) => {
      const { props, attrs } = divided(declared(), call, emits());
      const scope = innerScope(making.scopeOf({ ...module }));
      const instance = instanceScope(
        composition,
        making,
        module,
        script,
        scope,
        call,
        props,
        attrs,
        declared(),
      );
      return withProvided(making, providedBy(making, script, scope), () =>
        rendered(composition, module, parts, instance, call, attrs, inherits, () => null),
      );
    },
  };
}

/** The names of one use: what the script declares, and in the template without their boxes. */
function instanceScope(
  composition: Composition,
  making: ScopeMaking,
  module: SourceModule,
  script: Ast.Program | null,
  scope: Scope,
  call: ComponentCall,
  props: ObjectValue,
  attrs: ObjectValue,
  declared: DeclaredProps,
): Scope {
  const { machine } = composition;
  const withDefaults = once(() => defaulted(composition, props, declared, scope));
  const defines: readonly (readonly [string, Value])[] = [
    ["defineProps", native("defineProps", () => withDefaults())],
    ["withDefaults", native("withDefaults", () => withDefaults())],
    ["defineEmits", native("defineEmits", () => emitter("emit", call))],
    ["defineExpose", native("defineExpose", () => absent)],
    ["defineOptions", native("defineOptions", () => absent)],
    ["defineSlots", native("defineSlots", () => slotsOf(call))],
    ["useSlots", native("useSlots", () => slotsOf(call))],
    ["useAttrs", native("useAttrs", () => attrs)],
    [
      "defineModel",
      native("defineModel", ([name], place) => {
        const key = name?.kind === "known" && typeof name.value === "string" ? name.value : "modelValue";
        return boxed(
          () =>
            call.props.properties.get(key) ??
            unknownAt(place.source, place.text, `model ${key} ${call.instance}`),
        );
      }),
    ],
  ];
  for (const [name, value] of defines) bind(scope, name, value);
  if (script !== null) bindProgram(making, module, script, scope);
  const template = innerScope(scope);
  const names = new Set(scope.bindings.keys());
  for (const name of names) bindLater(template, name, () => unboxed(machine.evaluate(nameNode(name), scope)));
  for (const name of declared.members.keys())
    if (!names.has(name))
      bindLater(template, name, () =>
        machine.member(withDefaults(), name, { source: call.source, text: name, self: null }),
      );
  bindCommon(template, call, attrs, () => withDefaults());
  return template;
}

function usesModel(script: Ast.Program): boolean {
  let found = false;
  everyNode(script, (node) => {
    found ||= isCallOf(node, "defineModel");
    return !found;
  });
  return found;
}
