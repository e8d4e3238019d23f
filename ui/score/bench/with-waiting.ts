import type { Method } from '@/core/methods/method';
import { judgeUnion } from '@/core/score/rubric/judge-union';
import type { Waiting } from '@/ui/kit/device/device-database';
import { type BenchJudgement, type BenchState, type BenchUnion, counting } from './bench-data';

/**
 * The bench as the server last gave it, with what waits on this device on top: judged here by the
 * same rule. What the server refused is left out, since it is nothing until somebody mends it.
 */
export function withWaiting(state: BenchState, waiting: readonly Waiting[], method: Method): BenchState {
  let { unions, unseen } = state;
  for (const item of waiting) {
    if (item.workshopId !== state.workshop.id || item.refusal !== null) continue;
    if (item.kind === 'withdrawal') {
      unions = unions.flatMap((union) => withoutJudgement(union, item.judgementId));
      continue;
    }
    if (unions.some(({ judgements }) => judgements.some(({ id }) => id === item.judgementId))) continue;
    const judgement = judgedHere(state, item, method);
    if (!judgement) continue;
    const known = unions.find(({ seatId, number }) => seatId === item.seatId && number === item.number);
    const corrects = item.body.correctsId;
    if (!known) {
      unions = [
        ...unions,
        {
          id: item.judgementId,
          seatId: item.seatId,
          number: item.number,
          counts: judgement.id,
          judgements: [judgement],
          likelyDouble: false,
          glyph: glyphOf(state, judgement, method),
          seenAt: item.queuedAt,
        },
      ];
    } else if (corrects === null) {
      unions = unions.map((union) =>
        union === known ? { ...union, judgements: [...union.judgements, judgement] } : union,
      );
    } else {
      const before = known.judgements.find(({ id }) => id === corrects);
      const judgements = [
        ...known.judgements.filter(({ id }) => id !== corrects),
        { ...judgement, earlier: before ? [before.score, ...before.earlier] : [] },
      ];
      const counts = known.counts === corrects ? judgement.id : known.counts;
      unions = unions.map((union) =>
        union === known
          ? {
              ...union,
              judgements,
              counts,
              glyph: counts === judgement.id ? glyphOf(state, judgement, method) : union.glyph,
            }
          : union,
      );
    }
    unseen = unseen.filter(({ seatId, number }) => seatId !== item.seatId || number !== item.number);
  }
  return { ...state, unions, unseen };
}

function withoutJudgement(union: BenchUnion, judgementId: string): BenchUnion[] {
  if (!union.judgements.some(({ id }) => id === judgementId)) return [union];
  const judgements = union.judgements.filter(({ id }) => id !== judgementId);
  if (judgements.length === 0) return [];
  return [{ ...union, judgements, counts: counting({ ...union, judgements }).id }];
}

function judgedHere(
  state: BenchState,
  { judgementId, body, assessor }: Extract<Waiting, { kind: 'judgement' }>,
  method: Method,
): BenchJudgement | null {
  const { measures, marks, note, second } = body;
  try {
    const judged = judgeUnion(method, state.rule, measures, marks, 'joined');
    return {
      id: judgementId,
      assessorId: assessor.id,
      assessor: assessor.name,
      score: judged.score,
      contact: judged.assessment.contact.contact,
      contactWords: judged.assessment.contactGrade.words,
      measures,
      marks,
      note,
      // An earlier build kept no such word.
      blind: second ?? false,
      earlier: [],
      waits: true,
      attempt: { score: judged.score, fatal: judged.fatal.length > 0, recut: Object.values(marks).includes('recut') },
    };
  } catch {
    // Kept from an earlier build whose fields this one does not know: the server will say what it makes of it.
    return null;
  }
}

function glyphOf(state: BenchState, { measures, marks }: BenchJudgement, method: Method): BenchUnion['glyph'] {
  const { assessment, fatal, grades } = judgeUnion(method, state.rule, measures, marks, 'joined');
  return {
    runs: assessment.contact.ring,
    fatal: grades.find(({ point }) => point.id === fatal[0])?.point.letter ?? null,
  };
}
