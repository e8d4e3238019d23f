import { redirect } from 'next/navigation';
import { needsFirstLead } from '@/server/club/members';
import { services } from './_http/services';
import { currentActor } from './_http/session';

export default async function Start() {
  if (await needsFirstLead(services())) redirect('/first-lead');
  redirect((await currentActor()) ? '/week' : '/sign-in');
}
