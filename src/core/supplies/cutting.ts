import { WOVEN } from '../weave/path';
import { formatFigure, formatThread, type LengthStyle } from '../length/length';
import type { Settings } from '../records/settings';
import { type WorkPlace } from './stretches';
import { TYPICAL_WINGSPAN_MM, type ThreadChange, type ThreadPlan } from './threadPlan';
import { sectionWords } from '../words/sections';

/** Shoulder to fingertip, as a part of the wingspan (from memory: the shoulders take about a tenth). */
const ARM_PART = 0.45;

/** A length of thread as the maker cuts it: by yard or metre, by her wingspan, by her arm. Rounded up. */
export function cutWords(
  mm: number,
  { cutBy, wingspanMm }: Pick<Settings, 'cutBy' | 'wingspanMm'>,
  { unit, decimal = '.' }: LengthStyle,
): string {
  if (cutBy === 'length') return formatThread(mm, unit, decimal);
  const wingspan = wingspanMm ?? TYPICAL_WINGSPAN_MM;
  const measure = cutBy === 'wingspan' ? wingspan : wingspan * ARM_PART;
  const times = Math.ceil((mm / measure) * 10 - 1e-6) / 10;
  const figure = formatFigure(times, 1, decimal);
  return cutBy === 'wingspan'
    ? `${figure} ${times === 1 ? 'wingspan' : 'wingspans'}`
    : `${figure} ${times === 1 ? 'arm’s length' : 'arm’s lengths'}`;
}

/** Where thread is changed, as one says it: `after unit 14`, `after unit 3 of the picots`. */
export const changeWords = ({ pass, unit }: Omit<WorkPlace, 'needle'>): string =>
  `after unit ${unit + 1}${pass === 'base' ? '' : ` of the ${pass}`}`;

/** One length of the cutting list. */
export interface CutLine {
  readonly mm: number;
  /** The component that it is for, or the needle; null where one thread works everything. */
  readonly of: string | null;
  /** Where it ends; null where it lasts to the end. */
  readonly until: string | null;
  readonly crowded: boolean;
}

/** Whether the first two arms are one length, folded in the middle. */
export const isFolded = ({ divisions, cutsMm }: ThreadPlan): boolean =>
  cutsMm.length < divisions.reduce((sum, { cuts }) => sum + cuts.length, 0);

/** The cutting list, in the order in which lengths are used; a folded cord first of all. */
export function cutLines(plan: ThreadPlan): CutLine[] {
  const { divisions, cutsMm } = plan;
  const line = (
    changes: readonly ThreadChange[],
    k: number,
    mm: number,
    of: string | null = null,
  ): CutLine => {
    const change = changes[k];
    return { mm, of, until: change ? changeWords(change.after) : null, crowded: change?.crowded ?? false };
  };
  if (!isFolded(plan))
    return divisions.flatMap((division) =>
      division.cuts.map(({ mm }, k) =>
        line(division.changes, k, mm, divisions.length > 1 ? partOf(division) : null),
      ),
    );
  const [first] = divisions;
  return [
    line(first?.changes ?? [], 0, cutsMm[0] ?? 0),
    ...divisions.flatMap(({ cuts, changes }) => cuts.slice(1).map(({ mm }, k) => line(changes, k + 1, mm))),
  ];
}

/** What one needle works: the component it begins in, or what it is called. */
const partOf = ({ stretches, needle }: ThreadPlan['divisions'][number]): string => {
  const [first] = stretches;
  return !first || first.section === WOVEN ? needle : sectionWords(first.section);
};
