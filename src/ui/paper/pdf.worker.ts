import { create } from 'fontkit';
import pdfMake from 'pdfmake/build/pdfmake';
import fonts from 'pdfmake/build/vfs_fonts';
import { lacking } from './letters';
import { sheetDoc, type SheetContent } from './sheetDoc';

/** What is to be printed, told to the worker. */
export interface ToPrint {
  readonly sheet: SheetContent;
}

export type Printed =
  | {
      readonly kind: 'printed';
      readonly pdf: Blob;
      /** Letters that the type lacks, and that are printed as boxes. */
      readonly boxes: readonly string[];
    }
  | { readonly kind: 'failed'; readonly why: string };

pdfMake.addVirtualFileSystem(fonts);

/** The letters that a font in base64 holds, as code points. */
function lettersOf(base64: string | undefined): Set<number> {
  const bytes = Uint8Array.from(atob(base64 ?? ''), (byte) => byte.charCodeAt(0));
  // Its types ask for Node's Buffer; it reads any bytes.
  const font = create(bytes as Buffer);
  return new Set('characterSet' in font ? font.characterSet : []);
}

const answer = (printed: Printed) => self.postMessage(printed);

/** Makes a sheet a PDF off the window's own thread: a long piece takes its time. */
self.onmessage = async ({ data: { sheet } }: MessageEvent<ToPrint>) => {
  try {
    const pdf = await pdfMake.createPdf(sheetDoc(sheet)).getBlob();
    answer({ kind: 'printed', pdf, boxes: lacking(sheet.content, lettersOf(fonts['Roboto-Regular.ttf'])) });
  } catch (error) {
    answer({ kind: 'failed', why: error instanceof Error ? error.message : String(error) });
  }
};
