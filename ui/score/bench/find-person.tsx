'use client';

import { lazy, Suspense, useId, useState, type Dispatch, type FormEvent, type SetStateAction } from 'react';
import { findSeats } from '@/core/plan/benches/find-seat';
import type { FoundElsewhere } from './found-elsewhere';
import { type BenchSeat, type BenchState, keeperByCode } from './bench-data';

const ScanTag = lazy(() => import('@/ui/kit/device/scan-tag').then(({ ScanTag: Scan }) => ({ default: Scan })));

interface FindPersonProps {
  state: BenchState;
  onOpen: (seatId: string, keeperId?: string | null) => void;
}

/** Finds somebody by seat number or a part of the name, or a keeper by its tag's code, typed or scanned. */
export function FindPerson({ state, onOpen }: FindPersonProps) {
  const id = useId();
  const [query, setQuery] = useState('');
  const [scanning, setScanning] = useState(false);
  const [message, setMessage] = useState('');
  const [elsewhere, setElsewhere] = useState<FoundElsewhere[]>([]);
  const found = findSeats(query, state);
  const shown = found.slice(0, 5).flatMap((seatId) => state.seats.find((seat) => seat.id === seatId) ?? []);

  const search = async (text: string): Promise<void> => {
    const keeper = keeperByCode(state, text);
    if (keeper) return onOpen(keeper.seatId, keeper.unionId);
    const [first] = findSeats(text, state);
    if (first) return onOpen(first);
    setElsewhere([]);
    try {
      const answer = await fetch(`/api/find?q=${encodeURIComponent(text)}`);
      if (!answer.ok) throw new Error(String(answer.status));
      const list = (await answer.json()) as { found: FoundElsewhere[] };
      setElsewhere(list.found);
      setMessage(
        list.found.length === 0
          ? `Nothing in this club is called “${text}”. Try the seat’s number, a part of the name, or the six characters of a tag.`
          : 'Not at this workshop, but:',
      );
    } catch {
      setMessage(`Nobody at this workshop is called “${text}”, and without reception no other can be asked.`);
    }
  };
  const onSubmit = (event: FormEvent): void => {
    event.preventDefault();
    if (query.trim() !== '') void search(query.trim());
  };
  return (
    <section aria-label="Find somebody">
      <FindForm
        onSubmit={onSubmit}
        id={id}
        query={query}
        setQuery={setQuery}
        setMessage={setMessage}
        setElsewhere={setElsewhere}
        setScanning={setScanning}
      />
      {query.trim() !== '' && shown.length > 0 && <FoundSeats shown={shown} onOpen={onOpen} />}
      <p role="status" className={message ? 'mt-1 text-sm' : 'sr-only'}>
        {message}
      </p>
      {elsewhere.length > 0 && (
        <ul className="text-sm">
          {elsewhere.map((found) => (
            <li key={`${found.workshopId} ${found.seat}`}>
              <a
                href={`/workshops/${found.workshopId}/score?seat=${found.seat}&keeper=${encodeURIComponent(query.trim())}`}
              >
                {found.name}, seat {found.seat}, {found.workshop}
              </a>
            </li>
          ))}
        </ul>
      )}
      {scanning && (
        <Suspense fallback={null}>
          <ScanTag
            onClose={() => setScanning(false)}
            onCode={(code) => {
              setScanning(false);
              setQuery(code);
              void search(code);
            }}
          />
        </Suspense>
      )}
    </section>
  );
}

interface FindFormProps {
  onSubmit: (event: FormEvent) => void;
  id: string;
  query: string;
  setQuery: Dispatch<SetStateAction<string>>;
  setMessage: Dispatch<SetStateAction<string>>;
  setElsewhere: Dispatch<SetStateAction<FoundElsewhere[]>>;
  setScanning: Dispatch<SetStateAction<boolean>>;
}

/** Where a seat, a name or a code is entered. */
function FindForm({ onSubmit, id, query, setQuery, setMessage, setElsewhere, setScanning }: FindFormProps) {
  return (
    <form onSubmit={onSubmit}>
      <label htmlFor={id} className="text-sm font-bold">
        Find by seat, name or tag
      </label>
      <div className="flex gap-2">
        <input
          id={id}
          value={query}
          onChange={(event) => {
            setQuery(event.target.value);
            setMessage('');
            setElsewhere([]);
          }}
          autoComplete="off"
          className="bench-input"
          enterKeyHint="search"
        />
        <button type="button" className="bench-button px-3" onClick={() => setScanning(true)}>
          Scan a tag
        </button>
      </div>
    </form>
  );
}

interface FoundSeatsProps {
  shown: BenchSeat[];
  onOpen: (seatId: string) => void;
}

/** Seats that fit what was typed. */
function FoundSeats({ shown, onOpen }: FoundSeatsProps) {
  return (
    <ul className="mt-1 flex flex-wrap gap-1" aria-label="Found">
      {shown.map((seat) => (
        <li key={seat.id}>
          <button type="button" className="bench-button px-3" onClick={() => onOpen(seat.id)}>
            <strong>{seat.number}</strong> <span className="font-normal">{seat.name}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
