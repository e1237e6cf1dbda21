import { createHash } from "node:crypto";
import { existsSync } from "node:fs";
import path from "node:path";
import { type BuildFailure, build, type Message } from "esbuild";
import { shownPath } from "../mounted/shown-path.ts";
import type { Bundle, BundledStyle, BundleRequest, BundleResult, SourceRemark } from "../protocol.ts";
import { angularBuild, asksForAngular } from "./angular-build.ts";
import { JsxConfig } from "./jsx-config.ts";
import { resolves } from "./project-tools.ts";
import type { Gathered } from "./source-file.ts";
import { sourceFolders } from "./source-folders.ts";
import { specimenPlugin } from "./specimen-plugin.ts";
import { viteConfig, viteStyle } from "./vite-bundle.ts";
import { askedOfVite } from "./vite-process.ts";
import { entryCode, mountedWith } from "./window-code.ts";

/** Pictures, sounds and letters: a simulated window shows nothing of them, so that their names are enough there. */
const assets = [
  ...["png", "jpg", "jpeg", "gif", "webp", "avif", "svg", "ico", "woff", "woff2", "ttf", "otf", "eot"],
  ...["mp3", "mp4", "webm", "ogg", "wav", "pdf", "wasm"],
].map((ending) => `.${ending}`);

const unknownReason: SourceRemark = { file: null, line: null, column: null, message: "no reason was given" };

/**
 * Bundles specimens with all that they import, as one program. Files that do not build are left out and told of; each is
 * tried alone where what several import is at fault.
 */
export async function bundleSpecimens(request: BundleRequest): Promise<BundleResult> {
  const broken = new Map<string, SourceRemark>();
  let files = request.files;
  while (files.length > 0) {
    const built = await bundled(request, files);
    if ("bundle" in built) return { bundle: built.bundle, broken };
    const remarkOn = (file: string) =>
      built.remarks.find((remark) => remark.file === shownPath(request.workingDirectory, file));
    const named = files.filter((file) => remarkOn(file) !== undefined);
    if (named.length > 0 && named.length < files.length) {
      for (const file of named) broken.set(file, remarkOn(file) as SourceRemark);
      files = files.filter((file) => !named.includes(file));
      continue;
    }
    const good: string[] = [];
    for (const file of files) {
      const alone = files.length === 1 ? built : await bundled(request, [file]);
      if ("bundle" in alone) good.push(file);
      else broken.set(file, alone.remarks[0] ?? unknownReason);
    }
    if (good.length === files.length) {
      // Each builds alone, and all together do not.
      const [reason = unknownReason] = built.remarks;
      for (const file of files) broken.set(file, reason);
      break;
    }
    files = good;
  }
  return { bundle: null, broken };
}

async function bundled(request: BundleRequest, files: readonly string[]): Promise<Bundled> {
  const { root, workingDirectory } = request;
  const styles = new Map<string, BundledStyle>();
  const gathered: Gathered = { styles, stylesKnown: true };
  const frameworks = Object.keys(mountedWith).filter(
    (name) => resolves(root, mountedWith[name] as string) && (name !== "angular" || asksForAngular(root)),
  );
  const vite = viteConfig(root);
  if (vite !== null) return bundledByVite(request, files, frameworks, vite);
  const angular = frameworks.includes("angular") ? angularBuild(root) : null;
  const assetLoader = request.isForBrowser ? ("dataurl" as const) : ("file" as const);
  const tsconfig = path.join(root, "tsconfig.json");
  const config = new JsxConfig(existsSync(tsconfig) ? tsconfig : null);
  try {
    const result = await build({
      stdin: {
        contents: entryCode(files, frameworks),
        resolveDir: root,
        sourcefile: "keel:entry",
        loader: "js",
      },
      absWorkingDir: workingDirectory,
      bundle: true,
      write: false,
      format: "iife",
      platform: "browser",
      target: "node20",
      // Zones see promises, and not what waits for them.
      ...(angular?.hasZones === true ? { supported: { "async-await": false } } : {}),
      outfile: "specimens.js",
      sourcemap: "external",
      sourcesContent: false,
      keepNames: true,
      logLevel: "silent",
      jsx: "automatic",
      jsxDev: true,
      conditions: ["svelte", "development", "module"],
      ...config.option,
      define: {
        "process.env.NODE_ENV": '"development"',
        global: "globalThis",
        "import.meta.env": '{"MODE":"development","DEV":true,"PROD":false,"SSR":false,"BASE_URL":"/"}',
        __VUE_OPTIONS_API__: "true",
        __VUE_PROD_DEVTOOLS__: "false",
        __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: "false",
      },
      loader: { ".js": "jsx", ...Object.fromEntries(assets.map((ending) => [ending, assetLoader])) },
      plugins: [specimenPlugin(request, gathered, angular)],
    });
    const bytes = (ending: string) =>
      result.outputFiles.find((file) => file.path.endsWith(ending))?.contents ?? new Uint8Array();
    const map = bytes("specimens.js.map");
    return {
      bundle: {
        id: `${root} ${files.length} ${result.outputFiles.map(({ hash }) => hash).join(" ")}`,
        root,
        workingDirectory,
        code: bytes("specimens.js"),
        map,
        styles,
        stylesKnown: gathered.stylesKnown,
        files,
        folders: sourceFolders(map, root, workingDirectory),
      },
    };
  } catch (error) {
    const { errors } = error as BuildFailure;
    if (!Array.isArray(errors)) throw error;
    return { remarks: errors.map(remarkOf) };
  } finally {
    config.remove();
  }
}

type Bundled = { readonly bundle: Bundle } | { readonly remarks: readonly SourceRemark[] };

async function bundledByVite(
  request: BundleRequest,
  files: readonly string[],
  frameworks: readonly string[],
  config: string,
): Promise<Bundled> {
  const { root, workingDirectory } = request;
  const answer = await askedOfVite({ request, files, frameworks, config });
  if ("remark" in answer) return { remarks: [answer.remark] };
  const { code, map, style } = answer.built;
  return {
    bundle: {
      id: `${root} ${files.length} ${createHash("sha256").update(code).digest("hex")}`,
      root,
      workingDirectory,
      code,
      map,
      styles: new Map(style === null ? [] : [[viteStyle, style]]),
      stylesKnown: true,
      files,
      folders: sourceFolders(map, root, workingDirectory),
    },
  };
}

const remarkOf = ({ text, location }: Message): SourceRemark => ({
  file: location?.file.replace(/^[\w-]+:/, "") ?? null,
  line: location?.line ?? null,
  column: location == null ? null : location.column + 1,
  message: text,
});
