'use client';

import { Field } from '../form/field';
import { Problem } from '../form/problem';
import { useSend } from '../form/use-send';

interface MemberLine { userId: string; name: string; email: string; role: string }

const ROLES = [['lead', 'lead'], ['assistant', 'assistant'], ['viewer', 'viewer']] as const;

/** Who belongs to the club, and what each may do. */
export function MembersBoard({ members, mayChange }: { members: MemberLine[]; mayChange: boolean }) {
  const { run, busy, problem } = useSend();
  const add = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const form = event.currentTarget;
    const sent = await run('POST', '/api/members', Object.fromEntries(new FormData(form)));
    if (sent?.ok) form.reset();
  };
  return (
    <div className="flex flex-col gap-4">
      <p className="max-w-prose text-muted">The lead does everything and looks after members. Assistants plan, score and follow up. Viewers read.</p>
      <Problem>{problem?.message}</Problem>
      <ul className="divide-y divide-line border-y border-line">
        {members.map((member) => (
          <li key={member.userId} className="flex flex-wrap items-center justify-between gap-3 py-2">
            <span><span className="font-bold">{member.name}</span> <span className="text-muted">{member.email}</span></span>
            {mayChange ? (
              <select
                aria-label={`Role of ${member.name}`} value={member.role} disabled={busy} className="bench-input w-44!"
                onChange={(event) => void run('PATCH', `/api/members/${member.userId}`, { role: event.target.value })}
              >
                {ROLES.map(([value, label]) => <option key={value} value={value}>{label}</option>)}
                <option value="none">no longer a member</option>
              </select>
            ) : <span>{member.role}</span>}
          </li>
        ))}
      </ul>
      {mayChange && (
        <form onSubmit={(event) => void add(event)} className="flex flex-col gap-3" noValidate>
          <h2>Add a member</h2>
          <div className="grid gap-3 sm:grid-cols-2">
            <Field label="Name" error={problem?.fields.name}><input name="name" autoComplete="off" /></Field>
            <Field label="E-mail" error={problem?.fields.email}><input name="email" type="email" autoComplete="off" /></Field>
            <Field label="First password, to hand over" hint="10 characters or more." error={problem?.fields.password}><input name="password" type="text" autoComplete="off" /></Field>
            <Field label="Role" error={problem?.fields.role}><select name="role" defaultValue="assistant">{ROLES.map(([value, label]) => <option key={value} value={value}>{label}</option>)}</select></Field>
          </div>
          <button type="submit" className="bench-button self-start" disabled={busy}>Add them</button>
        </form>
      )}
    </div>
  );
}
