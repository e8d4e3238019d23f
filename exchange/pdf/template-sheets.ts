import { COLOURS } from '@/core/drawing/colours';
import { checkLine, type LaidOut } from '@/core/teach/templates/lay-out';
import type { LengthUnit } from '@/core/units/length';
import { SHEETS } from '@/core/units/paper';
import type { TemplateStroke } from '@/core/methods/template';
import { type Doc, makePdf, MM, writeLine, writeParagraph } from './document';

const STYLE: Record<TemplateStroke['kind'], { width: number; dash: number | null }> = {
  cut: { width: 1.1, dash: null },
  mark: { width: 0.35, dash: null },
  fold: { width: 0.5, dash: 3 },
};

/** Cut templates in true millimetres, each sheet with a line to measure after printing. */
export function templateSheetsPdf(laid: LaidOut, title: string, unit: LengthUnit): Promise<Buffer> {
  const { width } = SHEETS[laid.paper];
  return makePdf(laid.paper, title, (doc) => {
    // Asks the reader's printer dialog not to scale.
    const root = doc as unknown as { _root: { data: Record<string, unknown> }; ref: (data: object) => unknown };
    root._root.data.ViewerPreferences = root.ref({ PrintScaling: 'None' });
    laid.sheets.forEach((pieces, i) => {
      doc.addPage();
      head(doc, title, `${i + 1} of ${laid.sheets.length}`, width, unit, i === 0 ? laid.messages : []);
      for (const piece of pieces) {
        doc.save().translate(piece.x * MM, piece.y * MM);
        for (const { kind, points } of piece.strokes) {
          const { width: weight, dash } = STYLE[kind];
          points.forEach(([x, y], k) => (k === 0 ? doc.moveTo(x * MM, y * MM) : doc.lineTo(x * MM, y * MM)));
          if (dash) doc.dash(dash, { space: dash });
          else doc.undash();
          doc.lineWidth(weight).stroke(COLOURS.ink);
        }
        doc.undash();
        for (const { at, text } of piece.words) writeLine(doc, text, at[0] * MM, at[1] * MM, { size: 7 });
        writeParagraph(
          doc,
          `${piece.name}${piece.part ? `, part ${piece.part.nth} of ${piece.part.count}` : ''}. ${piece.use}`,
          0,
          (piece.height + 4) * MM,
          { size: 7, width: Math.max(46, piece.width) * MM },
        );
        doc.restore();
      }
    });
  });
}

function head(doc: Doc, title: string, page: string, width: number, unit: LengthUnit, messages: string[]): void {
  const { length, words } = checkLine(unit);
  writeLine(doc, title, 12 * MM, 15 * MM, { size: 13, weight: 700, width: (width - 50) * MM });
  writeLine(doc, `sheet ${page}`, (width - 12) * MM, 15 * MM, { size: 8, anchor: 'end' });
  // Thin, so that its ends say where to measure.
  doc
    .lineWidth(0.35)
    .moveTo(12 * MM, 22 * MM)
    .lineTo((12 + length) * MM, 22 * MM)
    .stroke(COLOURS.ink);
  for (const x of [12, 12 + length])
    doc
      .moveTo(x * MM, 20 * MM)
      .lineTo(x * MM, 24 * MM)
      .stroke(COLOURS.ink);
  writeLine(
    doc,
    `Measure this line: ${words}. If it is not, print again with scaling off (100 %, actual size).`,
    (16 + length) * MM,
    23 * MM,
    { size: 8 },
  );
  messages.forEach((message, i) =>
    writeParagraph(doc, message, 12 * MM, (28 + i * 6) * MM, { size: 7.5, weight: 700, width: (width - 24) * MM }),
  );
}
