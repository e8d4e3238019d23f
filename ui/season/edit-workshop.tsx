'use client';

import { useState } from 'react';
import { SheetDialog } from '../form/sheet-dialog';
import { WorkshopForm, type WorkshopFigures } from './workshop-form';

interface EditWorkshopProps {
  workshop: WorkshopFigures;
  sites: { id: string; name: string }[];
  methods: { id: string; name: string }[];
}

export function EditWorkshop({ workshop, sites, methods }: EditWorkshopProps) {
  const [open, setOpen] = useState(false);
  return (
    <SheetDialog
      title="The day" description="Title, date, place and promise. The method is fixed once unions are scored by it." open={open} onOpenChange={setOpen}
      trigger={<button type="button" className="bench-button">Change</button>}
    >
      <WorkshopForm workshop={workshop} sites={sites} methods={methods} onDone={() => setOpen(false)} />
    </SheetDialog>
  );
}
