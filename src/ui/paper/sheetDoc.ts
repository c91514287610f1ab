import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';

// The pages that a sheet is printed on.

export const PAPERS = ['A4', 'Letter'] as const;
export type Paper = (typeof PAPERS)[number];

/** A millimetre in points of print, 72 to the inch. */
export const PT_PER_MM = 72 / 25.4;
const MARGIN_MM = 15;
/** ISO 216, and ANSI/ASME Y14.1. */
const WIDTH_MM: Readonly<Record<Paper, number>> = { A4: 210, Letter: 215.9 };

/** How much of a piece goes on one line at its true size, mm. */
export const lineMm = (paper: Paper): number => WIDTH_MM[paper] - 2 * MARGIN_MM;

/** What goes on the pages, one below the other. */
export interface SheetContent {
  readonly paper: Paper;
  readonly title: string;
  readonly content: Content[];
}

/** A sheet that is laid out, as a document to be printed. */
export function sheetDoc({ paper, title, content }: SheetContent): TDocumentDefinitions {
  const margin = MARGIN_MM * PT_PER_MM;
  return {
    pageSize: paper === 'A4' ? 'A4' : 'LETTER',
    pageMargins: [margin, margin, margin, margin],
    info: { title, creator: 'Ivy Loom' },
    defaultStyle: { fontSize: 10.5, lineHeight: 1.2 },
    styles: {
      title: { fontSize: 20, bold: true },
      heading: { fontSize: 14, bold: true, margin: [0, 10, 0, 4] },
      part: { fontSize: 12, bold: true, margin: [0, 6, 0, 2] },
      step: { fontSize: 11, bold: true, margin: [0, 2, 0, 1] },
      small: { fontSize: 9 },
      held: { fontSize: 9, margin: [0, 0, 0, 4] },
    },
    footer: (page, pages) => ({
      columnGap: 10,
      columns: [
        { text: title, style: 'small', width: '*' },
        { text: `page ${page} of ${pages}`, style: 'small', width: 'auto' },
      ],
      margin: [margin, 12, margin, 0],
    }),
    content,
  };
}
