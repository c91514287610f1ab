import type { Bead, End, Finding, Knot, Move, Path, Place } from './path';

/** A way through a bead: the bead itself means its first hole. */
export type Passage = Bead | { readonly bead: Bead; readonly hole: number };

/** The bead's hole number `n`, counted from 0. */
export const hole = (bead: Bead, n: number): Passage => ({ bead, hole: n });

const passage = (p: Passage) => ('bead' in p ? p : { bead: p, hole: 0 });

/** What one pick hands back: its beads under the names they were picked with. */
export type Named<T extends Record<string, string>> = { readonly [K in keyof T]: Bead };

/**
 * Writes a thread path the way a pattern is read aloud.
 *
 * ```ts
 * const w = new Weave();
 * const t = w.needle('working');
 * const base = t.pick({ left: 'A', right: 'A' });
 * w.repeat(1, rows, base, (prev) => {
 *   const row = t.pick({ left: 'A', right: 'A' });
 *   t.through(prev.right, prev.left, row.left);
 *   return row;
 * });
 * const path = w.path();
 * ```
 */
export class Weave {
  private readonly beads: Bead[] = [];
  private readonly findings: Finding[] = [];
  private readonly moves: Move[] = [];
  private readonly needles = new Map<string, Needle>();
  private place: Place = { section: 'body', pass: 'base', unit: 0, row: 0 };

  /** @param rowsPerUnit rows that make one unit (one repeat of the weave). */
  constructor(private readonly rowsPerUnit = 1) {}

  /** The needle of that name, threaded on its first use. */
  needle(name: string): Needle {
    let needle = this.needles.get(name);
    if (!needle) {
      needle = new Needle(this, name);
      this.needles.set(name, needle);
    }
    return needle;
  }

  finding(name: string): Finding {
    const finding = { id: this.findings.length, name };
    this.findings.push(finding);
    return finding;
  }

  /** Everything `work` does belongs to this part of the piece. */
  in<T>(part: { section?: string; pass?: string; row?: number }, work: () => T): T {
    const before = this.place;
    this.place = this.at(part);
    try {
      return work();
    } finally {
      this.place = before;
    }
  }

  /**
   * Rows `from` to `to` − 1. Each is handed what the one before it returned, so that references stay
   * local and the path stays linear in its length. Returns what the last row returned.
   */
  repeat<T>(from: number, to: number, first: T, work: (previous: T, row: number) => T): T {
    let previous = first;
    for (let row = from; row < to; row++) previous = this.in({ row }, () => work(previous, row));
    return previous;
  }

  path(): Path {
    return {
      beads: this.beads,
      findings: this.findings,
      moves: this.moves,
      needles: [...this.needles.keys()],
    };
  }

  /** @internal Where the moves being written belong. */
  get here(): Place {
    return this.place;
  }

  /** @internal */
  at(part: { section?: string; pass?: string; row?: number }): Place {
    const { section, pass, row } = this.place;
    const at = part.row ?? row;
    return {
      section: part.section ?? section,
      pass: part.pass ?? pass,
      row: at,
      unit: Math.floor(at / this.rowsPerUnit),
    };
  }

  /** @internal */
  addBead(role: string, name: string, row: number | undefined): Bead {
    const place = row === undefined ? this.place : this.at({ row });
    const bead = { id: this.beads.length, role, name, place };
    this.beads.push(bead);
    return bead;
  }

  /** @internal */
  add(move: Move): void {
    this.moves.push(move);
  }
}

/** One needle: each verb is one or more moves. */
export class Needle {
  constructor(
    private readonly weave: Weave,
    private readonly name: string,
  ) {}

  begin(stop: 'none' | 'foreign'): this {
    this.weave.add({ kind: 'begin', needle: this.name, place: this.weave.here, stop });
    return this;
  }

  /** Picks up beads in the order given, name → role. `row` places them in another row than the move's own. */
  pick<const T extends Record<string, string>>(
    roles: T,
    options: { row?: number; hole?: number } = {},
  ): Named<T> {
    const picked: Record<string, Bead> = {};
    for (const name in roles) picked[name] = this.pickOne(roles[name] as string, name, options);
    return picked as Named<T>;
  }

  /** Picks up a run of beads of the given roles, named by their place in the run. */
  string(roles: readonly string[], prefix = ''): Bead[] {
    return roles.map((role, i) => this.pickOne(role, `${prefix}${i + 1}`, {}));
  }

  /** Through beads the way they were strung. */
  through(...passages: Passage[]): this {
    return this.go(passages, 0);
  }

  /** Through beads against the way they were strung. */
  back(...passages: Passage[]): this {
    return this.go(passages, 1);
  }

  attach(finding: Finding): this {
    this.weave.add({ kind: 'attach', needle: this.name, place: this.weave.here, finding });
    return this;
  }

  knot(knot: Knot): this {
    this.weave.add({ kind: 'knot', needle: this.name, place: this.weave.here, knot });
    return this;
  }

  tail(): this {
    this.weave.add({ kind: 'tail', needle: this.name, place: this.weave.here });
    return this;
  }

  private pickOne(role: string, name: string, { row, hole = 0 }: { row?: number; hole?: number }): Bead {
    const bead = this.weave.addBead(role, name, row);
    this.weave.add({ kind: 'pick', needle: this.name, place: this.weave.here, bead, hole, enter: 0 });
    return bead;
  }

  private go(passages: readonly Passage[], enter: End): this {
    for (const p of passages) {
      const { bead, hole } = passage(p);
      this.weave.add({ kind: 'pass', needle: this.name, place: this.weave.here, bead, hole, enter });
    }
    return this;
  }
}
