import { build } from "esbuild";
import type { ModuleRequest } from "../protocol.ts";

/** A module of a page with all that it imports, as one script; null where something of it is not here. */
export async function bundleModule({ text, folder }: ModuleRequest): Promise<string | null> {
  try {
    const { outputFiles } = await build({
      stdin: { contents: text, resolveDir: folder, loader: "js" },
      bundle: true,
      write: false,
      format: "iife",
      platform: "browser",
      target: "node20",
      logLevel: "silent",
    });
    return outputFiles[0]?.text ?? null;
  } catch {
    return null;
  }
}
