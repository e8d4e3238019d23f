import { madeWords } from '@/core/methods/made-words';
import { printJob } from '@/server/jobs/run-job';
import type { Context } from '@/server/platform/context';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { parse } from '@/server/platform/parse';
import { notFound } from '@/server/platform/use-case-error';
import { tagsInput } from '@/core/aftercare/tags-input';

/** Tags of a workshop's living keepers, or of the one with `code` again. */
export async function printTags(context: Context, workshopId: string, input: unknown): Promise<Buffer> {
  const values = parse(tagsInput(context.actor.lengthUnit), input);
  const living = (await listKeepers(context, workshopId)).filter(
    (keeper) => !keeper.voidedAt && (values.code === '' || keeper.code === values.code),
  );
  // A plant has one tag, however many unions it carries.
  const keepers = living.filter(({ id }, i) => living.findIndex((other) => other.id === id) === i);
  if (values.code !== '' && keepers.length === 0) throw notFound('A keeper with this code');
  const tags = keepers.map(({ id, code, wood, stock, seat, madeOn }) => ({
    code,
    url: `${context.publicUrl}/u/${code}`,
    variety: wood.variety,
    stock: stock.stockType,
    made: [...new Set(living.filter((other) => other.id === id).map(madeWords))].join(', '),
    date: madeOn,
    initials: initials(seat.person.name),
  }));
  return printJob('print tags', tags, values.paper, { width: values.width, height: values.height });
}

function initials(name: string | null): string {
  return (name ?? '')
    .split(/\s+/)
    .filter(Boolean)
    .map((part) => `${[...part][0]!.toUpperCase()}.`)
    .slice(0, 3)
    .join(' ');
}
