import type * as Ast from "@babel/types";
import { parse, type SFCBlock } from "@vue/compiler-sfc";
import type { StylePart } from "../composition/source-module.ts";
import type { ReadParts } from "../composition/template-parts.ts";
import { parseScript, type ScriptError } from "../script/parse-script.ts";
import { type VueNode, vueTemplate } from "./template-syntax.ts";

/** Takes a Vue single-file component apart. Offsets are those of the file. */
export function readVue(text: string, file: string): ReadParts {
  const { descriptor, errors: found } = parse(text, { filename: file, sourceMap: false, ignoreEmpty: false });
  const errors: ScriptError[] = found.map((error) => ({
    message: error.message,
    offset: ("loc" in error ? error.loc?.start.offset : undefined) ?? 0,
  }));
  const typescript = [descriptor.script, descriptor.scriptSetup].some((block) =>
    /^tsx?$/.test(block?.lang ?? ""),
  );
  const program = (block: SFCBlock | null): Ast.Program | null => {
    if (block === null || block.src !== undefined) return null;
    const parsed = parseScript(block.content, {
      start: block.loc.start.offset,
      typescript,
      // Only in TypeScript may a bracket begin something else than an element.
      jsx: block.lang !== "ts",
    });
    errors.push(...parsed.errors);
    return parsed.program;
  };
  const isSetup = descriptor.scriptSetup !== null;
  const plain = program(descriptor.script);
  const setup = program(descriptor.scriptSetup);
  const { template } = descriptor;
  // Markup in another language than HTML is not read.
  const nodes =
    template?.ast === undefined || (template.lang ?? "html") !== "html"
      ? []
      : (template.ast.children as readonly VueNode[]);
  const styles = descriptor.styles.flatMap((style): StylePart[] =>
    style.src !== undefined
      ? []
      : [
          {
            text: style.content,
            start: style.loc.start.offset,
            scoped: style.scoped === true,
            module:
              style.module === undefined || style.module === false
                ? null
                : style.module === true
                  ? "$style"
                  : style.module,
            language: style.lang ?? "css",
          },
        ],
  );
  const outer = [descriptor.script, descriptor.scriptSetup, template, ...descriptor.styles].flatMap(
    (block) => block?.src ?? [],
  );
  return {
    parts: {
      script: isSetup ? setup : plain,
      moduleScript: isSetup ? plain : null,
      isSetup: isSetup || plain === null,
      template: vueTemplate(nodes, typescript),
      styles,
    },
    errors,
    imports: outer,
  };
}
