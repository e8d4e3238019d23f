'use client';

import { deviceToday } from '@/ui/kit/device/device-clock';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { type GuideFacts, guideState } from '@/core/findings/causes/guide-entry';
import { type DeathView, sureWords } from '@/core/findings/causes/death-view';
import { keepToWorkOn } from '@/ui/kit/device/keep-page';
import { useDeviceQueue } from '@/ui/kit/device/use-device-queue';
import { WaitingStrip } from '@/ui/kit/device/waiting-strip';
import { guideOf } from '../causes/death-list';
import { GuidePhoto } from './guide-photo';
import { GuideQuestion } from './guide-question';

interface GuideBoardProps {
  facts: GuideFacts;
  me: { id: string; name: string };
  mayChange: boolean;
}

/** One question after the other, what tells most for its trouble first; each answer is kept on the device at once. */
export function GuideBoard({ facts, me, mayChange }: GuideBoardProps) {
  const queue = useDeviceQueue(me.id);
  const [passed, setPassed] = useState<string[]>([]);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    void keepToWorkOn(location.pathname + location.search);
  }, []);
  const unsent = (queue.waiting ?? []).flatMap((item) =>
    item.kind === 'cause-look' && item.body.unionId === facts.unionId ? [{ code: item.body.code }] : [],
  );
  const { next, verdict, likely, contradictions, left } = guideState(facts, unsent, passed);
  const answer = async (code: string): Promise<void> => {
    try {
      await queue.keep({
        judgementId: uuid(),
        workshopId: '',
        // Answers about one union stay in order.
        seatId: facts.unionId,
        number: 0,
        called: facts.called,
        assessor: me,
        queuedAt: Date.now(),
        kind: 'cause-look',
        body: { unionId: facts.unionId, code, note: '', seenOn: deviceToday() },
      });
      setTrouble('');
    } catch {
      setTrouble('This browser could not keep it: its storage is full or closed to this page.');
    }
  };
  return (
    <>
      <WaitingStrip
        here={guideOf(facts)}
        goOn="answering"
        assessorId={me.id}
        waiting={queue.waiting}
        link={queue.link}
        onSend={queue.sendNow}
      />
      {next && mayChange ? (
        <GuideQuestion
          key={next.question}
          question={next}
          group={facts.group}
          wordsOf={(code) => facts.tables.evidence.find((row) => row.code === code)?.words ?? code}
          left={left}
          onAnswer={(code) => void answer(code)}
          onPass={() => setPassed([...passed, next.question])}
        />
      ) : (
        <p className="board text-lg">
          {mayChange
            ? 'Nothing more is worth asking: what is left to look at would change next to nothing.'
            : 'You look on: the lead and assistants answer.'}
        </p>
      )}
      <p role="alert" className="font-bold text-loud empty:hidden">
        {trouble}
      </p>
      <SoFar verdict={verdict} likely={likely} contradictions={contradictions} />
      {mayChange && <GuidePhoto unionId={facts.unionId} />}
      <p className="mt-4 flex flex-wrap gap-2">
        <Link className="bench-button" href={facts.href}>
          Stop here
        </Link>
        {passed.length > 0 && (
          <button type="button" className="bench-button" onClick={() => setPassed([])}>
            Ask again what I passed over
          </button>
        )}
      </p>
    </>
  );
}

/** What is thought so far, in words and bars. */
function SoFar({ verdict, likely, contradictions }: Pick<DeathView, 'verdict' | 'likely' | 'contradictions'>) {
  return (
    <section aria-labelledby="so-far" aria-live="polite" className="mt-5">
      <h2 id="so-far">So far</h2>
      <p className="text-lg">
        {verdict ? (
          <>
            <strong>{verdict.words}</strong>, {sureWords(likely[0]!.share)}.
          </>
        ) : (
          <strong>Not known yet.</strong>
        )}
      </p>
      <ul className="mt-1 grid gap-1">
        {likely.map(({ cause, words, share }) => (
          <li key={cause}>
            <span className="flex justify-between gap-2">
              <span>{words}</span>
              <span className="text-sm text-muted">{sureWords(share)}</span>
            </span>
            <span aria-hidden className="block h-3 border border-ink bg-sheet">
              <span className="block h-full bg-bark" style={{ width: `${share * 100}%` }} />
            </span>
          </li>
        ))}
      </ul>
      {contradictions.map(([first, second]) => (
        <p key={first + second} className="mt-2 border-l-4 border-loud pl-3">
          Both cannot be: “{first}” and “{second}”.
        </p>
      ))}
    </section>
  );
}
