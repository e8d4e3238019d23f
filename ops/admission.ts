/** How many requests are worked on at once, and how many may queue for how long. */
export interface Room {
  atOnce: number;
  waiting: number;
  /** ms */
  patience: number;
  /** A place is given back after so many ms at the latest, though its work goes on. */
  hold?: number;
}

/** Leave to begin, which has to be given back. */
type Leave = () => void;

/** No room, and when to come again, seconds. */
interface Refused {
  again: number;
}

export type Answer = { leave: Leave } | Refused;

/** How much the last work counts in how long work takes. */
const WEIGHT = 0.1;

/**
 * A door that lets so many requests in at once and keeps the others in a queue: work that is done one
 * after the other is done sooner than all of it at the same time, and nobody is refused for coming
 * with a class. Whose turn would not come in time, by how long work has taken lately, is told at once when to come again;
 * so is who waited in vain.
 */
export function admission({ atOnce, waiting, patience, hold }: Room): () => Promise<Answer> {
  let inside = 0;
  /** How long a place is taken, ms: the latest count most. */
  let usual = 0;
  const queue: { admit: () => void; timer: NodeJS.Timeout }[] = [];
  const expected = (): number => ((queue.length + 1) * usual) / atOnce;
  const refused = (): Refused => ({ again: Math.max(1, Math.ceil(expected() / 1000)) });
  const enter = (): Answer => {
    inside++;
    const began = performance.now();
    let left = false;
    const leave = (): void => {
      if (left) return;
      left = true;
      clearTimeout(bell);
      usual += WEIGHT * (performance.now() - began - usual);
      inside--;
      const next = queue.shift();
      if (next) {
        clearTimeout(next.timer);
        next.admit();
      }
    };
    const bell = hold === undefined ? undefined : setTimeout(leave, hold);
    return { leave };
  };
  return () => {
    if (inside < atOnce) return Promise.resolve(enter());
    if (queue.length >= waiting || expected() > patience) return Promise.resolve(refused());
    return new Promise((resolve) => {
      const place = {
        admit: () => resolve(enter()),
        timer: setTimeout(() => {
          queue.splice(queue.indexOf(place), 1);
          resolve(refused());
        }, patience),
      };
      queue.push(place);
    });
  };
}
