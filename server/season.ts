import { addDays, dateInZone } from '@/core/units/iso-date';
import { methodById } from '@/core/methods/registry';
import { MILESTONE_WORDS } from '@/core/findings/milestones';
import type { Context } from './context';
import { listSites, listWorkshops } from './workshops';

/** Days after the workshop at which rounds are usually asked, for workshops that have none yet. */
const USUAL_ROUNDS = [
  { name: 'Healed', days: 21 },
  { name: 'Growing', days: 56 },
];

/** What the season line shows. */
export async function season(context: Context) {
  const { db, actor: { clubId }, now } = context;
  const [workshops, sites, rounds] = await Promise.all([
    listWorkshops(context),
    listSites(context),
    db.rounds.findAll({ where: { clubId }, raw: true }),
  ]);
  const site = sites[0];
  return {
    today: dateInZone(now, site?.timeZone ?? 'UTC'),
    hemisphere: site?.hemisphere ?? ('north' as const),
    workshops: workshops.map((workshop) => {
      const own = rounds.filter(({ workshopId }) => workshopId === workshop.id);
      return {
        id: workshop.id, title: workshop.title, date: workshop.date, callusDays: methodById(workshop.method).callusDays,
        rounds: own.length > 0
          ? own.map(({ milestone, opensOn }) => ({ name: MILESTONE_WORDS[milestone].name, date: opensOn }))
          : USUAL_ROUNDS.map(({ name, days }) => ({ name, date: addDays(workshop.date, days) })),
      };
    }),
  };
}
