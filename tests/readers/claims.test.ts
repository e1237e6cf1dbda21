import { expect, test } from "vitest";
import { falseClaims } from "./claims.ts";
import { evaluated, knownShare, run } from "./evaluated.ts";
import { falseWays } from "./flows.ts";
import { programOf } from "./programs.ts";

/** How many programs are drawn here; the agreement suite draws twenty thousand others. */
const PROGRAMS = 500;

test("what the evaluator claims of a program is what running it shows", () => {
  expect(falseClaims(0, PROGRAMS)).toEqual([]);
});

test("whatever a function is given, what it returns is one of the values that the evaluator has for it", () => {
  expect(falseWays(0, 60)).toEqual([]);
});

test("and it claims more than half of all that there is", () => {
  let [known, all] = [0, 0];
  for (let seed = 0; seed < 200; seed++) {
    const text = `const answer = (() => {\n${programOf(seed)}\n})();`;
    if (run(text).threw) continue;
    const [some, of] = knownShare(evaluated(text));
    known += some;
    all += of;
  }
  expect(known / all).toBeGreaterThan(0.5);
});

/** What is changed in ways that are not followed is not known; what is followed is. Each claims a value, or none. */
test.each<[program: string, claim: string]>([
  [`const out = []; for (const n of [1, 2]) { out.push(n * 2); } return out.join();`, "2,4"],
  [`const out = []; [1, 2].forEach((n) => out.push(n)); return out.length;`, "open"],
  [`const out = [1]; const add = () => { out.push(2); }; add(); return out.length;`, "open"],
  [`const out = [3, 1]; out.sort(); return out[0];`, "open"],
  [`const out = [1]; const all = out; all.push(2); return out.length;`, "open"],
  [`const slip = {}; slip.name = "four"; return slip.name;`, "four"],
  [`const slip = { name: "four" }; delete slip.name; return slip.name;`, "open"],
  [`let a = 1; let b = 2; [a, b] = [b, a]; return a;`, "open"],
  [`let n = 1; n += 1; return n;`, "open"],
  [`const berths = new Map([["a", 1], ["b", 2]]); return berths.get("b") + berths.size;`, "4"],
  [`const berths = new Map([["a", 1]]); berths.set("a", 2); return berths.get("a");`, "open"],
  [`const all = {}; for (const key of ["a", "b"]) all[key] = key; return Object.keys(all).join();`, "a,b"],
  [`const all = { a: 1 }; all[Math.random()] = 2; return all.a;`, "open"],
  [`for (const n of [1, 2]) if (n > 1) return n; return 0;`, "2"],
  [`try { throw new Error("x"); } catch { return 1; } return 2;`, "open"],
  [`const f = (a, ...more) => more.length; const xs = []; xs.length = 2; return f(1, ...xs);`, "open"],
  [`return [3, 1, 2].toSorted((a, b) => a - b).join();`, "1,2,3"],
  [`return [[1], [2, [3]]].flat().length;`, "3"],
  [`return [1, 2, 3].reduce((sum, n) => sum + n, 0);`, "6"],
  [`return true + 1;`, "2"],
  [`return Object.keys({ b: 1, 2: 1, 1: 1 }).join();`, "1,2,b"],
  [`return Math.random() * 2;`, "open"],
  [`const Card = () => 1; Card.title = "Slip"; return Card.title;`, "Slip"],
])("%s comes to %s", (program, claim) => {
  const value = evaluated(`const answer = (() => { ${program} })();`);
  expect(value.kind === "known" ? String(value.value) : "open").toBe(claim);
});
