import { cache } from 'react';
import * as z from 'zod';
import type { Answers } from '@/core/plan/answers';
import type { KeptLayout } from '@/core/layout/kept';
import type { BeadKind } from '@/core/materials/material';
import { sameChoices } from '@/core/making/mat';
import type { Piece } from '@/core/piece/piece';
import { catalogue, type Catalogue, type StoredCatalogue } from '@/data/materials';
import { patterns, type StoredPattern } from '@/data/patterns';
import { happenedSince, matOfPiece, type Happened, type StoredMat } from '@/data/making';
import { people, type Measure, type Person } from '@/data/people';
import {
  asideVersions,
  pieceById,
  pieceLabels,
  pieces,
  type AsideVersion,
  type PieceLabel,
  type StoredPiece,
} from '@/data/pieces';
import type { Readings, Unreadable } from '@/data/records';
import { swatches, type StoredSwatch } from '@/data/swatches';
import { variants, type StoredVariant } from '@/data/variants';
import { workspaceById, type Workspace } from '@/data/workspaces';
import { backups, madeOn } from '@/data/backups';
import { dataFolder } from '@/data/database';
import { installation } from './installation';
import { benchCards, type BenchCard, type BenchCards } from './benchCards';
import { examples } from './examples';
import { laidOut, layoutsOf } from './laidOut';
import { planned } from './planner';
import { standings, type Standing } from './standings';
import { basisOf, keyed, keyedRecords, type KeyedRecord, type KeyedSwatch } from './swatchKeys';
import { screen, type At } from './work';

export type {
  AsideVersion,
  BenchCard,
  BenchCards,
  Catalogue,
  Happened,
  KeyedRecord,
  KeyedSwatch,
  Measure,
  Person,
  PieceLabel,
  Readings,
  StoredCatalogue,
  StoredMat,
  StoredPattern,
  StoredPiece,
  StoredSwatch,
  StoredVariant,
  Unreadable,
};

/** What every screen goes by: the unit of lengths, habits, and the swatches that plans stand on. */
export interface AtHand extends Omit<Workspace, 'id'> {
  readonly swatches: readonly KeyedSwatch[];
  readonly unreadableSwatches: readonly Unreadable[];
  /** What was made, and what it tells the next. */
  readonly records: readonly KeyedRecord[];
}

const readAtHand = async ({ db, workspaceId }: At): Promise<AtHand> => {
  const { lengthUnit, settings, settingsRevision } = await workspaceById(db, workspaceId);
  const { found, unreadable } = await swatches(db, workspaceId);
  const known = await keyed(found);
  const records = await keyedRecords(await standings({ db, workspaceId }));
  return {
    lengthUnit,
    settings,
    settingsRevision,
    swatches: known,
    unreadableSwatches: unreadable,
    records,
  };
};

/** What every screen goes by. Asked for once a page. */
export const atHand = cache((): Promise<AtHand> => screen(readAtHand));

/** What the People screen shows. */
export const peopleScreen = (): Promise<{ people: Readings<Person> }> =>
  screen(async ({ db, workspaceId }) => ({ people: await people(db, workspaceId) }));

/** What the Materials screen shows. */
export const materialsScreen = (): Promise<{ catalogue: StoredCatalogue }> =>
  screen(async ({ db, workspaceId }) => ({ catalogue: await catalogue(db, workspaceId) }));

/** What the Swatches screen shows: swatches themselves are at hand on every screen. */
export const swatchesScreen = (): Promise<{ pieces: readonly StoredPiece[] }> =>
  screen(async ({ db, workspaceId }) => ({ pieces: (await pieces(db, workspaceId)).found }));

/** Cards that a page brings along; the others come as one scrolls. */
const FIRST_CARDS = 8;

export interface BenchData {
  /** All that lies on the bench, to be found by; the one last worked on first. */
  readonly labels: readonly PieceLabel[];
  /** How much is done of those that lie on the mat, from 0 to 1, by their ids. */
  readonly done: Readonly<Record<string, number>>;
  /** The first of their cards. */
  readonly first: BenchCards;
  /** Pieces put away. */
  readonly away: readonly PieceLabel[];
  readonly patterns: Readings<StoredPattern>;
  readonly people: readonly Person[];
  /** Beads that a piece can be started in. */
  readonly beads: readonly Pick<BeadKind, 'id' | 'name'>[];
}

