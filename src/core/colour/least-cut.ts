/** What cannot be cut. */
export const UNCUTTABLE = 1e12;

/** A network whose least cut between two nodes is sought: E. A. Dinic's way, by levels. */
export class Network {
  readonly #first: Int32Array;
  readonly #next: number[] = [];
  readonly #head: number[] = [];
  readonly #room: number[] = [];
  readonly #level: Int32Array;
  readonly #at: Int32Array;
  readonly #size: number;

  constructor(size: number) {
    this.#size = size;
    this.#first = new Int32Array(size).fill(-1);
    this.#level = new Int32Array(size);
    this.#at = new Int32Array(size);
  }

  /** @param room whole numbers, so that sums are exact */
  join(from: number, to: number, room: number): void {
    this.#arc(from, to, room);
    this.#arc(to, from, 0);
  }

  #arc(from: number, to: number, room: number): void {
    this.#next.push(this.#first[from] ?? -1);
    this.#first[from] = this.#head.length;
    this.#head.push(to);
    this.#room.push(room);
  }

  /** The weight of the least cut, and the nodes on the side of `source`; null when every cut goes through what cannot be cut. */
  leastCut(
    source: number,
    sink: number,
  ): { readonly weight: number; readonly reached: (node: number) => boolean } | null {
    let weight = 0;
    while (this.#reaches(source, sink)) {
      this.#at.set(this.#first);
      for (let more = this.#push(source, sink); more > 0; more = this.#push(source, sink)) weight += more;
      if (weight >= UNCUTTABLE) return null;
    }
    const level = Int32Array.from(this.#level);
    return { weight, reached: (node) => (level[node] ?? -1) >= 0 };
  }

  #reaches(source: number, sink: number): boolean {
    const level = this.#level.fill(-1);
    const queue = new Int32Array(this.#size);
    queue[0] = source;
    level[source] = 0;
    for (let read = 0, end = 1; read < end; read++) {
      const node = queue[read] ?? 0;
      for (let arc = this.#first[node] ?? -1; arc >= 0; arc = this.#next[arc] ?? -1) {
        const to = this.#head[arc] ?? 0;
        if ((this.#room[arc] ?? 0) === 0 || (level[to] ?? 0) >= 0) continue;
        level[to] = (level[node] ?? 0) + 1;
        queue[end++] = to;
      }
    }
    return (level[sink] ?? -1) >= 0;
  }

  /** Sends what fits along one way to the sink: walked without recursion, for ways are as long as there are tones. */
  #push(source: number, sink: number): number {
    const way: number[] = [];
    let node = source;
    while (node !== sink) {
      let arc = this.#at[node] ?? -1;
      while (arc >= 0 && !this.#leadsOn(node, arc)) arc = this.#next[arc] ?? -1;
      this.#at[node] = arc;
      if (arc >= 0) {
        way.push(arc);
        node = this.#head[arc] ?? sink;
        continue;
      }
      const last = way.pop();
      if (last === undefined) return 0;
      // A dead end: it is left and not entered again at this level.
      node = this.#head[last ^ 1] ?? source;
      this.#at[node] = this.#next[last] ?? -1;
    }
    const sent = Math.min(...way.map((arc) => this.#room[arc] ?? 0));
    for (const arc of way) {
      this.#room[arc] = (this.#room[arc] ?? 0) - sent;
      this.#room[arc ^ 1] = (this.#room[arc ^ 1] ?? 0) + sent;
    }
    return sent;
  }

  #leadsOn(node: number, arc: number): boolean {
    return (
      (this.#room[arc] ?? 0) > 0 && (this.#level[this.#head[arc] ?? 0] ?? -1) === (this.#level[node] ?? 0) + 1
    );
  }
}
