'use client';

import { useState } from 'react';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { PutAway } from './put-away';
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
      title="The day"
      description="Title, date, place and promise. The method is fixed once unions are scored by it."
      open={open}
      onOpenChange={setOpen}
      trigger={
        <button type="button" className="bench-button">
          Change
        </button>
      }
    >
      <WorkshopForm workshop={workshop} sites={sites} methods={methods} onDone={() => setOpen(false)} />
      <div className="border-t border-line pt-3">
        <p className="mb-2 text-sm text-muted">
          Made by mistake? Put away, it leaves the season and every list; nothing of it is lost, and it can be brought
          back from the foot of the season.
        </p>
        <PutAway workshopId={workshop.id} title={workshop.title} />
      </div>
    </SheetDialog>
  );
}
