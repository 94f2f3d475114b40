/** Stands for a connection that may never be cut. */
export const UNCUTTABLE = 2 ** 40;

/**
 * Minimum cut between a source (node 0) and a sink (node 1) by Dinic's
 * algorithm (E. A. Dinic, 1970): shortest augmenting paths by levels.
 * Capacities are whole numbers of at least 0.
 */
export class MinCut {
  readonly #head: number[] = [-1, -1];
  readonly #next: number[] = [];
  readonly #to: number[] = [];
  readonly #left: number[] = [];
  #level = new Int32Array(0);
  #at = new Int32Array(0);

  /** A new node's number. */
  node(): number {
    return this.#head.push(-1) - 1;
  }

  /** Connects two nodes; `back` is the capacity the other way. */
  connect(from: number, to: number, capacity: number, back = 0): void {
    this.#half(from, to, capacity);
    this.#half(to, from, back);
  }

  #half(from: number, to: number, capacity: number): void {
    this.#next.push(this.#head[from]!);
    this.#head[from] = this.#to.push(to) - 1;
    this.#left.push(capacity);
  }

  /** Runs until nothing more flows. @returns the capacity of the cut; `UNCUTTABLE` or more when there is none */
  run(): number {
    let flow = 0;
    while (flow < UNCUTTABLE && this.#levels()) {
      this.#at = Int32Array.from(this.#head);
      let pushed;
      while ((pushed = this.#push(0, UNCUTTABLE)) > 0) flow += pushed;
    }
    return flow;
  }

  /** After `run`: whether a node lies on the side of the source. */
  onSourceSide(node: number): boolean {
    return this.#level[node]! >= 0;
  }

  #levels(): boolean {
    this.#level = new Int32Array(this.#head.length).fill(-1);
    this.#level[0] = 0;
    const queue = [0];
    for (let i = 0; i < queue.length; i++) {
      const node = queue[i]!;
      for (let edge = this.#head[node]!; edge >= 0; edge = this.#next[edge]!) {
        const to = this.#to[edge]!;
        if (this.#left[edge]! > 0 && this.#level[to]! < 0) {
          this.#level[to] = this.#level[node]! + 1;
          queue.push(to);
        }
      }
    }
    return this.#level[1]! >= 0;
  }

  /** Pushes along one path; paths grow long, so the walk keeps its own stack. */
  #push(source: number, most: number): number {
    const path: number[] = [];
    let node = source;
    for (;;) {
      if (node === 1) {
        const pushed = path.reduce((least, edge) => Math.min(least, this.#left[edge]!), most);
        for (const edge of path) {
          this.#left[edge]! -= pushed;
          this.#left[edge ^ 1]! += pushed;
        }
        return pushed;
      }
      let edge = this.#at[node]!;
      while (edge >= 0 && !(this.#left[edge]! > 0 && this.#level[this.#to[edge]!] === this.#level[node]! + 1))
        edge = this.#next[edge]!;
      this.#at[node] = edge;
      if (edge >= 0) {
        path.push(edge);
        node = this.#to[edge]!;
      } else {
        const back = path.pop();
        if (back === undefined) return 0;
        node = this.#to[back ^ 1]!;
        this.#at[node] = this.#next[this.#at[node]!]!;
      }
    }
  }
}
