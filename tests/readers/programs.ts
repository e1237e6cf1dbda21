/** Random programs without free variables, the same for the same seed. */

/** A stream of numbers from 0 to 1. Mulberry32. */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

const types = ["number", "string", "boolean", "list", "object", "nothing"] as const;
type Type = (typeof types)[number];

/** One function body that returns something made of all that it has declared. */
export function programOf(seed: number): string {
  return new Program(randomFrom(seed)).text();
}

class Program {
  readonly #random: () => number;
  /** The variables that are there, by their types. */
  readonly #names = new Map<Type, string[]>();
  #count = 0;

  constructor(random: () => number) {
    this.#random = random;
  }

  text(): string {
    const lines: string[] = [];
    for (let i = 0; i < 2 + this.#upTo(4); i++) lines.push(this.#statement());
    const all = [...this.#names.values()].flat();
    lines.push(`return [${all.join(", ")}];`);
    return lines.join("\n");
  }

  #upTo(most: number): number {
    return Math.floor(this.#random() * most);
  }

  #pick<T>(from: readonly T[]): T {
    return from[this.#upTo(from.length)] as T;
  }

  #declared(type: Type): string {
    const name = `v${this.#count++}`;
    this.#names.set(type, [...(this.#names.get(type) ?? []), name]);
    return name;
  }

  #statement(): string {
    const type = this.#pick(types);
    if (this.#random() < 0.35) return this.#change();
    switch (this.#upTo(9)) {
      case 0: {
        const [a, rest] = [this.#declared("number"), `r${this.#count++}`];
        return `const { a: ${a} = ${this.#of("number", 1)}, ...${rest} } = ${this.#of("object", 2)}; const ${this.#declared("list")} = Object.keys(${rest});`;
      }
      case 1: {
        const list = this.#of("list", 2);
        return `const [${this.#declared("nothing")} = ${this.#of("string", 1)}, ...${this.#declared("list")}] = ${list};`;
      }
      case 2: {
        const body = `if (${this.#of("boolean", 1)}) return ${this.#of(type, 1)}; return ${this.#of(type, 1)};`;
        return `const ${this.#declared(type)} = (() => { ${body} })();`;
      }
      case 3: {
        const list = this.#of("list", 1);
        const name = this.#declared("list");
        return `const ${name} = []; for (const one of ${list}) ${name}.push(one);`;
      }
      case 4: {
        const name = this.#declared("number");
        return `let ${name} = ${this.#upTo(4)}; if (${this.#of("boolean", 1)}) ${name} = ${this.#of("number", 1)};`;
      }
      case 5: {
        const subject = this.#of("string", 1);
        const name = this.#declared("string");
        return `let ${name}; switch (${subject}) { case "a": ${name} = "x"; break; case "b": ${name} = "y"; default: ${name} = ${this.#of("string", 1)}; }`;
      }
      case 6: {
        const [fn, given] = [`f${this.#count++}`, this.#of("number", 1)];
        return `const ${fn} = (p, q = ${this.#of("number", 1)}, ...more) => p + q + more.length; const ${this.#declared("number")} = ${fn}(${given}${this.#random() < 0.5 ? `, undefined, ${given}` : ""});`;
      }
      default: {
        const value = this.#of(type, 3);
        return `const ${this.#declared(type)} = ${value};`;
      }
    }
  }

  /** A statement that changes what is declared in it. */
  #change(): string {
    const [list, other] = [this.#of("list", 1), this.#of("list", 1)];
    const value = this.#of(this.#pick(types), 1);
    const test = this.#of("boolean", 1);
    const number = this.#of("number", 1);
    const object = this.#of("object", 1);
    const text = this.#of("string", 1);
    const name = this.#declared(this.#pick(["list"]));
    const counted = () => this.#declared("number");
    return this.#pick([
      () => `const ${name} = []; ${list}.forEach((one) => ${name}.push(one));`,
      () =>
        `const ${name} = [...${list}]; ${name}.${this.#pick(["pop()", "shift()", "reverse()", "sort()", `unshift(${value})`, `splice(0, 1, ${value})`, "fill(1)", `push(${value}, ${value})`])};`,
      () => `const ${name} = [...${list}]; ${name}[0] = ${value};`,
      () => `const ${name} = [...${list}]; ${name}.length = 1;`,
      () => `const ${name} = []; for (let i = 0; i < 3; i++) { if (${test}) continue; ${name}.push(i); }`,
      () =>
        `const ${name} = []; let n${name} = 0; while (n${name} < 2) { ${name}.push(n${name}); n${name}++; }`,
      () =>
        `const ${name} = []; const add${name} = (one) => { ${name}.push(one); }; add${name}(${value}); if (${test}) add${name}(${number});`,
      () => `let ${name} = ${list}; const set${name} = () => { ${name} = ${other}; }; set${name}();`,
      () =>
        `let ${name} = ${list}; if (${test}) { ${name} = ${other}; } else if (${test}) { ${name} = [...${name}, ${value}]; }`,
      () =>
        `const o${name} = { ...${object} }; o${name}.a = ${value}; o${name}["k"] = ${number}; const ${name} = Object.keys(o${name});`,
      () => `const o${name} = { ...${object} }; delete o${name}.a; const ${name} = Object.values(o${name});`,
      () =>
        `const o${name} = { a: 1 }; Object.assign(o${name}, ${object}); const ${name} = [o${name}.a, o${name}.b];`,
      () => `let c${name} = ${number}; c${name}++; c${name} += 2; const ${name} = [c${name}];`,
      () => `let s${name} = ${text}; s${name} += ${value}; s${name} ||= "z"; const ${name} = [s${name}];`,
      () =>
        `let [p${name}, q${name}] = [1, 2]; [p${name}, q${name}] = [q${name}, p${name}]; const ${name} = [p${name}, q${name}];`,
      () =>
        `let ${name} = []; try { ${name} = ${list}; if (${test}) throw new Error("x"); } catch { ${name} = [1]; } finally { ${name} = [...${name}, 2]; }`,
      () =>
        `const ${name} = (() => { for (const one of ${list}) { if (one === ${value}) return [one]; } return []; })();`,
      () =>
        `const ${name} = (() => { const found = []; for (const key in ${object}) { if (key === "b") break; found.push(key); } return found; })();`,
      () => `const ${name} = ${list}; const alias${name} = ${name}; alias${name}.push?.(${value});`,
      () => `const ${name} = ((...all) => all)(...${list}, ${value});`,
      () =>
        `const ${name} = [((p = ${number}, { a = 1, ...q } = {}) => [p, a, Object.keys(q)])(undefined, ${object})];`,
      () =>
        `class C${name} { x = ${number}; get y() { return this.x; } z() { return [this.x]; } } const ${name} = [new C${name}().y, ...new C${name}().z()];`,
      () =>
        `function g${name}(n) { return n <= 0 ? [] : [n, ...g${name}(n - 1)]; } const ${name} = g${name}(3);`,
      () => `const ${name} = [${object}?.b?.c?.toFixed?.(1), ${list}?.[0], ${text}.at?.(-1)];`,
      () => `const ${name} = [...new Set(${list}), ...new Map([["k", ${number}]]).keys()];`,
      () =>
        `const ${name} = (function () { return Array.from(arguments).length; })(1, ...${list}) > 1 ? ${list} : ${other};`,
      () =>
        `const ${name} = [((strings, ...values) => strings.join("|") + values.length)\`a\${1}b\${${number}}\`];`,
      () =>
        `label: for (const one of ${list}) { for (const two of ${other}) { if (two === one) break label; } } const ${name} = [JSON.stringify(${object}), "4".padStart(3, "0")];`,
      () => `let ${name}; do { ${name} = ${list}; } while (false); const ${counted()} = ${name}.length;`,
    ])();
  }

  /** An expression of a type, no deeper than it may be. */
  #of(type: Type, depth: number): string {
    const known = this.#names.get(type) ?? [];
    if (known.length > 0 && this.#random() < 0.35) return this.#pick(known);
    return depth <= 0 ? this.#literal(type) : this.#made(type, depth - 1);
  }

  #literal(type: Type): string {
    switch (type) {
      case "number":
        return this.#pick(["0", "1", "2.5", "7", "-3", "1e3", "NaN"]);
      case "string":
        return this.#pick([`""`, `"a"`, `"b"`, `"Slip 4"`, `"0"`, `" x "`, `"a-b-c"`]);
      case "boolean":
        return this.#pick(["true", "false"]);
      case "list":
        return this.#pick(["[]", "[1, 2, 3]", `["a", "b"]`, "[0, null, undefined]", "[[1], [2]]"]);
      case "object":
        return this.#pick(["{}", "{ a: 1 }", `{ a: "x", b: [1, 2] }`, "{ a: null, b: { c: 4 } }"]);
      default:
        return this.#pick(["null", "undefined"]);
    }
  }

