import type { Config } from "./schema.ts";

/** Gives a configuration back as it is; editors know by it what may be written. */
export const defineConfig = (config: Config): Config => config;
