import { TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';

/** A message that something was not done, and what to do. Announced at once. */
export function Problem({ children }: { children: ReactNode }) {
  return (
    <div
      role="alert"
      className={children ? 'flex items-start gap-2 border-l-4 border-loud bg-sheet px-3 py-2 font-bold' : ''}
    >
      {children && <TriangleAlert aria-hidden className="mt-0.5 size-5 shrink-0 text-loud" />}
      {children && <span>{children}</span>}
    </div>
  );
}
