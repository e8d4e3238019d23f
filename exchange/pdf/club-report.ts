import { COLOURS } from '@/core/drawing/colours';
import type { ClubReport } from '@/core/findings/report/club-report';
import { beyondChance, isRun } from '@/core/findings/years/run-chart';
import { MILESTONE_WORDS } from '@/core/methods/milestones';
import { capital } from '@/core/units/capital';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { type Paper, SHEETS } from '@/core/units/paper';
import { percent, percentRange } from '@/core/units/percent';
import { type Doc, makePdf, MM, paragraphHeight, writeLine, writeParagraph } from './document';
import { paintDrawing } from './paint-drawing';
import { paperRows } from './report-marks';

/** Where a report is being written: pages are begun as they are needed. */
interface Sheet {
  doc: Doc;
  left: number;
  right: number;
  bottom: number;
  y: number;
}

/** Levels of a group that are drawn: best and worst, so that a report stays within four pages. */
const DRAWN_LEVELS = 8;
const DRAWN_COSTS = 3;

/** A club's findings on two to four pages. */
export function clubReportPdf(report: ClubReport, paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  return makePdf(paper, `Findings ${report.whose}, ${report.clubName}`, (doc) => {
    const sheet: Sheet = { doc, left: 18 * MM, right: (width - 18) * MM, bottom: (height - 16) * MM, y: 0 };
    begin(sheet);
    writeLine(doc, report.clubName, sheet.left, 18 * MM, { size: 10, colour: COLOURS.muted });
    writeLine(doc, formatDate(report.madeOn), sheet.right, 18 * MM, { size: 10, colour: COLOURS.muted, anchor: 'end' });
    sheet.y = 28 * MM;
    paragraph(sheet, `What became of the grafts ${report.whose}`, 20, 700);
    doneSection(sheet, report);
    takeSection(sheet, report);
    runSection(sheet, report);
    differsSection(sheet, report);
    heading(sheet, 'What the score foretells, and when they die');
    paragraph(sheet, report.score);
    paragraph(sheet, report.when);
    causesSection(sheet, report);
    teachSection(sheet, report);
    heading(sheet, 'What is not known');
    for (const sentence of report.unknown) paragraph(sheet, `– ${sentence}`);
    if (report.unknown.length === 0) paragraph(sheet, 'Everybody was heard of, and every keeper was judged.');
  });
}

function begin(sheet: Sheet): void {
  sheet.doc.addPage();
  sheet.y = 20 * MM;
}

function room(sheet: Sheet, needed: number): void {
  if (sheet.y + needed > sheet.bottom) begin(sheet);
}

function heading(sheet: Sheet, words: string): void {
  room(sheet, 24 * MM);
  sheet.y += 5 * MM;
  sheet.doc
    .lineWidth(1)
    .moveTo(sheet.left, sheet.y - 5 * MM)
    .lineTo(sheet.right, sheet.y - 5 * MM)
    .stroke(COLOURS.bark);
  writeLine(sheet.doc, words, sheet.left, sheet.y, { size: 13, weight: 700 });
  sheet.y += 6.5 * MM;
}

function paragraph(sheet: Sheet, words: string, size = 10.5, weight: 400 | 700 = 400): void {
  const style = { size, weight, width: sheet.right - sheet.left };
  room(sheet, paragraphHeight(sheet.doc, words, style));
  sheet.y = writeParagraph(sheet.doc, words, sheet.left, sheet.y, style) + 1.5 * MM;
}

function doneSection(sheet: Sheet, { done }: ClubReport): void {
  const methods = done.methods.map(({ name, keepers }) => `${keepers} ${name.toLowerCase()}`).join(', ');
  paragraph(
    sheet,
    `${counted(done.workshops, 'workshop')}, ${counted(done.people, 'grafter')}, ${counted(done.keepers, 'keeper')} handed over${methods ? `: ${methods}` : ''}.`,
  );
}

function takeSection(sheet: Sheet, { take }: ClubReport): void {
  heading(sheet, 'Take');
  paragraph(sheet, take.sentence, 11, 700);
  const rows = [
    ...take.milestones.map((row) => ({ name: MILESTONE_WORDS[row.milestone].name, row })),
    { name: 'Plants', row: take.plants },
    ...(take.varieties ? [{ name: 'Varieties saved', row: take.varieties }] : []),
  ].filter(({ row }) => row.handedOver > 0);
  room(sheet, rows.length * 7 * MM + 12 * MM);
  sheet.y = paperRows(
    sheet.doc,
    rows.map(({ name, row }) => ({
      name,
      words:
        row.rate === null
          ? `${row.unknown} not heard of`
          : `${percent(row.rate)}: ${row.alive} of ${row.alive + row.dead}, ${row.unknown} unknown`,
      value: row.rate,
      low: row.interval?.low ?? null,
      high: row.interval?.high ?? null,
      bounds: row.bounds,
    })),
    sheet.left,
    sheet.right,
    sheet.y + 3 * MM,
  );
  paragraph(
    sheet,
    'Dot: alive of those heard of; line: 95 % interval (Wilson); pale bar: where the truth of all could lie.',
    8.5,
  );
}

