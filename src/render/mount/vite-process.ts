import { fork, type Serializable } from "node:child_process";
import { existsSync } from "node:fs";
import { fileURLToPath } from "node:url";
import type { SourceRemark } from "../protocol.ts";
import type { BuiltByVite, ViteRequest } from "./vite-bundle.ts";

export type ViteAnswer = { readonly built: BuiltByVite } | { readonly remark: SourceRemark };

/** Has Vite build in a process of its own. */
export function askedOfVite(request: ViteRequest): Promise<ViteAnswer> {
  const env = { NODE_ENV: "development" };
  const child = fork(builderFile(), { serialization: "advanced", silent: true, env });
  return new Promise<ViteAnswer>((resolve) => {
    const end = (answer: ViteAnswer) => {
      child.removeAllListeners("exit");
      child.kill();
      resolve(answer);
    };
    child.on("message", (answer) => end(answer as ViteAnswer));
    child.on("exit", (code) => {
      const message = `Vite ended with status ${code}`;
      end({ remark: { file: null, line: null, column: null, message } });
    });
    child.send(request as unknown as Serializable);
  });
}

/** Beside the worker, which may be in a folder of parts; run from source, where it is built. */
function builderFile(): string {
  const places = ["./", "../", "../../../dist/"].map((folder) =>
    fileURLToPath(new URL(`${folder}vite-builder.js`, import.meta.url)),
  );
  return places.find((place) => existsSync(place)) ?? (places[0] as string);
}
