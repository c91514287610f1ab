import { given } from '../tools/given';
import {
  passInfo,
  sectionKey,
  type Move,
  type NeedleName,
  type PassInfo,
  type Path,
  type Section,
} from '../weave/path';
import type { Layout } from '../layout/layout';
import type { Direction, Held } from '../told/told';
import { tell, type Seen, type Told } from '../told/writer';
import { briefWords } from '../words/brief';
import { preparations } from '../words/preparations';
import type { StepWords } from '../words/stepWords';
import { toldWords, turnedFirst } from '../words/told';
import { head, runs } from './runs';

/** What one stretch of work asks of the maker. */
export interface Step {
  readonly needle: string;
  /** What that needle is called. */
  readonly by: NeedleName;
  /** Of the two needles of one thread: on which side of the other it lies. */
  readonly lies: Direction | null;
  readonly text: string;
  /** What is made ready before it, and how the work is turned, in words of its own; null where nothing is. */
  readonly ready: string | null;
  /** The same for who knows the stitch. */
  readonly brief: string;
  /** The ways that it goes, by turns: as it is told, and where it is told for several, as the next is worked. */
  readonly going: readonly (Direction | null)[];
  /** The moves it tells, in the unit that it is told for. */
  readonly moves: readonly Move[];
}

/** A path as it lies and is held, and what is said beside the ways of its thread. */
export interface Laid {
  readonly path: Path;
  readonly layout: Layout;
  readonly held: Held;
  readonly seen?: Seen;
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

/** Every unit of the work in order, in words. Thread is made ready for the needle before it is worked with, and so is a tail. */
export function unitSteps({ path, layout, held, seen }: Laid, words: StepWords): ToldUnit[] {
  const { thread } = words;
  const toMakeReady = new Set(thread ? preparations(path, thread) : []);
  const readyFor = (needle: string): string | null => {
    const found = [...toMakeReady].find(({ needles }) => needles.includes(needle));
    if (!found) return null;
    toMakeReady.delete(found);
    return found.words;
  };
  const stepOf = ({ step, moves }: Told): Step => {
    const { needle, going, lies = null } = step;
    // Which way it goes is said as the work is then held.
    const turned = turnedFirst(step);
    const told = turned?.step ?? step;
    const text = toldWords(told, words);
    const brief = briefWords(told, words);
    return {
      needle,
      by: given(path.needles.get(needle), 'name of a needle'),
      lies,
      text,
      ready: [readyFor(needle), turned?.words].filter(Boolean).join(' ') || null,
      brief,
      going: [going],
      moves,
    };
  };
  const told = tell(path, layout, held, seen);
  return runs(told, ({ step }) => `${sectionKey(step.section)}|${step.pass}|${step.unit}`).map((unit) => ({
    place: head(head(unit).moves).place,
    steps: unit.map(stepOf),
  }));
}

/** The worded steps of a path. Units that read alike, neighbours or by turns, are folded into one group. */
export function steps(laid: Laid, words: StepWords): StepGroup[] {
  const groups: StepGroup[] = [];
  const newest = new Map<StepGroup, number>();
  for (const { place, steps: sentences } of unitSteps(laid, words)) {
    const { section, pass } = place;
    const number = place.unit + 1;
    const k = groups.findLastIndex((group, i) => {
      if (i < groups.length - 2 || group.section !== section || group.pass !== pass) return false;
      // What is done between two of them is done in that order.
      if (groups.slice(i + 1).some((between) => between.pass !== pass || between.section !== section))
        return false;
      const on = number - (newest.get(group) ?? 0);
      const stride = Math.abs(on);
      const inStep = group.times === 1 ? stride <= 2 : stride === group.stride && on < 0 === group.back;
      return inStep && sameSteps(group, sentences);
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
          steps:
            before.times === 1 ? before.steps.map((step, i) => byTurns(step, sentences[i])) : before.steps,
        }
      : {
          section,
          pass,
          info: passInfo(laid.path, place),
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

/** Whether a unit reads as the ones of a group do: the same words, the way that its turn is. */
const sameSteps = ({ steps: told, times }: StepGroup, unit: readonly Step[]) =>
  told.length === unit.length &&
  told.every((step, i) => {
    const other = unit[i];
    const going = step.going[times % step.going.length];
    return (
      step.text === other?.text &&
      step.ready === other.ready &&
      step.needle === other.needle &&
      step.lies === other.lies &&
      // The second says whether they go by turns.
      (times === 1 || going === other.going[0])
    );
  });

/** A step that goes one way, and the next time another. */
const byTurns = (step: Step, next: Step | undefined): Step =>
  next && next.going[0] !== step.going[0] ? { ...step, going: [...step.going, ...next.going] } : step;
