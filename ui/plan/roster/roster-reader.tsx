'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState, type Dispatch, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import type { Decision, PreviewLine } from '@/core/plan/roster/roster-line';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** Reads a CSV file, shows what each line would do, and seats the people once that is accepted. */
export function RosterReader({ workshopId }: { workshopId: string }) {
  const router = useRouter();
  const { run, busy, problem, setProblem } = useSend();
  const [file, setFile] = useState<File | null>(null);
  const [lines, setLines] = useState<PreviewLine[] | null>(null);
  const [decisions, setDecisions] = useState<Record<number, Decision>>({});
  const importId = useRef(uuid());
  const url = `/api/workshops/${workshopId}/roster`;

  const preview = async (chosen: File | undefined): Promise<void> => {
    setLines(null);
    setDecisions({});
    setFile(chosen ?? null);
    if (!chosen) return;
    importId.current = uuid();
    const form = new FormData();
    form.set('file', chosen);
    const sent = await run<{ problem: string | null; lines: PreviewLine[] }>('POST', url, form);
    if (!sent?.ok) return;
    if (sent.data.problem) setProblem({ message: sent.data.problem, fields: {} });
    else setLines(sent.data.lines);
  };
  const accept = async (): Promise<void> => {
    const form = new FormData();
    form.set('file', file!);
    form.set('importId', importId.current);
    form.set('decisions', JSON.stringify(decisions));
    const sent = await run('PUT', url, form);
    if (sent?.ok) router.push(`/workshops/${workshopId}/plan`);
  };

  const undecided = lines?.filter(({ match, line }) => match === 'ask' && !decisions[line]).length ?? 0;
  const seating =
    lines?.filter(({ match, line }) => match !== 'problem' && match !== 'seated' && decisions[line] !== 'skip')
      .length ?? 0;
  const faulty = lines?.filter(({ match }) => match === 'problem').length ?? 0;
  return (
    <div className="flex flex-col gap-4">
      <RosterFile preview={preview} />
      <Problem>{problem?.message}</Problem>
      {lines && (
        <>
          <p role="status">
            {lines.length} {lines.length === 1 ? 'line' : 'lines'} read, nothing saved yet. {seating} to be seated
            {faulty > 0 ? `, ${faulty} with problems left out` : ''}
            {undecided > 0 ? `, ${undecided} to be decided` : ''}.
          </p>
          <div
            className="relative overflow-x-auto"
            tabIndex={0}
            role="group"
            aria-label="Preview of the roster, scrolls sideways on narrow screens"
          >
            <PreviewTable lines={lines} decisions={decisions} setDecisions={setDecisions} />
          </div>
          <button
            type="button"
            className="bench-button self-start"
            data-weight="main"
            disabled={busy || undecided > 0 || seating === 0}
            onClick={() => void accept()}
          >
            {undecided > 0
              ? `Decide ${undecided} ${undecided === 1 ? 'line' : 'lines'} first`
              : seating === 0
                ? 'Nobody to seat'
                : `Seat ${seating} ${seating === 1 ? 'person' : 'people'}`}
          </button>
        </>
      )}
    </div>
  );
}

function Outcome({
  line,
  decision,
  decide,
}: {
  line: PreviewLine;
  decision: Decision | undefined;
  decide: (decision: Decision) => void;
}) {
  if (line.match === 'problem')
    return <span className="font-bold text-loud">Left out: {line.problems.join('; ')}</span>;
  if (line.match === 'seated') return <span>Has a seat already</span>;
  if (line.match === 'new') return <span>New, gets a seat</span>;
  if (line.match === 'known') return <span>Known, gets a seat</span>;
  const choices: [Decision, string][] = [
    [
      'same',
      line.sameAddressAs === null
        ? `Same person as ${line.personName}`
        : `Same person as ${line.personName} of line ${line.sameAddressAs}`,
    ],
    ['new', 'Somebody else'],
    ['skip', 'Leave out'],
  ];
  return (
    <fieldset>
      <legend className="text-sm font-bold">
        {line.sameAddressAs === null
          ? `${line.personName} is known by this ${line.email ? 'address' : 'name'}. Who is it?`
          : `Line ${line.sameAddressAs}, ${line.personName}, has the same address. Who is it?`}
      </legend>
      {choices.map(([value, label]) => (
        <label key={value} className="flex min-h-9 items-center gap-2">
          <input
            type="radio"
            name={`line-${line.line}`}
            className="size-5"
            checked={decision === value}
            onChange={() => decide(value)}
          />
          {label}
        </label>
      ))}
    </fieldset>
  );
}

interface PreviewTableProps {
  lines: PreviewLine[];
  decisions: Record<number, Decision>;
  setDecisions: Dispatch<SetStateAction<Record<number, Decision>>>;
}

/** What the file says, line by line. */
function PreviewTable({ lines, decisions, setDecisions }: PreviewTableProps) {
  return (
    <table className="bench-table">
      <thead>
        <tr>
          <th scope="col">Line</th>
          <th scope="col">Name</th>
          <th scope="col">E-mail</th>
          <th scope="col">Phone</th>
          <th scope="col">Leave</th>
          <th scope="col">What happens</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.line} className={line.match === 'problem' || decisions[line.line] === 'skip' ? 'bg-mist' : ''}>
            <td>{line.line}</td>
            <td className="font-bold">{line.name}</td>
            <td>{line.email}</td>
            <td>{line.phone}</td>
            <td>{line.mayContact ? 'yes' : 'no'}</td>
            <td>
              <Outcome
                line={line}
                decision={decisions[line.line]}
                decide={(decision) => setDecisions({ ...decisions, [line.line]: decision })}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface RosterFileProps {
  preview: (chosen: File | undefined) => Promise<void>;
}

/** The file, and what it should hold. */
function RosterFile({ preview }: RosterFileProps) {
  return (
    <div className="max-w-xl">
      <Field
        label="CSV file"
        hint="A line of headers, then a line for each person: name, e-mail, phone, leave to be contacted (yes or no). Any order; comma or semicolon."
      >
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          onChange={(event) => void preview(event.target.files?.[0])}
        />
      </Field>
    </div>
  );
}
