import { object, string } from 'yup';
import { paper } from '@/core/inputs/fields';
import type { Method, Wood } from '@/core/methods/method';
import { METHODS } from '@/core/methods/registry';
import { type Choices, chosen } from '@/core/methods/school';
import { STOCK_RANGES } from '@/core/methods/stock-ranges';
import { fittingWood } from '@/core/teach/fitting-wood';
import type { Paper } from '@/core/units/paper';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

const query = object({
  paper: paper(),
  format: string()
    .oneOf(['pdf', 'svg'] as const, 'Choose PDF or SVG.')
    .default('pdf'),
  stock: string().default(''),
  scion: string().default(''),
});

export interface AskedMethod {
  method: Method;
  choices: Choices;
  wood: Wood;
  paper: Paper;
  format: 'pdf' | 'svg';
}

/** Reads what a file is asked for: the method, calipers in mm, schools, and the paper. */
export function askedMethod(context: Context, methodId: string, asked: Record<string, string>): AskedMethod {
  allow(context, 'viewer');
  const method = METHODS.find(({ id }) => id === methodId);
  if (!method) throw notFound('The method');
  const { paper, format, stock, scion } = parse(query, asked);
  const number = (text: string): number | null => (text.trim() === '' ? null : Number(text));
  const { wood, problem } = fittingWood(
    method,
    { stock: number(stock), scion: number(scion) },
    context.actor.lengthUnit,
    STOCK_RANGES,
  );
  if (problem) throw new UseCaseError('invalid', problem, { stock: problem });
  return {
    method,
    wood,
    paper,
    format,
    choices: Object.fromEntries(method.schools.map((question) => [question.id, chosen(asked, question)])),
  };
}
