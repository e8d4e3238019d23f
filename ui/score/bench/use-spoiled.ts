import { useRef } from 'react';
import { v7 as uuid } from 'uuid';
import { takeBackUnsent } from '@/ui/kit/device/waiting-queue';
import type { OpenUnion } from './open-union';
import type { LiveBench } from './use-bench';
import type { Told } from './use-saving';

const NO_ROOM: Told = {
  notice: '',
  problem: {
    message: 'This browser could not keep it: its storage is full or closed to this page. Count it on paper.',
    fields: {},
  },
};

/** Cuts that spoiled their wood at the open seat by the open method: how many, one more, and the last one taken back. */
export function useSpoiled(
  { state, keep, sendNow }: LiveBench,
  { seat, method }: Pick<OpenUnion, 'seat' | 'method'>,
  tell: (told: Told) => void,
) {
  const busy = useRef(false);
  const own = (state.spoiled ?? []).filter((cut) => cut.seatId === seat.id && cut.method === method.id);
  const about = (id: string) => ({
    judgementId: id,
    workshopId: state.workshop.id,
    seatId: seat.id,
    number: 0,
    called: `Spoiled cut, seat ${seat.number}`,
    assessor: state.assessor,
    queuedAt: Date.now(),
  });
  /** One at a time: a second tap while the first is written would take back another cut. */
  const alone = async (work: () => Promise<void>): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    try {
      await work();
    } catch {
      tell(NO_ROOM);
    } finally {
      busy.current = false;
    }
    void sendNow();
  };
  return {
    count: own.length,
    add: () =>
      alone(() =>
        keep({
          ...about(uuid()),
          kind: 'spoiled',
          body: { workshopId: state.workshop.id, seatId: seat.id, method: method.id },
        }),
      ),
    takeBack: () =>
      alone(async () => {
        const last = own.at(-1);
        if (last && !(await takeBackUnsent(last.id))) await keep({ ...about(last.id), kind: 'spoiled-back', body: {} });
      }),
  };
}
