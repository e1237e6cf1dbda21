import { readFile } from "node:fs/promises";
import path from "node:path";
import type * as Ast from "@babel/types";
import { type OnLoadResult, type TransformFailure, transform } from "esbuild";
import { lineMap } from "../../core/document/line-map.ts";
import { thrownWords } from "../../core/findings/thrown-words.ts";
import { everyNode, parseScript } from "../../readers/script/parse-script.ts";
import { shownPath } from "../mounted/shown-path.ts";
import { STAGE } from "../mounted/stage.ts";
import { styleMark } from "../mounted/style-mark.ts";
import { constructorParameters, signalDecorators } from "./angular-members.ts";
import { stampedTemplate, type TemplateParser } from "./angular-template.ts";
import { projectTool } from "./project-tools.ts";
import { type Replacement, replaced } from "./replaced.ts";
import type { Gathered, SourceFile } from "./source-file.ts";
import { compileStyle } from "./style-source.ts";

/** What a source of Angular is compiled for. */
export interface AngularProject {
  readonly root: string;
  readonly workingDirectory: string;
  /** Where stylesheets are looked for beside their own folder. Absolute. */
  readonly stylePaths: readonly string[];
  /** The language of styles that stand in scripts, by the ending of its files. */
  readonly inlineStyles: string;
  /** The file of the module that declares a component; null where none is found. */
  readonly moduleOf: (name: string, file: string) => Promise<string | null>;
}

/** The decorators after which Angular's compiler makes something of a class. */
const decorators = /^(?:Component|Directive|Injectable|NgModule|Pipe)$/;

