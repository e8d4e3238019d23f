import { formatCode } from '@/core/codes/plant-code';
import { isDrawn, lookBy } from '@/core/findings/care/told-and-looked';
import { counted } from '@/core/units/counted';
import { groupedBy } from '@/core/units/grouped-by';
import { addDays, formatDate } from '@/core/units/iso-date';
import { Op } from 'sequelize';
import { UNSET } from '@/db/unset';
import type { WeekNote } from '@/server/aftercare/this-week';
import { remembered } from '@/server/club/remembered';
import { clubDay } from '@/server/plan/season';
import type { Context } from '@/server/platform/context';

/** Answers older than this are looked at by nobody any more, days. */
const RECENT_DAYS = 30;

/**
 * What growers told lately and a lot has drawn to be looked at again, so that it is known how often they are wrong: work of
 * the week until somebody has looked, or a fortnight has passed.
 */
export function looksAgain(context: Context): Promise<WeekNote[]> {
  return remembered(context, 'told, and looked at again', null, makeLooksAgain);
}

async function makeLooksAgain(context: Context): Promise<WeekNote[]> {
  const { db, actor } = context;
  const { clubId } = actor;
  const { today } = await clubDay(context);
  const since = addDays(today, -RECENT_DAYS);
  const recent = await db.reports.findAll({
    where: { clubId, setAsideAt: UNSET, cameOn: { [Op.gte]: since } },
    attributes: ['id', 'unionId', 'roundId', 'answer', 'seenOn', 'source', 'cameOn'],
    order: [['turn', 'ASC']],
    raw: true,
  });
  const open = [...groupedBy(recent, ({ unionId, roundId }) => `${unionId} ${roundId}`).values()].flatMap((own) => {
    const told = own.at(-1)!;
    const by = isDrawn(told, clubId) ? lookBy(told, own, today) : null;
    return by === null ? [] : [{ told, by }];
  });
  if (open.length === 0) return [];
  const unions = await db.unions.findAll({ where: { clubId, id: open.map(({ told }) => told.unionId) }, raw: true });
  const plants = await db.plants.findAll({
    where: { clubId, id: unions.map(({ plantId }) => plantId!), voidedAt: UNSET },
    raw: true,
  });
  const notes = open.flatMap(({ told, by }): WeekNote[] => {
    const union = unions.find(({ id }) => id === told.unionId);
    const plant = plants.find(({ id }) => id === union?.plantId);
    if (!plant) return [];
    const said = told.answer === 'dead' ? 'it is dead' : 'it lives';
    return [
      {
        id: `again ${told.id}`,
        kind: 'round',
        words: `Look at ${formatCode(plant.code)} yourself`,
        detail: `Drawn by lot. Its grower told on ${formatDate(told.seenOn)} that ${said}. Enter what you see, as seen on a visit.`,
        by,
        href: `/answers?search=${plant.code}`,
      },
    ];
  });
  const sorted = notes.sort((a, b) => (a.by < b.by ? -1 : 1));
  const rest = sorted.slice(MOST_NAMED);
  if (rest.length === 0) return sorted;
  const more = {
    ...rest[0]!,
    id: 'again, others',
    words: `Look at ${counted(rest.length, 'other plant')} yourself`,
    detail: `Drawn by lot: ${rest.map(({ href }) => formatCode(href.split('=')[1]!)).join(', ')}.`,
  };
  return [...sorted.slice(0, MOST_NAMED), more];
}

/** Of what was drawn so many are named one by one. */
const MOST_NAMED = 3;
