import type { Sheet } from '@/core/paper/sheet';
import { sheetContent, type PaperDrawings } from './sheetContent';
import { painted } from './painted';
import type { Printed, ToPrint } from './pdf.worker';
import { saveFile } from './saveFile';
import type { SheetContent, Paper } from './sheetDoc';

/**
 * Makes the sheet a PDF and hands it to the browser. What makes it comes only when somebody asks.
 * @returns letters that its type lacks, and that are printed as boxes
 */
export async function savePdf(
  sheet: Sheet,
  drawings: PaperDrawings,
  paper: Paper,
  name: string,
): Promise<readonly string[]> {
  const strips = await Promise.all(drawings.strips.map(painted));
  const sizes = await Promise.all(
    [...drawings.sizes].map(async ([size, drawing]) => [size, await painted(drawing)] as const),
  );
  const content = sheetContent(sheet, { ...drawings, strips, sizes: new Map(sizes) }, paper);
  const { pdf, boxes } = await printed(content);
  saveFile(pdf, name, 'application/pdf');
  return boxes;
}

/** Throws where it could not be made. */
const printed = (content: SheetContent): Promise<Extract<Printed, { kind: 'printed' }>> =>
  new Promise((resolve, reject) => {
    const worker = new Worker(new URL('./pdf.worker.ts', import.meta.url), { type: 'module' });
    const done = (settle: () => void) => {
      worker.terminate();
      settle();
    };
    worker.onmessage = ({ data }: MessageEvent<Printed>) =>
      done(() => (data.kind === 'printed' ? resolve(data) : reject(new Error(data.why))));
    worker.onerror = ({ message }) => done(() => reject(new Error(message)));
    worker.postMessage({ sheet: content } satisfies ToPrint);
  });
