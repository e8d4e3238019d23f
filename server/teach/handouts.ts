import { printJob } from '@/server/jobs/run-job';
import { layOut, type LaidOut } from '@/core/teach/templates/lay-out';
import { formatLength } from '@/core/units/length';
import { templateSheetsSvg } from '@/exchange/svg/template-sheet';
import type { Context } from '@/server/platform/context';
import { askedMethod } from './asked-method';
import { drawnBodies } from './drawn-bodies';
import { currentRule } from './current-rule';
import { UseCaseError } from '@/server/platform/use-case-error';

/** The pages of a method. */
export async function printHandout(context: Context, methodId: string, query: Record<string, string>): Promise<Buffer> {
  const { method, wood, choices, paper } = askedMethod(context, methodId, query);
  const rule = await currentRule(context, method.id, choices);
  const unit = context.actor.lengthUnit;
  const bodies = await drawnBodies(method, choices, wood, unit, 'paper');
  return printJob('print handout', { method: method.id, choices, wood, unit }, { rule, bodies, paper });
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
  const { method, wood, choices, paper, format } = askedMethod(context, methodId, query);
  const templates = method.template?.(choices, wood) ?? [];
  if (templates.length === 0)
    throw new UseCaseError('not-found', `${method.name} has no cut that a paper template would help with.`);
  const unit = context.actor.lengthUnit;
  const laid = layOut(templates, paper, unit);
  const title = `${method.name}: cut templates, ${formatLength(wood.scion, unit)} on ${formatLength(wood.stock, unit)}`;
  return format === 'svg'
    ? { bytes: templateSheetsSvg(laid, title, unit), type: 'image/svg+xml', name: `${method.id}-template.svg`, laid }
    : {
        bytes: await printJob('print templates', laid, title, unit),
        type: 'application/pdf',
        name: `${method.id}-template.pdf`,
        laid,
      };
}
