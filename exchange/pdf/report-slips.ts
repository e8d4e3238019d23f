import { type Paper, SHEETS } from '@/core/units/paper';
import { COLOURS } from '@/core/drawing/colours';
import { formatCode } from '@/core/codes/plant-code';
import { makePdf, MM, rule, tickBox, writeLine, writeParagraph } from './document';
import { drawQr } from './qr';

/** A slip, its words ready. */
export interface Slip {
  title: string;
  intro: string;
  question: string;
  until: string;
  /** What can be ticked, from left to right. */
  answers: string[];
  /** A plant with its variety and how it was made. */
  plants: { code: string; variety: string; made: string; ribbon: string }[];
  /** Said beside the square; empty without a link. */
  link: string;
  readBy: string;
  /** Private link, for people who gave leave; null without it. */
  url: string | null;
}

/** One sheet a person: their tags with boxes to tick, to be handed back or read out by phone. */
export function reportSlipsPdf(slips: Slip[], paper: Paper): Promise<Buffer> {
  const { width: sheetWidth, height: sheetHeight } = SHEETS[paper];
  const left = 18 * MM;
  const width = (sheetWidth - 36) * MM;
  return makePdf(paper, 'Report slips', (doc) => {
    for (const slip of slips) {
      doc.addPage();
      let y = 24 * MM;
      writeLine(doc, slip.title, left, y, { size: 18, weight: 700, width: width - 40 * MM });
      y = writeParagraph(doc, slip.intro, left, y + 16, {
        size: 11,
        width: width - 40 * MM,
      });
      if (slip.url) drawQr(doc, slip.url, left + width - 36 * MM, 10 * MM, 28 * MM);
      y = Math.max(y, 50 * MM);
      y = writeParagraph(doc, slip.question, left, y, { size: 13, weight: 700, width });
      y = writeParagraph(doc, [slip.until, slip.link].filter((words) => words !== '').join(' '), left, y + 2, {
        size: 10,
        width,
      });
      y += 8;
      const boxes = left + 62 * MM;
      const step = (width - 62 * MM) / slip.answers.length;
      slip.answers.forEach((answer, i) => writeLine(doc, answer, boxes + i * step, y, { size: 9, width: step - 4 }));
      for (const plant of slip.plants) {
        y += 11 * MM;
        if (y > (sheetHeight - 24) * MM) {
          doc.addPage();
          y = 30 * MM;
        }
        writeLine(doc, formatCode(plant.code), left, y, { size: 14, weight: 700 });
        writeLine(doc, plant.variety, left + 27 * MM, y - 8, { size: 9, width: 34 * MM });
        writeLine(doc, plant.made, left + 27 * MM, y, { size: 7, width: 34 * MM });
        writeLine(doc, plant.ribbon, left + 27 * MM, y + 8, {
          size: 8,
          colour: COLOURS.muted,
          width: 34 * MM,
        });
        slip.answers.forEach((_, i) => tickBox(doc, boxes + i * step, y - 4.5 * MM, 5.5 * MM));
        rule(doc, left, left + width, y + 3.4 * MM, COLOURS.trim);
      }
      writeParagraph(doc, slip.readBy, left, (sheetHeight - 16) * MM, { size: 8, colour: COLOURS.muted, width });
    }
    if (slips.length === 0) {
      doc.addPage();
      writeLine(doc, 'Everybody of this round can be reached by message; there are no slips to print.', left, 30 * MM, {
        size: 12,
      });
    }
  });
}
