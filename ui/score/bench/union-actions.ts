import type { Point, Stage } from '@/core/methods/method';
import type { BenchJudgement, BenchUnion, LoadedMethods, UnseenUnion } from './bench-data';
import { type Entry, entryOf, newEntry, nextMark } from './entry';
import type { OpenUnion } from './open-union';
import type { useAtHand } from './use-at-hand';
import type { Draft } from './use-drafts';

interface Doing {
  atHand: ReturnType<typeof useAtHand>;
  /** Puts a draft on the screen. */
  begin: (began: Pick<Draft, 'entry'> & Partial<Draft>) => void;
  /** Changes the entry, so that the step can be undone. */
  edit: (entry: Entry) => void;
}

/** What can be done with the union that is open, besides typing and saving. */
export function unionActions(open: OpenUnion, loaded: LoadedMethods, { atHand, begin, edit }: Doing) {
  const { seat, method, draft, entry, read, unit } = open;
  return {
    mark: (point: Point): void =>
      edit({ ...entry, marks: nextMark(point, entry.marks, read.shown.assessment.grades[point.id] ?? 'good') }),
    correct: (union: BenchUnion, judgement: BenchJudgement): void => {
      const by = loaded.get(judgement.method) ?? method;
      begin({ entry: entryOf(by, judgement, unit, judgement.id), correcting: union.number, method: by.id });
    },
    scoreToo: ({ number, method: id }: UnseenUnion): void =>
      begin({ entry: newEntry(loaded.get(id) ?? method, null, unit), second: number, method: id }),
    /** Another method for what is open; it is the seat's from then on. */
    chooseMethod: (id: string): void => {
      atHand.remember({ methodOf: { ...atHand.methodOf, [seat.id]: id } });
      const by = loaded.get(id);
      if (draft && by)
        begin({ ...draft, past: [], entry: { ...newEntry(by, null, unit), correctsId: entry.correctsId }, method: id });
    },
    /** How far a keeper is; the next one that nobody judged is begun at the same stage. */
    chooseStage: (stage: Stage): void => {
      if (open.judgedAt === null) atHand.remember({ keeperStage: stage });
      edit({ ...entry, stage });
    },
    /** Will it live? The same answer again takes it back. */
    foretell: (outlook: Entry['outlook'], outlookBy: Entry['outlookBy']): void =>
      edit({
        ...entry,
        outlook: entry.outlook === outlook && entry.outlookBy === outlookBy ? null : outlook,
        outlookBy,
      }),
  };
}
