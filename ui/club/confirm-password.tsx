'use client';

import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';

interface ConfirmPasswordProps {
  open: boolean;
  onClose: () => void;
  /** The password was right: what was held back can be done. */
  onConfirmed: () => void;
}

/** Asks for the password once more before something that decides over others. */
export function ConfirmPassword({ open, onClose, onConfirmed }: ConfirmPasswordProps) {
  const { register, submit, problem, busy, watch } = useEntry(
    () => import('@/core/club/own-password').then(({ ownPasswordInput }) => ownPasswordInput),
    async (values, { run, reset }) => {
      const sent = await run('POST', '/api/session/confirmation', values);
      reset();
      if (sent?.ok) onConfirmed();
    },
  );
  return (
    <SheetDialog
      title="Is it you?"
      description="Enter your password once more; it stands for a quarter of an hour."
      open={open}
      onOpenChange={(stays) => {
        if (!stays) onClose();
      }}
    >
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        <Problem>{problem}</Problem>
        <Field label="Your password">
          <input {...register('password')} type="password" autoComplete="current-password" />
        </Field>
        <button
          type="submit"
          className="bench-button self-start"
          data-weight="main"
          disabled={busy || !watch('password')}
        >
          Go on
        </button>
      </form>
    </SheetDialog>
  );
}
