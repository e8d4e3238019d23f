import { capital } from '@/core/units/capital';
import { formatDate } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import type { TemperatureUnit } from '@/core/units/temperature';
import type { SlipOdds, SlipOutlook } from '@/core/plan/phenology/bark-slip';

const ODDS: Record<SlipOdds, { words: string; mark: string }> = {
  likely: { words: 'likely', mark: 'border-life text-life font-bold' },
  possible: { words: 'possible', mark: 'border-ink' },
  unlikely: { words: 'unlikely', mark: 'border-loud text-loud font-bold' },
};

interface BarkSlipBoardProps {
  outlooks: readonly { species: string; outlook: SlipOutlook }[];
  date: string;
  units: { length: LengthUnit; temperature: TemperatureUnit };
}

/** Whether bark will slip on a day, by kind and part of the day, and what says so. The day is chosen without script. */
export function BarkSlipBoard({ outlooks, date, units }: BarkSlipBoardProps) {
  return (
    <div className="flex flex-col gap-3">
      <form method="get" className="flex flex-wrap items-end gap-2">
        <label className="text-sm font-bold">
          Day
          <input type="date" name="slip" defaultValue={date} required className="bench-input mt-0.5 block" />
        </label>
        <button type="submit" className="bench-button">
          Show this day
        </button>
      </form>
      {outlooks.map(({ species, outlook: { parts, why, advice } }) => (
        <div key={species} className="border-t border-line pt-2">
          <h3 className="font-bold">
            {capital(species)}, {formatDate(date)}
          </h3>
          <dl className="my-1 grid grid-cols-3 gap-2">
            {parts.map(({ part, odds }) => (
              <div key={part} className={`border-l-4 pl-2 ${ODDS[odds].mark}`}>
                <dt className="text-sm font-normal text-muted">{capital(part)}</dt>
                <dd>{ODDS[odds].words}</dd>
              </div>
            ))}
          </dl>
          <ul className="list-disc pl-5">
            {why.map((reason, i) => (
              <li key={i}>{written(reason, units.length, units.temperature)}</li>
            ))}
          </ul>
          {advice !== null && <p className="mt-1 font-bold">{written(advice, units.length, units.temperature)}</p>}
        </div>
      ))}
      <p className="text-sm text-muted">
        How much water, heat and a test cut each count is our guess; a test cut on the morning itself counts most. Enter
        test cuts and waterings under “What was seen”.
      </p>
    </div>
  );
}
