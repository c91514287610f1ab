import type { StitchKey, SwatchEntry } from '@/core/fit/swatchBook';
import { entriesOf } from '@/core/records/swatches';
import type { PieceRecord } from '@/core/records/experience';
import type { Settings } from '@/core/records/settings';
import type { StoredSwatch } from '@/data/swatches';
import type { PlanAsk } from '@/workers/planProtocol';
import { planned } from './planner';
import type { Standing } from './standings';

/** A swatch, and what it is kept under: found once here, not in every window. */
export interface KeyedSwatch extends StoredSwatch {
  readonly stitch: StitchKey | null;
}

const keys = new Map<string, Promise<StitchKey | null>>();

/** A finished piece as a swatch of its stitch, and what it is kept under. */
export interface KeyedRecord {
  readonly record: PieceRecord;
  readonly stitch: StitchKey | null;
}

/** A swatch is never changed, so its key is found once. One that cannot be found is looked for again. */
function keyOf({ id, doc }: Pick<StoredSwatch, 'id' | 'doc'>): Promise<StitchKey | null> {
  const known = keys.get(id);
  if (known) return known;
  const key = planned({ kind: 'stitch', swatch: doc }).catch(() => {
    keys.delete(id);
    return null;
  });
  keys.set(id, key);
  return key;
}

/** Swatches with what they are kept under. */
export const keyed = (swatches: readonly StoredSwatch[]): Promise<KeyedSwatch[]> =>
  Promise.all(swatches.map(async (swatch) => ({ ...swatch, stitch: await keyOf(swatch) })));

/** Records of what was made, with what they are kept under. */
export const keyedRecords = (standings: readonly Standing[]): Promise<KeyedRecord[]> =>
  Promise.all(
    standings.map(async ({ matId, upTo, record }) => ({
      record,
      stitch: record.swatch && (await keyOf({ id: `${matId} ${upTo}`, doc: record.swatch })),
    })),
  );

/** What plans stand on beside the piece itself. */
export interface Basis {
  readonly settings: Settings;
  readonly swatches: readonly KeyedSwatch[];
  readonly records: readonly KeyedRecord[];
}

/** The same as the planning thread is told it. */
export const basisOf = ({
  settings,
  swatches,
  records,
}: Basis): Pick<Ask, 'swatches' | 'records' | 'habits'> => ({
  swatches: entriesOfAll(swatches, records),
  records: records.map(({ record }) => record),
  habits: settings,
});
type Ask = Extract<PlanAsk, { kind: 'plan' }>;

const entriesOfAll = (swatches: readonly KeyedSwatch[], records: readonly KeyedRecord[]): SwatchEntry[] => [
  ...swatches.flatMap(({ doc, stitch }) => entriesOf(doc, stitch)),
  ...records.flatMap(({ record: { swatch }, stitch }) => (swatch ? entriesOf(swatch, stitch, true) : [])),
];
