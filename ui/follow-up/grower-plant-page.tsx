import { formatCode } from '@/core/codes/plant-code';
import type { GrowerPlantLife } from '@/core/follow-up/grower-plant-life';
import type { Wording } from '@/core/follow-up/wording/wording';
import { formatLength } from '@/core/units/length';
import { LifeLegend, LifeLine } from '@/ui/aftercare/plant/life-line';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';

/** A grower's own plant: how it was joined, its life so far, what it wants next and what happens otherwise. */
interface GrowerPlantPageProps {
  token: string;
  page: GrowerPlantLife;
  wording: Wording;
}

export function GrowerPlantPage({ token, page, wording }: GrowerPlantPageProps) {
  const { plant, drawings, clubName, mayContact, unit } = page;
  const { say, day } = wording;
  return (
    <>
      <p>
        <a href={`/r/${token}`}>{say('plant.all')}</a>
      </p>
      <p className="text-muted">{clubName}</p>
      <h1 className="text-4xl!">{formatCode(plant.code)}</h1>
      <p className="mb-3">
        <strong>{plant.variety}</strong> ({plant.species}) on {plant.stockType}
      </p>
      {plant.unions.map((life, i) => (
        <section key={life.unionId} className="mb-6" aria-labelledby={life.unionId}>
          <h2 id={life.unionId}>
            {life.method}
            {life.place === '' ? '' : `, ${life.place}`}, {day(life.madeOn)}
          </h2>
          <Size life={life} unit={unit} wording={wording} />
          <h3 className="mt-3 font-bold">{say('plant.to-do')}</h3>
          {life.now.length === 0 && <p>{say('plant.nothing')}</p>}
          <ul className="divide-y divide-line">
            {life.now.map((task) => (
              <li key={task.task} className={`py-2 ${task.alarm ? 'border-l-8 border-loud pl-3' : ''}`}>
                <p className={`font-bold ${task.alarm ? 'text-loud' : ''}`}>{task.name}</p>
                <p>
                  {task.alarm
                    ? say('plant.last-day', { day: day(task.latest!) })
                    : say(task.late ? 'plant.was-due' : 'plant.until', { day: day(task.due.to) })}
                  {task.missed === '' ? '' : ` ${say('plant.otherwise', { missed: task.missed })}`}
                </p>
              </li>
            ))}
          </ul>
          <h3 className="mt-3 font-bold">{say('plant.next')}</h3>
          <ul>
            {life.next.map((task) => (
              <li key={task.task}>
                {say('plant.from', { day: day(task.due.from), task: task.name })}
                {task.missed !== '' && (
                  <span className="text-muted"> {say('plant.otherwise', { missed: task.missed })}</span>
                )}
              </li>
            ))}
            {life.waiting.map(({ task, name, when }) => (
              <li key={task}>
                {when}: {name}
              </li>
            ))}
          </ul>
          <h3 className="mt-3 mb-1 font-bold">{say('plant.life')}</h3>
          <LifeLine life={life} />
          <LifeLegend life={life} unit={unit} />
          <details>
            <summary className="min-h-11 cursor-pointer py-2">{say('plant.as-list')}</summary>
            <ol>
              {life.events.map((event) => (
                <li key={event.id}>
                  {day(event.on)}: {event.words}
                </li>
              ))}
            </ol>
          </details>
          <h3 className="mt-3 font-bold">{say('plant.joined')}</h3>
          <UnionDrawing drawing={drawings[i]!.drawing} width={140} title={drawings[i]!.from} />
        </section>
      ))}
      <p className="text-sm text-muted">{say('plant.caution')}</p>
      <YourSay {...{ token, clubName, mayContact, wording }} />
    </>
  );
}

type SizeProps = Pick<GrowerPlantPageProps, 'wording'> &
  Pick<GrowerPlantLife, 'unit'> & {
    life: GrowerPlantLife['plant']['unions'][number];
  };

/** Whether it is too small: its height among its like, and when it may bear. */
function Size({ life: { state, band, bearsIn }, unit, wording: { say } }: SizeProps) {
  if (state !== 'living') return null;
  return (
    <>
      <h3 className="mt-3 font-bold">{say('plant.size')}</h3>
      <p>
        {band
          ? say(`plant.size.${band.place}.${band.among}`, {
              count: band.plants,
              low: formatLength(band.low, unit),
              high: formatLength(band.high, unit),
            })
          : say('plant.size.unknown')}{' '}
        {say('plant.bears', { year: String(bearsIn) })}
      </p>
    </>
  );
}

interface YourSayProps extends Pick<GrowerPlantLife, 'clubName' | 'mayContact'> {
  token: string;
  wording: Wording;
}

/** Who reads it, and the leave to write: shown and changed on this page, too. */
function YourSay({ token, clubName, mayContact, wording: { say } }: YourSayProps) {
  return (
    <section className="mt-4 border-t-2 border-ink pt-2" aria-labelledby="say">
      <h2 id="say">{say('consent.heading')}</h2>
      <p>{say('consent.read-by', { club: clubName })}</p>
      {mayContact !== null && (
        <form method="post" action={`/r/${token}`}>
          <p className="mb-2">{say(mayContact ? 'consent.yes' : 'consent.no', { club: clubName })}</p>
          <input type="hidden" name="wish" value={mayContact ? 'stop' : 'allow'} />
          <button type="submit" className="bench-button">
            {say(mayContact ? 'consent.stop' : 'consent.allow')}
          </button>
        </form>
      )}
      <p>
        <a className="inline-flex min-h-11 items-center" href={`/r/${token}#say`}>
          {say('consent.copy')}
        </a>
      </p>
    </section>
  );
}
