import type { DueGroup } from './due-groups';

/** Where plants of a lot stand, and of which day they are. */
export interface DuePlace {
  workshopId: string;
  workshop: string;
  siteId: string;
  site: string;
  variety: string;
  method: string;
}

/** A task as a page shows it and a device marks it. */
export interface WeekGroup extends Omit<DueGroup<DuePlace>, 'name' | 'missed' | 'where'>, DuePlace {
  key: string;
  name: string;
  missed: string;
}
