import type { OnLand, PlaceKind, Rows, Spot } from '@/core/aftercare/places/place';
import type { TagSeen, TagVerdict } from '@/core/aftercare/places/tag-find-input';
import type { KnittingKin } from '@/core/plan/phenology/assumptions';

export interface PlaceRow {
  id: string;
  clubId: string;
  siteId: string;
  kind: PlaceKind;
  name: string;
  /** As the name while the place is in use; one of a name at each site. */
  liveName: string | null;
  capacity: number;
  rows: Rows | null;
  onLand: OnLand | null;
  /** Of a tree: the programme by which it is changed over. */
  planId: string | null;
  /** What a callus place is warmed for, and since when. */
  kin: KnittingKin | '';
  warmFrom: string | null;
  /** What its logger is called. */
  logger: string;
  /** Hours out of range after which a member is written to. */
  alertHours: number | null;
  alertTo: string | null;
  /** Whose land it stands on, who gave leave, until when, and what the owner was told. */
  owner: string;
  leaveBy: string;
  leaveUntil: string | null;
  told: string;
  putAwayAt: Date | null;
  changedAt: Date;
  version: number;
}

export interface PlantPlaceRow extends Spot {
  plantId: string;
  clubId: string;
  placeId: string;
  since: string;
}

/** From a day on somebody else has a plant: the club, a person, or (neither) whoever made it. */
export interface PlantHandingRow {
  id: string;
  clubId: string;
  /** One tap, which may hand on many plants; that of the move it came with. */
  actionId: string;
  plantId: string;
  withUs: boolean;
  holderId: string | null;
  wasWithUs: boolean;
  wasHolderId: string | null;
  handedOn: string;
  handedBy: string | null;
  recordedAt: Date;
}

export interface PlantMoveRow {
  id: string;
  clubId: string;
  /** One tap, which may move many plants. */
  actionId: string;
  plantId: string;
  fromPlaceId: string | null;
  fromSpot: Spot | null;
  fromSince: string | null;
  toPlaceId: string | null;
  toSpot: Spot | null;
  movedOn: string;
  note: string;
  movedBy: string;
  recordedAt: Date;
  undoneAt: Date | null;
}

export interface PlaceReadingsRow {
  placeId: string;
  /** By the clocks of Greenwich. */
  day: string;
  clubId: string;
  series: Buffer;
  readings: number;
}

export interface PlaceLogRow {
  id: string;
  clubId: string;
  placeId: string;
  fileName: string;
  contentHash: string;
  fromAt: Date;
  toAt: Date;
  readings: number;
  /** Those that were new: others were read before. */
  added: number;
  notes: string[];
  addedBy: string;
  addedAt: Date;
}

export interface PlaceAlertRow {
  placeId: string;
  spellFrom: Date;
  clubId: string;
  sentAt: Date;
  letterId: string;
}

export interface OpenedGraftRow {
  id: string;
  clubId: string;
  siteId: string;
  placeId: string;
  kin: KnittingKin;
  unionId: string | null;
  openedOn: string;
  callused: boolean;
  note: string;
  /** Days of warmth it was reckoned to have by then. */
  knitDays: number;
  seenBy: string;
  recordedAt: Date;
  takenBackAt: Date | null;
}

export interface WeatherDayRow {
  siteId: string;
  day: string;
  clubId: string;
  low: number;
  high: number;
  rain: number | null;
  /** `ordered`: made up by the simulated weather service, as somebody ordered it to try things. */
  source: 'typed' | 'file' | 'ordered';
  enteredBy: string;
  enteredAt: Date;
}

export interface TagFindRow {
  id: string;
  clubId: string;
  placeId: string;
  foundOn: string;
  verdict: TagVerdict;
  seen: TagSeen;
  /** Ids of the plants it may be. */
  possible: string[];
  /** The one whose tag it was given; null where none was. */
  plantId: string | null;
  note: string;
  foundBy: string;
  recordedAt: Date;
  settledAt: Date | null;
}
