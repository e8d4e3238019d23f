import { percentRange } from '@/core/units/percent';
import { WOOD_WORDS } from '@/core/methods/use';
import { materialAmount } from '@/core/methods/material';
import type { Method, Point, Technique, Wood } from '@/core/methods/method';
import type { AftercareTask } from '@/core/methods/timetable/aftercare-task';
import type { Tool } from '@/core/methods/tool';
import { signWords } from '@/core/methods/timetable/round-advice';
import { triggerWords } from '@/core/methods/timetable/trigger-words';
import { capital } from '@/core/units/capital';
import { MILESTONE_WORDS } from '@/core/methods/milestones';
import type { ScoringRule } from '@/core/score/rubric/judge-union';
import { wordedPoints } from '@/core/score/rubric/worded-points';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { saidLength, written } from '@/core/units/prose';

const BARK = {
  'must slip': 'must slip',
  helpful: 'slipping helps, and is not needed',
  'need not slip': 'need not slip',
};

/** When and on what a method is done. */
export function MethodFacts({ method, tools, unit }: { method: Method; tools: readonly Tool[]; unit: LengthUnit }) {
  const { use, prior } = method;
  const facts: [string, string][] = [
    ['When', use.when],
    [
      'Stock',
      `${saidLength({ mm: use.stock.from, to: use.stock.to }, unit)}${use.stock.atBench ? `, at the bench from ${saidLength({ mm: use.stock.atBench }, unit)}` : ''}${use.stock.thicker ? ' and thicker' : ''}${use.stock.guessed ? ' (the upper end is our guess)' : ''}`,
    ],
    [
      'Scion',
      `${written(use.scion, unit)}${use.ratio ? `; ${use.ratio.from} to ${use.ratio.to} of the stock’s caliper` : ''}`,
    ],
    ['Bark', BARK[use.bark]],
    ['Where', use.places.map((place) => ({ bench: 'bench', field: 'field', pot: 'potted stock' })[place]).join(', ')],
    [
      'Wood',
      `about ${saidLength({ mm: use.woodLength }, unit)} a union, ${[...new Set(use.seasons.flatMap(({ wood }) => wood))].map((wood) => WOOD_WORDS[wood]).join(' or ')}`,
    ],
    [
      'Usual take',
      `${percentRange(prior)} in practised hands; a starting figure that stands for ${prior.weight} unions until the club has its own`,
    ],
    ['Sign of life', method.earlySign],
    ['Sign of failure', method.failureSign],
    ['Tools', tools.map(({ name }) => name).join(', ')],
  ];
  return (
    <dl className="grid grid-cols-[6.5rem_minmax(0,1fr)] gap-x-4 gap-y-1">
      {facts.map(([name, text]) => (
        <div key={name} className="contents">
          <dt className="text-muted">{name}</dt>
          <dd>{text}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Tasks with a day first, by their days; then what waits for growth or a season, as the method has it. */
const inOrder = (tasks: readonly AftercareTask[]): AftercareTask[] =>
  tasks.toSorted((a, b) => firstDay(a) - firstDay(b));
const firstDay = ({ trigger }: AftercareTask): number =>
  trigger.kind === 'days' ? trigger.earliest : Number.MAX_SAFE_INTEGER;

/** What a union uses up, what it is judged by in the club, and what is due on it afterwards. */
export function MethodAfter({
  method,
  technique,
  wood,
  rule,
  unit,
}: {
  method: Method;
  technique: Technique;
  wood: Wood;
  rule: ScoringRule;
  unit: LengthUnit;
}) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-2">
      <section aria-labelledby="after-title">
        <h2 id="after-title" className="mb-2">
          Aftercare
        </h2>
        <table className="bench-table">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">When</th>
              <th scope="col">If it is missed</th>
            </tr>
          </thead>
          <tbody>
            {inOrder(technique.aftercare).map((task) => (
              <tr key={task.id}>
                <td>{written(task.name, unit)}</td>
                <td>
                  {triggerWords(task.trigger, unit)}
                  {task.every && task.trigger.kind !== 'recurring' ? `, then every ${task.every} days` : ''}
                </td>
                <td>{task.missed === null ? '' : written(task.missed, unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <h2 className="mt-5 mb-2">Rounds</h2>
        {method.variants.map(({ id, words, rounds }) => (
          <div key={id} className="mb-2">
            {words && <h3 className="font-bold">{capital(words)}</h3>}
            <ul>
              {rounds.map((round) => (
                <li key={round.milestone}>
                  <strong>{MILESTONE_WORDS[round.milestone].name}</strong>, {triggerWords(round.trigger, unit)}
                  {round.afterCool && ' after planting out, or after its kind comes into leaf'}:{' '}
                  {signWords(round.signs, unit)}
                </li>
              ))}
            </ul>
          </div>
        ))}
      </section>
      <JudgedBy method={method} rule={rule} technique={technique} wood={wood} unit={unit} />
    </div>
  );
}

interface JudgedByProps {
  method: Method;
  rule: ScoringRule;
  technique: Technique;
  wood: Wood;
  unit: LengthUnit;
}

/** What it is judged by, and what it takes. */
function JudgedBy({ method, rule, technique, wood, unit }: JudgedByProps) {
  return (
    <section aria-labelledby="judged-title">
      <h2 id="judged-title" className="mb-2">
        What it is judged by
      </h2>
      <table className="bench-table">
        <thead>
          <tr>
            <th scope="col">Point, weight</th>
            <th scope="col">Good</th>
            <th scope="col">Poor</th>
            <th scope="col">Fatal</th>
          </tr>
        </thead>
        <tbody>
          {wordedPoints(method, rule).map((point) => (
            <tr key={point.id}>
              <td>
                <strong>{point.name}</strong> <span className="tabular-nums">{rule.weights[point.id] ?? 0}</span>
              </td>
              <td>{written(point.good, unit)}</td>
              <td>{faultsIn(point, unit, ['poor', 'recut'])}</td>
              <td>{faultsIn(point, unit, ['fatal'])}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {technique.materials.length > 0 && <h2 className="mt-5 mb-2">Materials for one union</h2>}
      <ul className="list-inside list-disc">
        {technique.materials.map((material) => (
          <li key={material.id}>
            {material.unit === 'mm'
              ? `${formatLength(Math.round(materialAmount(material, wood)), unit)} of ${written(material.name, unit)}`
              : material.unit === 'g'
                ? `${material.amount} g of ${written(material.name, unit)}`
                : `${material.amount} ${written(material.name, unit)}`}
            {material.care === 'take off'
              ? ' (must come off later)'
              : material.care === 'note'
                ? ' (note it for whoever saws there)'
                : ''}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How a point's faults of some grades look. */
function faultsIn({ faults }: Point, unit: LengthUnit, grades: readonly string[]): string {
  return faults
    .filter(({ grade }) => grades.includes(grade))
    .map(({ words }) => written(words, unit))
    .join('; ');
}
