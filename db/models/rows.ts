import type { Role } from '@/core/club/role';
import type { LengthUnit } from '@/core/units/length';
import type { TemperatureUnit } from '@/core/units/temperature';
import type { Measures } from '@/core/methods/measures';
import type { Climate } from '@/core/plan/climate/normals';
import type { Edits } from '@/core/plan/phenology/assumptions';
import type { Sign } from '@/core/plan/phenology/observation';
import type { SkillLevel } from '@/core/plan/pairing/hand';
import type { LoggerSummary, Reading } from '@/core/plan/wood/logger-run';
import type { Choices } from '@/core/methods/school';
import type { Verdict } from '@/core/methods/compatibility/compatibility';
import type { Limb } from '@/core/plan/topworking/limb';
import type { Stage } from '@/core/methods/method';
import type { Marks, ScoringRule } from '@/core/score/rubric/judge-union';
import type { RubricEdits } from '@/core/score/rubric/rubric-edits';
import type { PhotoScale } from '@/core/score/photos/photo-scale';
import type { Milestone, Answer } from '@/core/methods/milestones';
import type { TakeState } from '@/core/findings/take-state';

/* Rows as the database gives them: dates as YYYY-MM-DD, instants as Date, both UTC. */

export type UnionKind = 'practice' | 'keeper';

