import { redirect } from 'next/navigation';

export default async function Workshop({ params }: { params: Promise<{ workshop: string }> }) {
  redirect(`/workshops/${(await params).workshop}/plan`);
}
