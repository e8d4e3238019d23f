import { COLOURS } from '@/core/drawing/colours';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { type Paper, SHEETS } from '@/core/units/paper';
import { makePdf, MM, rule, tickBox, writeLine } from './document';

/** A plant of a planting list. */
export interface ListedPlant {
  code: string;
  variety: string;
  /** How it was made. */
  made: string;
  ribbon: string;
  /** Its spot in words; empty where it has none. */
  spot: string;
  row: number | null;
  doubt: string;
}

const MARGIN = 14;
const LINE = 8.4;

/** What stands in a place, in planting order, on paper: a line a plant with a box to tick, rows under their own headings. */
export function plantingOrderPdf(
  { place, site, on, plants }: { place: string; site: string; on: string; plants: readonly ListedPlant[] },
  paper: Paper,
): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  return makePdf(paper, `Planting order, ${place}`, (doc) => {
    const [left, right] = [MARGIN * MM, (width - MARGIN) * MM];
    let y = 0;
    const page = (): void => {
      doc.addPage();
      writeLine(doc, place, left, 18 * MM, { size: 18, weight: 700, width: right - left });
      writeLine(
        doc,
        `${site}, ${formatDate(on)}; ${counted(plants.length, 'plant')} in planting order`,
        left,
        24 * MM,
        {
          size: 10,
          width: right - left,
          colour: COLOURS.muted,
        },
      );
      y = 33 * MM;
    };
    page();
    let row: number | null | undefined;
    for (const plant of plants) {
      if (y > (height - 18) * MM) page();
      if (plant.row !== row) {
        row = plant.row;
        if (row !== null) {
          y += 2 * MM;
          writeLine(doc, `Row ${row}`, left, y, { size: 12, weight: 700 });
          y += LINE * MM;
        }
      }
      tickBox(doc, left, y - 8, 9);
      writeLine(doc, plant.spot, left + 6 * MM, y, { size: 10, width: 30 * MM });
      writeLine(doc, plant.code, left + 38 * MM, y, { size: 11, weight: 700, width: 26 * MM });
      writeLine(doc, plant.variety, left + 66 * MM, y, { size: 10, width: 50 * MM });
      writeLine(doc, plant.made, left + 66 * MM, y + 3.2 * MM, { size: 7.5, width: 110 * MM, colour: COLOURS.muted });
      writeLine(doc, `${plant.ribbon}${plant.doubt}`, left + 118 * MM, y, { size: 10, width: right - left - 118 * MM });
      rule(doc, left, right, y + 4.6 * MM, COLOURS.line);
      y += LINE * MM;
    }
    if (plants.length === 0) writeLine(doc, 'Nothing stands here.', left, y, { size: 11 });
  });
}