/** What the Bench shows. */
export const benchScreen = (): Promise<BenchData> =>
  screen(async (at) => {
    const { db, workspaceId } = at;
    const labels = await pieceLabels(db, workspaceId);
    const first = labels.slice(0, FIRST_CARDS).map(({ id }) => id);
    return {
      labels,
      done: Object.fromEntries([...(await lyingOnMats(at))].map(([id, { done }]) => [id, done])),
      first: await benchCards(at, first, await atHand()),
      away: await pieceLabels(db, workspaceId, true),
      patterns: await patterns(db, workspaceId),
      people: (await people(db, workspaceId)).found,
      beads: (await catalogue(db, workspaceId)).beads
        .filter(({ holes }) => holes === 1)
        .map(({ id, name }) => ({ id, name })),
    };
  });

/** Cards of the bench that are asked for as one scrolls. */
export const moreCards = async (at: At, ids: readonly string[]): Promise<BenchCards> =>
  benchCards(at, ids, await readAtHand(at));

export interface GalleryData {
  readonly people: readonly Person[];
  readonly catalogue: Catalogue;
  /** Finished pieces to look at, one or more of each stitch. */
  readonly examples: readonly Piece[];
}

/** What the gallery shows. */
export const galleryScreen = (): Promise<GalleryData> =>
  screen(async ({ db, workspaceId }) => ({
    people: (await people(db, workspaceId)).found,
    catalogue: await catalogue(db, workspaceId),
    examples: await examples(),
  }));

export interface PlanScreenData {
  readonly piece: StoredPiece;
  /** What its plan answers first; null where there is none yet. */
  readonly answers: Answers | null;
  /** What is needed to go on planning comes behind the first look. */
  readonly bench: Promise<PlanBench>;
}

/** What lies ready beside the piece that is planned. */
export interface PlanBench {
  readonly laidOut: Readonly<Record<string, KeptLayout>>;
  readonly aside: Readings<AsideVersion>;
  /** What is set beside it, to be compared. */
  readonly variants: Readings<StoredVariant>;
  /** What else is on the bench, to be set beside it. */
  readonly others: readonly { readonly id: string; readonly name: string }[];
  /** What lies of it on the mat; null where it is not being made. */
  readonly onMat: Piece | null;
  readonly people: readonly Person[];
  readonly catalogue: Catalogue;
}

export type PlanScreenReading =
  | { readonly kind: 'there'; readonly data: PlanScreenData }
  /** The piece is there, and this version cannot read it. */
  | { readonly kind: 'unreadable'; readonly unreadable: Unreadable }
  | { readonly kind: 'missing' };

/** What the Plan screen shows. A page and its title ask once. */
export const planScreen = cache((id: string): Promise<PlanScreenReading> =>
  screen(async (at) => {
    const piece = z.uuid().safeParse(id).success ? await pieceById(at.db, at.workspaceId, id) : null;
    if (!piece) return { kind: 'missing' };
    if (!piece.ok) return { kind: 'unreadable', unreadable: piece.unreadable };
    const ask = { kind: 'plan', doc: piece.value.doc, ...basisOf(await atHand()) } as const;
    // A fault in the plan is told where the plan would stand; the piece can be changed all the same.
    const { answers, layoutKeys } = await planned(ask).catch(() => ({ answers: null, layoutKeys: [] }));
    const data = { piece: piece.value, answers, bench: planBench(id, layoutsOf(layoutKeys)) };
    return { kind: 'there', data };
  }),
);

export interface MakeScreenData {
  readonly mat: StoredMat;
  readonly happened: Happened;
  /** Whether the piece was changed since it was laid on the mat. */
  readonly changed: boolean;
}

export type MakeScreenReading =
  | { readonly kind: 'there'; readonly data: MakeScreenData }
  | { readonly kind: 'unreadable'; readonly unreadable: Unreadable }
  /** It does not lie on the mat; the piece by its name, null where that is gone too. */
  | { readonly kind: 'missing'; readonly piece: { readonly id: string; readonly name: string } | null };

