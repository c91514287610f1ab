// What is planned today, line by line, so that nothing changes unseen. It says what was, not what is right: that is for the
// other tests. Where a change is meant, `npm run unit -- src/core/testing/frozen.test.ts -u` writes it anew, to be read in the diff.
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { KIND_FACTS } from '../body/kinds';
import type { Colouring } from '../colour/shades';
import { shippedLayouts } from '../layout/shipped';
import { BEADS, byId, CLASPS, THREADS } from '../materials/catalogue';
import { forPlace } from '../piece/variants';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planPart } from '../plan/plan';
import * as shipped from '../plan/shipped';
import { misfit } from '../structures/parts';
import { STRUCTURES } from '../structures/registry';
import type { Structure } from '../structures/structure';
import { substitution } from '../plan/substitution';
import { substitutionWords } from '../words/substitutions';
import { anyPiece, heardOf } from './anyPiece';
import { fingerprint } from './fingerprint';
import { said } from './said';

/** Long enough for a start, a few repeats and an end, mm. */
const SHORT_MM = 72;

const asItStarts = (id: string): PartOfPiece => ({ ...newPart('Frozen', id, null), targetMm: SHORT_MM });

/** A stitch with each of its choices, and each choice of a piece made in it. */
function variants(structure: Structure): [name: string, piece: PartOfPiece][] {
  const { id, defaults, fields, bind } = structure;
  const first = asItStarts(id);
  const told = (params: PartOfPiece['structure']['params']): PartOfPiece => ({
    ...first,
    structure: { id, params: { ...defaults, ...params } },
  });
  const choices = fields.flatMap((field): [string, PartOfPiece][] => {
    if (field.kind === 'choice')
      return field.options.map(({ value }) => [`${field.key} ${value}`, told({ [field.key]: value })]);
    if (field.kind !== 'sequence') return [];
    const usual = [defaults[field.key]].flat() as string[];
    const sequences = [usual.slice(0, 1), [...usual, ...usual.slice(0, 1)]];
    return sequences.map((value) => [`${field.key} ${value.join('')}`, told({ [field.key]: value })]);
  });
  const part = bind(defaults).parts.find(({ role }) => role === 'A');
  const beads = ['seed-8', 'cylinder-11', 'cube-3', 'bicone-4', 'pressed-6', 'tile', 'lens', 'bugle-6'];
  const inBeads = BEADS.filter((bead) => beads.includes(bead.id) && part && !misfit(part, bead)).map(
    (bead): [string, PartOfPiece] => [
      `A ${bead.id}`,
      { ...first, beads: { ...first.beads, A: { ...first.beads.A, ...bead } } },
    ],
  );
  const { ends } = first;
  const toggle = { ...ends, clasp: byId(CLASPS, 'toggle-12') };
  const plan = planPart(first);
  const optional = plan.ok ? plan.optionalPasses.map(({ name }) => name) : [];
  return [
    ['as it starts', first],
    ...choices,
    ...inBeads,
    ...optional.map((name): [string, PartOfPiece] => [`without ${name}`, { ...first, without: [name] }]),
    ['left hand', { ...first, hand: 'left' }],
    ['thread doubled', { ...first, doubled: true }],
    ['joined', { ...first, ends: { ...ends, closing: 'joined' } }],
    ['toggle', { ...first, ends: toggle }],
    ['two units more', { ...first, units: plan.ok ? plan.chosen.units + 2 : 9 }],
    ...Object.keys(KIND_FACTS).map((kind): [string, PartOfPiece] => [
      kind,
      { ...forPlace(first, kind as keyof typeof KIND_FACTS), targetMm: SHORT_MM },
    ]),
  ];
}

/** A bracelet as it starts, and others in which more is to be said: full holes, colours by turns, a length that misses. */
function toTell(id: string): { readonly first: PartOfPiece; readonly others: readonly PartOfPiece[] } {
  const wearer = { personId: null, name: 'Maren', girths: { wrist: 159 }, typical: null };
  const first = newPart('as it starts', id, wearer);
  const { A } = first.beads;
  const turns: Colouring = { pattern: 'turns', more: [{ name: 'kelp', hex: '#3f5f3a' }], every: 2 };
  return {
    first,
    others: [
      { ...first, name: 'thread doubled', doubled: true, thread: byId(THREADS, 'nylon-d') },
      { ...first, name: 'a length that misses', targetMm: 171.5 },
      { ...first, name: 'colours by turns', colourings: { A: turns } },
      { ...first, name: 'another finish', beads: { ...first.beads, A: { ...A, finish: 'plated' } } },
      { ...first, name: 'nobody yet', wearer: null },
    ],
  };
}

describe.each(STRUCTURES.map((structure) => [structure.id, structure] as const))('%s', (id, structure) => {
  it('is planned as it was', async () => {
    const all = variants(structure);
    expect(all.length).toBeGreaterThan(12);
    // By the closed form, which no other layout moves; one as it ships.
    const lines = all.map(([name, piece]) => `${name}: ${fingerprint(planPart(piece))}`);
    lines.push(`laid out: ${fingerprint(shipped.planPart(asItStarts(id)))}`);
    await expect(`${lines.join('\n')}\n`).toMatchFileSnapshot(`./frozen/${id}.txt`);
  });

  it('is told as it was', async () => {
    const { first, others } = toTell(id);
    const before = first;
    const told = [first, ...others].flatMap((piece) => [
      `— ${piece.name}`,
      ...said(piece, shipped.planPart(piece), before, { unit: 'in', denominator: 16 }),
    ]);
    expect(told.length).toBeGreaterThan(60);
    await expect(`${told.join('\n')}\n`).toMatchFileSnapshot(`./frozen/${id}.told.txt`);
  });
});

describe('what nobody would make', () => {
  /** So often is one finding put into words, of the first pieces that it is heard of. */
  const OFTEN = 2;

  it.each(STRUCTURES.map((structure) => [structure.id, structure] as const))(
    'is told as it was in %s',
    async (id, structure) => {
      const heard = new Map<string, number>();
      const told = fc.sample(anyPiece([structure]), { numRuns: 24, seed: 19 }).flatMap((piece, k) => {
        const findings = heardOf(piece, { unit: k % 2 ? 'cm' : 'in', denominator: 16 });
        const words = findings.flatMap(({ code, texts }) => {
          const before = heard.get(code) ?? 0;
          heard.set(code, before + 1);
          return before < OFTEN ? [`${code}: ${texts.join(' ')}`] : [];
        });
        return [`— ${k} ${findings.map(({ code }) => code).join(', ')}`, ...words];
      });
      expect(heard.size).toBeGreaterThan(3);
      await expect(`${told.join('\n')}\n`).toMatchFileSnapshot(`./frozen/${id}.odd.txt`);
    },
  );

  it.each(['strung-line', 'two-hole-line', 'right-angle-weave', 'flat-herringbone'])(
    'other beads are judged as they were in %s',
    async (id) => {
      const { first } = toTell(id);
      const plan = shipped.planPart(first);
      if (!plan.ok) throw new Error(plan.problem.code);
      const told = BEADS.map((bead) => {
        const answer = substitution(first, plan, 'A', bead, { layouts: shippedLayouts });
        return `${bead.id}: ${substitutionWords(answer, { unit: 'in', denominator: 16 })}`;
      });
      await expect(`${told.join('\n')}\n`).toMatchFileSnapshot(`./frozen/${id}.others.txt`);
    },
  );
});
