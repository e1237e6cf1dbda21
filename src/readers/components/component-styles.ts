import type { SourceModule, StylePart } from "./source-module.ts";

/** Styles that stand in a component file itself. */
export const stylesOf = ({ content }: SourceModule): readonly StylePart[] =>
  content.kind === "template" ? content.parts.styles : [];

/** The attribute that elements of a component carry for its scoped styles. */
export const scopeAttribute = ({ file }: Pick<SourceModule, "file">): string =>
  `data-keel-${file.replace(/[^A-Za-z0-9]/g, "-").toLowerCase()}`;
