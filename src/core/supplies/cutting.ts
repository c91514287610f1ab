import { BASE, WOVEN } from '../weave/path';
import { formatFigure, formatThread, type LengthStyle } from '../length/length';
import type { Settings } from '../records/settings';
import { type WorkPlace } from './stretches';
import { TYPICAL_WINGSPAN_MM, type ThreadPlan } from './threadPlan';
import { armWords } from '../words/needles';
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
  `after unit ${unit + 1}${pass === BASE ? '' : ` of the ${pass}`}`;

/** One length of the cutting list. */
export interface CutLine {
  readonly mm: number;
  /** The component that it is for, or the needle; null where one thread works everything. */
  readonly of: string | null;
  /** Where it ends; null where it lasts to the end. */
  readonly until: string | null;
  readonly crowded: boolean;
  /** The first length of a cord, folded in the middle: its two arms are one. */
  readonly folded: boolean;
}

/** The cutting list, in the order in which lengths are used; of a folded cord the two arms first. */
export function cutLines(plan: ThreadPlan): CutLine[] {
  const { divisions } = plan;
  const line = (division: ThreadDivision, k: number, mm: number, of: string | null): CutLine => {
    const change = division.changes[k];
    const until = change ? changeWords(change.after) : null;
    return { mm, of, until, crowded: change?.crowded ?? false, folded: division.folded && k === 0 };
  };
  const threads = threadsOf(divisions);
  return threads.flatMap((arms) => {
    const [first] = arms;
    if (!first) return [];
    const of = threads.length > 1 ? partOf(first) : null;
    const headMm = arms.reduce((sum, { cuts }) => sum + (cuts[0]?.mm ?? 0), 0);
    return [
      line(first, 0, headMm, of),
      ...arms.flatMap((arm) => arm.cuts.slice(1).map(({ mm }, k) => line(arm, k + 1, mm, of))),
    ];
  });
}

type ThreadDivision = ThreadPlan['divisions'][number];

/** The needles of each thread together: the two arms of a folded cord follow one another. */
function threadsOf(divisions: readonly ThreadDivision[]): ThreadDivision[][] {
  const threads: ThreadDivision[][] = [];
  for (const division of divisions) {
    const last = threads.at(-1);
    if (division.folded && last?.length === 1 && last[0]?.folded) last.push(division);
    else threads.push([division]);
  }
  return threads;
}

/** What one needle works: the component it begins in, its stretch of the piece, or what it is called. */
const partOf = ({ stretches, needle, of }: ThreadDivision): string => {
  const [first] = stretches;
  return !first || first.section === WOVEN ? (of ?? armWords(needle)) : sectionWords(first.section);
};
