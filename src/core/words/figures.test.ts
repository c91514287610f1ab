import { expect, it } from 'vitest';
import { counted } from './figures';

it('one stands alone; none, and more, are many', () => {
  expect([0, 1, 2].map((n) => counted(n, 'bead'))).toEqual(['0 beads', '1 bead', '2 beads']);
  expect(counted(2, 'swatch', 'swatches')).toBe('2 swatches');
});
