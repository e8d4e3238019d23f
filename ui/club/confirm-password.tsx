'use client';

import { useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';

interface ConfirmPasswordProps {
  open: boolean;
  onClose: () => void;
  /** The password was right: what was held back can be done. */
  onConfirmed: () => void;
}

/** Asks for the password once more before something that decides over others. */
export function ConfirmPassword({ open, onClose, onConfirmed }: ConfirmPasswordProps) {
  const [password, setPassword] = useState('');
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState('');
  const confirm = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    if (busy) return;
    setBusy(true);
    setProblem('');
    const sent = await send('POST', '/api/session/confirmation', { password });
    setBusy(false);
    setPassword('');
    if (sent.ok) onConfirmed();
    else setProblem(sent.message);
  };
  return (
    <SheetDialog
      title="Is it you?"
      description="Enter your password once more; it stands for a quarter of an hour."
      open={open}
      onOpenChange={(stays) => {
        if (!stays) onClose();
      }}
    >
      <form onSubmit={(event) => void confirm(event)} className="flex flex-col gap-3" noValidate>
        <Problem>{problem}</Problem>
        <Field label="Your password">
          <input
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
          />
        </Field>
        <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy || password === ''}>
          Go on
        </button>
      </form>
    </SheetDialog>
  );
}
