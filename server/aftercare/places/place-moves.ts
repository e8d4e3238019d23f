import { QueryTypes } from 'sequelize';
import { formatCode } from '@/core/codes/plant-code';
import { orderOf, type Rows, type Spot, spotWords } from '@/core/aftercare/places/place';
import type { PlaceMove } from '@/core/aftercare/places/place-view';
import type { PlantLife } from '@/core/aftercare/life/plant-life';
import type { PlantMoveRow } from '@/db/models/place-rows';
import type { Context } from '@/server/platform/context';
import { spotOf } from './places';
import { groupedBy } from '@/core/units/grouped-by';

/** Moves shown of a place. */
const MOST_MOVES = 40;

/** A move of one plant, with the names it speaks of. JSON arrives as text. */
interface Row extends Pick<PlantMoveRow, 'actionId' | 'movedOn' | 'note' | 'undoneAt' | 'fromPlaceId' | 'toPlaceId'> {
  fromSpot: string | Spot | null;
  toSpot: string | Spot | null;
  code: string;
  by: string | null;
  fromName: string | null;
  toName: string | null;
  toRows: string | Rows | null;
}

/** What came to a place and left it, latest first. */
export async function movesOfPlace(context: Context, placeId: string): Promise<PlaceMove[]> {
  return (await movesWhere(context, '(m.to_place_id = :id OR m.from_place_id = :id)', placeId)).slice(0, MOST_MOVES);
}

/** Where a plant stood, latest first. */
export async function movesOfPlant(context: Context, plantId: string): Promise<PlaceMove[]> {
  return movesWhere(context, 'm.plant_id = :id', plantId);
}

/** Where a plant stands now, in words; null where nobody said. */
export async function standingOf({ db, actor }: Context, plantId: string): Promise<PlantLife['standing']> {
  const [row] = await db.sequelize.query<Spot & { placeId: string; place: string; since: string }>(
    `SELECT pp.place_id AS placeId, p.name AS place, pp.\`row\`, pp.position, pp.limb, pp.side, pp.since
     FROM plant_places pp JOIN places p ON p.id = pp.place_id WHERE pp.club_id = :clubId AND pp.plant_id = :plantId`,
    { type: QueryTypes.SELECT, replacements: { clubId: actor.clubId, plantId } },
  );
  return row ? { placeId: row.placeId, place: row.place, spot: spotWords(spotOf(row)), since: row.since } : null;
}

async function movesWhere({ db, actor }: Context, where: string, id: string): Promise<PlaceMove[]> {
  const rows = await db.sequelize.query<Row>(
    `SELECT m.action_id AS actionId, m.moved_on AS movedOn, m.note, m.undone_at AS undoneAt, pl.code, us.name AS \`by\`,
       m.from_place_id AS fromPlaceId, m.from_spot AS fromSpot, f.name AS fromName,
       m.to_place_id AS toPlaceId, m.to_spot AS toSpot, t.name AS toName, t.\`rows\` AS toRows
     FROM plant_moves m JOIN plants pl ON pl.id = m.plant_id LEFT JOIN users us ON us.id = m.moved_by
       LEFT JOIN places f ON f.id = m.from_place_id LEFT JOIN places t ON t.id = m.to_place_id
     WHERE m.club_id = :clubId AND ${where} ORDER BY m.id DESC LIMIT 5000`,
    { type: QueryTypes.SELECT, replacements: { clubId: actor.clubId, id } },
  );
  const taps = groupedBy(rows, ({ actionId }) => actionId);
  return [...taps].map(([actionId, moves]) => moveOf(actionId, moves));
}

function moveOf(actionId: string, moves: readonly Row[]): PlaceMove {
  const [first] = moves as [Row];
  const rows = parsed<Rows>(first.toRows);
  const order = ({ toSpot }: Row): number => {
    const spot = parsed<Spot>(toSpot);
    return (spot && orderOf(spotOf(spot), rows)) ?? 0;
  };
  const ordered = [...moves].sort((a, b) => order(a) - order(b));
  const origins = [...new Map(ordered.map(({ fromPlaceId, fromName }) => [fromPlaceId, fromName]))];
  return {
    actionId,
    on: first.movedOn,
    by: first.by ?? '',
    note: first.note,
    codes: ordered.map(({ code }) => formatCode(code)),
    from: origins
      .map(([placeId, name]) =>
        whereWords(
          name,
          ordered.filter(({ fromPlaceId }) => fromPlaceId === placeId).map(({ fromSpot }) => fromSpot),
        ),
      )
      .filter(Boolean)
      .join('; '),
    to: whereWords(
      first.toName,
      ordered.map(({ toSpot }) => toSpot),
    ),
    undone: first.undoneAt !== null,
  };
}

/** A place with the first and the last of its spots. */
function whereWords(name: string | null, spots: readonly Row['toSpot'][]): string {
  if (name === null) return '';
  const words = spots.map((spot) => (spot ? spotWords(spotOf(parsed<Spot>(spot)!)) : '')).filter(Boolean);
  const ends = [...new Set([words[0], words.at(-1)])].filter(Boolean).join(' to ');
  return [name, ends].filter(Boolean).join(', ');
}

function parsed<Value>(json: string | Value | null): Value | null {
  return typeof json === 'string' ? (JSON.parse(json) as Value) : json;
}
