import { type Paper, SHEETS } from '@/core/units/paper';
import { COLOURS } from '@/core/drawing/colours';
import { linesOnCard } from '@/core/score/cards/card-lines';
import type { CardKeeper, CardUnion, PersonCard } from '@/core/score/cards/person-card';
import { formatCode } from '@/core/codes/plant-code';
import { thumbnail } from '@/core/drawing/thumbnail';
import { unionGlyph } from '@/core/drawing/union-glyph';
import type { FaultShown } from '@/core/teach/fault-shown';
import { formatDate } from '@/core/units/iso-date';
import { type Doc, makePdf, MM, writeLine, writeParagraph } from './document';
import { paintDrawing } from './paint-drawing';

/** Largest enlargement of a drawing on a card. */
const MOST_SCALE = 2.2;

/** A card for each person at the end of the day: a page, and more where what is due does not fit on it. */
export function personCardsPdf(cards: readonly PersonCard[], paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  const [left, right] = [16 * MM, (width - 16) * MM];
  const title = cards.length === 1 ? `Card of ${cards[0]!.name}` : `Cards, ${cards[0]?.workshop ?? ''}`;
  return makePdf(paper, title, (doc) => {
    for (const card of cards) {
      doc.addPage();
      writeLine(doc, card.name, left, 22 * MM, { size: 24, weight: 700, width: right - left - 30 * MM });
      writeLine(doc, `seat ${card.seat}`, right, 22 * MM, { size: 14, weight: 700, anchor: 'end' });
      writeLine(doc, `${card.workshop}, ${formatDate(card.date)}. ${card.method}. ${card.clubName}`, left, 28 * MM, {
        size: 9.5,
        colour: COLOURS.muted,
        width: right - left,
      });
      doc
        .lineWidth(1)
        .moveTo(left, 31 * MM)
        .lineTo(right, 31 * MM)
        .stroke(COLOURS.ink);
      // What the hands made comes first, as large as the page allows.
      let y = unions(doc, card, left, right, 38 * MM);
      y = attempts(doc, card, left, right, y + 7 * MM);
      y = training(doc, card, left, right, y + 7 * MM);
      home(doc, card, left, right, y + 7 * MM, height * MM);
    }
  });
}

/** All unions as glyphs over their scores, and both curves over the attempts. */
function attempts(doc: Doc, { unions, ready }: PersonCard, left: number, right: number, top: number): number {
  if (unions.length === 0) {
    writeLine(doc, 'No practice union was scored.', left, top + 4 * MM, { size: 11 });
    return top + 6 * MM;
  }
  const half = left + (right - left) * 0.52;
  writeLine(doc, 'Your practice unions', left, top, { size: 12, weight: 700 });
  const step = Math.min(12 * MM, (half - left) / Math.max(1, unions.length));
  for (const [i, union] of unions.entries()) {
    const x = left + i * step;
    const glyph = unionGlyph(union.glyph);
    paintDrawing(doc, glyph, x, top + 3 * MM, Math.min(0.8, (step / MM / glyph.width) * 0.9), 5);
    writeLine(doc, union.score === null ? '–' : String(Math.round(union.score)), x + step * 0.36, top + 17 * MM, {
      size: 9,
      weight: 700,
      anchor: 'middle',
    });
  }
  const lastWords = unions.at(-1)!;
  writeParagraph(
    doc,
    `${unions.length} scored; the last one: ${lastWords.words}. ${ready ? 'Ready for living wood.' : 'Not at the line of readiness yet.'} Thick green is where the lines met.`,
    left,
    top + 23 * MM,
    { size: 8.5, width: half - left - 4 * MM },
  );
  curves(doc, unions, half + 6 * MM, right, top);
  return top + 32 * MM;
}

function curves(doc: Doc, unions: CardUnion[], left: number, right: number, top: number): void {
  const [x0, x1, y0, y1] = [left + 8 * MM, right, top + 26 * MM, top + 2 * MM];
  const x = (i: number): number => (unions.length === 1 ? (x0 + x1) / 2 : x0 + ((x1 - x0) * i) / (unions.length - 1));
  const y = (share: number): number => y0 - (y0 - y1) * share;
  for (const share of [0, 0.5, 1]) {
    doc.lineWidth(0.3).moveTo(x0, y(share)).lineTo(x1, y(share)).stroke(COLOURS.line);
    writeLine(doc, String(share * 100), x0 - 1.5 * MM, y(share) + 1 * MM, {
      size: 7,
      anchor: 'end',
      colour: COLOURS.muted,
    });
  }
  const line = (values: (number | null)[], colour: string, dash: number | null): void => {
    const known = values.flatMap((value, i) => (value === null ? [] : [[x(i), y(value)] as const]));
    known.forEach(([px, py], i) => (i === 0 ? doc.moveTo(px, py) : doc.lineTo(px, py)));
    if (dash) doc.dash(dash, { space: dash });
    if (known.length > 1) doc.lineWidth(1.4).stroke(colour);
    doc.undash();
    for (const [px, py] of known) doc.circle(px, py, 1.5).fill(colour);
  };
  line(
    unions.map(({ contact }) => contact),
    COLOURS.life,
    2.5,
  );
  line(
    unions.map(({ score }) => (score === null ? null : score / 100)),
    COLOURS.ink,
    null,
  );
  writeLine(doc, 'score, whole line; contact in %, broken line', x1, y0 + 4.5 * MM, {
    size: 7.5,
    anchor: 'end',
    colour: COLOURS.muted,
  });
}

