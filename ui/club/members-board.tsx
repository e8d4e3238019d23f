'use client';

import { useState, type Dispatch, type SetStateAction } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import type { Sent } from '@/ui/kit/form/send';
import { useEntry } from '@/ui/kit/form/use-entry';
import { useSend } from '@/ui/kit/form/use-send';
import { ConfirmPassword } from './confirm-password';
import type { FieldValues, UseFormRegister } from 'react-hook-form';

interface MemberLine {
  userId: string;
  name: string;
  email: string;
  role: string;
  asked: boolean;
}

const ROLES = [
  ['lead', 'lead'],
  ['assistant', 'assistant'],
  ['viewer', 'viewer'],
] as const;

/** A link to hand over, and whom it is for. */
interface HandedLink {
  url: string;
  to: string;
  minutes: string;
}

/** Who belongs to the club, and what each may do. The password is asked again before anything changes. */
export function MembersBoard({ members, mayChange }: { members: MemberLine[]; mayChange: boolean }) {
  const { run, busy, problem } = useSend();
  const [held, setHeld] = useState<(() => Promise<void>) | null>(null);
  const [link, setLink] = useState<HandedLink | null>(null);
  /** Does something; when the server wants the password first, asks for it and does it again. */
  const change = async <T,>(
    work: () => Promise<Sent<T> | null>,
    then: (data: T) => void = () => undefined,
  ): Promise<void> => {
    const sent = await work();
    if (sent?.ok) return then(sent.data);
    if (sent?.fields.confirm) setHeld(() => () => change(work, then));
  };
  const {
    register,
    submit,
    errors,
    problem: refused,
  } = useEntry(
    () => import('@/core/club/member-input').then(({ newMember }) => newMember),
    (values, { reset }) =>
      change(
        () => run<{ url: string }>('POST', '/api/members', values),
        ({ url }) => {
          setLink({ url, to: String(values.name), minutes: 'a week' });
          reset();
        },
      ),
  );
  const handOver = (member: MemberLine): void =>
    void change(
      () => run<{ url: string }>('POST', `/api/members/${member.userId}/password-link`),
      ({ url }) => setLink({ url, to: member.name, minutes: '20 minutes' }),
    );
  return (
    <div className="flex flex-col gap-4">
      <p className="max-w-prose text-muted">
        The lead does everything and looks after members. Assistants plan, score and follow up. Viewers read.
      </p>
      {!held && <Problem>{refused ?? problem?.message}</Problem>}
      {link && <HandedLinkBox link={link} setLink={setLink} />}
      <ul className="divide-y divide-line border-y border-line">
        {members.map((member) => (
          <Member
            key={member.userId}
            member={member}
            mayChange={mayChange}
            busy={busy}
            handOver={handOver}
            change={change}
            run={run}
          />
        ))}
      </ul>
      {mayChange && <AskForm submit={submit} errors={errors} problem={problem} register={register} busy={busy} />}
      <ConfirmPassword
        open={held !== null}
        onClose={() => setHeld(null)}
        onConfirmed={() => {
          const again = held;
          setHeld(null);
          void again?.();
        }}
      />
    </div>
  );
}

interface AskFormProps {
  submit: (event: React.FormEvent<HTMLFormElement>) => void;
  errors: Record<string, string | undefined>;
  problem: { message: string; fields: Record<string, string> } | null;
  register: UseFormRegister<FieldValues>;
  busy: boolean;
}

/** Asks somebody to join. */
function AskForm({ submit, errors, problem, register, busy }: AskFormProps) {
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <h2>Ask somebody to join</h2>
      <p className="max-w-prose text-muted">
        They get a letter with a link, and you get the link to hand over at the bench. They choose their own password;
        whoever has an account already says yes with it.
      </p>
      <div className="grid gap-3 sm:grid-cols-3">
        <Field label="Name" error={errors.name ?? problem?.fields.name}>
          <input {...register('name')} autoComplete="off" />
        </Field>
        <Field label="E-mail" error={errors.email ?? problem?.fields.email}>
          <input {...register('email')} type="email" autoComplete="off" />
        </Field>
        <Field label="Role" error={errors.role ?? problem?.fields.role}>
          <select {...register('role')} defaultValue="assistant">
            {ROLES.map(([value, label]) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </Field>
      </div>
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Ask them
      </button>
    </form>
  );
}

interface MemberProps {
  member: MemberLine;
  mayChange: boolean;
  busy: boolean;
  handOver: (member: MemberLine) => void;
  change: <T>(work: () => Promise<Sent<T> | null>, then?: (data: T) => void) => Promise<void>;
  run: ReturnType<typeof useSend>['run'];
}

/** A member, what they may do, and what can be changed of it. */
function Member({ member, mayChange, busy, handOver, change, run }: MemberProps) {
  return (
    <li className="flex flex-wrap items-center justify-between gap-3 py-2">
      <span>
        <span className="font-bold">{member.name}</span> <span className="text-muted">{member.email}</span>
        {member.asked && <span className="ml-2 border-2 border-line px-1.5 text-sm">asked, no answer yet</span>}
      </span>
      {mayChange ? (
        <span className="flex flex-wrap gap-2">
          {!member.asked && (
            <button type="button" className="bench-button" disabled={busy} onClick={() => handOver(member)}>
              New password<span className="sr-only"> for {member.name}</span>
            </button>
          )}
          {member.asked ? (
            <button
              type="button"
              className="bench-button"
              disabled={busy}
              onClick={() => void change(() => run('PATCH', `/api/members/${member.userId}`, { role: 'none' }))}
            >
              Take the question back<span className="sr-only"> from {member.name}</span>
            </button>
          ) : (
            <select
              aria-label={`Role of ${member.name}`}
              value={member.role}
              disabled={busy}
              className="bench-input w-44!"
              onChange={(event) => {
                const role = event.target.value;
                void change(() => run('PATCH', `/api/members/${member.userId}`, { role }));
              }}
            >
              {ROLES.map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
              <option value="none">no longer a member</option>
            </select>
          )}
        </span>
      ) : (
        <span>{member.role}</span>
      )}
    </li>
  );
}

interface HandedLinkBoxProps {
  link: HandedLink;
  setLink: Dispatch<SetStateAction<HandedLink | null>>;
}

/** A link to hand over, shown once. */
function HandedLinkBox({ link, setLink }: HandedLinkBoxProps) {
  return (
    <div role="status" className="border-2 border-ink bg-sheet p-3">
      <p>
        <strong>A link for {link.to}</strong>, to hand over; it works once and for {link.minutes}, and is shown only
        now.
      </p>
      <p className="mt-1 overflow-x-auto">
        <code data-testid="handed-link" className="select-all">
          {link.url}
        </code>
      </p>
      <button type="button" className="bench-button mt-2" onClick={() => setLink(null)}>
        Handed over
      </button>
    </div>
  );
}
