import { and, asc, desc, eq } from 'drizzle-orm';
import type { Db } from './database';
import { measure, person } from './schema';

export type MeasuredPlace = 'wrist' | 'neck' | 'finger';

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  /** The newest girth of each place, mm. */
  readonly girths: Readonly<Partial<Record<MeasuredPlace, number>>>;
}

/** Everyone of a workspace by name, each with the newest girths. */
export async function people(db: Db, workspaceId: string): Promise<Person[]> {
  const rows = await db
    .select({ id: person.id, name: person.name, note: person.note, place: measure.place, mm: measure.mm })
    .from(person)
    .leftJoin(measure, eq(measure.personId, person.id))
    .where(eq(person.workspaceId, workspaceId))
    .orderBy(asc(person.name), asc(person.id), desc(measure.takenOn), desc(measure.createdAt));
  const found = new Map<string, Person & { girths: Partial<Record<MeasuredPlace, number>> }>();
  for (const { id, name, note, place, mm } of rows) {
    const one = found.get(id) ?? { id, name, note, girths: {} };
    if (place && mm !== null) one.girths[place] ??= mm;
    found.set(id, one);
  }
  return [...found.values()];
}

export interface NewPerson {
  readonly name: string;
  readonly note?: string;
  readonly girths: Person['girths'];
}

export async function addPerson(
  db: Db,
  workspaceId: string,
  { name, note, girths }: NewPerson,
): Promise<Person> {
  return db.transaction(async (tx) => {
    const [made] = await tx
      .insert(person)
      .values({ workspaceId, name, note: note ?? '' })
      .returning();
    if (!made) throw new Error('The person could not be kept.');
    const rows = Object.entries(girths).map(([place, mm]) => ({
      workspaceId,
      personId: made.id,
      place: place as MeasuredPlace,
      mm,
    }));
    if (rows.length > 0) await tx.insert(measure).values(rows);
    return { id: made.id, name: made.name, note: made.note, girths };
  });
}

/** A new girth of somebody; the older ones stay as a record. Returns false where nobody has that id here. */
export async function addMeasure(
  db: Db,
  workspaceId: string,
  personId: string,
  place: MeasuredPlace,
  mm: number,
): Promise<boolean> {
  const [whose] = await db
    .select({ id: person.id })
    .from(person)
    .where(and(eq(person.id, personId), eq(person.workspaceId, workspaceId)));
  if (!whose) return false;
  await db.insert(measure).values({ workspaceId, personId, place, mm });
  return true;
}
