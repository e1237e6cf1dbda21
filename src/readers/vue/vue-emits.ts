import type * as Ast from "@babel/types";
import { bareEvent } from "../composition/emitter.ts";
import type { SourceModule } from "../composition/source-module.ts";
import { everyNode } from "../script/parse-script.ts";
import { typeArguments } from "../script/type-arguments.ts";
import { shapeOf, type TypeNames } from "../script/type-shape.ts";
import { type Emits, isCallOf } from "./vue-props.ts";

const everyEvent: Emits = () => true;
const noEvent: Emits = () => false;

const emitsOf = (names: Iterable<string>): Emits => {
  const known = new Set([...names].map(bareEvent));
  return (event) => known.has(bareEvent(event));
};

/** `defineEmits([…])`, `defineEmits({ … })`, `defineEmits<…>()`. */
export function definedEmits(
  module: SourceModule,
  script: Ast.Program | null,
  types: TypeNames<SourceModule>,
): Emits {
  const calls: Ast.CallExpression[] = [];
  if (script !== null)
    everyNode(script, (node) => {
      if (isCallOf(node, "defineEmits")) calls.push(node);
      return !/Function/.test(node.type);
    });
  const [call] = calls;
  if (call === undefined) return noEvent;
  const [type] = typeArguments(call);
  if (type === undefined) return listedEmits(call.arguments[0] ?? null);
  const signatures = signedEvents(type);
  if (signatures.length > 0) return emitsOf(signatures);
  const shape = shapeOf({ node: type, module }, types);
  return shape.kind === "object" && !shape.open && shape.members.size > 0
    ? emitsOf(shape.members.keys())
    : everyEvent;
}

/** `emits: […]`, `emits: { … }`; any event where it cannot be read. */
export function listedEmits(written: Ast.Node | null): Emits {
  if (written === null) return noEvent;
  const names: string[] = [];
  const parts =
    written.type === "ArrayExpression"
      ? written.elements
      : written.type === "ObjectExpression"
        ? written.properties
        : [null];
  for (const part of parts) {
    const key = part?.type === "ObjectProperty" || part?.type === "ObjectMethod" ? part.key : part;
    const isComputed = key !== part && part !== null && "computed" in part && part.computed === true;
    if (key?.type === "StringLiteral") names.push(key.value);
    else if (key?.type === "Identifier" && key !== part && !isComputed) names.push(key.name);
    else return everyEvent;
  }
  return emitsOf(names);
}

/** `{ (event: "close" | "open", by: string): void }`, and a type of a function alone. */
function signedEvents(type: Ast.Node): readonly string[] {
  const signatures =
    type.type === "TSTypeLiteral"
      ? type.members.filter((member) => member.type === "TSCallSignatureDeclaration")
      : type.type === "TSFunctionType"
        ? [type]
        : [];
  const names: string[] = [];
  for (const { parameters } of signatures)
    for (const parameter of parameters.slice(0, 1))
      everyNode(parameter, (inner) => {
        if (inner.type === "StringLiteral") names.push(inner.value);
        return true;
      });
  return names;
}
