import { SourceMap } from "node:module";
import path from "node:path";
import { Worker } from "node:worker_threads";
import type { BuildFailure } from "esbuild";
import { thrownWords } from "../core/findings/thrown-words.ts";

/** How long a configuration file may run, in milliseconds. */
const LONGEST_RUN = 5_000;

export type Evaluated =
  | { readonly ok: true; readonly value: unknown }
  /** Why it could not be run, with the place if it is known. */
  | {
      readonly ok: false;
      readonly reason: string;
      readonly line: number | null;
      readonly column: number | null;
    };

const failed = (reason: string, line: number | null = null, column: number | null = null): Evaluated => ({
  ok: false,
  reason,
  line,
  column,
});

/**
 * Runs a configuration file in a thread of its own and gives what it exports by default. The file and what it imports
 * are put together first; `even-keel` itself gives `defineConfig` and nothing else.
 */
export async function evaluateConfig(file: string): Promise<Evaluated> {
  const { build } = await import("esbuild");
  let code = "";
  let map = "";
  try {
    const built = await build({
      entryPoints: [file],
      bundle: true,
      write: false,
      format: "esm",
      platform: "node",
      target: "node20.19",
      sourcemap: "external",
      outfile: "config.mjs",
      logLevel: "silent",
      plugins: [
        {
          name: "even-keel",
          setup(hooks) {
            hooks.onResolve({ filter: /^even-keel$/ }, () => ({ path: "even-keel", namespace: "own" }));
            hooks.onLoad({ filter: /.*/, namespace: "own" }, () => ({
              contents: "export const defineConfig = (config) => config;",
            }));
          },
        },
      ],
    });
    for (const output of built.outputFiles) {
      if (output.path.endsWith(".map")) map = output.text;
      else code = output.text;
    }
  } catch (error) {
    const [first] = (error as BuildFailure).errors ?? [];
    if (first === undefined) return failed(thrownWords(error));
    const { text, location } = first;
    if (location === null) return failed(text);
    // What it imports, or a tsconfig.json that is asked for its sake.
    const isElsewhere = path.resolve(location.file) !== file;
    return isElsewhere
      ? failed(`${location.file}:${location.line}:${location.column + 1}: ${text}`)
      : failed(text, location.line, location.column + 1);
  }
  return run(code, map);
}

/** What the thread does: it takes the default export and sends it, or what went wrong. */
const threadCode = `
import { parentPort, workerData } from "node:worker_threads";
try {
  const { default: value } = await import(workerData);
  parentPort.postMessage({ ok: true, value: await value });
} catch (error) {
  parentPort.postMessage({ ok: false, reason: String(error?.message ?? error), stack: String(error?.stack ?? "") });
}`;

const moduleAddress = (code: string): URL =>
  new URL(`data:text/javascript;base64,${Buffer.from(code).toString("base64")}`);

/** Where in the sources the first line of a stack trace points, by the map of what was put together. */
function placeInSource(
  stack: string,
  map: string,
): { readonly line: number; readonly column: number } | null {
  const frame = /:(\d+):(\d+)\)?$/m.exec(stack);
  if (frame === null) return null;
  const entry = new SourceMap(JSON.parse(map)).findEntry(Number(frame[1]) - 1, Number(frame[2]) - 1);
  return "originalLine" in entry ? { line: entry.originalLine + 1, column: entry.originalColumn + 1 } : null;
}

function run(code: string, map: string): Promise<Evaluated> {
  return new Promise((resolve) => {
    const worker = new Worker(moduleAddress(threadCode), {
      workerData: moduleAddress(code).href,
      stdout: true,
      stderr: true,
    });
    const done = (result: Evaluated) => {
      clearTimeout(limit);
      void worker.terminate();
      resolve(result);
    };
    const limit = setTimeout(
      () => done(failed(`it did not end within ${LONGEST_RUN / 1000} seconds`)),
      LONGEST_RUN,
    );
    worker.once("message", (message: Evaluated & { readonly stack?: string }) => {
      if (message.ok) return done(message);
      const place = placeInSource(message.stack ?? "", map);
      done(
        failed(
          message.reason.includes("could not be cloned")
            ? "it holds a function, where only data may stand"
            : `it throws: ${message.reason}`,
          place?.line ?? null,
          place?.column ?? null,
        ),
      );
    });
    worker.once("error", (error) => done(failed(`it throws: ${error.message}`)));
    worker.once("exit", () => done(failed("it ended the program before it was read")));
  });
}
