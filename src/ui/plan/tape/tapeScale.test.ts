import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { READABLE_PX_PER_MM, SIDE_PX, stepped, tapeScale, type Zoom } from './tapeScale';

const bracelet = { lengthMm: 195, heightMm: 14, frameWidthPx: 1120, truePxPerMm: 96 / 25.4 };
const rope = { ...bracelet, lengthMm: 34 * 25.4 + 10, heightMm: 9 };
const suited: Zoom = { kind: 'suited' };

describe('how large a piece is drawn', () => {
  it('shows a bracelet whole, and a long rope so that its beads can be told apart', () => {
    expect(tapeScale({ ...bracelet, zoom: suited }).moves).toBe(false);
    const long = tapeScale({ ...rope, zoom: suited });
    expect(long.moves).toBe(true);
    expect(long.pxPerMm).toBeGreaterThan(READABLE_PX_PER_MM);
  });

  it('gives a ring the height there is, not the width', () => {
    const ring = tapeScale({ ...bracelet, lengthMm: 66, heightMm: 8, zoom: suited });
    expect(8 * ring.pxPerMm).toBeLessThanOrEqual(ring.roomPx);
    expect(ring.moves).toBe(false);
  });

  it('draws true size as the screen was measured, whatever the frame', () => {
    for (const frameWidthPx of [360, 820, 1120])
      expect(tapeScale({ ...rope, frameWidthPx, zoom: { kind: 'true' } }).pxPerMm).toBe(96 / 25.4);
  });

  it('always fits: the whole in its frame, and no piece higher than its room unless true', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 3000, noNaN: true }),
        fc.double({ min: 2, max: 80, noNaN: true }),
        fc.integer({ min: 320, max: 2400 }),
        fc.double({ min: 1, max: 40, noNaN: true }),
        (lengthMm, heightMm, frameWidthPx, times) => {
          const q = { lengthMm, heightMm, frameWidthPx, truePxPerMm: 4 };
          const whole = tapeScale({ ...q, zoom: { kind: 'whole' } });
          expect(whole.pxPerMm * lengthMm).toBeLessThanOrEqual(frameWidthPx - 2 * SIDE_PX + 1e-6);
          for (const zoom of [suited, { kind: 'closer', times } as const]) {
            const scale = tapeScale({ ...q, zoom });
            expect(scale.pxPerMm * heightMm).toBeLessThanOrEqual(scale.roomPx + 1e-6);
            expect(scale.pxPerMm).toBeGreaterThanOrEqual(whole.pxPerMm);
          }
        },
      ),
    );
  });

  it('steps closer and back to the whole', () => {
    const whole = tapeScale({ ...bracelet, zoom: { kind: 'whole' } });
    const closer = stepped(whole, 1);
    expect(closer).toEqual({ kind: 'closer', times: 1.5 });
    expect(stepped(tapeScale({ ...bracelet, zoom: closer }), -1)).toEqual({ kind: 'whole' });
  });
});
