import { editedPoint } from '@/ui/score/rubric/edited-point';
import type { Metadata } from 'next';
import { pointsOf } from '@/core/methods/shown-technique';
import { FATAL_CAP } from '@/core/score/rubric/score-union';
import { rubricEdits } from '@/server/score/rubric-editor';
import { countScoredOtherwise } from '@/server/score/rescoring';
import { methodAsked, taughtMethods } from '@/server/plan/planned-methods';
import { daySchools } from '@/server/plan/taught';
import { getWorkshop } from '@/server/plan/workshops';
import { MethodChoice } from '@/ui/kit/method-choice';
import { RubricWithWeights } from '@/ui/findings/models/rubric-with-weights';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Rubric' };

interface RubricProps {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<{ method?: string }>;
}

export default async function Rubric({ params, searchParams }: RubricProps) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const workshop = await orNotFound(getWorkshop(context, id));
  const { method: asked } = await searchParams;
  const [taught, schools] = await Promise.all([taughtMethods(context, workshop), daySchools(context, workshop)]);
  const method = methodAsked(taught, asked);
  const [{ version, edits }, scoredOtherwise] = await Promise.all([
    rubricEdits(context, method.id),
    countScoredOtherwise(context, id),
  ]);
  return (
    <>
      <h1>Rubric of {method.inSentence}</h1>
      <MethodChoice path={`/workshops/${id}/score/rubric`} methods={taught} chosen={method.id} />
      <p className="mb-4 max-w-[68ch]">
        It holds for every workshop of the club that teaches {method.inSentence}, from the moment it is saved. What was
        scored before keeps the rubric it was scored by, until the lead has it scored again.
      </p>
      <RubricWithWeights
        key={method.id}
        workshopId={id}
        method={method.id}
        version={version}
        edits={edits}
        usualCap={FATAL_CAP}
        thresholds={method.thresholds}
        role={context.actor.role}
        scoredOtherwise={scoredOtherwise}
        points={pointsOf(method, schools).map((point) => editedPoint(point, context.actor.lengthUnit))}
        unit={context.actor.lengthUnit}
      />
    </>
  );
}
