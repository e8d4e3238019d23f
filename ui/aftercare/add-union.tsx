'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatCode } from '@/core/codes/plant-code';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import type { KeeperLine, KeeperMethod } from './keeper-line';

interface AddUnionProps {
  workshopId: string;
  keeper: KeeperLine;
  methods: KeeperMethod[];
}

/** Another union on a plant that has one: a second chip above the first, a second scion in the cleft. */
export function AddUnion({ workshopId, keeper, methods }: AddUnionProps) {
  const able = methods.filter(({ positions }) => positions.length > 0);
  const first = able.find(({ id }) => keeper.unions.some(({ method }) => method === id)) ?? able[0];
  const [unionId, setUnionId] = useState(() => uuid());
  const [method, setMethod] = useState(first?.id ?? '');
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/aftercare/keeper-input').then(({ unionInput }) => unionInput(methods.map(({ id }) => id))),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/workshops/${workshopId}/plants/${keeper.id}/unions/${unionId}`, values);
      if (sent?.ok) setUnionId(uuid());
    },
  );
  if (!first || keeper.voided) return null;
  const { positions } = able.find(({ id }) => id === method) ?? first;
  return (
    <section className="board" aria-labelledby="another-title">
      <h2 id="another-title" className="mb-2">
        Another union on {formatCode(keeper.code)}
      </h2>
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        <Problem>{problem}</Problem>
        <Field label="Joined by" error={errors.method}>
          <select
            {...register('method', {
              onChange: (event: { target: { value: string } }) => setMethod(event.target.value),
            })}
            defaultValue={first.id}
          >
            {able.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </Field>
        <Field label="It is" error={errors.position}>
          <select key={method} {...register('position')} defaultValue={positions[0]!.id}>
            {positions.map(({ id, words }) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </Field>
        <button type="submit" className="bench-button self-start" disabled={busy}>
          Add it to the plant
        </button>
      </form>
    </section>
  );
}
