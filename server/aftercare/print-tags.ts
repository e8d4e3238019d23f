import { tagsPdf } from '@/exchange/pdf/tags';
import type { Context } from '@/server/platform/context';
import { listKeepers } from './keepers';
import { parse } from '@/server/platform/parse';
import { notFound } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';
import { tagsInput } from '@/core/aftercare/tags-input';

/** Tags of a workshop's living keepers, or of the one with `code` again. */
export async function printTags(context: Context, workshopId: string, input: unknown): Promise<Buffer> {
  const workshop = await getWorkshop(context, workshopId);
  const values = parse(tagsInput, input);
  const keepers = (await listKeepers(context, workshopId)).filter(
    (keeper) => !keeper.voidedAt && (values.code === '' || keeper.code === values.code),
  );
  if (values.code !== '' && keepers.length === 0) throw notFound('A keeper with this code');
  const tags = keepers.map(({ code, wood, stock, seat }) => ({
    code,
    url: `${context.publicUrl}/u/${code}`,
    variety: wood.variety,
    stock: stock.stockType,
    date: workshop.date,
    initials: initials(seat.person.name),
  }));
  return tagsPdf(tags, values.paper, { width: values.width, height: values.height });
}

function initials(name: string | null): string {
  return (name ?? '')
    .split(/\s+/)
    .filter(Boolean)
    .map((part) => `${[...part][0]!.toUpperCase()}.`)
    .slice(0, 3)
    .join(' ');
}
