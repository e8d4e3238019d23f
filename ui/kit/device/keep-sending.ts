import { nextTry } from './next-try';
import { sendRound } from './send-round';
import { allWaiting, dropWaiting } from './waiting-queue';

/** Sends until told to stop, after longer and longer pauses while something stays. */
export function keepSending(assessorId: string): () => void {
  let timer: ReturnType<typeof setTimeout>;
  let stopped = false;
  let failures = 0;
  const work = async (): Promise<void> => {
    await sendRound(assessorId);
    await dropWaiting(
      (await allWaiting()).filter(({ deliveredAt }) => deliveredAt !== null).map(({ order }) => order!),
    );
    if (!stopped) timer = setTimeout(() => void work(), nextTry(++failures, Math.random()));
  };
  void work();
  return () => {
    stopped = true;
    clearTimeout(timer);
  };
}
