import { COLOURS } from '@/core/drawing/colours';
import QRCode from 'qrcode';
import type { Doc } from './document';

/** White border that readers need around a code, in modules. */
const QUIET = 4;

/** Width of a code with its white border, for a code of `size` itself. */
export function withQuietZone(text: string, size: number): number {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  return size * (1 + (2 * QUIET) / modules.size);
}

/** Draws a QR code as squares, the code itself `size` wide; (x, y) is the corner of its white border. */
export function drawQr(doc: Doc, text: string, x: number, y: number, size: number): void {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const square = size / modules.size;
  for (let row = 0; row < modules.size; row++) {
    for (let column = 0; column < modules.size; column++) {
      if (modules.get(row, column)) doc.rect(x + (column + QUIET) * square, y + (row + QUIET) * square, square, square);
    }
  }
  doc.fill(COLOURS.black);
}
