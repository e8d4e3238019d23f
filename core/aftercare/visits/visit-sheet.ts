import type { IsoDate } from '../../units/iso-date';

/** A day to come on, and what it serves first. */
export interface Visit {
  on: IsoDate;
  plants: number;
  tasks: number;
  alarms: number;
  minutes: number;
}

/** Tasks that no day one can go reaches. */
export interface Unreached {
  name: string;
  variety: string;
  from: IsoDate;
  to: IsoDate;
  plants: number;
}

/** The visits of a site. */
export interface SiteVisits {
  siteId: string;
  site: string;
  plants: number;
  today: IsoDate;
  rule: { weekdays: number[]; dates: string[]; most: number | null; version: number } | null;
  /** Tasks of the months ahead. */
  open: number;
  visits: Visit[];
  unreached: Unreached[];
}

/** A task of one plant on a sheet, as it is ticked and marked. */
export interface VisitTaskLine {
  unionId: string;
  task: string;
  occurrence: number;
  name: string;
  missed: string;
  alarm: boolean;
  to: IsoDate;
  place: string;
  method: string;
}

/** What is looked at along a row of a day's plants, all in one go. */
export interface VisitRowLine {
  task: string;
  name: string;
  missed: string;
  to: IsoDate;
  workshop: string;
  plants: { unionId: string; occurrence: number; called: string }[];
}

/** What is done on one visit, by plant in walking order. */
export interface VisitSheet {
  siteId: string;
  site: string;
  on: IsoDate;
  /** Along whole rows, before plant by plant. */
  rows: VisitRowLine[];
  plants: {
    called: string;
    href: string;
    variety: string;
    stockType: string;
    workshop: string;
    tasks: VisitTaskLine[];
  }[];
  tools: string[];
  minutes: number;
  /** All plants that stand there: each is watered, its label read, and looked at for pests. */
  all: number;
}
