import type { PaperDrawing } from './sheetContent';

/** Dots to the inch, as printers print pictures well; finer than that no eye sees at arm's length. */
const DPI = 400;
const MM_PER_INCH = 25.4;

/**
 * A drawing as a picture of dots: a long piece has tens of thousands of lines, and a browser paints in a moment what a PDF takes a minute
 * to say. As it is where the browser gives no pen.
 */
export async function painted(drawing: PaperDrawing): Promise<PaperDrawing> {
  const canvas = document.createElement('canvas');
  canvas.width = Math.ceil((drawing.widthMm / MM_PER_INCH) * DPI);
  canvas.height = Math.ceil((drawing.heightMm / MM_PER_INCH) * DPI);
  const pen = canvas.getContext('2d');
  if (!pen) return drawing;
  const url = URL.createObjectURL(new Blob([drawing.svg], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    pen.drawImage(image, 0, 0, canvas.width, canvas.height);
    return { ...drawing, png: canvas.toDataURL() };
  } finally {
    URL.revokeObjectURL(url);
  }
}
