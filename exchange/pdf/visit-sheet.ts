import type { VisitSheet } from '@/core/aftercare/visits/visit-sheet';
import { COLOURS } from '@/core/drawing/colours';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { type Paper, SHEETS } from '@/core/units/paper';
import { type Doc, makePdf, MM, paragraphHeight, writeLine, writeParagraph } from './document';

const MARGIN = 14;
const SIZE = 10;
const SMALL = 8;
/** Side of a box to tick, points. */
const BOX = 9;

interface Sheet {
  doc: Doc;
  left: number;
  right: number;
  bottom: number;
}

/** One visit on paper: what to bring, then plant by plant in walking order what is done, each with a box to tick. */
export function visitSheetPdf(sheet: VisitSheet, paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  return makePdf(paper, `Visit on ${sheet.on}, ${sheet.site}`, (doc) => {
    const page: Sheet = {
      doc,
      left: MARGIN * MM,
      right: (width - MARGIN) * MM,
      bottom: (height - 20) * MM,
    };
    doc.addPage();
    let y = head(page, sheet);
    for (const row of sheet.rows) y = alongRow(page, row, y);
    for (const plant of sheet.plants) y = plantRows(page, plant, y);
    if (sheet.plants.length + sheet.rows.length === 0)
      writeLine(doc, 'Nothing is due on that day but water, labels and a look.', page.left, y + 5 * MM, { size: SIZE });
    foot(page, height);
  });
}

function head({ doc, left, right }: Sheet, sheet: VisitSheet): number {
  const width = right - left;
  writeLine(doc, `${sheet.site}, ${formatDate(sheet.on)}`, left, 20 * MM, { size: 18, weight: 700, width });
  const tasks = sheet.plants.reduce((sum, plant) => sum + plant.tasks.length, sheet.rows.length);
  writeLine(
    doc,
    `${counted(tasks, 'task')} on ${counted(sheet.plants.length, 'plant')}, about ${sheet.minutes} minutes`,
    left,
    27 * MM,
    { size: 11, width },
  );
  let y = writeParagraph(doc, `Bring: ${sheet.tools.join(', ')}.`, left, 34 * MM, { size: SIZE, weight: 700, width });
  y = writeParagraph(
    doc,
    `On all ${counted(sheet.all, 'plant')}: water where it is dry, read and renew the label, look for pests and bites.`,
    left,
    y,
    { size: SIZE, width },
  );
  return y + 2 * MM;
}

/** One look along a row of plants, with room to write which of them it is. */
function alongRow(page: Sheet, row: VisitSheet['rows'][number], top: number): number {
  const { doc, left, right, bottom } = page;
  const column = left + 32 * MM;
  const width = right - column - 10 * MM;
  const codes = `${counted(row.plants.length, 'plant')}: ${row.plants.map(({ called }) => called).join(', ')}`;
  const tall =
    paragraphHeight(doc, row.name, { size: SIZE, weight: 700, width }) +
    paragraphHeight(doc, codes, { size: SMALL, width });
  let y = top;
  if (y + Math.max(tall, 16 * MM) + 6 * MM > bottom) {
    doc.addPage();
    y = 16 * MM;
  }
  doc.lineWidth(0.5).moveTo(left, y).lineTo(right, y).stroke(COLOURS.line);
  y += 5 * MM;
  writeLine(doc, 'Along the row', left, y, { size: SIZE, weight: 700, width: 30 * MM });
  writeLine(doc, row.workshop, left, y + 5 * MM, { size: SMALL, width: 30 * MM, colour: COLOURS.muted });
  doc
    .lineWidth(1)
    .rect(column, y - BOX + 1, BOX, BOX)
    .stroke(COLOURS.ink);
  let line = writeParagraph(doc, row.name, column + 6 * MM, y, { size: SIZE, weight: 700, width });
  line = writeParagraph(doc, codes, column + 6 * MM, line, { size: SMALL, width, colour: COLOURS.muted });
  return Math.max(line + 4, y + 9 * MM);
}

function plantRows(page: Sheet, plant: VisitSheet['plants'][number], top: number): number {
  const { doc, left, right, bottom } = page;
  const column = left + 32 * MM;
  const width = right - column - 4 * MM;
  const text = (task: VisitSheet['plants'][number]['tasks'][number]): string =>
    `${task.alarm ? 'TAKE OFF NOW: ' : ''}${task.name}${task.place === '' ? '' : ` (${task.place})`}`;
  const small = (task: VisitSheet['plants'][number]['tasks'][number]): string =>
    `until ${formatDate(task.to)}${task.missed === '' ? '' : `; otherwise: ${task.missed}`}`;
  const tall = plant.tasks.reduce(
    (sum, task) =>
      sum +
      paragraphHeight(doc, text(task), { size: SIZE, weight: 700, width: width - 6 * MM }) +
      paragraphHeight(doc, small(task), { size: SMALL, width: width - 6 * MM }) +
      4,
    0,
  );
  let y = top;
  if (y + tall + 6 * MM > bottom) {
    doc.addPage();
    y = 16 * MM;
  }
  doc.lineWidth(0.5).moveTo(left, y).lineTo(right, y).stroke(COLOURS.line);
  y += 5 * MM;
  writeLine(doc, plant.called, left, y, { size: 13, weight: 700, width: 30 * MM });
  writeLine(doc, plant.variety, left, y + 5 * MM, { size: SIZE, width: 30 * MM });
  writeLine(doc, `on ${plant.stockType}`, left, y + 9 * MM, { size: SMALL, width: 30 * MM, colour: COLOURS.muted });
  const made = [...new Set(plant.tasks.map(({ method }) => method))].join(', ');
  const foot = writeParagraph(doc, made, left, y + 12.5 * MM, { size: 7, width: 30 * MM, colour: COLOURS.muted });
  let line = y;
  for (const task of plant.tasks) {
    doc
      .lineWidth(1)
      .rect(column, line - BOX + 1, BOX, BOX)
      .stroke(task.alarm ? COLOURS.loud : COLOURS.ink);
    line = writeParagraph(doc, text(task), column + 6 * MM, line, {
      size: SIZE,
      weight: 700,
      width: width - 6 * MM,
      colour: task.alarm ? COLOURS.loud : COLOURS.ink,
    });
    line = writeParagraph(doc, small(task), column + 6 * MM, line, {
      size: SMALL,
      width: width - 6 * MM,
      colour: COLOURS.muted,
    });
    line += 4;
  }
  return Math.max(line, foot + 2);
}

function foot({ doc, left, right }: Sheet, height: number): void {
  writeLine(
    doc,
    'Blades closed or down before hands meet; cut away from the body and from the hand that holds. Local rules come first.',
    left,
    (height - 9) * MM,
    { size: SMALL, colour: COLOURS.muted, width: right - left },
  );
}
