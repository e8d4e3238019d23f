import { type Paper, SHEETS } from '@/core/units/paper';
import { COLOURS } from '@/core/drawing/colours';
import { exampleMeasures } from '@/core/methods/example-measures';
import { figuresOf } from '@/core/methods/field';
import type { Method } from '@/core/methods/method';
import type { ScoringRule } from '@/core/score/rubric/judge-union';
import { wordedPoints } from '@/core/score/rubric/worded-points';
import { formatDate } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { type Doc, makePdf, MM, writeLine, writeParagraph } from './document';
import { paintDrawing } from './paint-drawing';
import { USUAL_THRESHOLDS } from '@/core/methods/thresholds';

export interface ScoreSheet {
  method: Method;
  /** The rule it will be scored by: the points are called as the club calls them. */
  rule: ScoringRule;
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
  const { width: sheetWidth, height: sheetHeight } = SHEETS[paper];
  const perSheet = Math.floor((sheetHeight - 92) / ROW);
  // Two rows a seat to start with, then blank ones to fill the last sheet.
  const rows = sheet.seats.flatMap((seat) => [1, 2].map(() => seat));
  const sheets = Math.max(1, Math.ceil(rows.length / perSheet));
  return makePdf(paper, `Score sheet, ${sheet.title}`, (doc) => {
    for (let page = 0; page < sheets; page++) {
      doc.addPage();
      drawHead(doc, sheet, sheetWidth, `${page + 1} of ${sheets}`);
      for (let i = 0; i < perSheet; i++)
        drawRow(doc, sheet, rows[page * perSheet + i] ?? null, (84 + i * ROW) * MM, sheetWidth);
    }
  });
}

function drawHead(doc: Doc, { method, rule, title, date, unit }: ScoreSheet, sheetWidth: number, page: string): void {
  const left = 14 * MM;
  const right = (sheetWidth - 14) * MM;
  writeLine(doc, title, left, 18 * MM, { size: 16, weight: 700, width: right - left - 30 * MM });
  writeLine(doc, `${method.name}, ${formatDate(date)}`, left, 24 * MM, { size: 11 });
  writeLine(doc, `sheet ${page}`, right, 18 * MM, { size: 10, anchor: 'end' });
  writeLine(doc, 'Assessor ____________________   Filled in on ______________ at ______', left, 31 * MM, { size: 10 });
  writeParagraph(
    doc,
    `Lengths in ${unit === 'mm' ? 'mm' : 'inches'}. ${picksInWords(method, unit)} Ring a letter only where something is wrong, and write p poor, r recut or f fatal beside it.`,
    left,
    37 * MM,
    { size: 8.5, width: 118 * MM },
  );
  const { side, lines } = method.assess(
    figuresOf(method.fields, exampleMeasures(method)),
    {},
    USUAL_THRESHOLDS,
    rule.schools ?? {},
  );
  const drawings = [side({ unit }), lines({ unit })];
  // Side by side in the room that the head leaves, 66 by 70 mm.
  const scale = Math.min(66 / (drawings[0]!.width + drawings[1]!.width), ...drawings.map(({ height }) => 70 / height));
  paintDrawing(doc, drawings[0]!, right - 66 * MM, 9 * MM, scale);
  paintDrawing(doc, drawings[1]!, right - 66 * MM + drawings[0]!.width * scale * MM, 9 * MM, scale);
  writeParagraph(doc, method.knifeCaution, left, 58 * MM, { size: 8, width: 118 * MM, colour: COLOURS.muted });
}

/** What to write for each field that is picked: the number of the pick. */
function picksInWords(method: Method, unit: LengthUnit): string {
  return method.fields
    .filter(({ place }) => place === 'picked')
    .map(
      ({ short, picks }) =>
        `${short}: ${picks!.map(({ words }, i) => `${i + 1} ${written(words, unit).toLowerCase()}`).join(', ')}.`,
    )
    .join(' ');
}

function drawRow(
  doc: Doc,
  { method, rule }: ScoreSheet,
  seat: { number: number; name: string } | null,
  y: number,
  sheetWidth: number,
): void {
  const left = 14 * MM;
  const right = (sheetWidth - 14) * MM;
  doc.lineWidth(0.3).moveTo(left, y).lineTo(right, y).stroke(COLOURS.trim);
  writeLine(doc, seat ? `${seat.number}-` : '   -', left, y + 7 * MM, { size: 14, weight: 700 });
  writeLine(doc, seat?.name ?? '', left, y + 12 * MM, { size: 7, width: 24 * MM });
  const boxes = method.fields.filter(({ place }) => place !== 'further').map(({ short }) => short.toLowerCase());
  const step = (right - left - 26 * MM) / boxes.length;
  boxes.forEach((name, i) => {
    const x = left + 26 * MM + i * step;
    writeLine(doc, name, x, y + 3.4 * MM, { size: 6.5, colour: COLOURS.muted });
    doc
      .lineWidth(0.5)
      .rect(x, y + 4.4 * MM, step - 2 * MM, 6.4 * MM)
      .stroke(COLOURS.ink);
  });
  const judged = wordedPoints(method, rule).filter(
    ({ stage, measured, faults }) => stage === 'joined' && !measured && faults.length > 0,
  );
  const gap = (right - left - 26 * MM) / judged.length;
  judged.forEach((point, i) => {
    const x = left + 26 * MM + i * gap;
    doc
      .lineWidth(0.4)
      .circle(x + 2.4 * MM, y + 15 * MM, 2.2 * MM)
      .stroke(COLOURS.ink);
    writeLine(doc, point.letter.toUpperCase(), x + 2.4 * MM, y + 16.1 * MM, { size: 8, weight: 700, anchor: 'middle' });
    writeLine(doc, point.name, x, y + 20.4 * MM, { size: 6, colour: COLOURS.muted, width: gap - 2 });
  });
}
