import type * as Ast from "@babel/types";
import { type AST, parse } from "svelte/compiler";
import type { StylePart } from "../composition/source-module.ts";
import type { ReadParts } from "../composition/template-parts.ts";
import { parseScript, type ScriptError } from "../script/parse-script.ts";
import { svelteTemplate } from "./template-syntax.ts";

/** Takes a Svelte component apart. Offsets are those of the file. */
export function readSvelte(text: string): ReadParts {
  const errors: ScriptError[] = [];
  const root = parsed(withoutOtherStyles(text), errors);
  if (root === null)
    return {
      parts: { script: null, moduleScript: null, isSetup: true, template: [], styles: [] },
      errors,
      imports: [],
    };
  const typescript = true;
  const program = (script: AST.Script | null | undefined): Ast.Program | null => {
    if (script == null) return null;
    const { start, end } = script.content as unknown as { readonly start: number; readonly end: number };
    const read = parseScript(text.slice(start, end), { start, typescript: true, jsx: false });
    errors.push(...read.errors);
    return read.program;
  };
  const styles: readonly StylePart[] =
    root.css == null
      ? []
      : [
          {
            text: text.slice(root.css.content.start, root.css.content.end),
            start: root.css.content.start,
            scoped: true,
            module: null,
            language: languageOf(root.css.attributes),
          },
        ];
  return {
    parts: {
      script: program(root.instance),
      moduleScript: program(root.module),
      isSetup: true,
      template: svelteTemplate(root.fragment, text, typescript),
      styles,
    },
    errors,
    imports: [],
  };
}

/** The parser knows plain CSS alone: styles in other languages are blanked, and every place stays. */
const withoutOtherStyles = (text: string): string =>
  text.replace(
    /(<style\b[^>]*\blang\s*=\s*["']?(?!css\b)[\w-]+[^>]*>)([\s\S]*?)(?=<\/style\s*>)/gi,
    (_, tag: string, written: string) => tag + written.replace(/[^\r\n]/g, " "),
  );

function parsed(text: string, errors: ScriptError[]): AST.Root | null {
  try {
    return parse(text, { modern: true });
  } catch (error) {
    if (error instanceof RangeError) throw error;
    const { message, start } = error as {
      readonly message: string;
      readonly start?: { readonly character: number };
    };
    errors.push({ message: message.split("\n")[0] ?? message, offset: start?.character ?? 0 });
  }
  try {
    return parse(text, { modern: true, loose: true });
  } catch {
    return null;
  }
}

function languageOf(attributes: readonly unknown[]): string {
  for (const attribute of attributes as readonly AST.Attribute[]) {
    if (attribute.name !== "lang" || !Array.isArray(attribute.value)) continue;
    const [first] = attribute.value;
    if (first?.type === "Text") return first.data;
  }
  return "css";
}
