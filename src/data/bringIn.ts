import { eq, sql } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import { bytesOf, type WorkspaceFile } from '@/core/files/workspaceFile';
import { inOrder } from '@/core/making/mat';
import type { MakingEvent } from '@/core/making/events';
import type { Piece } from '@/core/piece/piece';
import { readSettings } from '@/core/records/settings';
import type { Db } from './database';
import { keepMaterials } from './materials';
import { checkedIn, readRow, type RecordKind } from './records';
import {
  makingEvent,
  mat,
  material,
  measure,
  pattern,
  person,
  photo,
  piece,
  pieceVersion,
  swatch,
  variant,
  workspace,
} from './schema';

export const SHELVES_OF_A_FILE = [
  'people',
  'pieces',
  'patterns',
  'swatches',
  'mats',
  'photos',
  'materials',
] as const;
type ShelfOfAFile = (typeof SHELVES_OF_A_FILE)[number];

/** What becomes of the things of a file: added, there already, or put beside one of the same origin that was changed since. */
interface Tally {
  added: number;
  same: number;
  beside: number;
}
export type Brought = Readonly<Record<ShelfOfAFile, Readonly<Tally>>> & {
  /** Whether unit and habits were taken over: only where nothing was here yet. */
  readonly habits: boolean;
};

/** More rows than this in one statement are too many values. */
const AT_ONCE = 500;

/** What is here under an id, in whichever workspace. */
interface Own {
  readonly id: string;
  readonly workspaceId: string;
  readonly doc: unknown;
}
type Here = ReadonlyMap<string, Own>;

/** What is here under some ids; its document too, where it has one. */
async function hereUnder(
  db: Db,
  table: PgTable,
  all: readonly { readonly id: string }[],
  hasDoc = false,
): Promise<Here> {
  const found = new Map<string, Own>();
  for (let from = 0; from < all.length; from += AT_ONCE) {
    const ids = all.slice(from, from + AT_ONCE).map(({ id }) => id);
    const { rows } = await db.execute(
      sql`select id::text as id, workspace_id::text as workspace, ${hasDoc ? sql`doc` : sql`null`} as doc from ${table} where id in ${ids}`,
    );
    for (const { id, workspace: of, doc } of rows)
      found.set(String(id), { id: String(id), workspaceId: String(of), doc });
  }
  return found;
}

const when = (away: boolean) => (away ? new Date() : null);

/** A file on its way in, within a transaction. What is here stays as it is. */
class Bringing {
  private readonly tally = Object.fromEntries(
    SHELVES_OF_A_FILE.map((name) => [name, { added: 0, same: 0, beside: 0 }]),
  ) as Record<ShelfOfAFile, Tally>;
  /** What things of the file are called from now on, by what it calls them. */
  private readonly names = new Map<string, string>();

  constructor(
    private readonly db: Db,
    private readonly workspaceId: string,
    private readonly file: WorkspaceFile,
  ) {}

  async all(): Promise<Brought> {
    const habits = await this.isNew();
    if (habits) await this.habits();
    await this.materials(habits);
    await this.people();
    await this.pieces();
    await this.documents('patterns', pattern, 'pattern');
    await this.documents('swatches', swatch, 'swatch');
    await this.mats();
    await this.photos();
    return { ...this.tally, habits };
  }

  /** Whether nothing of hers is here yet. */
  private async isNew(): Promise<boolean> {
    const { rows } = await this.db.execute(
      sql`select exists (select 1 from ${piece} where workspace_id = ${this.workspaceId})
              or exists (select 1 from ${person} where workspace_id = ${this.workspaceId}) as used`,
    );
    return rows[0]?.used === false;
  }

  private async habits(): Promise<void> {
    const { lengthUnit, settings } = this.file;
    await this.db
      .update(workspace)
      .set({ lengthUnit, settings: readSettings(settings) })
      .where(eq(workspace.id, this.workspaceId));
  }

  /** The id that a thing has from now on, and whether it is to be added. */
  private placed(
    shelf: ShelfOfAFile,
    here: Here,
    id: string,
    isSame: (own: Own) => boolean = () => true,
  ): { readonly id: string; readonly add: boolean } {
    const own = here.get(id);
    const isOurs = own?.workspaceId === this.workspaceId;
    const add = !(isOurs && isSame(own));
    this.tally[shelf][!add ? 'same' : isOurs ? 'beside' : 'added']++;
    const now = add && own ? crypto.randomUUID() : id;
    this.names.set(id, now);
    return { id: now, add };
  }

  private nameOf(id: string): string {
    return this.names.get(id) ?? id;
  }

  /** What was corrected here stays corrected, unless nothing else is here yet. */
  private async materials(isNew: boolean): Promise<void> {
    const rows = await this.db.select().from(material).where(eq(material.workspaceId, this.workspaceId));
    const here = new Map(rows.map(({ kind, key, data }) => [`${kind} ${key}`, inOrder(data)]));
    for (const { kind, data } of this.file.materials) {
      const own = here.get(`${kind} ${data.id}`);
      const take = own === undefined || (isNew && own !== inOrder(data));
      if (take) await keepMaterials(this.db, this.workspaceId, kind, [data]);
      this.tally.materials[take ? 'added' : 'same']++;
    }
  }

  /** A person is who she is, whatever is written of her: her measures are added to those that are here. */
  private async people(): Promise<void> {
    const { db, workspaceId } = this;
    const here = await hereUnder(db, person, this.file.people);
    const taken = await hereUnder(
      db,
      measure,
      this.file.people.flatMap(({ measures }) => measures),
    );
    for (const { id: told, name, note, away, measures } of this.file.people) {
      const { id, add } = this.placed('people', here, told);
      if (add) await db.insert(person).values({ id, workspaceId, name, note, archivedAt: when(away) });
      for (const { id: own, measure: what, away: gone } of measures) {
        const known = taken.get(own);
        if (known?.workspaceId === workspaceId) continue;
        await db.insert(measure).values({
          id: known ? crypto.randomUUID() : own,
          workspaceId,
          personId: id,
          ...what,
          archivedAt: when(gone),
        });
      }
    }
  }

