/** What the projector of a workshop shows, as it goes to screens and remotes. */
export interface TeachingState {
  /** Grows with every change; the id of the event that carries it. */
  seq: number;
  step: number;
  panel: 'right' | 'both';
  blank: boolean;
  briefing: boolean;
  /** Run-down for "everyone cuts now": its length, and what is left of it, ms; null while none runs. */
  timer: { seconds: number; left: number } | null;
}
