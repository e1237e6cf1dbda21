import type { TreeNode } from "../../core/worlds/tree.ts";
import { baseName } from "../composition/component-name.ts";
import { scopeAttribute, stylesOf } from "../composition/component-styles.ts";
import type { Composition } from "../composition/composition.ts";
import { emitter } from "../composition/emitter.ts";
import { slotsOf } from "../composition/given-slots.ts";
import { htmlTags } from "../composition/html-tags.ts";
import type { SourceModule, TemplateElement, TemplateParts } from "../composition/source-module.ts";
import { type TagMeaning, TemplateRenderer } from "../composition/template-render.ts";
import { nameNode } from "../script/places.ts";
import { bind, bindLater } from "../script/scope.ts";
import type { Component, ComponentCall, ObjectValue, Scope, Value } from "../script/value.ts";
import { fallThrough } from "./vue-fallthrough.ts";
import { camelCase, pascalCase } from "./vue-names.ts";
import { tagImport } from "./vue-registered.ts";

/** Components of Vue that show what they are given. */
const passes = new Set(["Transition", "KeepAlive", "Teleport", "Suspense", "ClientOnly"]);

/** What every template knows. */
export function bindCommon(
  template: Scope,
  call: ComponentCall,
  attrs: ObjectValue,
  props: () => ObjectValue,
): void {
  bind(template, "$attrs", attrs);
  bind(template, "$slots", slotsOf(call));
  bind(template, "$emit", emitter("$emit", call));
  bindLater(template, "$props", props);
}

/** Renders the template; what callers give beyond the props falls on the root. Vue, "fallthrough attributes". */
export function rendered(
  composition: Composition,
  module: SourceModule,
  parts: TemplateParts,
  scope: Scope,
  call: ComponentCall,
  attrs: ObjectValue,
  inherits: boolean,
  registered: (name: string) => Component | null,
): readonly TreeNode[] {
  const { machine } = composition;
  const byName = (name: string): Value | null => {
    for (const candidate of [name, camelCase(name), pascalCase(name)])
      for (let outer: Scope | null = scope; outer !== null; outer = outer.parent)
        if (outer.bindings.has(candidate)) return machine.evaluate(nameNode(candidate), scope);
    return null;
  };
  const meaningOf = ({ tag }: TemplateElement): TagMeaning => {
    if (passes.has(pascalCase(tag))) return { kind: "pass" };
    const isNative = htmlTags.has(tag);
    if (isNative && !/[A-Z-]/.test(tag)) return { kind: "host" };
    const componentOf =
      registered(tag) ??
      (pascalCase(tag) === baseName(module.file) ? defaultOf(composition, module.path) : null);
    if (componentOf !== null) return { kind: "component", component: componentOf };
    const value = tag.includes(".") ? null : byName(tag);
    const component = value === null ? null : composition.componentOf(value);
    if (component !== null) return { kind: "component", component };
    const path = module.imports.get(tagImport(tag));
    const meant = path == null ? null : defaultOf(composition, path);
    if (meant !== null) return { kind: "component", component: meant };
    if (isNative) return { kind: "host" };
    return value === null ? { kind: "unknown" } : { kind: "unknown", value };
  };
  const hasScoped = stylesOf(module).some(({ scoped }) => scoped);
  const renderer = new TemplateRenderer(composition, {
    meaningOf,
    propName: camelOrAria,
    contentIsProp: false,
    scopeAttribute: hasScoped ? scopeAttribute(module) : null,
    call,
  });
  const nodes = renderer.render(parts.template, scope);
  return inherits ? fallThrough(nodes, attrs, call) : nodes;
}

/** Props are declared in camel case; attributes of ARIA and data keep their names. */
const camelOrAria = (name: string): string => (/^(?:aria|data)-/.test(name) ? name : camelCase(name));

const defaultOf = (composition: Composition, path: string): Component | null => {
  const value = composition.exported(path, "default");
  return value === null ? null : composition.componentOf(value);
};
