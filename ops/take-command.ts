import { takeOfPlants } from '@/core/findings/take/take-of-plants';
import type { TakeRate } from '@/core/findings/take/take-rate';
import type { TakeState } from '@/core/findings/take/take-state';
import { modelCommand } from './model-command';

/*
 * npm run -s take -- FILE.csv
 * Reads plant and state (alive, dead or unknown), a union a row, and variety if it has one; prints the take of unions,
 * plants and varieties as JSON.
 */
const STATES: readonly string[] = ['alive', 'dead', 'unknown'] satisfies TakeState[];

/** The reference's name of the column. */
const OF = 'of';

modelCommand({
  name: 'take',
  needs: ['plant', 'state'],
  answer: ({ columns, rows }) => {
    const take = takeOfPlants(
      rows.map((row, at) => {
        const [plant, state] = [(row.plant ?? '').trim(), (row.state ?? '').trim()];
        if (plant === '') throw new RangeError(`Row ${at + 1}: plant is empty.`);
        if (!STATES.includes(state))
          throw new RangeError(`Row ${at + 1}: state is alive, dead or unknown, not "${state}".`);
        const variety = columns.includes('variety') ? (row.variety ?? '').trim() || null : null;
        return { plant, state: state as TakeState, variety };
      }),
    );
    const row = (level: string, counts: TakeRate) => ({
      [OF]: level,
      alive: counts.alive,
      dead: counts.dead,
      unknown: counts.unknown,
      rate: counts.rate,
      low: counts.interval?.low ?? null,
      high: counts.interval?.high ?? null,
      bound_low: counts.bounds?.low ?? null,
      bound_high: counts.bounds?.high ?? null,
    });
    return [
      row('union', take.unions),
      row('plant', take.plants),
      ...(take.varieties ? [row('variety', take.varieties)] : []),
    ];
  },
});
