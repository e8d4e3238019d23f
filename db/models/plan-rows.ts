import type { Climate } from '@/core/plan/climate/normals';
import type { Edits } from '@/core/plan/phenology/assumptions';
import type { Sign } from '@/core/plan/phenology/observation';
import type { SkillLevel } from '@/core/plan/pairing/hand';
import type { Choices } from '@/core/methods/school';
import type { Limb } from '@/core/plan/topworking/limb';

export interface SiteRow {
  id: string;
  clubId: string;
  name: string;
  hemisphere: 'north' | 'south';
  timeZone: string;
  /** Where it lies, to tell whether wood crosses a boundary. */
  region: string;
  climate: Climate | null;
  climateSource: string;
  assumptions: Edits;
  /** Species or kin on the club's own quarantine list for the site. */
  quarantine: string[];
  version: number;
}

export interface WorkshopRow {
  id: string;
  clubId: string;
  title: string;
  date: string;
  siteId: string;
  method: string;
  promisedKeepers: number;
  promise: string;
  /** What is grafted, and on what; empty where it was never said. */
  scionSpecies: string;
  stockSpecies: string;
  /** Chosen option by question; the usual ones are not named. */
  schools: Choices;
  createdAt: Date;
  /** Made by mistake and put away: in no list, and to be brought back. */
  putAwayAt: Date | null;
  /** Letters of its follow-up are written by themselves when their day has come. */
  asksAlone: boolean;
}

export interface SeatRow {
  id: string;
  clubId: string;
  workshopId: string;
  number: number;
  personId: string;
  absent: boolean;
  leftHanded: boolean;
  skill: SkillLevel | null;
}

export interface RosterImportRow {
  clubId: string;
  id: string;
  workshopId: string;
  seated: number;
  at: Date;
}

export interface TopworkingPlanRow {
  id: string;
  clubId: string;
  tree: string;
  species: string;
  firstYear: number;
  /** The day of the first grafting; older programmes have only its year. */
  graftDay: string | null;
  version: number;
  limbs: Limb[];
  changedAt: Date;
}

export interface ObservationRow {
  id: string;
  clubId: string;
  siteId: string;
  species: string;
  sign: Sign;
  seenOn: string;
  note: string;
  enteredBy: string;
  withdrawn: boolean;
}

export interface PlanPartRow {
  clubId: string;
  workshopId: string;
  part: PlanPart;
  version: number;
  body: unknown;
  changeId: string;
  changedAt: Date;
}

export type PlanPart = 'methods' | 'kit' | 'day' | 'room' | 'pairs' | 'scoring' | 'edges';

export interface StoreItemRow {
  clubId: string;
  item: string;
  inStore: number;
  price: number | null;
}

export interface CalendarEntryRow {
  clubId: string;
  workshopId: string;
  entry: string;
  contentHash: string;
  sequence: number;
  fromDate: string;
  toDate: string;
  title: string;
  cancelled: boolean;
}

export interface MeasuredPieceRow {
  id: string;
  clubId: string;
  workshopId: string;
  kind: 'stick' | 'stock';
  lotId: string;
  number: number;
  caliper: number;
  usableBuds: number | null;
}
