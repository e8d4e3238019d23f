import { DataTypes } from 'sequelize';
import type {
  SiteRow,
  ObservationRow,
  WorkshopRow,
  SeatRow,
  RosterImportRow,
  PlanPartRow,
  StoreItemRow,
  CalendarEntryRow,
  MeasuredPieceRow,
  TopworkingPlanRow,
} from './plan-rows';
import { type Define, KEY } from './table';

const { BOOLEAN, DATE, DATEONLY, DOUBLE, INTEGER, JSON, STRING } = DataTypes;

/** Sites, workshops and what is planned for them. */
export function planTables(define: Define) {
  return {
    sites: define<SiteRow>('sites', {
      id: KEY,
      clubId: STRING,
      name: STRING,
      hemisphere: STRING,
      timeZone: STRING,
      region: STRING,
      climate: JSON,
      climateSource: STRING,
      assumptions: JSON,
      quarantine: JSON,
      version: INTEGER,
    }),
    observations: define<ObservationRow>('observations', {
      id: KEY,
      clubId: STRING,
      siteId: STRING,
      species: STRING,
      sign: STRING,
      seenOn: DATEONLY,
      note: STRING,
      enteredBy: STRING,
      withdrawn: BOOLEAN,
    }),
    workshops: define<WorkshopRow>('workshops', {
      id: KEY,
      clubId: STRING,
      title: STRING,
      date: DATEONLY,
      siteId: STRING,
      method: STRING,
      promisedKeepers: INTEGER,
      promise: STRING,
      scionSpecies: STRING,
      stockSpecies: STRING,
      schools: JSON,
      createdAt: DATE(3),
      putAwayAt: DATE(3),
      asksAlone: BOOLEAN,
    }),
    seats: define<SeatRow>('seats', {
      id: KEY,
      clubId: STRING,
      workshopId: STRING,
      number: INTEGER,
      personId: STRING,
      absent: BOOLEAN,
      leftHanded: BOOLEAN,
      skill: STRING,
    }),
    rosterImports: define<RosterImportRow>('roster_imports', {
      clubId: KEY,
      id: KEY,
      workshopId: STRING,
      seated: INTEGER,
      at: DATE(3),
    }),
    ...partTables(define),
  };
}

/** What is planned for a workshop, part by part. */
function partTables(define: Define) {
  return {
    planParts: define<PlanPartRow>('plan_parts', {
      clubId: KEY,
      workshopId: KEY,
      part: KEY,
      version: INTEGER,
      body: JSON,
      changeId: STRING,
      changedAt: DATE(3),
    }),
    storeItems: define<StoreItemRow>('store_items', { clubId: KEY, item: KEY, inStore: DOUBLE, price: DOUBLE }),
    calendarEntries: define<CalendarEntryRow>('calendar_entries', {
      clubId: KEY,
      workshopId: KEY,
      entry: KEY,
      contentHash: STRING,
      sequence: INTEGER,
      fromDate: DATEONLY,
      toDate: DATEONLY,
      title: STRING,
      cancelled: BOOLEAN,
    }),
    measuredPieces: define<MeasuredPieceRow>('measured_pieces', {
      id: KEY,
      clubId: STRING,
      workshopId: STRING,
      kind: STRING,
      lotId: STRING,
      number: INTEGER,
      caliper: DOUBLE,
      usableBuds: INTEGER,
    }),
    topworkingPlans: define<TopworkingPlanRow>('topworking_plans', {
      id: KEY,
      clubId: STRING,
      tree: STRING,
      species: STRING,
      firstYear: INTEGER,
      graftDay: DATEONLY,
      version: INTEGER,
      limbs: JSON,
      changedAt: DATE(3),
    }),
  };
}
