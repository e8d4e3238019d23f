'use client';

import { useState, type Dispatch, type SetStateAction } from 'react';
import { SKILL_WORDS, type SkillLevel } from '@/core/plan/pairing/hand';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { useEntry } from '@/ui/kit/form/use-entry';
import { type SheetColumn, SheetTable } from '@/ui/kit/table/sheet-table';
import { useSend } from '@/ui/kit/form/use-send';
import type { FieldValues, UseFormRegister } from 'react-hook-form';

export interface RosterSeat {
  id: string;
  number: number;
  absent: boolean;
  personId: string;
  name: string | null;
  email: string | null;
  phone: string | null;
  mayContact: boolean;
  leftHanded: boolean;
  skill: SkillLevel | null;
  erased: boolean;
}

interface RosterTableProps {
  workshopId: string;
  seats: RosterSeat[];
  mayChange: boolean;
  mayErase: boolean;
}

const reachOf = ({ email, phone }: RosterSeat): string => [email, phone].filter(Boolean).join(', ');

const WHO: SheetColumn<RosterSeat>[] = [
  {
    id: 'seat',
    head: 'Seat',
    value: ({ number }) => number,
    cell: ({ number }) => number,
    className: 'text-lg font-bold',
  },
  {
    id: 'name',
    head: 'Name',
    value: ({ name }) => name ?? '',
    cell: (seat) => (
      <>
        {seat.erased ? <em>Erased person</em> : seat.name}
        {seat.absent && <span className="ml-2 border border-muted px-1.5 text-sm">absent</span>}
        {seat.leftHanded && <span className="ml-2 text-sm text-muted">left-handed</span>}
      </>
    ),
  },
  { id: 'reach', head: 'Reach', value: reachOf, cell: (seat) => reachOf(seat) || 'none given', className: 'text-sm' },
  {
    id: 'leave',
    head: 'May be asked later',
    value: ({ mayContact }) => (mayContact ? 'yes' : 'no leave'),
    cell: ({ mayContact }) => (mayContact ? 'yes' : 'no leave'),
  },
];

/** Who sits where. Two seats picked one after the other are swapped. */
export function RosterTable({ workshopId, seats, mayChange, mayErase }: RosterTableProps) {
  const { run, busy, problem } = useSend();
  const [swapping, setSwapping] = useState<string | null>(null);
  const from = seats.find(({ id }) => id === swapping);
  const swapWith = async (second: string): Promise<void> => {
    const sent = await run('POST', `/api/workshops/${workshopId}/seat-swap`, { first: swapping, second });
    if (sent?.ok) setSwapping(null);
  };
  const columns: SheetColumn<RosterSeat>[] = [
    ...WHO,
    ...(mayChange
      ? [
          {
            id: 'change',
            head: <span className="sr-only">Change</span>,
            cell: (seat: RosterSeat) => (
              <div className="flex justify-end gap-1.5">
                {from ? (
                  <button
                    type="button"
                    className="bench-button"
                    disabled={busy || seat.id === swapping}
                    onClick={() => void swapWith(seat.id)}
                  >
                    Swap here<span className="sr-only"> with seat {seat.number}</span>
                  </button>
                ) : (
                  <>
                    <button type="button" className="bench-button" onClick={() => setSwapping(seat.id)}>
                      Swap<span className="sr-only"> seat {seat.number}</span>
                    </button>
                    <EditSeat workshopId={workshopId} seat={seat} mayErase={mayErase} />
                  </>
                )}
              </div>
            ),
          },
        ]
      : []),
  ];
  if (seats.length === 0)
    return (
      <p className="board">Nobody has a seat yet. Read the roster from a CSV file, or add people as they come in.</p>
    );
  return (
    <>
      <Problem>{problem?.message}</Problem>
      {from && (
        <p role="status" className="mb-2 flex flex-wrap items-center gap-3 border-l-4 border-ink bg-mist px-3 py-2">
          Choose the seat to swap with seat {from.number}.
          <button type="button" className="bench-button" onClick={() => setSwapping(null)}>
            Leave it
          </button>
        </p>
      )}
      <SheetTable
        label="Roster"
        rows={seats}
        columns={columns}
        idOf={({ id }) => id}
        search={seats.length > 8 ? 'Find a name, an address or a seat' : undefined}
        rowClassName={({ absent }) => (absent ? 'text-muted' : '')}
      />
    </>
  );
}

