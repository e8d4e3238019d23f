import { madeKey } from '@/core/follow-up/asked-union';
import { formatCode } from '@/core/codes/plant-code';
import { madeWords } from '@/core/methods/made-words';
import { POSITION_WORDS } from '@/core/methods/position';
import { methodById } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { signWords } from '@/core/methods/timetable/round-advice';
import { timetable } from '@/core/methods/timetable/timetable';
import { triggerWords } from '@/core/methods/timetable/trigger-words';
import type { Taught } from '@/core/plan/dates/planned-date';
import type { CardUnion, PersonCard } from '@/core/score/cards/person-card';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { PlantRow, UnionRow } from '@/db/models/union-rows';
import type { StockLotRow, WoodLotRow } from '@/db/models/wood-rows';

/** Names of the methods a person's unions were joined by; the workshop's before there are any. */
export function namesOf(workshop: WorkshopRow, own: readonly UnionRow[]): string[] {
  const ids = own.length > 0 ? own.map(({ method }) => method) : [workshop.method];
  return [...new Set(ids)].map((id) => methodById(id).name);
}

/** What somebody's living unions were made as, each once. */
export function madeOf(own: readonly UnionRow[], plants: readonly PlantRow[]): Pick<UnionRow, 'method' | 'variant'>[] {
  const living = own.filter(({ plantId }) => plants.some(({ id }) => id === plantId));
  return living.filter((union, i) => living.findIndex((other) => madeKey(other) === madeKey(union)) === i);
}

/** Somebody's keepers as they stand on a card. */
export function keepersOn(
  own: readonly UnionRow[],
  plants: readonly PlantRow[],
  {
    wood,
    stocks,
    judged,
  }: { wood: WoodLotRow[]; stocks: StockLotRow[]; judged: (union: UnionRow) => CardUnion | null },
): PersonCard['keepers'] {
  return plants.flatMap((plant) =>
    own
      .filter(({ plantId }) => plantId === plant.id)
      .map((union) => ({
        code: plant.code,
        variety: wood.find(({ id }) => id === plant.woodLotId)?.variety ?? '',
        stock: stocks.find(({ id }) => id === plant.stockLotId)?.stockType ?? '',
        place: union.position === 'sole' ? '' : POSITION_WORDS[union.position],
        method: madeWords(union),
        judged: judged(union),
      })),
  );
}

/** How often what repeats comes again, in words; empty where it comes once. */
function againWords(every: number | null): string {
  if (every === null) return '';
  return every >= 300 ? ', once a year' : `, again every ${every} days`;
}

/**
 * When to look at what somebody takes home, and all that is to be done with it; with its trees and how they were made
 * where there are several kinds.
 */
export function aftercareOf(
  made: readonly Taught[],
  keepers: PersonCard['keepers'],
  workshop: WorkshopRow,
  date: string,
  unit: LengthUnit,
): Pick<PersonCard, 'looks' | 'tasks'> {
  const looks: PersonCard['looks'] = [];
  const tasks: PersonCard['tasks'] = [];
  for (const { method, variant, turnsOf } of made) {
    const kind = madeWords({ method: method.id, variant: variant.id });
    const trees = [...new Set(keepers.filter((keeper) => keeper.method === kind).map(({ code }) => formatCode(code)))];
    const named = made.length > 1 ? `${kind} (${trees.join(', ')})` : '';
    const technique = shownTechnique(methodById(method.id), { ...workshop.schools, ...variant.choices });
    const after = timetable(variant, technique, date, { turnsOf });
    for (const { due, signs } of after.rounds)
      if (due) looks.push({ ...due, lookFor: signWords(signs, unit), method: named });
    for (const { name, due, trigger, missed, every } of after.tasks)
      tasks.push({
        name: `${written(name, unit)}${againWords(every)}`,
        due,
        when: triggerWords(trigger, unit),
        missed: missed && written(missed, unit),
        method: named,
      });
  }
  return { looks, tasks };
}
