import { notFound } from 'next/navigation';
import { isNoId } from '@/server/platform/database-is-away';
import { UseCaseError } from '@/server/platform/use-case-error';

/** What a page asks of a use case; a refusal for want of the thing becomes the page that says so. */
export async function orNotFound<T>(asked: Promise<T>): Promise<T> {
  try {
    return await asked;
  } catch (error) {
    if ((error instanceof UseCaseError && error.refusal === 'not-found') || isNoId(error)) notFound();
    throw error;
  }
}
