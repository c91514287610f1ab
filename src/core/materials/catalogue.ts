import { ballGirthMm, barGirthMm, buttonGirthMm } from '../closures/goesThrough';
import type { BeadKind, BeadShape, Clasp, FindingMaterial, Needle, ThreadMaterial } from './material';

/**
 * The starting catalogue. Every figure is from memory unless its row says otherwise, and is there to be
 * corrected by the maker's own measurements. Ranges are given by their middle.
 */
interface Row extends Partial<Omit<BeadKind, 'id' | 'name' | 'shape'>> {
  readonly lengthMm: number;
  readonly diameterMm: number;
  readonly holeMm: number;
}

/** A bead of the catalogue; what a row does not say is as for a plain bead of one hole. */
const bead = (id: string, name: string, shape: BeadShape, row: Row): BeadKind => ({
  id,
  name,
  shape,
  widthMm: null,
  holes: 1,
  apartMm: null,
  crossing: false,
  perGram: null,
  sold: null,
  source: 'memory',
  ...row,
});

/** Seeds are weighed into tubes, of about 10 g in the middle sizes (memory). */
const TUBE = { by: 'tube', grams: 10 } as const;
/** Rounds hang on strands of 16 in; the strand holds as many as fit (memory). */
const STRAND = { by: 'strand', lengthMm: 406.4 } as const;

const seed = (
  size: string,
  diameterMm: number,
  lengthMm: number,
  perGram: number,
  holeMm: number,
): BeadKind =>
  bead(`seed-${size}`, `round seed ${size}/0`, 'seed', { lengthMm, diameterMm, holeMm, perGram, sold: TUBE });

const cube = (mm: number, holeMm: number): BeadKind =>
  bead(`cube-${mm}`, `cube ${mm} mm`, 'cube', { lengthMm: mm, diameterMm: mm, holeMm, sold: TUBE });

/** `lengthPart` is the length along the hole as a part of the diameter. */
const round = (
  id: string,
  name: string,
  shape: BeadShape,
  mm: number,
  lengthPart: number,
  holeMm: number,
): BeadKind =>
  bead(`${id}-${mm}`, `${name} ${mm} mm`, shape, {
    lengthMm: mm * lengthPart,
    diameterMm: mm,
    holeMm,
    sold: STRAND,
  });

/** A flat bead of two holes side by side; beads, not stones, come in tubes (from memory). */
const twoHole = (
  id: string,
  name: string,
  shape: BeadShape,
  [widthMm, lengthMm, diameterMm]: readonly [number, number, number],
  apartMm: number,
  holeMm: number,
): BeadKind =>
  bead(id, name, shape, {
    widthMm,
    lengthMm,
    diameterMm,
    apartMm,
    holeMm,
    holes: 2,
    sold: shape === 'set stone' ? null : TUBE,
  });

export const BEADS: readonly BeadKind[] = [
  seed('15', 1.5, 1.05, 290, 0.65),
  seed('11', 2.15, 1.4, 112, 0.85),
  seed('10', 2.3, 1.65, 80, 0.9),
  seed('8', 3.05, 2.0, 38, 1.15),
  seed('6', 4.0, 2.8, 15, 1.5),
  bead('cylinder-11', 'cylinder seed 11/0', 'cylinder', {
    lengthMm: 1.3,
    diameterMm: 1.6,
    holeMm: 0.8,
    perGram: 197,
    sold: TUBE,
  }),
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
  bead('bugle-3', 'bugle 3 mm', 'bugle', { lengthMm: 3, diameterMm: 1.7, holeMm: 0.8, sold: TUBE }),
  bead('bugle-6', 'bugle 6 mm', 'bugle', { lengthMm: 6, diameterMm: 2.0, holeMm: 0.8, sold: TUBE }),
  bead('drop-3.4', 'drop 3.4 mm', 'drop', { lengthMm: 1.8, diameterMm: 3.4, holeMm: 0.9, sold: TUBE }),
  // Width × length along the hole × height, distance of the holes, hole. Ranges are given by their middle.
  twoHole('lens', 'two-hole lens', 'lens', [5, 2.5, 2.5], 2.6, 0.8),
  twoHole('tile', 'two-hole tile', 'tile', [5, 5, 1.9], 2.65, 0.8),
  twoHole('half-tile', 'two-hole half tile', 'half tile', [5, 2.3, 1.9], 2.5, 0.8),
  // Its holes lie across the ends: it is longest from hole to hole.
  twoHole('bar', 'two-hole bar', 'bar', [5, 3, 2], 2.75, 0.8),
  twoHole('wedge', 'two-hole wedge, one face curved', 'wedge', [5, 3.5, 5], 2.7, 0.9),
  twoHole('set-stone', 'square set stone, two channels', 'set stone', [6, 6, 3], 3, 0.8),
];

