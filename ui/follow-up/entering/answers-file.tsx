'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatCode, isPlantCode } from '@/core/codes/plant-code';
import type { FileAnswer, FilePreview } from '@/core/follow-up/entering/file-preview';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';
import { type SheetColumn, SheetTable } from '@/ui/kit/table/sheet-table';

const SAID_WORDS = { alive: 'alive', dead: 'dead', unsure: 'not sure', 'not-found': 'not found' } as const;

/** A file of answers that was chosen, with what it would do; its import has one id, however often it is pressed. */
function useAnswersFile() {
  const [file, setFile] = useState<{ bytes: File; importId: string } | null>(null);
  const [preview, setPreview] = useState<FilePreview | null>(null);
  const [kept, setKept] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const choose = async (chosen: File | undefined): Promise<void> => {
    setPreview(null);
    setKept('');
    setProblem('');
    if (!chosen) return;
    setBusy(true);
    setFile({ bytes: chosen, importId: uuid() });
    const sent = await send<FilePreview>('POST', '/api/answers/preview', chosen);
    setBusy(false);
    if (sent.ok) setPreview(sent.data);
    else setProblem(sent.message);
  };
  const keep = async (): Promise<void> => {
    if (!file || busy) return;
    setBusy(true);
    setProblem('');
    const sent = await send<{ kept: number; left: number }>('PUT', `/api/answers/files/${file.importId}`, file.bytes);
    setBusy(false);
    if (!sent.ok) return setProblem(sent.message);
    setPreview(null);
    setKept(
      `${counted(sent.data.kept, 'answer')} kept${sent.data.left > 0 ? `, ${counted(sent.data.left, 'line')} left out` : ''}.`,
    );
  };
  return { preview, kept, problem, busy, choose, keep };
}

/** Answers from CSV: looked through line by line before anything is kept. */
export function AnswersFile({ unit }: { unit: LengthUnit }) {
  const { preview, kept, problem, busy, choose, keep } = useAnswersFile();
  return (
    <section className="board min-w-0" aria-label="Answers from a file">
      <p className="max-w-prose">
        A CSV file with the columns <code>code</code> and <code>answer</code> (alive, dead, not sure, not found), and
        where you have them <code>seen_on</code> (2027-05-02), <code>growth</code> (
        {unit === 'mm' ? '120, or 5 in' : '5, or its unit behind it'}) and <code>note</code>. Nothing is kept before you
        have seen it.
      </p>
      <label className="my-2 block">
        <span className="text-sm font-bold">The file</span>
        <input
          type="file"
          accept=".csv,text/csv"
          className="bench-input"
          disabled={busy}
          onChange={({ target }) => {
            void choose(target.files?.[0]);
            // The same file, mended, can be chosen again.
            target.value = '';
          }}
        />
      </label>
      <Problem>{problem}</Problem>
      <p role="status" className="font-bold">
        {kept}
      </p>
      {preview && (
        <>
          <p className="my-2">
            <strong>{counted(preview.good, 'answer')} can be kept</strong>
            {preview.good < preview.rows.length && `, ${preview.rows.length - preview.good} cannot`}.{' '}
            {preview.notes.join(' ')}
          </p>
          <SheetTable
            label="What the file says"
            className="min-w-[44rem]"
            rows={preview.rows}
            columns={COLUMNS}
            idOf={({ line }) => String(line)}
          />
          <button
            type="button"
            className="bench-button mt-3"
            data-weight="main"
            disabled={busy || preview.good === 0}
            onClick={() => void keep()}
          >
            Keep {counted(preview.good, 'answer')}
          </button>
        </>
      )}
    </section>
  );
}

const COLUMNS: SheetColumn<FileAnswer>[] = [
  { id: 'line', head: 'Line', value: ({ line }) => line, cell: ({ line }) => line },
  {
    id: 'code',
    head: 'Code',
    names: true,
    value: ({ code }) => code,
    cell: ({ code }) => (isPlantCode(code) ? formatCode(code) : code),
  },
  { id: 'graft', head: 'Graft', cell: ({ variety, grower }) => (grower ? `${variety}, ${grower}` : '') },
  { id: 'said', head: 'Answer', value: ({ said }) => said ?? '', cell: ({ said }) => (said ? SAID_WORDS[said] : '') },
  {
    id: 'seen',
    head: 'Seen on',
    value: ({ seenOn }) => seenOn,
    cell: ({ seenOn }) => (seenOn === '' ? 'today' : formatDate(seenOn)),
  },
  {
    id: 'problem',
    head: 'What becomes of it',
    value: ({ problem }) => problem,
    cell: ({ problem }) => (problem === '' ? 'kept' : <strong className="text-loud">left out: {problem}</strong>),
  },
];
