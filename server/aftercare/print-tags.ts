import { number, object, string } from 'yup';
import { LEAST_TAG, MOST_TAG, tagsPdf } from '@/exchange/pdf/tags';
import type { Context } from '@/server/platform/context';
import { paper } from '@/server/platform/fields';
import { listKeepers } from './keepers';
import { parse } from '@/server/platform/parse';
import { notFound } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';

const side = (what: string, least: number, most: number) =>
  number()
    .typeError(`Enter the ${what} of the tag in mm.`)
    .min(least, `A tag needs a ${what} of ${least} mm or more for its code and its QR code.`)
    .max(most, `A tag has a ${what} of ${most} mm at most.`);

const tagsInput = object({
  paper: paper(),
  width: side('width', LEAST_TAG.width, MOST_TAG.width).default(60),
  height: side('height', LEAST_TAG.height, MOST_TAG.height).default(25),
  code: string().default(''),
});

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
