import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import { baseName } from "../composition/component-name.ts";
import { scopeAttribute } from "../composition/component-styles.ts";
import type { Composition } from "../composition/composition.ts";
import { emitter } from "../composition/emitter.ts";
import { slotsOf } from "../composition/given-slots.ts";
import { bindProgram, providedBy, type ScopeMaking, withProvided } from "../composition/module-scopes.ts";
import type { SourceModule, TemplateElement, TemplateParts } from "../composition/source-module.ts";
import { stateValue } from "../composition/state-value.ts";
import { hasOutlet, wholeOf } from "../composition/template-file.ts";
import { type TagMeaning, TemplateRenderer } from "../composition/template-render.ts";
import { anyProps, propsOfShape } from "../react/react-component.ts";
import { withoutProperties } from "../script/evaluate.ts";
import { madeId, unknownAt } from "../script/machine.ts";
import { everyNode } from "../script/parse-script.ts";
import { nameNode } from "../script/places.ts";
import { bind, bindLater, innerScope } from "../script/scope.ts";
import { anything, openMember, type Shape, shapeOf, type TypeNames } from "../script/type-shape.ts";
import type { Scope } from "../script/value.ts";
import {
  absent,
  type Component,
  known,
  native,
  type ObjectValue,
  objectOf,
  type Value,
} from "../script/value.ts";
import { bindReactive } from "./svelte-reactive.ts";

/** A Svelte component: its script runs once for each use, its markup shows what the script declares. */
export function svelteComponent(
  composition: Composition,
  making: ScopeMaking,
  module: SourceModule,
  parts: TemplateParts,
  types: TypeNames<SourceModule>,
): Component {
  const source = wholeOf(module);
  const { script } = parts;
  const legacy = script === null ? [] : exportedLets(script);
  const declaration = script === null ? null : propsDeclaration(script);
  return {
    name: baseName(module.file),
    source,
    statics: new Map(),
    takesProps: declaration !== null || legacy.length > 0 || hasOutlet(parts),
    defaults: new Set(legacy.flatMap(({ name, init }) => (init === null ? [] : [name]))),
    openProps: () => {
      const annotation =
        declaration?.id !== undefined && "typeAnnotation" in declaration.id
          ? declaration.id.typeAnnotation
          : null;
      if (declaration === null) return propsOfDefaults(legacy, source, usesAllProps.test(module.text));
      return annotation == null
        ? anyProps(source)
        : propsOfShape(shapeOf({ node: annotation as Ast.Node, module }, types), source);
    },
    render: (call) => {
      const scope = innerScope(making.scopeOf(module));
      const { props } = call;
      bindRunes(composition, scope, props, call.instance);
      bind(scope, "$$slots", slotsOf(call));
      bind(scope, "$$props", props);
      bindLater(scope, "$$restProps", () =>
        withoutProperties(composition.machine, props, new Set(legacy.map(({ name }) => name)), {
          source: call.source,
          text: "$$restProps",
          self: null,
        }),
      );
      if (script !== null) {
        bindProgram(making, module, script, scope);
        bindReactive(making, module, script, scope, new Set(legacy.map(({ name }) => name)));
        for (const name of dispatcherNames(script))
          bind(
            scope,
            name,
            native(name, () => emitter("dispatch", call)),
          );
      }
      for (const { name, init } of legacy)
        bindLater(scope, name, () => {
          const member = composition.machine.member(props, name, {
            source: call.source,
            text: name,
            self: null,
          });
          // What stands inside is in the slot, and no prop to a component that exports its props.
          const given = name === "children" && member.kind === "native" ? absent : member;
          const first =
            given.kind === "known" && given.value === undefined && init !== null
              ? composition.machine.evaluate(init, scope)
              : given;
          return scope.module.reassigned.has(name)
            ? stateValue(composition.machine, first, { source: call.source, text: name, self: null })
            : first;
        });
      const renderer = new TemplateRenderer(composition, {
        meaningOf: (element) => meaningOf(composition, module, scope, element),
        propName: (name) => name,
        contentIsProp: true,
        scopeAttribute: parts.styles.length > 0 ? scopeAttribute(module) : null,
        call,
      });
      return withProvided(making, providedBy(making, script, scope), () =>
        renderer.render(parts.template, scope),
      );
    },
  };
}

