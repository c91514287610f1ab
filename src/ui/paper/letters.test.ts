import { createRequire } from 'node:module';
import { openSync } from 'fontkit';
import { describe, expect, it } from 'vitest';
import { sheetOf } from '@/core/paper/sheet';
import { planPiece } from '@/core/plan/shipped';
import { USUAL_SETTINGS } from '@/core/records/settings';
import { DEMO_PIECES, examplePiece } from '@/demo/choir';
import { composed, lacking } from './letters';
import { sheetContent } from './sheetContent';

const STYLE = { unit: 'in', denominator: 16, decimal: '.' } as const;
const font = openSync(createRequire(import.meta.url).resolve('pdfmake/fonts/Roboto/Roboto-Regular.ttf'));
const ROBOTO = new Set('characterSet' in font ? font.characterSet : []);

const contentOf = (name: string, called = examplePiece(name).name) => {
  const piece = { ...examplePiece(name), name: called };
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error(plan.problem.code);
  const sheet = sheetOf(piece, plan, USUAL_SETTINGS, STYLE);
  return sheetContent(sheet, { strips: [], beads: new Map(), steps: new Map(), sizes: new Map() }, 'A4')
    .content;
};

describe('letters on paper', () => {
  it.each(DEMO_PIECES)('%s: the type has every letter of the sheet', (name) => {
    expect(lacking(contentOf(name), ROBOTO)).toEqual([]);
  });

  it('those it lacks are told, each once; accents that were typed apart go onto their letters', () => {
    expect(lacking(contentOf('capstan', 'Море, Ζωή, Žofie, Bjørn'), ROBOTO)).toEqual([]);
    expect(lacking(contentOf('capstan', '海の歌、海'), ROBOTO)).toEqual(['海', 'の', '歌', '、']);
    expect(lacking(contentOf('capstan', 'Zoe\u0308 ♥'), ROBOTO)).toEqual(['♥']);
    expect(composed({ text: ['Zoe\u0308', { text: 'A\u030a' }] })).toEqual({ text: ['Zoë', { text: 'Å' }] });
    expect(lacking({ text: 'a', svg: '海' }, ROBOTO)).toEqual([]);
  });
});
