import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";

/**
 * The project's own settings of TypeScript. Where they ask for a form of JSX that says nothing of where an element was
 * written, others are put before them, in a file that goes again.
 */
export class JsxConfig {
  readonly option: { readonly tsconfig?: string };
  readonly #folder: string | null = null;

  /** @param file the project's `tsconfig.json`; null without one */
  constructor(file: string | null) {
    if (file === null || !/"jsx"\s*:\s*"react"/.test(readFileSync(file, "utf8"))) {
      this.option = file === null ? {} : { tsconfig: file };
      return;
    }
    this.#folder = mkdtempSync(path.join(os.tmpdir(), "keel-"));
    const configFile = path.join(this.#folder, "tsconfig.json");
    writeFileSync(configFile, JSON.stringify({ extends: file, compilerOptions: { jsx: "react-jsxdev" } }));
    this.option = { tsconfig: configFile };
  }

  remove(): void {
    if (this.#folder !== null) rmSync(this.#folder, { recursive: true, force: true });
  }
}