/** First against last, to one scale. */
function unions(doc: Doc, { first, last }: PersonCard, left: number, right: number, top: number): number {
  const shown = [first && { ...first, head: 'First' }, last && { ...last, head: 'Last' }].flatMap((card) => card ?? []);
  if (shown.length === 0) return top;
  const [high, wide] = [80 * MM, (right - left) / 2];
  const scale = Math.min(
    MOST_SCALE,
    ...shown.map(({ side, lines }) =>
      Math.min(high / MM / Math.max(side.height, lines.height), (wide / MM - 14) / (side.width + lines.width)),
    ),
  );
  for (const [i, { head, union, side, lines }] of shown.entries()) {
    const x = left + i * wide;
    writeLine(
      doc,
      `${head}, attempt ${union.number}: ${union.score === null ? 'not scored' : Math.round(union.score)}`,
      x,
      top,
      { size: 12, weight: 700 },
    );
    writeLine(doc, union.words, x, top + 5 * MM, { size: 9, width: wide - 6 * MM });
    paintDrawing(doc, side, x + 4 * MM, top + 9 * MM, scale);
    paintDrawing(doc, lines, x + (side.width * scale + 12) * MM, top + 9 * MM, scale);
  }
  return top + 9 * MM + Math.max(...shown.map(({ side, lines }) => Math.max(side.height, lines.height))) * scale * MM;
}

function training(doc: Doc, { train, unions: all }: PersonCard, left: number, right: number, top: number): number {
  if (all.length === 0) return top;
  writeLine(
    doc,
    train.length === 0
      ? 'Nothing to train in particular: the same again.'
      : train.length === 1
        ? 'What to train'
        : 'Two things to train',
    left,
    top,
    { size: 12, weight: 700 },
  );
  let y = top + 6 * MM;
  const words = { size: 10, width: (right - left) * 0.6 };
  for (const { name, times, outOf, how, shown } of train) {
    doc
      .lineWidth(2)
      .moveTo(left + 1, y - 3 * MM)
      .lineTo(left + 1, y + 4 * MM)
      .stroke(COLOURS.ink);
    writeLine(doc, `${name}, not good in ${times} of your last ${outOf}`, left + 4 * MM, y, { ...words, weight: 700 });
    const below = writeParagraph(doc, how, left + 4 * MM, y + 5 * MM, words);
    if (shown) rightAndWrong(doc, shown, left + 8 * MM + words.width, right, y - 3 * MM);
    y = Math.max(below, shown ? y + STEP_HIGH * MM : 0) + 3 * MM;
  }
  return y - 3 * MM;
}

/** Height a step's pair of drawings has beside the words, mm. */
const STEP_HIGH = 38;

function rightAndWrong(doc: Doc, shown: FaultShown, left: number, right: number, top: number): void {
  const wide = (right - left) / 2;
  const drawings = [thumbnail(shown.right), thumbnail(shown.wrong)];
  const scale = Math.min(
    ...drawings.map(({ width, height }) => Math.min((STEP_HIGH - 4) / height, (wide / MM - 2) / width)),
  );
  for (const [i, { head, colour }] of [
    { head: 'right', colour: COLOURS.ink },
    { head: 'wrong', colour: COLOURS.loud },
  ].entries()) {
    writeLine(doc, head, left + i * wide, top + 2 * MM, { size: 8, weight: 700, colour });
    paintDrawing(doc, drawings[i]!, left + i * wide, top + 4 * MM, scale);
  }
}

/** A keeper by its tag, with what was judged of it; nothing is said of one that nobody judged. */
function keeperWords({ code, variety, stock, place, judged }: CardKeeper): string {
  const score = judged === null || judged.score === null ? '' : ` (${Math.round(judged.score)})`;
  return `${formatCode(code)} ${variety} on ${stock}${place ? `, ${place}` : ''}${score}`;
}

/** What goes home, and all that is due on it by its days; on further pages where the first is full. */
function home(doc: Doc, card: PersonCard, left: number, right: number, top: number, bottom: number): void {
  const { keepers } = card;
  const end = bottom - 14 * MM;
  let y = top;
  writeLine(doc, keepers.length === 0 ? 'Nothing goes home yet.' : 'What goes home with you', left, y, {
    size: 12,
    weight: 700,
  });
  if (keepers.length === 0) return;
  y += 5.5 * MM;
  y = writeParagraph(doc, keepers.map(keeperWords).join('  ·  '), left, y, { size: 9.5, width: right - left }) + 2 * MM;
  for (const { when, what, look } of linesOnCard(card)) {
    if (y > end) {
      doc.addPage();
      writeLine(doc, `${card.name}, seat ${card.seat}: what goes home, continued`, left, 18 * MM, {
        size: 11,
        weight: 700,
      });
      y = 26 * MM;
    }
    const beside = writeParagraph(doc, when, left, y, { size: 8.5, width: 48 * MM });
    const below = writeParagraph(doc, what, left + 52 * MM, y, {
      size: 8.5,
      weight: look ? 700 : 400,
      width: right - left - 52 * MM,
    });
    y = Math.max(below, beside, y + 4.2 * MM) + 0.4 * MM;
  }
}
