import { COLOURS } from '@/core/drawing/colours';
import type { ClubReport } from '@/core/findings/report/club-report';
import { MILESTONE_WORDS } from '@/core/methods/milestones';
import { capital } from '@/core/units/capital';
import { WALL_SHEETS } from '@/core/units/paper';
import { type Doc, makePdf, MM, writeLine, writeParagraph } from './document';
import { paintDrawing } from './paint-drawing';

const EDGE = 24;

/** A season on a sheet of A3 for the clubhouse wall: every graft as a mark, who lives, and what to take care of. */
export function seasonPosterPdf(report: ClubReport): Promise<Buffer> {
  const { width, height } = WALL_SHEETS.A3;
  const [left, right] = [EDGE * MM, (width - EDGE) * MM];
  return makePdf('A3', `What became of our grafts, ${report.clubName}`, (doc) => {
    doc.addPage();
    doc.rect(0, 0, width * MM, height * MM).fill(COLOURS.paper);
    writeLine(doc, report.clubName, left, 30 * MM, { size: 18, colour: COLOURS.muted });
    let y = writeParagraph(doc, `What became of the grafts ${report.whose}`, left, 50 * MM, {
      size: 44,
      weight: 700,
      width: right - left,
    });
    y = everyGraft(doc, report, left, right, y + 6 * MM);
    y = writeParagraph(doc, report.take.sentence, left, y + 16 * MM, { size: 19, width: right - left });
    y = takeCare(doc, report, left, right, y + 12 * MM);
    const thanks = `Made by ${report.done.people} pairs of hands in ${report.done.workshops} workshops. Thank you for looking after them, and for telling us.`;
    writeParagraph(doc, thanks, left, Math.max(y + 10 * MM, (height - 26) * MM), { size: 15, width: right - left });
  });
}

/** One mark a keeper, the living first, as large as all of them fit. */
function everyGraft(doc: Doc, { take }: ClubReport, left: number, right: number, top: number): number {
  const { alive, dead, unknown } = take.unions;
  const all = Math.max(1, alive + dead + unknown);
  const high = 105 * MM;
  const step = Math.min(14 * MM, Math.sqrt(((right - left) * high) / all));
  const across = Math.max(1, Math.floor((right - left) / step));
  const r = step * 0.36;
  for (let i = 0; i < alive + dead + unknown; i++) {
    const [x, y] = [left + ((i % across) + 0.5) * step, top + (Math.floor(i / across) + 0.5) * step];
    if (i < alive) doc.circle(x, y, r).fill(COLOURS.life);
    else if (i < alive + dead) {
      doc.circle(x, y, r).fill(COLOURS.ink);
      const arm = r * 0.45;
      doc
        .lineWidth(r / 4)
        .moveTo(x - arm, y - arm)
        .lineTo(x + arm, y + arm)
        .moveTo(x + arm, y - arm)
        .lineTo(x - arm, y + arm);
      doc.stroke(COLOURS.sheet);
    } else
      doc
        .circle(x, y, r)
        .lineWidth(r / 6)
        .dash(r / 2, { space: r / 3 })
        .stroke(COLOURS.ink)
        .undash();
  }
  const end = top + Math.ceil(all / across) * step;
  const at = take.milestone === null ? 'when last asked' : MILESTONE_WORDS[take.milestone].name.toLowerCase();
  writeLine(
    doc,
    `Green lives (${alive}), dark died (${dead}), open was not heard of (${unknown}); ${at}.`,
    left,
    end + 7 * MM,
    {
      size: 14,
      colour: COLOURS.muted,
    },
  );
  return end + 7 * MM;
}

/** What is taken care of next: the dearest faults, drawn as they should be. */
function takeCare(doc: Doc, { teach, causes }: ClubReport, left: number, right: number, top: number): number {
  writeLine(doc, 'Next time', left, top, { size: 26, weight: 700 });
  const lessons = (teach?.costs ?? []).flatMap((cost) =>
    cost.dear && cost.taught ? [{ ...cost, taught: cost.taught }] : [],
  );
  if (lessons.length === 0) {
    const words = causes.shared[0]
      ? `${capital(causes.shared[0])}.`
      : 'Nothing stands out beyond chance: go on as you did.';
    return writeParagraph(doc, words, left, top + 12 * MM, { size: 17, width: right - left });
  }
  const shown = lessons.slice(0, 3);
  const column = (right - left) / shown.length;
  const ends = shown.map(({ name, perHundred, taught }, i) => {
    const x = left + i * column;
    const scale = Math.min((column - 10 * MM) / MM / taught.right.width, 58 / taught.right.height);
    paintDrawing(doc, taught.right, x, top + 8 * MM, scale, 11);
    let y = top + 8 * MM + taught.right.height * scale * MM + 9 * MM;
    writeLine(doc, capital(name), x, y, { size: 18, weight: 700, width: column - 8 * MM });
    y = writeParagraph(doc, taught.drill, x, y + 8 * MM, { size: 14, width: column - 10 * MM });
    return writeParagraph(doc, `It cost about ${perHundred.toFixed(0)} trees in a hundred.`, x, y, {
      size: 13,
      colour: COLOURS.muted,
      width: column - 10 * MM,
    });
  });
  return Math.max(...ends);
}
