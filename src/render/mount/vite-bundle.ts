import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import path from "node:path";
import { pathToFileURL } from "node:url";
import { shownPath } from "../mounted/shown-path.ts";
import type { BundledStyle, BundleRequest, SourceRemark } from "../protocol.ts";
import { firstThere, resolves } from "./project-tools.ts";
import { stamping } from "./vue-source.ts";
import { entryCode, jsxCode, mountCodeFor, specimenCode } from "./window-code.ts";

/** A program as the project's own Vite builds it. */
export interface BuiltByVite {
  readonly code: Uint8Array;
  readonly map: Uint8Array;
  readonly style: BundledStyle | null;
}

/** What the process that builds is asked for. */
export interface ViteRequest {
  readonly request: BundleRequest;
  readonly files: readonly string[];
  readonly frameworks: readonly string[];
  readonly config: string;
}

interface ViteOutput {
  readonly type: "chunk" | "asset";
  readonly fileName: string;
  readonly code?: string;
  readonly map?: object | null;
  readonly source?: string | Uint8Array;
}

interface Vite {
  build(
    options: object,
  ): Promise<
    { readonly output: readonly ViteOutput[] } | readonly { readonly output: readonly ViteOutput[] }[]
  >;
}

interface ViteContext {
  resolve(name: string, importer: string, options: object): Promise<{ readonly id: string } | null>;
}

interface ResolvedConfig {
  readonly plugins: readonly { readonly name: string; readonly api?: { options?: VueOptions } }[];
}

interface VueOptions {
  readonly template?: { readonly compilerOptions?: { readonly nodeTransforms?: readonly unknown[] } };
}

const configs = ["ts", "mts", "cts", "js", "mjs", "cjs"].map((ending) => `vite.config.${ending}`);

/** The configuration of Vite that a project has; null without one. */
export const viteConfig = (root: string): string | null => firstThere(root, configs);

const ENTRY = "virtual:keel-entry";
const STYLE = "vite.css";

/** Builds specimens with the project's own Vite and its configuration. What does not build is thrown, as Vite tells it. */
export async function builtByVite(
  { root, workingDirectory }: BundleRequest,
  files: readonly string[],
  frameworks: readonly string[],
  configFile: string,
): Promise<BuiltByVite> {
  process.env.NODE_ENV = "development";
  const { build } = await ownVite(root);
  const ours: ReadonlyMap<string, string> = new Map([
    [ENTRY, entryCode(files, frameworks, "import")],
    ["even-keel/specimen", specimenCode],
    ...frameworks.map(
      (name) => [`keel:mount-${name}`, mountCodeFor(name, (wanted) => resolves(root, wanted))] as const,
    ),
  ]);
  const plugin = {
    name: "even-keel",
    enforce: "pre",
    config: () => ({ oxc: { jsx: { runtime: "automatic", development: true } } }),
    configResolved({ plugins }: ResolvedConfig) {
      const api = plugins.find(({ name }) => name === "vite:vue")?.api;
      if (api?.options === undefined) return;
      const { template = {} } = api.options;
      const nodeTransforms = [
        ...(template.compilerOptions?.nodeTransforms ?? []),
        stamping(workingDirectory),
      ];
      api.options = {
        ...api.options,
        template: { ...template, compilerOptions: { ...template.compilerOptions, nodeTransforms } },
      };
    },
    async resolveId(this: ViteContext, name: string, importer = "") {
      if (ours.has(name)) return `\0${name}`;
      if (name.startsWith("\0keel-jsx:")) return name;
      if (!/\/jsx-(?:dev-)?runtime$/.test(name) || /[\\/]node_modules[\\/]|^\0/.test(importer)) return null;
      const real = await this.resolve(name, importer, { skipSelf: true });
      return real === null ? null : `\0keel-jsx:${real.id}`;
    },
    load(id: string) {
      if (id.startsWith("\0keel-jsx:")) return jsxCode(id.slice("\0keel-jsx:".length));
      return ours.get(id.slice(1)) ?? null;
    },
  };
  const built = await build({
    root,
    configFile,
    mode: "development",
    logLevel: "silent",
    define: { "process.env.NODE_ENV": '"development"' },
    plugins: [plugin],
    build: {
      outDir: "dist",
      write: false,
      minify: false,
      cssCodeSplit: false,
      assetsInlineLimit: 1e9,
      sourcemap: true,
      reportCompressedSize: false,
      rollupOptions: { input: ENTRY, output: { format: "iife", codeSplitting: false }, treeshake: false },
    },
  });
  const outputs = [built].flat().flatMap((one) => ("output" in one ? one.output : []));
  const chunk = outputs.find((one) => one.type === "chunk");
  const style = outputs.find((one) => one.type === "asset" && one.fileName.endsWith(".css"))?.source;
  const bytes = (text: string) => new TextEncoder().encode(text);
  const { sources = [], ...map } = (chunk?.map ?? {}) as { readonly sources?: readonly string[] };
  // Sources are told from where the program would be written.
  const from = path.join(root, "dist", path.dirname(chunk?.fileName ?? ""));
  return {
    code: bytes(
      `${style === undefined ? "" : `globalThis.__evenKeel.styles.push(${JSON.stringify(STYLE)});`}${chunk?.code ?? ""}`,
    ),
    map: bytes(
      JSON.stringify({
        version: 3,
        mappings: "",
        ...map,
        sources: sources.map((one) => path.resolve(from, one)),
      }),
    ),
    style:
      style === undefined
        ? null
        : {
            file: "styles as Vite builds them",
            text: typeof style === "string" ? style : new TextDecoder().decode(style),
            start: 0,
            suffix: "",
            scope: null,
            compiled: null,
          },
  };
}

export const viteStyle = STYLE;

/** Vite tells only its way in for modules, which a resolver of the other kind does not find. */
async function ownVite(root: string): Promise<Vite> {
  const file = createRequire(path.join(root, "package.json")).resolve("vite/package.json");
  const { exports } = JSON.parse(readFileSync(file, "utf8")) as { readonly exports: Record<string, unknown> };
  const entryOf = exports["."] as
    | string
    | { readonly import?: string | { readonly default: string }; readonly default?: string };
  const entry =
    typeof entryOf === "string"
      ? entryOf
      : typeof entryOf.import === "string"
        ? entryOf.import
        : (entryOf.import?.default ?? entryOf.default ?? "");
  return (await import(pathToFileURL(path.join(path.dirname(file), entry)).href)) as Vite;
}

/** Where a build of Vite went wrong, as far as it says. */
export function viteRemark(error: unknown, workingDirectory: string): SourceRemark {
  const { message, id, loc } = error as {
    readonly message?: string;
    readonly id?: string;
    readonly loc?: { readonly file?: string; readonly line?: number; readonly column?: number };
  };
  const file = loc?.file ?? id;
  return {
    file: file === undefined ? null : shownPath(workingDirectory, file),
    line: loc?.line ?? null,
    column: loc?.column === undefined ? null : loc.column + 1,
    message: (message ?? String(error)).split("\n")[0] ?? "",
  };
}
