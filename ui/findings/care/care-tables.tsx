import type { TiesInTime } from '@/core/findings/care/ties-in-time';
import type { ToldErrors } from '@/core/findings/care/told-and-looked';
import { counted } from '@/core/units/counted';
import { FiguresTable } from '../figures-table';
import { range, shareWords } from '../take/take-words';

/** Ties off in time, by year and by who has the plants. */
export function TiesTable({ ties }: { ties: readonly TiesInTime[] }) {
  return (
    <FiguresTable
      label="Ties off by their last day"
      head={['Made in', 'With', 'Off in time', '95 % interval', 'In time', 'Late', 'Still on, with days left']}
      rows={ties.map(({ year, withUs, rate, interval, inTime, late, open }) => ({
        key: `${year} ${withUs}`,
        cells: [
          year,
          withUs ? 'us' : 'growers',
          <strong key="rate" className="text-lg">
            {shareWords(rate)}
          </strong>,
          range(interval),
          inTime,
          late,
          open,
        ],
      }))}
    />
  );
}

/** How a workshop's plants were cared for, to read their take beside; nothing where no tie is known. */
export function CareSection({ ties, drawn, all }: { ties: readonly TiesInTime[]; drawn: ToldErrors; all: ToldErrors }) {
  if (ties.length === 0) return null;
  return (
    <section aria-labelledby="care-title">
      <h2 id="care-title">Ties off by their last day</h2>
      <TiesTable ties={ties} />
      <ToldWords drawn={drawn} all={all} />
    </section>
  );
}

/** How often what was told was not so, as far as somebody looked. */
export function ToldWords({ drawn, all }: { drawn: ToldErrors; all: ToldErrors }) {
  if (all.looked === 0)
    return (
      <p className="max-w-prose">
        Nobody has looked yet at a plant that a grower told of within a fortnight, so how often growers are wrong is not
        known. One answer in twenty is drawn by lot to be looked at; those stand among the work of the week.
      </p>
    );
  const words = ({ looked, wrong, interval }: ToldErrors): string =>
    `${wrong} of ${counted(looked, 'answer')} ${wrong === 1 ? 'was' : 'were'} not so (${range(interval)})`;
  return (
    <p className="max-w-prose">
      Of what growers told and somebody looked at within a fortnight, <strong>{words(all)}</strong>.{' '}
      {drawn.looked > 0
        ? `Of those drawn by lot, which nobody picked, ${words(drawn)}.`
        : 'None of these was drawn by lot: plants that somebody had a reason to look at may be wrong more often than others.'}
    </p>
  );
}
