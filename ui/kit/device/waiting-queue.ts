import { deviceDatabase, type Waiting, type WaitingItem, WAYS } from './device-database';

/** Written through to the disk before it is said to be kept: a battery may die in the next second. */
const THROUGH = { durability: 'strict' } as const;

type New<Item> = Item extends Waiting ? Omit<Item, 'order' | 'tries' | 'refusal' | 'deliveredAt'> : never;
export type NewWaiting = New<Waiting>;

/** Keeps something on the device until the server has it. Resolves when it is on the disk. */
export async function keepWaiting(item: NewWaiting): Promise<void> {
  const db = await deviceDatabase();
  const work = db.transaction('waiting', 'readwrite', THROUGH);
  await Promise.all([work.store.add({ ...item, tries: 0, refusal: null, deliveredAt: null }), work.done]);
  tellOthers();
}

/** Everything kept, in the order it was made. */
export async function allWaiting(): Promise<Waiting[]> {
  return (await deviceDatabase()).getAll('waiting');
}

/** Changes an item if it is still there. */
export function changeWaiting(order: number, change: Partial<WaitingItem>): Promise<void> {
  return changeAllWaiting([[order, change]]);
}

/** Changes those of some items that are still there, all in one write. */
export async function changeAllWaiting(changes: readonly (readonly [number, Partial<WaitingItem>])[]): Promise<void> {
  if (changes.length === 0) return;
  const db = await deviceDatabase();
  const work = db.transaction('waiting', 'readwrite', THROUGH);
  for (const [order, change] of changes) {
    const item = await work.store.get(order);
    if (item) await work.store.put({ ...item, ...change });
  }
  await work.done;
  tellOthers();
}

export async function dropWaiting(orders: readonly number[]): Promise<void> {
  if (orders.length === 0) return;
  const db = await deviceDatabase();
  const work = db.transaction('waiting', 'readwrite', THROUGH);
  await Promise.all([...orders.map((order) => work.store.delete(order)), work.done]);
  tellOthers();
}

/**
 * Takes something back that never left the device.
 *
 * @returns false when it was sent, or may have been: then the server has to be told.
 */
export async function takeBackUnsent(judgementId: string): Promise<boolean> {
  const db = await deviceDatabase();
  const work = db.transaction('waiting', 'readwrite', THROUGH);
  const item = (await work.store.getAll()).find(
    (waiting) => !WAYS[waiting.kind].back && waiting.judgementId === judgementId,
  );
  const unsent = item !== undefined && item.tries === 0 && item.deliveredAt === null;
  if (unsent) await work.store.delete(item.order!);
  await work.done;
  tellOthers();
  return unsent;
}

const CHANNEL = 'pear-bench-waiting';
const own = new Set<() => void>();

function tellOthers(): void {
  for (const listener of own) listener();
  if (typeof BroadcastChannel === 'undefined') return;
  const channel = new BroadcastChannel(CHANNEL);
  channel.postMessage('changed');
  channel.close();
}

/** Calls back when the queue changed, in this window or another. */
export function onWaiting(listener: () => void): () => void {
  own.add(listener);
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL);
  if (channel) channel.onmessage = () => listener();
  return () => {
    own.delete(listener);
    channel?.close();
  };
}
