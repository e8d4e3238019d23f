import { type Paper, SHEETS } from '@/core/units/paper';
import { COLOURS } from '@/core/drawing/colours';
import type { Method, Technique } from '@/core/methods/method';
import { triggerWords } from '@/core/methods/timetable/trigger-words';
import type { ScoringRule } from '@/core/score/rubric/judge-union';
import { wordedPoints } from '@/core/score/rubric/worded-points';
import type { StepBody } from '@/core/teach/step-bodies';
import type { StepSheet } from '@/core/teach/step-sheets';
import type { LengthUnit } from '@/core/units/length';
import type { WrapPicture } from '@/core/drawing/wrap-lesson';
import type { DisplayList } from '@/core/drawing/display-list';
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
/** Pages of a handout. */
const MOST_PAGES = 4;
/** Heights of the drawings of a step that are tried, mm. */
const HEIGHTS = [52, 48, 44, 40, 36];
/** The same where nothing is cut, and only a sign is to be seen. */
const DRAWN_SIGN = 32;
/** Room for that drawing beside the words, mm. */
const BESIDE = 34;
/** Where columns begin below a page's head and end above its foot, mm from the edges. */
const TOP = { first: 34, other: 13 };
const BOTTOM = 16;

interface Block {
  /** How tall it is, points. */
  height: number;
  /** Puts it down with its left upper corner here, points. */
  paint: (x: number, y: number) => void;
}

/** Two to four pages of one method: each step with its drawings first, then what it is judged by and what comes after. */
export function handoutPdf(handout: Handout, paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  const { method } = handout;
  const wide = ((width - 2 * EDGE - GUTTER) / 2) * MM;
  const end = (height - BOTTOM) * MM;
  return makePdf(paper, `${method.name}, handout`, (doc) => {
    const laid = HEIGHTS.map((drawn) => laidOut(blocksOf(doc, handout, wide, drawn), end));
    // Drawings as large as four pages allow.
    const pages = laid.find((columns) => columns.length <= 2 * MOST_PAGES) ?? laid.at(-1)!;
    doc.addPage();
    writeLine(doc, method.name, EDGE * MM, 19 * MM, { size: 21, weight: 700 });
    writeParagraph(doc, `${method.purpose} ${method.use.when}`, EDGE * MM, 25 * MM, {
      size: WORDS,
      width: (width - 2 * EDGE) * MM,
    });
    pages.forEach((column, i) => {
      if (i > 0 && i % 2 === 0) doc.addPage();
      for (const { block, y } of column) block.paint(EDGE * MM + (i % 2) * (wide + GUTTER * MM), y);
      if (i % 2 === 1 || i === pages.length - 1) foot(doc, handout, Math.floor(i / 2) + 1, width, height);
    });
  });
}

function blocksOf(doc: Doc, handout: Handout, wide: number, drawn: number): Block[] {
  const { steps, bodies } = handout;
  return [
    ...steps.flatMap((step, i) => [
      stepBlock(doc, { step, body: bodies[i] ?? null, number: i + 1, caution: cautionAt(steps, i), drawn }, wide),
      ...(step.wrap ? [wrapBlock(doc, step.wrap, wide)] : []),
    ]),
    ...afterBlocks(doc, handout, wide),
  ];
}

/** Blocks in columns, two a page: each with how far below the page's upper edge it begins, points. */
function laidOut(blocks: readonly Block[], end: number): { block: Block; y: number }[][] {
  const columns: { block: Block; y: number }[][] = [[]];
  let y = TOP.first * MM;
  for (const block of blocks) {
    if (y + block.height > end && columns.at(-1)!.length > 0) {
      columns.push([]);
      y = (columns.length <= 2 ? TOP.first : TOP.other) * MM;
    }
    columns.at(-1)!.push({ block, y });
    y += block.height;
  }
  return columns;
}

/** Height of a moment of wrapping, mm. */
const WRAPPED = 27;

