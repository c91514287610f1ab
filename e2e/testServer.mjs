// The built program for a worker of the tests, and beside it a door of its own: each test asks for a workspace that is
// nobody else's, a copy of the choir's or an empty one. The program itself knows nothing of it.
//   node e2e/testServer.mjs
import { createServer } from 'node:http';
import { sql } from 'drizzle-orm';

await import('../scripts/server.mjs');

const HOST = '127.0.0.1';

/** Tables whose rows belong to a workspace, in an order that their references allow. */
const TABLES = ['person', 'measure', 'piece', 'piece_version', 'variant', 'pattern', 'swatch'];

/** Opens the installation by the first page, and answers with it. */
async function installation() {
  while (!globalThis.ivyloom) await new Promise((resolve) => setTimeout(resolve, 20));
  return globalThis.ivyloom;
}

/** A copy of the first workspace, the one that was seeded. Every id in it, also within documents, has one of its own. */
async function fresh(kind) {
  const { database } = await installation();
  const { db } = database;
  const ask = async (query) => (await db.execute(sql.raw(query))).rows;
  const [{ id: seeded }] = await ask('select id from workspace order by created_at limit 1');
  const [{ id }] = await ask("insert into workspace (name) values ('a test') returning id");
  await ask(
    `insert into material (workspace_id, kind, key, position, data)
     select '${id}', kind, key, position, data from material where workspace_id = '${seeded}'`,
  );
  const people = await ask(`select id::text from person where workspace_id = '${seeded}'`);
  // As random ones are marked: version 4, variant 10 (RFC 9562).
  const own = (column) =>
    `overlay(overlay(md5(${column}::text || '${id}') placing '4' from 13) placing '8' from 17)::uuid`;
  /** Documents name people by their ids. */
  const doc = people.reduce(
    (text, person) => `replace(${text}, '${person.id}', ${own(`'${person.id}'`)}::text)`,
    'doc::text',
  );
  for (const table of kind === 'choir' ? TABLES : []) {
    const columns = (
      await ask(
        `select column_name as name from information_schema.columns where table_name = '${table}' and table_schema = 'public'`,
      )
    ).map(({ name }) => name);
    const values = columns.map((name) => {
      if (name === 'workspace_id') return `'${id}'`;
      if (name === 'id' || name.endsWith('_id')) return name === 'change_id' ? name : own(name);
      return name === 'doc' ? `(${doc})::jsonb` : name;
    });
    await ask(
      `insert into ${table} (${columns.join(', ')}) select ${values.join(', ')} from ${table} where workspace_id = '${seeded}'`,
    );
  }
  globalThis.ivyloom = Promise.resolve({ database, workspaceId: id });
}

/** Makes rows of the present workspace such as no version wrote: what an older, a newer or a damaged one may leave. */
async function spoil() {
  const { database, workspaceId } = await installation();
  const ask = (query) => database.db.execute(sql.raw(`${query} and workspace_id = '${workspaceId}'`));
  await ask(`update piece set doc = doc || '{"format": 99}' where doc ->> 'name' = 'Slack water'`);
  await ask(
    `update swatch set doc = jsonb_set(doc, '{structure,params}', '{"sequence": 7}') where doc ->> 'takenOn' = '2026-04-11'`,
  );
  await ask(`update measure set mm = 9 where place = 'wrist' and mm = 159`);
}

const door = createServer((request, response) => {
  const kind = new URL(request.url, `http://${HOST}`).searchParams.get('kind');
  (kind === 'spoil' ? spoil() : fresh(kind)).then(
    () => response.end('done'),
    (error) => {
      response.statusCode = 500;
      response.end(String(error.stack));
    },
  );
});
door.listen(0, HOST, () => console.log(`Door: http://${HOST}:${door.address().port}/`));
