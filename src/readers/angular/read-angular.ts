import { parseTemplate } from "@angular/compiler";
import type * as Ast from "@babel/types";
import type { TemplateNode } from "../composition/source-module.ts";
import { everyNode, type ScriptError } from "../script/parse-script.ts";
import { type AngularNode, angularTemplate } from "./template-syntax.ts";

/** A template as parsed, as far as it could be. */
export interface ReadTemplate {
  readonly template: readonly TemplateNode[];
  readonly errors: readonly ScriptError[];
}

/** Parses a template; `start` is where its text stands in its file. */
export function readAngular(text: string, file: string, start = 0): ReadTemplate {
  const parsed = parsedTemplate(text, file);
  if (parsed === null)
    return { template: [], errors: [{ message: "the parser gives up on this template", offset: start }] };
  const { nodes, errors } = parsed;
  return {
    template: angularTemplate(nodes as unknown as readonly AngularNode[], text, start),
    errors: (errors ?? []).map(({ msg, span }) => ({ message: msg, offset: start + span.start.offset })),
  };
}

/** Null where the parser of Angular fails itself: it does on some templates that are broken in several ways. */
function parsedTemplate(text: string, file: string): ReturnType<typeof parseTemplate> | null {
  try {
    return parseTemplate(text, file, { preserveWhitespaces: true });
  } catch (error) {
    // Markup that nests too deeply is told as such.
    if (error instanceof RangeError) throw error;
    return null;
  }
}

/** The templates that stand in the decorators of a script, by where each literal starts. */
export function inlineTemplates(
  program: Ast.Program,
  text: string,
  file: string,
): {
  readonly templates: ReadonlyMap<number, readonly TemplateNode[]>;
  readonly errors: readonly ScriptError[];
} {
  const templates = new Map<number, readonly TemplateNode[]>();
  const errors: ScriptError[] = [];
  everyNode(program, (node) => {
    if (node.type !== "ObjectProperty" || node.key.type !== "Identifier" || node.key.name !== "template")
      return true;
    const literal = node.value;
    const isText =
      literal.type === "StringLiteral" ||
      (literal.type === "TemplateLiteral" && literal.expressions.length === 0);
    if (!isText) return true;
    const start = (literal.start ?? 0) + 1;
    const read = readAngular(text.slice(start, (literal.end ?? 1) - 1), file, start);
    templates.set(literal.start ?? 0, read.template);
    errors.push(...read.errors);
    return false;
  });
  return { templates, errors };
}