export interface ClubRow {
  id: string;
  name: string;
  createdAt: Date;
}
export interface UserRow {
  id: string;
  email: string;
  name: string;
  /** Null until they chose one. */ passwordHash: string | null;
  lengthUnit: LengthUnit;
  temperatureUnit: TemperatureUnit;
}
export interface MembershipRow {
  clubId: string;
  userId: string;
  role: Role;
}
export interface SessionRow {
  tokenHash: string;
  /** What the session is called towards its owner; the token is told to nobody. */
  id: string;
  userId: string;
  clubId: string;
  createdAt: Date;
  expiresAt: Date;
  /** Last call, to the nearest minutes. */
  seenAt: Date;
  /** When the password was last entered in it. */
  confirmedAt: Date | null;
  /** Browser and system, in words. */
  device: string;
  /** A bench is kept on the device for no reception, so it may stay away for days. */
  keptOffline: boolean;
}
/** A link that sets a password: for whoever forgot theirs, or has none yet. */
export interface PasswordLinkRow {
  tokenHash: string;
  userId: string;
  purpose: 'forgotten' | 'hand-over';
  createdAt: Date;
  expiresAt: Date;
  usedAt: Date | null;
}
/** A letter to a user about their account. */
export interface AccountLetterRow {
  id: string;
  userId: string;
  subject: string;
  state: 'queued' | 'delivered';
  createdAt: Date;
}
/** Somebody with an account is asked to join a club; it counts when they say yes. */
export interface InvitationRow {
  clubId: string;
  userId: string;
  role: Role;
  invitedBy: string;
  invitedAt: Date;
}
/** A text of others in which an erased person may still be named; the name itself is nowhere. */
export interface NameTraceRow {
  id: string;
  clubId: string;
  tableName: string;
  rowKey: string;
  columnName: string;
  foundAt: Date;
  settledAt: Date | null;
}
export interface KnownNetworkRow {
  userId: string;
  networkHash: string;
  seenAt: Date;
}
export interface PersonRow {
  id: string;
  clubId: string;
  name: string | null;
  email: string | null;
  phone: string | null;
  mayContact: boolean;
  erasedAt: Date | null;
}
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
  /** Chosen option by question; the usual ones are not named. */
  schools: Choices;
  createdAt: Date;
  /** Made by mistake and put away: in no list, and to be brought back. */
  putAwayAt: Date | null;
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
export interface WoodLotRow {
  id: string;
  clubId: string;
  variety: string;
  species: string;
  source: string;
  cutOn: string | null;
  stage: 'dormant' | 'budwood' | 'tip';
  place: string;
  wrap: string;
  protectedUntil: string | null;
  leaveWords: string;
  certificate: string;
  region: string;
  /** Sticks there were, and how many of them are spoken for: never more. */
  sticks: number;
  booked: number;
  usableBuds: number;
  sourceId: string | null;
  version: number;
}
export interface StockLotRow {
  id: string;
  clubId: string;
  stockType: string;
  species: string;
  stocks: number;
}
export interface WorkshopWoodLotRow {
  clubId: string;
  workshopId: string;
  woodLotId: string;
  ribbon: string;
}
export interface WorkshopStockLotRow {
  clubId: string;
  workshopId: string;
  stockLotId: string;
}
export interface RubricRow {
  id: string;
  clubId: string;
  method: string;
  contentHash: string;
  body: ScoringRule;
  createdAt: Date;
}
export interface PlantRow {
  id: string;
  clubId: string;
  workshopId: string;
  code: string;
  seatId: string;
  place: number;
  woodLotId: string;
  stockLotId: string;
  voidedAt: Date | null;
}
export interface UnionRow {
  id: string;
  clubId: string;
  workshopId: string;
  seatId: string;
  kind: UnionKind;
  number: number;
  plantId: string | null;
  chosenJudgementId: string | null;
  doubleSettledAt: Date | null;
  /** Drawn to be scored twice, and when that was done or given up. */
  secondWanted: boolean;
  secondSettledAt: Date | null;
  /** When anything about it last changed, by the database's clock. */
  changedAt: Date;
}
export interface JudgementRow {
  id: string;
  clubId: string;
  unionId: string;
  assessorId: string;
  stage: Stage;
  measures: Measures;
  marks: Marks;
  note: string;
  contact: number;
  contactLeft: number | null;
  contactRight: number | null;
  touchingMm: number;
  runs: { from: number; to: number }[];
  contactGrade: 'good' | 'poor' | 'fatal';
  contactWords: string;
  fatal: string[];
  score: number | null;
  modelVersion: string;
  rubricId: string;
  correctsId: string | null;
  /** As correctsId, and null once withdrawn: unique, so that a judgement has one correction that stands. */
  liveCorrectsId: string | null;
  withdrawnAt: Date | null;
  filledInAt: Date | null;
  deviceAt: Date;
  recordedAt: Date;
  /** When it was made, by the server's clock: the device's clock put right by what it showed when it sent. */
  madeAt: Date;
  /** Scored without having seen the first score. */
  blind: boolean;
  /** How long the union was on the screen, and strokes counted, where somebody counted. */
  seconds: number | null;
  strokes: number | null;
  /** Who had it scored again by another rubric; its assessor stays who it was. */
  rescoredBy: string | null;
  /** Hash of what the device sent; null for those from before it was kept. */
  sentHash: string | null;
}
export interface RoundRow {
  id: string;
  clubId: string;
  workshopId: string;
  milestone: Milestone;
  opensOn: string;
  closesOn: string;
}
export interface ReportLinkRow {
  id: string;
  clubId: string;
  roundId: string;
  personId: string;
  tokenHash: string;
  kind: 'mail' | 'slip';
  createdAt: Date;
  withdrawnAt: Date | null;
}
export interface MessageRow {
  id: string;
  clubId: string;
  roundId: string;
  personId: string;
  nth: number;
  subject: string;
  state: 'queued' | 'delivered';
  createdAt: Date;
}
export interface ReportRow {
  seq: number;
  id: string;
  clubId: string;
  unionId: string;
  roundId: string;
  /** Which answer of this union to this round it is, from 1; the last one counts. */
  turn: number;
  answer: Answer;
  note: string;
  source: 'link' | 'phone' | 'slip';
  enteredBy: string | null;
  recordedAt: Date;
}
export interface UnionFactRow {
  unionId: string;
  clubId: string;
  workshopId: string;
  seatId: string;
  kind: UnionKind;
  method: string;
  date: string;
  number: number;
  woodLotId: string | null;
  stockLotId: string | null;
  assessorId: string | null;
  score: number | null;
  contact: number | null;
  contactGrade: 'good' | 'poor' | 'fatal' | null;
  fatal: boolean | null;
  voided: boolean;
  healed: TakeState;
  growing: TakeState;
  season: TakeState;
  wintered: TakeState;
  contradicted: boolean;
}
export interface AuditRow {
  seq: number;
  clubId: string;
  actorId: string | null;
  action: string;
  subjectId: string;
  at: Date;
}
/** What the projector of a workshop shows; `seq` grows with every change. */
export interface TeachingStateRow {
  clubId: string;
  workshopId: string;
  seq: number;
  step: number;
  panel: 'right' | 'both';
  blank: boolean;
  timerSeconds: number | null;
  timerEndsAt: Date | null;
  briefing: boolean;
  /** Id of the change that made it, so that a repeated request changes nothing. */
  changeId: string;
  changedAt: Date;
}
export interface BriefingRow {
  clubId: string;
  workshopId: string;
  firstAid: string;
  kit: string;
  localRules: string;
  sap: boolean;
  changedAt: Date;
}
export interface AcknowledgementRow {
  clubId: string;
  workshopId: string;
  personId: string;
  contentHash: string;
  acknowledgedAt: Date;
  recordedBy: string;
}
export interface CompatibilityRow {
  id: string;
  clubId: string;
  stock: string;
  scion: string;
  verdict: Verdict;
  note: string;
  source: string;
  withdrawn: boolean;
}
export interface TopworkingPlanRow {
  id: string;
  clubId: string;
  tree: string;
  species: string;
  firstYear: number;
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
/** A part of a workshop's plan as it was last saved; `version` grows, so that nobody overwrites what they have not seen. */
export interface PlanPartRow {
  clubId: string;
  workshopId: string;
  part: PlanPart;
  version: number;
  body: unknown;
  changeId: string;
  changedAt: Date;
}
export type PlanPart = 'methods' | 'kit' | 'day' | 'room' | 'pairs' | 'scoring';
export interface StoreItemRow {
  clubId: string;
  item: string;
  inStore: number;
  price: number | null;
}
/** An entry as the calendar file last had it; `sequence` grows when it changes. */
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
export interface WoodSourceRow {
  id: string;
  clubId: string;
  kind: 'keeper' | 'tree';
  plantId: string | null;
  name: string;
  variety: string;
  species: string;
  region: string;
  note: string;
}
export interface WoodSourceYearRow {
  clubId: string;
  sourceId: string;
  year: number;
  sticks: number;
  booked: number;
}
export interface WoodSourceBookingRow {
  id: string;
  clubId: string;
  sourceId: string;
  year: number;
  whom: string;
  sticks: number;
}
export interface WoodBookingRow {
  id: string;
  clubId: string;
  lotId: string;
  workshopId: string;
  seatId: string | null;
  sticks: number;
}
export interface WoodCheckRow {
  id: string;
  clubId: string;
  lotId: string;
  lookedOn: string;
  green: 'yes' | 'partly' | 'no';
  buds: 'shut' | 'moving' | 'open';
  note: string;
  enteredBy: string;
}
export interface LoggerRunRow {
  id: string;
  clubId: string;
  lotId: string;
  fileName: string;
  contentHash: string;
  /** What is drawn of it; `series` is all of it, packed. */
  readings: Reading[];
  series: Buffer | null;
  summary: LoggerSummary;
  notes: string[];
  addedAt: Date;
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
/** The lead's or an assistant's word that somebody may make keepers without being ready, or may not yet. The last one counts. */
export interface KeeperPermitRow {
  id: string;
  clubId: string;
  workshopId: string;
  seatId: string;
  may: boolean;
  reason: string;
  givenBy: string;
  givenAt: Date;
}
export interface RubricEditRow {
  clubId: string;
  method: string;
  version: number;
  body: RubricEdits;
  changeId: string;
  changedBy: string;
  changedAt: Date;
}
export interface RecalibrationRow {
  id: string;
  clubId: string;
  method: string;
  seed: number;
  nth: number;
  assessorId: string;
  rubricId: string;
  marks: Marks;
  answeredAt: Date;
}
export interface PhotoRow {
  id: string;
  clubId: string;
  unionId: string;
  takenBy: string;
  width: number;
  height: number;
  bytes: Buffer;
  scale: PhotoScale | null;
  version: number;
  addedAt: Date;
  withdrawn: boolean;
}
export interface CutLookRow {
  id: string;
  clubId: string;
  unionId: string;
  callus: 'ring' | 'parts' | 'none';
  contactSeen: number | null;
  lookedOn: string;
  note: string;
  enteredBy: string;
  recordedAt: Date;
}
export interface CardLinkRow {
  clubId: string;
  seatId: string;
  tokenHash: string;
  createdAt: Date;
  withdrawnAt: Date | null;
}