  #made(type: Type, depth: number): string {
    const of = (one: Type) => this.#of(one, depth);
    const any = () => of(this.#pick(types));
    if (this.#random() < 0.2) return `(${of("boolean")} ? ${of(type)} : ${of(type)})`;
    switch (type) {
      case "number":
        return this.#pick([
          () => `(${of("number")} ${this.#pick(["+", "-", "*", "/", "%"])} ${of("number")})`,
          () => `-${of("number")}`,
          () => `${of("list")}.length`,
          () => `${of("string")}.length`,
          () => `Number(${any()})`,
          () =>
            `Math.${this.#pick(["round", "floor", "max", "min", "sign", "sqrt", "abs"])}(${of("number")})`,
          () => `${of("list")}.reduce((sum, one) => sum + Number(one), 0)`,
          () => `parseInt(${of("string")}, 10)`,
          () => `(${of("number")} ?? ${of("number")})`,
          () => `${of("list")}.indexOf(${any()})`,
        ])();
      case "string":
        return this.#pick([
          () => `(${of("string")} + ${any()})`,
          () => `\`\${${of("string")}}-\${${of("number")}}\``,
          () => `String(${any()})`,
          () => `${of("list")}.join(${of("string")})`,
          () =>
            `${of("string")}.${this.#pick(["toUpperCase()", "trim()", "slice(1)", `replace("a", "z")`, "charAt(1)", `padStart(4, "0")`, "repeat(2)", "at(-1)"])}`,
          () => `typeof ${any()}`,
          () => `(${of("string")} || ${of("string")})`,
          () => `${of("object")}.a`,
          () => `(${of("object")}?.b?.c ?? ${of("string")})`,
        ])();
      case "boolean":
        return this.#pick([
          () => `!${any()}`,
          () => `(${any()} ${this.#pick(["===", "!==", "==", "!="])} ${any()})`,
          () => `(${of("number")} ${this.#pick(["<", ">", "<=", ">="])} ${of("number")})`,
          () => `${of("list")}.includes(${any()})`,
          () =>
            `${of("list")}.${this.#pick(["some", "every"])}((one) => one ${this.#pick(["===", "!=="])} ${any()})`,
          () => `Boolean(${any()})`,
          () => `("a" in ${of("object")})`,
          () => `Array.isArray(${any()})`,
          () => `(${of("boolean")} && ${of("boolean")})`,
          () => `${of("string")}.${this.#pick(["startsWith", "includes", "endsWith"])}(${of("string")})`,
        ])();
      case "list":
        return this.#pick([
          () => `[${any()}, ...${of("list")}]`,
          () =>
            `${of("list")}.map((one, i) => ${this.#pick(["one", "i", "[one, i]", "one + 1", "({ one })"])})`,
          () =>
            `${of("list")}.filter(${this.#pick(["Boolean", "(one) => one !== 1", "(one, i) => i > 0", "(one) => one"])})`,
          () => `${of("list")}.slice(${this.#pick(["1", "0, 1", "-1", ""])})`,
          () => `${of("list")}.concat(${of("list")})`,
          () => `Object.${this.#pick(["keys", "values", "entries"])}(${of("object")})`,
          () => `${of("string")}.split(${this.#pick([`""`, `"-"`])})`,
          () => `Array.from({ length: ${this.#upTo(4)} }, (_, i) => i)`,
          () => `${of("list")}.flatMap((one) => [one, one])`,
          () => `[...${of("list")}].reverse()`,
          () => `${of("list")}.flat()`,
          () => `[...${of("string")}]`,
        ])();
      case "object":
        return this.#pick([
          () => `{ ...${of("object")}, a: ${any()} }`,
          () => `{ a: ${any()}, ...${of("object")} }`,
          () => `{ [${of("string")}]: ${any()} }`,
          () => `Object.assign({}, ${of("object")})`,
          () => `Object.fromEntries(${of("list")}.map((one, i) => [i, one]))`,
          () => `${of("list")}.reduce((all, one, i) => ({ ...all, [i]: one }), {})`,
        ])();
      default:
        return this.#pick([
          () => `${of("list")}.find((one) => one === ${any()})`,
          () => `${of("list")}[${this.#upTo(3)}]`,
          () => `${of("object")}.zzz`,
          () => `${of("object")}?.b`,
          () => `(${of("nothing")} ?? ${any()})`,
          () => `void ${any()}`,
        ])();
    }
  }
}
