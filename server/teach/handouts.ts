import { paper } from '@/core/inputs/fields';
import type { Paper } from '@/core/units/paper';
import { object, string } from 'yup';
import { METHODS } from '@/core/methods/registry';
import type { Method, Wood } from '@/core/methods/method';
import { type Choices, chosen } from '@/core/methods/school';
import { fittingWood } from '@/core/teach/fitting-wood';
import { STOCK_RANGES } from '@/core/methods/stock-ranges';
import { stepSheets } from '@/core/teach/step-sheets';
import { layOut, type LaidOut } from '@/core/teach/templates/lay-out';
import { formatLength } from '@/core/units/length';
import { handoutPdf } from '@/exchange/pdf/handout';
import { templateSheetsPdf } from '@/exchange/pdf/template-sheets';
import { templateSheetsSvg } from '@/exchange/svg/template-sheet';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { currentRule } from './current-rule';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

const query = object({
  paper: paper(),
  format: string()
    .oneOf(['pdf', 'svg'] as const, 'Choose PDF or SVG.')
    .default('pdf'),
  stock: string().default(''),
  scion: string().default(''),
});

interface Asked {
  method: Method;
  choices: Choices;
  wood: Wood;
  paper: Paper;
  format: 'pdf' | 'svg';
}

/** Reads what a file is asked for: the method, calipers in mm, schools, and the paper. */
function read(context: Context, methodId: string, asked: Record<string, string>): Asked {
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

/** The two pages of a method. */
export async function printHandout(context: Context, methodId: string, query: Record<string, string>): Promise<Buffer> {
  const { method, wood, choices, paper } = read(context, methodId, query);
  const rule = await currentRule(context, method.id, choices);
  const unit = context.actor.lengthUnit;
  return handoutPdf(
    {
      method,
      unit,
      rule,
      technique: method.technique(choices, wood),
      steps: stepSheets(method, choices, wood, unit),
      drawnFor: `drawn for ${formatLength(wood.scion, unit)} on ${formatLength(wood.stock, unit)}`,
    },
    paper,
  );
}

export interface TemplateFile {
  bytes: Buffer | string;
  type: string;
  name: string;
  laid: LaidOut;
}

/** The cut templates of a method in true millimetres. */
export async function printTemplate(
  context: Context,
  methodId: string,
  query: Record<string, string>,
): Promise<TemplateFile> {
  const { method, wood, choices, paper, format } = read(context, methodId, query);
  const templates = method.template?.(choices, wood) ?? [];
  if (templates.length === 0)
    throw new UseCaseError('not-found', `${method.name} has no cut that a paper template would help with.`);
  const unit = context.actor.lengthUnit;
  const laid = layOut(templates, paper, unit);
  const title = `${method.name}: cut templates, ${formatLength(wood.scion, unit)} on ${formatLength(wood.stock, unit)}`;
  return format === 'svg'
    ? { bytes: templateSheetsSvg(laid, title, unit), type: 'image/svg+xml', name: `${method.id}-template.svg`, laid }
    : {
        bytes: await templateSheetsPdf(laid, title, unit),
        type: 'application/pdf',
        name: `${method.id}-template.pdf`,
        laid,
      };
}
