'use client';

import { formatCode } from '@/core/codes/plant-code';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { changeInput } from '@/core/aftercare/keeper-input';
import { useEntry } from '@/ui/kit/form/use-entry';

export interface Wood {
  id: string;
  variety: string;
  ribbon: string;
}

export interface Stock {
  id: string;
  stockType: string;
}

export interface SeatChoice {
  id: string;
  number: number;
  name: string;
}

export interface KeeperLine {
  id: string;
  code: string;
  voided: boolean;
  woodLotId: string;
  stockLotId: string;
  seatId: string;
}

export function ChangeKeepers({
  workshopId,
  keepers,
  wood,
  stocks,
  seats,
  onDone,
}: {
  workshopId: string;
  keepers: KeeperLine[];
  wood: Wood[];
  stocks: Stock[];
  seats: SeatChoice[];
  onDone: () => void;
}) {
  const plantIds = keepers.map(({ id }) => id);
  const change = async (send: ReturnType<typeof useEntry>['run'], what: object): Promise<void> => {
    const sent = await send('PATCH', `/api/workshops/${workshopId}/keepers`, { plantIds, ...what });
    if (sent?.ok) onDone();
  };
  const { register, submit, problem, busy, run } = useEntry(changeInput.omit(['plantIds']), (values, entry) =>
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

/** Rows to choose from, each by its words. */
export function options<Row extends { id: string }>(rows: readonly Row[], words: (row: Row) => string) {
  return rows.map((row) => (
    <option key={row.id} value={row.id}>
      {words(row)}
    </option>
  ));
}
