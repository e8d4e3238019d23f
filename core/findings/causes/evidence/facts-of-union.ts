import type { Happening } from '../../../aftercare/happening';
import type { Closed, PlannedTask } from '../../../aftercare/plan/union-plan';
import type { Tie } from '../../../aftercare/ties/ties';
import type { Arrival } from '../../../plan/wood/by-post';
import type { DayWeather } from '../../../plan/climate/day-weather';
import type { PointGrade } from '../../../contact/grade';
import type { Stage } from '../../../methods/method';
import type { WayOn } from '../../../methods/variant';
import type { IsoDate } from '../../../units/iso-date';
import type { Signs } from '../../../follow-up/signs/signs';

/** A judgement that counts: grades by point, and how many sides met; null where its method has no sides. */
export interface JudgedFacts {
  on: IsoDate;
  stage: Stage;
  grades: Partial<Record<string, PointGrade>>;
  sidesMet: 0 | 1 | 2 | null;
}

/** The wood of a union's lot, as its ledger has it. */
export interface WoodFacts {
  /** What is said of where it is from: nothing was entered, a certificate, or a source. */
  source: 'unknown' | 'certified' | 'known';
  /** A kin that carries virus, as the club's list and the usual one have it. */
  carriesVirus: boolean;
  stage: 'dormant' | 'budwood' | 'tip';
  cutOn: IsoDate | null;
  sentOn: IsoDate | null;
  arrivedOn: IsoDate | null;
  arrival: Arrival | '';
  /** Days it was measured above what it should be stored at, of its loggers; null where none was read. */
  warmDays: number | null;
  /** The last look before the union was made. */
  look: { on: IsoDate; green: 'yes' | 'partly' | 'no'; buds: 'shut' | 'moving' | 'open' } | null;
}

/** What a callus place's logger measured while the union stood there in its first two weeks, hours. */
export interface CallusFacts {
  place: string;
  measured: number;
  below: number;
  above: number;
}

/** A try at the bark of a species at a site. */
export interface BarkTried {
  on: IsoDate;
  slips: boolean;
}

/** All that the club has of one union that bears on why it died. Days are calendar days at its site. */
export interface FactsOfUnion {
  madeOn: IsoDate;
  /** The day it was first seen dead. */
  deadOn: IsoDate;
  wayOn: WayOn;
  judged: JudgedFacts | null;
  wood: WoodFacts;
  /** Whether stock and scion are of one species, of two genera, or neither can be said. */
  pair: 'same-species' | 'cross-genus' | null;
  /** Whether the stock bleeds, and what was done before. */
  bleeds: boolean;
  /** The last look at the bark of that species at the site, a few days to either side; null where nobody looked. */
  bark: BarkTried | null;
  callus: CallusFacts | null;
  /** Days it stood under the sky; empty where it stood under a roof. */
  weather: readonly DayWeather[];
  hotDay: number;
  materials: readonly string[];
  tasks: readonly PlannedTask[];
  closed: readonly Closed[];
  /** Tasks that somebody marked on any union of the day: what nobody ever marks is not missed. */
  kept: ReadonlySet<string>;
  ties: readonly Tie[];
  /** Another union on the same stock is known to live. */
  siblingLives: boolean;
  /** Days on which growth was seen, rising. */
  grewOn: readonly IsoDate[];
  /** When leaves next fall after it was made; null where they do not. */
  leavesFall: IsoDate | null;
  /** The last look that said dead was read as dead or likely dead: nothing is lost by cutting it open. */
  signsSayDead: boolean;
  /** What happened to it, as somebody told on the day. */
  happened: readonly { on: IsoDate; code: Happening }[];
  /** What was seen of it on the looks that said dead, the last first. */
  signs: readonly { on: IsoDate; signs: Signs }[];
}

/** A piece of evidence of a union, and where it comes from. */
export interface Gathered {
  code: string;
  from: string;
}
