'use client';

import { useState } from 'react';
import { formatDate } from '@/core/units/iso-date';
import type { GrowerPage } from '@/core/follow-up/grower-page';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';
import { PlantQuestion } from './plant-question';

/** A grower's own plants, each with one question; and what they may ask of the club. */
export function GrowerAnswers({ token, page }: { token: string; page: GrowerPage }) {
  const [answered, setAnswered] = useState(() =>
    page.plants.filter(({ answer }) => answer !== null).map(({ unionId }) => unionId),
  );
  const [gone, setGone] = useState(false);
  if (gone) {
    return (
      <>
        <h1 className="mb-2">You are erased</h1>
        <p>
          Your name, your addresses, your notes and the messages to you are gone from {page.clubName}. What became of
          the grafts stays, without a name. This link does not open any more.
        </p>
      </>
    );
  }
  const left = page.plants.length - answered.length;
  return (
    <>
      <p className="text-muted">{page.clubName}</p>
      <h1>{page.name}, how do your grafts do?</h1>
      <p className="mb-1">
        {page.workshopTitle}, {formatDate(page.workshopDate)}
      </p>
      {page.questions.length === 1 && <p className="mb-3 text-xl font-bold">{page.questions[0]}</p>}
      {page.closed ? (
        <p className="mb-3 border-l-4 border-ink pl-3">
          This round closed on {formatDate(page.closesOn)}. You can read your answers; to change one, tell the club.
        </p>
      ) : (
        <p className="mb-3" role="status">
          {left === 0
            ? `All answered, thank you. You can change them until ${formatDate(page.closesOn)}.`
            : `${left} to go. Each answer is saved at once, and can be changed until ${formatDate(page.closesOn)}.`}
        </p>
      )}
      <ul className="flex flex-col gap-4">
        {page.plants.map((plant) => (
          <li key={plant.unionId}>
            <PlantQuestion
              token={token}
              plant={plant}
              asks={page.questions.length > 1}
              drawing={page.drawings[plant.drawing] ?? null}
              today={page.today}
              madeOn={page.workshopDate}
              closed={page.closed}
              onAnswered={() => setAnswered((all) => (all.includes(plant.unionId) ? all : [...all, plant.unionId]))}
            />
          </li>
        ))}
      </ul>
      {page.plants.length === 0 && <p>No graft is in your name here any more.</p>}
      <p className="mt-6 border-t-2 border-ink pt-3">
        Your answers are seen by the instructors of {page.clubName}, and by nobody else.
      </p>
      <Wishes token={token} mayContact={page.mayContact} onErased={() => setGone(true)} />
    </>
  );
}

function Wishes({ token, mayContact, onErased }: { token: string; mayContact: boolean; onErased: () => void }) {
  const [stopped, setStopped] = useState(!mayContact);
  const [sure, setSure] = useState(false);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState('');
  const ask = async (what: 'leave' | 'person', done: () => void): Promise<void> => {
    setBusy(true);
    setProblem('');
    const sent = await send('DELETE', `/api/r/${token}/${what}`);
    setBusy(false);
    if (sent.ok) done();
    else setProblem(sent.message);
  };
  return (
    <div className="mt-3 flex flex-col items-start gap-2">
      <Problem>{problem}</Problem>
      {stopped ? (
        <p role="status">The club does not write to you about this any more.</p>
      ) : (
        <button
          type="button"
          className="bench-button"
          disabled={busy}
          onClick={() => void ask('leave', () => setStopped(true))}
        >
          Stop writing to me
        </button>
      )}
      {sure ? (
        <div className="border-l-4 border-loud pl-3">
          <p className="mb-2">Your name, addresses and notes will be erased for good, and this link with them.</p>
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className="bench-button"
              data-weight="loud"
              disabled={busy}
              onClick={() => void ask('person', onErased)}
            >
              Erase me for good
            </button>
            <button type="button" className="bench-button" onClick={() => setSure(false)}>
              Keep me
            </button>
          </div>
        </div>
      ) : (
        <button type="button" className="bench-button" onClick={() => setSure(true)}>
          Erase me
        </button>
      )}
    </div>
  );
}
