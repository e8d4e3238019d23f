/** How many requests are worked on at once, and how many may queue for how long. */
export interface Room {
  atOnce: number;
  waiting: number;
  /** ms */
  patience: number;
  /** A place is given back after so many ms at the latest, though its work goes on. */
  hold?: number;
}

/** Leave to begin, which has to be given back; null when there is no room. */
export type Leave = (() => void) | null;

/**
 * A door that lets so many requests in at once and keeps the others in a queue: work that is done one
 * after the other is done sooner than all of it at the same time, and nobody is refused for coming
 * with a class. Who finds the queue full, or waits too long, is told to come again.
 */
export function admission({ atOnce, waiting, patience, hold }: Room): () => Promise<Leave> {
  let inside = 0;
  const queue: { admit: () => void; timer: NodeJS.Timeout }[] = [];
  const enter = (): Leave => {
    inside++;
    let left = false;
    const leave = (): void => {
      if (left) return;
      left = true;
      clearTimeout(bell);
      inside--;
      const next = queue.shift();
      if (next) {
        clearTimeout(next.timer);
        next.admit();
      }
    };
    const bell = hold === undefined ? undefined : setTimeout(leave, hold);
    return leave;
  };
  return () => {
    if (inside < atOnce) return Promise.resolve(enter());
    if (queue.length >= waiting) return Promise.resolve(null);
    return new Promise((resolve) => {
      const place = {
        admit: () => resolve(enter()),
        timer: setTimeout(() => {
          queue.splice(queue.indexOf(place), 1);
          resolve(null);
        }, patience),
      };
      queue.push(place);
    });
  };
}
