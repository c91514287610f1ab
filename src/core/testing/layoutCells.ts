// Every stitch × option × bead, laid out, and what must hold of each: `npm run soak` tries all, the tests a seeded part.
import { layoutRequest, type LayoutRequest } from '../layout/cellLayout';
import { inUsualBeads, sized } from '../layout/solveLayout';
import type { CellBead } from '../layout/solver/cell';
import { CellEnergy } from '../layout/solver/energy';
import { handLaid } from '../layout/solver/handLaid';
import { asItLies, mirrored } from '../layout/solver/measure';
import { rests, type Settled } from '../layout/solver/settled';
import { BEADS, byId } from '../materials/catalogue';
import type { BeadSize } from '../materials/material';
import { SAMPLE } from '../read/totals';
import { misfit } from '../structures/parts';
import { STRUCTURES, structureById } from '../structures/registry';
import type { Form, Structure } from '../structures/structure';
import { FIRST_ROLES, ROLE_LETTERS, type RoleLetter } from '../structures/roles';
import { longDefault } from './anyParams';
import { ends } from './woven';

/** A stitch with its options, in a bead of the catalogue for each role. */
export interface LayoutCell {
  readonly stitch: string;
  readonly params: Readonly<Record<string, unknown>>;
  /** The beads' names in the catalogue. */
  readonly beads: Readonly<Record<string, string>>;
}

export const cellName = ({ stitch, params, beads }: LayoutCell): string =>
  `${stitch} ${JSON.stringify(params)} in ${[...new Set(Object.values(beads))].join(', ')}`;

/** A cell by all that is chosen in it, said or not. */
function wholeName({ stitch, params, beads }: LayoutCell): string {
  const all = { ...structureById(stitch)?.defaults, ...params };
  return JSON.stringify([stitch, Object.entries(all).sort(([a], [b]) => (a < b ? -1 : 1)), beads]);
}

const LAID_OUT = STRUCTURES.filter(({ bind, defaults }) => !bind(defaults).formIsExact);

/** The stitch in these beads, where it can be woven so: its parts allow them, and its own check. */
function cellOf(
  structure: Structure,
  params: LayoutCell['params'],
  beadOf: (role: RoleLetter) => string,
): LayoutCell | null {
  if (structure.check({ ...structure.defaults, ...params }).length > 0) return null;
  const weaveable = structure.bind({ ...structure.defaults, ...params });
  const { parts, corner } = weaveable;
  // A V does not go on as it begins: there is no repeat to lay out.
  if (corner) return null;
  const beads: Record<string, string> = {};
  for (const part of parts) {
    const id = beadOf(part.role);
    if (misfit(part, byId(BEADS, id))) return null;
    beads[part.role] = id;
  }
  // What the plan says does not suit is not claimed to lie well.
  const advice = weaveable.advise?.((role) => byId(BEADS, beads[role] ?? 'seed-11')) ?? [];
  return advice.length > 0 ? null : { stitch: structure.id, params, beads };
}

/** The sequences of a stitch told in one bead, so that one bead is tried in all of them. */
const plain = ({ fields, defaults }: Structure): Record<string, unknown> =>
  Object.fromEntries(
    fields.flatMap((field) =>
      field.kind === 'sequence'
        ? [
            [
              field.key,
              field.roles || defaults.swags === 0
                ? defaults[field.key]
                : (defaults[field.key] as string[]).slice(0, 1),
            ],
          ]
        : [],
    ),
  );

/** Every stitch, with each of its options, wholly in each bead that its first part allows; the others as they usually are. */
export function everyCell(): LayoutCell[] {
  const cells = LAID_OUT.flatMap((structure) => {
    const options = structure.fields.flatMap((field) =>
      field.kind === 'choice' ? field.options.map(({ value }) => ({ [field.key]: value })) : [],
    );
    return BEADS.flatMap(({ id }) =>
      [{}, plain(structure), ...options.map((option) => ({ ...plain(structure), ...option }))].flatMap(
        (params) => {
          const usual = (role: RoleLetter) => structure.usual[role] ?? 'seed-11';
          const cell = cellOf(structure, params, (role) => (role === 'A' ? id : usual(role)));
          return cell ? [cell] : [];
        },
      ),
    );
  });
  // Told or not told, an option as it usually is makes the same cell: each is laid out once.
  return [...new Map(cells.map((cell) => [wholeName(cell), cell])).values()];
}

