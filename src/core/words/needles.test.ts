import { expect, it } from 'vitest';
import { needleWords } from './needles';

it('a needle goes by the stretch or the seam that it works', () => {
  expect(
    (
      [
        [null, 'working'],
        [null, 'tail'],
        [null, 'left'],
        ['section 2', 'working'],
        ['section 2, again', 'tail'],
        ['seam 1', 'working'],
        ['section 3', 'left'],
      ] as const
    ).map(([of, name]) => needleWords({ of, name })),
  ).toEqual([
    'working needle',
    'tail',
    'left needle',
    'needle of section 2',
    'tail of section 2, again',
    'needle of seam 1',
    'left needle of section 3',
  ]);
});
