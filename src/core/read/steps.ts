import { given } from '../tools/given';
import {
  passInfo,
  sectionKey,
  tailsOf,
  type Move,
  type NeedleName,
  type PassInfo,
  type Path,
  type Section,
} from '../weave/path';
import { sentence, type StepWords } from './phrases';
import { head, runs } from './runs';

/** What one stretch of work asks of the maker. */
export interface Step {
  readonly needle: string;
  /** What that needle is called. */
  readonly by: NeedleName;
  readonly text: string;
  /** The moves it tells, in the unit that it is told for. */
  readonly moves: readonly Move[];
}

/** Steps of one unit, or of several neighbouring units in which they read the same. */
export interface StepGroup {
  readonly section: Section;
  readonly pass: string;
  readonly info: PassInfo;
  /** Units counted from 1: the lowest and the highest. */
  readonly fromUnit: number;
  readonly toUnit: number;
  /** How many units are told at once. */
  readonly times: number;
  /** 2 where it tells every second unit only. */
  readonly stride: number;
  /** Whether it is worked from the highest unit back to the lowest. */
  readonly back: boolean;
  readonly steps: readonly Step[];
}

/** Whether a group tells how a unit (from 0) of a pass is worked. */
export const tells = (
  group: StepGroup,
  { section, pass, unit }: Pick<Move['place'], 'section' | 'pass' | 'unit'>,
) =>
  group.section === section &&
  group.pass === pass &&
  unit + 1 >= group.fromUnit &&
  unit + 1 <= group.toUnit &&
  (unit + 1 - group.fromUnit) % group.stride === 0;

/** One unit of one pass, told on its own. */
export interface ToldUnit {
  readonly place: Move['place'];
  readonly steps: readonly Step[];
}

/** Every unit of the work in order, in words. A tail that is worked with is threaded first. */
export function unitSteps(path: Path, words: StepWords): ToldUnit[] {
  const loose = new Set(words.needled ? tailsOf(path) : []);
  const stepOf = (moves: readonly Move[]): Step => {
    const { needle } = head(moves);
    const text = sentence(path, moves, words);
    return {
      needle,
      by: given(path.needles.get(needle), 'name of a needle'),
      text: loose.delete(needle) ? `Thread this tail on a needle. ${text}` : text,
      moves,
    };
  };
  return runs(path.moves, (m) => `${sectionKey(m.place.section)}|${m.place.pass}|${m.place.unit}`).map(
    (unit) => ({
      place: head(unit).place,
      steps: runs(unit, (m) => `${m.needle}|${m.place.row}`).map(stepOf),
    }),
  );
}

/** The worded steps of a path. Units that read alike, neighbours or by turns, are folded into one group. */
export function steps(path: Path, words: StepWords): StepGroup[] {
  const groups: StepGroup[] = [];
  const newest = new Map<StepGroup, number>();
  for (const { place, steps: sentences } of unitSteps(path, words)) {
    const { section, pass } = place;
    const number = place.unit + 1;
    const k = groups.findLastIndex((group, i) => {
      if (i < groups.length - 2 || group.section !== section || group.pass !== pass) return false;
      const on = number - (newest.get(group) ?? 0);
      const stride = Math.abs(on);
      const inStep = group.times === 1 ? stride <= 2 : stride === group.stride && on < 0 === group.back;
      return inStep && sameSteps(group.steps, sentences);
    });
    const before = groups[k];
    const group: StepGroup = before
      ? {
          ...before,
          fromUnit: Math.min(before.fromUnit, number),
          toUnit: Math.max(before.toUnit, number),
          times: before.times + 1,
          stride: Math.max(1, Math.abs(number - (newest.get(before) ?? 0))),
          back: number < (newest.get(before) ?? number),
        }
      : {
          section,
          pass,
          info: passInfo(path, place),
          fromUnit: number,
          toUnit: number,
          times: 1,
          stride: 1,
          back: false,
          steps: sentences,
        };
    if (before) groups[k] = group;
    else groups.push(group);
    newest.set(group, number);
  }
  return groups;
}

const sameSteps = (a: readonly Step[], b: readonly Step[]) =>
  a.length === b.length && a.every((step, i) => step.text === b[i]?.text && step.needle === b[i].needle);
