import { contradiction, evaluated, run } from "./evaluated.ts";
import { randomFrom } from "./programs.ts";

/** Random ways through a function, with conditions that nobody knows before it runs: what is returned where. */

const GIVEN = ["p", "q", "r"] as const;

/** One function body that hangs on what it is given. */
export function flowOf(seed: number): string {
  const random = randomFrom(seed);
  const upTo = (most: number) => Math.floor(random() * most);
  const pick = <T>(from: readonly T[]): T => from[upTo(from.length)] as T;
  const condition = (): string =>
    pick([...GIVEN, ...GIVEN, "!p", "p && q", "p || r", "v === 1", "w > 1", "true", "v < 3"]);
  const value = (): string => pick(["1", "2", "3", "v", "w", "v + 1"]);
  const block = (depth: number, isLoop: boolean): string =>
    Array.from({ length: 1 + upTo(3) }, () => statement(depth - 1, isLoop)).join(" ");
  const statement = (depth: number, isLoop: boolean): string => {
    const simple = [
      () => `v = ${value()};`,
      () => `w = ${value()};`,
      () => `seen.push(${value()});`,
      () => `if (${condition()}) return ${value()};`,
      ...(isLoop ? [() => `if (${condition()}) continue;`, () => `if (${condition()}) break;`] : []),
    ];
    const nested = [
      () => `if (${condition()}) { ${block(depth, isLoop)} }`,
      () => `if (${condition()}) { ${block(depth, isLoop)} } else { ${block(depth, isLoop)} }`,
      () => `for (const one of [1, 2]) { w = one; ${block(depth, true)} }`,
      () => `for (const key in { a: 1, b: 2 }) { if (key === "b") w = 2; ${block(depth, true)} }`,
      () =>
        `switch (${pick(["v", "w", "p"])}) { case 1: ${block(depth, false)} break; case 2: { ${block(depth, false)} break; } case true: ${block(depth, false)} default: ${block(depth, false)} }`,
      () => `try { ${block(depth, isLoop)} } catch { v = 3; } finally { w = 1; }`,
      () => `{ ${block(depth, isLoop)} }`,
    ];
    return pick(depth <= 0 ? simple : [...simple, ...nested, ...nested])();
  };
  return `let v = 1; let w = 2; const seen = []; ${block(3, false)} return [v, w, seen.length];`;
}

/** Flows of some seeds of which the evaluator claims what is not so for some that they may be given. */
export function falseWays(from: number, count: number): readonly string[] {
  const found: string[] = [];
  for (let seed = from; seed < from + count; seed++) {
    const body = flowOf(seed);
    const text = `${GIVEN.map((name) => `const ${name} = given.${name};`).join(" ")}\nconst answer = (() => { ${body} })();`;
    const claim = evaluated(text);
    for (let bits = 0; bits < 2 ** GIVEN.length; bits++) {
      const given = Object.fromEntries(GIVEN.map((name, i) => [name, (bits & (1 << i)) !== 0]));
      const actual = run(text, { given });
      const wrong = actual.threw ? null : contradiction(claim, actual.value);
      if (wrong === null) continue;
      found.push(`seed ${seed}, ${JSON.stringify(given)}: ${wrong}\n${body}`);
      break;
    }
  }
  return found;
}
