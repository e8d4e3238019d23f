import { putJudgements } from '@/server/score/judgement-batch';
import { handle } from '../../../_http/handle';

/** Judgements that waited on a device, each by its own id: an answer for each. */
export const PUT = handle(
  async (context, { body }) => {
    const results = await putJudgements(context, await body());
    for (const { id, fault } of results) if (fault) console.error('PUT /api/judgements', id, fault);
    return { results: results.map(({ id, status, message, fields }) => ({ id, status, message, fields })) };
  },
  { mostJson: 500_000 },
);
