import type * as Ast from "@babel/types";
import { onceFor } from "../../core/document/once.ts";
import { metadataOf } from "../angular/angular-metadata.ts";
import type { SourceModule, StylePart } from "./source-module.ts";

/** Whether a module decorates a class as a component. */
export const isDecorated = onceFor(({ text }: SourceModule): boolean => /@Component\b/.test(text));

/** Styles that stand in a component file itself; a stylesheet is one style. */
export const stylesOf = onceFor((module: SourceModule): readonly StylePart[] => {
  const { content } = module;
  if (content.kind === "style") return [wholeFile(module)];
  if (content.kind === "template") return content.parts.styles;
  return content.kind === "script" && isDecorated(module) ? decoratedStyles(content.program) : [];
});

const wholeFile = ({ file, text }: SourceModule): StylePart => ({
  text,
  start: 0,
  scoped: false,
  module: /\.module\.[a-z]+$/.test(file) ? "default" : null,
  language: file.slice(file.lastIndexOf(".") + 1).toLowerCase(),
});

const decoratedStyles = (program: Ast.Program): readonly StylePart[] =>
  program.body.flatMap((statement) => {
    const declaration =
      statement.type === "ExportNamedDeclaration" || statement.type === "ExportDefaultDeclaration"
        ? statement.declaration
        : statement;
    const styles = declaration?.type === "ClassDeclaration" ? (metadataOf(declaration)?.styles ?? []) : [];
    return styles.map((style) => ({ ...style, scoped: true, module: null, language: "css" }));
  });

/** The attribute that elements of a component carry for its scoped styles. */
export const scopeAttribute = ({ file }: Pick<SourceModule, "file">): string =>
  `data-keel-${file.replace(/[^A-Za-z0-9]/g, "-").toLowerCase()}`;
