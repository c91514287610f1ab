import { getTableName, is, sql } from 'drizzle-orm';
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core';
import type { Database, Db } from './database';
import { DataProblem } from './problem';
import * as schema from './schema';

/** Rows that are carried over at once: photographs are megabytes each. */
const AT_ONCE = 50;

const tables = (): PgTable[] => Object.values(schema).filter((table) => is(table, PgTable));

/** Every table after those that it refers to. */
export function inOrder(): string[] {
  const ordered: string[] = [];
  const add = (table: PgTable) => {
    const name = getTableName(table);
    if (ordered.includes(name)) return;
    for (const { reference } of getTableConfig(table).foreignKeys) {
      const { foreignTable } = reference();
      if (foreignTable !== table) add(foreignTable);
    }
    ordered.push(name);
  };
  for (const table of tables()) add(table);
  return ordered;
}

/** How many rows a table has, and a fingerprint of them all: the same wherever they lie. */
async function fingerprint(db: Db, table: string): Promise<string> {
  const name = sql.identifier(table);
  const { rows } = await db.execute(
    // Each row by itself first: a table of photographs is too long for one text.
    sql`select count(*)::text || ' ' || coalesce(md5(string_agg(one, '' order by one)), '') as mark
        from (select md5(to_jsonb(${name})::text) as one from ${name}) as each`,
  );
  return String(rows[0]?.mark);
}

async function isEmpty(db: Db): Promise<boolean> {
  const { rows } = await db.execute(
    sql`select exists (select 1 from ${schema.piece}) or exists (select 1 from ${schema.person}) as used`,
  );
  return rows[0]?.used === false;
}

/**
 * Carries everything from one database over to another, as it is, and compares the two. What is read stays as it was. Throws, with
 * nothing carried over, where the other holds pieces or people already, or where something does not arrive as it left.
 * @returns how many rows were carried over
 */
export async function move(from: Database, to: Database): Promise<number> {
  if (!(await isEmpty(to.db)))
    throw new DataProblem(
      'There are pieces or people already where this was to go. Nothing was changed. Choose an empty database.',
    );
  return to.db.transaction(async (target) => {
    let carried = 0;
    // A fresh installation has a workspace and its catalogue: those that come take their place.
    await target.execute(sql`truncate ${schema.workspace} cascade`);
    for (const table of inOrder()) {
      const name = sql.identifier(table);
      for (let after = 0; ; after += AT_ONCE) {
        const { rows } = await from.db.execute(
          sql`select to_jsonb(one)::text as row from (select * from ${name} order by ctid limit ${AT_ONCE} offset ${after}) as one`,
        );
        if (rows.length === 0) break;
        const all = `[${rows.map(({ row }) => String(row)).join(',')}]`;
        await target.execute(
          sql`insert into ${name} select * from jsonb_populate_recordset(null::${name}, ${all}::jsonb)`,
        );
        carried += rows.length;
      }
      if ((await fingerprint(from.db, table)) !== (await fingerprint(target as unknown as Db, table)))
        throw new DataProblem(`Not all of ${table} arrived as it left. Nothing was changed.`);
    }
    // What happens next comes after what has happened.
    await target.execute(
      sql`select setval(pg_get_serial_sequence('making_event', 'seq'), coalesce(max(seq), 0) + 1, false) from ${schema.makingEvent}`,
    );
    return carried;
  });
}
