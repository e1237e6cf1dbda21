import type { BundledStyle } from "../protocol.ts";
/** What a build gathers beside its program. */
export interface Gathered {
  readonly styles: Map<string, BundledStyle>;
  stylesKnown: boolean;
}

/** A source file as a plugin reads it. */
export interface SourceFile {
  /** Absolute. */
  readonly path: string;
  /** As it is shown. */
  readonly name: string;
  readonly text: string;
}
