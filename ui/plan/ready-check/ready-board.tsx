import Link from 'next/link';
import type { Light, ReadyLine, ReadyPlace } from '@/core/plan/ready-check/ready-line';
import { LightWord } from '../dates/light-word';

const ORDER: Light[] = ['stop', 'care', 'todo', 'go'];
const WORDS: Record<Light, string> = { stop: 'Stop', care: 'Mind', todo: 'To do', go: 'Good' };

/** The morning's questions, those that stop the day first, each with its answer and what to do. */
export function ReadyBoard({
  light,
  lines,
  hrefs,
}: {
  light: Light;
  lines: ReadyLine[];
  /** Where each remedy is done. */
  hrefs: Record<ReadyPlace, string>;
}) {
  const questions = [...new Set(lines.map(({ question }) => question))]
    .map((question) => {
      const own = lines.filter((line) => line.question === question);
      return { question, own, worst: ORDER.find((light) => own.some((line) => line.light === light))! };
    })
    .sort((a, b) => ORDER.indexOf(a.worst) - ORDER.indexOf(b.worst));
  const count = (light: Light): number => lines.filter((line) => line.light === light).length;
  const [stops, cares, todos] = [count('stop'), count('care'), count('todo')];
  const told = [
    ...(stops > 0 ? [`${stops} ${stops === 1 ? 'thing stops' : 'things stop'} the day`] : []),
    ...(cares > 0 ? [`${cares} to mind`] : []),
    ...(todos > 0 ? [`${todos} still to do before the day`] : []),
  ];
  return (
    <div className="flex flex-col gap-4">
      <p className="flex flex-wrap items-center gap-4 border-y-4 border-ink py-3">
        <LightWord light={light} large />
        <span>{told.length === 0 ? 'Nothing speaks against it.' : `${told.join(', ')}.`}</span>
      </p>
      <dl className="flex flex-col">
        {questions.map(({ question, own, worst }) => (
          <div
            key={question}
            className="grid gap-x-6 gap-y-1 border-b border-line py-3 sm:grid-cols-[16rem_minmax(0,1fr)]"
          >
            <dt className={`text-lg font-bold ${worst === 'stop' ? 'text-loud' : ''}`}>{question}</dt>
            <dd className="flex flex-col gap-2">
              {own.map((line) => (
                <div key={line.id} className="grid grid-cols-[4rem_minmax(0,1fr)] gap-2">
                  <span
                    className={`font-bold ${line.light === 'stop' ? 'text-loud' : line.light === 'go' ? 'text-life' : ''}`}
                  >
                    {WORDS[line.light]}
                  </span>
                  <span>
                    <span className={line.light === 'go' ? '' : 'font-bold'}>{line.says}</span>
                    {line.remedy && (
                      <span className="block">
                        {line.place ? <Link href={hrefs[line.place]}>{line.remedy}</Link> : line.remedy}
                      </span>
                    )}
                  </span>
                </div>
              ))}
            </dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
