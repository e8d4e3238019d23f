import type { BodyParts } from '@/core/drawing/body/body-parts';
import { runJob } from '@/server/jobs/run-job';
import type { Context } from '@/server/platform/context';
import { keepLatest } from '@/server/platform/keep-latest';
import { notFound } from '@/server/platform/use-case-error';
import { askedMethod } from './asked-method';

/** Meshes of so many steps are kept: a class that is told to turn a step asks for the same one. */
const made = keepLatest<BodyParts>('step meshes', 24_000_000);

/** The pieces after a step as meshes to look at from all sides. */
export function stepMeshes(
  context: Context,
  methodId: string,
  stepId: string,
  query: Record<string, string>,
): Promise<BodyParts> {
  const { method, choices, wood } = askedMethod(context, methodId, query);
  const { steps } = method.technique(choices, wood);
  const at = steps.findIndex(({ id }) => id === stepId);
  if (at < 0) throw notFound('The step');
  return made.get([method.id, stepId, choices, wood], () =>
    runJob('mesh step', [{ method: method.id, choices, wood, unit: context.actor.lengthUnit }, at]),
  );
}
