import { written } from '@/core/units/prose';
import type { TemperatureUnit } from '@/core/units/temperature';
import { OUR_GUESS } from '@/core/units/figure-source';
import { capital } from '@/core/units/capital';
import type { Phenology } from '@/core/plan/phenology/phenology';
import type { Estimate } from '@/core/plan/phenology/estimate';
import { formatDate } from '@/core/units/iso-date';

const STAGES: [keyof Phenology, string][] = [
  ['dormant', 'Wood safely dormant'],
  ['swell', 'Buds swell'],
  ['leavesOut', 'Leaves out'],
  ['slipFrom', 'Bark slips from'],
  ['slipTo', 'Bark slips until'],
  ['lastFrost', 'Last frost'],
  ['budRipe', 'Buds ripe to set'],
  ['budOpen', 'Buds set now sleep until spring'],
  ['budClose', 'Last day for budding'],
  ['firstFrost', 'First frost'],
];

/** A species' year: earliest, likely and latest day of each stage, and what it is reckoned from. */
export function YearTable({ year, species, unit }: { year: Phenology; species: string; unit: TemperatureUnit }) {
  return (
    <div className="mb-4">
      <h3 className="font-bold">
        {capital(species)}, {formatDate(year.from)} to {formatDate(year.to)}
      </h3>
      <dl className="divide-y divide-line">
        {STAGES.map(([stage, name]) => {
          const estimate = year[stage] as Estimate | null;
          return (
            <div key={stage} className="grid grid-cols-[9.5rem_minmax(0,1fr)] gap-2 py-1.5">
              <dt>{name}</dt>
              <dd>
                {estimate ? (
                  <>
                    <span className="font-bold tabular-nums">{formatDate(estimate.best)}</span>
                    {estimate.observed ? (
                      <span className="ml-2 text-sm font-bold text-life">seen</span>
                    ) : (
                      <span className="ml-2 text-sm tabular-nums">
                        {short(estimate.early)} to {short(estimate.late)}
                      </span>
                    )}
                    <span className="block text-sm text-muted">
                      {written(estimate.basis, 'mm', unit)}
                      {estimate.observed ? '' : `; ${estimate.source ?? OUR_GUESS}`}
                    </span>
                  </>
                ) : (
                  <span className="text-muted">{none(year, stage)}</span>
                )}
              </dd>
            </div>
          );
        })}
      </dl>
    </div>
  );
}

const short = (date: string): string => formatDate(date).replace(/ \d{4}$/, '');

function none(year: Phenology, stage: keyof Phenology): string {
  if (['lastFrost', 'firstFrost', 'budRipe', 'budOpen', 'budClose'].includes(stage))
    return 'no frost here: work goes by flushes';
  return year.evergreen ? 'keeps its leaves, never sleeps' : 'no winter that would make it sleep';
}
