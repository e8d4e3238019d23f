import QRCode from 'qrcode';
import type { Doc } from './document';

/** Draws a QR code as squares, `size` points wide including its quiet zone of four modules. */
export function drawQr(doc: Doc, text: string, x: number, y: number, size: number): void {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const square = size / (modules.size + 8);
  for (let row = 0; row < modules.size; row++) {
    for (let column = 0; column < modules.size; column++) {
      if (modules.get(row, column)) doc.rect(x + (column + 4) * square, y + (row + 4) * square, square, square);
    }
  }
  doc.fill('#000000');
}