/** So many stitches with options, sequences and pairs or triples of beads drawn at random. */
export function drawnCells(count: number, random: () => number): LayoutCell[] {
  const oneOf = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;
  const cells: LayoutCell[] = [];
  while (cells.length < count) {
    const structure = oneOf(LAID_OUT);
    const params = Object.fromEntries(
      structure.fields.flatMap((field): [string, unknown][] => {
        if (field.kind === 'choice') return [[field.key, oneOf(field.options).value]];
        if (field.kind !== 'sequence') return [];
        const roles = (field.roles ?? ROLE_LETTERS).slice(0, 3);
        const length = longDefault(structure, field.key) ?? 1 + Math.floor(3 * random());
        return [[field.key, Array.from({ length }, () => oneOf(roles))]];
      }),
    );
    const beads = new Map<RoleLetter, string>(FIRST_ROLES.map((role) => [role, oneOf(BEADS).id]));
    const cell = cellOf(structure, params, (role) => beads.get(role) ?? 'seed-11');
    if (cell) cells.push(cell);
  }
  return cells;
}

interface Laid {
  readonly request: LayoutRequest;
  readonly settled: Settled;
  /** A unit of the maker's, and the work's thickness, mm. */
  readonly pitchMm: number;
  readonly thicknessMm: number;
  readonly rests: boolean;
  /** Bare thread of a period as it lies, and as the closed form has it, mm of beads as large as an 11/0. */
  readonly bareMm: number;
  readonly closedBareMm: number;
  readonly form: Form;
  readonly ms: number;
}

/** What is to be laid out of a stitch in these beads, and its closed form. Throws where its arrangement does not repeat as its path does. */
function requestOf(stitch: string, sizeOf: (role: string) => BeadSize, params: LayoutCell['params'] = {}) {
  const structure = structureById(stitch) as Structure;
  const weaveable = structure.bind({ ...structure.defaults, ...params });
  const form = weaveable.form(sizeOf, new Set());
  const request = layoutRequest(weaveable.weave(SAMPLE + weaveable.minimumUnits, ends), sizeOf, form);
  if (!request) throw new Error('the arrangement does not repeat as the path does');
  return { request, form };
}

/** The same of a stitch as it starts, in its usual beads. */
export const usualRequest = (stitch: string): LayoutRequest => {
  const { usual } = structureById(stitch) as Structure;
  return requestOf(stitch, (role) => byId(BEADS, usual[role as RoleLetter] ?? 'seed-11')).request;
};

/** Lays a cell out, its beads as they are or changed. Throws where its arrangement does not repeat as its path does. */
export function laid(
  { stitch, params, beads }: LayoutCell,
  change: (size: BeadSize, role: string) => BeadSize = (size) => size,
  start: (request: LayoutRequest) => LayoutRequest = (request) => request,
): Laid {
  const { request: asked, form } = requestOf(
    stitch,
    (role) => change(byId(BEADS, beads[role] ?? 'seed-11'), role),
    params,
  );
  const request = start(asked);
  const { cell } = request;
  const { unitMm, solidsOf, from } = inUsualBeads(request);
  const solids = solidsOf();
  const started = performance.now();
  const { settled } = handLaid(cell, solids, from);
  const ms = performance.now() - started;
  const energy = new CellEnergy(cell, solids);
  energy.evaluate(from.state, new Float64Array(from.state.length));
  return {
    request,
    settled,
    pitchMm: ((settled.periodMm * unitMm) / cell.units) * (request.rowsOfUnit / request.rows),
    thicknessMm: asItLies(cell, solids, settled).thicknessMm * unitMm,
    rests: rests(settled, solids),
    bareMm: settled.threadMm,
    closedBareMm: energy.threadMm,
    form,
    ms,
  };
}

