/** Is told of everything that is made and kept. */
export type OnKept = (kind: string, name: string, key: string, value: unknown) => void;

/**
 * What was made of texts and may be made again: modules, sheets, what came of a root. Each is kept by what it was made of,
 * and under a name only the latest: what has not changed since is as it was. Kept in memory, for as long as it is held.
 */
export class Workspace {
  readonly #kept = new Map<string, { readonly key: string; readonly value: unknown }>();
  readonly #below: Workspace | null;
  readonly #onKept: OnKept;

  constructor(onKept: OnKept = () => {}, below: Workspace | null = null) {
    this.#onKept = onKept;
    this.#below = below;
  }

  /**
   * What is kept of a kind under a name for a key; made and kept where it is not.
   * @param key everything that it is made of: the text itself, or a hash of all of it
   */
  of<T>(kind: string, name: string, key: string, make: () => T): T {
    const place = placeOf(kind, name);
    for (const known of this.#keptAt(place)) if (known.key === key) return known.value as T;
    const value = make();
    this.put(kind, name, key, value);
    return value;
  }

  /** The same for what is large and asked for once: kept only where something is tried, which soon ends. */
  briefly<T>(kind: string, name: string, key: string, make: () => T): T {
    return this.#below === null ? make() : this.of(kind, name, key, make);
  }

  /** Keeps what was made elsewhere. */
  put(kind: string, name: string, key: string, value: unknown): void {
    this.#kept.set(placeOf(kind, name), { key, value });
    this.#onKept(kind, name, key, value);
  }

  /** Whether anything of a kind is kept, from an earlier audit. */
  knows(kind: string): boolean {
    for (const place of this.#kept.keys()) if (place.startsWith(`${kind} `)) return true;
    return this.#below?.knows(kind) === true;
  }

  /** What is kept at a place, here and in what this one was forked from, the nearest first. */
  *#keptAt(place: string): Iterable<{ readonly key: string; readonly value: unknown }> {
    for (let workspace: Workspace | null = this; workspace !== null; workspace = workspace.#below) {
      const known = workspace.#kept.get(place);
      if (known !== undefined) yield known;
    }
  }

  /**
   * What is kept of a kind under a name, where it still holds; made anew and kept where it does not: for what is made of
   * more than can be named before.
   */
  async ifHolds<T>(
    kind: string,
    name: string,
    holds: (value: T) => Promise<boolean>,
    make: () => Promise<T>,
  ): Promise<T> {
    const place = placeOf(kind, name);
    for (const { value } of this.#keptAt(place)) if (await holds(value as T)) return value as T;
    const value = await make();
    this.put(kind, name, "", value);
    return value;
  }

  /** A workspace that knows all that this one does, and leaves it as it is: for trying what may not stay. */
  fork(): Workspace {
    return new Workspace(undefined, this);
  }
}

const placeOf = (kind: string, name: string): string => `${kind} ${name}`;
