import type { ScoringRule } from '@/core/scoring/judge-union';
import { methodById } from '@/core/methods/registry';
import { defaultRule } from '@/core/scoring/judge-union';
import { workshopBriefing } from './briefing';
import type { Context } from './context';
import { type ScoredUnion, scoredUnions, type SeenJudgement } from './scored-unions';
import { ERASED_NAME, listSeats } from './seats';
import { getWorkshop } from './workshops';

/** What the scoring bench of a workshop is opened with. */
export async function openBench(context: Context, workshopId: string) {
  const workshop = await getWorkshop(context, workshopId);
  const [seats, unions, briefing] = await Promise.all([listSeats(context, workshopId), scoredUnions(context, workshopId), workshopBriefing(context, workshopId)]);
  // The rule is the one a judgement saved now would be scored by.
  const rule: ScoringRule = defaultRule(methodById(workshop.method), workshop.schools);
  return {
    workshop, rule,
    seats: seats.filter(({ absent }) => !absent).map(({ id, number, person }) => ({ id, number, name: person.name ?? ERASED_NAME, briefed: briefing.acknowledged.get(person.id)?.current ?? false })),
    unions: unions.map(plainUnion),
  };
}

function plainUnion(union: ScoredUnion) {
  return { id: union.id, seatId: union.seatId, number: union.number, likelyDouble: union.likelyDouble, glyph: union.glyph, counts: plain(union.counts), judgements: union.judgements.map(plain) };
}

function plain({ id, assessorName, score, contact, contactWords, measures, marks, note, earlier }: SeenJudgement) {
  return { id, assessor: assessorName, score, contact, contactWords, measures, marks, note, earlier: earlier.map((one) => one.score) };
}
