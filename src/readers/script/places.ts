import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import { shortened } from "../../core/document/shortened.ts";
import { type Machine, unknownAt } from "./machine.ts";
import type { CallPlace, Scope, Unknown, Value } from "./value.ts";

const LONGEST_TEXT = 60;

export const spanOf = (node: Ast.Node, scope: Scope): Span => ({
  file: scope.module.file,
  start: node.start ?? 0,
  end: node.end ?? 0,
});

export const textOf = (node: Ast.Node, scope: Scope): string =>
  shortened(scope.module.text.slice(node.start ?? 0, node.end ?? 0).replace(/\s+/g, " "), LONGEST_TEXT);

export const placeOf = (node: Ast.Node, scope: Scope, self: Value | null = null): CallPlace => ({
  source: spanOf(node, scope),
  text: textOf(node, scope),
  self,
});

/** A value that source does not give, known by where it is made and for which use of the component. */
export const unknownOf = (machine: Machine, node: Ast.Node, scope: Scope): Unknown =>
  unknownAt(
    spanOf(node, scope),
    textOf(node, scope),
    `${scope.module.file}:${node.start}@${machine.state.instance}`,
  );

export const questionOf = (node: Ast.Node, scope: Scope, machine: Machine) => ({
  text: textOf(node, scope),
  source: spanOf(node, scope),
  id: `${scope.module.file}:${node.start}@${machine.state.instance}`,
});

/** A name as an expression: what it stands for is asked like any other. */
export const nameNode = (name: string): Ast.Identifier =>
  ({ type: "Identifier", name, start: 0, end: 0 }) as Ast.Identifier;