/** 6 lb is 0.15 mm (0.006 in): practice; the others from memory. The maker's own measured diameter wins. */
export const THREADS: readonly ThreadMaterial[] = (
  [
    ['gel-4', 'braided gel-spun thread 4 lb', 0.13, 'gel-spun', 'memory'],
    ['gel-6', 'braided gel-spun thread 6 lb', 0.15, 'gel-spun', 'practice'],
    ['gel-8', 'braided gel-spun thread 8 lb', 0.18, 'gel-spun', 'memory'],
    ['gel-10', 'braided gel-spun thread 10 lb', 0.2, 'gel-spun', 'memory'],
    ['nylon-b', 'waxed nylon, size B', 0.2, 'waxed nylon', 'memory'],
    ['nylon-d', 'waxed nylon, size D', 0.3, 'waxed nylon', 'memory'],
    ['monofilament-0.2', 'monofilament cord 0.2 mm', 0.2, 'monofilament', 'memory'],
    ['monofilament-0.25', 'monofilament cord 0.25 mm', 0.25, 'monofilament', 'memory'],
    ['elastic-0.5', 'elastic cord 0.5 mm', 0.5, 'elastic', 'memory'],
    ['elastic-0.7', 'elastic cord 0.7 mm', 0.7, 'elastic', 'memory'],
    ['elastic-1.0', 'elastic cord 1.0 mm', 1, 'elastic', 'memory'],
  ] as const
).map(([id, name, diameterMm, make, source]) => ({ id, name, diameterMm, make, source }));

/** Shaft diameters of needles (memory). */
export const NEEDLES: readonly Needle[] = (
  [
    [10, 0.46],
    [11, 0.41],
    [12, 0.36],
    [13, 0.33],
    [15, 0.26],
  ] as const
).map(([size, diameterMm]) => ({
  id: `needle-${size}`,
  name: `needle ${size}`,
  diameterMm,
  source: 'memory',
}));

const jumpRing = (outsideMm: number, insideMm: number, wireMm: number): FindingMaterial => ({
  id: `jump-ring-${outsideMm}`,
  name: `jump ring ${outsideMm} mm`,
  kind: 'jump ring',
  lengthMm: insideMm, // what hangs in a ring hangs at its inner edges
  insideMm,
  wireMm,
  loops: 1,
  source: 'memory',
});

/** A bar with so many holes side by side, which keeps strands apart; a loop hangs in each from either side. */
const strandBar = (loops: number): FindingMaterial => ({
  id: `strand-bar-${loops}`,
  name: `bar of ${loops} strands`,
  kind: 'strand bar',
  lengthMm: 2.5,
  insideMm: null,
  wireMm: null,
  loops,
  source: 'memory',
});

