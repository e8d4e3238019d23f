import { COLOURS } from '@/core/drawing/colours';
import { type Paper, SHEETS } from '@/core/units/paper';
import { makePdf, MM, rule, tickBox, writeLine, writeParagraph } from './document';

/** A plant of a bed list, its words ready. */
export interface BedListPlant {
  spot: string;
  code: string;
  variety: string;
  /** How it was made. */
  made: string;
  /** What to look for. */
  question: string;
  /** Nothing can be seen of it yet, or nothing is asked any more. */
  resting: boolean;
}

export interface BedList {
  title: string;
  intro: string;
  answers: readonly string[];
  growth: string;
  plants: readonly BedListPlant[];
}

const MARGIN = 14;
const LINE = 12;

/** What stands in a place, in planting order, to be looked at and ticked: a line a plant, what to look for beside it. */
export function bedListPdf(list: BedList, paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  return makePdf(paper, list.title, (doc) => {
    const [left, right] = [MARGIN * MM, (width - MARGIN) * MM];
    const boxes = left + 104 * MM;
    const step = (right - boxes) / (list.answers.length + 1);
    let y = 0;
    const page = (): void => {
      doc.addPage();
      writeLine(doc, list.title, left, 18 * MM, { size: 18, weight: 700, width: right - left });
      y = writeParagraph(doc, list.intro, left, 24 * MM, { size: 10, width: right - left, colour: COLOURS.muted }) + 16;
      [...list.answers, list.growth].forEach((words, i) =>
        writeParagraph(doc, words, boxes + i * step, y, { size: 7.5, width: step - 5 }),
      );
      y += 11 * MM;
    };
    page();
    for (const { spot, code, variety, made, question, resting } of list.plants) {
      if (y > (height - 16) * MM) page();
      writeLine(doc, spot, left, y, { size: 9, width: 24 * MM });
      writeLine(doc, code, left + 25 * MM, y, { size: 13, weight: 700 });
      writeLine(doc, variety, left + 48 * MM, y - 6, { size: 9, width: 54 * MM });
      writeLine(doc, made, left + 48 * MM, y + 3, { size: 7.5, width: 54 * MM });
      writeLine(doc, question, left + 48 * MM, y + 12, { size: 7.5, width: 54 * MM, colour: COLOURS.muted });
      if (!resting) {
        list.answers.forEach((_, i) => tickBox(doc, boxes + i * step, y - 4.5 * MM, 5 * MM));
        doc
          .lineWidth(0.6)
          .moveTo(boxes + list.answers.length * step, y)
          .lineTo(right, y)
          .stroke(COLOURS.ink);
      }
      rule(doc, left, right, y + 5.4 * MM, COLOURS.trim);
      y += LINE * MM;
    }
  });
}
