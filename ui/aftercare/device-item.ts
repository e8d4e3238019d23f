import type { NewWaiting } from '@/ui/kit/device/waiting-queue';

/** What every entry of aftercare has in the device's queue: one and its taking back stay in order, others need not wait. */
export function deviceItem(
  me: { id: string; name: string },
  id: string,
  called: string,
): Omit<NewWaiting, 'kind' | 'body'> {
  return { judgementId: id, workshopId: '', seatId: id, number: 0, called, assessor: me, queuedAt: Date.now() };
}
