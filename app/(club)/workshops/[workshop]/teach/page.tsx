import type { Choices } from '@/core/methods/school';
import { ANSWERED_BY_THE_DAY } from '@/core/methods/schools/of-making';
import { daySchools } from '@/server/plan/taught';
import { written } from '@/core/units/prose';
import type { Metadata } from 'next';
import Link from 'next/link';
import { chosen } from '@/core/methods/school';
import { woodOf } from '@/core/methods/shown-technique';
import { methodAsked, taughtMethods } from '@/server/plan/planned-methods';
import { filedBodiesOf, filedSteps } from '@/server/teach/drawing-files';
import { askedAt } from '@/server/teach/learner-questions';
import { stepAnswers } from '@/core/teach/questions/step-answers';
import { AskedKeys } from '@/ui/teach/asked-keys';
import { MethodChoice } from '@/ui/kit/method-choice';
import { getWorkshop } from '@/server/plan/workshops';
import { SchoolChoices } from '@/ui/teach/school-choices';
import { DrawnSteps } from '@/ui/teach/drawn-steps';
import { TeachNext } from '@/ui/findings/models/teach-next';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';
import type { Method } from '@/core/methods/method';
import type { Context } from '@/server/platform/context';

export const metadata: Metadata = { title: 'Teach' };

interface TeachProps {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<{ method?: string }>;
}

export default async function Teach({ params, searchParams }: TeachProps) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const workshop = await orNotFound(getWorkshop(context, id));
  const taught = await taughtMethods(context, workshop);
  const { method: asked } = await searchParams;
  const method = methodAsked(taught, asked);
  const unit = context.actor.lengthUnit;
  const wood = woodOf(method.shownWith);
  const schools = await daySchools(context, workshop);
  const drawn = { method, choices: schools, wood, unit, theme: 'page' as const };
  const steps = filedSteps(drawn);
  const answers = stepAnswers(method, schools, woodOf(method.shownWith), unit);
  const questions = await askedAt(context, id);
  const forgotten = steps.flatMap((step, i) => (step.blocks ? [{ ...step, number: i + 1 }] : []));
  const query = new URLSearchParams({
    stock: String(method.shownWith.stock),
    scion: String(method.shownWith.scion),
    ...schools,
  });
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <h1>
          {method.name} <span className="text-base font-normal text-muted">{steps.length} steps</span>
        </h1>
        <TeachLinks id={id} method={method.id} query={query} />
      </div>
      <MethodChoice path={`/workshops/${id}/teach`} methods={taught} chosen={method.id} />
      <div className="mb-5 grid grid-cols-[minmax(0,1fr)] gap-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <SchoolsFollowed method={method} schools={schools} id={id} context={context} />
        <section className="board self-start" aria-labelledby="forgotten-title">
          <h2 id="forgotten-title" className="mb-1">
            What people forget
          </h2>
          <ul>
            {forgotten.map((step) => (
              <li key={step.id} className="border-t border-line py-1.5">
                <a href={`#step-${step.id}`} className="font-bold">
                  Step {step.number}
                </a>{' '}
                {step.blocks}
              </li>
            ))}
          </ul>
        </section>
      </div>
      <TeachNext method={method.id} name={method.name} />
      <DrawnSteps
        steps={steps}
        bodies={filedBodiesOf(drawn)}
        meshes={{ path: `/api/methods/${method.id}/bodies`, query: String(query) }}
        asked={Object.fromEntries(
          steps.map((step) => [
            step.id,
            <AskedKeys
              key={`${method.id} ${step.id}`}
              workshopId={id}
              method={method.id}
              step={step.id}
              asked={questions.filter((count) => count.method === method.id && count.step === step.id)}
              answers={answers[step.id]!}
              mayNote={context.actor.role !== 'viewer'}
            />,
          ]),
        )}
      />
    </>
  );
}

/** Where else the day's technique is shown: wall, phone, paper. */
function TeachLinks({ id, method, query }: { id: string; method: string; query: URLSearchParams }) {
  return (
    <p className="flex flex-wrap gap-2">
      <Link href={`/screen/${id}`} className="bench-button" data-weight="main">
        Projector
      </Link>
      <Link href={`/remote/${id}`} className="bench-button">
        Remote
      </Link>
      <Link href={`/workshops/${id}/teach/briefing`} className="bench-button">
        Safety briefing
      </Link>
      <Link href={`/workshops/${id}/teach/healing?method=${method}`} className="bench-button">
        What becomes of it
      </Link>
      <Link href={`/cards/${method}?${query}`} className="bench-button">
        Phone card
      </Link>
      <a href={`/api/methods/${method}/handout?${query}`} className="bench-button">
        Handout
      </a>
      <a href={`/api/methods/${method}/template?${query}&format=pdf`} className="bench-button">
        Templates
      </a>
    </p>
  );
}

interface SchoolsFollowedProps {
  method: Method;
  schools: Choices;
  id: string;
  context: Context;
}

/** The schools the workshop follows. */
function SchoolsFollowed({ method, schools, id, context }: SchoolsFollowedProps) {
  return (
    <section className="board" aria-labelledby="schools-title">
      <h2 id="schools-title" className="mb-1">
        The school this workshop follows
      </h2>
      <ul className="mb-2 grid grid-cols-[minmax(0,1fr)] gap-x-6 sm:grid-cols-2">
        {method.schools.map((question) => {
          const answer = chosen(schools, question);
          return (
            <li key={question.id} className={answer === question.options[0]!.id ? '' : 'font-bold'}>
              <span className="font-normal text-muted">{question.question}:</span>{' '}
              {written(question.options.find(({ id: option }) => option === answer)!.words, context.actor.lengthUnit)}
            </li>
          );
        })}
      </ul>
      <details>
        <summary
          className="flex min-h-11 w-fit cursor-pointer items-center border-2 border-ink px-4 font-bold"
          style={{ borderRadius: '2px 12px 2px 12px' }}
        >
          Choose, with reasons
        </summary>
        <p className="my-2 text-muted">
          Chosen once here; steps, drawings, points, materials and aftercare follow. Judgements already saved keep the
          rubric they were scored by.
        </p>
        <SchoolChoices
          key={`${method.id} ${JSON.stringify(schools)}`}
          workshopId={id}
          method={method.id}
          questions={method.schools.filter(({ id: asked }) => !ANSWERED_BY_THE_DAY.includes(asked))}
          choices={schools}
          mayChange={context.actor.role !== 'viewer'}
          unit={context.actor.lengthUnit}
        />
      </details>
    </section>
  );
}
