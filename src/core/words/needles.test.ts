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
    'marked needle',
    'needle of section 2',
    'tail of section 2, again',
    'needle of seam 1',
    'marked needle of section 3',
  ]);
  expect(needleWords({ of: null, name: 'right' }, 'up')).toBe('plain needle, now above');
  expect(needleWords({ of: null, name: 'left' }, null, false)).toBe('marked end');
});
