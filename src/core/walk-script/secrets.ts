import type { WalkStep } from "./parse.ts";

/** What stands for a secret wherever something is told. */
export const HIDDEN = "•••";

/** The steps with what the environment gives for them; the first that asks for what it does not give. */
export function withSecrets(
  steps: readonly WalkStep[],
  environment: Readonly<Record<string, string | undefined>>,
):
  | { readonly ok: true; readonly steps: readonly WalkStep[] }
  | { readonly ok: false; readonly step: WalkStep; readonly name: string } {
  const filled: WalkStep[] = [];
  for (const step of steps) {
    const name = step.kind === "type" ? step.secret : null;
    const text = name === null ? undefined : environment[name];
    if (name !== null && (text === undefined || text === "")) return { ok: false, step, name };
    filled.push(step.kind === "type" && text !== undefined ? { ...step, text } : step);
  }
  return { ok: true, steps: filled };
}

/** The same with no secret in any of its texts. */
export function withoutSecrets<T>(value: T, steps: readonly WalkStep[]): T {
  const secrets = steps
    .flatMap((step) => (step.kind === "type" && step.secret !== null && step.text !== "" ? [step.text] : []))
    .sort((one, other) => other.length - one.length);
  return secrets.length === 0 ? value : (cleaned(value, secrets) as T);
}

function cleaned(value: unknown, secrets: readonly string[]): unknown {
  if (typeof value === "string")
    return secrets.reduce((text, secret) => text.replaceAll(secret, HIDDEN), value);
  if (Array.isArray(value)) return value.map((one) => cleaned(one, secrets));
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, cleaned(one, secrets)]));
}