function meaningOf(
  composition: Composition,
  module: SourceModule,
  scope: Scope,
  { tag }: TemplateElement,
): TagMeaning {
  if (tag === "svelte:self") {
    const self = composition.exported(module.path, "default");
    const component = self === null ? null : composition.componentOf(self);
    return component === null ? { kind: "unknown" } : { kind: "component", component };
  }
  if (!/^[A-Z]/.test(tag)) return { kind: "host" };
  const value = composition.machine.evaluate(nameNode(tag), scope);
  const component = composition.componentOf(value);
  return component === null ? { kind: "unknown", value } : { kind: "component", component };
}

/** What a script calls `createEventDispatcher`. */
const dispatcherNames = (script: Ast.Program): readonly string[] =>
  script.body.flatMap((statement) =>
    statement.type === "ImportDeclaration" && statement.source.value === "svelte"
      ? statement.specifiers.flatMap((one) =>
          one.type === "ImportSpecifier" &&
          one.imported.type === "Identifier" &&
          one.imported.name === "createEventDispatcher"
            ? [one.local.name]
            : [],
        )
      : [],
  );

/** `$props()`, `$state(x)`, `$derived(x)`: what the compiler gives to every script. */
function bindRunes(composition: Composition, scope: Scope, props: ObjectValue, instance: string): void {
  const { machine } = composition;
  const state = native("$state", ([initial], place) => stateValue(machine, initial ?? absent, place));
  const rune = (
    name: string,
    call: Parameters<typeof native>[1],
    members: (name: string) => Value | null = () => null,
  ) => bind(scope, name, { kind: "native", name, call, members });
  rune(
    "$props",
    () => props,
    (name) => (name === "id" ? native("id", (_, place) => known(madeId(machine, place.source))) : null),
  );
  rune("$state", state.call, (name) =>
    name === "raw" ? state : native("snapshot", ([value]) => value ?? absent),
  );
  rune(
    "$derived",
    ([value]) => value ?? absent,
    () => native("by", ([make], place) => machine.call(make ?? absent, [], place)),
  );
  rune("$bindable", ([value]) => value ?? absent);
  rune(
    "$effect",
    () => absent,
    () => native("pre", () => absent),
  );
  rune("$inspect", () => absent);
  rune("$host", (_, place) => unknownAt(place.source, place.text, `host ${instance}`));
}

/** `export let label = "x"`: props as they were written before runes. */
function exportedLets(
  script: Ast.Program,
): readonly { readonly name: string; readonly init: Ast.Node | null }[] {
  return script.body.flatMap((statement) =>
    statement.type === "ExportNamedDeclaration" &&
    statement.declaration?.type === "VariableDeclaration" &&
    statement.declaration.kind === "let"
      ? statement.declaration.declarations.flatMap(({ id, init }) =>
          id.type === "Identifier" ? [{ name: id.name, init: init ?? null }] : [],
        )
      : [],
  );
}

/** Svelte 4: all that a component is given, or all but what it exports. */
const usesAllProps = /\$\$(?:props|restProps)\b/;

/**
 * What default values say of props without types: one that is yes or no may be either.
 * @param isOpen whether the component looks at what it is given beyond what it exports
 */
function propsOfDefaults(props: ReturnType<typeof exportedLets>, source: Span, isOpen: boolean): ObjectValue {
  const place = { name: "props", id: `props ${source.file}:${source.start}`, source };
  return objectOf(
    props.map(({ name, init }) => {
      const shape: Shape =
        init?.type === "BooleanLiteral"
          ? { kind: "literals", values: [true, false], others: null }
          : init?.type === "StringLiteral" && init.value !== ""
            ? { kind: "plain", type: "string" }
            : anything;
      return [name, openMember({ shape, optional: false }, name, place, true)] as const;
    }),
    isOpen ? unknownAt(source, "props", place.id) : null,
  );
}

function propsDeclaration(script: Ast.Program): Ast.VariableDeclarator | null {
  let found: Ast.VariableDeclarator | null = null;
  everyNode(script, (node) => {
    if (
      node.type === "VariableDeclarator" &&
      node.init?.type === "CallExpression" &&
      node.init.callee.type === "Identifier" &&
      node.init.callee.name === "$props"
    )
      found = node;
    return found === null;
  });
  return found;
}
