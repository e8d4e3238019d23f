'use client';

import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';

interface SheetDialogProps {
  title: string;
  description: string;
  /** Left out when something else opens it. */
  trigger?: ReactNode;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  /** For what is looked at rather than filled in. */
  wide?: boolean;
  children: ReactNode;
}

/** A sheet laid on the page from the right, with a title and what it is for. */
export function SheetDialog({
  title,
  description,
  trigger,
  open,
  onOpenChange,
  wide = false,
  children,
}: SheetDialogProps) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      {trigger && <Dialog.Trigger asChild>{trigger}</Dialog.Trigger>}
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content
          className={`fixed inset-y-0 right-0 z-50 flex w-full flex-col gap-3 overflow-y-auto border-l-2 border-ink bg-paper p-5 ${wide ? 'max-w-3xl' : 'max-w-md'}`}
        >
          <div className="flex items-start justify-between gap-3">
            <Dialog.Title className="text-xl font-bold">{title}</Dialog.Title>
            <Dialog.Close className="bench-button px-2.5" aria-label="Close">
              <X aria-hidden className="size-5" />
            </Dialog.Close>
          </div>
          <Dialog.Description className="text-muted">{description}</Dialog.Description>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
