import type * as Ast from "@babel/types";
import type { CompiledStyle } from "../../core/css/compiled-sheet.ts";
import type { Namespace, Span } from "../../core/document/node.ts";
import type { TreeNode } from "../../core/worlds/tree.ts";
import type { Machine } from "../script/machine.ts";
import type { Shape } from "../script/type-shape.ts";
import type { Component, ComponentCall, MarkupValue, Scope, Value } from "../script/value.ts";
import type { SourceModule } from "./source-module.ts";

/** What the parts that compose a tree ask of one another. */
export interface Composition {
  readonly machine: Machine;
  /** The scope of a module, its names worked out when asked for. */
  readonly scopeOf: (module: SourceModule) => Scope;
  readonly moduleOf: (scope: Scope) => SourceModule | null;
  readonly moduleAt: (path: string) => SourceModule | null;
  /** The module by the name that spans have for it. */
  readonly moduleNamed: (file: string) => SourceModule | null;
  /** What a module exports under a name; null where it exports no such thing. */
  readonly exported: (path: string, name: string) => Value | null;
  /** The component that a value is; null where it is none. */
  readonly componentOf: (value: Value) => Component | null;
  /** The HTML element that a name stands for by configuration. */
  readonly standsFor: (name: string) => string | null;
  readonly toNodes: (value: Value, namespace: Namespace) => readonly TreeNode[];
  readonly renderMarkup: (markup: MarkupValue, namespace: Namespace) => readonly TreeNode[];
  /** Renders one use of a component: its frames and its instance are those of the call while it lasts. */
  /** What a type says, in the file that a scope belongs to. */
  readonly shapeIn: (node: Ast.Node, scope: Scope) => Shape;
  readonly use: (component: Component, call: UseOf) => readonly TreeNode[];
  /** The text of a file by the name that spans have for it. */
  readonly textOf: (file: string) => string | null;
  /** Keeps the rules of a class that a script makes. */
  readonly keepStyle: (className: string, style: CompiledStyle) => void;
  readonly noteUnknown: (name: string, source: Span) => void;
  /** What a caller gives to something that is not in source: looked at by itself. */
  readonly addIsland: (nodes: readonly TreeNode[], component: string | null) => void;
}

export type UseOf = Omit<ComponentCall, "frames" | "instance" | "isAlone"> & {
  readonly owner: ComponentCall["frames"];
};
