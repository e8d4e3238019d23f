import { counted } from '@/core/units/counted';
import { type Paper, SHEETS } from '@/core/units/paper';
import { COLOURS } from '@/core/drawing/colours';
import { type BuyLine, CHLORINE_CAUTION, inUnits } from '@/core/plan/quantities/kit';
import { formatDate } from '@/core/units/iso-date';
import { type Doc, makePdf, MM, writeLine, writeParagraph } from './document';

export interface KitSheet {
  title: string;
  date: string;
  people: number;
  methods: string[];
  lines: BuyLine[];
  problem: string | null;
}

const HEADS: Record<BuyLine['per'], string> = {
  seat: 'At each seat',
  bench: 'At each bench',
  workshop: 'For the workshop',
};

/** The kit list on paper: what lies at each seat, at each bench, what the workshop uses, and what is to be bought, with boxes to tick. */
export function kitListPdf(sheet: KitSheet, paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  const [left, right] = [14 * MM, (width - 14) * MM];
  return makePdf(paper, `Kit, ${sheet.title}`, (doc) => {
    let y = 0;
    const head = (): void => {
      doc.addPage();
      writeLine(doc, `Kit: ${sheet.title}`, left, 18 * MM, { size: 16, weight: 700, width: right - left });
      writeLine(
        doc,
        `${formatDate(sheet.date)}, ${counted(sheet.people, 'person', 'people')}. ${sheet.methods.join('. ')}`,
        left,
        24 * MM,
        {
          size: 9.5,
          width: right - left,
        },
      );
      y = 32 * MM;
    };
    const room = (needed: number): void => {
      if (y + needed > (height - 14) * MM) head();
    };
    head();
    if (sheet.problem) {
      writeParagraph(doc, sheet.problem, left, y, { size: 11, weight: 700, width: right - left });
      return;
    }
    const section = (name: string, rows: { name: string; figure: string; note: string }[]): void => {
      if (rows.length === 0) return;
      room(20 * MM);
      writeLine(doc, name, left, y + 5 * MM, { size: 11.5, weight: 700 });
      y += 8 * MM;
      for (const row of rows) {
        room(6.4 * MM);
        drawRow(doc, row, left, right, y);
        y += 6.4 * MM;
      }
      y += 4 * MM;
    };
    for (const per of ['seat', 'bench', 'workshop'] as const) {
      section(
        HEADS[per],
        sheet.lines
          .filter((line) => line.per === per)
          .map((line) => ({
            name: line.name,
            figure: `${inUnits(line.each ?? line.total, line.unit)}${line.each === null ? '' : `, ${figure(line.total)} in all`}`,
            note: line.note,
          })),
      );
    }
    const buying = sheet.lines.filter(({ buy }) => buy > 0);
    section(
      'To buy',
      buying.map((line) => ({
        name: line.name,
        figure: inUnits(line.buy, line.unit),
        note:
          line.cost === null
            ? `${figure(line.inStore)} in store`
            : `${line.cost.toFixed(2)} at ${line.price!.toFixed(2)} each, ${figure(line.inStore)} in store`,
      })),
    );
    const cost = buying.reduce((sum, line) => sum + (line.cost ?? 0), 0);
    room(16 * MM);
    if (cost > 0)
      writeLine(
        doc,
        `In all ${cost.toFixed(2)}${buying.some((line) => line.cost === null) ? ', without what has no price' : ''}.`,
        left,
        y,
        { size: 10, weight: 700 },
      );
    writeParagraph(doc, CHLORINE_CAUTION, left, y + 6 * MM, { size: 8, width: right - left, colour: COLOURS.muted });
  });
}

function figure(value: number): string {
  return String(Math.round(value * 100) / 100);
}

function drawRow(
  doc: Doc,
  row: { name: string; figure: string; note: string },
  left: number,
  right: number,
  y: number,
): void {
  doc
    .lineWidth(0.6)
    .rect(left, y + 1.2 * MM, 3.2 * MM, 3.2 * MM)
    .stroke(COLOURS.ink);
  writeLine(doc, row.name, left + 6 * MM, y + 4 * MM, { size: 9.5, width: 58 * MM });
  writeLine(doc, row.figure, left + 66 * MM, y + 4 * MM, { size: 9.5, weight: 700, width: 42 * MM });
  writeLine(doc, row.note, left + 110 * MM, y + 4 * MM, {
    size: 7.5,
    colour: COLOURS.muted,
    width: right - left - 110 * MM,
  });
  doc
    .lineWidth(0.2)
    .moveTo(left, y + 6 * MM)
    .lineTo(right, y + 6 * MM)
    .stroke(COLOURS.line);
}
