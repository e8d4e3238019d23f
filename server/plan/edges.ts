import type { EdgeTest } from '@/core/plan/ready-check/edges';
import { edgesInput } from '@/core/plan/ready-check/edges-input';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { type Part, putPart, readPart } from './plan-parts';

interface EdgesPart {
  knives: EdgeTest[];
}

/** The knives of a day with their test cuts; none before anybody entered one. */
export async function edges(context: Context, workshopId: string): Promise<Part<EdgesPart> & { body: EdgesPart }> {
  const { version, body } = await readPart<EdgesPart>(context, workshopId, 'edges');
  return { version, body: body ?? { knives: [] } };
}

/** Saves the test cuts of a day's knives. */
export async function putEdges(context: Context, workshopId: string, input: unknown): Promise<number> {
  allow(context, 'assistant');
  const { knives } = parse(edgesInput, input, context.now);
  return putPart(context, workshopId, 'edges', input, { knives } satisfies EdgesPart);
}
