// A seeded minute of the soak, so that it cannot rot: other files, folders and kills than the whole of it tries.
import { describe, expect, it } from 'vitest';
import { built, withChoir } from '../served';
import { damagedFiles } from './files';
import { damagedFolders } from './folders';
import { kills } from './kills';
import { damage, randoms } from './random';
import { damagedRequests, HANGS_MS } from './requests';

describe('a minute of the soak', () => {
  it('damages something every time, and the same every time', () => {
    const whole = { a: [1, 2, { b: 'c' }], d: { e: 1 } };
    const [first, second] = [3, 3].map((seed) => {
      const random = randoms(seed);
      return Array.from({ length: 50 }, () => JSON.stringify(damage(whole, random)));
    });
    expect(first).toEqual(second);
    expect(new Set(first).size).toBeGreaterThan(20);
    // Only a little damaged it may read the same, now and then.
    expect(first?.filter((one) => one === JSON.stringify(whole)).length).toBeLessThan(20);
  });

  it('damaged files', () => {
    const told = damagedFiles(400, 2026);
    // Of each kind there are some: a check that refuses all, or none, checks nothing.
    for (const count of told.match(/\d+/g)?.map(Number) ?? [0]) expect(count).toBeGreaterThan(5);
  }, 240_000);

  it('damaged folders', async () => {
    expect(await damagedFolders(2026, 1)).toMatch(/^1 damaged folder/);
  }, 240_000);

  it('damaged requests', async () => {
    built();
    const told = await withChoir((served) => damagedRequests(served, 150, HANGS_MS, 2026));
    expect(told).toMatch(/^150 damaged requests: .*every screen opens/);
  }, 240_000);

  it('kills while saving', async () => {
    expect(await kills(3, 2026)).toMatch(/nothing acknowledged was lost/);
  }, 240_000);
});