/** The thickest that beads held so can be: on a mat one beside the other, on either face what lies there; in the hand and on a former the form's. */
function stackMm({ request: { cell, sizes, start }, form }: Laid): number {
  if (start.held !== 'mat' && start.held !== 'line') return form.thicknessMm * ROUND;
  const thickest = (wanted: (bead: CellBead) => boolean) =>
    Math.max(
      0,
      ...sizes.flatMap(({ diameterMm }, i) => (wanted(cell.beads[i] as CellBead) ? [diameterMm] : [])),
    );
  // What lies on a face is a layer of its own, pass by pass, and may stand like a tent where it is longer than its way.
  const stages = new Set(cell.beads.flatMap(({ face, stage }) => (face ? [stage] : [])));
  const layersMm = [...stages].reduce((sum, stage) => sum + thickest((one) => one.stage === stage), 0);
  const facedMm = cell.beads.reduce((sum, { face }, i) => sum + (face ? (sizes[i]?.lengthMm ?? 0) : 0), 0);
  return PLAY * (thickest(({ face }) => face === null) + layersMm + facedMm / cell.units / 2);
}
/** A tube, or what stands in three dimensions, may be so much thicker than its form, and anything than its beads: they tip a little. */
const ROUND = 1.3;
const PLAY = 1.12;
/** Bare thread may be so much longer than the closed form's, which a folded state is by half or twice; where it has next to none, by so much. */
const BARE = 0.2;
const FLOOR_MM = 0.5;

/** One thing that does not hold of a cell, and by what part it is off. */
export interface Broken {
  readonly what: string;
  readonly off: number;
}

/** What must hold of every cell. Returns what does not, or nothing. */
export function brokenOf(cell: LayoutCell, one: Laid = laid(cell)): Broken[] {
  const differs = (other: Laid) => Math.abs(other.pitchMm / one.pitchMm - 1);
  const broken: Broken[] = [];
  const claim = (what: string, off: number, most: number) => {
    if (!(off <= most)) broken.push({ what, off });
  };
  claim('bare thread longer than the closed form’s', one.bareMm / (one.closedBareMm + FLOOR_MM) - 1, BARE);
  claim('thicker than its beads can lie', one.thicknessMm / stackMm(one) - 1, 0);
  // What does not rest says so, and the closed form stands in its place: of that nothing more is claimed.
  if (!one.rests) return broken;
  claim(
    'twice as large is not twice as long',
    Math.abs(laid(cell, (size) => sized(size, 2)).pitchMm / (2 * one.pitchMm) - 1),
    0.005,
  );
  const [first] = Object.keys(cell.beads);
  claim(
    '1 % of a bead moves it',
    differs(laid(cell, (size, role) => (role === first ? sized(size, 1.01) : size))),
    0.03,
  );
  claim('its mirror image is another', differs(laid(cell, undefined, inTheMirror)), 0.005);
  for (const other of likeNets(cell)) claim('the same net, otherwise told', differs(laid(other)), 0.01);
  return broken;
}

/** The arrangement's mirror image: as the other hand has it. */
const inTheMirror = (request: LayoutRequest): LayoutRequest => {
  const { start } = request;
  const periodMm = start.state.at(-2) ?? 0;
  const twist = start.state.at(-1) ?? 0;
  const state = mirrored({ state: start.state, periodMm, twist }).state;
  return { ...request, start: { ...start, state } };
};

/** The same net told in other rows, or in the other stitch. */
function likeNets({ stitch, params, beads }: LayoutCell): LayoutCell[] {
  const structure = structureById(stitch) as Structure;
  const { side, rung, rows, other = side, edge = 'none' } = { ...structure.defaults, ...params };
  if (!side || !rung || edge !== 'none' || String(side) !== String(other)) return [];
  const told = (to: string, with_: object): LayoutCell => ({
    stitch: to,
    params: { side, rung, ...with_ },
    beads,
  });
  return [
    told('right-angle-weave', { rows: rows === 1 ? 3 : 1 }),
    ...(stitch === 'right-angle-weave' && rows === 1 ? [told('cross-weave', { other: side, rows: 1 })] : []),
  ];
}
