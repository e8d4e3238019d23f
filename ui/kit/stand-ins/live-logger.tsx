'use client';

import { deviceNow } from '@/ui/kit/device/device-clock';
import { useEffect, useRef, useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';

interface LiveLoggerProps {
  places: readonly { id: string; name: string; logger: string }[];
  mayChange: boolean;
}

/** Every so often it speaks, ms; each time of so many minutes of its own clock. */
const EVERY = 1000;
const MINUTES = 10;
/** How far back its clock begins, so that a day passes in a minute and a half and never runs ahead. */
const BACK = 12 * 3_600_000;

interface State {
  placeId: string;
  target: string;
}

/** A logger that is made up and speaks live to a place: its own clock runs through half a day until now, then with it. */
export function LiveLogger({ places, mayChange }: LiveLoggerProps) {
  const [state, setState] = useState<State>({ placeId: places[0]?.id ?? '', target: '21' });
  const [speaking, setSpeaking] = useState(false);
  const [told, setTold] = useState('');
  const [problem, setProblem] = useState('');
  const target = useRef(21);
  useEffect(() => {
    target.current = Number(state.target.replace(',', '.')) || 0;
  }, [state.target]);
  useSpeaking(speaking, state.placeId, target, setTold, setProblem);
  if (places.length === 0) return <p className="board">No place is set up yet that a logger could lie in.</p>;
  return (
    <form className="board flex flex-col gap-3" onSubmit={(event) => event.preventDefault()}>
      <Problem>{problem}</Problem>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Lies in">
          <select
            value={state.placeId}
            disabled={speaking}
            onChange={(event) => setState({ ...state, placeId: event.target.value })}
          >
            {places.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </Field>
        <Field label="Place warmed to, °C" hint="Change it while it speaks">
          <input
            inputMode="decimal"
            value={state.target}
            onChange={(event) => setState({ ...state, target: event.target.value })}
          />
        </Field>
      </div>
      <button
        type="button"
        className="bench-button self-start"
        data-weight="main"
        disabled={!mayChange}
        onClick={() => setSpeaking(!speaking)}
      >
        {speaking ? 'Stop' : 'Speak'}
      </button>
      <p role="status">{told}</p>
      <p className="text-sm text-muted">
        Its clock begins half a day back and runs ten minutes a second until now; open the page of the place beside this
        one and see the readings come.
      </p>
    </form>
  );
}

/** While it speaks, it reads ten minutes of its clock a second and sends them; what did not arrive is sent again. */
function useSpeaking(
  speaking: boolean,
  placeId: string,
  target: { readonly current: number },
  setTold: (words: string) => void,
  setProblem: (words: string) => void,
): void {
  useEffect(() => {
    if (!speaking) return;
    let clock = deviceNow().getTime() - BACK;
    let temperature = target.current;
    let gone = false;
    let timer: ReturnType<typeof setTimeout>;
    const speak = async (): Promise<void> => {
      const now = deviceNow().getTime();
      const readings: { at: number; value: number }[] = [];
      for (let minute = 0; minute < MINUTES && clock + 60_000 <= now; minute++) {
        clock += 60_000;
        // It goes to what it is set to as a box of damp shavings does, and breathes a little.
        temperature += (target.current - temperature) * 0.08 + 0.12 * Math.sin(clock / 300_000);
        readings.push({ at: clock, value: Math.round(temperature * 100) / 100 });
      }
      if (readings.length > 0) {
        const sent = await send<{ added: number }>('POST', `/api/places/${placeId}/readings`, { readings });
        if (gone) return;
        if (sent.ok) {
          setTold(`${new Date(clock).toLocaleTimeString('en-GB')}: ${temperature.toFixed(1)} °C`);
          setProblem('');
        } else {
          setProblem(sent.message);
          clock -= readings.length * 60_000;
        }
      }
      if (!gone) timer = setTimeout(() => void speak(), EVERY);
    };
    void speak();
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [speaking, placeId, target, setTold, setProblem]);
}
