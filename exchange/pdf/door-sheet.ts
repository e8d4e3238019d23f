import { type Paper, SHEETS } from '@/core/units/paper';
import { COLOURS } from '@/core/drawing/colours';
import { BENCH_DEPTH, placesOf, type Room, SPOT_WORDS } from '@/core/plan/benches/room';
import { type DayBlock, timeOf } from '@/core/plan/benches/time-plan';
import { formatDate } from '@/core/units/iso-date';
import { type Doc, makePdf, MM, writeLine } from './document';

export interface DoorSheet {
  title: string;
  date: string;
  place: string;
  blocks: DayBlock[];
  room: Room;
  people: { seatId: string; number: number; name: string; bench: string }[];
}

/** The sheet at the door: when what happens, who sits where by name, and the room seen from above. */
export function doorSheetPdf(sheet: DoorSheet, paper: Paper): Promise<Buffer> {
  const { width, height } = SHEETS[paper];
  return makePdf(paper, `At the door, ${sheet.title}`, (doc) => {
    doc.addPage();
    const [left, right] = [14 * MM, (width - 14) * MM];
    writeLine(doc, sheet.title, left, 20 * MM, { size: 22, weight: 700, width: right - left });
    writeLine(doc, `${formatDate(sheet.date)}, ${sheet.place}`, left, 28 * MM, { size: 13, width: right - left });
    let y = 38 * MM;
    for (const block of sheet.blocks.slice(0, 20)) {
      writeLine(doc, `${timeOf(block.from)} to ${timeOf(block.to)}`, left, y, { size: 10, weight: 700 });
      writeLine(doc, block.name, left + 30 * MM, y, { size: 10, width: 55 * MM });
      y += 5.4 * MM;
    }
    const names = [...sheet.people].sort((a, b) => a.name.localeCompare(b.name));
    const column = Math.ceil(names.length / 2);
    const size = names.length > 44 ? 6.5 : names.length > 24 ? 9 : 10.5;
    const step = Math.min(names.length > 24 ? 5.6 : 7, 104 / Math.max(1, column)) * MM;
    names.forEach(({ number, name, bench }, i) => {
      const x = left + 92 * MM + (i < column ? 0 : 47 * MM);
      const at = 38 * MM + (i % column) * step;
      writeLine(doc, String(number), x + 5 * MM, at, { size, weight: 700, anchor: 'end' });
      writeLine(doc, name, x + 7 * MM, at, { size, width: 24 * MM });
      writeLine(doc, bench, x + 32 * MM, at, { size, width: 14 * MM, colour: COLOURS.muted });
    });
    const top = Math.max(y, 38 * MM + column * step) + 6 * MM;
    drawRoom(doc, sheet, left, top, right - left, (height - 16) * MM - top);
    writeLine(
      doc,
      'Nothing in the mouth, blades closed or down before hands meet, cut away from the body. Local rules come first.',
      left,
      (height - 9) * MM,
      { size: 8.5, colour: COLOURS.muted, width: right - left },
    );
  });
}

/** The room to scale: benches, seats by number, marks by name. The instructor's end is on top. */
function drawRoom(doc: Doc, { room, people }: DoorSheet, x: number, y: number, width: number, height: number): void {
  const scale = Math.min(width / room.width, height / room.depth);
  const at = (metresX: number, metresY: number): [number, number] => [x + metresX * scale, y + metresY * scale];
  doc
    .lineWidth(1.4)
    .rect(x, y, room.width * scale, room.depth * scale)
    .stroke(COLOURS.ink);
  for (const bench of room.benches) {
    const [w, h] = bench.turned ? [BENCH_DEPTH, bench.length] : [bench.length, BENCH_DEPTH];
    const [bx, by] = at(bench.x - w / 2, bench.y - h / 2);
    doc
      .lineWidth(0.8)
      .rect(bx, by, w * scale, h * scale)
      .fillAndStroke(COLOURS.mist, COLOURS.ink);
    const [cx, cy] = at(bench.x, bench.y);
    writeLine(doc, bench.name, cx, cy + 3, { size: 8, anchor: 'middle', width: bench.turned ? 30 : w * scale });
    placesOf(bench).forEach((place, i) => {
      const person = people.find(
        ({ seatId }) => room.seating[seatId]?.bench === bench.id && room.seating[seatId]?.place === i,
      );
      const [px, py] = at(place.x, place.y);
      doc
        .lineWidth(0.7)
        .circle(px, py, Math.min(7, 0.26 * scale))
        .fillAndStroke(COLOURS.sheet, COLOURS.ink);
      if (person) writeLine(doc, String(person.number), px, py + 2.6, { size: 7.5, weight: 700, anchor: 'middle' });
    });
  }
  for (const spot of room.spots) {
    const [sx, sy] = at(spot.x, spot.y);
    doc.circle(sx, sy, 2.2).fill(COLOURS.ink);
    const near = sx > x + room.width * scale * 0.7;
    writeLine(doc, SPOT_WORDS[spot.kind], near ? sx - 4 : sx + 4, sy + 2.6, {
      size: 7.5,
      weight: 700,
      anchor: near ? 'end' : 'start',
    });
  }
}
