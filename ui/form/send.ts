/** What came back from the server: the answer, or a message to show as it is. */
export type Sent<T> = { ok: true; data: T } | { ok: false; status: number; message: string; fields: Record<string, string> };

/**
 * Sends JSON (or a form with a file) to one of our routes. Network failures are told apart from
 * refusals by status 0, so that a caller can keep the entry and offer to try again.
 */
export async function send<T = undefined>(method: 'POST' | 'PUT' | 'PATCH' | 'DELETE', url: string, body?: object | FormData): Promise<Sent<T>> {
  let response: Response;
  try {
    response = await fetch(url, {
      method,
      ...(body instanceof FormData ? { body } : body === undefined ? {} : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
    });
  } catch {
    return { ok: false, status: 0, message: 'The server cannot be reached. What you entered is still here; try again in a moment.', fields: {} };
  }
  if (response.ok) return { ok: true, data: (response.status === 204 ? undefined : await response.json()) as T };
  const refusal = (await response.json().catch(() => ({}))) as { message?: string; fields?: Record<string, string> };
  return {
    ok: false, status: response.status, fields: refusal.fields ?? {},
    message: refusal.message ?? 'The server gave no readable answer, so nothing is known to be saved. Try again.',
  };
}