/** The method that was made most often, from workshop to workshop; the page has the others. */
function runSection(sheet: Sheet, { take: { runs } }: ClubReport): void {
  const [first] = runs.filter(({ run: each }) => isRun(each));
  if (!first) return;
  const { run } = first;
  room(sheet, Math.min(run.length, 12) * 7 * MM + 12 * MM);
  sheet.y += 2 * MM;
  paragraph(sheet, `${first.method}, from workshop to workshop:`, 9);
  sheet.y = paperRows(
    sheet.doc,
    run.slice(-12).map(({ title, date, n, alive, point }) => ({
      name: `${formatDate(date)} ${title}`,
      words: `${alive} of ${n}${beyondChance(point) ? `, ${beyondChance(point)} chance` : ''}`,
      value: point.rate,
      low: null,
      high: null,
      bounds: point.lower === null ? null : { low: point.lower, high: point.upper! },
    })),
    sheet.left,
    sheet.right,
    sheet.y + 3 * MM,
  );
  paragraph(sheet, 'Each workshop, with what chance and the usual differences between workshops do (pale).', 8.5);
}

function differsSection(sheet: Sheet, { differs }: ClubReport): void {
  heading(sheet, 'What explains the differences');
  if (!differs) return paragraph(sheet, 'Too little is known to weigh lots, days and hands at once.');
  paragraph(sheet, differs.sentence, 10.5, 700);
  const group = differs.groups.find(({ group: name }) => name === 'wood_lot') ?? differs.groups[0];
  if (!group) return;
  const half = DRAWN_LEVELS / 2;
  const { levels } = group;
  const shown = levels.length <= DRAWN_LEVELS ? levels : [...levels.slice(0, half), ...levels.slice(-half)];
  room(sheet, shown.length * 7 * MM + 12 * MM);
  sheet.y = paperRows(
    sheet.doc,
    shown.map(({ short: name, take, low, high, alive, known }) => ({
      name: capital(name),
      words: `${percent(take)} (${percentRange({ low, high })}), counted ${alive} of ${known}`,
      value: take,
      low,
      high,
    })),
    sheet.left,
    sheet.right,
    sheet.y + 3 * MM,
  );
  const left = levels.length > shown.length ? ` The ${levels.length - shown.length} in between are left out.` : '';
  paragraph(sheet, `${capital(group.words)}: take of an otherwise average union, with its 90 % interval.${left}`, 8.5);
}

function causesSection(sheet: Sheet, { causes }: ClubReport): void {
  heading(sheet, 'Why they died');
  paragraph(sheet, causes.sentence);
  const counts = causes.counts.map(
    ({ words, count, settled }) => `${words} ${count}${settled ? ` (${settled} settled)` : ''}`,
  );
  if (counts.length > 0) paragraph(sheet, `Of what: ${counts.join(', ')}.`);
  for (const words of causes.shared) paragraph(sheet, `– ${capital(words)}`);
}

function teachSection(sheet: Sheet, { teach }: ClubReport): void {
  heading(sheet, 'What to teach next');
  if (!teach) return paragraph(sheet, 'What faults cost is not known yet.');
  paragraph(sheet, teach.sentence, 10.5, 700);
  const dearest = teach.costs.filter(({ dear }) => dear);
  for (const { name, had, perHundred, dear, taught } of (dearest.length > 0 ? dearest : teach.costs).slice(
    0,
    DRAWN_COSTS,
  )) {
    if (!taught) continue;
    const scale = Math.min(1, (34 * MM) / MM / taught.right.width);
    const drawn = Math.min(30 * MM, taught.right.height * scale * MM);
    room(sheet, Math.max(26 * MM, drawn + 4 * MM));
    const top = sheet.y;
    const fit = Math.min(scale, 30 / taught.right.height);
    paintDrawing(sheet.doc, taught.right, sheet.left, top - 2 * MM, fit);
    const words = `${capital(name)}: ${had} had it${dear ? `, about ${perHundred.toFixed(1)} trees in a hundred` : ''}. ${taught.step} Practise: ${taught.drill}`;
    const at = sheet.left + 40 * MM;
    const end = writeParagraph(sheet.doc, words, at, top + 2 * MM, { size: 10, width: sheet.right - at });
    sheet.y = Math.max(end, top + taught.right.height * fit * MM) + 3 * MM;
  }
}
