import Link from 'next/link';
import { formatCode } from '@/core/codes/plant-code';
import type { GrowerPlantLife } from '@/core/follow-up/grower-plant-life';
import { formatDate } from '@/core/units/iso-date';
import { LifeLegend, LifeLine } from '@/ui/aftercare/plant/life-line';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';

/** A grower's own plant: how it was joined, its life so far, what it wants next and what happens otherwise. */
export function GrowerPlantPage({ token, page }: { token: string; page: GrowerPlantLife }) {
  const { plant, drawings, clubName, unit } = page;
  return (
    <>
      <p>
        <Link href={`/r/${token}`}>All your grafts</Link>
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
            {life.place === '' ? '' : `, ${life.place}`}, {formatDate(life.madeOn)}
          </h2>
          <h3 className="mt-3 font-bold">To do now</h3>
          {life.now.length === 0 && <p>Nothing.</p>}
          <ul className="divide-y divide-line">
            {life.now.map((task) => (
              <li key={task.task} className={`py-2 ${task.alarm ? 'border-l-8 border-loud pl-3' : ''}`}>
                <p className={`font-bold ${task.alarm ? 'text-loud' : ''}`}>{task.name}</p>
                <p>
                  {task.alarm
                    ? `Its last day was ${formatDate(task.latest!)}.`
                    : `${task.late ? 'Was due by' : 'Until'} ${formatDate(task.due.to)}.`}
                  {task.missed === '' ? '' : ` Otherwise: ${task.missed}`}
                </p>
              </li>
            ))}
          </ul>
          <h3 className="mt-3 font-bold">Next</h3>
          <ul>
            {life.next.map((task) => (
              <li key={task.task}>
                From {formatDate(task.due.from)}: {task.name}
                {task.missed === '' ? '' : <span className="text-muted"> Otherwise: {task.missed}</span>}
              </li>
            ))}
            {life.waiting.map(({ task, name, when }) => (
              <li key={task}>
                {when}: {name}
              </li>
            ))}
          </ul>
          <h3 className="mt-3 mb-1 font-bold">Its life so far</h3>
          <LifeLine life={life} />
          <LifeLegend life={life} unit={unit} />
          <details>
            <summary className="min-h-11 cursor-pointer py-2">As a list</summary>
            <ol>
              {life.events.map((event) => (
                <li key={event.id}>
                  {formatDate(event.on)}: {event.words}
                </li>
              ))}
            </ol>
          </details>
          <h3 className="mt-3 font-bold">How it was joined</h3>
          <UnionDrawing drawing={drawings[i]!.drawing} width={140} title={drawings[i]!.from} />
        </section>
      ))}
      <p className="text-sm text-muted">
        Blades closed or down before hands meet; cut away from the body and from the hand that holds. Local rules come
        first.
      </p>
    </>
  );
}