  private worn(doc: Piece): Piece {
    const { wearer } = doc;
    if (wearer === null || wearer.personId === null) return doc;
    return { ...doc, wearer: { ...wearer, personId: this.nameOf(wearer.personId) } };
  }

  private async pieces(): Promise<void> {
    const { db, workspaceId, file } = this;
    const here = await hereUnder(db, piece, file.pieces, true);
    const asideHere = await hereUnder(
      db,
      pieceVersion,
      file.pieces.flatMap(({ aside }) => aside),
    );
    const besideHere = await hereUnder(
      db,
      variant,
      file.pieces.flatMap(({ beside }) => beside),
    );
    for (const { id: told, doc: raw, dueOn, away, aside, beside } of file.pieces) {
      const doc = checkedIn('piece', this.worn(raw));
      const { id, add } = this.placed('pieces', here, told, sameAs('piece', doc));
      if (add) await db.insert(piece).values({ id, workspaceId, doc, dueOn, archivedAt: when(away) });
      for (const one of aside)
        if (!asideHere.has(one.id))
          await db
            .insert(pieceVersion)
            .values({ ...one, workspaceId, pieceId: id, doc: checkedIn('version', this.worn(one.doc)) })
            .onConflictDoNothing();
      for (const one of beside)
        if (!besideHere.has(one.id))
          await db.insert(variant).values({
            id: one.id,
            workspaceId,
            pieceId: id,
            doc: checkedIn('variant', this.worn(one.doc)),
            archivedAt: when(one.away),
          });
    }
  }

  private async documents(
    shelf: 'patterns' | 'swatches',
    table: typeof pattern | typeof swatch,
    kind: 'pattern' | 'swatch',
  ): Promise<void> {
    const here = await hereUnder(this.db, table, this.file[shelf], true);
    for (const { id: told, doc: raw, away } of this.file[shelf]) {
      const doc = checkedIn(kind, raw);
      const { id, add } = this.placed(shelf, here, told, sameAs(kind, doc));
      const row = { id, workspaceId: this.workspaceId, doc, archivedAt: when(away) };
      if (add) await this.db.insert(table).values(row);
    }
  }

  /** What lies on a mat does not change; what happened there is added to. */
  private async mats(): Promise<void> {
    const { db, workspaceId, file } = this;
    const here = await hereUnder(db, mat, file.mats);
    const told = await hereUnder(
      db,
      makingEvent,
      file.mats.flatMap(({ events }) => events),
    );
    for (const { id: own, pieceId, doc, away, events } of file.mats) {
      const { id, add } = this.placed('mats', here, own);
      const row = {
        id,
        workspaceId,
        pieceId: this.nameOf(pieceId),
        doc: checkedIn('mat', doc),
        archivedAt: when(away),
      };
      if (add) await db.insert(mat).values(row);
      const fresh = events.filter((one) => told.get(one.id)?.workspaceId !== workspaceId);
      for (const one of fresh) if (told.has(one.id)) this.names.set(one.id, crypto.randomUUID());
      const rows = fresh.map((one) => {
        const event = this.renamed(one);
        return { id: event.id, workspaceId, matId: id, doc: checkedIn('event', event) };
      });
      for (let from = 0; from < rows.length; from += AT_ONCE)
        await db.insert(makingEvent).values(rows.slice(from, from + AT_ONCE));
    }
  }

  /** An event by the ids that all it names have from now on. */
  private renamed({ id, after, what, ...event }: MakingEvent): MakingEvent {
    return {
      ...event,
      id: this.nameOf(id),
      after: after === null ? null : this.nameOf(after),
      what: what.did === 'choose' ? { ...what, keep: this.nameOf(what.keep) } : what,
    };
  }

  private async photos(): Promise<void> {
    const { db, workspaceId, file } = this;
    const here = await hereUnder(db, photo, file.photos);
    for (const { id, matId, kind, data } of file.photos) {
      const own = here.get(id);
      // The event that tells of it names it by its id: what is another workspace's cannot be had twice.
      this.tally.photos[own ? 'same' : 'added']++;
      const row = { id, workspaceId, matId: this.nameOf(matId), kind, data: bytesOf(data) };
      if (!own) await db.insert(photo).values(row);
    }
  }
}

const sameAs =
  (kind: RecordKind, doc: unknown) =>
  (own: Own): boolean => {
    const read = readRow(kind, own.id, own.doc);
    return read.ok && inOrder(read.value) === inOrder(doc);
  };

/** Takes everything back that was done in a transaction, and carries its outcome out. */
class TriedOut extends Error {
  constructor(readonly outcome: Brought) {
    super('tried out');
  }
}

/** Brings all of a file in, or nothing of it. */
export const bringIn = (db: Db, workspaceId: string, file: WorkspaceFile): Promise<Brought> =>
  db.transaction((tx) => new Bringing(tx, workspaceId, file).all());

/** What bringing a file in would do: it is done, and all of it taken back. */
export async function tryOut(db: Db, workspaceId: string, file: WorkspaceFile): Promise<Brought> {
  try {
    return await db.transaction(async (tx): Promise<Brought> => {
      throw new TriedOut(await new Bringing(tx, workspaceId, file).all());
    });
  } catch (error) {
    if (error instanceof TriedOut) return error.outcome;
    throw error;
  }
}
