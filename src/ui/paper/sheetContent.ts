import type { Content, TableCell } from 'pdfmake/interfaces';
import type { Sheet, SheetPart } from '@/core/paper/sheet';
import { composed } from './letters';
import { PT_PER_MM, type SheetContent, type Paper } from './sheetDoc';

// A sheet laid out on paper. Everything is black on white; beads are told apart by letters and marks, not by colour.

/** A drawing as SVG, and how large it is printed. */
export interface PaperDrawing {
  readonly svg: string;
  /** The same as a picture of dots, as a data address: printed in its place. */
  readonly png?: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

export interface PaperDrawings {
  /** The piece at its true size, line by line. */
  readonly strips: readonly PaperDrawing[];
  /** A bead of each kind by `part role shade`, and steps by `part group step`. */
  readonly beads: ReadonlyMap<string, PaperDrawing>;
  readonly steps: ReadonlyMap<string, PaperDrawing>;
  /** The piece in each size, all to one scale. */
  readonly sizes: ReadonlyMap<string, PaperDrawing>;
}

export const beadKey = (part: string, role: string, shade: number | null): string =>
  `${part} ${role} ${shade ?? ''}`;
export const stepKey = (part: string, group: number, step: number): string => `${part} ${group} ${step}`;

function picture(drawing: PaperDrawing | undefined): Content {
  if (!drawing) return { text: '' };
  const size = { width: drawing.widthMm * PT_PER_MM, height: drawing.heightMm * PT_PER_MM };
  return drawing.png ? { image: drawing.png, ...size } : { svg: drawing.svg, ...size };
}

const heading = (text: string): Content => ({ text, style: 'heading' });

const cell = (text: string | number, more: object = {}): TableCell => ({ text: `${text}`, ...more });
const right = { alignment: 'right' } as const;

/** Rows of a table, or lines of a list, that surely find room on one page. */
const SHORT = 14;

/** What stands over something is not left alone at the foot of a page: it goes to the next with the first of it. */
const over = (head: readonly Content[], [first, ...rest]: readonly Content[]): Content[] =>
  first === undefined ? [...head] : [{ stack: [...head, first], unbreakable: true }, ...rest];

/** Two bars to lay a ruler on: a print that was made to fit the page shows here. */
function scaleBars(): Content {
  const [mm, inch] = [50 * PT_PER_MM, 2 * 72];
  const bar = (length: number, y: number) => [
    { type: 'line' as const, x1: 0, y1: y, x2: length, y2: y, lineWidth: 1 },
    { type: 'line' as const, x1: 0, y1: y - 4, x2: 0, y2: y + 4, lineWidth: 1 },
    { type: 'line' as const, x1: length, y1: y - 4, x2: length, y2: y + 4, lineWidth: 1 },
  ];
  return {
    columns: [
      { canvas: [...bar(mm, 6), ...bar(inch, 20)], width: mm + 12 },
      {
        text: 'The upper bar is 50 mm long, the lower 2 in. If a ruler says otherwise, print again without fitting to the page.',
        style: 'small',
      },
    ],
    columnGap: 8,
    margin: [0, 4, 0, 8],
  };
}

function strips(sheet: Sheet, { strips: all }: PaperDrawings): Content[] {
  const several = all.length > 1;
  return [
    heading(several ? `The piece at its true size, in ${all.length} lines` : 'The piece at its true size'),
    ...all.map((strip, i): Content => ({
      stack: [
        ...(several ? [{ text: `line ${i + 1} of ${all.length}`, style: 'small' }] : []),
        picture(strip),
      ],
      margin: [0, 0, 0, 6],
      unbreakable: true,
    })),
    scaleBars(),
  ];
}

function beads(part: SheetPart, { beads: drawn }: PaperDrawings, head: readonly Content[]): Content[] {
  const { id, times } = part;
  const all: Content[] = [
    {
      table: {
        headerRows: 1,
        widths: [22, 'auto', '*', 'auto', 'auto', ...(times > 1 ? ['auto'] : []), 'auto'],
        body: [
          [
            cell(''),
            cell('', { style: 'small' }),
            cell('bead', { style: 'small' }),
            cell('a unit', { style: 'small', ...right }),
            cell(times > 1 ? 'of one' : 'in all', { style: 'small', ...right }),
            ...(times > 1 ? [cell('in all', { style: 'small', ...right })] : []),
            cell('to buy', { style: 'small', ...right }),
          ],
          ...part.beads.map(({ letter, role, shade, name: bead, perUnit, total, toBuy }): TableCell[] => [
            picture(drawn.get(beadKey(id, role, shade))) as TableCell,
            cell(letter, { bold: true }),
            cell(bead),
            cell(perUnit === null ? '–' : Number.isInteger(perUnit) ? perUnit : perUnit.toFixed(1), right),
            cell(total, right),
            ...(times > 1 ? [cell(total * times, { bold: true, ...right })] : []),
            cell(toBuy, right),
          ]),
        ],
      },
      layout: 'lightHorizontalLines',
      margin: [0, 0, 0, 8],
    },
  ];
  return part.beads.length > SHORT ? [...head, ...all] : over(head, all);
}

/** A heading, and a list under it. */
function list(head: string, lines: readonly Content[]): Content[] {
  const all: Content[] = [{ ul: [...lines], margin: [0, 0, 0, 6] }];
  return lines.length > SHORT ? [heading(head), ...all] : over([heading(head)], all);
}

function sizeChart({ sizes, parts }: Sheet, drawings: PaperDrawings): Content[] {
  if (sizes.length === 0) return [];
  const carrier = parts.at(-1);
  return [
    {
      stack: [
        heading(`Sizes${carrier ? ` of ${carrier.name}` : ''}`),
        {
          table: {
            headerRows: 1,
            widths: ['auto', 'auto', 'auto', 'auto', 'auto', '*'],
            body: [
              ['for', 'girth', 'count', 'finished', 'beads', 'thread'].map((name) =>
                cell(name, { style: 'small' }),
              ),
              ...sizes.map(({ size, girthMm, count, finished, beads: n, thread }): TableCell[] => [
                cell(`${size} adult`),
                cell(`${Math.round(girthMm)} mm`),
                cell(count),
                cell(finished),
                cell(n),
                cell(thread),
              ]),
            ],
          },
          layout: 'lightHorizontalLines',
        },
      ],
      unbreakable: true,
    },
    ...sizes.map(({ size }): Content => ({
      stack: [{ text: size, style: 'small' }, picture(drawings.sizes.get(size))],
      margin: [0, 4, 0, 0],
      unbreakable: true,
    })),
  ];
}

/** So many steps of one title stay on one page. */
const STEPS_TOGETHER = 3;

/** How many steps stand side by side where each is short; they are numbered then, so that nobody reads them down. */
const SIDE_BY_SIDE = [
  { steps: 3, letters: 70, drawnMm: 24 },
  { steps: 2, letters: 110, drawnMm: 50 },
] as const;
/** A drawing beside another step is no wider than this. */
const BESIDE_MM = 34;

const narrowed = (drawn: PaperDrawing): PaperDrawing => {
  const by = Math.min(1, BESIDE_MM / drawn.widthMm);
  return { ...drawn, widthMm: drawn.widthMm * by, heightMm: drawn.heightMm * by };
};

interface DrawnStep {
  readonly text: string;
  readonly drawn: PaperDrawing | undefined;
}

const besides = ({ text, drawn }: DrawnStep): number =>
  SIDE_BY_SIDE.find(({ letters, drawnMm }) => text.length <= letters && (drawn?.widthMm ?? 0) <= drawnMm)
    ?.steps ?? 1;

/** A step with its drawing, which never goes to another page than the words. */
const step = ({ text, drawn }: DrawnStep): Content =>
  drawn
    ? {
        columns: [
          { text, width: '*' },
          { stack: [picture(drawn)], width: 'auto' },
        ],
        columnGap: 10,
        margin: [0, 0, 0, 4],
        unbreakable: true,
      }
    : { text, margin: [0, 0, 0, 4] };

/** Many steps in rows: so many to a row as all of that row are short enough for. */
function rows(all: readonly DrawnStep[]): Content[] {
  const told: Content[] = [];
  let i = 0;
  while (i < all.length) {
    const n =
      SIDE_BY_SIDE.find(({ steps: most }) => {
        const row = all.slice(i, i + most);
        return row.length === most && row.every((one) => besides(one) >= most);
      })?.steps ?? 1;
    const row = all
      .slice(i, i + n)
      .map(({ text, drawn }, k) =>
        step({ text: `${i + k + 1}. ${text}`, drawn: drawn && n > 1 ? narrowed(drawn) : drawn }),
      );
    told.push(n === 1 ? row : { columns: row, columnGap: 14, unbreakable: true });
    i += n;
  }
  return told;
}

function steps(part: SheetPart, drawings: PaperDrawings, head: readonly Content[]): Content[] {
  const { id, held } = part;
  const above: Content[] = [...head, ...(held ? [{ text: held, style: 'held' }] : [])];
  const groups = part.steps.map((group, g): Content[] => {
    const told = group.steps.map(({ text }, s) => ({ text, drawn: drawings.steps.get(stepKey(id, g, s)) }));
    const why: Content[] = group.why ? [{ text: group.why, style: 'small' }] : [];
    const title: Content = { text: group.title, style: 'step' };
    return told.length > STEPS_TOGETHER
      ? over([title], [...rows(told), ...why])
      : [{ stack: [title, ...told.map(step), ...why], margin: [0, 0, 0, 6], unbreakable: true }];
  });
  return over(above, groups.flat());
}

/** A sheet laid out: what goes on the pages one below the other. It is plain data, and can be told to a worker. */
export function sheetContent(sheet: Sheet, drawings: PaperDrawings, paper: Paper): SheetContent {
  const alone = sheet.parts.length === 1;
  const title = composed(sheet.title);
  return {
    paper,
    title,
    content: composed<Content[]>([
      { text: title, style: 'title' },
      { text: sheet.about },
      {
        text: [
          { text: `${sheet.count}, ${sheet.finished}`, bold: true, fontSize: 14 },
          sheet.sits === '' ? '' : `  ${sheet.sits}`,
        ],
        margin: [0, 6, 0, 4],
      },
      {
        columns: [0, 1].map((half) => ({
          table: {
            widths: ['auto', '*'],
            body: sheet.facts
              .filter((_, i) => i % 2 === half)
              .map(([name, value]) => [cell(name, { style: 'small' }), cell(value)]),
          },
          layout: 'noBorders',
        })),
      },
      ...strips(sheet, drawings),
      ...sheet.parts.flatMap((part, i) => {
        const { name, times } = part;
        const of = times > 1 ? `${name}: ${times} of them; of each` : name;
        return beads(part, drawings, [
          ...(i === 0 ? [heading('Beads')] : []),
          ...(alone ? [] : [{ text: of, style: 'part' }]),
        ]);
      }),
      ...list('Thread', sheet.cuts),
      ...list('Materials and tools', [...sheet.materials, ...sheet.tools]),
      ...(sheet.notes.length > 0
        ? list(
            'To watch',
            sheet.notes.map(({ title: what, text }) => ({ text: [{ text: `${what} `, bold: true }, text] })),
          )
        : []),
      ...sizeChart(sheet, drawings),
      ...sheet.parts
        .filter((part) => part.steps.length > 0)
        .flatMap((part, i) => {
          const { name, times } = part;
          return steps(part, drawings, [
            ...(i === 0 ? [heading('How it is worked')] : []),
            ...(alone ? [] : [{ text: times > 1 ? `${name}, ${times} times` : name, style: 'part' }]),
          ]);
        }),
    ]),
  };
}