export const FINDINGS: readonly FindingMaterial[] = [
  jumpRing(4, 2.6, 0.7),
  jumpRing(5, 3.6, 0.7),
  jumpRing(6, 4.4, 0.8),
  {
    id: 'extender-link',
    name: 'extender chain, a link',
    kind: 'extender link',
    lengthMm: 4.5,
    insideMm: null,
    wireMm: null,
    loops: 1,
    source: 'memory',
  },
  {
    id: 'chain-link',
    name: 'fine chain, a link',
    kind: 'chain link',
    lengthMm: 3,
    insideMm: null,
    wireMm: null,
    loops: 1,
    source: 'memory',
  },
  ...[2, 3, 5].map(strandBar),
];

type ClaspRow = Partial<Omit<Clasp, 'id' | 'name' | 'shape'>> & Pick<Clasp, 'startMm' | 'endMm'>;

/** A closure; what a row does not say is as for a plain sewn one of one loop. */
const clasp = (id: string, name: string, shape: Clasp['shape'], row: ClaspRow): Clasp => ({
  id,
  name,
  shape,
  spreadMm: 0,
  loops: 1,
  turned: false,
  fastening: 'sewn loop',
  barMm: null,
  ringMm: null,
  buttonsMm: null,
  plated: true,
  note: '',
  source: 'memory',
  ...row,
});

const lobster = (mm: number, spreadMm = 0.5) =>
  clasp(`lobster-${mm}`, `lobster ${mm} mm and ring`, 'lobster', { startMm: mm, endMm: 4, spreadMm });

/** A tube that slides into another; its loops lie flat to the strip. */
const tube = (loops: number) =>
  clasp(`slide-tube-${loops}`, `slide tube, ${loops} loops`, 'slide tube', {
    startMm: 3.5,
    endMm: 3.5,
    spreadMm: 1,
    loops,
    note: 'Sew every loop; the strip must be as wide as the loops lie apart.',
  });

const ball = (mm: number) =>
  clasp(`ball-${mm}`, `beaded loop over a ball of ${mm} mm`, 'ball', {
    startMm: 0,
    endMm: 0,
    buttonsMm: ballGirthMm(mm),
    plated: false,
    note: 'Try the loop over the ball before it is reinforced: reinforcing too hard shrinks it.',
  });

const button = (mm: number, thickMm: number) =>
  clasp(`button-${mm}`, `beaded loop over a button of ${mm} mm`, 'button', {
    startMm: 0,
    endMm: 0,
    buttonsMm: buttonGirthMm(mm, thickMm),
    plated: false,
    note: 'Try the loop over the button on edge before it is reinforced.',
  });

const bar = (mm: number, thickMm: number) =>
  clasp(`bar-${mm}`, `beaded loop over a bar of ${mm} mm`, 'bar', {
    startMm: 0,
    endMm: 0,
    barMm: mm,
    buttonsMm: barGirthMm(thickMm),
    plated: false,
    note: 'The bar goes through end first, folded along its stem: try it before the loop is reinforced.',
  });

/**
 * Closed lengths are the middle of the usual range, with half of that range as spread; how they divide between
 * the halves is from memory too. What closes by a loop of seeds takes no length of its own: the loop has it.
 */
