'use client';

import dynamic from 'next/dynamic';
import { Rotate3d } from 'lucide-react';
import { useState } from 'react';
import { SheetDialog } from '../kit/form/sheet-dialog';

/** The library that draws in three dimensions comes only when somebody asks for it. */
const BodyViewer = dynamic(() => import('./body-viewer'), {
  ssr: false,
  loading: () => <p className="grid h-[60vh] place-content-center text-muted">Fetching the pieces.</p>,
});

/** A button that lays the pieces of a step out to be turned in the hand. */
export function TurnIt({ from, title }: { from: string; title: string }) {
  const [open, setOpen] = useState(false);
  return (
    <SheetDialog
      title="Turn it in the hand"
      description={title}
      open={open}
      onOpenChange={setOpen}
      wide
      trigger={
        <button type="button" className="bench-button">
          <Rotate3d aria-hidden className="size-5" /> Turn it
        </button>
      }
    >
      <BodyViewer from={from} label={title} />
    </SheetDialog>
  );
}
