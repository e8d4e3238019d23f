import { type Paper, SHEETS } from '@/core/units/paper';
import { COLOURS } from '@/core/drawing/colours';
import type { Method, Technique } from '@/core/methods/method';
import { triggerWords } from '@/core/methods/timetable/trigger-words';
import type { ScoringRule } from '@/core/score/rubric/judge-union';
import { wordedPoints } from '@/core/score/rubric/worded-points';
import type { StepBody } from '@/core/teach/step-bodies';
import type { StepSheet } from '@/core/teach/step-sheets';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { type Doc, makePdf, MM, paragraphHeight, writeLine, writeParagraph } from './document';
import { paintDrawing } from './paint-drawing';

export interface Handout {
  method: Method;
  technique: Technique;
  steps: StepSheet[];
  /** The steps as bodies. */
  bodies: readonly StepBody[];
  /** The rule unions are scored by. */
  rule: ScoringRule;
  unit: LengthUnit;
  /** Calipers it is drawn for, in words. */
  drawnFor: string;
}

const EDGE = 13;
/** Between the two columns, mm. */
const GUTTER = 8;
/** Least size of words, points: a handout is read at arm's length with dirty hands. */
const WORDS = 9;
/** Height of the drawings of a step, mm. */
const DRAWN = 46;
/** Where columns begin below a page's head and end above its foot, mm from the edges. */
const TOP = { first: 34, other: 16 };
const BOTTOM = 19;

interface Block {
  /** How tall it is, points. */
  height: number;
  /** Puts it down with its left upper corner here, points. */
  paint: (x: number, y: number) => void;
}

/** Two to four pages of one method: each step with its drawings first, then what it is judged by and what comes after. */
export function handoutPdf(handout: Handout, paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  const { method, steps } = handout;
  const wide = ((width - 2 * EDGE - GUTTER) / 2) * MM;
  return makePdf(paper, `${method.name}, handout`, (doc) => {
    const blocks = [
      ...steps.map((step, i) => stepBlock(doc, step, handout.bodies[i] ?? null, i + 1, wide)),
      ...afterBlocks(doc, handout, wide),
    ];
    doc.addPage();
    writeLine(doc, method.name, EDGE * MM, 19 * MM, { size: 21, weight: 700 });
    writeParagraph(doc, `${method.purpose} ${method.use.when}`, EDGE * MM, 25 * MM, {
      size: WORDS,
      width: (width - 2 * EDGE) * MM,
    });
    let [page, column, top] = [1, 0, TOP.first * MM];
    let y = top;
    const end = (height - BOTTOM) * MM;
    for (const { height: tall, paint } of blocks) {
      if (y + tall > end && y > top) {
        column++;
        if (column > 1) {
          foot(doc, handout, page, width, height);
          doc.addPage();
          page++;
          column = 0;
        }
        top = (page === 1 ? TOP.first : TOP.other) * MM;
        y = top;
      }
      paint(EDGE * MM + column * (wide + GUTTER * MM), y);
      y += tall;
    }
    foot(doc, handout, page, width, height);
  });
}

/** A step: its number, its drawings, and beneath them what is done and looked for. */
function stepBlock(doc: Doc, step: StepSheet, body: StepBody | null, number: number, wide: number): Block {
  const drawings = step.noCut ? [] : [...(body ? [body.right] : []), step.drawing];
  const indent = 9 * MM;
  const style = { size: WORDS, width: wide - indent };
  const figures = step.figures
    .map((figure) => `${figure.name} ${figure.text}${figure.range ? ` (${figure.range})` : ''}`)
    .join(' · ');
  const lines: { text: string; style: Parameters<typeof writeParagraph>[4] }[] = [
    { text: step.action, style: { ...style, size: 10.5, weight: 700 } },
    ...(figures ? [{ text: figures, style: { ...style, weight: 700 as const } }] : []),
    ...(step.blocks ? [{ text: step.blocks, style: { ...style, weight: 700 as const } }] : []),
    { text: `Look for: ${step.lookFor}`, style },
    ...(step.caution ? [{ text: `${step.caution.title}: ${step.caution.text}`, style }] : []),
  ];
  const drawn = drawings.length > 0 ? (DRAWN + 2) * MM : 0;
  const said = lines.reduce((sum, line) => sum + paragraphHeight(doc, line.text, line.style) + 1, 0);
  return {
    height: drawn + said + 5 * MM,
    paint: (x, y) => {
      doc
        .lineWidth(0.4)
        .moveTo(x, y)
        .lineTo(x + wide, y)
        .stroke(COLOURS.trim);
      drawings.forEach((drawing, i) => {
        const share = wide / drawings.length;
        const scale = Math.min(DRAWN / drawing.height, share / MM / drawing.width);
        const left = x + i * share + (share - drawing.width * scale * MM) / 2;
        paintDrawing(doc, drawing, left, y + 1.5 * MM, scale, WORDS * 0.8);
      });
      const below = y + drawn + 4.5 * MM;
      writeLine(doc, String(number), x, below + 2, { size: 17, weight: 700 });
      let at = below;
      for (const line of lines) at = writeParagraph(doc, line.text, x + indent, at, line.style) + 1;
    },
  };
}

/** What it is judged by and what comes after, a block a line so that columns break between them. */
function afterBlocks(doc: Doc, { method, technique, rule, unit }: Handout, wide: number): Block[] {
  const block = (text: string, size: number, weight: 400 | 700, room: number): Block => {
    const style = { size, weight, width: wide } as const;
    return {
      height: paragraphHeight(doc, text, style) + room,
      paint: (x, y) => void writeParagraph(doc, text, x, y + size, style),
    };
  };
  const said = (text: string): Block => block(text, WORDS, 400, 1.5);
  const head = (text: string): Block => block(text, 12, 700, 4);
  return [
    head('Judged by'),
    ...wordedPoints(method, rule)
      .filter(({ id }) => (rule.weights[id] ?? 0) > 0)
      .map(({ id, name, good, faults }) =>
        said(
          `${name} ${rule.weights[id]}: ${written(good, unit)}${faults.map(({ grade, words }) => `; ${grade}: ${written(words, unit)}`).join('')}`,
        ),
      ),
    head('Afterwards'),
    ...technique.aftercare.map((task) => said(`${written(task.name, unit)}: ${triggerWords(task.trigger, unit)}`)),
    block(`Alive: ${method.earlySign}. Failing: ${method.failureSign}.`, WORDS, 700, 2),
    said(method.knifeCaution),
    said(
      'Local rules, the club’s own rules and licensed practice come first. Protected varieties may not be propagated freely.',
    ),
  ];
}

function foot(doc: Doc, { method, drawnFor }: Handout, page: number, width: number, height: number): void {
  writeLine(doc, `${method.name}, ${drawnFor}, page ${page}`, (width - EDGE) * MM, (height - 8) * MM, {
    size: WORDS,
    anchor: 'end',
  });
}
