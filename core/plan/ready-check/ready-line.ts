/** Good, still to be done before the day, done with care, or a reason not to hold it. */
export type Light = 'go' | 'todo' | 'care' | 'stop';

/** The page on which a remedy is done. */
export type ReadyPlace = 'roster' | 'dates' | 'wood' | 'site' | 'briefing' | 'quantities' | 'compatibility' | 'edges';

/** One question of the morning, how it stands, why, what to do, and where. */
export interface ReadyLine {
  id: string;
  question: string;
  light: Light;
  says: string;
  remedy: string | null;
  /** Where the remedy is done; null where there is none. */
  place: ReadyPlace | null;
}

/** Adds a line to the check. */
export type Add = (
  id: string,
  question: string,
  light: Light,
  says: string,
  remedy?: string | null,
  place?: ReadyPlace | null,
) => void;
