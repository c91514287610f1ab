import { and, asc, desc, eq, isNull } from 'drizzle-orm';
import type { Girths, Place } from '@/core/body/places';
import type { Db } from './database';
import { checkedIn, readRow, type Readings, type Unreadable } from './records';
import { measure, person } from './schema';

/** One length as it was taken, on its day. */
export interface Measure {
  readonly id: string;
  readonly place: Place;
  readonly mm: number;
  /** The day, as YYYY-MM-DD. */
  readonly takenOn: string;
}

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  /** The newest length of each place, mm. */
  readonly girths: Girths;
  /** All that were taken, the newest first. */
  readonly measures: readonly Measure[];
}

/** Everyone of a workspace by name, each with all measures. A measure that cannot be read is told of apart. */
export async function people(db: Db, workspaceId: string): Promise<Readings<Person>> {
  const rows = await db
    .select({ who: person, what: measure })
    .from(person)
    .leftJoin(measure, and(eq(measure.personId, person.id), isNull(measure.archivedAt)))
    .where(and(eq(person.workspaceId, workspaceId), isNull(person.archivedAt)))
    .orderBy(asc(person.name), asc(person.id), desc(measure.takenOn), desc(measure.createdAt));
  const found = new Map<string, { id: string; name: string; note: string; measures: Measure[] }>();
  const unreadable = new Map<string, Unreadable>();
  for (const { who, what } of rows) {
    const read = readRow('person', who.id, { name: who.name, note: who.note });
    if (!read.ok) {
      unreadable.set(who.id, read.unreadable);
      continue;
    }
    const one = found.get(who.id) ?? { id: who.id, ...read.value, measures: [] };
    found.set(who.id, one);
    if (!what) continue;
    const { id, place, mm, takenOn } = what;
    const taken = readRow('measure', id, { name: `${place} of ${who.name}`, place, mm, takenOn });
    if (taken.ok) one.measures.push({ id, place, mm, takenOn });
    else unreadable.set(id, taken.unreadable);
  }
  return {
    found: [...found.values()].map((one) => ({ ...one, girths: newest(one.measures) })),
    unreadable: [...unreadable.values()],
  };
}

/** The first of each place in a list that has the newest first. */
function newest(measures: readonly Measure[]): Girths {
  const girths: Partial<Record<Place, number>> = {};
  for (const { place, mm } of measures) girths[place] ??= mm;
  return girths;
}

export interface NewPerson {
  readonly name: string;
  readonly note?: string;
  readonly girths: Girths;
}

export async function addPerson(db: Db, workspaceId: string, { girths, ...who }: NewPerson): Promise<Person> {
  const { name, note } = checkedIn('person', who);
  const taken = Object.entries(girths).map(([place, mm]) => checkedIn('measure', { place, mm }));
  return db.transaction(async (tx) => {
    const [made] = await tx.insert(person).values({ workspaceId, name, note }).returning();
    if (!made) throw new Error('The person could not be kept.');
    const rows = taken.map(({ place, mm }) => ({ workspaceId, personId: made.id, place, mm }));
    const kept = rows.length > 0 ? await tx.insert(measure).values(rows).returning() : [];
    const measures = kept.map(({ id, place, mm, takenOn }) => ({ id, place, mm, takenOn }));
    return { id: made.id, name: made.name, note: made.note, girths, measures };
  });
}

const whose = (workspaceId: string, id: string) =>
  and(eq(person.id, id), eq(person.workspaceId, workspaceId));

/** Changes a name or a note. Returns false where nobody has that id here. */
export async function changePerson(
  db: Db,
  workspaceId: string,
  id: string,
  change: { readonly name?: string; readonly note?: string },
): Promise<boolean> {
  const [now] = await db.select().from(person).where(whose(workspaceId, id));
  if (!now) return false;
  const { name, note } = checkedIn('person', { name: now.name, note: now.note, ...change });
  await db.update(person).set({ name, note }).where(whose(workspaceId, id));
  return true;
}

/** A new length of somebody; the older ones stay as a record. Returns false where nobody has that id here. */
export async function addMeasure(
  db: Db,
  workspaceId: string,
  personId: string,
  taken: { readonly place: Place; readonly mm: number; readonly takenOn?: string },
): Promise<boolean> {
  const { place, mm, takenOn } = checkedIn('measure', taken);
  const [found] = await db.select({ id: person.id }).from(person).where(whose(workspaceId, personId));
  if (!found) return false;
  await db.insert(measure).values({ workspaceId, personId, place, mm, ...(takenOn && { takenOn }) });
  return true;
}
