/** A calendar that programs fetch again and again under a private address: kept by nobody on the way. */
export function calendarResponse(file: string): Response {
  return new Response(file, {
    headers: {
      'Content-Type': 'text/calendar; charset=utf-8',
      'Content-Disposition': 'inline; filename="grafts.ics"',
      'Cache-Control': 'no-store',
    },
  });
}
