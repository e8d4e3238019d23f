'use client';

import { useState } from 'react';
import { useFieldArray } from 'react-hook-form';
import { v7 as uuid } from 'uuid';
import { knifeEdge } from '@/core/drawing/knife-edge';
import { type EdgeTest, HAND_WORDS, HANDS } from '@/core/plan/ready-check/edges';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';

interface EdgesFormProps {
  workshopId: string;
  version: number;
  knives: EdgeTest[];
  today: string;
  /** Who is signed in, and so mostly who makes the cut. */
  name: string;
  mayChange: boolean;
}

/** Which face of a knife is ground, and the test cut each knife makes before the day. */
export function EdgesForm(props: EdgesFormProps) {
  const { knives, mayChange } = props;
  return (
    <section id="edges" className="board mt-6" aria-labelledby="edges-title">
      <h2 id="edges-title" className="mb-1">
        Edges
      </h2>
      <p className="mb-2 max-w-prose">
        Seen from the handle along the blade, edge down. The flat side rides on the wood that is kept; a knife ground
        for the other hand digs in. The test is a long cut on waste wood: away from the body, glove on the holding hand,
        the face held to the light.
      </p>
      <div className="mb-3 flex flex-wrap gap-6">
        {HANDS.map((hand) => (
          <figure key={hand} className="flex flex-col items-center">
            <UnionDrawing drawing={knifeEdge(hand)} width={230} title={`Knife for the ${HAND_WORDS[hand]}`} />
            <figcaption className="text-sm font-bold">{HAND_WORDS[hand]}</figcaption>
          </figure>
        ))}
      </div>
      {mayChange ? (
        <KnivesOfVersion key={props.version} {...props} />
      ) : (
        <ul>
          {knives.map(({ id, knife, hand, passed, testedBy }) => (
            <li key={id}>
              <strong>{knife}</strong>, {HAND_WORDS[hand]}: {passed ? 'passed' : 'failed'}, tested by {testedBy}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function KnivesOfVersion({ workshopId, version, knives, today, name }: EdgesFormProps) {
  const [changeId, setChangeId] = useState(() => uuid());
  const [saved, setSaved] = useState(false);
  const { register, control, submit, errors, problem, busy } = useEntry(
    () => import('@/core/plan/ready-check/edges-input').then(({ edgesInput }) => edgesInput),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/workshops/${workshopId}/plan/edges`, { changeId, version, ...values });
      setSaved(sent?.ok ?? false);
      if (sent?.ok === false) setChangeId(uuid());
    },
    {
      starts: { knives: knives.map(({ passed, ...knife }) => ({ ...knife, passed: passed ? 'yes' : 'no' })) },
      read: ({ knives: typed = [], ...values }) => ({
        ...values,
        knives: (typed as { passed: string }[]).map((knife) => ({ ...knife, passed: knife.passed === 'yes' })),
      }),
    },
  );
  const { fields, append, remove } = useFieldArray({ control, name: 'knives', keyName: 'key' });
  return (
    <form onSubmit={submit} noValidate>
      <Problem>{problem ?? errors.knives}</Problem>
      <ol className="flex flex-col md:[&>li+li_label]:sr-only">
        {fields.map((field, i) => (
          <TestCutRow key={field.key} at={i} register={register} errors={errors} remove={remove} />
        ))}
      </ol>
      <p className="mt-2 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="bench-button"
          onClick={() =>
            append({
              id: uuid(),
              knife: String(fields.length + 1),
              hand: 'right',
              passed: 'yes',
              testedOn: today,
              testedBy: name,
              sharpenedBy: '',
            })
          }
        >
          Add a knife
        </button>
        <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
          Save the edges
        </button>
        {saved && <span role="status">Saved.</span>}
      </p>
    </form>
  );
}

interface TestCutRowProps extends Pick<ReturnType<typeof useEntry>, 'register' | 'errors'> {
  at: number;
  remove: (at: number) => void;
}

/** One knife: for which hand, and how its test cut went. */
function TestCutRow({ at, register, errors, remove }: TestCutRowProps) {
  const error = (field: keyof EdgeTest): string | undefined => errors[`knives[${at}].${field}`];
  return (
    <li className="grid grid-cols-2 items-end gap-2 border-t border-line py-1 md:grid-cols-[1fr_9rem_8rem_9rem_1fr_1fr_auto]">
      <input type="hidden" {...register(`knives.${at}.id`)} />
      <Field label="Knife" error={error('knife')}>
        <input {...register(`knives.${at}.knife`)} maxLength={40} placeholder="Its number" />
      </Field>
      <Field label="Ground for" error={error('hand')}>
        <select {...register(`knives.${at}.hand`)}>
          {HANDS.map((hand) => (
            <option key={hand} value={hand}>
              {HAND_WORDS[hand]}
            </option>
          ))}
        </select>
      </Field>
      <Field label="Test cut" error={error('passed')}>
        <select {...register(`knives.${at}.passed`)}>
          <option value="yes">passed</option>
          <option value="no">failed</option>
        </select>
      </Field>
      <Field label="On" error={error('testedOn')}>
        <input {...register(`knives.${at}.testedOn`)} type="date" />
      </Field>
      <Field label="Cut by" error={error('testedBy')}>
        <input {...register(`knives.${at}.testedBy`)} maxLength={80} />
      </Field>
      <Field label="Sharpened by" error={error('sharpenedBy')}>
        <input {...register(`knives.${at}.sharpenedBy`)} maxLength={80} />
      </Field>
      <button type="button" className="bench-button" onClick={() => remove(at)}>
        Remove<span className="sr-only"> knife {at + 1}</span>
      </button>
    </li>
  );
}
