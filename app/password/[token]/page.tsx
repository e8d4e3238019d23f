import type { Metadata } from 'next';
import { openPasswordLink } from '@/server/club/passwords';
import { JoinForm } from '@/ui/club/join-form';
import { NewPasswordForm } from '@/ui/club/new-password-form';
import { PrivateLink } from '../../_http/private-link';
import { services } from '../../_http/services';

export const metadata: Metadata = { title: 'Choose a password', robots: { index: false } };

export default async function PasswordLink({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  return (
    <PrivateLink
      opened={openPasswordLink(services(), token)}
      show={({ user, purpose, hasPassword, clubs }) =>
        purpose === 'hand-over' && hasPassword ? (
          <div className="flex flex-col gap-4">
            <h1>
              {clubs.length === 0
                ? 'Nobody asks any more'
                : `${clubs.join(' and ')} ${clubs.length === 1 ? 'asks' : 'ask'} you to join`}
            </h1>
            {clubs.length === 0 ? (
              <p>The club took its question back, or you have answered it already.</p>
            ) : (
              <>
                <p>There is an account of {user.email} already. Enter its password to answer.</p>
                <JoinForm token={token} email={user.email} />
              </>
            )}
          </div>
        ) : (
          <div className="flex flex-col gap-4">
            <h1>Choose a password</h1>
            <p>
              {purpose === 'hand-over'
                ? `For ${user.email}. With it you join ${clubs.join(' and ') || 'the club'}.`
                : `For ${user.email}. You are signed out everywhere, and sign in with the new one.`}
            </p>
            <NewPasswordForm token={token} email={user.email} />
          </div>
        )
      }
    />
  );
}
