import { COLOURS } from '@/core/drawing/colours';
import { type Doc, MM, writeLine } from './document';

/** A figure with its interval as a share of the width, and what stands beside it. */
export interface PaperRow {
  name: string;
  words: string;
  value: number | null;
  low: number | null;
  high: number | null;
  /** Where the truth could lie, as a pale bar. */
  bounds?: { low: number; high: number } | null;
}

const ROW = 6.2 * MM;

/** Figures on their intervals from 0 to 1, a row each; returns the y below. */
export function paperRows(doc: Doc, rows: readonly PaperRow[], left: number, right: number, top: number): number {
  const [from, to] = [left + 68 * MM, right - 54 * MM];
  const x = (share: number): number => from + (to - from) * Math.min(1, Math.max(0, share));
  const bottom = top + rows.length * ROW;
  for (const share of [0, 0.25, 0.5, 0.75, 1])
    doc
      .lineWidth(0.3)
      .moveTo(x(share), top - 3 * MM)
      .lineTo(x(share), bottom - 3 * MM)
      .stroke(COLOURS.line);
  rows.forEach(({ name, words, value, low, high, bounds }, i) => {
    const y = top + i * ROW;
    writeLine(doc, name, left, y + 1.2 * MM, { size: 9, weight: 700, width: from - left - 3 * MM });
    writeLine(doc, words, right, y + 1.2 * MM, { size: 8.5, anchor: 'end', width: right - to - 3 * MM });
    if (bounds)
      doc.rect(x(bounds.low), y - 1.8 * MM, Math.max(0.5, x(bounds.high) - x(bounds.low)), 3.6 * MM).fill(COLOURS.band);
    if (low !== null && high !== null) doc.lineWidth(1.4).moveTo(x(low), y).lineTo(x(high), y).stroke(COLOURS.ink);
    if (value !== null)
      doc
        .circle(x(value), y, 1.3 * MM)
        .lineWidth(0.8)
        .fillAndStroke(COLOURS.life, COLOURS.ink);
  });
  return bottom + 1.5 * MM;
}
