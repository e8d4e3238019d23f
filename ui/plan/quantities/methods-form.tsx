'use client';

import { lazy, Suspense, useState } from 'react';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import type { MethodsFormProps } from './made-form';

/** Comes when it is opened: most who look at the quantities change none. */
const MadeForm = lazy(() => import('./made-form').then((module) => ({ default: module.MadeForm })));

/** What is taught, on what, and how much of it each person makes; and how sure the promise shall be. */
export function MethodsForm(props: MethodsFormProps) {
  const [open, setOpen] = useState(false);
  return (
    <SheetDialog
      title="What is made"
      description="Each method with its wood, practice unions and keepers for one person."
      open={open}
      onOpenChange={setOpen}
      trigger={
        <button type="button" className="bench-button">
          Change what is made
        </button>
      }
    >
      <Suspense fallback={<p role="status">One moment…</p>}>
        <MadeForm {...props} onDone={() => setOpen(false)} />
      </Suspense>
    </SheetDialog>
  );
}
