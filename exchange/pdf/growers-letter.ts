import { COLOURS } from '@/core/drawing/colours';
import type { GrowersLetter } from '@/core/findings/report/growers-letter';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { type Paper, SHEETS } from '@/core/units/paper';
import { type Doc, makePdf, MM, writeLine, writeParagraph } from './document';

const STATES = { alive: 'lives', dead: 'died', unknown: 'not heard of' } as const;
const LINE = 7 * MM;

/** A letter for each grower, on a page of its own; longer lists go on. */
export function growersLetterPdf(letters: readonly GrowersLetter[], paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  const [left, right] = [24 * MM, (width - 24) * MM];
  return makePdf(paper, 'What became of the grafts', (doc) => {
    if (letters.length === 0) {
      doc.addPage();
      writeParagraph(doc, 'Nobody has a plant of these, so there is no letter to write.', left, 40 * MM, {
        size: 12,
        width: right - left,
      });
    }
    for (const letter of letters) letterPages(doc, letter, { left, right, bottom: (height - 24) * MM });
  });
}

interface Edges {
  left: number;
  right: number;
  bottom: number;
}

function letterPages(
  doc: Doc,
  { name, clubName, whose, sentence, own }: GrowersLetter,
  { left, right, bottom }: Edges,
): void {
  const style = { size: 11.5, width: right - left };
  doc.addPage();
  writeLine(doc, clubName, left, 24 * MM, { size: 10, colour: COLOURS.muted });
  let y = writeParagraph(doc, `Dear ${name},`, left, 44 * MM, { ...style, size: 13, weight: 700 }) + 3 * MM;
  y = writeParagraph(doc, `This is what became of the grafts ${whose}. ${sentence}`, left, y, style) + 4 * MM;
  const alive = own.filter(({ state }) => state === 'alive').length;
  const unknown = own.filter(({ state }) => state === 'unknown').length;
  const ask = unknown > 0 ? ` Of ${unknown} we have not heard; a word about them still counts, dead or alive.` : '';
  y =
    writeParagraph(
      doc,
      `Of your ${counted(own.length, 'graft')}, ${alive} ${alive === 1 ? 'lives' : 'live'}.${ask}`,
      left,
      y,
      style,
    ) +
    3 * MM;
  for (const { called, variety, made, state } of own) {
    if (y + LINE > bottom) {
      doc.addPage();
      y = 30 * MM;
    }
    const x = left + 4 * MM;
    if (state === 'unknown')
      doc
        .circle(x, y - 1.2 * MM, 1.8 * MM)
        .lineWidth(0.8)
        .dash(1.5, { space: 1 })
        .stroke(COLOURS.ink)
        .undash();
    else doc.circle(x, y - 1.2 * MM, 1.8 * MM).fill(state === 'alive' ? COLOURS.life : COLOURS.ink);
    writeLine(doc, called, left + 10 * MM, y, { size: 11, weight: 700 });
    writeLine(doc, `${variety}, made ${formatDate(made)}`, left + 40 * MM, y, {
      size: 11,
      width: right - left - 74 * MM,
    });
    writeLine(doc, STATES[state], right, y, { size: 11, anchor: 'end' });
    y += LINE;
  }
  if (y + 26 * MM > bottom) {
    doc.addPage();
    y = 30 * MM;
  }
  writeParagraph(
    doc,
    'Thank you for growing them on, and for telling us what you saw. What died teaches as much as what lives.',
    left,
    y + 6 * MM,
    style,
  );
  writeLine(doc, clubName, left, y + 24 * MM, { size: 11.5 });
}
