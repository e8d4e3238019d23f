import { formatCode } from '@/core/codes/plant-code';
import { isGrowersTask } from '@/core/follow-up/tasks/growers-tasks';
import { groupedBy } from '@/core/units/grouped-by';
import { calendarFile } from '@/exchange/calendar';
import { livingUnions } from '@/server/aftercare/living-unions';
import { dayEntry, ownEntries } from '@/server/aftercare/own-entries';
import { unionPlans } from '@/server/aftercare/union-plans';
import type { Services } from '@/server/platform/context';
import { asksOfLiving } from '../asks/asked-unions';
import { plantsOfPeople } from '../asks/plants-of-people';
import { openLink } from './open-link';

/** What a grower's own plants want and when they are asked of next, as a calendar their phone can subscribe to. */
export async function growerCalendar(services: Services, token: string): Promise<string> {
  const { reader, person, wording } = await openLink(services, token);
  const { say, trade } = wording;
  const unit = reader.actor.lengthUnit;
  const plantIds = await plantsOfPeople(reader, [person.id]);
  const living = plantIds.length === 0 ? [] : await livingUnions(reader, { plantIds });
  const [plans, asked] = await Promise.all([unionPlans(reader, living), asksOfLiving(reader, living)]);
  const tasks = ownEntries(plans, person.id, isGrowersTask, {
    write: (words) => trade(words, unit),
    overdue: (task) => say('calendar.overdue', { task }),
    otherwise: (missed) => say('plant.otherwise', { missed }),
  });
  const next = asked.flatMap(({ asks, plant, today }) => {
    const ask = asks.find(({ state }) => state === 'due' || state === 'to-come' || state === 'again');
    return ask ? [{ on: ask.askOn < today ? today : ask.askOn, askOn: ask.askOn, code: plant.code }] : [];
  });
  const looks = [...groupedBy(next, ({ askOn }) => askOn)].map(([askOn, own]) => {
    const codes = [...new Set(own.map(({ code }) => formatCode(code)))].join(', ');
    return dayEntry(`${person.id} look ${askOn}`, { on: own[0]!.on, title: say('calendar.look', { codes }) });
  });
  return calendarFile(say('calendar.name'), [...tasks, ...looks]);
}