export const CLASPS: readonly Clasp[] = [
  clasp('toggle-12', 'toggle, 12 mm ring', 'toggle', {
    startMm: 13.5,
    endMm: 3.5,
    spreadMm: 1,
    barMm: 18,
    ringMm: 9,
    plated: false,
    note: 'The bar must swing through the ring: keep the last beads on its side small.',
  }),
  lobster(10),
  lobster(12),
  lobster(15),
  clasp('spring-6', 'spring ring 6 mm and ring', 'spring ring', { startMm: 6, endMm: 3, spreadMm: 0.5 }),
  clasp('magnet', 'magnetic barrel', 'magnetic', {
    startMm: 6,
    endMm: 6,
    spreadMm: 2,
    note: 'Fit it last: it pulls at needle and beads.',
  }),
  clasp('box-12', 'box clasp', 'box', { startMm: 6.5, endMm: 6, spreadMm: 2.5, turned: true }),
  clasp('box-3', 'box clasp, 3 loops', 'box', { startMm: 6.5, endMm: 6, spreadMm: 2.5, loops: 3 }),
  ...[2, 3, 4, 5].map(tube),
  ball(4),
  ball(6),
  ball(8),
  button(12, 2),
  button(15, 3),
  bar(18, 3),
  clasp('bead-tips', 'bead tips, a pair, lobster 10 mm and ring', 'bead tip', {
    startMm: 6 + 10,
    endMm: 6 + 4,
    spreadMm: 1,
    fastening: 'knot inside',
    note: 'Knot the cord round a seed inside the tip, about three knots; do not trim close.',
  }),
  clasp('crimps', 'crimps, a pair, lobster 10 mm and ring', 'crimp', {
    startMm: 2 + 10,
    endMm: 2 + 4,
    spreadMm: 1,
    fastening: 'crimped',
    note: 'Bring the thread back through the first beads too, draw the loop close, then press the crimp flat.',
  }),
  clasp('end-bars', 'sewn-in end bars, lobster 10 mm and ring', 'end bar', {
    startMm: 5 + 10,
    endMm: 5 + 4,
    spreadMm: 1,
    fastening: 'sewn in',
  }),
  clasp('end-caps', 'end caps, lobster 10 mm and ring', 'end cap', {
    startMm: 8 + 10,
    endMm: 8 + 4,
    spreadMm: 2,
    fastening: 'glued',
    note: 'The cap must take the rope: measure its inside against the rope.',
  }),
  clasp('wire-guards', 'wire guards, lobster 10 mm and ring', 'wire guard', {
    startMm: 4 + 10,
    endMm: 4 + 4,
    spreadMm: 0.5,
    note: 'The thread runs in the guard and does not chafe on the ring.',
  }),
  clasp('ribbon', 'ribbon tied in a bow', 'ribbon', {
    startMm: 30,
    endMm: 30,
    spreadMm: 10,
    plated: false,
    note: 'Tied, it closes as far as you draw it: the length given is for a small bow.',
  }),
  clasp('ring-top-20', 'ring top 20 mm across', 'ring top', {
    startMm: 20,
    endMm: 0,
    spreadMm: 0.5,
    plated: false,
    note: 'The top covers an arc of the finger; the band covers the rest.',
  }),
  clasp('ear-wire', 'ear wire, fish hook', 'ear wire', {
    startMm: 18,
    endMm: 0,
    spreadMm: 2,
    note: 'The drop is measured from the top of the hook. A light hook bends: weigh the drop.',
  }),
  clasp('ear-wire-lever', 'ear wire, lever back', 'ear wire', {
    startMm: 15,
    endMm: 0,
    spreadMm: 1,
    note: 'The drop is measured from the top of the hook.',
  }),
];

/** Colours to begin with; the names are ours, a weaver writes her own. */
export const PALETTE: readonly { readonly name: string; readonly hex: string }[] = [
  { name: 'deep teal', hex: '#2b6c76' },
  { name: 'gold', hex: '#c8a364' },
  { name: 'cream', hex: '#e9e3d0' },
  { name: 'brick red', hex: '#b4533a' },
  { name: 'black', hex: '#2f3330' },
  { name: 'pale green', hex: '#8fb8a4' },
  { name: 'violet', hex: '#6d5a86' },
  { name: 'yellow', hex: '#dcb53c' },
  { name: 'grey', hex: '#9aa3a3' },
  { name: 'olive', hex: '#4d6b3a' },
];

/** Finds a row by its id; throws when the catalogue has none, which is a fault in the code that asks. */
export function byId<T extends { readonly id: string }>(rows: readonly T[], id: string): T {
  const row = rows.find((r) => r.id === id);
  if (!row) throw new Error(`The catalogue has no entry "${id}".`);
  return row;
}
