import { expect, it } from 'vitest';
import { needleWords, threadOf } from './needles';

it('a needle goes by the stretch or the seam that it works', () => {
  expect(
    ['working', 'tail', 'left', 'section 2/working', 'section 2, again/tail', 'seam 1', 'seam 1, tail'].map(
      needleWords,
    ),
  ).toEqual([
    'working needle',
    'tail',
    'left needle',
    'needle of section 2',
    'tail of section 2, again',
    'needle of seam 1',
    'tail of seam 1',
  ]);
  expect(['working', 'section 3/left', 'seam 2, tail'].map(threadOf)).toEqual([
    'working',
    'section 3',
    'seam 2',
  ]);
});
