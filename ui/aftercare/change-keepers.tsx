'use client';

import { formatCode } from '@/core/codes/plant-code';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { BINDING_IDS, BINDINGS } from '@/core/aftercare/plan/actual-binding';
import { useEntry } from '@/ui/kit/form/use-entry';
import type { KeeperLine, KeeperMethod, SeatChoice, Stock, Wood } from './keeper-line';

interface ChangeKeepersProps {
  workshopId: string;
  keepers: KeeperLine[];
  wood: Wood[];
  stocks: Stock[];
  seats: SeatChoice[];
  methods: KeeperMethod[];
  members: { id: string; name: string }[];
  onDone: () => void;
}

/** What can be changed of the tags that are picked. */
export function ChangeKeepers({
  workshopId,
  keepers,
  wood,
  stocks,
  seats,
  methods,
  members,
  onDone,
}: ChangeKeepersProps) {
  const plantIds = keepers.map(({ id }) => id);
  const change = async (send: ReturnType<typeof useEntry>['run'], what: object): Promise<void> => {
    const sent = await send('PATCH', `/api/workshops/${workshopId}/keepers`, { plantIds, ...what });
    if (sent?.ok) onDone();
  };
  const { register, submit, errors, problem, busy, run } = useEntry(
    () =>
      import('@/core/aftercare/keeper-input').then(({ changeInput }) =>
        changeInput(methods.map(({ id }) => id)).omit(['plantIds']),
      ),
    (values, entry) =>
      change(entry.run, Object.fromEntries(Object.entries(values).filter(([, value]) => value !== ''))),
  );
  const voided = keepers.every((keeper) => keeper.voided);
  return (
    <section className="board" aria-labelledby="change-title">
      <h2 id="change-title" className="mb-2">
        Change {keepers.length === 1 ? formatCode(keepers[0]!.code) : `${keepers.length} keepers`}
      </h2>
      <form onSubmit={submit} className="flex flex-col gap-3">
        <Problem>{problem}</Problem>
        <ChangeFields
          register={register}
          errors={errors}
          {...{ wood, stocks, seats, methods, members }}
          variants={variantsOf(keepers, methods)}
        />
        <div className="flex flex-wrap gap-2">
          <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
            Change
          </button>
          <button
            type="button"
            className="bench-button"
            disabled={busy}
            onClick={() => void change(run, { voided: !voided })}
          >
            {voided ? 'Bring back' : 'Void unused codes'}
          </button>
          <button type="button" className="bench-button" onClick={onDone}>
            Leave
          </button>
        </div>
      </form>
    </section>
  );
}

type ChangeFieldsProps = Pick<ChangeKeepersProps, 'wood' | 'stocks' | 'seats' | 'methods' | 'members'> &
  Pick<ReturnType<typeof useEntry>, 'register' | 'errors'> & { variants: KeeperMethod['variants'] };

/** How keepers of one method can live on; nothing for keepers of several, or of a method with one way only. */
function variantsOf(keepers: readonly KeeperLine[], methods: readonly KeeperMethod[]): KeeperMethod['variants'] {
  const made = new Set(keepers.flatMap(({ unions }) => unions.map(({ method }) => method)));
  return made.size === 1 ? (methods.find(({ id }) => made.has(id))?.variants ?? []) : [];
}

/** Each thing that can be another than it is. */
function ChangeFields({ register, errors, wood, stocks, seats, methods, members, variants }: ChangeFieldsProps) {
  return (
    <>
      <Field label="Wood lot">
        <select {...register('woodLotId')} defaultValue="">
          <option value="">as it is</option>
          {options(wood, (lot) => lot.variety)}
        </select>
      </Field>
      <Field label="Stock lot">
        <select {...register('stockLotId')} defaultValue="">
          <option value="">as it is</option>
          {options(stocks, (lot) => lot.stockType)}
        </select>
      </Field>
      <Field label="Grafter">
        <select {...register('seatId')} defaultValue="">
          <option value="">as it is</option>
          {options(seats, (seat) => `${seat.number} ${seat.name}`)}
        </select>
      </Field>
      <Field label="Joined by" error={errors.method}>
        <select {...register('method')} defaultValue="">
          <option value="">as it is</option>
          {options(methods, (method) => method.name)}
        </select>
      </Field>
      <Field label="Bound with" error={errors.binding}>
        <select {...register('binding')} defaultValue="">
          <option value="">as it is</option>
          {BINDING_IDS.map((id) => (
            <option key={id} value={id}>
              {BINDINGS[id].name}
            </option>
          ))}
        </select>
      </Field>
      <Field label="Made on" error={errors.madeOn}>
        <input {...register('madeOn')} type="date" />
      </Field>
      {variants.length > 0 && (
        <>
          <Field label="Lives on as made" error={errors.variant}>
            <select {...register('variant')} defaultValue="">
              <option value="">as it is</option>
              {options(variants, (variant) => variant.words)}
            </select>
          </Field>
          <Field label="Why, where its day does not allow that" error={errors.reason}>
            <input {...register('reason')} maxLength={200} />
          </Field>
        </>
      )}
      <Field label="With the help of" error={errors.helper}>
        <select {...register('helper')} defaultValue="">
          <option value="">as it is</option>
          <option value="none">nobody</option>
          {members.map(({ id, name }) => (
            <option key={id} value={`member ${id}`}>
              {name}
            </option>
          ))}
          {seats.map(({ id, number, name }) => (
            <option key={id} value={`seat ${id}`}>
              {number} {name}
            </option>
          ))}
        </select>
      </Field>
    </>
  );
}

/** Rows to choose from, each by its words. */
export function options<Row extends { id: string }>(rows: readonly Row[], words: (row: Row) => string) {
  return rows.map((row) => (
    <option key={row.id} value={row.id}>
      {words(row)}
    </option>
  ));
}
