import { judgeUnion, STAGES, type UnionJudgement } from '@/core/score/rubric/judge-union';
import type { Waiting } from '@/ui/kit/device/device-database';
import {
  type BenchJudgement,
  benchMethod,
  type BenchSpoiled,
  type BenchState,
  type BenchUnion,
  type LoadedMethods,
} from './bench-data';

/**
 * The bench as the server last gave it, with what waits on this device on top: judged here by the
 * same rule. What the server refused is left out, since it is nothing until somebody mends it.
 */
export function withWaiting(state: BenchState, waiting: readonly Waiting[], loaded: LoadedMethods): BenchState {
  let { unions, unseen } = state;
  for (const item of waiting) {
    if (item.workshopId !== state.workshop.id || item.refusal !== null) continue;
    if (item.kind === 'withdrawal') {
      unions = unions.flatMap((union) => withoutJudgement(union, item.judgementId));
      continue;
    }
    if (item.kind !== 'judgement') continue;
    if (unions.some(({ judgements }) => judgements.some(({ id }) => id === item.judgementId))) continue;
    const judgement = judgedHere(state, item, loaded);
    if (!judgement) continue;
    const ofKeeper = item.body.kind === 'keeper' ? item.body.unionId : null;
    const known = unions.find(({ id, kind, seatId, number }) =>
      ofKeeper === null ? kind === 'practice' && seatId === item.seatId && number === item.number : id === ofKeeper,
    );
    const corrects = item.body.correctsId;
    if (!known) {
      unions = [
        ...unions,
        {
          id: ofKeeper ?? item.judgementId,
          kind: ofKeeper === null ? 'practice' : 'keeper',
          method: judgement.method,
          stage: judgement.stage,
          seatId: item.seatId,
          number: item.number,
          counts: judgement.id,
          judgements: [judgement],
          likelyDouble: false,
          glyph: glyphOf(state, judgement, loaded),
          seenAt: item.queuedAt,
        },
      ];
    } else if (corrects === null) {
      const later = STAGES.indexOf(judgement.stage) > STAGES.indexOf(known.stage);
      const judged = { ...known, judgements: [...known.judgements, judgement] };
      const next = later ? countingFrom(state, judged, judgement, loaded) : judged;
      unions = unions.map((union) => (union === known ? next : union));
    } else {
      const before = known.judgements.find(({ id }) => id === corrects);
      const judgements = [
        ...known.judgements.filter(({ id }) => id !== corrects),
        { ...judgement, earlier: before ? [before.score, ...before.earlier] : [] },
      ];
      const corrected = { ...known, judgements };
      const next = known.counts === corrects ? countingFrom(state, corrected, judgement, loaded) : corrected;
      unions = unions.map((union) => (union === known ? next : union));
    }
    unseen = unseen.filter(({ seatId, number }) => seatId !== item.seatId || number !== item.number);
  }
  return { ...state, unions, unseen, spoiled: spoiledWith(state, waiting) };
}

/** A union of which this judgement counts from now on. */
function countingFrom(
  state: BenchState,
  union: BenchUnion,
  judgement: BenchJudgement,
  loaded: LoadedMethods,
): BenchUnion {
  const { id, method, stage } = judgement;
  return { ...union, counts: id, method, stage, glyph: glyphOf(state, judgement, loaded) };
}

function withoutJudgement(union: BenchUnion, judgementId: string): BenchUnion[] {
  if (!union.judgements.some(({ id }) => id === judgementId)) return [union];
  const judgements = union.judgements.filter(({ id }) => id !== judgementId);
  if (judgements.length === 0) return [];
  // What was judged at an earlier stage counts again.
  const latest = [...judgements].sort((a, b) => STAGES.indexOf(b.stage) - STAGES.indexOf(a.stage))[0]!;
  const stands = judgements.find(({ id }) => id === union.counts) ?? latest;
  return [{ ...union, judgements, counts: stands.id, method: stands.method, stage: stands.stage }];
}

function judgedHere(
  state: BenchState,
  { judgementId, body, assessor }: Extract<Waiting, { kind: 'judgement' }>,
  loaded: LoadedMethods,
): BenchJudgement | null {
  const { measures, marks, note, second, strokes } = body;
  // What an earlier build kept knew one method and one stage.
  const method = body.method ?? state.workshop.method;
  const stage = body.stage ?? 'joined';
  try {
    const judged = judgedBy(state, { method, measures, marks, stage }, loaded);
    return {
      id: judgementId,
      assessorId: assessor.id,
      assessor: assessor.name,
      method,
      stage,
      outlook: body.outlook ?? null,
      outlookBy: body.outlookBy ?? null,
      strokes,
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

type Entered = Pick<BenchJudgement, 'method' | 'measures' | 'marks' | 'stage'>;

/** @throws Error for a method that is not loaded. */
function judgedBy(
  state: BenchState,
  { method, measures, marks, stage }: Entered,
  loaded: LoadedMethods,
): UnionJudgement {
  const known = loaded.get(method);
  if (!known) throw new Error(`The method ${method} is not at this bench.`);
  return judgeUnion(known, benchMethod(state, method).rule, measures, marks, stage);
}

function glyphOf(state: BenchState, judgement: BenchJudgement, loaded: LoadedMethods): BenchUnion['glyph'] {
  const { assessment, fatal, grades } = judgedBy(state, judgement, loaded);
  return {
    runs: assessment.contact.ring,
    fatal: grades.find(({ point }) => point.id === fatal[0])?.point.letter ?? null,
  };
}

/** Spoiled cuts with those that wait on this device, and without those that are taken back here. */
function spoiledWith({ workshop, spoiled = [] }: BenchState, waiting: readonly Waiting[]): BenchSpoiled[] {
  let cuts = [...spoiled];
  for (const item of waiting) {
    if (item.workshopId !== workshop.id || item.refusal !== null) continue;
    if (item.kind === 'spoiled' && !cuts.some(({ id }) => id === item.judgementId))
      cuts.push({ id: item.judgementId, seatId: item.seatId, method: item.body.method });
    if (item.kind === 'spoiled-back') cuts = cuts.filter(({ id }) => id !== item.judgementId);
  }
  return cuts;
}
