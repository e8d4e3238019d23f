'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { askedBlind } from '@/core/findings/causes/asked-blind';
import {
  type CauseSpeaks,
  type DeathLine,
  type EvidenceView,
  type OpenedDeath,
  sureWords,
} from '@/core/findings/causes/death-view';
import { formatDate } from '@/core/units/iso-date';
import { percent } from '@/core/units/percent';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import { useSend } from '@/ui/kit/form/use-send';

interface CausePanelProps extends OpenedDeath {
  maySettle: boolean;
  mayStrike: boolean;
}

/** One death: the likeliest causes with what speaks for and against, the evidence, and what a person settles. */
export function CausePanel({ death, causes, maySettle, mayStrike }: CausePanelProps) {
  const [seen, setSeen] = useState(false);
  const blind = maySettle && isAskedBlind(death) && !seen;
  return (
    <div className="board mb-3 grid grid-cols-[minmax(0,1fr)] gap-4">
      {blind ? <AskedBlind onSee={() => setSeen(true)} /> : <Likely death={death} />}
      <EvidenceList death={death} mayStrike={mayStrike} />
      <Settled death={death} causes={causes} maySettle={maySettle} blind={blind} />
    </div>
  );
}

/** Whether a person is asked before anybody sees what was computed. */
export function isAskedBlind({
  unionId,
  settled,
  problem,
}: Pick<DeathLine, 'unionId' | 'settled' | 'problem'>): boolean {
  return settled === null && problem === '' && askedBlind(unionId);
}

function AskedBlind({ onSee }: { onSee: () => void }) {
  return (
    <div className="border-l-4 border-ink pl-3">
      <p className="max-w-prose">
        <strong>What do you say it died of?</strong> This one was drawn to be judged by a person first. Settle it below
        from what is known; then you see what the records say, and whether they were right.
      </p>
      <button type="button" className="bench-button mt-2" onClick={onSee}>
        Show what the records say
      </button>
    </div>
  );
}

function Likely({ death }: { death: OpenedDeath['death'] }) {
  return (
    <>
      <ul className="grid gap-4 md:grid-cols-3">
        {death.likely.map((cause) => (
          <li key={cause.cause}>
            <LikelyCauseCard cause={cause} />
          </li>
        ))}
      </ul>
      {death.contradictions.map(([first, second]) => (
        <p key={first + second} className="border-l-4 border-loud pl-3">
          Both cannot be: “{first}” and “{second}”, so neither counts. Look again, or strike out the one that is not so.
        </p>
      ))}
    </>
  );
}

export function LikelyCauseCard({ cause: { words, share, speaksFor, against, notLooked } }: { cause: CauseSpeaks }) {
  return (
    <>
      <p className="font-bold">{words}</p>
      <div className="my-1 flex items-center gap-2">
        <span aria-hidden className="h-4 w-full border border-ink bg-sheet">
          <span className="block h-full bg-bark" style={{ width: `${share * 100}%` }} />
        </span>
        <span className="shrink-0 text-sm">
          {percent(share)}, {sureWords(share)}
        </span>
      </div>
      <Spoken title="Speaks for it" lines={speaksFor} />
      <Spoken title="Against it" lines={against} />
      <Spoken title="Nobody looked" lines={notLooked} />
    </>
  );
}

function Spoken({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <div className="mt-1 text-sm">
      <p className="text-muted">{title}</p>
      <ul className="list-[square] pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </div>
  );
}

const KIND_WORDS = { record: 'on record', seen: 'seen', shared: 'shared' } as const;

function EvidenceList({ death, mayStrike }: { death: OpenedDeath['death']; mayStrike: boolean }) {
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 font-bold">
        All that is known of it ({death.evidence.length})
      </summary>
      <ul className="grid gap-1">
        {death.evidence.map((entry) => (
          <EvidenceLine key={entry.code} entry={entry} unionId={death.unionId} mayStrike={mayStrike} />
        ))}
      </ul>
    </details>
  );
}

