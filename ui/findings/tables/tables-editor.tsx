'use client';

import { useState } from 'react';
import type { CauseTables } from '@/core/findings/causes/cause-tables';
import { CauseRows } from './cause-rows';
import { KeepTables } from './keep-tables';
import { QuestionRows } from './question-rows';

interface TablesEditorProps {
  version: number;
  tables: CauseTables;
  mayChange: boolean;
}

/** A club's tables of causes: how likely each is beforehand, how strongly evidence speaks, how often an answer is found. */
export function TablesEditor({ version, tables: saved, mayChange }: TablesEditorProps) {
  const [tables, setTables] = useState(saved);
  // What shows figures as they were typed is made anew when they go back to what was kept.
  const [times, setTimes] = useState(0);
  const [cause, setCause] = useState(saved.causes[0]!.cause);
  const changed = JSON.stringify(tables) !== JSON.stringify(saved);
  return (
    <>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-5 lg:grid-cols-[15rem_minmax(0,1fr)]">
        <CauseChoice tables={tables} cause={cause} onChoose={setCause} />
        <CauseRows key={`${cause} ${times}`} tables={tables} cause={cause} mayChange={mayChange} onChange={setTables} />
      </div>
      <QuestionRows key={times} tables={tables} mayChange={mayChange} onChange={setTables} />
      {mayChange && (
        <KeepTables
          version={version}
          tables={tables}
          changed={changed}
          onBack={() => {
            setTables(saved);
            setTimes(times + 1);
          }}
        />
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
