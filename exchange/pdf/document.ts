import { type Paper, SHEETS, WALL_SHEETS, type WallPaper } from '@/core/units/paper';
import { COLOURS } from '@/core/drawing/colours';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';

export type Weight = 400 | 700;
export type Doc = InstanceType<typeof PDFDocument>;

export const MM = 72 / 25.4;

const fontFile = (subset: 'latin' | 'latin-ext', weight: Weight): string =>
  join(process.cwd(), 'assets', 'fonts', `atkinson-hyperlegible-next-${subset}-${weight}-normal.ttf`);

/**
 * A PDF made by `draw`, with the product's fonts embedded. Lengths below are in points as the
 * library has them; use {@link MM}.
 */
export function makePdf(paper: Paper | WallPaper, title: string, draw: (doc: Doc) => void): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const { width, height } = { ...SHEETS, ...WALL_SHEETS }[paper];
    const doc = new PDFDocument({
      size: [width * MM, height * MM],
      margin: 0,
      autoFirstPage: false,
      info: { Title: title, Producer: 'Pear Bench', Creator: 'Pear Bench' },
    });
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
    for (const weight of [400, 700] as const) {
      doc.registerFont(`latin-${weight}`, fontFile('latin', weight));
      doc.registerFont(`latin-ext-${weight}`, fontFile('latin-ext', weight));
    }
    draw(doc);
    doc.end();
  });
}

export interface TextStyle {
  size: number;
  weight?: Weight;
  colour?: string;
  /** Widest the line may become, points; longer text is cut with an ellipsis. */
  width?: number;
  anchor?: 'start' | 'middle' | 'end';
}

/** The font ships as two files by script; a line is set in stretches of one or the other. */
function stretches(text: string): { text: string; subset: 'latin' | 'latin-ext' }[] {
  const list: { text: string; subset: 'latin' | 'latin-ext' }[] = [];
  for (const character of text) {
    const code = character.codePointAt(0)!;
    const subset = code > 0xff && code < 0x2000 ? 'latin-ext' : 'latin';
    const last = list.at(-1);
    if (last?.subset === subset) last.text += character;
    else list.push({ text: character, subset });
  }
  return list;
}

export function textWidth(doc: Doc, text: string, { size, weight = 400 }: TextStyle): number {
  return stretches(text).reduce(
    (sum, part) => sum + doc.font(`${part.subset}-${weight}`).fontSize(size).widthOfString(part.text),
    0,
  );
}

/** A box to tick, by its upper left corner. */
export function tickBox(doc: Doc, x: number, y: number, size: number): void {
  doc.lineWidth(0.8).rect(x, y, size, size).stroke(COLOURS.ink);
}

/** A thin rule across a page. */
export function rule(doc: Doc, from: number, to: number, y: number, colour: string): void {
  doc.lineWidth(0.3).moveTo(from, y).lineTo(to, y).stroke(colour);
}

/** Writes one line with its baseline at `y`. */
export function writeLine(doc: Doc, text: string, x: number, y: number, style: TextStyle): void {
  let shown = text;
  if (style.width !== undefined && textWidth(doc, shown, style) > style.width) {
    while (shown.length > 1 && textWidth(doc, `${shown}…`, style) > style.width) shown = shown.slice(0, -1);
    shown = `${shown.trimEnd()}…`;
  }
  const { size, weight = 400, colour = COLOURS.ink, anchor = 'start' } = style;
  let at = x - (anchor === 'start' ? 0 : textWidth(doc, shown, style) * (anchor === 'middle' ? 0.5 : 1));
  for (const part of stretches(shown)) {
    doc
      .font(`${part.subset}-${weight}`)
      .fontSize(size)
      .fillColor(colour)
      .text(part.text, at, y, { lineBreak: false, baseline: 'alphabetic' });
    at += doc.widthOfString(part.text);
  }
}

/** Text as the lines it takes in a width. */
function linesOf(doc: Doc, text: string, style: TextStyle & { width: number }): string[] {
  const lines: string[] = [];
  const space = textWidth(doc, ' ', style);
  let line = '';
  let wide = 0;
  // Each word is measured once: fonts of the PDF library are slow to measure.
  for (const word of text.split(' ')) {
    const own = textWidth(doc, word, style);
    if (line && wide + space + own > style.width) {
      lines.push(line);
      [line, wide] = [word, own];
    } else [line, wide] = line ? [`${line} ${word}`, wide + space + own] : [word, own];
  }
  return line ? [...lines, line] : lines;
}

const LEADING = 1.35;

/** How tall text over several lines is, points. */
export function paragraphHeight(doc: Doc, text: string, style: TextStyle & { width: number }): number {
  return linesOf(doc, text, style).length * style.size * LEADING;
}

/** Writes text over several lines and returns the y below it. */
export function writeParagraph(
  doc: Doc,
  text: string,
  x: number,
  y: number,
  style: TextStyle & { width: number },
): number {
  const lines = linesOf(doc, text, style);
  // Lines that fit are not cut with an ellipsis.
  const whole = { ...style, width: undefined };
  lines.forEach((line, i) => writeLine(doc, line, x, y + i * style.size * LEADING, whole));
  return y + lines.length * style.size * LEADING;
}
