'use client';

import { type FigureInputOptions, useFigureInput } from './use-figure-input';

export interface FigureProps extends FigureInputOptions {
  /** One of those asked on every union. */
  first?: boolean;
  label?: string;
  placeholder?: string;
  error: string | undefined;
  onAsk?: (name: string) => void;
}

/**
 * One figure of a union. Only figures reach it: what else is typed, by a hand or by a caliper that has
 * nothing to say, changes nothing, is told, and marks nothing on the drawing.
 */
export function Figure({ field, entry, onText, first = false, label = field.short, ...props }: FigureProps) {
  const { placeholder, error, onAsk } = props;
  const { id, input, value, refused, forgive, change, onKeyDown } = useFigureInput({ field, entry, onText });
  const kept = entry.kept.includes(field.id);
  const quick = entry.quick.includes(field.id);
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="block truncate text-sm font-bold">
        {label}
      </label>
      <input
        ref={input}
        id={id}
        name={field.id}
        value={value}
        placeholder={placeholder}
        inputMode="decimal"
        autoComplete="off"
        enterKeyHint="next"
        data-first={first ? '' : undefined}
        aria-invalid={error !== undefined}
        aria-describedby={error || kept || quick ? `${id}-about` : undefined}
        data-figure=""
        onChange={change}
        onFocus={(event) => {
          event.target.select();
          onAsk?.(field.id);
        }}
        onBlur={forgive}
        onKeyDown={onKeyDown}
        className={`bench-input text-lg font-bold outline-offset-0 placeholder:font-normal placeholder:text-muted placeholder:italic ${kept ? 'border-dashed italic' : quick ? 'border-dotted' : ''}`}
      />
      {error ? (
        <p id={`${id}-about`} className="text-sm font-bold text-loud">
          {error}
        </p>
      ) : (
        (kept || quick) && (
          <p id={`${id}-about`} className="truncate text-xs text-muted">
            {kept ? 'kept, assumed' : 'picked'}
          </p>
        )
      )}
      {/* Over what stands below, as wide as the row: it goes with the next figure, and nothing jumps. */}
      {refused && (
        <p
          role="alert"
          className="absolute inset-x-0 top-full z-10 mt-1 border-l-4 border-loud bg-sheet px-2 py-1 text-sm shadow-sm"
        >
          <strong className="text-loud">“{refused.typed.trim()}” is no figure.</strong> Nothing was changed. Esc leaves
          the figure, then letters mark.
        </p>
      )}
    </div>
  );
}