/** The wrap turn by turn, two beside one another; its faults in words. */
function wrapBlock(doc: Doc, pictures: readonly WrapPicture[], wide: number): Block {
  const style = { size: WORDS, width: (wide - 4 * MM) / 2 };
  const right = pictures.filter(({ wrong }) => !wrong);
  const faults = pictures.filter(({ wrong }) => wrong).map(({ caption }) => caption);
  const rows = [right.slice(0, 2), right.slice(2, 4)];
  const rowHeight = (row: readonly WrapPicture[]): number =>
    (WRAPPED + 4) * MM + Math.max(...row.map(({ caption }) => paragraphHeight(doc, caption, style)), 0);
  const said = `Not so: ${faults.join(' ')}`;
  const whole = { size: WORDS, width: wide };
  return {
    height: rows.reduce((sum, row) => sum + rowHeight(row), 0) + paragraphHeight(doc, said, whole) + 5 * MM,
    paint: (x, y) => {
      let top = y;
      for (const row of rows) {
        row.forEach(({ drawing, caption }, i) => {
          const left = x + i * (style.width + 4 * MM);
          const scale = WRAPPED / drawing.height;
          paintDrawing(doc, drawing, left + (style.width - drawing.width * scale * MM) / 2, top, scale, WORDS);
          writeParagraph(doc, caption, left, top + (WRAPPED + 3) * MM, style);
        });
        top += rowHeight(row);
      }
      writeParagraph(doc, said, x, top + 2 * MM, whole);
    },
  };
}

interface PrintedStep {
  step: StepSheet;
  body: StepBody | null;
  number: number;
  caution: string | null;
  /** Height of its drawings, mm. */
  drawn: number;
}

/** A caution in full where it comes first; later it is named, with the step that has it. */
function cautionAt(steps: readonly StepSheet[], at: number): string | null {
  const { caution } = steps[at]!;
  if (!caution) return null;
  const first = steps.findIndex((step) => step.caution?.title === caution.title);
  return first === at ? `${caution.title}: ${caution.text}` : `${caution.title}: as at step ${first + 1}.`;
}

/**
 * A step: its number, its drawings, and beneath them what is done and looked for; where nothing is cut, the drawing
 * stands beside the words.
 */
function stepBlock(doc: Doc, { step, body, number, caution, drawn: asked }: PrintedStep, wide: number): Block {
  const seen = body ? [body.right] : [];
  const drawings = step.noCut ? [body?.right ?? step.drawing] : [...seen, step.drawing];
  const indent = 9 * MM;
  const beside = step.noCut ? BESIDE * MM : 0;
  const lines = linesOf(step, caution, wide - indent - beside);
  const said = lines.reduce((sum, line) => sum + paragraphHeight(doc, line.text, line.style) + 1, 0);
  const place = step.noCut ? { left: wide - beside, wide: beside } : { left: 0, wide: wide / drawings.length };
  const tallest = step.noCut ? DRAWN_SIGN : asked;
  const scaleOf = ({ width, height }: DisplayList): number => Math.min(tallest / height, place.wide / MM / width);
  // Wide wood is drawn less tall than there would be room for.
  const drawn = (Math.max(...drawings.map((drawing) => drawing.height * scaleOf(drawing))) + 2) * MM;
  return {
    height: (step.noCut ? Math.max(drawn, said + 3 * MM) : drawn + said) + 5 * MM,
    paint: (x, y) => {
      doc
        .lineWidth(0.4)
        .moveTo(x, y)
        .lineTo(x + wide, y)
        .stroke(COLOURS.trim);
      drawings.forEach((drawing, i) => {
        const scale = scaleOf(drawing);
        const left = x + place.left + i * place.wide + (place.wide - drawing.width * scale * MM) / 2;
        paintDrawing(doc, drawing, left, y + 1.5 * MM, scale, WORDS);
      });
      const below = y + (step.noCut ? 0 : drawn) + 4.5 * MM;
      writeLine(doc, String(number), x, below + 2, { size: 17, weight: 700 });
      let at = below;
      for (const line of lines) at = writeParagraph(doc, line.text, x + indent, at, line.style) + 1;
    },
  };
}

/** What is said of a step, a paragraph each, in words so wide. */
function linesOf(
  step: StepSheet,
  caution: string | null,
  width: number,
): { text: string; style: Parameters<typeof writeParagraph>[4] }[] {
  const style = { size: WORDS, width };
  const bold = { ...style, weight: 700 as const };
  const figures = step.figures
    .map((figure) => `${figure.name} ${figure.text}${figure.range ? ` (${figure.range})` : ''}`)
    .join(' · ');
  return [
    { text: step.action, style: { ...bold, size: 10.5 } },
    ...(figures ? [{ text: figures, style: bold }] : []),
    ...(step.blocks ? [{ text: step.blocks, style: bold }] : []),
    { text: `Look for: ${step.lookFor}`, style },
    ...(caution ? [{ text: caution, style }] : []),
  ];
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
