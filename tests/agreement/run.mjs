import { spawnSync } from "node:child_process";
import { parseArgs } from "node:util";

/**
 * `npm run agreement -- --count N --seed S`: how many pages are drawn, and from where; `--whole`: all that
 * otherwise has its turn on another day. The rest goes to the test runner.
 */
const { values, tokens } = parseArgs({
  options: { count: { type: "string" }, seed: { type: "string" }, whole: { type: "boolean" } },
  strict: false,
  allowPositionals: true,
  tokens: true,
});
const own = new Set(["count", "seed", "whole"]);
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
    ...(values.whole === true ? { AGREEMENT_WHOLE: "yes" } : {}),
  },
});
process.exitCode = status ?? 1;