/** Whether a script may hold what Angular's compiler makes something of. */
export const isOfAngular = (text: string): boolean =>
  text.includes("@angular/core") && /@(?:Component|Directive|Injectable|NgModule|Pipe)\s*\(/.test(text);

/**
 * Makes a script with classes of Angular ready for the project's own compiler, which compiles them in the window: what
 * that compiler is told by a build, and cannot see there, is written out. Its templates say where their tags stand.
 */
export async function compileAngular(
  project: AngularProject,
  source: SourceFile,
  gathered: Gathered,
): Promise<OnLoadResult> {
  const parser = await projectTool<TemplateParser>(project.root, "@angular/compiler");
  if (parser === null)
    return { errors: [{ text: "the project has no @angular/compiler to compile it with" }] };
  const { program } = parseScript(source.text, { start: 0, typescript: true, jsx: false });
  const compiling = new AngularScript(project, source, parser, gathered, program);
  try {
    const { code } = await transform(await compiling.text(), {
      loader: "ts",
      sourcefile: path.basename(source.path),
      sourcemap: "inline",
      sourcesContent: false,
      tsconfigRaw: { compilerOptions: { experimentalDecorators: true, useDefineForClassFields: false } },
    });
    return { contents: code, loader: "js", resolveDir: path.dirname(source.path) };
  } catch (error) {
    const { errors } = error as Partial<TransformFailure>;
    if (errors === undefined) return { errors: [{ text: thrownWords(error), location: placeless(source) }] };
    return {
      errors: errors.map(({ text, location }) => ({
        text,
        location: location === null ? null : { ...location, file: source.name },
      })),
    };
  }
}

/** The beginning of a file, where nothing more is known. */
const placeless = ({ name, text }: SourceFile) => ({
  file: name,
  line: 1,
  column: 0,
  lineText: text.split("\n")[0] ?? "",
});

/** One script, and what is changed in it. */
class AngularScript {
  readonly #project: AngularProject;
  readonly #source: SourceFile;
  readonly #parser: TemplateParser;
  readonly #gathered: Gathered;
  readonly #program: Ast.Program;
  readonly #changes: Replacement[] = [];
  readonly #tail: string[] = [];

  constructor(
    project: AngularProject,
    source: SourceFile,
    parser: TemplateParser,
    gathered: Gathered,
    program: Ast.Program,
  ) {
    this.#project = project;
    this.#source = source;
    this.#parser = parser;
    this.#gathered = gathered;
    this.#program = program;
  }

  async text(): Promise<string> {
    const classes: Ast.Class[] = [];
    everyNode(this.#program, (node) => {
      if (node.type === "ClassDeclaration" || node.type === "ClassExpression") classes.push(node);
      return true;
    });
    for (const node of classes) await this.#prepare(node);
    // On the first line and after the last: what stands between keeps its lines.
    return `import * as keelAngular from "@angular/core"; ${replaced(this.#source.text, this.#changes)}\n${this.#tail.join("\n")}`;
  }

  async #prepare(node: Ast.Class): Promise<void> {
    const decorator = (node.decorators ?? []).find(({ expression }) =>
      decorators.test(calleeName(expression)),
    );
    if (decorator === undefined) return;
    const { text } = this.#source;
    const place = this.#place(node.id?.start ?? node.start ?? 0);
    const start = (node.body.start ?? 0) + 1;
    this.#changes.push(...signalDecorators(this.#program, node, text), {
      start,
      end: start,
      text: `static { globalThis.${STAGE}.sites.set(this, ${JSON.stringify(place)}); } ${constructorParameters(this.#program, node, text)}`,
    });
    const [metadata] = decorator.expression.type === "CallExpression" ? decorator.expression.arguments : [];
    if (calleeName(decorator.expression) !== "Component" || metadata?.type !== "ObjectExpression") return;
    await this.#prepareComponent(metadata);
    if (node.id != null && !this.#isStandalone(metadata)) {
      const file = await this.#project.moduleOf(node.id.name, this.#source.path);
      if (file !== null)
        this.#tail.push(`globalThis.${STAGE}.modules.push(() => require(${JSON.stringify(file)}));`);
    }
  }

  /** Components stand alone where they say so, and from version 19 on where they do not say otherwise. */
  #isStandalone(metadata: Ast.ObjectExpression): boolean {
    const said = optionOf(metadata, "standalone")?.value;
    if (said?.type === "BooleanLiteral") return said.value;
    return Number.parseInt(this.#parser.VERSION.major, 10) >= 19;
  }

  async #prepareComponent(metadata: Ast.ObjectExpression): Promise<void> {
    const styles: string[] = [];
    for (const property of metadata.properties) {
      if (property.type !== "ObjectProperty") continue;
      const span = { start: property.start ?? 0, end: property.end ?? 0 };
      const { value } = property;
      switch (keyOf(property)) {
        case "template":
          if (isPlainText(value)) this.#changes.push(this.#inlineTemplate(value));
          break;
        case "templateUrl": {
          const address = textOf(value);
          if (address === null) break;
          const template = await this.#templateAt(address);
          this.#changes.push({ ...span, text: `template: ${template}` });
          break;
        }
        case "styleUrl":
        case "styleUrls": {
          const urls = value.type === "ArrayExpression" ? value.elements : [value];
          for (const url of urls) {
            const address = url === null ? null : textOf(url);
            if (address !== null) styles.push(await this.#styleAt(address));
          }
          this.#changes.push({ ...span, text: `keelStyles: null` });
          break;
        }
        case "styles": {
          const inline = value.type === "ArrayExpression" ? value.elements : [value];
          for (const style of inline) if (style !== null) styles.push(await this.#inlineStyle(style));
          this.#changes.push({ ...span, text: `keelInlineStyles: null` });
          break;
        }
      }
    }
    if (styles.length > 0) {
      const start = (metadata.start ?? 0) + 1;
      this.#changes.push({ start, end: start, text: `styles: [${styles.join(", ")}].flat(), ` });
    }
  }

  #inlineTemplate(value: Ast.StringLiteral | Ast.TemplateLiteral): Replacement {
    const [start, end] = [(value.start ?? 0) + 1, (value.end ?? 1) - 1];
    const quote = this.#source.text[start - 1] === '"' ? "'" : '"';
    const lines = lineMap(this.#source.text);
    const text = stampedTemplate(
      this.#parser,
      this.#source,
      { start, end, quote, isEscaped: true },
      (offset) => placeIn(lines, this.#source.name, offset),
    );
    return { start, end, text };
  }

  /** A template in a file of its own, as a literal. */
  async #templateAt(address: string): Promise<string> {
    const { path: file, name, text } = await this.#fileAt(address);
    const lines = lineMap(text);
    const span = { start: 0, end: text.length, quote: '"', isEscaped: false } as const;
    return JSON.stringify(
      stampedTemplate(this.#parser, { path: file, name, text }, span, (offset) =>
        placeIn(lines, name, offset),
      ),
    );
  }

  /** A file that the script names, beside it. @throws what is wrong, in words */
  async #fileAt(address: string): Promise<SourceFile> {
    const file = path.resolve(path.dirname(this.#source.path), address);
    const text = await readFile(file, "utf8").catch(() => {
      throw new Error(`Could not read "${address}", which it names.`);
    });
    return { path: file, name: shownPath(this.#project.workingDirectory, file), text };
  }

  /** A stylesheet in a file of its own, as a literal. */
  async #styleAt(address: string): Promise<string> {
    return this.#compiledStyle(await this.#fileAt(address), 0);
  }

  /** A stylesheet in the script; what is no plain text stays as it is. */
  async #inlineStyle(value: Ast.Node): Promise<string> {
    const { path: file, name, text } = this.#source;
    const [start, end] = [value.start ?? 0, value.end ?? 0];
    const written = text.slice(start + 1, end - 1);
    if (!isPlainText(value) || textOf(value) !== written) return text.slice(start, end);
    return this.#compiledStyle(
      { path: `${file}.${this.#project.inlineStyles}`, name, text: written },
      start + 1,
    );
  }

  async #compiledStyle(source: SourceFile, start: number): Promise<string> {
    const compiled = await compileStyle(this.#project.root, source, this.#project.stylePaths);
    if (compiled === null) this.#gathered.stylesKnown = false;
    const { text, isAsWritten } = compiled ?? { text: "", isAsWritten: true };
    const key = `${source.name}:${start}`;
    const file = isAsWritten ? source.name : `${source.name} as compiled`;
    const own = { file, text, start: isAsWritten ? start : 0 };
    this.#gathered.styles.set(key, { ...own, suffix: "", scope: null, compiled: null });
    return JSON.stringify(`${text}${styleMark(key)}`);
  }

  #place(offset: number): string {
    return placeIn(lineMap(this.#source.text), this.#source.name, offset);
  }
}

const placeIn = (lines: ReturnType<typeof lineMap>, name: string, offset: number): string => {
  const { line, column } = lines.position(offset);
  return `${name}:${line}:${column}`;
};

const calleeName = (expression: Ast.Node): string =>
  expression.type === "CallExpression" && expression.callee.type === "Identifier"
    ? expression.callee.name
    : "";

const keyOf = ({ key }: Ast.ObjectProperty): string =>
  key.type === "Identifier" ? key.name : key.type === "StringLiteral" ? key.value : "";

const optionOf = (metadata: Ast.ObjectExpression, name: string): Ast.ObjectProperty | undefined =>
  metadata.properties.find(
    (property): property is Ast.ObjectProperty =>
      property.type === "ObjectProperty" && keyOf(property) === name,
  );

const isPlainText = (node: Ast.Node): node is Ast.StringLiteral | Ast.TemplateLiteral =>
  node.type === "StringLiteral" || (node.type === "TemplateLiteral" && node.expressions.length === 0);

const textOf = (node: Ast.Node): string | null =>
  node.type === "StringLiteral"
    ? node.value
    : node.type === "TemplateLiteral" && node.expressions.length === 0
      ? (node.quasis[0]?.value.cooked ?? null)
      : null;
