import { spawnSync } from "node:child_process";
import { parseArgs } from "node:util";

/**
 * `npm run agreement -- --count N --seed S`: how many pages are drawn, and from where; `--kits`: every widget of the
 * published kits. The rest goes to the test runner.
 */
const { values, tokens } = parseArgs({
  options: { count: { type: "string" }, seed: { type: "string" }, kits: { type: "boolean" } },
  strict: false,
  allowPositionals: true,
  tokens: true,
});
const own = new Set(["count", "seed", "kits"]);
const rest = tokens.flatMap((token) => {
  if (token.kind === "positional") return [token.value];
  if (token.kind !== "option" || own.has(token.name)) return [];
  return [token.value === undefined ? token.rawName : `${token.rawName}=${token.value}`];
});
const { status } = spawnSync("vitest", ["run", "--config", "vitest.agreement.config.ts", ...rest], {
  stdio: "inherit",
  env: {
    ...process.env,
    AGREEMENT_COUNT: String(values.count ?? 60),
    AGREEMENT_SEED: String(values.seed ?? 1),
    ...(values.kits === true ? { AGREEMENT_KITS: "all" } : {}),
  },
});
process.exitCode = status ?? 1;
