import type * as Ast from "@babel/types";
import { everyNode } from "../script/parse-script.ts";
import { typeArguments } from "../script/type-arguments.ts";
import type { FunctionValue } from "../script/value.ts";

/** The names that programs declare at their top level, in order. */
export function declaredNames(programs: readonly Ast.Program[]): readonly string[] {
  const names: string[] = [];
  for (const statement of programs.flatMap((program) => program.body)) {
    const declaration =
      statement.type === "ExportNamedDeclaration" || statement.type === "ExportDefaultDeclaration"
        ? statement.declaration
        : statement;
    if (declaration?.type === "VariableDeclaration") {
      for (const { id } of declaration.declarations) if (id.type === "Identifier") names.push(id.name);
    } else if (
      (declaration?.type === "FunctionDeclaration" || declaration?.type === "ClassDeclaration") &&
      declaration.id != null
    )
      names.push(declaration.id.name);
  }
  return names;
}

/** Whether a function has markup of its own: a name in capitals alone makes no component, nor what is given more than props and a ref. */
export function mayRender({ node }: FunctionValue): boolean {
  if (node.params.length > 2) return false;
  let found = false;
  everyNode(node.body, (node) => {
    if (node.type === "JSXElement" || node.type === "JSXFragment") found = true;
    if (node.type === "Identifier" && (node.name === "createElement" || node.name === "cloneElement"))
      found = true;
    return !found;
  });
  return found;
}

/** Types of props that stand around a function: `forwardRef<E, Props>(…)`, `const Card: FC<Props> = …`; by its offset. */
export function wrappedPropsTypes(
  programs: readonly Ast.Program[],
  text: string,
): ReadonlyMap<number, Ast.Node> {
  const found = new Map<number, Ast.Node>();
  if (!/\b(?:forwardRef|memo|\w+Component|FC|VFC)\s*</.test(text)) return found;
  const isFunction = (node: Ast.Node | null | undefined): node is Ast.Function =>
    node?.type === "ArrowFunctionExpression" || node?.type === "FunctionExpression";
  for (const program of programs)
    everyNode(program, (node) => {
      if (node.type === "CallExpression") {
        const [fn] = node.arguments;
        const name =
          node.callee.type === "Identifier"
            ? node.callee.name
            : node.callee.type === "MemberExpression" && node.callee.property.type === "Identifier"
              ? node.callee.property.name
              : "";
        const types = typeArguments(node);
        const props = name === "forwardRef" ? types[1] : name === "memo" ? types[0] : undefined;
        if (isFunction(fn) && props !== undefined) found.set(fn.start ?? -1, props);
      }
      if (node.type === "VariableDeclarator" && node.id.type === "Identifier" && isFunction(node.init)) {
        const annotation = node.id.typeAnnotation;
        const type = annotation?.type === "TSTypeAnnotation" ? annotation.typeAnnotation : null;
        const [props] = type?.type === "TSTypeReference" ? typeArguments(type) : [];
        if (props !== undefined) found.set(node.init.start ?? -1, props);
      }
      return true;
    });
  return found;
}
