/** How many requests are worked on at once, and how many may queue for how long. */
export interface Room {
  atOnce: number;
  waiting: number;
  /** ms */
  patience: number;
}

/** Leave to begin, which has to be given back; null when there is no room. */
export type Leave = (() => void) | null;

/**
 * A door that lets so many requests in at once and keeps the others in a queue: work that is done one
 * after the other is done sooner than all of it at the same time, and nobody is refused for coming
 * with a class. Who finds the queue full, or waits too long, is told to come again.
 */
export function admission({ atOnce, waiting, patience }: Room): () => Promise<Leave> {
  let inside = 0;
  const queue: { admit: () => void; timer: NodeJS.Timeout }[] = [];
  const enter = (): Leave => {
    inside++;
    let left = false;
    return () => {
      if (left) return;
      left = true;
      inside--;
      const next = queue.shift();
      if (next) {
        clearTimeout(next.timer);
        next.admit();
      }
    };
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
