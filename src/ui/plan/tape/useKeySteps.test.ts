import { describe, expect, it } from 'vitest';
import { stepped } from './useKeySteps';

const sixteenths = { size: 1, most: 100 };
const start = { through: [], at: -Infinity };

/** Presses so many keys, so far apart, while the value follows so many keys behind. */
function press(keys: number, apartMs: number, behind: number): number {
  let movement: Parameters<typeof stepped>[2] = start;
  for (let i = 0; i < keys; i++) {
    const now = i < behind ? 10 : 10 + i - behind;
    movement = stepped(now, 1, movement, i * apartMs, sixteenths);
  }
  return movement.through.at(-1) ?? NaN;
}

describe('steps by keys', () => {
  it('are none of them lost, however slowly the value follows', () => {
    for (const apartMs of [10, 300, 600, 2000])
      for (const behind of [0, 1, 3, 8]) expect(press(8, apartMs, behind)).toBe(18);
  });

  it('go on from the value where something else has moved it', () => {
    const one = stepped(10, 1, start, 0, sixteenths);
    expect(stepped(40, 1, one, 100, sixteenths).through).toEqual([40, 41]);
  });

  it('that lead out of reach do not pile up', () => {
    const one = stepped(10, 4, start, 0, sixteenths);
    expect(stepped(10, 4, one, 6000, sixteenths).through.at(-1)).toBe(14);
    expect(stepped(99, 4, start, 0, sixteenths).through.at(-1)).toBe(100);
    expect(stepped(1, -4, start, 0, sixteenths).through.at(-1)).toBe(0);
  });
});
