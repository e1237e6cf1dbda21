import type { ComponentFormatName } from "../core/document/component-formats.ts";
import type { FoundComponent } from "../readers/composition/compose.ts";

/** How a component of a format asks for what is around it, how another gives that, and how content comes into it. */
interface Asking {
  /** What is asked for by a key, without anything else to fall back on. */
  readonly asks: RegExp;
  readonly gives: RegExp;
  readonly takesContent: RegExp;
}

const asking: Readonly<Record<ComponentFormatName, Asking | null>> = {
  jsx: {
    asks: /\buseContext(?:<[^()]*>)?\(\s*([\w.]+),?\s*\)/g,
    gives: /<([\w.]+?)(?:\.Provider\b|\s+value=)/g,
    takesContent: /\bchildren\b/,
  },
  vue: {
    asks: /\binject(?:<[^()]*>)?\(\s*([\w.]+|"[^"]*"|'[^']*'),?\s*\)/g,
    gives: /\bprovide(?:<[^()]*>)?\(\s*([\w.]+|"[^"]*"|'[^']*')\s*,/g,
    takesContent: /<slot\s*(?:\/?>|name="default")/,
  },
  svelte: {
    asks: /\bgetContext(?:<[^()]*>)?\(\s*([\w.]+|"[^"]*"|'[^']*'),?\s*\)/g,
    gives: /\bsetContext(?:<[^()]*>)?\(\s*([\w.]+|"[^"]*"|'[^']*')\s*,/g,
    takesContent: /<slot\s*(?:\/?>|\{)|@render\s+children\b/,
  },
  angular: { asks: /(?!)/g, gives: /(?!)/g, takesContent: /<ng-content\s*\/?>/ },
};

/** How many providers one around the other are drafted. */
const MOST_AROUND = 3;

/** What components need around them and in them, as their source tells. */
export class Surroundings {
  readonly #all: readonly FoundComponent[];
  readonly #formatOf: (found: FoundComponent) => ComponentFormatName;
  /** The text of a component's template, where that is in a file of its own. */
  readonly #markupOf: (found: FoundComponent) => string;
  readonly #hooks: ReadonlyMap<string, ReadonlySet<string>>;

  constructor(
    all: readonly FoundComponent[],
    texts: Iterable<string>,
    formatOf: (found: FoundComponent) => ComponentFormatName,
    markupOf: (found: FoundComponent) => string,
  ) {
    this.#all = all;
    this.#formatOf = formatOf;
    this.#markupOf = markupOf;
    this.#hooks = hooksIn(texts);
  }

  /** Whether content that is given to a component shows in it. */
  takesContent(found: FoundComponent): boolean {
    return asking[this.#formatOf(found)]?.takesContent.test(this.#markupOf(found)) === true;
  }

  /** The components that give what one asks for, the nearest in the project of each, the outermost first. */
  around(found: FoundComponent, depth = 0): readonly FoundComponent[] {
    if (depth >= MOST_AROUND) return [];
    const providers: FoundComponent[] = [];
    for (const key of this.#asked(found)) {
      const nearest = this.#all
        .filter((one) => one.module !== found.module && this.takesContent(one) && this.#given(one).has(key))
        .toSorted((a, b) => alike(b, found) - alike(a, found))[0];
      if (nearest === undefined) continue;
      for (const one of [...this.around(nearest, depth + 1), nearest])
        if (!providers.includes(one)) providers.push(one);
    }
    return providers;
  }

  #asked(found: FoundComponent): ReadonlySet<string> {
    const { text } = found.module;
    const rule = asking[this.#formatOf(found)];
    const keys = new Set(rule === null ? [] : keysIn(text, rule.asks));
    for (const [, hook = ""] of text.matchAll(/\b(use[A-Z]\w*)\s*(?:<[^()]*>)?\(/g))
      for (const key of this.#hooks.get(hook) ?? []) keys.add(key);
    return keys;
  }

  #given(found: FoundComponent): ReadonlySet<string> {
    const rule = asking[this.#formatOf(found)];
    return new Set(rule === null ? [] : keysIn(found.module.text, rule.gives));
  }
}

/** The contexts that hooks ask for, by the names of the hooks. */
function hooksIn(texts: Iterable<string>): ReadonlyMap<string, ReadonlySet<string>> {
  const hooks = new Map<string, ReadonlySet<string>>();
  for (const text of texts)
    for (const [, name = "", body = ""] of text.matchAll(
      /\b(?:function|const)\s+(use[A-Z]\w*)([\s\S]{0,400}?)(?=\n(?:export|function|const)\b|$)/g,
    )) {
      const keys = keysIn(body, (asking.jsx as Asking).asks);
      if (keys.length > 0) hooks.set(name, new Set(keys));
    }
  return hooks;
}

const keysIn = (text: string, rule: RegExp): readonly string[] =>
  [...text.matchAll(rule)].map(([, key = ""]) => key.replace(/^'(.*)'$/, '"$1"'));

/** How much of the way to their files two components share. */
function alike({ module: { path: a } }: FoundComponent, { module: { path: b } }: FoundComponent): number {
  let same = 0;
  while (same < a.length && a[same] === b[same]) same++;
  return same;
}
