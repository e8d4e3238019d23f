import { type Paper, SHEETS } from '@/core/units/paper';
import { COLOURS } from '@/core/drawing/colours';
import type { Method, Technique } from '@/core/methods/method';
import { triggerWords } from '@/core/methods/timetable/trigger-words';
import type { ScoringRule } from '@/core/score/rubric/judge-union';
import { wordedPoints } from '@/core/score/rubric/worded-points';
import type { StepSheet } from '@/core/teach/step-sheets';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { type Doc, makePdf, MM, writeLine, writeParagraph } from './document';
import { paintDrawing } from './paint-drawing';

export interface Handout {
  method: Method;
  technique: Technique;
  steps: StepSheet[];
  /** The rule unions are scored by. */
  rule: ScoringRule;
  unit: LengthUnit;
  /** Calipers it is drawn for, in words. */
  drawnFor: string;
}

const EDGE = 13;
const COLUMNS = 2;
/** Size of the notes to a step, points. */
const NOTE = 7.6;

/** Two pages of one method: its steps with their drawings, then what it is judged by and what comes after. */
export function handoutPdf(handout: Handout, paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  const { method, steps } = handout;
  const onFirst = Math.ceil(steps.length / 2 / COLUMNS) * COLUMNS;
  return makePdf(paper, `${method.name}, handout`, (doc) => {
    doc.addPage();
    writeLine(doc, method.name, EDGE * MM, 19 * MM, { size: 21, weight: 700 });
    const below = writeParagraph(doc, `${method.purpose} ${method.use.when}`, EDGE * MM, 25.5 * MM, {
      size: 9,
      width: (width - 2 * EDGE) * MM,
    });
    drawSteps(doc, 0, steps.slice(0, onFirst), below / MM + 2, height - 14, width);
    foot(doc, handout, 1, width, height);
    doc.addPage();
    const rest = steps.slice(onFirst);
    const split =
      14 + Math.ceil(rest.length / COLUMNS) * Math.min(44, (height - 100) / Math.ceil(rest.length / COLUMNS));
    drawSteps(doc, onFirst, rest, 12, split, width);
    drawAfter(doc, handout, split + 5, width);
    foot(doc, handout, 2, width, height);
  });
}

function drawSteps(doc: Doc, first: number, steps: StepSheet[], top: number, bottom: number, width: number): void {
  const rows = Math.max(1, Math.ceil(steps.length / COLUMNS));
  const tall = (bottom - top) / rows;
  const wide = (width - 2 * EDGE) / COLUMNS;
  steps.forEach((step, i) => {
    const x = EDGE + (i % COLUMNS) * wide;
    const y = top + Math.floor(i / COLUMNS) * tall;
    doc
      .lineWidth(0.4)
      .moveTo(x * MM, y * MM)
      .lineTo((x + wide - 4) * MM, y * MM)
      .stroke(COLOURS.trim);
    writeLine(doc, String(first + i + 1), x * MM, (y + 7) * MM, { size: 17, weight: 700 });
    const room = step.noCut ? 0 : 33;
    if (!step.noCut) {
      const scale = Math.min((room - 1) / step.drawing.width, (tall - 3) / step.drawing.height);
      paintDrawing(
        doc,
        step.drawing,
        (x + wide - 4 - step.drawing.width * scale) * MM,
        (y + 1.5) * MM,
        scale,
        Math.max(4.2, Math.min(6.5, step.drawing.height * scale * 0.13)),
      );
    }
    const words = (wide - room - 14) * MM;
    let at = writeParagraph(doc, step.action, (x + 9) * MM, (y + 5) * MM, { size: 9.4, weight: 700, width: words });
    const figures = step.figures
      .map((figure) => `${figure.name} ${figure.text}${figure.range ? ` (${figure.range})` : ''}`)
      .join(' · ');
    if (figures) at = writeParagraph(doc, figures, (x + 9) * MM, at + 1, { size: 8.8, width: words });
    const room1 = (y + tall - 2) * MM;
    // What does not fit is left to the page of the method: a handout is read with dirty hands.
    for (const [text, weight] of [
      [step.blocks, 700],
      [`Look for: ${step.lookFor}`, 400],
      [step.caution ? `${step.caution.title}: ${step.caution.text}` : null, 400],
    ] as const) {
      if (text && at + heightOf(doc, text, words) < room1)
        at = writeParagraph(doc, text, (x + 9) * MM, at + 1, {
          size: NOTE,
          weight,
          width: words,
          colour: weight === 700 ? COLOURS.ink : COLOURS.muted,
        });
    }
  });
}

function heightOf(doc: Doc, text: string, width: number): number {
  const perLine = doc.font('latin-400').fontSize(NOTE).widthOfString(text) / width;
  return Math.ceil(perLine * 1.1) * NOTE * 1.35 + 2;
}

function drawAfter(doc: Doc, { method, technique, rule, unit }: Handout, top: number, width: number): void {
  const half = (width - 2 * EDGE) / 2;
  writeLine(doc, 'Judged by', EDGE * MM, top * MM, { size: 10, weight: 700 });
  let at = (top + 4) * MM;
  for (const { id, name, good, faults } of wordedPoints(method, rule).filter(({ id }) => (rule.weights[id] ?? 0) > 0))
    at = writeParagraph(
      doc,
      `${name} ${rule.weights[id]}: ${written(good, unit)}${faults.map(({ grade, words }) => `; ${grade}: ${written(words, unit)}`).join('')}`,
      EDGE * MM,
      at,
      {
        size: 6.8,
        width: (half - 5) * MM,
      },
    );
  writeLine(doc, 'Afterwards', (EDGE + half) * MM, top * MM, { size: 10, weight: 700 });
  at = (top + 4) * MM;
  for (const task of technique.aftercare)
    at = writeParagraph(
      doc,
      `${written(task.name, unit)}: ${triggerWords(task.trigger, unit)}`,
      (EDGE + half) * MM,
      at,
      {
        size: 6.8,
        width: (half - 2) * MM,
      },
    );
  writeParagraph(doc, `Alive: ${method.earlySign}. Failing: ${method.failureSign}.`, (EDGE + half) * MM, at + 2, {
    size: 6.8,
    weight: 700,
    width: (half - 2) * MM,
  });
}

function foot(doc: Doc, { method, drawnFor }: Handout, page: number, width: number, height: number): void {
  writeParagraph(
    doc,
    page === 1
      ? method.knifeCaution
      : 'Local rules, the club’s own rules and licensed practice come first. Protected varieties may not be propagated freely.',
    EDGE * MM,
    (height - 10) * MM,
    { size: 6.4, width: (width - 2 * EDGE - 78) * MM, colour: COLOURS.muted },
  );
  writeLine(doc, `${method.name}, ${drawnFor}, page ${page} of 2`, (width - EDGE) * MM, (height - 7) * MM, {
    size: 6.4,
    anchor: 'end',
  });
}
