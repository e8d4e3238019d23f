'use client';

import { useId, type ReactElement, cloneElement } from 'react';

interface FieldProps {
  label: string;
  hint?: string;
  error?: string | undefined;
  /** It cannot be left empty: marked, and said to whoever listens. */
  needed?: boolean;
  children: ReactElement<{
    id?: string;
    'aria-invalid'?: boolean;
    'aria-describedby'?: string | undefined;
    'aria-required'?: boolean;
    className?: string;
  }>;
}

/** A labelled input with its hint and its error, tied together for screen readers. */
export function Field({ label, hint, error, needed = false, children }: FieldProps) {
  const id = useId();
  const described = [hint ? `${id}-hint` : null, error ? `${id}-error` : null].filter(Boolean).join(' ');
  return (
    <div className="min-w-0">
      <label htmlFor={id} data-needed={needed || undefined} className="mb-0.5 block text-sm font-bold">
        {label}
      </label>
      {cloneElement(children, {
        id,
        'aria-invalid': error !== undefined,
        ...(needed ? { 'aria-required': true } : {}),
        'aria-describedby': described || undefined,
        className: `bench-input ${children.props.className ?? ''}`,
      })}
      {hint && (
        <p id={`${id}-hint`} className="mt-0.5 text-sm text-muted">
          {hint}
        </p>
      )}
      {error && (
        <p id={`${id}-error`} className="mt-0.5 text-sm font-bold text-loud">
          {error}
        </p>
      )}
    </div>
  );
}
