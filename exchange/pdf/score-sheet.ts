import { faceView } from '@/core/drawing/face-view';
import { sideView } from '@/core/drawing/side-view';
import type { Method } from '@/core/methods/method';
import { pointsAt } from '@/core/scoring/judge-union';
import { exampleMeasures } from '@/core/scoring/example-measures';
import { formatDate } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { type Doc, makePdf, MM, PAPER, type Paper, writeLine, writeParagraph } from './document';
import { paintDrawing } from './paint-drawing';

export interface ScoreSheet {
  method: Method;
  title: string;
  date: string;
  seats: { number: number; name: string }[];
  unit: LengthUnit;
}

const ROW = 22;

/**
 * Blank score sheets: a row a union with room for the measures and a letter for each point to ring
 * when something is wrong, in the order the entry page asks for them.
 */
export function scoreSheetPdf(sheet: ScoreSheet, paper: Paper): Promise<Buffer> {
  const [sheetWidth, sheetHeight] = PAPER[paper];
  const perSheet = Math.floor((sheetHeight - 92) / ROW);
  // Two rows a seat to start with, then blank ones to fill the last sheet.
  const rows = sheet.seats.flatMap((seat) => [1, 2].map(() => seat));
  const sheets = Math.max(1, Math.ceil(rows.length / perSheet));
  return makePdf(paper, `Score sheet, ${sheet.title}`, (doc) => {
    for (let page = 0; page < sheets; page++) {
      doc.addPage();
      drawHead(doc, sheet, sheetWidth, `${page + 1} of ${sheets}`);
      for (let i = 0; i < perSheet; i++) drawRow(doc, sheet, rows[page * perSheet + i] ?? null, (84 + i * ROW) * MM, sheetWidth);
    }
  });
}

function drawHead(doc: Doc, { method, title, date, unit }: ScoreSheet, sheetWidth: number, page: string): void {
  const left = 14 * MM;
  const right = (sheetWidth - 14) * MM;
  writeLine(doc, title, left, 18 * MM, { size: 16, weight: 700, width: right - left - 30 * MM });
  writeLine(doc, `${method.name}, ${formatDate(date)}`, left, 24 * MM, { size: 11 });
  writeLine(doc, `sheet ${page}`, right, 18 * MM, { size: 10, anchor: 'end' });
  writeLine(doc, 'Assessor ____________________   Filled in on ______________ at ______', left, 31 * MM, { size: 10 });
  writeParagraph(doc, `Lengths in ${unit === 'mm' ? 'mm' : 'inches'}. Set: L or R lines met, l or r outsides flush, M middle, or a figure. Hollow: - none, h hairline, o hollow, d deep. Ring a letter only where something is wrong, and write p poor, r recut or f fatal beside it.`, left, 37 * MM, { size: 8.5, width: 118 * MM });
  const measures = exampleMeasures();
  const { union, contact } = method.assess(measures);
  paintDrawing(doc, sideView(union, { unit }), right - 66 * MM, 8 * MM, 0.58);
  paintDrawing(doc, faceView(union, contact, { unit }), right - 38 * MM, 22 * MM, 0.85);
  writeParagraph(doc, method.cautions.knife, left, 58 * MM, { size: 8, width: 118 * MM, colour: '#4c564f' });
}

function drawRow(doc: Doc, { method }: ScoreSheet, seat: { number: number; name: string } | null, y: number, sheetWidth: number): void {
  const left = 14 * MM;
  const right = (sheetWidth - 14) * MM;
  doc.lineWidth(0.3).moveTo(left, y).lineTo(right, y).stroke('#8a938c');
  writeLine(doc, seat ? `${seat.number}-` : '   -', left, y + 7 * MM, { size: 14, weight: 700 });
  writeLine(doc, seat?.name ?? '', left, y + 12 * MM, { size: 7, width: 24 * MM });
  const boxes = ['stock Ø', 'scion Ø', 'stock cut', 'scion cut', 'set', 'hollow st.', 'hollow sc.'];
  const step = (right - left - 26 * MM) / boxes.length;
  boxes.forEach((name, i) => {
    const x = left + 26 * MM + i * step;
    writeLine(doc, name, x, y + 3.4 * MM, { size: 6.5, colour: '#4c564f' });
    doc.lineWidth(0.5).rect(x, y + 4.4 * MM, step - 2 * MM, 6.4 * MM).stroke('#16201a');
  });
  const judged = pointsAt(method, 'joined').filter(({ measured, faults }) => !measured && faults.length > 0);
  const gap = (right - left - 26 * MM) / judged.length;
  judged.forEach((point, i) => {
    const x = left + 26 * MM + i * gap;
    doc.lineWidth(0.4).circle(x + 2.4 * MM, y + 15 * MM, 2.2 * MM).stroke('#16201a');
    writeLine(doc, point.letter.toUpperCase(), x + 2.4 * MM, y + 16.1 * MM, { size: 8, weight: 700, anchor: 'middle' });
    writeLine(doc, point.name, x, y + 20.4 * MM, { size: 6, colour: '#4c564f', width: gap - 2 });
  });
}