function EditSeat({ workshopId, seat, mayErase }: { workshopId: string; seat: RosterSeat; mayErase: boolean }) {
  const [open, setOpen] = useState(false);
  const [sure, setSure] = useState(false);
  const { register, submit, errors, problem, busy, run } = useEntry(
    () => import('@/core/plan/roster/seat-input').then(({ seatChange }) => seatChange),
    async (values, entry) => {
      const sent = await entry.run('PATCH', `/api/workshops/${workshopId}/seats/${seat.id}`, {
        ...values,
        skill: (values.skill as string) || null,
      });
      if (sent?.ok) setOpen(false);
    },
  );
  const erase = async (): Promise<void> => {
    const sent = await run('DELETE', `/api/people/${seat.personId}`);
    if (sent?.ok) setOpen(false);
  };
  return (
    <SheetDialog
      title={`Seat ${seat.number}`}
      description="Name, how to reach them, and whether they came."
      open={open}
      onOpenChange={setOpen}
      trigger={
        <button type="button" className="bench-button">
          Change<span className="sr-only"> seat {seat.number}</span>
        </button>
      }
    >
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        <Problem>{problem}</Problem>
        {seat.erased ? (
          <p>This person asked to be erased. The unions of the seat stay, without a name.</p>
        ) : (
          <PersonFields errors={errors} register={register} seat={seat} />
        )}
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" {...register('leftHanded')} defaultChecked={seat.leftHanded} className="size-5" />
          Left-handed: needs a left-handed knife
        </label>
        <Field label="How practised" hint="Left empty, it is read from earlier workshops">
          <select {...register('skill')} defaultValue={seat.skill ?? ''}>
            <option value="">from earlier workshops</option>
            {Object.entries(SKILL_WORDS).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </Field>
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" {...register('absent')} defaultChecked={seat.absent} className="size-5" />
          Absent
        </label>
        <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
          Save
        </button>
      </form>
      {mayErase && !seat.erased && <ErasePerson sure={sure} busy={busy} erase={erase} seat={seat} setSure={setSure} />}
    </SheetDialog>
  );
}

interface ErasePersonProps {
  sure: boolean;
  busy: boolean;
  erase: () => Promise<void>;
  seat: RosterSeat;
  setSure: Dispatch<SetStateAction<boolean>>;
}

/** Erases somebody on their request. */
function ErasePerson({ sure, busy, erase, seat, setSure }: ErasePersonProps) {
  return (
    <div className="mt-4 border-t border-line pt-4">
      <p className="mb-2 text-sm text-muted">
        On their request: erases name, addresses, notes, links and the messages written to them, in every workshop. The
        unions stay without a name. This cannot be taken back.
      </p>
      {sure ? (
        <button type="button" className="bench-button" data-weight="loud" disabled={busy} onClick={() => void erase()}>
          Erase {seat.name} for good
        </button>
      ) : (
        <button type="button" className="bench-button" onClick={() => setSure(true)}>
          Erase this person
        </button>
      )}
    </div>
  );
}

interface PersonFieldsProps {
  errors: Record<string, string | undefined>;
  register: UseFormRegister<FieldValues>;
  seat: RosterSeat;
}

/** Who it is, and how to reach them. */
function PersonFields({ errors, register, seat }: PersonFieldsProps) {
  return (
    <>
      <Field needed label="Name" error={errors.name}>
        <input {...register('name')} defaultValue={seat.name ?? ''} />
      </Field>
      <Field label="E-mail" error={errors.email}>
        <input {...register('email')} type="email" defaultValue={seat.email ?? ''} />
      </Field>
      <Field label="Phone" error={errors.phone}>
        <input {...register('phone')} type="tel" defaultValue={seat.phone ?? ''} />
      </Field>
      <label className="flex min-h-11 items-center gap-3">
        <input type="checkbox" {...register('mayContact')} defaultChecked={seat.mayContact} className="size-5" />
        May be asked later how the grafts do
      </label>
    </>
  );
}
