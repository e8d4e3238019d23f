import { COLOURS } from '@/core/drawing/colours';
import { checkLine, type LaidOut } from '@/core/teach/templates/lay-out';
import type { LengthUnit } from '@/core/units/length';
import { SHEETS } from '@/core/units/paper';

const escape = (text: string): string =>
  text.replace(/[&<>"]/g, (character) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[character]!);

/** All sheets of cut templates under one another in one SVG, a user unit a millimetre. */
export function templateSheetsSvg(laid: LaidOut, title: string, unit: LengthUnit): string {
  const { width, height } = SHEETS[laid.paper];
  const total = height * laid.sheets.length;
  const { length, words: called } = checkLine(unit);
  const text = (x: number, y: number, size: number, words: string): string =>
    `<text x="${x.toFixed(2)}" y="${y.toFixed(2)}" font-size="${size}">${escape(words)}</text>`;
  const sheets = laid.sheets.map((pieces, i) => {
    const head = [
      text(12, 15, 4.6, `${title}, sheet ${i + 1} of ${laid.sheets.length}`),
      `<path class="cut" d="M12 20V24M12 22H${12 + length}M${12 + length} 20V24"/>`,
      text(16 + length, 23, 2.8, `Measure this line: ${called}. Print with scaling off.`),
      ...(i === 0 ? laid.messages.map((message, n) => text(12, 29 + n * 4, 2.4, message)) : []),
    ];
    const body = pieces.map((piece) => {
      const strokes = piece.strokes.map(
        ({ kind, points }) =>
          `<path class="${kind}" d="${points.map(([x, y], k) => `${k === 0 ? 'M' : 'L'}${x.toFixed(3)} ${y.toFixed(3)}`).join('')}"/>`,
      );
      const words = piece.words.map(({ at, text: say }) => text(at[0], at[1], 2.4, say));
      return `<g transform="translate(${piece.x.toFixed(3)} ${piece.y.toFixed(3)})">${strokes.join('')}${words.join('')}${text(0, piece.height + 4, 2.4, `${piece.name}${piece.part ? `, part ${piece.part.nth} of ${piece.part.count}` : ''}. ${piece.use}`)}</g>`;
    });
    return `<g transform="translate(0 ${(i * height).toFixed(2)})">${head.join('')}${body.join('')}</g>`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${total.toFixed(2)}mm" viewBox="0 0 ${width} ${total.toFixed(2)}"><title>${escape(title)}</title><style>path{fill:none;stroke:${COLOURS.ink};stroke-width:.12}.cut{stroke-width:.4}.fold{stroke-dasharray:2 1.5;stroke-width:.18}text{font-family:sans-serif;fill:${COLOURS.ink}}</style>${sheets.join('')}</svg>\n`;
}
