'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { CauseTables } from '@/core/findings/causes/cause-tables';
import type { TablesPreview } from '@/core/findings/causes/tables-preview';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { CauseRows } from './cause-rows';
import { PreviewResult } from './preview-result';
import { QuestionRows } from './question-rows';

interface TablesEditorProps {
  version: number;
  tables: CauseTables;
  mayChange: boolean;
}

/** A club's tables of causes: how likely each is beforehand, how strongly evidence speaks, how often an answer is found. */
export function TablesEditor({ version, tables: saved, mayChange }: TablesEditorProps) {
  const [tables, setTables] = useState(saved);
  const [source, setSource] = useState('');
  const [cause, setCause] = useState(saved.causes[0]!.cause);
  const [preview, setPreview] = useState<TablesPreview | null>(null);
  const [changeId, setChangeId] = useState<string>(() => uuid());
  const [told, setTold] = useState('');
  const { run, busy, problem } = useSend();
  const changed = JSON.stringify(tables) !== JSON.stringify(saved);
  const change = (next: CauseTables): void => {
    setTables(next);
    setPreview(null);
    setTold('');
  };
  const sent = { causes: tables.causes, evidence: tables.evidence, questions: tables.questions };
  const look = async (): Promise<void> => {
    const answer = await run<TablesPreview>('POST', '/api/cause-tables/preview', { tables: sent });
    if (answer?.ok) setPreview(answer.data);
  };
  const save = async (): Promise<void> => {
    const answer = await run<{ version: number }>('PUT', '/api/cause-tables', {
      changeId,
      version,
      source,
      tables: sent,
    });
    if (!answer?.ok) return;
    setChangeId(uuid());
    setSource('');
    setTold(`Kept as version ${answer.data.version}. Deaths are read by it from now on.`);
  };
  return (
    <>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-5 lg:grid-cols-[15rem_minmax(0,1fr)]">
        <CauseChoice tables={tables} cause={cause} onChoose={setCause} />
        <CauseRows key={cause} tables={tables} cause={cause} mayChange={mayChange} onChange={change} />
      </div>
      <QuestionRows tables={tables} mayChange={mayChange} onChange={change} />
      {mayChange && (
        <section aria-labelledby="keep-title" className="board mt-5">
          <h2 id="keep-title">Keep these tables</h2>
          <p className="max-w-prose">
            Kept as a new version; what was settled and what was found stay as they are. Look first at what they would
            say of the deaths you know.
          </p>
          <div className="mt-2 flex flex-wrap items-end gap-3">
            <button type="button" className="bench-button" disabled={busy || !changed} onClick={() => void look()}>
              Look at past deaths
            </button>
            <Field label="Who says so" needed error={problem?.fields.source}>
              <input value={source} maxLength={300} onChange={(event) => setSource(event.target.value)} />
            </Field>
            <button
              type="button"
              className="bench-button"
              data-weight="main"
              disabled={busy || !changed}
              onClick={() => void save()}
            >
              Keep them
            </button>
            {changed && (
              <button type="button" className="bench-button" onClick={() => change(saved)}>
                Back to what was kept
              </button>
            )}
          </div>
          <Problem>{problem?.message}</Problem>
          <p role="status" className="font-bold">
            {told}
          </p>
          {preview && <PreviewResult preview={preview} />}
        </section>
      )}
    </>
  );
}

interface CauseChoiceProps {
  tables: CauseTables;
  cause: string;
  onChoose: (cause: string) => void;
}

function CauseChoice({ tables, cause, onChoose }: CauseChoiceProps) {
  return (
    <nav aria-label="Causes">
      <ul className="grid max-h-[60vh] overflow-y-auto max-lg:max-h-48" tabIndex={0}>
        {tables.causes.map((row) => (
          <li key={row.cause}>
            <button
              type="button"
              aria-pressed={cause === row.cause}
              onClick={() => onChoose(row.cause)}
              className={`min-h-11 w-full cursor-pointer border-l-8 px-2 py-1 text-left ${cause === row.cause ? 'border-ink bg-mist font-bold' : 'border-line'}`}
            >
              {row.words}
            </button>
          </li>
        ))}
      </ul>
    </nav>
  );
}
