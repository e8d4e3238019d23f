/** What came back from the server: the answer, or a message to show as it is. */
export type Sent<T> =
  | { ok: true; data: T }
  | {
      ok: false;
      /** 0 when no answer came. */
      status: number;
      message: string;
      fields: Record<string, string>;
      /** The server took the request and said nothing in time. */
      timedOut?: boolean;
    };

/** How long an answer may take, ms: a form, and a file with its way through a thin line. */
const PATIENCE = 60_000;
const PATIENCE_WITH_FILE = 180_000;

/**
 * Sends JSON (or a form with a file) to one of our routes. Network failures are told apart from
 * refusals by status 0, so that a caller can keep the entry and offer to try again.
 *
 * @param patience ms until no answer is taken for a failure.
 */
export async function send<T = undefined>(
  method: 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  url: string,
  body?: object | FormData | Blob,
  patience: number = body instanceof FormData || body instanceof Blob ? PATIENCE_WITH_FILE : PATIENCE,
): Promise<Sent<T>> {
  const signal = AbortSignal.timeout(patience);
  const content =
    body instanceof FormData || body instanceof Blob
      ? { body }
      : body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } };
  try {
    const response = await fetch(url, { method, signal, ...content });
    if (response.ok) return { ok: true, data: (response.status === 204 ? undefined : await response.json()) as T };
    const refusal = (await response.json().catch((error: unknown) => {
      if (signal.aborted) throw error;
      return {};
    })) as { message?: string; fields?: Record<string, string> };
    return {
      ok: false,
      status: response.status,
      fields: refusal.fields ?? {},
      message: refusal.message ?? 'The server gave no readable answer, so nothing is known to be saved. Try again.',
    };
  } catch {
    if (!signal.aborted)
      return {
        ok: false,
        status: 0,
        message: 'The server cannot be reached. What you entered is still here; try again in a moment.',
        fields: {},
      };
    return {
      ok: false,
      status: 0,
      timedOut: true,
      fields: {},
      message: `The server gave no answer within ${Math.round(patience / 1000)} seconds, so nothing is known to be saved. What you entered is still here; try again.`,
    };
  }
}
