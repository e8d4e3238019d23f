/** @jsxImportSource preact */
import { formatCode } from '@/core/codes/plant-code';
import { type Happening, HAPPENINGS } from '@/core/aftercare/happening';
import type { OwnPlant } from '@/core/follow-up/grower/grower-page';
import type { Wording } from '@/core/follow-up/wording/wording';

interface HappenedProps {
  token: string;
  form: string;
  plants: readonly OwnPlant[];
  today: string;
  wording: Wording;
}

/** Whatever happens to a plant can be told on the day it happens, whether or not anything is asked. */
export function Happened({ token, form, plants, today, wording: { say } }: HappenedProps) {
  if (plants.length === 0) return null;
  return (
    <details class="happened">
      <summary>{say('happened.heading')}</summary>
      <form method="post" action={`/r/${token}`}>
        <input type="hidden" name="wish" value="happened" />
        <input type="hidden" name="form" value={form} />
        <label>
          {say('happened.plant')}
          <select name="plant">
            {plants.map(({ unionId, code, variety, position }) => (
              <option value={unionId}>
                {formatCode(code)}, {variety}
                {position && `, ${position}`}
              </option>
            ))}
          </select>
        </label>
        <label>
          {say('happened.what')}
          <select name="what">
            {(Object.keys(HAPPENINGS) as Happening[]).map((what) => (
              <option value={what}>{say(`happened.${what}`)}</option>
            ))}
          </select>
        </label>
        <label>
          {say('happened.graft')}
          <select name="graft">
            {(['open', 'dead'] as const).map((fate) => (
              <option value={fate}>{say(`happened.graft.${fate}`)}</option>
            ))}
          </select>
        </label>
        <label>
          {say('page.seen-on')}
          <input type="date" name="seenOn" max={today} value={today} />
        </label>
        <label>
          {say('page.note')}
          <input name="note" maxlength={300} autocomplete="off" />
        </label>
        <button type="submit">{say('happened.send')}</button>
      </form>
    </details>
  );
}