/** What the Make screen shows of a piece: the mat it lies on. A page and its title ask once. */
export const makeScreen = cache((pieceId: string): Promise<MakeScreenReading> =>
  screen(async ({ db, workspaceId }) => {
    if (!z.uuid().safeParse(pieceId).success) return { kind: 'missing', piece: null };
    const piece = await pieceById(db, workspaceId, pieceId);
    const mat = await matOfPiece(db, workspaceId, pieceId);
    if (!mat)
      return { kind: 'missing', piece: piece?.ok ? { id: pieceId, name: piece.value.doc.name } : null };
    if (!mat.ok) return { kind: 'unreadable', unreadable: mat.unreadable };
    const happened = await happenedSince(db, workspaceId, mat.value.id, 0);
    const changed = piece?.ok === true && !sameChoices(piece.value.doc, mat.value.doc.piece);
    return { kind: 'there', data: { mat: mat.value, happened, changed } };
  }),
);

/** A piece with the work that is left of it. */
export interface PieceToMake {
  readonly id: string;
  readonly name: string;
  readonly dueOn: string | null;
  readonly onMat: boolean;
  /** How much of it is done, from 0 to 1. */
  readonly done: number;
  readonly structure: string;
  /** Trips through beads that are left; null where its plan says nothing of them. */
  readonly tripsLeft: number | null;
}

export interface ScheduleData {
  readonly pieces: readonly PieceToMake[];
}

/** What the Schedule shows: what is being made, and what is planned and wanted by a day. */
export const scheduleScreen = (): Promise<ScheduleData> =>
  screen(async (at) => {
    const labels = await pieceLabels(at.db, at.workspaceId);
    const onMats = await lyingOnMats(at);
    const planned = labels.filter(({ id }) => !onMats.has(id)).map(({ id }) => id);
    const { cards } = await benchCards(at, planned, await atHand());
    return {
      pieces: labels.map(({ id, name, dueOn, structureId }): PieceToMake => {
        const standing = onMats.get(id);
        const card = cards[id];
        const plan = card?.kind === 'planned' && card.card.ok ? card.card : null;
        return {
          id,
          name,
          dueOn,
          onMat: standing !== undefined,
          done: standing?.done ?? 0,
          structure: standing?.record.structure ?? structureId,
          tripsLeft: standing ? standing.left : (plan?.trips ?? null),
        };
      }),
    };
  });

/** How the pieces stand that lie on the mat, by their ids. */
const lyingOnMats = async (at: At): Promise<ReadonlyMap<string, Standing>> =>
  new Map((await standings(at)).flatMap((one) => (one.current ? [[one.pieceId, one]] : [])));

export interface FilesData {
  /** Whether data lies in a folder of this machine, or on a PostgreSQL server. */
  readonly kind: 'folder' | 'memory' | 'server';
  /** Backups that there are, the last made first: when each was made. */
  readonly backups: readonly string[];
  readonly people: number;
  readonly pieces: number;
}

/** What the Files screen shows. */
export const filesScreen = (): Promise<FilesData> =>
  screen(async ({ db, workspaceId }) => {
    const { database } = await installation();
    return {
      kind: database.kind,
      backups: database.kind === 'folder' ? backups(dataFolder()).map(madeOn) : [],
      people: (await people(db, workspaceId)).found.length,
      pieces: (await pieceLabels(db, workspaceId)).length,
    };
  });

const planBench = (id: string, laidOutAlready: PlanBench['laidOut']): Promise<PlanBench> =>
  screen(async ({ db, workspaceId }) => {
    const [aside, beside] = [await asideVersions(db, workspaceId, id), await variants(db, workspaceId, id)];
    const mat = await matOfPiece(db, workspaceId, id);
    const docs = [...aside.found, ...beside.found].map(({ doc }) => doc);
    return {
      laidOut: { ...(await laidOut(docs)), ...laidOutAlready },
      aside,
      variants: beside,
      onMat: mat?.ok ? mat.value.doc.piece : null,
      others: (await pieceLabels(db, workspaceId)).filter((other) => other.id !== id),
      people: (await people(db, workspaceId)).found,
      catalogue: await catalogue(db, workspaceId),
    };
  });
