import type { Limb } from '../../plan/topworking/limb';
import type { KnittingKin } from '../../plan/phenology/assumptions';
import type { WeeklyGrowth } from '../growth/weekly-growth';
import type { Place, Spot } from './place';
import type { TagDoubt } from './tag-find-input';

/** A plant as places show it. */
export interface PlacedPlant {
  plantId: string;
  code: string;
  workshopId: string;
  siteId: string;
  variety: string;
  species: string;
  lotId: string;
  /** Flagging of its lot in its workshop. */
  ribbon: string;
  grower: string;
  /** How its unions were made: "Chip bud in late summer". */
  made: string;
  /** The day its first union was made. */
  madeOn: string;
  dead: boolean;
  doubt: TagDoubt;
  /** Where it stands; null where nobody said. */
  standing: { placeId: string; spot: Spot; since: string } | null;
}

/** Whose land a place is on, and the leave that was given. */
export interface LandLeave {
  owner: string;
  leaveBy: string;
  leaveUntil: string | null;
  told: string;
}

/** A place as its page shows it. */
export interface PlaceView extends Place, LandLeave {
  siteId: string;
  planId: string | null;
  kin: KnittingKin | '';
  warmFrom: string | null;
  logger: string;
  alertHours: number | null;
  putAway: boolean;
  version: number;
}

/** A site with its places and all plants that were made for it or stand there. */
export interface SiteOfPlaces {
  siteId: string;
  site: string;
  places: (PlaceView & { held: number })[];
  plants: PlacedPlant[];
}

/** A grafted or standing limb of a tree that is changed over. */
export interface TreeLimb extends Limb {
  /** How its graft stands; null where it carries none yet. */
  graft: { madeOn: string } | null;
  /** How fast its graft grows beside those of the other limbs; null where it was not measured twice. */
  growth: WeeklyGrowth | null;
  /** What to do to the nurse limb and why; empty where nothing is. */
  thinNurse: string;
}

/** A move of a place's history. */
export interface PlaceMove {
  actionId: string;
  on: string;
  by: string;
  note: string;
  /** Codes as tags show them, in planting order of where they went. */
  codes: string[];
  from: string;
  to: string;
  undone: boolean;
}
