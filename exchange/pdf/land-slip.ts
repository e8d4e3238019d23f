import { capital } from '@/core/units/capital';
import { COLOURS } from '@/core/drawing/colours';
import type { DisplayList } from '@/core/drawing/display-list';
import { formatDate } from '@/core/units/iso-date';
import { type Paper, SHEETS } from '@/core/units/paper';
import { makePdf, MM, writeLine, writeParagraph } from './document';
import { paintDrawing } from './paint-drawing';

/** What a slip tells whoever owns the land that grafts stand on. */
export interface LandSlip {
  club: string;
  place: string;
  site: string;
  owner: string;
  leaveBy: string;
  leaveUntil: string | null;
  told: string;
  /** What stands there, in words. */
  plants: string;
  /** Days on which somebody of the club comes, and what for. */
  visits: { on: string; tasks: string }[];
  keepOff: DisplayList;
  /** The place from above; null where nobody measured it. */
  plan: DisplayList | null;
}

const MARGIN = 16;

/** A slip for the owner of the land: what stands there, what not to mow or cut, when somebody comes. One page. */
export function landSlipPdf(slip: LandSlip, paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  return makePdf(paper, `Grafts at ${slip.place}`, (doc) => {
    doc.addPage();
    const left = MARGIN * MM;
    const wide = (width - 2 * MARGIN) * MM;
    writeLine(doc, 'Young grafts stand here', left, 22 * MM, { size: 22, weight: 700, width: wide });
    writeLine(doc, `${slip.place}, ${slip.site}`, left, 29 * MM, { size: 12, width: wide });
    let y = writeParagraph(doc, `For ${slip.owner}, from ${slip.club}.`, left, 38 * MM, { size: 11, width: wide });
    y = writeParagraph(doc, slip.plants, left, y + 4, { size: 11, width: wide, weight: 700 });
    const leave = `${capital(slip.leaveBy)} gave leave${slip.leaveUntil ? ` until ${formatDate(slip.leaveUntil)}` : ', with no end noted'}.`;
    y = writeParagraph(doc, leave, left, y + 4, { size: 11, width: wide });
    if (slip.told !== '') y = writeParagraph(doc, `As agreed: ${slip.told}`, left, y + 2, { size: 11, width: wide });
    y += 6 * MM;
    paintDrawing(doc, slip.keepOff, left, y, 1.15, 9);
    y += slip.keepOff.height * 1.15 * MM + 4 * MM;
    if (slip.plan) {
      writeLine(doc, 'The place from above', left, y, { size: 12, weight: 700 });
      const scale = Math.min(1, 42 / slip.plan.height);
      paintDrawing(doc, slip.plan, left, y + 3 * MM, scale, 8);
      y += slip.plan.height * scale * MM + 8 * MM;
    }
    writeLine(doc, 'When we come', left, y, { size: 12, weight: 700 });
    y += 6 * MM;
    if (slip.visits.length === 0)
      y = writeParagraph(doc, 'No visit is planned yet; we ask before we come.', left, y, { size: 10, width: wide });
    for (const visit of slip.visits.slice(0, 6)) {
      if (y > (height - 24) * MM) break;
      writeLine(doc, formatDate(visit.on), left, y, { size: 10, weight: 700, width: 34 * MM });
      y = writeParagraph(doc, visit.tasks, left + 36 * MM, y, { size: 10, width: wide - 36 * MM }) + 2;
    }
    writeParagraph(
      doc,
      'Local rules on trees, boundaries and plant health come first. If something looks wrong, leave it as it is and tell us.',
      left,
      (height - 14) * MM,
      { size: 8, width: wide, colour: COLOURS.muted },
    );
  });
}
