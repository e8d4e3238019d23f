/** The device's time, moved as the demo's clock is where one is shown as of another day (`./start --today`). */
export function deviceNow(): Date {
  const moved = typeof document === 'undefined' ? 0 : Number(document.documentElement.dataset.clockOffset ?? 0);
  return new Date(Date.now() + moved);
}

/** Today where this device is, as an ISO date. */
export function deviceToday(): string {
  return deviceNow().toLocaleDateString('sv-SE');
}
