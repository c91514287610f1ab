import { PLACES } from '@/core/body/places';
import { PHOTO_KINDS } from '@/core/making/photos';
import {
  bigint,
  bigserial,
  customType,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';

/** Every row belongs to a workspace from the first day, so that accounts can come without a rewrite. */
const inWorkspace = () =>
  uuid('workspace_id')
    .notNull()
    .references(() => workspace.id, { onDelete: 'cascade' });

const created = () => timestamp('created_at', { withTimezone: true }).notNull().defaultNow();

export const workspace = pgTable('workspace', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  /** The unit the weaver reads lengths in: `in` or `cm`. */
  lengthUnit: text('length_unit', { enum: ['in', 'cm'] })
    .notNull()
    .default('in'),
  /** Habits, as `core/records/settings.ts` describes them. */
  settings: jsonb('settings').notNull().default({}),
  /** Raised by every change of unit or settings. */
  settingsRevision: integer('settings_revision').notNull().default(0),
  createdAt: created(),
});

export const person = pgTable(
  'person',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    workspaceId: inWorkspace(),
    name: text('name').notNull(),
    note: text('note').notNull().default(''),
    archivedAt: timestamp('archived_at', { withTimezone: true }),
    createdAt: created(),
  },
  (t) => [index('person_workspace').on(t.workspaceId)],
);

/** A girth of a person, or the height, with its day: bodies change, and the newest counts. */
export const measure = pgTable(
  'measure',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    workspaceId: inWorkspace(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    place: text('place', { enum: [...PLACES] }).notNull(),
    mm: doublePrecision('mm').notNull(),
    takenOn: date('taken_on').notNull().defaultNow(),
    /** Taken back: it is kept, and counts no more. */
    archivedAt: timestamp('archived_at', { withTimezone: true }),
    createdAt: created(),
  },
  (t) => [index('measure_person').on(t.personId)],
);

/** The weaver's own catalogue: begins as the generic one, and is hers to correct. */
export const material = pgTable(
  'material',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    workspaceId: inWorkspace(),
    kind: text('kind', { enum: ['bead', 'thread', 'needle', 'finding', 'clasp'] }).notNull(),
    key: text('key').notNull(),
    position: integer('position').notNull(),
    data: jsonb('data').notNull(),
  },
  (t) => [unique('material_key').on(t.workspaceId, t.kind, t.key)],
);

export const piece = pgTable(
  'piece',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    workspaceId: inWorkspace(),
    /** The choices, as `core/piece/piece.ts` describes them. */
    doc: jsonb('doc').notNull(),
    /** The day by which it is wanted; null where nobody waits. It is no choice of the plan. */
    dueOn: date('due_on'),
    revision: integer('revision').notNull().default(1),
    /** The change that made this revision: the same change sent twice is one change. */
    lastChange: text('last_change').notNull().default(''),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
    archivedAt: timestamp('archived_at', { withTimezone: true }),
    createdAt: created(),
  },
  (t) => [index('piece_workspace').on(t.workspaceId)],
);

/**
 * What a card of the bench shows of a piece, worked out once: it holds for one revision of the piece, and for what else
 * it was worked out from. A cache: losing it costs time only.
 */
export const pieceCard = pgTable('piece_card', {
  pieceId: uuid('piece_id')
    .primaryKey()
    .references(() => piece.id, { onDelete: 'cascade' }),
  workspaceId: inWorkspace(),
  revision: integer('revision').notNull(),
  /** A hash of the program, the swatches and the habits it was worked out with. */
  workedOutWith: text('worked_out_with').notNull(),
  card: jsonb('card').notNull(),
});

/** Versions set aside: one that came too late, or one that a later choice replaced. Nothing is overwritten. */
export const pieceVersion = pgTable(
  'piece_version',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    workspaceId: inWorkspace(),
    pieceId: uuid('piece_id')
      .notNull()
      .references(() => piece.id, { onDelete: 'cascade' }),
    changeId: text('change_id').notNull(),
    doc: jsonb('doc').notNull(),
    createdAt: created(),
    /** Set once the weaver has chosen between the two. */
    settledAt: timestamp('settled_at', { withTimezone: true }),
  },
  (t) => [unique('piece_version_change').on(t.pieceId, t.changeId)],
);

