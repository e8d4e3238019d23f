'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { type CauseTables, checkTables } from '@/core/findings/causes/cause-tables';
import type { TablesPreview } from '@/core/findings/causes/tables-preview';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { PreviewResult } from './preview-result';

interface KeepTablesProps {
  version: number;
  tables: CauseTables;
  changed: boolean;
  onBack: () => void;
}

const NO_SOURCE = 'Enter who says so.';

/** Looks at what changed tables would say of past deaths, and keeps them as a new version. */
export function KeepTables({ version, tables, changed, onBack }: KeepTablesProps) {
  const [source, setSource] = useState('');
  const [preview, setPreview] = useState<{ tables: CauseTables; found: TablesPreview } | null>(null);
  const [changeId] = useState<string>(() => uuid());
  const { run, busy, problem, setProblem } = useSend();
  const { causes, evidence, questions } = tables;
  const sent = { causes, evidence, questions };
  /** What cannot be is said before anything is sent. */
  const holds = (): boolean => {
    try {
      checkTables(tables);
      return true;
    } catch (error) {
      setProblem({ message: (error as Error).message, fields: {} });
      return false;
    }
  };
  const look = async (): Promise<void> => {
    if (!holds()) return;
    const answer = await run<TablesPreview>('POST', '/api/cause-tables/preview', { tables: sent });
    if (answer?.ok) setPreview({ tables, found: answer.data });
  };
  const save = async (): Promise<void> => {
    if (!holds()) return;
    if (source.trim() === '') return setProblem({ message: NO_SOURCE, fields: { source: NO_SOURCE } });
    await run('PUT', '/api/cause-tables', { changeId, version, source, tables: sent });
  };
  return (
    <section aria-labelledby="keep-title" className="board mt-5">
      <h2 id="keep-title">Keep these tables</h2>
      <p className="max-w-prose">
        Kept as a new version; what was settled and what was found stay as they are. Look first at what they would say
        of the deaths you know.
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
          <button type="button" className="bench-button" onClick={onBack}>
            Back to what was kept
          </button>
        )}
      </div>
      <Problem>{problem?.message}</Problem>
      {preview?.tables === tables && <PreviewResult preview={preview.found} />}
    </section>
  );
}
