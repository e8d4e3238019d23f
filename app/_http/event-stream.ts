/** How often the database is asked, how often a silent line is kept open, and how long one stream lasts, ms. */
const POLL = 500;
const HEARTBEAT = 15_000;
const LASTS = 10 * 60_000;

/**
 * Server-sent events of a state that carries its own number. The first event is a snapshot, unless
 * the browser says it has seen that number already (Last-Event-ID); then whatever changes. The
 * state is read from the database, so that several servers can run side by side. A stream ends
 * after a while and the browser opens the next one by itself.
 */
export function eventStream(request: Request, read: () => Promise<{ seq: number }>): Response {
  const encoder = new TextEncoder();
  // A number seen counts only if it is the present one: after a restore the database may be behind it.
  let seen = Number(request.headers.get('last-event-id') ?? Number.NaN);
  let timer: NodeJS.Timeout;
  let over = false;
  const started = Date.now();
  let spoken = started;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const say = (text: string): void => {
        if (over) return;
        spoken = Date.now();
        controller.enqueue(encoder.encode(text));
      };
      const end = (): void => {
        if (over) return;
        over = true;
        clearTimeout(timer);
        controller.close();
      };
      request.signal.addEventListener('abort', end);
      say('retry: 1000\n\n');
      const poll = async (): Promise<void> => {
        try {
          const state = await read();
          if (state.seq !== seen) {
            seen = state.seq;
            say(`id: ${state.seq}\ndata: ${JSON.stringify(state)}\n\n`);
          } else if (Date.now() - spoken > HEARTBEAT) say(': still here\n\n');
        } catch {
          // The database is away or the person lost the right to look: the browser tries again and is told.
          end();
          return;
        }
        if (Date.now() - started > LASTS) end();
        else if (!over) timer = setTimeout(() => void poll(), POLL);
      };
      void poll();
    },
    cancel() {
      over = true;
      clearTimeout(timer);
    },
  });
  return new Response(stream, {
    headers: {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    },
  });
}
