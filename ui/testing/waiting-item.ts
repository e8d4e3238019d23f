import type { SentJudgement } from '@/core/score/rubric/sent-judgement';
import type { Waiting, WaitingItem } from '@/ui/kit/device/device-database';

/** What differs from a plain judgement that waits; of its body only what the test is about. */
export type WaitingChanges = Partial<WaitingItem> & { kind?: Waiting['kind']; body?: Partial<SentJudgement> };

/** A judgement, or what takes one back, that waits on this device. */
export function waitingItem({ kind = 'judgement', body = {}, ...changes }: WaitingChanges): Waiting {
  return {
    judgementId: 'j',
    workshopId: 'w',
    seatId: 's',
    number: 1,
    called: '1-1',
    assessor: { id: 'maren', name: 'Maren' },
    queuedAt: 1,
    tries: 0,
    refusal: null,
    deliveredAt: null,
    ...changes,
    // A test of the queue does not look into what is sent.
    ...({ kind, body } as Pick<Waiting, 'kind' | 'body'>),
  } as Waiting;
}