function EvidenceLine({ entry, unionId, mayStrike }: { entry: EvidenceView; unionId: string; mayStrike: boolean }) {
  const [asking, setAsking] = useState(false);
  const { code, words, from, kind, struck } = entry;
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-b border-line py-1">
      <span className={`min-w-0 grow ${struck ? 'line-through' : ''}`}>
        {words} <span className="text-sm text-muted">{`${KIND_WORDS[kind]}: ${from}`}</span>
      </span>
      {struck && <StruckOut struck={struck} mayStrike={mayStrike} />}
      {!struck && !asking && mayStrike && (
        <button type="button" className="bench-button" onClick={() => setAsking(true)}>
          Strike out
        </button>
      )}
      {!struck && asking && <StrikeForm unionId={unionId} code={code} onEnd={() => setAsking(false)} />}
    </li>
  );
}

function StruckOut({ struck, mayStrike }: { struck: NonNullable<EvidenceView['struck']>; mayStrike: boolean }) {
  const { run, busy, problem } = useSend();
  return (
    <>
      <span className="text-sm">
        Struck out by {struck.by}: {struck.reason}
      </span>
      {mayStrike && (
        <button
          type="button"
          className="bench-button"
          disabled={busy}
          onClick={() => void run('DELETE', `/api/struck-evidence/${struck.id}`)}
        >
          Counts again
        </button>
      )}
      <Problem>{problem?.message}</Problem>
    </>
  );
}

function StrikeForm({ unionId, code, onEnd }: { unionId: string; code: string; onEnd: () => void }) {
  const [strikeId] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/findings/causes/cause-inputs').then(({ strikeInput }) => strikeInput),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/struck-evidence/${strikeId}`, { ...values, unionId, code });
      if (sent?.ok) onEnd();
    },
    { read: (typed) => ({ ...typed, unionId, code }) },
  );
  return (
    <form className="flex w-full flex-wrap items-end gap-2 pb-2" onSubmit={submit} noValidate>
      <Field label="Why it is not so" needed error={errors.reason}>
        <input maxLength={300} {...register('reason')} />
      </Field>
      <button className="bench-button" data-weight="main" disabled={busy}>
        Strike it out
      </button>
      <button type="button" className="bench-button" onClick={onEnd}>
        Leave it
      </button>
      <Problem>{problem}</Problem>
    </form>
  );
}

function Settled({ death, causes, maySettle, blind }: Omit<CausePanelProps, 'mayStrike'> & { blind: boolean }) {
  const { run, busy, problem } = useSend();
  const { settled } = death;
  return (
    <div>
      {settled && (
        <p className="border-l-4 border-ink pl-3">
          <strong>Settled: {settled.words}.</strong> {settled.reason}{' '}
          <span className="text-sm text-muted">
            {settled.by}, {formatDate(settled.on)}; reckoned then: {settled.computed}
          </span>{' '}
          {maySettle && (
            <button
              type="button"
              className="bench-button ml-2"
              disabled={busy}
              onClick={() => void run('DELETE', `/api/settled-causes/${settled.id}`)}
            >
              Take it back
            </button>
          )}
        </p>
      )}
      <Problem>{problem?.message}</Problem>
      {maySettle && <SettleForm key={`${settled?.id ?? ''} ${blind}`} death={death} causes={causes} blind={blind} />}
    </div>
  );
}

interface SettleFormProps extends Pick<CausePanelProps, 'death' | 'causes'> {
  /** Nothing of what was computed is shown yet. */
  blind: boolean;
}

function SettleForm({ death: { unionId, settled, verdict }, causes, blind }: SettleFormProps) {
  const [settledId] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/findings/causes/cause-inputs').then(({ settledCauseInput }) => settledCauseInput),
    async (values, { run }) =>
      void (await run('PUT', `/api/settled-causes/${settledId}`, { ...values, unionId, blind })),
    { read: (typed) => ({ ...typed, unionId, blind }) },
  );
  return (
    <form className="mt-2 flex flex-wrap items-end gap-3" onSubmit={submit} noValidate>
      <Field label={settled ? 'Settle it otherwise' : 'Settle the cause'} error={errors.cause}>
        <select defaultValue={settled?.cause ?? (blind ? '' : (verdict?.cause ?? ''))} {...register('cause')}>
          <option value="">not known</option>
          {causes.map(({ cause, words }) => (
            <option key={cause} value={cause}>
              {words}
            </option>
          ))}
        </select>
      </Field>
      <Field label="Reason" needed error={errors.reason}>
        <input maxLength={300} {...register('reason')} />
      </Field>
      <button className="bench-button" disabled={busy}>
        Settle it
      </button>
      <Problem>{problem}</Problem>
    </form>
  );
}
