import { createRequire } from 'node:module';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import pdfmake from 'pdfmake';
import { describe, expect, it } from 'vitest';
import { sheetOf, type Sheet } from '@/core/paper/sheet';
import { madeApart } from '@/core/plan/madeApart';
import { planPiece } from '@/core/plan/shipped';
import { shippedLayouts } from '@/core/layout/shipped';
import { USUAL_SETTINGS } from '@/core/records/settings';
import { DEMO_PIECES, examplePiece } from '@/demo/choir';
import { beadKey, sheetContent, stepKey, type PaperDrawing, type PaperDrawings } from './sheetContent';
import { lineMm, PAPERS, sheetDoc } from './sheetDoc';
import { quantitiesCsv } from './quantitiesCsv';

const HEADINGS = ['Beads', 'Thread', 'Materials and tools', 'To watch', 'How it is worked'];
const STYLE = { unit: 'cm', denominator: 16, decimal: '.' } as const;
const UNDRAWN: PaperDrawings = { strips: [], beads: new Map(), steps: new Map(), sizes: new Map() };

/** A frame in the place of each drawing, as large as drawings are. */
function frames(told: Sheet): PaperDrawings {
  const frame = (widthMm: number, heightMm: number): PaperDrawing => ({
    svg: '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1"><path d="M0 0H1V1H0Z" fill="none" stroke="black"/></svg>',
    widthMm,
    heightMm,
  });
  return {
    strips: [frame(180, 20)],
    beads: new Map(
      told.parts.flatMap(({ id, beads }) =>
        beads.map(({ role, shade }) => [beadKey(id, role, shade), frame(5.5, 5.5)] as const),
      ),
    ),
    steps: new Map(
      told.parts.flatMap(({ id, steps }) =>
        steps.flatMap((group, g) => group.steps.map((_, s) => [stepKey(id, g, s), frame(50, 40)] as const)),
      ),
    ),
    sizes: new Map(told.sizes.map(({ size }) => [size, frame(180, 20)])),
  };
}

const roboto = (name: string) =>
  createRequire(import.meta.url).resolve(`pdfmake/fonts/Roboto/Roboto-${name}.ttf`);
pdfmake.setFonts({
  Roboto: {
    normal: roboto('Regular'),
    bold: roboto('Medium'),
    italics: roboto('Italic'),
    bolditalics: roboto('MediumItalic'),
  },
});

/** The text of a PDF, page by page, by a reader that knows nothing of how it was made. */
async function textOf(pdf: Buffer): Promise<string[]> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let i = 1; i <= document.numPages; i++) {
    const { items } = await (await document.getPage(i)).getTextContent();
    const text = items.map((item) => ('str' in item ? item.str : '')).join(' ');
    pages.push(text.replace(/\s+/g, ' '));
  }
  await document.destroy();
  return pages;
}

const sheet = (name: string) => {
  const piece = examplePiece(name);
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error(plan.problem.code);
  return { plan, told: sheetOf(piece, plan, USUAL_SETTINGS, STYLE, { layouts: shippedLayouts }) };
};

describe('the sheet', () => {
  it.each(DEMO_PIECES)(
    '%s, read back from the PDF (library: pdfjs): its quantities are those of the plan',
    async (name) => {
      const { plan, told } = sheet(name);
      const pdf = await pdfmake.createPdf(sheetDoc(sheetContent(told, frames(told), 'A4'))).getBuffer();
      const pages = await textOf(pdf);
      const text = pages.join(' ');
      const all = [...madeApart(plan), { component: { plan, name: '' }, times: 1 }];
      for (const { component, times } of all)
        for (const { role, bead, total, shades } of component.plan.quantities) {
          if (component.plan.components.has(role)) continue;
          const counts =
            shades.length > 1
              ? shades.map((shade) => [shade.name, shade.total] as const)
              : [[bead.colourName, total] as const];
          for (const [colour, count] of counts) {
            const line = new RegExp(
              `${colour} (?:–|[\\d.]+) ${count} ${times > 1 ? `${count * times} ` : ''}\\d+`,
            );
            expect(text, `${role} ${colour}`).toMatch(line);
          }
        }
      expect(text).toContain(told.finished);
      expect(pages.at(-1)).toContain(`page ${pages.length} of ${pages.length}`);
      for (const { title } of told.notes) expect(text).toContain(title);
      // Nothing that stands over something is left alone at the foot of a page.
      const over = told.parts.flatMap(({ name, times, held, steps }) => [
        times > 1 ? `${name}, ${times} times` : name,
        held,
        ...steps.map(({ title }) => title),
      ]);
      pages.forEach((page, i) => {
        const foot = `${told.title} page ${i + 1} of ${pages.length}`;
        expect(page.trim().endsWith(foot)).toBe(true);
        const last = page.trim().slice(0, -foot.length).trim();
        for (const head of [...HEADINGS, ...over].filter((one) => one !== ''))
          expect(last.endsWith(` ${head}`), `page ${i + 1} ends with “${head}”`).toBe(false);
      });
      // Every step is there, word for word.
      for (const part of told.parts)
        for (const group of part.steps)
          for (const { text: step } of group.steps)
            expect(text.replace(/[-\s]+/g, '')).toContain(step.replace(/[-\s]+/g, ''));
    },
  );

  it('published: pages are as large as ISO 216 and Letter say, and what is printed on a line leaves margins', async () => {
    const { told } = sheet('lantern-line');
    const size = { A4: [210, 297], Letter: [215.9, 279.4] } as const;
    for (const paper of PAPERS) {
      const pdf = await pdfmake.createPdf(sheetDoc(sheetContent(told, UNDRAWN, paper))).getBuffer();
      const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
      const [, , wide, high] = (await document.getPage(1)).view;
      expect(((wide ?? 0) / 72) * 25.4).toBeCloseTo(size[paper][0], 0);
      expect(((high ?? 0) / 72) * 25.4).toBeCloseTo(size[paper][1], 0);
      expect(lineMm(paper)).toBeCloseTo(size[paper][0] - 30, 6);
      await document.destroy();
    }
  });

  it('what is bought for parts made apart is for all of them', () => {
    const { plan, told } = sheet('spray-drops');
    for (const { component, times } of madeApart(plan)) {
      const part = told.parts.find(({ id }) => id === component.id);
      expect(part?.times).toBe(times);
      for (const { total, toBuy } of part?.beads ?? []) expect(toBuy).toBeGreaterThanOrEqual(total * times);
    }
    const rows = quantitiesCsv(told).split('\r\n');
    expect(rows).toHaveLength(1 + told.parts.reduce((sum, { beads }) => sum + beads.length, 0));
    expect(rows[0]).toBe('part,made,letter,bead,per_unit,of_one,in_all,to_buy');
  });

  it('sizes are told where the length goes by a girth, each planned anew', () => {
    const { told } = sheet('slack-water');
    expect(told.sizes.map(({ size }) => size)).toEqual(['small', 'medium', 'large']);
    const lengths = told.sizes.map(({ plan }) => plan.chosen.finishedMm);
    expect(lengths.toSorted((a, b) => a - b)).toEqual(lengths);
  });
});
