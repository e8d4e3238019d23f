'use client';

import { AlertDialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface AskFirstProps {
  /** The button that asks. */
  trigger: ReactNode;
  /** What is about to happen, as a question. */
  question: string;
  /** What it means, and whether it can be undone. */
  meaning: string;
  /** What the button that does it says. */
  yes: string;
  onYes: () => void;
}

/** Asks before something that cannot be taken back. The way out has the focus. */
export function AskFirst({ trigger, question, meaning, yes, onYes }: AskFirstProps) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>{trigger}</AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <AlertDialog.Content className="fixed top-1/3 left-1/2 z-50 flex w-[min(28rem,calc(100vw-2rem))] -translate-x-1/2 flex-col gap-3 border-2 border-ink bg-paper p-5">
          <AlertDialog.Title className="text-xl font-bold">{question}</AlertDialog.Title>
          <AlertDialog.Description>{meaning}</AlertDialog.Description>
          <div className="flex flex-wrap justify-end gap-3">
            <AlertDialog.Cancel className="bench-button">Leave it</AlertDialog.Cancel>
            <AlertDialog.Action className="bench-button" data-weight="loud" onClick={onYes}>
              {yes}
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
