import type * as Ast from "@babel/types";

/** Type arguments, under the names that parsers have given them. */
export const typeArguments = (node: object): readonly Ast.Node[] => {
  const holder = node as {
    typeParameters?: { params?: Ast.Node[] } | null;
    typeArguments?: { params?: Ast.Node[] } | null;
  };
  return holder.typeParameters?.params ?? holder.typeArguments?.params ?? [];
};
