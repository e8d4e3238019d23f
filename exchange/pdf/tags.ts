import { type Paper, SHEETS } from '@/core/units/paper';
import { COLOURS } from '@/core/drawing/colours';
import type { TagSize } from '@/core/aftercare/tag-size';
import { formatCode } from '@/core/codes/plant-code';
import { formatDate } from '@/core/units/iso-date';
import { type Doc, makePdf, MM, textWidth, writeLine } from './document';
import { drawQr, withQuietZone } from './qr';

export interface Tag {
  code: string;
  url: string;
  variety: string;
  stock: string;
  /** How it was made: two of one hand are told from each other by it. */
  made: string;
  date: string;
  initials: string;
}

/** Width of a QR code without its white border, mm. */
const LEAST_QR = 15;
const MARGIN = 10;
const GAP = 3;

/** Tags in rows on as many sheets as they need, with corner marks to cut by. */
export function tagsPdf(tags: Tag[], paper: Paper, size: TagSize): Promise<Buffer> {
  const { width: sheetWidth, height: sheetHeight } = SHEETS[paper];
  const columns = Math.max(1, Math.floor((sheetWidth - 2 * MARGIN + GAP) / (size.width + GAP)));
  const rows = Math.max(1, Math.floor((sheetHeight - 2 * MARGIN + GAP) / (size.height + GAP)));
  return makePdf(paper, 'Tags', (doc) => {
    tags.forEach((tag, i) => {
      const place = i % (columns * rows);
      if (place === 0) doc.addPage();
      const x = MARGIN + (place % columns) * (size.width + GAP);
      const y = MARGIN + Math.floor(place / columns) * (size.height + GAP);
      drawTag(doc, tag, x * MM, y * MM, size);
    });
    if (tags.length === 0) doc.addPage();
  });
}

function drawTag(doc: Doc, tag: Tag, x: number, y: number, size: TagSize): void {
  const width = size.width * MM;
  const height = size.height * MM;
  doc.lineWidth(0.3).strokeColor(COLOURS.trim).rect(x, y, width, height).stroke();
  // A hole for the wire, marked and not printed over.
  const hole = { x: x + 3.2 * MM, y: y + height / 2 };
  doc
    .lineWidth(0.4)
    .circle(hole.x, hole.y, 1.6 * MM)
    .stroke(COLOURS.trim);

  // The code itself at least 15 mm across, and no more than leaves the words their room.
  const across = Math.max(LEAST_QR * MM, Math.min(0.75 * height - 2 * MM, 0.26 * width, 22 * MM));
  const qr = withQuietZone(tag.url, across);
  drawQr(doc, tag.url, x + width - qr, y + (height - qr) / 2, across);

  const left = x + 6.5 * MM;
  const room = width - qr - 7 * MM;
  const code = { size: Math.min(22, Math.max(14, height / 4.2)), weight: 700 as const };
  while (code.size > 14 && textWidth(doc, formatCode(tag.code), code) > room) code.size -= 0.5;
  const lines = [tag.variety, tag.stock, tag.made, `${formatDate(tag.date)}  ${tag.initials}`];
  const small = Math.min(10, Math.max(6, (height - code.size * 1.2) / 6));
  let at = y + (height - (code.size + lines.length * small * 1.3)) / 2 + code.size * 0.86;
  writeLine(doc, formatCode(tag.code), left, at, code);
  for (const [i, text] of lines.entries()) {
    at += i === 0 ? small * 1.45 : small * 1.3;
    const weight = i === 0 ? (700 as const) : (400 as const);
    // A long name is set smaller before it is cut: a lost name is a lost graft.
    let fitted = small;
    while (fitted > 5.5 && textWidth(doc, text, { size: fitted, weight }) > room) fitted -= 0.25;
    writeLine(doc, text, left, at, { size: fitted, weight, width: room });
  }
}
