import { type Outlook, type OutlookBy, OUTLOOKS } from '@/core/score/rubric/outlook';
import type { Entry } from './entry';

interface ForetellingProps {
  entry: Entry;
  onForetell: (outlook: Outlook, by: OutlookBy) => void;
}

const TELLERS: { by: OutlookBy; words: string }[] = [
  { by: 'assessor', words: 'You' },
  { by: 'maker', words: 'Its maker' },
];

/** Will it live? One tap by whoever says so; later it is set against what became of it. */
export function Foretelling({ entry, onForetell }: ForetellingProps) {
  return (
    <div
      className="grid grid-cols-[auto_1fr_1fr_1fr] items-center gap-1 text-sm"
      role="group"
      aria-label="Will it live?"
    >
      {TELLERS.map(({ by, words }, i) => (
        <span key={by} className="contents">
          <span className="pr-1">
            <strong className={i === 0 ? '' : 'sr-only'}>Will it live?</strong>
            <span className="block text-muted">{words}:</span>
          </span>
          {OUTLOOKS.map((outlook) => {
            const said = entry.outlook === outlook && (entry.outlookBy ?? 'assessor') === by;
            return (
              <button
                key={outlook}
                type="button"
                aria-pressed={said}
                aria-label={`${words}: ${outlook}`}
                onClick={() => onForetell(outlook, by)}
                className={`min-h-11 cursor-pointer border-2 px-1 lg:min-h-9 ${said ? 'border-ink bg-ink text-paper' : 'border-line bg-sheet'}`}
              >
                {outlook}
              </button>
            );
          })}
        </span>
      ))}
    </div>
  );
}
