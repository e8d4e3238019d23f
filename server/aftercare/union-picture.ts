import type { DisplayList } from '@/core/drawing/display-list';
import { exampleMeasures } from '@/core/methods/example-measures';
import { methodById } from '@/core/methods/registry';
import { defaultRule, judgeUnion } from '@/core/score/rubric/judge-union';
import { allow, type Context } from '@/server/platform/context';
import { kept } from '@/server/platform/kept';
import { openJudgement } from '@/server/platform/waiting-for-second';
import { notFound } from '@/server/platform/use-case-error';

/** A union from the side: as it was measured where somebody did, else as its method usually joins wood. */
export async function unionPicture(context: Context, unionId: string): Promise<{ drawing: DisplayList; from: string }> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId, lengthUnit: unit },
  } = context;
  const [union, judgements] = await Promise.all([
    db.unions.findOne({ where: { clubId, id: unionId }, raw: true }),
    db.judgements.findAll({ where: { clubId, unionId }, raw: true }),
  ]);
  if (!union) throw notFound('The union');
  const counts = openJudgement(union, judgements);
  const method = methodById(counts?.method ?? union.method);
  const measures = counts?.measures ?? exampleMeasures(method);
  const drawing = kept('a union from the side', { method: method.id, measures, unit }, () =>
    judgeUnion(method, defaultRule(method), measures, {}, 'joined').assessment.side({ unit }),
  );
  return {
    drawing,
    from: counts ? 'Drawn as it was measured.' : 'Nobody measured it; drawn as such unions usually are.',
  };
}
