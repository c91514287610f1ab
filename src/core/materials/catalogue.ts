import type { BeadKind, Clasp, ThreadMaterial } from './material';

/**
 * The starting catalogue. Every figure is from memory unless its row says otherwise, and is there to be
 * corrected by the maker's own measurements. Ranges are given by their middle.
 */
const seed = (
  size: string,
  diameterMm: number,
  lengthMm: number,
  perGram: number,
  holeMm: number,
): BeadKind => ({
  id: `seed-${size}`,
  name: `round seed ${size}/0`,
  shape: 'seed',
  lengthMm,
  diameterMm,
  holeMm,
  perGram,
  source: 'memory',
});

const cube = (mm: number, holeMm: number): BeadKind => ({
  id: `cube-${mm}`,
  name: `cube ${mm} mm`,
  shape: 'cube',
  lengthMm: mm,
  diameterMm: mm,
  holeMm,
  perGram: null,
  source: 'memory',
});

/** `lengthPart` is the length along the hole as a part of the diameter. */
const round = (
  id: string,
  name: string,
  shape: 'ball' | 'bicone',
  mm: number,
  lengthPart: number,
  holeMm: number,
): BeadKind => ({
  id: `${id}-${mm}`,
  name: `${name} ${mm} mm`,
  shape,
  lengthMm: mm * lengthPart,
  diameterMm: mm,
  holeMm,
  perGram: null,
  source: 'memory',
});

export const BEADS: readonly BeadKind[] = [
  seed('15', 1.5, 1.05, 290, 0.65),
  seed('11', 2.15, 1.4, 112, 0.85),
  seed('10', 2.3, 1.65, 80, 0.9),
  seed('8', 3.05, 2.0, 38, 1.15),
  seed('6', 4.0, 2.8, 15, 1.5),
  {
    id: 'cylinder-11',
    name: 'cylinder seed 11/0',
    shape: 'cylinder',
    lengthMm: 1.3,
    diameterMm: 1.6,
    holeMm: 0.8,
    perGram: 197,
    source: 'memory',
  },
  cube(1.8, 0.9),
  cube(3, 1.2),
  cube(4, 1.4),
  round('fire-polished', 'fire-polished ball', 'ball', 3, 0.95, 0.8),
  round('fire-polished', 'fire-polished ball', 'ball', 4, 0.95, 0.9),
  round('fire-polished', 'fire-polished ball', 'ball', 6, 0.95, 1.0),
  round('pressed', 'pressed ball', 'ball', 4, 1, 1.0),
  round('pressed', 'pressed ball', 'ball', 6, 1, 1.0),
  round('pressed', 'pressed ball', 'ball', 8, 1, 1.0),
  round('pearl', 'coated imitation pearl', 'ball', 3, 0.97, 0.6),
  round('pearl', 'coated imitation pearl', 'ball', 4, 0.97, 0.7),
  round('pearl', 'coated imitation pearl', 'ball', 6, 0.97, 0.8),
  round('pearl', 'coated imitation pearl', 'ball', 8, 0.97, 0.9),
  round('bicone', 'bicone', 'bicone', 3, 1, 0.8),
  round('bicone', 'bicone', 'bicone', 4, 1, 0.9),
  round('bicone', 'bicone', 'bicone', 6, 1, 1.1),
  {
    id: 'bugle-3',
    name: 'bugle 3 mm',
    shape: 'bugle',
    lengthMm: 3,
    diameterMm: 1.7,
    holeMm: 0.8,
    perGram: null,
    source: 'memory',
  },
  {
    id: 'bugle-6',
    name: 'bugle 6 mm',
    shape: 'bugle',
    lengthMm: 6,
    diameterMm: 2.0,
    holeMm: 0.8,
    perGram: null,
    source: 'memory',
  },
];

/** 6 lb is 0.15 mm (0.006 in): practice; the others from memory. The maker's own measured diameter wins. */
export const THREADS: readonly ThreadMaterial[] = [
  { id: 'gel-4', name: 'braided gel-spun thread 4 lb', diameterMm: 0.13, source: 'memory' },
  { id: 'gel-6', name: 'braided gel-spun thread 6 lb', diameterMm: 0.15, source: 'practice' },
  { id: 'gel-8', name: 'braided gel-spun thread 8 lb', diameterMm: 0.18, source: 'memory' },
  { id: 'gel-10', name: 'braided gel-spun thread 10 lb', diameterMm: 0.2, source: 'memory' },
  { id: 'nylon-b', name: 'waxed nylon, size B', diameterMm: 0.2, source: 'memory' },
  { id: 'nylon-d', name: 'waxed nylon, size D', diameterMm: 0.3, source: 'memory' },
];

/** Closed lengths are the middle of the usual range; how they divide between the halves is from memory too. */
export const CLASPS: readonly Clasp[] = [
  {
    id: 'toggle-12',
    name: 'toggle, 12 mm ring',
    shape: 'toggle',
    startMm: 13.5,
    endMm: 3.5,
    plated: false,
    source: 'memory',
  },
  {
    id: 'lobster-10',
    name: 'lobster 10 mm and ring',
    shape: 'lobster',
    startMm: 10,
    endMm: 4,
    plated: true,
    source: 'memory',
  },
  {
    id: 'lobster-12',
    name: 'lobster 12 mm and ring',
    shape: 'lobster',
    startMm: 12,
    endMm: 4,
    plated: true,
    source: 'memory',
  },
  {
    id: 'lobster-15',
    name: 'lobster 15 mm and ring',
    shape: 'lobster',
    startMm: 15,
    endMm: 4,
    plated: true,
    source: 'memory',
  },
  {
    id: 'spring-6',
    name: 'spring ring 6 mm and ring',
    shape: 'spring ring',
    startMm: 6,
    endMm: 3,
    plated: true,
    source: 'memory',
  },
  {
    id: 'magnet',
    name: 'magnetic barrel',
    shape: 'magnetic',
    startMm: 6,
    endMm: 6,
    plated: true,
    source: 'memory',
  },
  { id: 'box-12', name: 'box clasp', shape: 'box', startMm: 6.5, endMm: 6, plated: true, source: 'memory' },
];

/** Colours to begin with; the names are ours, a weaver writes her own. */
export const PALETTE: readonly { readonly name: string; readonly hex: string }[] = [
  { name: 'harbour blue', hex: '#2b6c76' },
  { name: 'rope gold', hex: '#c8a364' },
  { name: 'foam', hex: '#e9e3d0' },
  { name: 'buoy red', hex: '#b4533a' },
  { name: 'tar', hex: '#2f3330' },
  { name: 'sea glass', hex: '#8fb8a4' },
  { name: 'dusk violet', hex: '#6d5a86' },
  { name: 'signal yellow', hex: '#dcb53c' },
  { name: 'gull grey', hex: '#9aa3a3' },
  { name: 'kelp', hex: '#4d6b3a' },
];

/** Finds a row by its id; throws when the catalogue has none, which is a fault in the code that asks. */
export function byId<T extends { readonly id: string }>(rows: readonly T[], id: string): T {
  const row = rows.find((r) => r.id === id);
  if (!row) throw new Error(`The catalogue has no entry "${id}".`);
  return row;
}
