import type { Marking } from '@/core/aftercare/mark-input';
import type { CauseLook } from '@/core/findings/causes/cause-inputs';
import type { UnionObservation } from '@/core/aftercare/observation-input';
import type { SpoiledCut } from '@/core/score/spoiled-input';
import type { SentJudgement } from '@/core/score/rubric/sent-judgement';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** Something that waits on this device to reach the server. */
export interface WaitingItem {
  /** Place in the queue; given by the database. */
  order?: number;
  /** Id of the judgement or of the tap, made on the device: the server takes it once, however often it comes. */
  judgementId: string;
  workshopId: string;
  seatId: string;
  number: number;
  /** "7-4", for people. */
  called: string;
  assessor: { id: string; name: string };
  queuedAt: number;
  /** Times it was sent without an answer; from the first on it may have arrived. */
  tries: number;
  /** Times the server failed at it by itself, and when it is asked again, ms. */
  stumbles?: number;
  notBefore?: number;
  /** Why the server would not have it, in its words. */
  refusal: string | null;
  /** Told by the server to have arrived; kept until a fresh state of the bench holds it. */
  deliveredAt: number | null;
}

type Unsent<Body> = Omit<Body, 'assessorId' | 'sentAt'>;
type Nothing = Record<string, never>;

/** It, with what is sent: a judgement, tasks that were marked, something seen on a
 * plant, a cut that spoiled, or that one of these is taken back. */
export type Waiting = WaitingItem &
  (
    | { kind: 'judgement'; body: SentJudgement }
    | { kind: 'withdrawal'; body: Nothing }
    | { kind: 'marks'; body: Unsent<Marking> }
    | { kind: 'marks-back'; body: Nothing }
    | { kind: 'seen'; body: Unsent<UnionObservation> }
    | { kind: 'seen-back'; body: Nothing }
    | { kind: 'spoiled'; body: Unsent<SpoiledCut> }
    | { kind: 'spoiled-back'; body: Nothing }
    | { kind: 'cause-look'; body: Unsent<CauseLook> }
  );

/** Where each kind of thing goes, and whether it takes back what went there before. */
export const WAYS: Record<Waiting['kind'], { at: string; back: boolean }> = {
  judgement: { at: '/api/judgements', back: false },
  withdrawal: { at: '/api/judgements', back: true },
  marks: { at: '/api/task-marks', back: false },
  'marks-back': { at: '/api/task-marks', back: true },
  seen: { at: '/api/union-observations', back: false },
  'seen-back': { at: '/api/union-observations', back: true },
  spoiled: { at: '/api/spoiled-cuts', back: false },
  'spoiled-back': { at: '/api/spoiled-cuts', back: true },
  'cause-look': { at: '/api/cause-looks', back: false },
};

interface DeviceSchema extends DBSchema {
  waiting: { key: number; value: Waiting };
  /** Benches as the server last gave them, by workshop and reader. */
  benches: { key: string; value: { key: string; bench: unknown } };
}

export type DeviceDatabase = IDBPDatabase<DeviceSchema>;

let opened: Promise<DeviceDatabase> | null = null;

/** The browser's own database. A later build only ever adds to it, so that a queue is never stranded. */
export function deviceDatabase(): Promise<DeviceDatabase> {
  opened ??= openDB<DeviceSchema>('pear-bench', 1, {
    upgrade(db) {
      db.createObjectStore('waiting', { keyPath: 'order', autoIncrement: true });
      db.createObjectStore('benches', { keyPath: 'key' });
    },
    // A newer build in another window asks for room; this one opens it again when it next needs it.
    blocking: () =>
      void opened?.then((db) => {
        db.close();
        opened = null;
      }),
    terminated: () => {
      opened = null;
    },
  });
  opened.catch(() => {
    opened = null;
  });
  return opened;
}