/** A version of a piece that was set beside it, to be compared. */
export const variant = pgTable(
  'variant',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    workspaceId: inWorkspace(),
    pieceId: uuid('piece_id')
      .notNull()
      .references(() => piece.id, { onDelete: 'cascade' }),
    doc: jsonb('doc').notNull(),
    archivedAt: timestamp('archived_at', { withTimezone: true }),
    createdAt: created(),
  },
  (t) => [index('variant_piece').on(t.pieceId)],
);

/** A plan as it was when making began: what lies on the mat, as `core/making/mat.ts` describes it. It does not change. */
export const mat = pgTable(
  'mat',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    workspaceId: inWorkspace(),
    pieceId: uuid('piece_id')
      .notNull()
      .references(() => piece.id, { onDelete: 'cascade' }),
    doc: jsonb('doc').notNull(),
    archivedAt: timestamp('archived_at', { withTimezone: true }),
    createdAt: created(),
  },
  (t) => [index('mat_piece').on(t.pieceId)],
);

/** What happened at a mat, as `core/making/events.ts` describes it: only ever added to. */
export const makingEvent = pgTable(
  'making_event',
  {
    /** The window that told it named it: told twice, it is one. */
    id: uuid('id').primaryKey(),
    workspaceId: inWorkspace(),
    matId: uuid('mat_id')
      .notNull()
      .references(() => mat.id, { onDelete: 'cascade' }),
    /** The order in which they arrived. */
    seq: bigserial('seq', { mode: 'number' }).notNull(),
    doc: jsonb('doc').notNull(),
    createdAt: created(),
  },
  (t) => [index('making_event_mat').on(t.matId, t.seq)],
);

/**
 * How far the work on a mat is and what it tells the next, worked out once: it holds up to one of the events, and for one build of the
 * program. A cache: losing it costs time only.
 */
export const matStanding = pgTable('mat_standing', {
  matId: uuid('mat_id')
    .primaryKey()
    .references(() => mat.id, { onDelete: 'cascade' }),
  workspaceId: inWorkspace(),
  upTo: bigint('up_to', { mode: 'number' }).notNull(),
  program: text('program').notNull(),
  doc: jsonb('doc').notNull(),
});

const bytes = customType<{ data: Uint8Array }>({ dataType: () => 'bytea' });

/** A photograph of the work. What is to be seen on it an event of its mat tells. */
export const photo = pgTable(
  'photo',
  {
    /** The window that took it named it: sent twice, it is one. */
    id: uuid('id').primaryKey(),
    workspaceId: inWorkspace(),
    matId: uuid('mat_id')
      .notNull()
      .references(() => mat.id, { onDelete: 'cascade' }),
    kind: text('kind', { enum: [...PHOTO_KINDS] }).notNull(),
    data: bytes('data').notNull(),
    createdAt: created(),
  },
  (t) => [index('photo_mat').on(t.matId)],
);

/** A piece without its wearer, to be made again for anybody. */
export const pattern = pgTable(
  'pattern',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    workspaceId: inWorkspace(),
    doc: jsonb('doc').notNull(),
    archivedAt: timestamp('archived_at', { withTimezone: true }),
    createdAt: created(),
  },
  (t) => [index('pattern_workspace').on(t.workspaceId)],
);

/** So many units of a stitch in certain beads, measured: what a gauge stands on. */
export const swatch = pgTable(
  'swatch',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    workspaceId: inWorkspace(),
    /** Stitch, beads, thread and what was measured, as `core/records/swatches.ts` describes them. */
    doc: jsonb('doc').notNull(),
    archivedAt: timestamp('archived_at', { withTimezone: true }),
    createdAt: created(),
  },
  (t) => [index('swatch_workspace').on(t.workspaceId)],
);
